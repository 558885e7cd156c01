/** What the author arranged: a title, what opens and closes, and entries in entries, whatever marks them (headings, bold
 *  lines, numbers, bullets, lines with lead-ins, rows of a table). Knows shapes, no language. In: blocks. Out: every block
 *  in one place of the tree. Says nothing about what kind of figure it is. */
import type { Block } from './block'
import { isEnumerated, labelOf, labelsOf, type Labelled } from './labels'
import { isUnderlined } from './lines'
import { slice, type Span } from './span'
import { tableOf, type Table } from './table'

export type Entry = {
  /** All its own words, without those of its entries. */
  readonly span: Span
  /** What the entry is called: its lead-in, its heading, or its first sentence. */
  readonly label: Span
  /** What is said further, in the author's order: rest of the line, sentences, paragraphs below. */
  readonly details: readonly Span[]
  /** The author set the label apart from what follows. */
  readonly led: boolean
  /** What stands between label and rest: ":", "→", "–", "" ... */
  readonly mark: string
  readonly from: 'heading' | 'item' | 'paragraph'
  readonly ordered: boolean
  readonly number: number | null
  readonly entries: readonly Entry[]
  readonly table: Table | null
}
export type Outline = {
  readonly title: Span | null
  readonly opening: readonly Span[]
  readonly entries: readonly Entry[]
  readonly closing: readonly Span[]
  readonly table: Table | null
}

/** A heading and what stands under it, before entries are made of it. */
export type Part = {
  readonly heading: Block | null
  readonly level: number
  readonly blocks: readonly Block[]
  readonly parts: readonly Part[]
}
type GrowingPart = Part & { readonly blocks: Block[]; readonly parts: GrowingPart[] }

export function outlineOf(text: string, blocks: readonly Block[]): Outline {
  const root = partsOf(text, blocks)
  const { heading, part } = titled(root)
  const { title, opening, ...inside } = entriesIn(text, part)
  const first = heading?.span ?? title
  return { title: first, opening: opening.filter((s) => s !== first), ...inside }
}

/** Headings by level: Markdown marks first, then bold or plain lines, then lines that end in a colon. */
export function partsOf(text: string, blocks: readonly Block[]): Part {
  const root: GrowingPart = { heading: null, level: -1, blocks: [], parts: [] }
  const open: GrowingPart[] = [root]
  const announcing = blocks.flatMap((_, i) => (announcesItems(text, blocks, i) ? [i] : []))
  const heads = new Set(announcing.length > 1 ? announcing : [])
  blocks.forEach((b, i) => {
    const level = heads.has(i) ? PLAIN.colon : headingLevel(text, blocks, i)
    if (level === null) {
      ;(open.at(-1) as GrowingPart).blocks.push(b)
      return
    }
    while ((open.at(-1) as GrowingPart).level >= level) open.pop()
    const part: GrowingPart = { heading: b, level, blocks: [], parts: [] }
    ;(open.at(-1) as GrowingPart).parts.push(part)
    open.push(part)
  })
  return root
}

const ANNOUNCES = 12
const PLAIN = { bold: 10, line: 11, colon: 20 } as const

