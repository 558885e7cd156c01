/** Hierarchies from what the author arranged: entries in entries, lists in a line, tables whose columns are levels. */
import { keyOf, type ChildClaim, type Named, type ReadText } from '../reading'
import { labelOf, slice, spansMeet, trimmed, type Entry, type Span, type Table } from '../text'
import { Things, type Thing } from './named'
import { labelled, listIn, shortListIn } from './shapes'
import { because } from './because'
import type { Said } from '../words'

export type Edge = { readonly from: Thing; readonly to: Thing; readonly source: readonly Span[] }
export type Tree = {
  readonly things: Things
  readonly edges: readonly Edge[]
  readonly score: number
  readonly reasons: readonly Said[]
}

type Growing = { readonly read: ReadText; readonly things: Things; readonly edges: Edge[] }

export function outlineTree(read: ReadText): Tree | null {
  const { entries } = read.outline
  if (entries.length < 2) return null
  const tree: Growing = { read, things: new Things(), edges: [] }
  const root = rootOf(tree)
  const known = new Map<string, Thing>()
  growAll(tree, entries, root, known)
  if (tree.edges.length < 2) return null
  const depth = levels(entries)
  const lines = allEntries(entries)
  const short = lines.filter((e) => slice(read.text, e.label).split(/\s+/).length <= 5).length / lines.length
  const doing = read.told.doing / Math.max(1, read.told.units.length)
  const numbered = entries.filter((e) => e.ordered && e.number !== null).length >= 2
  const pairs = lines.filter((e) => e.mark === ':' && e.entries.length === 0).length / lines.length
  const listed = tree.edges.length - lines.length >= 2
  const score =
    (depth > 0 || listed ? 0.55 : 0.2) +
    0.3 * short +
    (depth > 1 ? 0.1 : 0) -
    0.75 * doing -
    (numbered ? 0.1 : 0) -
    (depth > 0 ? 0.35 * pairs : 0)
  return {
    things: tree.things,
    edges: tree.edges,
    score: Math.max(0.02, Math.min(0.97, score)),
    reasons: [because.outlineOf(depth + (root ? 2 : 1)), because.entries(lines.length)],
  }
}

const allEntries = (entries: readonly Entry[]): Entry[] => entries.flatMap((e) => [e, ...allEntries(e.entries)])
const levels = (entries: readonly Entry[]): number =>
  entries.reduce((most, e) => Math.max(most, e.entries.length > 0 ? 1 + levels(e.entries) : 0), 0)

const named = (label: string, span: Span, path: string): Named => ({
  label,
  key: `${keyOf(label)}${path}`,
  span,
  pronoun: null,
})

/** The title; or what the line above the entries says they are. */
function rootOf(tree: Growing): Thing | null {
  const { read, things } = tree
  const { text, outline } = read
  if (outline.title) {
    const { label } = labelOf(text, outline.title)
    return things.take(named(labelled(text, label), label, '/'))
  }
  const above = outline.opening.at(-1)
  if (!above) return null
  const announced = ANNOUNCED.exec(slice(text, above))
  const span = announced
    ? {
        start: above.start + announced.index + announced[0].length - (announced[1] as string).length,
        end: above.start + announced.index + announced[0].length,
      }
    : slice(text, above).split(/\s+/).length <= 12
      ? above
      : null
  if (!announced) {
    const said = read.claims.findLast((c): c is ChildClaim => c.relation === 'child' && spansMeet(c.span, above))
    if (said && !said.parent.pronoun) return things.take({ ...said.parent, key: `${said.parent.key}/` })
    const about = read.predications
      .flat()
      .findLast((p) => p.subject !== null && !p.pointing && spansMeet(p.subject, above))?.subject
    if (!span && about) return things.take(named(labelled(text, about), about, '/'))
  }
  return span ? things.take(named(labelled(text, span), span, '/')) : null
}
/** "the following grades of tickets", "several kinds of rope" */
const ANNOUNCED =
  /\b(?:following|these|several|various|different|two|three|four|five|six|seven|eight|\d+)\s+((?:[\p{L}-]+ ){0,2}[\p{L}-]{3,}(?: of (?:the )?[\p{L}-]+)?)/iu

/** Peers below one thing. One item is one thing, unless its author writes several names in a line. */
function growAll(tree: Growing, peers: readonly Entry[], above: Thing | null, known: Map<string, Thing> | null): void {
  const { text } = tree.read
  const several = peers.map((e) => (e.led || e.entries.length > 0 || e.details.length > 0 ? null : namesIn(tree, e)))
  const lists = above !== null && several.filter(Boolean).length * 2 >= peers.length
  peers.forEach((e, i) => {
    const names = lists ? several[i] : null
    if (!names) grow(tree, e, above, known)
    else for (const s of names) add(tree, named(labelled(text, s), s, `/${above?.id ?? ''}`), above)
  })
}
const namesIn = ({ read }: Growing, e: Entry): Span[] | null =>
  isName(read, e.label) ? severalIn(read.text, e.label) : null
/** Neither an order nor a sentence, where that is known. */
const isName = (read: ReadText, s: Span): boolean => (read.forms.get(s.start) ?? 'name') === 'name'

