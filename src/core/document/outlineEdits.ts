/** What typing in the outline does, in every kind's own form: the next row, several pasted rows, a statement, a row joined. */
import { markerOf } from '../text'
import { kinds, nodesInOrder, type Figure, type FigureKind, type LinkId, type NodeId } from '../figure'
import { all, apply, type Edit } from './edit'
import type { OutlineRow } from './outline'
import { addMember, addSet, regionOf } from './regions'
import { connect, insertAfter, insertBelow, insertOn, moveAfter, renameLink } from './shape'
import { remove } from './remove'

type Ids = { readonly node: NodeId; readonly link: LinkId }
/** A new id at each call. */
type NewId = () => string

/** The first node of an empty figure. */
export const firstNode = (f: Figure, id: NodeId, text: string): Edit => ({
  do: 'putNode',
  node: { id, role: f.kind === 'venn' ? 'set' : kinds[f.kind].plainRole, text, order: 1, source: [] },
})

/** A new node on the row after this one. */
export function nextRow(f: Figure, row: OutlineRow | null, ids: Ids, text: string): Edit {
  if (!row) {
    const last = nodesInOrder(f).at(-1)
    return last ? insertAfter(f, last.id, ids, text) : firstNode(f, ids.node, text)
  }
  if (row.row === 'branch') return insertOn(f, row.id, ids, text)
  if (row.row === 'region')
    return addMember(
      f,
      ids.node,
      row.sets.map((s) => s.id),
      text,
    )
  if (row.row === 'node' && row.node.role === 'set') return addSet(f, ids.node, text)
  if (row.row === 'node' && f.kind === 'venn') return addMember(f, ids.node, regionOf(f, row.node), text)
  if (row.row === 'goTo') return insertOn(f, row.id, ids, text)
  if (row.row === 'statement') return insertBelow(f, row.link.from, ids, text)
  return insertAfter(f, row.id, ids, text)
}

const DASH = /\s+(?:[–—-]|->|→)\s+/u

/** "Wind – raises – Swell", or "raises – Swell" where it is known of what: parts at dashes or an arrow. */
export function statementIn(
  words: string,
): { readonly from: string | null; readonly link: string; readonly to: string } | null {
  const parts = words.split(DASH).map((p) => p.trim())
  const [a = '', b = '', c = ''] = parts
  if (parts.length === 3 && a && c) return { from: a, link: b, to: c }
  return parts.length === 2 && b ? { from: null, link: a, to: b } : null
}

const MOST_OFFERED = 6

/** A statement that is being typed, each time with a known concept, or the words of a known link, in place of what is begun
 *  last; concepts whose words begin so come first. Nothing while it is not begun. */
export function completionsOf(f: Figure, words: string, terms: readonly string[] = []): string[] {
  const [, before = '', begun = ''] = /^(.*?)([^–—→-]*)$/su.exec(words) ?? []
  const wanted = plain(begun)
  if (wanted === '' || (before !== '' && !/\s(?:[–—-]|->|→)\s*$/u.test(before))) return []
  const between = before.split(DASH).filter((p) => p.trim() !== '').length === 1
  // Names come back in a map of concepts; elsewhere two nodes with one name would be a fault.
  const known = [
    ...(f.kind === 'concept' ? nodesInOrder(f).map((n) => n.text) : []),
    ...(f.kind === 'concept' && between ? Object.values(f.links).flatMap((l) => l.text ?? []) : []),
    ...terms,
  ]
  const fits = [...new Set(known)].filter((k) => plain(k).includes(wanted) && plain(k) !== wanted)
  const begins = (k: string) => (plain(k).startsWith(wanted) ? 0 : 1)
  const space = /\s$/u.test(before) || before === '' ? '' : ' '
  return fits
    .toSorted((a, b) => begins(a) - begins(b))
    .slice(0, MOST_OFFERED)
    .map((k) => `${before}${space}${k}`)
}

const plain = (s: string): string => s.trim().toLowerCase().replace(/\s+/g, ' ')
export const nodeWithWords = (f: Figure, words: string): NodeId | null =>
  nodesInOrder(f).find((n) => plain(n.text) === plain(words))?.id ?? null

