/** OpenDocument texts, slides (OASIS ODF 1.3), and flat ones: what stands in them, in order. */
import { elements, named, textOf, xmlOf, type XmlElement } from '@/core/exchange'
import type { Left } from './left'
import type { DocBlock, Piece } from './markdown'
import { textPart, unzipped } from './safeZip'

export type OdfRead = { readonly title: string; readonly blocks: DocBlock[] }

export function blocksOfOdf(bytes: Uint8Array, left: Left): OdfRead {
  const parts = unzipped(bytes, (name) => /^(?:content|meta|styles)\.xml$/.test(name) || /^Basic\//.test(name))
  if (Object.keys(parts).some((n) => n.startsWith('Basic/'))) left.add('macros')
  const content = textPart(parts, 'content.xml')
  if (content === null) return { title: '', blocks: [] }
  const meta = textPart(parts, 'meta.xml')
  const title = meta ? /<dc:title>([^<]*)<\/dc:title>/.exec(meta)?.[1]?.trim() : ''
  const styles = textPart(parts, 'styles.xml')
  return { title: title ?? '', blocks: blocksOf(xmlOf(content), left, styles ? xmlOf(styles) : null) }
}

function blocksOf(root: XmlElement, left: Left, styles: XmlElement | null): DocBlock[] {
  const reading = new Reading(styles ? [root, styles] : [root], left)
  const body = elements(root).find((e) => e.name === 'body') ?? root
  reading.walk(body, null)
  return reading.out
}

class Reading {
  readonly out: DocBlock[] = []
  private readonly strong: ReadonlySet<string>
  private readonly em: ReadonlySet<string>
  /** Lists whose first level has numbers. */
  private readonly numbered: ReadonlySet<string>

  constructor(
    roots: readonly XmlElement[],
    private readonly left: Left,
  ) {
    const automatic = roots
      .flatMap(elements)
      .filter((e) => e.name === 'automatic-styles' || e.name === 'styles')
      .flatMap(elements)
    const name = (e: XmlElement) => e.attributes['style:name'] ?? ''
    const stylesWith = (attribute: string, value: RegExp) => {
      const has = (e: XmlElement) => named(e, 'text-properties').some((p) => value.test(p.attributes[attribute] ?? ''))
      return new Set(automatic.filter((e) => e.name === 'style' && has(e)).map(name))
    }
    this.strong = stylesWith('fo:font-weight', /bold|[6-9]00/)
    this.em = stylesWith('fo:font-style', /italic|oblique/)
    const isNumbered = (e: XmlElement) => e.name === 'list-style' && elements(e)[0]?.name === 'list-level-style-number'
    this.numbered = new Set(automatic.filter(isNumbered).map(name))
  }

  walk(parent: XmlElement, list: { readonly depth: number; readonly style: string } | null): void {
    for (const e of elements(parent)) this.element(e, list)
  }

  private element(e: XmlElement, list: { readonly depth: number; readonly style: string } | null): void {
    switch (e.name) {
      case 'h':
        this.out.push({
          block: 'heading',
          level: Number(e.attributes['text:outline-level'] ?? 1) || 1,
          pieces: this.pieces(e),
        })
        return
      case 'p':
        this.paragraph(e)
        return
      case 'list':
        this.list(e, list)
        return
      case 'table':
        this.table(e)
        return
      case 'page':
        this.page(e)
        return
      case 'tracked-changes':
      case 'deletion':
      case 'annotation':
      case 'sequence-decls':
      case 'table-of-content':
      case 'forms':
        return
      default:
        this.walk(e, list)
    }
  }

  private paragraph(e: XmlElement): void {
    const style = e.attributes['text:style-name'] ?? ''
    const pieces = this.pieces(e)
    if (/^(?:Title|Titel)$/.test(style)) this.out.push({ block: 'heading', level: 1, pieces })
    else
      this.out.push({
        block: 'paragraph',
        pieces: this.strong.has(style) ? pieces.map((p) => ({ ...p, strong: true })) : pieces,
      })
    // Frames stand inside the paragraph they hang on.
    for (const frame of elements(e)) if (frame.name === 'frame') this.frame(frame)
  }

  private frame(frame: XmlElement): void {
    if (named(frame, 'image').length > 0) this.left.add('pictures')
    else if (named(frame, 'object').length > 0) this.left.add('embedded objects')
    for (const box of named(frame, 'text-box')) this.walk(box, null)
  }

  private list(e: XmlElement, outer: { readonly depth: number; readonly style: string } | null): void {
    const style = e.attributes['text:style-name'] ?? outer?.style ?? ''
    const depth = outer ? outer.depth + 1 : 0
    const ordered = this.numbered.has(style)
    let number = 1
    for (const item of elements(e)) {
      if (item.name !== 'list-item' && item.name !== 'list-header') continue
      number = Number(item.attributes['text:start-value'] ?? number) || number
      let isFirst = true
      for (const inner of elements(item)) {
        if (inner.name === 'p' && isFirst) {
          this.out.push({ block: 'item', depth, number: ordered ? number : null, pieces: this.pieces(inner) })
          isFirst = false
        } else if (inner.name === 'h') {
          this.out.push({
            block: 'heading',
            level: Number(inner.attributes['text:outline-level'] ?? 1) || 1,
            pieces: this.pieces(inner),
          })
          isFirst = false
        } else this.element(inner, { depth, style })
      }
      if (!isFirst) number++
    }
  }

  private table(e: XmlElement): void {
    const rows: Piece[][][] = []
    const collect = (parent: XmlElement): void => {
      for (const r of elements(parent)) {
        if (r.name !== 'table-row') {
          if (/^table-(?:header-rows|row-group|rows)$/.test(r.name)) collect(r)
          continue
        }
        const cells = elements(r).filter((c) => c.name === 'table-cell' || c.name === 'covered-table-cell')
        rows.push(cells.map((c) => elements(c).flatMap((p) => [...this.pieces(p), { text: ' ' }])))
      }
    }
    collect(e)
    this.out.push({ block: 'table', rows })
  }

  /** A slide: its title above what else stands on it, its notes below. */
  private page(e: XmlElement): void {
    const kind = (f: XmlElement) => f.attributes['presentation:class'] ?? ''
    const frames = elements(e)
    const title = frames.find((f) => kind(f) === 'title')
    const heading = title ? textOf(title).replace(/\s+/g, ' ').trim() : ''
    this.out.push({ block: 'heading', level: 2, pieces: [{ text: heading || (e.attributes['draw:name'] ?? '') }] })
    for (const f of frames) {
      if (f === title) continue
      if (f.name === 'notes') {
        const said = elements(f).filter((x) => kind(x) === 'notes')
        for (const s of said) this.walk(s, null)
      } else if (f.name === 'frame') this.frame(f)
      else this.walk(f, null)
    }
  }

  private pieces(e: XmlElement, strong = false, em = false): Piece[] {
    return e.children.flatMap((c): Piece[] => {
      if (typeof c === 'string') return [{ text: c, strong, em }]
      if (c.name === 's') return [{ text: ' '.repeat(Math.min(100, Number(c.attributes['text:c'] ?? 1) || 1)) }]
      if (c.name === 'tab' || c.name === 'line-break') return [{ text: ' ' }]
      if (c.name === 'note' || c.name === 'frame' || c.name === 'annotation')
        return c.name === 'note' ? this.note() : []
      const style = c.attributes['text:style-name'] ?? ''
      return this.pieces(c, strong || this.strong.has(style), em || this.em.has(style))
    })
  }
  private note(): Piece[] {
    this.left.add('notes at the foot')
    return []
  }
}
