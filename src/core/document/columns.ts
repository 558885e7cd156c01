/** What pasted cells are: which column says what, told by the heads or by what stands in them, and the kind of figure that
 *  this makes. */
import type { FigureKind } from '../figure'
import type { FieldId } from './fields'

export type Cells = readonly (readonly string[])[]

/** What a column can be: a field, the id of its row, an end of a statement, a set that its rows lie in, or a column of their own. */
export type Column = FieldId | 'id' | 'from' | 'to' | `set ${string}` | `own ${string}`

/** Heads of columns, in the languages that are read; the first that fits and is not taken yet. */
const heads: readonly (readonly [Column, RegExp])[] = [
  ['id', /^(?:id|no\.?|nr\.?|number|key|code|#|nummer|número)$/i],
  [
    'text',
    /^(?:text|words?|name|node|step|title|item|task|role|post|position|heading|concept|option|event|outcome|schritt|aufgabe|texto|paso)$/i,
  ],
  [
    'parent',
    /^(?:parent(?:[ _-]?id)?|below|under|reports? to|manager|boss|head|belongs to|part of|übergeordnet|padre)$/i,
  ],
  ['from', /^(?:from|source|von|desde)$/i],
  ['to', /^(?:to|target|nach|hasta)$/i],
  ['next', /^(?:next|leads? to|then|follow(?:s|ed by)|successors?|weiter|siguiente)$/i],
  ['chance', /^(?:chance|prob(?:ability)?\.?|likelihood|p|wahrscheinlichkeit|probabilidad)(?: ?[(]?%[)]?)?$/i],
  ['value', /^(?:value|pay-?off|amount|cost|price|worth|wert|kosten|valor)\b.*$/i],
  ['duration', /^(?:duration|takes|time|dauer|duración)$/i],
  ['actor', /^(?:who|actor|responsible|owner|by|lane|wer|quién)$/i],
  ['sets', /^(?:sets?|in|member of|groups?)$/i],
  ['detail', /^(?:details?|description|notes?|remarks?|explanation|beschreibung|detalle)$/i],
  ['link', /^(?:link(?: words)?|relation|answer|branch|edge|condition|label|arm)$/i],
]

/** The columns that the first row names; null where it is no row of heads. A "label" is the words, where nothing else is. */
export function columnsNamed(first: readonly string[]): Column[] | null {
  const taken = new Set<Column>()
  const found = first.map((head): Column | null => {
    const column = heads.find(([c, pattern]) => pattern.test(head.trim()) && !taken.has(c))?.[0] ?? null
    if (column) taken.add(column)
    return column
  })
  if (taken.size < Math.min(2, first.length)) return null
  if (!taken.has('text') && taken.has('link') && !taken.has('from'))
    return found.map((c, i) => (c === 'link' ? 'text' : (c ?? ownColumn(first[i], i))))
  return found.map((c, i) => c ?? ownColumn(first[i], i))
}

const ownColumn = (head: string | undefined, i: number): Column => `own ${head?.trim() || i + 1}`

const column = (cells: Cells, i: number): string[] => cells.map((row) => row[i]?.trim() ?? '')
export const MARK = /^(?:x|yes|ja|sí|✓|✔|•|1|true)$/i
const CHANCE = /^(?:\d+(?:[.,]\d+)?\s?%|0?[.,]\d+|1(?:[.,]0+)?|0)$/

/** The columns by what stands in them: ids that nothing has twice, names of other rows, chances, marks, words. */
export function columnsGuessed(cells: Cells): Column[] {
  const width = Math.max(...cells.map((r) => r.length), 0)
  const columns = Array.from({ length: width }, (_, i) => column(cells, i))
  const filled = (c: readonly string[]) => c.filter((v) => v !== '')
  const isUnique = (c: readonly string[]) => filled(c).length === c.length && new Set(c).size === c.length
  const refersTo = (c: readonly string[], ids: readonly string[]) =>
    c !== ids && filled(c).length > 0 && filled(c).filter((v) => ids.includes(v)).length >= filled(c).length * 0.6
  const ids = columns.findIndex((c) => isUnique(c) && columns.some((o) => refersTo(o, c)))
  const parent = ids < 0 ? -1 : columns.findIndex((o) => refersTo(o, columns[ids] as string[]))
  const chance = columns.findIndex(
    (c, i) => i !== ids && i !== parent && filled(c).length > 0 && filled(c).every((v) => CHANCE.test(v)),
  )
  const rest = columns.map((_, i) => i).filter((i) => ![ids, parent, chance].includes(i))
  const length = (i: number) => filled(columns[i] as string[]).join('').length
  // Where the ids are the words, no other column need be.
  const onlyIds = ids >= 0 && rest.length === 0
  const text = onlyIds ? ids : ids < 0 ? rest[0] : rest.toSorted((a, b) => length(b) - length(a) || a - b)[0]
  const others = rest.filter((i) => i !== text)
  return columns.map((_, i): Column => {
    if (i === text) return 'text'
    if (i === ids) return 'id'
    if (i === parent) return 'parent'
    if (i === chance) return 'chance'
    return i === others[0] && ids < 0 ? 'detail' : `own ${i + 1}`
  })
}

/** A table whose columns are sets and whose cells are marks. */
function isMembership(cells: Cells): boolean {
  const [first, ...rest] = cells
  const marks = rest.flatMap((r) => r.slice(1).map((c) => c.trim())).filter((c) => c !== '')
  return first !== undefined && first.length > 2 && marks.length > 1 && marks.every((m) => MARK.test(m))
}

export type Table = { readonly columns: readonly Column[]; readonly rows: Cells; readonly kind: FigureKind }

/** What pasted cells are, as a table of nodes of the kind that their columns mean. */
export function tableOf(cells: Cells): Table {
  const given = cells.filter((r) => r.some((c) => c.trim() !== ''))
  if (isMembership(given)) {
    const columns = (given[0] ?? []).map((head, i): Column => (i === 0 ? 'text' : `set ${head.trim()}`))
    return { columns, rows: given.slice(1), kind: 'venn' }
  }
  const named = columnsNamed(given[0] ?? [])
  const columns = named ?? columnsGuessed(given)
  return { columns, rows: named ? given.slice(1) : given, kind: kindOf(columns) }
}

/** What a person says a column is: as `Column`, or left out. */
export type Chosen = Column | 'none'

/** The same cells with columns as somebody says them; `headed` where the first row names them. */
export function tableAs(cells: Cells, chosen: readonly Chosen[], headed: boolean): Table {
  const kept = chosen.flatMap((c, i) => (c === 'none' ? [] : [i]))
  const columns = kept.map((i) => chosen[i] as Column)
  const rows = (headed ? cells.slice(1) : cells).map((r) => kept.map((i) => r[i] ?? ''))
  const isVenn = columns.some((c) => c.startsWith('set '))
  return { columns, rows, kind: isVenn ? 'venn' : kindOf(columns) }
}

function kindOf(columns: readonly Column[]): FigureKind {
  const has = (...names: readonly Column[]) => names.some((n) => columns.includes(n))
  if (has('from') && has('to')) return 'concept'
  if (has('chance') || (has('parent') && has('value'))) return 'decision'
  if (has('parent')) return 'hierarchy'
  if (has('next') || has('actor')) return 'process'
  return has('sets') ? 'venn' : 'points'
}
