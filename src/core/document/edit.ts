/** Every change to a figure is an `Edit`: a value that can be applied, sent, kept and undone. */
import type { Figure, FigureLink, FigureNode, FigureNote, LinkId, NodeId, NoteId } from '../figure'

/** New values by field; null takes an optional field away. */
export type Change<T> = { readonly [K in keyof Omit<T, 'id'>]?: T[K] | null }
export type FigureHead = Omit<Figure, 'id' | 'nodes' | 'links' | 'notes'>

export type Edit =
  | { readonly do: 'putNode'; readonly node: FigureNode }
  | { readonly do: 'dropNode'; readonly id: NodeId }
  | { readonly do: 'setNode'; readonly id: NodeId; readonly set: Change<FigureNode> }
  | { readonly do: 'putLink'; readonly link: FigureLink }
  | { readonly do: 'dropLink'; readonly id: LinkId }
  | { readonly do: 'setLink'; readonly id: LinkId; readonly set: Change<FigureLink> }
  | { readonly do: 'putNote'; readonly note: FigureNote }
  | { readonly do: 'dropNote'; readonly id: NoteId }
  | { readonly do: 'setFigure'; readonly set: Change<FigureHead> }
  | { readonly do: 'all'; readonly edits: readonly Edit[] }

export type Applied = { readonly figure: Figure; readonly inverse: Edit }

export const all = (...edits: readonly (Edit | null)[]): Edit => ({
  do: 'all',
  edits: edits.filter((e): e is Edit => e !== null),
})
const nothing: Edit = { do: 'all', edits: [] }

/** The figure after the edit, and the edit that takes it back. An edit whose node or link has gone meanwhile (somebody
 *  else removed it) changes nothing; a link never stays without its ends. */
export function apply(figure: Figure, edit: Edit): Applied {
  const draft = new Draft(figure)
  const inverse = draft.change(edit)
  return { figure: draft.figure, inverse }
}

type Parts = { nodes: Record<NodeId, FigureNode>; links: Record<LinkId, FigureLink> }

/** A figure that many edits are made to, one after the other, without copying it for each. The figure that was handed in
 *  stays as it was; `figure` is as it stands now, and goes on changing with the draft. */
export class Draft {
  private now: Figure
  private own: Partial<Parts> = {}

  constructor(figure: Figure) {
    this.now = figure
  }

  get figure(): Figure {
    return this.now
  }

  /** Makes the edit; the edit that takes it back comes out. */
  change(edit: Edit): Edit {
    // The row belongs to the edit's own kind, which the compiler cannot see through the union.
    return (this.rows[edit.do] as (e: Edit) => Edit)(edit)
  }

  /** The part as a copy of the draft's own, made when it is first written to. */
  private part<K extends keyof Parts>(name: K): Parts[K] {
    const known = this.own[name]
    if (known) return known
    const copy: Parts[K] = { ...this.now[name] }
    this.own = { ...this.own, [name]: copy }
    this.now = { ...this.now, [name]: copy }
    return copy
  }

  private readonly rows: { readonly [K in Edit['do']]: (e: Extract<Edit, { do: K }>) => Edit } = {
    putNode: ({ node }) => {
      const old = this.now.nodes[node.id]
      this.part('nodes')[node.id] = node
      return old ? { do: 'putNode', node: old } : { do: 'dropNode', id: node.id }
    },
    dropNode: ({ id }) => {
      const node = this.now.nodes[id]
      if (!node) return nothing
      const touching = Object.values(this.now.links).filter((l) => l.from === id || l.to === id)
      for (const l of touching) delete this.part('links')[l.id]
      delete this.part('nodes')[id]
      return all({ do: 'putNode', node }, ...touching.map((link): Edit => ({ do: 'putLink', link })))
    },
    setNode: ({ id, set }) => {
      const node = this.now.nodes[id]
      if (!node) return nothing
      const [changed, back] = changedRecord(node, set)
      this.part('nodes')[id] = changed
      return { do: 'setNode', id, set: back }
    },
    putLink: ({ link }) => {
      if (!this.hasEnds(link)) return nothing
      const old = this.now.links[link.id]
      this.part('links')[link.id] = link
      return old ? { do: 'putLink', link: old } : { do: 'dropLink', id: link.id }
    },
    dropLink: ({ id }) => {
      const old = this.now.links[id]
      if (!old) return nothing
      delete this.part('links')[id]
      return { do: 'putLink', link: old }
    },
    setLink: ({ id, set }) => {
      const link = this.now.links[id]
      if (!link) return nothing
      const [changed, back] = changedRecord(link, set)
      if (!this.hasEnds(changed)) return nothing
      this.part('links')[id] = changed
      return { do: 'setLink', id, set: back }
    },
    // A note stays when what it speaks of goes: its words are nobody else's.
    putNote: ({ note }) => {
      const old = this.now.notes?.[note.id]
      this.now = { ...this.now, notes: { ...this.now.notes, [note.id]: note } }
      return old ? { do: 'putNote', note: old } : { do: 'dropNote', id: note.id }
    },
    dropNote: ({ id }) => {
      const { [id]: note, ...notes } = this.now.notes ?? {}
      if (!note) return nothing
      const { notes: _, ...bare } = this.now
      this.now = Object.keys(notes).length > 0 ? { ...bare, notes } : bare
      return { do: 'putNote', note }
    },
    setFigure: ({ set }) => {
      const [changed, back] = changedRecord(this.now, set)
      this.now = changed
      return { do: 'setFigure', set: back }
    },
    all: ({ edits }) => ({ do: 'all', edits: edits.map((e) => this.change(e)).toReversed() }),
  }

  private hasEnds = (l: FigureLink): boolean =>
    Object.hasOwn(this.now.nodes, l.from) && Object.hasOwn(this.now.nodes, l.to)
}

/** The record with the change made, and the change that takes it back. */
function changedRecord<T extends object, C extends object>(record: T, change: C): [T, C] {
  const next: Record<string, unknown> = Object.fromEntries(Object.entries(record))
  const back: Record<string, unknown> = {}
  for (const [key, value] of Object.entries(change)) {
    if (value === undefined) continue
    back[key] = Object.hasOwn(record, key) ? (record as Record<string, unknown>)[key] : null
    if (value === null) delete next[key]
    else next[key] = value
  }
  // Only fields of T are written: C is the Change type of T, and null only clears fields that T has as optional.
  return [next as T, back as C]
}
