/** The manuscript as blocks with its figures in their places: what a folio is written into files from. Total over any document. */
import * as Y from 'yjs'
import type { Anchor } from './inYjs'

export type Words = readonly (
  { readonly text: string; readonly strong: boolean; readonly em: boolean } | { readonly text: '\n' }
)[]
export type ManuscriptBlock =
  | { readonly block: 'heading'; readonly level: number; readonly words: Words }
  | { readonly block: 'paragraph'; readonly words: Words }
  /** `first` is the number of the first item, null for one with bullets. */
  | { readonly block: 'list'; readonly first: number | null; readonly items: readonly (readonly ManuscriptBlock[])[] }
  | { readonly block: 'table'; readonly rows: readonly (readonly TableCell[])[] }
  | { readonly block: 'figure'; readonly id: string }
export type TableCell = {
  readonly heading: boolean
  readonly across: number
  readonly down: number
  readonly blocks: readonly ManuscriptBlock[]
}

type Anchored = { readonly id: string; readonly anchor: Anchor | null }

/** Each figure stands behind the part of the manuscript that its passage ends in, those that have lost theirs at the end. */
export function manuscriptBlocks(
  doc: Y.Doc,
  manuscript: Y.XmlFragment,
  figures: readonly Anchored[],
): ManuscriptBlock[] {
  const parts = manuscript.toArray()
  const behind = new Map<number, string[]>()
  for (const f of figures) {
    const at = partOf(doc, manuscript, parts, f.anchor)
    behind.set(at, [...(behind.get(at) ?? []), f.id])
  }
  const standing = (at: number) => (behind.get(at) ?? []).map((id): ManuscriptBlock => ({ block: 'figure', id }))
  return [...parts.flatMap((part, i) => [...blockOf(part), ...standing(i)]), ...standing(Infinity)]
}

function partOf(doc: Y.Doc, manuscript: Y.XmlFragment, parts: readonly unknown[], anchor: Anchor | null): number {
  if (!anchor) return Infinity
  const found = Y.createAbsolutePositionFromRelativePosition(Y.createRelativePositionFromJSON(anchor.end), doc)
  let at: Y.AbstractType<unknown> | null = found?.type ?? null
  while (at && at.parent !== manuscript) at = at.parent as Y.AbstractType<unknown> | null
  const index = at ? parts.indexOf(at) : -1
  return index < 0 ? Infinity : index
}

const whole = (value: unknown, least: number, most: number, otherwise: number): number => {
  const number = Math.trunc(Number(value ?? otherwise))
  return Number.isFinite(number) ? Math.min(most, Math.max(least, number)) : otherwise
}

function blockOf(part: unknown): ManuscriptBlock[] {
  if (!(part instanceof Y.XmlElement)) return []
  const attributes = part.getAttributes() as Readonly<Record<string, unknown>>
  const inner = () => part.toArray().flatMap(blockOf)
  switch (part.nodeName) {
    case 'heading':
      return [{ block: 'heading', level: whole(attributes['level'], 1, 6, 1), words: wordsOf(part) }]
    case 'paragraph':
      return [{ block: 'paragraph', words: wordsOf(part) }]
    case 'bullet_list':
    case 'ordered_list':
      return [
        {
          block: 'list',
          first: part.nodeName === 'ordered_list' ? whole(attributes['order'], 0, 1e9, 1) : null,
          items: part.toArray().map((item) => (item instanceof Y.XmlElement ? item.toArray().flatMap(blockOf) : [])),
        },
      ]
    case 'table':
      return [{ block: 'table', rows: part.toArray().map(rowOf) }]
    default:
      return inner()
  }
}

const rowOf = (row: unknown): TableCell[] =>
  !(row instanceof Y.XmlElement)
    ? []
    : row.toArray().flatMap((cell): TableCell[] => {
        if (!(cell instanceof Y.XmlElement)) return []
        const attributes = cell.getAttributes() as Readonly<Record<string, unknown>>
        const span = (name: string) => whole(attributes[name], 1, 1000, 1)
        const blocks = cell.toArray().flatMap(blockOf)
        return [{ heading: cell.nodeName === 'table_header', across: span('colspan'), down: span('rowspan'), blocks }]
      })

function wordsOf(element: Y.XmlElement): Words {
  return element.toArray().flatMap((child): Words => {
    if (!(child instanceof Y.XmlText)) return []
    const delta = child.toDelta() as { insert: unknown; attributes?: Readonly<Record<string, unknown>> }[]
    return delta.flatMap((op): Words => {
      if (typeof op.insert !== 'string') return [{ text: '\n' }]
      const has = (mark: string) =>
        Object.keys(op.attributes ?? {}).some((k) => k === mark || k.startsWith(`${mark}--`))
      return [{ text: op.insert, strong: has('strong'), em: has('em') }]
    })
  })
}

/** Words alone. */
export const plainWords = (words: Words): string => words.map((w) => w.text).join('')
