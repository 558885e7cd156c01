/** Orthogonal connectors from outline to outline that enter no other node wherever nodes leave room between them: one search
 *  each, straightest first; what crosses is taken up and led anew, what lies on each other is parted. */
import {
  centreOf,
  inflate,
  portOf,
  sides,
  withoutCollinear,
  type Box,
  type Point,
  type Side,
  distance,
  bottom,
  right,
} from '../geometry'
import type { LinkId, NodeId } from '../figure'
import type { Flow, Placed, PlacedNode } from '../layout'
import { gridAround, lineAt, occupy, type Grid } from './grid'
import { hasStraightSides, heldRoute } from './heldPath'
import { entersBox, traced, type Bare, type Budget, type Traced } from './judge'
import { mendCrossings } from './mendCrossings'
import { cheapestPath, type Heading, type Prices, type Terminal } from './pathSearch'
import { PortUse } from './portUse'
import { spread } from './spread'
import { treeLines } from './treeLines'

/** What is to be led, beside what. */
export type Job = {
  /** Connectors that stay where they are. */
  readonly kept: readonly Bare[]
  readonly open: readonly LinkId[]
  /** How often what crosses is led anew; under a drag there is no time for that. */
  readonly rounds: number
  /** Words of connectors, which no connector is to run through. */
  readonly words: readonly Box[]
  readonly budget: Budget
}

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
  ring: { right: 0, bottom: 0, left: 0, top: 0 },
  unlinked: { right: 0, bottom: 0, left: 0, top: 0 },
}

/** Places of the grid that are looked at for all connectors together; once that is spent, the others go straight. Ten times
 *  what sixty nodes with three connectors each need. */
const PLACES = 4_000_000

/** Smaller clearances are for nodes that a person has put close together. */
const CLEARANCES = [1, 0.4, 0.1]

export function orthogonalRoutes(placed: Placed, { kept, open, rounds, words, budget }: Job): Bare[] {
  const size = placed.style.body.size
  // Two connectors that turn between two layers must both find room there, also when the gaps are tight.
  const clear = Math.min(size * 0.8, placed.style.gap.between * 0.4)
  const trunk = placed.flow === 'treeDown' || placed.flow === 'treeAcross' || placed.flow === 'outline'
  const prices: Prices = { bend: size * 3, crossing: size * (rounds > 0 ? 30 : 8), shared: trunk ? 0 : size * 1.5 }
  const boxes = placed.nodes.map((n) => n.box)
  const node = new Map(placed.nodes.map((n) => [n.id, n]))
  const grids = new Map<number, Grid>()
  const done = new Map(kept.map((r) => [r.id, traced(r)]))
  const gridFor = (factor: number): Grid => {
    const known = grids.get(factor)
    if (known) return known
    const grid = gridAround([...boxes, ...words.map((w) => tightened(w, clear * factor))], clear * factor, barPorts)
    for (const r of done.values()) occupy(grid, r.points, 1)
    grids.set(factor, grid)
    return grid
  }
  const barPorts = placed.links.flatMap((l) => {
    const [a, b] = [node.get(l.from), node.get(l.to)]
    if (!a || !b) return []
    return [[a, b] as const, [b, a] as const].flatMap(([n, o]) =>
      n.barOf === null ? [] : sides.map((s) => portFor(n, s, o)),
    )
  })
  const searching = { left: PLACES }
  const ports = new PortUse(kept, node, placed.flow, trunk)
  const fromParent = trunk ? treeLines(placed, clear) : null
  const lead = (link: Placed['links'][number]): Traced => {
    const [a, b] = [node.get(link.from), node.get(link.to)]
    if (!a || !b)
      throw new Error(`route: connector ${link.id} ends at ${link.from} and ${link.to}, which layout did not place`)
    const inTree = fromParent?.(a, b) ?? null
    // A child that stands in by chance as far as a list would, or a second parent.
    const isOpen = inTree && ![...boxes, ...words].some((o) => o !== a.box && o !== b.box && entersBox(inTree, o))
    let points = isOpen ? inTree : null
    for (const factor of points || searching.left < 0 ? [] : CLEARANCES) {
      points = pathBetween(gridFor(factor), a, b, clear * factor, placed.flow, prices, ports, searching)
      if (points) break
    }
    return traced({ id: link.id, from: link.from, to: link.to, points: points ?? directLine(a.box, b.box) })
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
    const route = traced({ id: link.id, from: link.from, to: link.to, points })
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
    const named = new Map([
      ...placed.nodes.map((n) => [n.id, n.box] as const),
      ...words.map((w, i) => [`${i}`, w] as const),
    ])
    const room = { boxes: named, near, apart: size * 0.6, clear: clear * 0.4, slides }
    const inVain = new Map<string, readonly [Traced, Traced]>()
    // Runs that lay on each other may turn out to cross once they are parted.
    for (let round = 0; round < rounds; round++) {
      mendCrossings(inTurn, { done, lead, count, near, inVain, budget })
      spread([...wanted], done, count, room, budget)
    }
    if (rounds === 0) spread([...wanted], done, count, room, budget)
  }
  return placed.links.flatMap((l) => {
    const found = done.get(l.id)
    return found ? [{ id: l.id, from: l.from, to: l.to, points: found.points }] : []
  })
}

