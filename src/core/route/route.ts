/** Stage `route`: gives every connector its path and its label a place. In: nodes with boxes. Out: orthogonal paths from
 *  outline to outline that enter no other node wherever nodes leave room between them. Moves nothing. */
import { centreOf, portOf, shapes, withoutCollinear, type Box, type Point, type Side } from '../geometry'
import type { LinkId, NodeId } from '../figure'
import type { Flow, Placed, PlacedNode } from '../layout'
import { gridAround, lineAt, occupy, type Grid } from './grid'
import { heldPath } from './heldPath'
import type { Bare } from './judge'
import { mendCrossings } from './mendCrossings'
import { placeLabels, type PlacedLabel } from './labels'
import { spread } from './spread'
import { straightPath } from './straight'
import { treeLines } from './treeLines'
import { cheapestPath, type Heading, type Prices, type Terminal } from './pathSearch'

export type Route = Bare & {
  readonly label: PlacedLabel | null
}
export type Routed = Placed & { readonly routes: readonly Route[] }

const sides: readonly Side[] = ['top', 'right', 'bottom', 'left']
const headingOf: Record<Side, Heading> = { top: 0, right: 1, bottom: 2, left: 3 }
const outward: Record<Side, Point> = {
  top: { x: 0, y: -1 },
  right: { x: 1, y: 0 },
  bottom: { x: 0, y: 1 },
  left: { x: -1, y: 0 },
}
const opposite: Record<Side, Side> = { top: 'bottom', right: 'left', bottom: 'top', left: 'right' }

/** What it costs to leave or to enter by a side, in bends: with the flow is free, against it is dear. */
const leaving: Record<Flow, Record<Side, number>> = {
  down: { bottom: 0, right: 0.9, left: 0.95, top: 3 },
  across: { right: 0, bottom: 0.9, top: 0.95, left: 3 },
  rows: { right: 0, bottom: 0.9, left: 3, top: 3 },
  // The children of a node hang from one trunk.
  treeDown: { bottom: 0, right: 3, left: 3, top: 6 },
  treeAcross: { right: 0, bottom: 3, top: 3, left: 6 },
  outline: { bottom: 0, right: 3, left: 3, top: 6 },
  none: { right: 0, bottom: 0, left: 0, top: 0 },
  straight: { right: 0, bottom: 0, left: 0, top: 0 },
  unlinked: { right: 0, bottom: 0, left: 0, top: 0 },
}

export function route(placed: Placed): Routed {
  return {
    ...placed,
    routes: placeLabels(
      placed,
      routesFor(
        placed,
        [],
        placed.links.map((l) => l.id),
        ROUNDS,
      ),
    ),
  }
}

/** The same connectors after the nodes in `moved` have gone elsewhere: only what touches them, or what they now cover,
 *  is led anew, once. */
export function reroute(placed: Placed, before: readonly Route[], moved: ReadonlySet<NodeId>): Routed {
  const boxes = placed.nodes.filter((n) => moved.has(n.id)).map((n) => n.box)
  const stays = (r: Route) => !moved.has(r.from) && !moved.has(r.to) && !boxes.some((b) => covers(b, r.points))
  const kept = before.filter(stays)
  const keptIds = new Set(kept.map((r) => r.id))
  const open = placed.links.filter((l) => !keptIds.has(l.id)).map((l) => l.id)
  const labels = new Map(kept.flatMap((r) => (r.label ? [[r.id, r.label] as const] : [])))
  return { ...placed, routes: placeLabels(placed, routesFor(placed, kept, open, 0), labels) }
}

const covers = (b: Box, points: readonly Point[]): boolean =>
  points.slice(1).some((p, i) => {
    const a = points[i] as Point
    return (
      Math.min(a.x, p.x) < b.x + b.width &&
      Math.max(a.x, p.x) > b.x &&
      Math.min(a.y, p.y) < b.y + b.height &&
      Math.max(a.y, p.y) > b.y
    )
  })

/** Smaller clearances are for nodes that a person has put close together. */
const CLEARANCES = [1, 0.4, 0.1]

const ROUNDS = 2

