/** A figure as data: what is said and how it is linked, without a coordinate but for what a person placed by hand.
 *  One flat record serves all six kinds; its fields are defined once, in `figureSchema`. */
import type { FigureFields, LinkFields, NodeFields, NoteFields, PictureFields } from './figureSchema'

export type Figure = FigureFields
export type FigureNode = NodeFields
export type FigureLink = LinkFields
export type FigureNote = NoteFields
export type FigurePicture = PictureFields
export type FigureId = string
export type NodeId = string
export type LinkId = string
export type NoteId = string

/** Nodes in the order of the text. */
export const nodesInOrder = (f: Figure): FigureNode[] =>
  Object.values(f.nodes).toSorted((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1))

/** Links in the order they leave their nodes: by the order of the source node, then their own. */
export const linksInOrder = (f: Figure): FigureLink[] =>
  Object.values(f.links).toSorted(
    (a, b) =>
      (f.nodes[a.from]?.order ?? 0) - (f.nodes[b.from]?.order ?? 0) || a.order - b.order || (a.id < b.id ? -1 : 1),
  )

/** Notes in the order of their ids, so that all windows and files place them alike. */
export const notesInOrder = (f: Figure): FigureNote[] =>
  Object.values(f.notes ?? {}).toSorted((a, b) => (a.id < b.id ? -1 : 1))