/** What the statement says, as concepts that are there or new, joined by a link; null for what is no statement. */
export function addStatement(f: Figure, words: string, of: NodeId | null, newId: NewId): Edit | null {
  const said = statementIn(words)
  if (!said) return null
  let now = f
  const edits: Edit[] = []
  const change = (edit: Edit) => {
    edits.push(edit)
    now = apply(now, edit).figure
  }
  const concept = (text: string): NodeId => {
    const known = nodeWithWords(now, text)
    if (known) return known
    const id = newId()
    const order = Math.max(0, ...Object.values(now.nodes).map((n) => n.order)) + 1
    change({ do: 'putNode', node: { id, role: kinds[f.kind].plainRole, text, order, source: [] } })
    return id
  }
  const from = said.from === null ? of : concept(said.from)
  if (from === null || from === undefined) return null
  const to = concept(said.to)
  const id = newId()
  change(connect(now, from, to, id))
  if (said.link) change(renameLink(id, said.link))
  return all(...edits)
}

type Line = { readonly depth: number; readonly text: string }

/** Pasted lines without their marks, with how deep each is indented. */
export function linesIn(text: string): Line[] {
  const open: number[] = []
  return text.split(/\r?\n/).flatMap((raw): Line[] => {
    const bare = raw.trimStart()
    if (bare.trim() === '') return []
    const indent = raw.slice(0, raw.length - bare.length).replace(/\t/g, '    ').length
    while (open.length > 0 && indent < (open.at(-1) as number)) open.pop()
    if (open.length === 0 || indent > (open.at(-1) as number)) open.push(indent)
    return [{ depth: open.length - 1, text: bare.slice(markerOf(bare)?.length ?? 0).trim() }]
  })
}

/** How an indented line hangs on the line it stands under. */
const under: Record<FigureKind, (f: Figure, above: NodeId, ids: Ids, text: string) => Edit> = {
  process: insertAfter,
  concept: insertBelow,
  hierarchy: insertBelow,
  decision: insertBelow,
  venn: insertBelow,
  points: (f, above, _ids, text) => ({
    do: 'setNode',
    id: above,
    set: { detail: [f.nodes[above]?.detail, text].filter(Boolean).join('; ') },
  }),
}

/** Several lines become several rows after this one, deeper ones below those they are indented under. `made` are the new
 *  nodes, in their order. */
export function pasteRows(
  f: Figure,
  row: OutlineRow | null,
  text: string,
  newId: NewId,
): { readonly edit: Edit; readonly made: readonly NodeId[] } {
  let now = f
  const edits: Edit[] = []
  const made: NodeId[] = []
  const above: NodeId[] = []
  const change = (edit: Edit) => {
    edits.push(edit)
    now = apply(now, edit).figure
  }
  for (const found of linesIn(text)) {
    // A flow has an order only: indented lines are steps like the others.
    const line = f.kind === 'process' ? { ...found, depth: 0 } : found
    const statement = f.kind === 'concept' && line.depth === 0 ? addStatement(now, line.text, null, newId) : null
    if (statement) {
      change(statement)
      continue
    }
    const ids = { node: newId(), link: newId() }
    above.length = Math.min(above.length, line.depth + 1)
    const [parent, peer] = [above[line.depth - 1], above[line.depth]]
    if (parent !== undefined && peer === undefined) change(under[f.kind](now, parent, ids, line.text))
    else if (peer !== undefined) change(insertAfter(now, peer, ids, line.text))
    else change(nextRow(now, row, ids, line.text))
    if (!now.nodes[ids.node]) continue
    above[line.depth] = ids.node
    made.push(ids.node)
  }
  return { edit: all(...edits), made }
}

/** An empty row taken out: its node goes and the flow heals; the row before it, to go on typing there. */
export function joinRow(
  f: Figure,
  rows: readonly OutlineRow[],
  at: number,
): { readonly edit: Edit; readonly before: OutlineRow | null } | null {
  const row = rows[at]
  if (!row) return null
  const before = rows.slice(0, at).findLast((r) => r.row === 'node' || r.row === 'detail') ?? null
  if (row.row === 'detail') return { edit: { do: 'setNode', id: row.id, set: { detail: null } }, before }
  if (row.row === 'statement') return { edit: { do: 'dropLink', id: row.id }, before }
  return row.row === 'node' ? { edit: remove(f, row.id), before } : null
}

/** A row dragged to stand after another: in a region it lies in these sets, in a tree it is a sibling, in a flow it follows. */
export function moveRow(f: Figure, id: NodeId, onto: OutlineRow, link: LinkId): Edit {
  if (onto.row === 'region') return { do: 'setNode', id, set: { memberOf: onto.sets.map((s) => s.id) } }
  if (onto.row !== 'node' || onto.id === id) return all()
  if (f.kind === 'venn' && onto.node.role !== 'set' && f.nodes[id]?.role !== 'set')
    return all({ do: 'setNode', id, set: { memberOf: regionOf(f, onto.node) } }, moveAfter(f, id, onto.id, link))
  return moveAfter(f, id, onto.id, link)
}
