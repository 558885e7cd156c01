import { boxAround, union, type Box, type Point, cosine, distance, sine } from '../geometry'
import type { LinkId, NodeId } from '../figure'
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
  | { readonly kind: 'field'; readonly box: Box; readonly tint: number | null; readonly level: number | null }
  /** A thin line: an axis, a stem. */
  | { readonly kind: 'rule'; readonly from: Point; readonly to: Point }
  /** A piece of a ring, with its number, or with the words of its node in it; angles in radians, clockwise from the right. */
  | {
      readonly kind: 'segment'
      readonly of: NodeId
      readonly centre: Point
      readonly inner: number
      readonly outer: number
      readonly from: number
      readonly to: number
      readonly numeral: { readonly centre: Point; readonly block: TextBlock } | null
    }
  /** One thick line that all stops stand on. */
  | { readonly kind: 'route'; readonly points: readonly Point[]; readonly bend: number }
  /** What lies below the head of a panel, under the leaves that stand there. */
  | { readonly kind: 'backing'; readonly of: NodeId; readonly box: Box }
  /** Behind all nodes of a level. */
  | { readonly kind: 'levelBand'; readonly level: number; readonly box: Box }
  /** What an outcome is worth, on a scale that all share. */
  | {
      readonly kind: 'bar'
      readonly of: NodeId
      readonly box: Box
      readonly good: boolean
      readonly name: { readonly centre: Point; readonly block: TextBlock }
    }
  /** The name of a set along its circle: on which circle, and about which angle (radians, clockwise from the right). */
  | {
      readonly kind: 'arcWords'
      readonly of: NodeId
      /** Each set by itself. */
      readonly letters: readonly TextBlock[]
      readonly centre: Point
      readonly radius: number
      readonly angle: number
      /** At the foot of the circle, where letters stand on the inside. */
      readonly below: boolean
      readonly box: Box
    }
  /** A disc, with a number in it or without. */
  | { readonly kind: 'badge'; readonly centre: Point; readonly radius: number; readonly block: TextBlock | null }

export type Placed = Omit<Sized, 'nodes'> & {
  readonly nodes: readonly PlacedNode[]
  readonly links: readonly SizedLink[]
  readonly flow: Flow
  readonly decor: readonly Decor[]
  /** Where each column or row of a folded flow begins, aside from the flow. */
  readonly starts: readonly number[]
}

const boxes: { readonly [K in Decor['kind']]: (d: Extract<Decor, { kind: K }>) => Box } = {
  words: (d) => boxAround(d.centre, d.block),
  panel: (d) => d.box,
  lane: (d) => d.box,
  field: (d) => d.box,
  backing: (d) => d.box,
  arcWords: (d) => d.box,
  levelBand: (d) => d.box,
  bar: (d) => union([d.box, boxAround(d.name.centre, d.name.block)]),
  rule: (d) => union([d.from, d.to].map((p) => ({ ...p, width: 0, height: 0 }))),
  route: (d) => union(d.points.map((p) => ({ ...p, width: 0, height: 0 }))),
  badge: (d) => boxAround(d.centre, { width: d.radius * 2, height: d.radius * 2 }),
  segment: (d) => boxAround(d.centre, { width: d.outer * 2, height: d.outer * 2 }),
  ring: (d) => boxAround(d.centre, { width: d.radius.x * 2, height: d.radius.y * 2 }),
  set: (d) => {
    const angle = (d.tilt * Math.PI) / 180
    return boxAround(d.centre, {
      width: 2 * distance(d.radius.x * cosine(angle), d.radius.y * sine(angle)),
      height: 2 * distance(d.radius.x * sine(angle), d.radius.y * cosine(angle)),
    })
  },
}
// The row belongs to the decor's own kind, which the compiler cannot see through the union.
export const decorBox = (d: Decor): Box => (boxes[d.kind] as (d: Decor) => Box)(d)

/** The box around all nodes and all that is drawn besides, without connectors. */
export const extentOf = (placed: Pick<Placed, 'nodes' | 'decor'>): Box =>
  union([...placed.nodes.map((n) => n.box), ...placed.decor.map(decorBox)])

/** Sets words that are no node's. */
export type SetWords = (
  text: string,
  look: 'heading' | 'strong' | 'body' | 'label' | 'numeral',
  room: number,
) => TextBlock

/** What one arrangement computes: a box for every node, and what is drawn besides. */
export type Arranged = {
  /** Nodes that stand at the head of a field: only their words are drawn. */
  readonly heads?: ReadonlySet<NodeId>
  readonly boxes: ReadonlyMap<NodeId, Box>
  /** Links that places say, and that are not drawn. */
  readonly hidden?: ReadonlySet<LinkId>
  readonly flow: Flow
  readonly decor: readonly Decor[]
  /** Where each column or row of a folded flow begins, aside from the flow. */
  readonly starts?: readonly number[]
}
