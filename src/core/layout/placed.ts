import { boxAround, union, type Box, type Point } from '../geometry'
import type { NodeId } from '../figure'
import type { Sized, SizedLink, SizedNode, TextBlock } from '../measure'

/** Which way a figure reads: connectors prefer to leave with the flow and to arrive with it. */
export type Flow = 'down' | 'across' | 'rows' | 'treeDown' | 'treeAcross' | 'outline' | 'none'

export type PlacedNode = SizedNode & { readonly box: Box }
/** What an arrangement draws besides nodes and connectors. */
export type Decor =
  | { readonly kind: 'ring'; readonly centre: Point; readonly radius: { readonly x: number; readonly y: number } }
  /** A set's circle; `tint` tells the sets apart. */
  | { readonly kind: 'set'; readonly centre: Point; readonly radius: number; readonly tint: number }
  /** A region as a panel, with a dot under each set that it lies in. */
  | { readonly kind: 'panel'; readonly box: Box; readonly dots: readonly Point[] }
  /** The lane of one actor, with its name at the head. */
  | {
      readonly kind: 'lane'
      readonly box: Box
      readonly header: Box
      readonly name: { readonly centre: Point; readonly block: TextBlock }
    }
  | { readonly kind: 'core'; readonly centre: Point; readonly block: TextBlock }

export type Placed = Omit<Sized, 'nodes'> & {
  readonly nodes: readonly PlacedNode[]
  readonly links: readonly SizedLink[]
  readonly flow: Flow
  readonly decor: readonly Decor[]
}

export function decorBox(d: Decor): Box {
  if (d.kind === 'core') return boxAround(d.centre, d.block)
  if (d.kind === 'panel' || d.kind === 'lane') return d.box
  const radius = typeof d.radius === 'number' ? { x: d.radius, y: d.radius } : d.radius
  return boxAround(d.centre, { width: radius.x * 2, height: radius.y * 2 })
}

/** The box around all nodes and all that is drawn besides, without connectors. */
export const extentOf = (placed: Pick<Placed, 'nodes' | 'decor'>): Box =>
  union([...placed.nodes.map((n) => n.box), ...placed.decor.map(decorBox)])

/** What one arrangement computes: a box for every node, and what is drawn besides. */
export type Arranged = {
  readonly boxes: ReadonlyMap<NodeId, Box>
  readonly flow: Flow
  readonly decor: readonly Decor[]
}
