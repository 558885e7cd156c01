/** A scene as an SVG file. Text stays text in embedded subset fonts, or becomes outlines. */
import type { Scene } from '../scene'
import { groupOf, partsOf, type SvgElement, type Words } from './svgTree'

export type SvgOptions = {
  readonly words: Words
  /** False leaves the background open. */
  readonly background: boolean
  readonly title: string
  readonly description: string
  /** `@font-face` rules for the text flavour, empty otherwise. */
  readonly fontFaces: string
}

export function svgFile(scene: Scene, options: SvgOptions): string {
  const { width, height } = scene
  const root: SvgElement = {
    tag: 'svg',
    attributes: {
      xmlns: 'http://www.w3.org/2000/svg',
      width: Math.round(width * 100) / 100,
      height: Math.round(height * 100) / 100,
      viewBox: `0 0 ${Math.round(width * 100) / 100} ${Math.round(height * 100) / 100}`,
      role: 'img',
      'aria-labelledby': 'figure-title figure-description',
    },
    children: [
      { tag: 'title', attributes: { id: 'figure-title' }, children: [options.title] },
      { tag: 'desc', attributes: { id: 'figure-description' }, children: [options.description] },
      ...(options.fontFaces ? [{ tag: 'style', attributes: {}, children: [options.fontFaces] }] : []),
      ...(options.background && !scene.open
        ? [{ tag: 'rect', attributes: { width: '100%', height: '100%', fill: scene.background }, children: [] }]
        : []),
      ...partsOf(scene).map((p) => groupOf(p, options.words)),
    ],
  }
  return `<?xml version="1.0" encoding="UTF-8"?>\n${serialise(root)}\n`
}

const serialise = (e: SvgElement): string => {
  const attributes = Object.entries(e.attributes).map(([k, v]) => ` ${k}="${escaped(String(v))}"`)
  const children = e.children.map((c) => (typeof c === 'string' ? escaped(c) : serialise(c))).join('')
  return children ? `<${e.tag}${attributes.join('')}>${children}</${e.tag}>` : `<${e.tag}${attributes.join('')}/>`
}

/** XML 1.0 allows neither control characters nor lone surrogates, even escaped. */
export const escaped = (s: string): string =>
  s
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|\p{Surrogate}/gu, '')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
