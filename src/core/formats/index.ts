export { svgFile, type SvgOptions } from './svg'
export { elementsOf, groupsOf, type SvgElement, type Words } from './svgTree'
