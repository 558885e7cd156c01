/** What an arrangement draws besides nodes, as room that is taken and lines that are drawn; and the places of a region. For
 *  what looks for room in a finished picture. */
import type { NodeId } from '../figure'
import { cornersOf, cosine, distance, inflate, sine, union, type Box, type Point } from '../geometry'
import { decorBox, type Decor, type Placed } from './placed'

type Line = readonly [Point, Point]
type Room = { readonly solid: readonly Box[]; readonly lines: readonly Line[] }
type Of<K extends Decor['kind']> = Extract<Decor, { kind: K }>

const closed = (points: readonly Point[]): Line[] => points.map((p, i) => [p, points[(i + 1) % points.length] as Point])
/** A ring as a polygon that looks round. */
const PIECES = 48
const around = (centre: Point, radius: Point): Point[] =>
  Array.from({ length: PIECES }, (_, i) => {
    const angle = (2 * Math.PI * i) / PIECES
    return { x: centre.x + radius.x * cosine(angle), y: centre.y + radius.y * sine(angle) }
  })
const solid = (d: Decor): Room => ({ solid: [decorBox(d)], lines: [] })

const rooms: { readonly [K in Decor['kind']]: (d: Of<K>) => Room } = {
  words: solid,
  badge: solid,
  field: solid,
  // What stands in a set would be read as one of its members.
  set: solid,
  panel: solid,
  segment: solid,
  // Nodes stand on these.
  backing: solid,
  bar: solid,
  arcWords: solid,
  levelBand: () => ({ solid: [], lines: [] }),
  route: (d) => ({ solid: [], lines: d.points.slice(1).map((p, i) => [d.points[i] as Point, p] as const) }),
  lane: (d) => ({ solid: [d.header], lines: closed(cornersOf(d.box)) }),
  rule: (d) => ({ solid: [], lines: [[d.from, d.to]] }),
  ring: (d) => ({ solid: [], lines: closed(around(d.centre, { x: d.radius.x, y: d.radius.y })) }),
}
// The row belongs to the decor's own kind, which the compiler cannot see through the union.
const roomOf = (d: Decor): Room => (rooms[d.kind] as (d: Decor) => Room)(d)

export const decorSolid = (d: Decor): readonly Box[] => roomOf(d).solid
export const decorLines = (d: Decor): readonly Line[] => roomOf(d).lines

/** So many places of a drawing are looked at, each way. */
const GRID = 28

/** Places in the region of just these sets, clear of words; none where the arrangement draws no regions. */
export function regionPlaces(placed: Pick<Placed, 'nodes' | 'decor'>, sets: readonly NodeId[]): readonly Point[] {
  const all = placed.nodes.filter((n) => n.role === 'set').map((n) => n.id)
  const wanted = sets.map((id) => all.indexOf(id)).toSorted((a, b) => a - b)
  const panel = placed.decor.find(
    (d) => d.kind === 'panel' && d.sets.toSorted((a, b) => a - b).join() === wanted.join(),
  )
  if (panel)
    return closed(cornersOf(decorBox(panel))).flatMap(([a, b]) => [a, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }])
  const circles = placed.decor.flatMap((d) => (d.kind === 'set' ? [d] : []))
  if (circles.length === 0 || wanted.length === 0) return []
  const box = union(circles.map(decorBox))
  const words = placed.nodes.map((n) => inflate(n.box, 4))
  const inWords = (p: Point) => words.some((w) => p.x > w.x && p.x < w.x + w.width && p.y > w.y && p.y < w.y + w.height)
  const grid = Array.from({ length: GRID * GRID }, (_, i) => ({
    x: box.x + (((i % GRID) + 0.5) / GRID) * box.width,
    y: box.y + ((Math.floor(i / GRID) + 0.5) / GRID) * box.height,
  }))
  return grid.filter((p) => circles.every((c) => isInSet(p, c) === wanted.includes(c.tint)) && !inWords(p))
}

/** Whether a place lies in the circle or ellipse of a set. */
export function isInSet(p: Point, { centre, radius, tilt }: Of<'set'>): boolean {
  const angle = (-tilt * Math.PI) / 180
  const [dx, dy] = [p.x - centre.x, p.y - centre.y]
  const [x, y] = [dx * cosine(angle) - dy * sine(angle), dx * sine(angle) + dy * cosine(angle)]
  return distance(x / radius.x, y / radius.y) <= 1
}