/** In `rounds` what crosses is led anew; under a drag there is no time for that. */
function routesFor(placed: Placed, kept: readonly Bare[], open: readonly LinkId[], rounds: number): Bare[] {
  if (placed.flow === 'unlinked') return []
  if (placed.flow === 'straight') return straightRoutes(placed, kept, open)
  const size = placed.style.body.size
  // Two connectors that turn between two layers must both find room there, also when the gaps are tight.
  const clear = Math.min(size * 0.8, placed.style.gap.between * 0.4)
  const trunk = placed.flow === 'treeDown' || placed.flow === 'treeAcross' || placed.flow === 'outline'
  const prices: Prices = { bend: size * 3, crossing: size * (rounds > 0 ? 20 : 8), shared: trunk ? 0 : size * 1.5 }
  const boxes = placed.nodes.map((n) => n.box)
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const grids = new Map<number, Grid>()
  const done = new Map(kept.map((r) => [r.id, r]))
  const gridFor = (factor: number): Grid => {
    const known = grids.get(factor)
    if (known) return known
    const grid = gridAround(boxes, clear * factor, [])
    for (const r of done.values()) occupy(grid, r.points, 1)
    grids.set(factor, grid)
    return grid
  }
  const ports = new PortUse(kept, node, placed.flow, trunk)
  const fromParent = trunk ? treeLines(placed, clear) : null
  const lead = (link: Placed['links'][number]): Bare => {
    const [a, b] = [node.get(link.from), node.get(link.to)]
    if (!a || !b)
      throw new Error(`route: connector ${link.id} ends at ${link.from} and ${link.to}, which layout did not place`)
    let points = fromParent?.(a, b) ?? null
    // A child that stands in by chance as far as a list would, or a second parent.
    if (points && boxes.some((o) => o !== a.box && o !== b.box && covers(o, points as Point[]))) points = null
    for (const factor of points ? [] : CLEARANCES) {
      points = pathBetween(gridFor(factor), a, b, clear * factor, placed.flow, prices, ports)
      if (points) break
    }
    return { id: link.id, from: link.from, to: link.to, points: points ?? directLine(a.box, b.box) }
  }
  const count = (r: Bare, by: 1 | -1): void => {
    ports.count(r, by)
    for (const g of grids.values()) occupy(g, r.points, by)
  }
  const wanted = new Set(open)
  for (const link of placed.links) {
    const points = wanted.has(link.id) ? heldRoute(link, node, boxes) : null
    if (!points) continue
    wanted.delete(link.id)
    const route = { id: link.id, from: link.from, to: link.to, points }
    done.set(link.id, route)
    count(route, 1)
  }
  const inTurn = straightestFirst(placed, node).filter((l) => wanted.has(l.id))
  for (const link of inTurn) {
    const route = lead(link)
    done.set(link.id, route)
    count(route, 1)
  }
  if (!trunk) {
    const near = size * 0.45
    const slides = (id: NodeId) => hasStraightSides(node.get(id))
    const named = new Map(placed.nodes.map((n) => [n.id, n.box]))
    const room = { boxes: named, near, apart: size * 0.6, clear: clear * 0.4, slides }
    // Runs that lay on each other may turn out to cross once they are parted.
    for (let round = 0; round < rounds; round++) {
      mendCrossings(inTurn, { done, lead, count, near })
      spread([...wanted], done, count, room)
    }
    if (rounds === 0) spread([...wanted], done, count, room)
  }
  return placed.links.flatMap((l) => done.get(l.id) ?? [])
}

const hasStraightSides = (n: PlacedNode | undefined): boolean => n?.shape === 'roundRect' || n?.shape === 'rect'

/** The way a person bent a connector, while it is open. */
function heldRoute(
  link: Placed['links'][number],
  node: ReadonlyMap<NodeId, PlacedNode>,
  boxes: readonly Box[],
): Point[] | null {
  const [a, b] = [node.get(link.from), node.get(link.to)]
  if (!link.heldRoute || !a || !b || a === b) return null
  const end = (n: PlacedNode) => ({ box: n.box, slides: hasStraightSides(n) })
  return heldPath(link.heldRoute, end(a), end(b), boxes)
}

const outline = (n: PlacedNode): readonly Point[] => shapes[n.shape].outline(n.box)

function straightRoutes(placed: Placed, kept: readonly Bare[], open: readonly LinkId[]): Bare[] {
  const known = new Map(kept.map((r) => [r.id, r]))
  const wanted = new Set(open)
  const clearance = placed.style.body.size * 0.6
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const boxes = placed.nodes.map((n) => n.box)
  return placed.links.flatMap((l) => {
    const [a, b] = [node.get(l.from), node.get(l.to)]
    const old = known.get(l.id)
    if (!wanted.has(l.id) || !a || !b) return old ? [old] : []
    const others = placed.nodes.filter((n) => n !== a && n !== b).map((n) => n.box)
    const points = heldRoute(l, node, boxes) ?? straightPath(a.box, b.box, others, clearance, [outline(a), outline(b)])
    return [{ id: l.id, from: l.from, to: l.to, points }]
  })
}

/** Connectors that can run straight take their sides before those that have to bend anyway. */
function straightestFirst(placed: Placed, node: ReadonlyMap<NodeId, PlacedNode>): Placed['links'] {
  const off = (l: Placed['links'][number]) => {
    const [a, b] = [node.get(l.from), node.get(l.to)]
    if (!a || !b) return 0
    const [p, q] = [centreOf(a.box), centreOf(b.box)]
    const sideways = placed.flow === 'across' || placed.flow === 'rows' || placed.flow === 'treeAcross'
    const ahead = sideways ? q.x > p.x : q.y > p.y
    return (sideways ? Math.abs(p.y - q.y) : Math.abs(p.x - q.x)) + (ahead ? 0 : 10_000)
  }
  return placed.links
    .map((l, i) => ({ l, i, off: off(l) }))
    .toSorted((p, q) => p.off - q.off || p.i - q.i)
    .map((x) => x.l)
}

