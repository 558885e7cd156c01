/** A figure out of rows, and rows into a figure: what is copied from a spreadsheet. Columns are told by their heads, else by
 *  what stands in them; a name that leads to no row is kept in its row, to be mended there. */
import { kinds, type Figure, type NodeId } from '../figure'
import { MARK, tableOf, type Cells, type Column, type Table } from './columns'
import { Draft, all, apply, type Edit } from './edit'
import { fieldOf, fieldsOf, isFault, ownFieldOf, settle, suits, unresolved, type Field, type FieldId } from './fields'
import { addStatement, firstNode, nextRow, nodeWithWords } from './outlineEdits'
import { rowNamed, rowsInOrder, type FieldFault } from './rowNames'
import { setsOf } from './regions'
import { said, type Said } from '../words'

type NewId = () => string
export type CellFault = { readonly row: number; readonly column: number; readonly fault: FieldFault }
export type Pasted = { readonly edit: Edit; readonly made: readonly NodeId[]; readonly faults: readonly CellFault[] }

/** Builds up an edit on the figure as it comes to be. */
class Writing {
  readonly edits: Edit[] = []
  readonly made: NodeId[] = []
  readonly faults: CellFault[] = []
  private readonly draft: Draft
  constructor(
    figure: Figure,
    readonly newId: NewId,
  ) {
    this.draft = new Draft(figure)
  }
  get figure(): Figure {
    return this.draft.figure
  }
  change(edit: Edit): void {
    this.edits.push(edit)
    this.draft.change(edit)
  }
  write(field: Field, id: NodeId, words: string, row: number, column: number): void {
    const node = this.figure.nodes[id]
    if (!node || field.read(this.figure, node) === words || (words === '' && !suits(this.figure, field, node))) return
    const written = field.write(this.figure, node, words, this.newId)
    if (!isFault(written)) return this.change(written)
    this.faults.push({ row, column, fault: written })
    if (field.refers) this.change({ do: 'setNode', id, set: { fields: { ...node.fields, unresolved: words } } })
  }
  done(): Pasted {
    return { edit: all(...this.edits), made: this.made, faults: this.faults }
  }
}

/** A figure born from rows: of the kind that their columns mean, where it has no nodes yet. */
export const figureOfRows = (f: Figure, cells: Cells, newId: NewId): Pasted => figureOfTable(f, tableOf(cells), newId)

/** The same, of columns whose meaning is known. */
export function figureOfTable(f: Figure, table: Table, newId: NewId): Pasted {
  const w = new Writing(f, newId)
  if (Object.keys(f.nodes).length === 0 && f.kind !== table.kind)
    w.change({ do: 'setFigure', set: { kind: table.kind, arrangement: '' } })
  if (table.kind === 'concept' && table.columns.includes('from')) statements(w, table)
  else nodesOfRows(w, table)
  return w.done()
}

function statements(w: Writing, { columns, rows }: Table): void {
  const at = (row: readonly string[], c: Column) => row[columns.indexOf(c)]?.trim() ?? ''
  const link = columns.includes('link') ? 'link' : (columns.find((c) => c.startsWith('own')) ?? 'link')
  for (const row of rows) {
    const [from, to] = [at(row, 'from'), at(row, 'to')]
    const edit = from && to ? addStatement(w.figure, `${from} – ${at(row, link)} – ${to}`, null, w.newId) : null
    if (edit) w.change(edit)
    else if (from || to) w.change(firstNodeNamed(w, from || to))
  }
}
const firstNodeNamed = (w: Writing, text: string): Edit =>
  nodeWithWords(w.figure, text) ? all() : nextRow(w.figure, null, { node: w.newId(), link: w.newId() }, text)

function nodesOfRows(w: Writing, { columns, rows, kind }: Table): void {
  const sets = columns.flatMap((c) => (c.startsWith('set ') ? [c.slice(4)] : []))
  for (const text of sets)
    if (!setsOf(w.figure).some((s) => s.text === text)) w.change({ ...firstNode(w.figure, w.newId(), text) })
  const cellsOf = (row: readonly string[], c: Column) => row[columns.indexOf(c)]?.trim() ?? ''
  const start = Math.max(0, ...Object.values(w.figure.nodes).map((n) => n.order))
  // All rows first, then what they say of each other.
  rows.forEach((row, i) => {
    const id = w.newId()
    const text = cellsOf(row, 'text') || cellsOf(row, 'id')
    const own = columns.includes('id') && cellsOf(row, 'id') ? { fields: { id: cellsOf(row, 'id') } } : {}
    const role = kind === 'decision' ? ('option' as const) : kinds[kind].plainRole
    w.change({ do: 'putNode', node: { id, role, text, order: start + i + 1, source: [], ...own } })
    w.made.push(id)
  })
  // What a row stands below comes before what is said of the way there.
  const order = columns.map((c, i) => ({ c, i })).toSorted((a, b) => rank(a.c) - rank(b.c) || a.i - b.i)
  for (const { c, i } of order)
    rows.forEach((row, r) => {
      const words = row[i]?.trim() ?? ''
      const id = w.made[r] as NodeId
      if (c === 'id' || c === 'text' || words === '') return
      if (!c.startsWith('set ')) return w.write(fieldNamed(c), id, words, r, i)
      const set = MARK.test(words) && setsOf(w.figure).find((s) => s.text === c.slice(4))
      if (set) w.change({ do: 'setNode', id, set: { memberOf: [...(w.figure.nodes[id]?.memberOf ?? []), set.id] } })
    })
  if (w.figure.kind === 'decision') giveRoles(w)
  if (kind === 'process' && !columns.includes('next')) inOneLine(w)
}

