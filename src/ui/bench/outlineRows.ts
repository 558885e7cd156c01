/** How a row of the outline reads, what it stands for, and which rows are folded away. */
import { fieldsOf, suits, type OutlineRow } from '@/core/document'
import type { Figure } from '@/core/figure'
import { regionName } from './gestures'
import type { Part } from './selection'
import type { Tell } from '@/core/words'

export const keyOf = (r: OutlineRow): string => `${r.row} ${r.id}`

/** The node or link behind a row; null for a region. */
export const rowPart = (r: OutlineRow): Part | null =>
  r.row === 'region' ? null : { kind: r.row === 'node' || r.row === 'detail' ? 'node' : 'link', id: r.id }

/** What stands in its field. */
export function wordsOf(r: OutlineRow): string {
  if (r.row === 'node') return r.node.text
  if (r.row === 'detail') return r.node.detail ?? ''
  if (r.row === 'statement') return [r.link.text, r.to.text].filter(Boolean).join(' – ')
  return r.row === 'region' ? '' : (r.link.text ?? '')
}

type Shown = {
  readonly lead: string | number | null
  readonly words: string
  readonly more: string
  readonly look: string
}
const QUIET = 'text-[13px] text-quiet'

/** Chance and value stand at the end of a row of a decision. */
const amounts = (f: Figure, r: OutlineRow): string =>
  r.row === 'node' && f.kind === 'decision'
    ? fieldsOf(f)
        .filter((field) => ['chance', 'value'].includes(field.id) && suits(f, field, r.node))
        .map((field) => field.read(f, r.node))
        .filter(Boolean)
        .join(' · ')
    : ''

const bare = { lead: null, more: '', look: QUIET } as const

function nodeShown(f: Figure, r: Extract<OutlineRow, { row: 'node' }>): Shown {
  const question = r.node.role === 'question'
  const strong = r.node.role === 'end' || r.node.role === 'set' || f.kind === 'concept'
  return {
    lead: question ? '?' : (r.number ?? ''),
    words: r.node.text || '…',
    more: amounts(f, r),
    look: question ? 'text-brass-text' : strong ? 'font-semibold' : '',
  }
}

const shown: { [K in OutlineRow['row']]: (f: Figure, r: Extract<OutlineRow, { row: K }>, t: Tell) => Shown } = {
  node: nodeShown,
  branch: (_f, r, t) => ({ ...bare, words: r.link.text || t('next') }),
  goTo: (_f, r, t) => ({
    ...bare,
    words: [t('back to “{step}”', { step: r.to.text }), r.link.text].filter(Boolean).join(', '),
  }),
  statement: (_f, r) => ({ ...bare, words: `${r.link.text ? `${r.link.text} – ` : '– '}${r.to.text || '…'}` }),
  detail: (_f, r) => ({ ...bare, words: r.node.detail ?? '' }),
  region: (f, r, t) => ({ ...bare, words: t(regionName(f, idsOf(r.sets))), look: `${QUIET} italic` }),
}
const idsOf = (nodes: readonly { readonly id: string }[]): string[] => nodes.map((n) => n.id)

export const shownWords = (f: Figure, r: OutlineRow, t: Tell): Shown =>
  // The row of the table belongs to the row's own kind, which the compiler cannot see through the union.
  (shown[r.row] as (f: Figure, r: OutlineRow, t: Tell) => Shown)(f, r, t)

/** Whether deeper rows follow. */
export const foldable = (rows: readonly OutlineRow[], i: number): boolean =>
  rows[i]?.row === 'node' && (rows[i + 1]?.depth ?? 0) > (rows[i]?.depth ?? 0)

/** The rows below folded ones, by their place. */
export function hidden(rows: readonly OutlineRow[], folded: ReadonlySet<string>): ReadonlySet<number> {
  const out = new Set<number>()
  let over: number | null = null
  rows.forEach((r, i) => {
    if (over !== null && r.depth <= over) over = null
    if (over !== null) out.add(i)
    else if (folded.has(keyOf(r))) over = r.depth
  })
  return out
}
