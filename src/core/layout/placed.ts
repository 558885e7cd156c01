import { boxAround, union, type Box, type Point, cosine, distance, sine } from '../geometry'
import type { NodeId } from '../figure'
import type { Sized, SizedLink, SizedNode, TextBlock } from '../measure'

/** Which way a figure reads: connectors prefer to leave with the flow and to arrive with it. */
export type Flow =
  | 'down'
  | 'across'
  | 'rows'
  | 'treeDown'
  | 'treeAcross'
  /** Down, with what hangs in a list beside a rule at its left. */
  | 'outline'
  | 'none'
  /** Straight lines, around what stands between. */
  | 'straight'
  /** Arcs around the middle. */
  | 'ring'
  /** The places say what the connectors would. */
  | 'unlinked'

/** Whether connectors run in any direction, not only level and upright. */
export const runsFreely = (flow: Flow): boolean => flow === 'straight' || flow === 'ring'

export type PlacedNode = SizedNode & { readonly box: Box }
/** What an arrangement draws besides nodes and connectors. */
export type Decor =
  | { readonly kind: 'ring'; readonly centre: Point; readonly radius: { readonly x: number; readonly y: number } }
  /** A set's circle or tilted ellipse (degrees, clockwise); `tint` tells the sets apart. */
  | {
      readonly kind: 'set'
      readonly centre: Point
      readonly radius: Point
      readonly tilt: number
      readonly tint: number
    }
  /** A region as a panel, with a dot under each set that it lies in. */
  | { readonly kind: 'panel'; readonly box: Box; readonly dots: readonly Point[]; readonly sets: readonly number[] }
  /** The lane of one actor, with its name at the head. */
  | {
      readonly kind: 'lane'
      readonly box: Box
      readonly header: Box
      readonly name: { readonly centre: Point; readonly block: TextBlock }
    }
  /** Words that are no node: a title in the middle, a number, a value. */
  | { readonly kind: 'words'; readonly centre: Point; readonly block: TextBlock }
  /** A field under nodes that belong together, in the colour of a set or of the page. */
  | { readonly kind: 'field'; readonly box: Box; readonly tint: number | null }
  /** A thin line: an axis, a stem. */
  | { readonly kind: 'rule'; readonly from: Point; readonly to: Point }
  /** A disc behind a number. */
  | { readonly kind: 'badge'; readonly centre: Point; readonly radius: number }

export type Placed = Omit<Sized, 'nodes'> & {
  readonly nodes: readonly PlacedNode[]
  readonly links: readonly SizedLink[]
  readonly flow: Flow
  readonly decor: readonly Decor[]
  /** Where each column or row of a folded flow begins, aside from the flow. */
  readonly starts: readonly number[]
}

export function decorBox(d: Decor): Box {
  if (d.kind === 'words') return boxAround(d.centre, d.block)
  if (d.kind === 'panel' || d.kind === 'lane' || d.kind === 'field') return d.box
  if (d.kind === 'rule') return union([d.from, d.to].map((p) => boxAround(p, { width: 0, height: 0 })))
  if (d.kind === 'badge') return boxAround(d.centre, { width: d.radius * 2, height: d.radius * 2 })
  const angle = d.kind === 'set' ? (d.tilt * Math.PI) / 180 : 0
  return boxAround(d.centre, {
    width: 2 * distance(d.radius.x * cosine(angle), d.radius.y * sine(angle)),
    height: 2 * distance(d.radius.x * sine(angle), d.radius.y * cosine(angle)),
  })
}

/** The box around all nodes and all that is drawn besides, without connectors. */
export const extentOf = (placed: Pick<Placed, 'nodes' | 'decor'>): Box =>
  union([...placed.nodes.map((n) => n.box), ...placed.decor.map(decorBox)])

/** Sets words that are no node's. */
export type SetWords = (text: string, look: 'heading' | 'body' | 'label', room: number) => TextBlock

/** What one arrangement computes: a box for every node, and what is drawn besides. */
export type Arranged = {
  /** Nodes that stand at the head of a field: only their words are drawn. */
  readonly heads?: ReadonlySet<NodeId>
  readonly boxes: ReadonlyMap<NodeId, Box>
  readonly flow: Flow
  readonly decor: readonly Decor[]
  /** Where each column or row of a folded flow begins, aside from the flow. */
  readonly starts?: readonly number[]
}