const rank = (c: Column): number => ['parent', 'next', 'sets'].indexOf(c) + 1 || 9
const fieldNamed = (c: Column): Field => (c.startsWith('own ') ? ownFieldOf(c.slice(4)) : fieldOf(c as FieldId))

/** In a tree of decisions: what chances lead away from is a chance, other inner nodes are choices, ends are outcomes. */
function giveRoles(w: Writing): void {
  const links = Object.values(w.figure.links)
  for (const id of w.made) {
    const out = links.filter((l) => l.from === id)
    const role = out.length === 0 ? 'outcome' : out.some((l) => l.probability !== undefined) ? 'chance' : 'choice'
    const above = links.some((l) => l.to === id)
    w.change({ do: 'setNode', id, set: { role: role === 'choice' && above ? 'option' : role } })
  }
}

function inOneLine(w: Writing): void {
  w.made.slice(1).forEach((to, i) => {
    const from = w.made[i] as NodeId
    w.change({ do: 'putLink', link: { id: w.newId(), role: 'next', from, to, order: 1, source: [] } })
  })
}

/** Cells written into the table from one cell on, row by row as it is shown; rows behind the last are new ones. */
export function pasteCells(
  f: Figure,
  shown: readonly NodeId[],
  columns: readonly Field[],
  at: { readonly row: number; readonly column: number },
  cells: Cells,
  newId: NewId,
): Pasted {
  const w = new Writing(f, newId)
  cells.forEach((row, r) => {
    let id = shown[at.row + r]
    if (id === undefined) {
      id = newId()
      w.change(nextRow(w.figure, null, { node: id, link: newId() }, ''))
      w.made.push(id)
    }
    row.forEach((words, c) => {
      const field = columns[at.column + c]
      if (field) w.write(field, id, words.trim(), at.row + r, at.column + c)
    })
  })
  return w.done()
}

/** The table as cells, heads first: for the clipboard and for files. */
export const cellsOf = (f: Figure, ids: readonly NodeId[], columns: readonly Field[]): string[][] =>
  ids.flatMap((id) => {
    const node = f.nodes[id]
    return node ? [columns.map((c) => (suits(f, c, node) ? c.read(f, node) : ''))] : []
  })

export type Mend = { readonly says: Said; readonly edit: Edit }

/** Rows with a name that leads to no row, and what would mend them. */
export function rowFaults(
  f: Figure,
  newId: NewId,
): { readonly id: NodeId; readonly name: string; readonly mends: readonly Mend[] }[] {
  const refers = fieldsOf(f).find((field) => field.refers)
  return rowsInOrder(f).flatMap((id) => {
    const node = f.nodes[id]
    const name = node ? unresolved(node) : null
    if (!node || name === null || !refers) return []
    const like = nearest(f, id, name)
    const written = like && refers.write(f, node, like, newId)
    const made = newId()
    const role = f.kind === 'venn' ? ('set' as const) : kinds[f.kind].plainRole
    const order = Math.max(...Object.values(f.nodes).map((n) => n.order)) + 1
    const added: Edit = { do: 'putNode', node: { id: made, role, text: name, order, source: [] } }
    const after = apply(f, added).figure
    const joined = refers.write(after, node, name, newId)
    return [
      {
        id,
        name,
        mends: [
          ...(written && !isFault(written) ? [{ says: said('“{like}” was meant', { like }), edit: written }] : []),
          ...(isFault(joined) || rowNamed(f, name)
            ? []
            : [{ says: said('Add a row “{name}”', { name }), edit: all(added, joined) }]),
          { says: said('Leave it out'), edit: settle(node) ?? all() },
        ],
      },
    ]
  })
}

/** The id or words of the row that differ least from a name, where they differ by no more than two letters. */
function nearest(f: Figure, self: NodeId, name: string): string | null {
  const names = Object.values(f.nodes)
    .filter((n) => n.id !== self)
    .flatMap((n) => [String(n.fields?.id ?? ''), n.text])
    .filter(Boolean)
  const most = name.length <= 3 ? 1 : 2
  const best = names
    .map((n) => ({ n, off: distance(n.toLowerCase(), name.toLowerCase()) }))
    .toSorted((a, b) => a.off - b.off || (a.n < b.n ? -1 : 1))[0]
  return best && best.off <= most ? best.n : null
}

/** Letters to put in, take out or change. Levenshtein 1966. */
function distance(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 2) return 99
  let row = Array.from({ length: b.length + 1 }, (_, i) => i)
  for (let i = 1; i <= a.length; i++) {
    const next = [i]
    for (let j = 1; j <= b.length; j++)
      next[j] = Math.min(
        (row[j] as number) + 1,
        (next[j - 1] as number) + 1,
        (row[j - 1] as number) + (a[i - 1] === b[j - 1] ? 0 : 1),
      )
    row = next
  }
  return row[b.length] as number
}
