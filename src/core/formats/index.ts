export { escaped, svgFile, type SvgOptions } from './svg'
export { elementsOf, groupOf, partsOf, type ScenePart, type SvgElement, type Icon, type Words } from './svgTree'
export * from './native'