/** Words are kept off by less than nodes: the box that has the same free room around it when a node's is kept. */
const tightened = (words: Box, clear: number): Box =>
  inflate(words, Math.max(clear * 0.4 - clear, 1 - Math.min(words.width, words.height) / 2))

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
  searching: { left: number },
): Point[] | null {
  const terminals = (n: PlacedNode, other: PlacedNode, out: boolean): (Terminal & { side: Side })[] =>
    sides.flatMap((side) => {
      if (n.barOf !== null && isEnd(n.box, side)) return []
      const p = portFor(n, side, other)
      const stub = { x: p.x + outward[side].x * clearance, y: p.y + outward[side].y * clearance }
      const [xi, yi] = [lineAt(g.xs, stub.x), lineAt(g.ys, stub.y)]
      if (xi < 0 || yi < 0 || isClosed(g, xi, yi)) return []
      const price = out ? leaving[flow][side] : leaving[flow][opposite[side]]
      const heading = headingOf[out ? side : opposite[side]]
      return [{ xi, yi, heading, side, cost: (price + ports.price(n, side, out)) * prices.bend }]
    })
  const [starts, ends] = [terminals(a, b, true), terminals(b, a, false)]
  const found = cheapestPath(g, starts, ends, prices, searching)
  if (!found) return null
  const w = g.xs.length
  const sideOf = (t: Terminal, out: boolean) => sides[out ? t.heading : (t.heading + 2) % 4] as Side
  return withoutCollinear([
    portFor(a, sideOf(found.start, true), b),
    ...found.cells.map((c) => ({ x: g.xs[c % w] as number, y: g.ys[(c / w) | 0] as number })),
    portFor(b, sideOf(found.end, false), a),
  ])
}

/** Where a connector meets a side: its middle; a bar right across from what it leads to. */
function portFor(n: PlacedNode, side: Side, other: PlacedNode): Point {
  if (n.barOf === null) return portOf(n.box, side)
  const p = portOf(n.box, side)
  const c = centreOf(other.box)
  return n.box.width > n.box.height
    ? { x: Math.min(right(n.box), Math.max(n.box.x, c.x)), y: p.y }
    : { x: p.x, y: Math.min(bottom(n.box), Math.max(n.box.y, c.y)) }
}

/** The short side of a bar. */
const isEnd = (b: Box, side: Side): boolean => (side === 'left' || side === 'right') === b.width > b.height

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
  const length = ([p, q]: readonly [Point, Point]) => distance(p.x - q.x, p.y - q.y)
  const [p, q] = pairs.reduce((best, pair) => (length(pair) < length(best) ? pair : best))
  return Math.abs(p.x - q.x) < 0.5 || Math.abs(p.y - q.y) < 0.5 ? [p, q] : [p, { x: q.x, y: p.y }, q]
}