function pathBetween(
  g: Grid,
  a: PlacedNode,
  b: PlacedNode,
  clearance: number,
  flow: Flow,
  prices: Prices,
  ports: PortUse,
): Point[] | null {
  const terminals = (n: PlacedNode, out: boolean): (Terminal & { side: Side })[] =>
    sides.flatMap((side) => {
      const p = portOf(n.box, side)
      const stub = { x: p.x + outward[side].x * clearance, y: p.y + outward[side].y * clearance }
      const [xi, yi] = [lineAt(g.xs, stub.x), lineAt(g.ys, stub.y)]
      if (xi < 0 || yi < 0 || isClosed(g, xi, yi)) return []
      const price = out ? leaving[flow][side] : leaving[flow][opposite[side]]
      const heading = headingOf[out ? side : opposite[side]]
      return [{ xi, yi, heading, side, cost: (price + ports.price(n, side, out)) * prices.bend }]
    })
  const [starts, ends] = [terminals(a, true), terminals(b, false)]
  const found = cheapestPath(g, starts, ends, prices)
  if (!found) return null
  const w = g.xs.length
  const sideOf = (t: Terminal, out: boolean) => sides[out ? t.heading : (t.heading + 2) % 4] as Side
  return withoutCollinear([
    portOf(a.box, sideOf(found.start, true)),
    ...found.cells.map((c) => ({ x: g.xs[c % w] as number, y: g.ys[(c / w) | 0] as number })),
    portOf(b.box, sideOf(found.end, false)),
  ])
}

/** A place inside another shape, where no stretch is open. */
function isClosed(g: Grid, xi: number, yi: number): boolean {
  const w = g.xs.length
  const c = yi * w + xi
  const open = [
    xi < w - 1 && g.h[c] === 0,
    xi > 0 && g.h[c - 1] === 0,
    yi < g.ys.length - 1 && g.v[c] === 0,
    yi > 0 && g.v[c - w] === 0,
  ]
  return !open.some(Boolean)
}

/** Where every way is closed (shapes put on top of each other): a straight line that shows the link all the same. */
function directLine(a: Box, b: Box): Point[] {
  const pairs = sides.flatMap((s) => sides.map((t) => [portOf(a, s), portOf(b, t)] as const))
  const length = ([p, q]: readonly [Point, Point]) => Math.hypot(p.x - q.x, p.y - q.y)
  const [p, q] = pairs.reduce((best, pair) => (length(pair) < length(best) ? pair : best))
  return Math.abs(p.x - q.x) < 0.5 || Math.abs(p.y - q.y) < 0.5 ? [p, q] : [p, { x: q.x, y: p.y }, q]
}

const isAside = (side: Side, flow: Flow): boolean =>
  flow === 'across' ? side === 'top' || side === 'bottom' : side === 'left' || side === 'right'

/** Which sides are taken: branches of a question leave by different tips, and nothing leaves where something enters. */
class PortUse {
  private readonly uses = new Map<string, { in: number; out: number }>()

  constructor(
    routes: readonly Bare[],
    private readonly nodes: ReadonlyMap<NodeId, PlacedNode>,
    private readonly flow: Flow,
    /** All connectors of a node leave by one side. */
    private readonly trunk: boolean,
  ) {
    for (const r of routes) this.count(r, 1)
  }

  /** Adds a connector, or takes it away. */
  count(r: Bare, by: 1 | -1): void {
    const [a, b] = [this.nodes.get(r.from), this.nodes.get(r.to)]
    if (a) this.at(a, sideOfPoint(a.box, r.points[0] as Point)).out += by
    if (b) this.at(b, sideOfPoint(b.box, r.points.at(-1) as Point)).in += by
  }

  /** In bends. */
  price(n: PlacedNode, side: Side, out: boolean): number {
    const used = this.at(n, side)
    if (this.trunk) return 0
    if (out) return (used.out > 0 ? (n.shape === 'diamond' ? 6 : 2.5) : 0) + (used.in > 0 ? 6 : 0)
    // A question's tips at its sides are for its answers.
    return (used.out > 0 ? 6 : 0) + (n.shape === 'diamond' && isAside(side, this.flow) ? 1 : 0)
  }

  private at(n: PlacedNode, side: Side): { in: number; out: number } {
    const key = `${side} ${n.id}`
    const known = this.uses.get(key)
    if (known) return known
    const fresh = { in: 0, out: 0 }
    this.uses.set(key, fresh)
    return fresh
  }
}

function sideOfPoint(box: Box, p: Point): Side {
  const off = (s: Side) => Math.hypot(portOf(box, s).x - p.x, portOf(box, s).y - p.y)
  return sides.reduce((best, s) => (off(s) < off(best) ? s : best))
}