function grow(tree: Growing, e: Entry, above: Thing | null, known: Map<string, Thing> | null): void {
  const { text } = tree.read
  const path = above ? `/${above.id}` : ''
  const { name, list } = examplesIn(tree.read, e)
  const label = labelled(text, name)
  // "Galley" twice at the top is one.
  const repeated = known && e.number === null ? known.get(keyOf(label)) : undefined
  const thing = repeated ?? add(tree, named(label, name, path), above)
  known?.set(keyOf(label), thing)
  growAll(tree, e.entries, thing, null)
  if (e.entries.length === 0) for (const s of list) add(tree, named(labelled(text, s), s, `/${thing.id}`), thing)
  for (const row of e.table?.rows ?? []) {
    const cell = nameCell(text, e.table as Table, row)
    if (cell) add(tree, named(labelled(text, cell), cell, `/${thing.id}`), thing)
  }
}

function add(tree: Growing, name: Named, above: Thing | null): Thing {
  const thing = tree.things.take(name)
  if (above && above !== thing) tree.edges.push({ from: above, to: thing, source: [name.span] })
  return thing
}

const MOST_IN_LIST = 4
/** "ropes, chains": a line that is nothing but a few names. */
function severalIn(text: string, span: Span): Span[] | null {
  return /[,/+;]/.test(slice(text, span)) ? shortListIn(text, span, 3) : null
}

/** "Gear such as lines and fenders", "Cutting tools: secateurs, shears": a name and what is listed behind it. */
function examplesIn(read: ReadText, e: Entry): { readonly name: Span; readonly list: readonly Span[] } {
  const { text } = read
  const run = slice(text, e.label)
  const such =
    /\s*[,(]?\s*\b(?:such as|including|e\.g\.|for example|like|zum Beispiel|z\. ?B\.|wie|como|por ejemplo)\s+/iu.exec(
      run,
    )
  if (such && such.index > 0 && isName(read, e.label)) {
    const list = listIn(text, { start: e.label.start + such.index + such[0].length, end: e.label.end })
    if (list.every((s) => slice(text, s).split(/\s+/).length <= MOST_IN_LIST && !BEGINS_A_PHRASE.test(slice(text, s))))
      return { name: trimmed(text, { start: e.label.start, end: e.label.start + such.index }), list }
  }
  const name = e.led ? e.label : subjectOf(read, e.label)
  const [detail] = e.details
  const list =
    detail && e.led && name === e.label && isName(read, detail) ? shortListIn(text, detail, MOST_IN_LIST) : null
  return { name, list: list ?? [] }
}

const BEGINS_A_PHRASE = /^(?:with|without|in|on|at|for|from|to|by|of|mit|ohne|in|con|sin|en)\s/iu

/** "The night watch is the crew that ...": what a long line is about. */
function subjectOf(read: ReadText, label: Span): Span {
  const run = slice(read.text, label)
  if (run.split(/\s+/).length <= 6 || read.forms.get(label.start) === 'name') return label
  const m = /^(?:(?:in|with|for)\s+)?(.{3,60}?)(?:,\s|\s(?:is|are|means?|covers?|consists?|ist|sind|es|son)\s)/iu.exec(
    run,
  )
  if (!m || (m[1] as string).split(/\s+/).length > 6 || /\b(?:what|which|who|that|there|it)$/iu.test(m[1] as string))
    return label
  const at = label.start + run.indexOf(m[1] as string)
  return { start: at, end: at + (m[1] as string).length }
}

/** The cell that names a row: the one in a column called so, or the first. */
function nameCell(text: string, table: Table, row: readonly Span[]): Span | undefined {
  const column = table.head?.findIndex((h) => /^(?:name|title|bezeichnung|nombre)$/iu.test(slice(text, h))) ?? -1
  return row[column >= 0 ? column : 0]
}

/** A table whose first columns repeat their cells or leave them empty: each column is a level. */
export function tableTree(read: ReadText): Tree | null {
  const { table } = read.outline
  if (!table || table.rows.length < 3) return null
  const { text } = read
  const words = (r: readonly Span[], c: number): string => (r[c] ? slice(text, r[c]) : '')
  const first = table.rows.map((r) => words(r, 0))
  const repeats = new Set(first).size < first.length
  if (table.rows.some((r) => /^[\d.,%\s]+$/.test(words(r, table.columns - 1)))) return null
  const tree: Growing = { read, things: new Things(), edges: [] }
  const root = repeats && !read.outline.title ? null : rootOf(tree)
  const above: Thing[] = []
  const last = repeats ? table.columns - 1 : 0
  for (const row of table.rows) growRow(tree, row, last, above, root)
  if (tree.edges.length < 2) return null
  return {
    things: tree.things,
    edges: tree.edges,
    score: repeats ? 0.8 : 0.25,
    reasons: [because.tableOfLevels(repeats ? table.columns : 1)],
  }
}

/** The cells of a row up to a column, each below the one before it; `above` is what was in the columns of the rows before. */
function growRow(tree: Growing, row: readonly Span[], last: number, above: Thing[], root: Thing | null): void {
  const { text } = tree.read
  for (const [c, cell] of row.slice(0, last + 1).entries()) {
    if (slice(text, cell).trim() === '') continue
    above.length = Math.min(above.length, c)
    const from = above.at(-1) ?? root
    const name = named(labelled(text, cell), cell, from ? `/${from.id}` : '')
    const several = c === last && c > 0 ? severalIn(text, cell) : null
    if (several && from) for (const s of several) add(tree, named(labelled(text, s), s, `/${from.id}`), from)
    else above[c] = tree.things.find(name) ?? add(tree, name, from)
  }
}