function headingLevel(text: string, blocks: readonly Block[], i: number): number | null {
  const b = blocks[i] as Block
  const words = slice(text, b.span)
  const next = blocks[i + 1]
  if (b.type === 'heading') {
    if (/^[^\n]*#/.test(text.slice(Math.max(0, text.lastIndexOf('\n', b.span.start - 1) + 1), b.span.start)))
      return b.depth
    if (isUnderlined(text, b.span.end)) return b.depth
    return /[:：]$/.test(words) ? PLAIN.colon : isBold(text, b) ? PLAIN.bold : PLAIN.line
  }
  if (b.type !== 'paragraph' || words.includes('\n')) return null
  // "Deck crew:" over its own list or text.
  if (/[:：]\**$/.test(words) && words.split(/\s+/).length <= ANNOUNCES && next && next.type !== 'heading')
    return isBold(text, b) ? PLAIN.bold : PLAIN.colon
  if (isBold(text, b)) return PLAIN.bold
  return null
}

/** "Seen on board:" over its items. Where several lines do that, each is the heading of its list, however long. */
const announcesItems = (text: string, blocks: readonly Block[], i: number): boolean =>
  blocks[i]?.type === 'paragraph' && blocks[i + 1]?.type === 'item' && /[:：]\**$/.test(slice(text, blocks[i].span))

const isBold = (text: string, b: Block): boolean =>
  /(?:\*\*|__)$/.test(text.slice(Math.max(0, b.span.start - 2), b.span.start)) ||
  /^(?:\*\*|__)[^*_]+(?:\*\*|__):?$/.test(slice(text, b.span))

/** The heading over everything else, and what it stands over. */
function titled(root: Part): { readonly heading: Block | null; readonly part: Part } {
  const [first, ...others] = root.parts
  if (!first?.heading || root.blocks.some((b) => b.type !== 'paragraph')) return { heading: null, part: root }
  const ahead = root.blocks
  // One heading over all, or a first one with no entries of its own over others of its level.
  if (others.length === 0 && (ahead.length === 0 || first.parts.length > 0))
    return { heading: first.heading, part: { ...first, blocks: [...ahead, ...first.blocks] } }
  const bare = first.parts.length === 0 && first.blocks.every((b) => b.type === 'paragraph') && ahead.length === 0
  const alone = others.length > 1 || first.blocks.length === 0 || others[0]?.level !== first.level
  if (bare && alone && (first.blocks.length === 0 || others.some((p) => p.level !== first.level || hasItems(p))))
    return { heading: first.heading, part: { ...root, blocks: first.blocks, parts: others } }
  return { heading: null, part: root }
}
const hasItems = (p: Part): boolean => p.blocks.some((b) => b.type === 'item' || b.type === 'row')

/** What stands in a part: its own entries, or its parts as entries. */
function entriesIn(text: string, part: Part): Outline {
  const rows = part.blocks.filter((b) => b.type === 'row')
  const table = tableOf(text, rows)
  // Rows that make no table are lines like others.
  const own = ownEntries(text, table ? part.blocks.filter((b) => b.type !== 'row') : part.blocks)
  const below = part.parts.map((p) => partEntry(text, p))
  if (below.length === 1 && own.entries.length === 0 && !table) return within(below[0] as Entry, own)
  const only = below.length === 0 && own.entries.length === 1 ? own.entries[0] : undefined
  if (only && only.entries.length > 1) return within(only, own)
  const { entries, closing } = withoutClosing(below)
  return { ...own, entries: [...own.entries, ...entries], closing: [...own.closing, ...closing], table }
}

/** What follows the list of the last part, where no other part has such an end, closes the whole. */
function withoutClosing(parts: readonly PartEntry[]): { readonly entries: Entry[]; readonly closing: readonly Span[] } {
  const last = parts.at(-1)
  const alone = parts.length > 1 && last !== undefined && parts.slice(0, -1).every((p) => p.closing.length === 0)
  const entries = parts.map(({ closing, ...e }) =>
    alone && closing.length > 0 ? { ...e, details: e.details.slice(0, -closing.length) } : e,
  )
  return { entries, closing: alone ? last.closing : [] }
}
type PartEntry = Entry & { readonly closing: readonly Span[] }

/** One part alone is no level of its own: "The steps are:" over the steps. */
const within = (e: Entry, own: Outline): Outline => ({
  title: e.label,
  opening: [...own.opening, ...own.closing, e.label, ...(e.entries.length > 0 ? [] : e.details)],
  entries: e.entries,
  closing: e.entries.length > 0 ? e.details : [],
  table: e.table,
})

function partEntry(text: string, part: Part): PartEntry {
  const heading = part.heading as Block
  const inside = entriesIn(text, part)
  const own = labelOf(text, heading.span)
  return {
    span: heading.span,
    label: own.label,
    details: [...own.details, ...inside.opening, ...inside.closing],
    led: true,
    mark: '',
    from: 'heading',
    ordered: heading.ordered || isEnumerated(text, heading.span),
    number: heading.number,
    entries: inside.entries,
    table: inside.table,
    closing: inside.closing,
  }
}

/** Items with what belongs to them; paragraphs with a lead-in where they are peers; what opens and what closes. */
function ownEntries(text: string, blocks: readonly Block[]): Outline {
  const items = blocks.filter((b) => b.type === 'item')
  if (items.length === 0) return ledParagraphs(text, blocks)
  const about = lineAbove(text, items)
  const first = blocks.findIndex((b) => b.type === 'item' && b !== about)
  const last = blocks.findLastIndex((b) => b.type === 'item')
  const spans = (list: readonly Block[]) => list.map((b) => b.span)
  return {
    title: about?.span ?? null,
    opening: spans(blocks.slice(0, first)),
    entries: nested(text, blocks.slice(first, last + 1)),
    closing: spans(blocks.slice(last + 1)),
    table: null,
  }
}

/** The first of bare lines, where it alone has no lead-in and all the others have one: it says what they are about. */
function lineAbove(text: string, items: readonly Block[]): Block | null {
  const [first, ...others] = items
  if (!first || others.length < FEW || items.some((b) => b.depth > 0 || isMarked(text, b))) return null
  const [own, ...labels] = labelsOf(
    text,
    items.map((b) => b.span),
  )
  return !own?.led && labels.every((l) => l.led) ? first : null
}
const FEW = 3
/** A mark or a number stands before it on its line. */
const isMarked = (text: string, { span }: Block): boolean =>
  text.slice(text.lastIndexOf('\n', span.start - 1) + 1, span.start).trim() !== ''

type Growing = { readonly block: Block; readonly more: Span[]; readonly inner: Growing[] }

/** Items in items; a paragraph between two items belongs to the one before it. */
function nested(text: string, blocks: readonly Block[]): Entry[] {
  const top: Growing[] = []
  const open: Growing[] = []
  for (const b of blocks) {
    if (b.type !== 'item') {
      open.at(-1)?.more.push(b.span)
      continue
    }
    open.length = Math.min(open.length, b.depth)
    const grown: Growing = { block: b, more: [], inner: [] }
    ;(open.at(-1)?.inner ?? top).push(grown)
    open.push(grown)
  }
  return finished(text, top)
}

function finished(text: string, list: readonly Growing[]): Entry[] {
  const labels = labelsOf(
    text,
    list.map((g) => g.block.span),
  )
  return list.map((g, i) => {
    const own = labels[i] as Labelled
    return {
      ...own,
      span: g.block.span,
      details: [...own.details, ...g.more],
      from: 'item',
      ordered: g.block.ordered,
      number: g.block.number,
      entries: finished(text, g.inner),
      table: null,
    }
  })
}

/** "**Tickets** Show them at the gate": paragraphs that each begin with a lead-in. */
function ledParagraphs(text: string, blocks: readonly Block[]): Outline {
  const own = blocks
  const labels = labelsOf(
    text,
    own.map((b) => b.span),
  )
  const led = own.filter((_, i) => labels[i]?.led)
  if (led.length < 2 || led.length < own.length / 2) return { opening: own.map((b) => b.span), ...NOTHING }
  const first = own.indexOf(led[0] as Block)
  const last = own.lastIndexOf(led.at(-1) as Block)
  const entries: Entry[] = []
  own.slice(first, last + 1).forEach((b, k) => {
    const label = labels[first + k] as Labelled
    const before = entries.at(-1)
    if (!label.led && before) entries[entries.length - 1] = { ...before, details: [...before.details, b.span] }
    else
      entries.push({
        ...label,
        span: b.span,
        from: 'paragraph',
        ordered: false,
        number: null,
        entries: [],
        table: null,
      })
  })
  return {
    title: null,
    opening: own.slice(0, first).map((b) => b.span),
    entries,
    closing: own.slice(last + 1).map((b) => b.span),
    table: null,
  }
}
const NOTHING = { title: null, entries: [], closing: [], table: null }
