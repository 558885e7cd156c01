import { failingSeeds, random } from '../testing/seededFigure'
import {
  cornersOf,
  crossingPoint,
  crossingsBetween,
  leaves,
  segmentEnters,
  withoutCollinear,
  type Box,
  type Point,
} from '.'

const pointIn = (next: () => number): Point => ({ x: Math.round(next() * 40), y: Math.round(next() * 40) })
const boxIn = (next: () => number): Box => ({ ...pointIn(next), width: 1 + next() * 20, height: 1 + next() * 20 })
const along = (a: Point, b: Point, t: number): Point => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t })

test('a segment enters a box where one of many points along it lies well inside', () => {
  const failing = failingSeeds(1, 2000, (seed) => {
    const next = random(seed)
    const [a, b, box] = [pointIn(next), pointIn(next), boxIn(next)]
    const deep = Array.from({ length: 401 }, (_, i) => along(a, b, i / 400)).some(
      (p) => p.x > box.x + 0.1 && p.x < box.x + box.width - 0.1 && p.y > box.y + 0.1 && p.y < box.y + box.height - 0.1,
    )
    const near = Array.from({ length: 401 }, (_, i) => along(a, b, i / 400)).some(
      (p) => p.x > box.x - 0.2 && p.x < box.x + box.width + 0.2 && p.y > box.y - 0.2 && p.y < box.y + box.height + 0.2,
    )
    const said = segmentEnters(a, b, box)
    return (deep && !said) || (said && !near) ? `${JSON.stringify([a, b, box])} said ${said}` : null
  })
  expect(failing).toEqual([])
})

test('where two segments cross lies on both, whichever way they are given; parallels do not cross', () => {
  const failing = failingSeeds(1, 2000, (seed) => {
    const next = random(seed)
    const [a, b, c, d] = [pointIn(next), pointIn(next), pointIn(next), pointIn(next)]
    const at = crossingPoint(a, b, c, d)
    const turned = crossingPoint(d, c, b, a)
    if ((at === null) !== (turned === null)) return 'depends on the order'
    if (!at) return null
    const off = (p: Point, u: Point, v: Point) =>
      Math.abs(Math.hypot(p.x - u.x, p.y - u.y) + Math.hypot(p.x - v.x, p.y - v.y) - Math.hypot(u.x - v.x, u.y - v.y))
    return off(at, a, b) < 1e-6 && off(at, c, d) < 1e-6 ? null : JSON.stringify(at)
  })
  expect(failing).toEqual([])
  const p = (x: number, y: number) => ({ x, y })
  expect(crossingPoint(p(0, 0), p(10, 10), p(0, 5), p(10, 15))).toBeNull()
  expect(crossingPoint(p(0, 0), p(10, 10), p(0, 10), p(10, 0))).toEqual(p(5, 5))
})

test('a line leaves a box on its outline, on the way out', () => {
  const failing = failingSeeds(1, 1000, (seed) => {
    const next = random(seed)
    const box = boxIn(next)
    const inside = { x: box.x + box.width * (0.1 + 0.8 * next()), y: box.y + box.height * (0.1 + 0.8 * next()) }
    const angle = next() * 2 * Math.PI
    const outside = { x: inside.x + Math.cos(angle) * 60, y: inside.y + Math.sin(angle) * 60 }
    const at = leaves(cornersOf(box), inside, outside)
    const edge = Math.min(
      Math.abs(at.x - box.x),
      Math.abs(at.x - box.x - box.width),
      Math.abs(at.y - box.y),
      Math.abs(at.y - box.y - box.height),
    )
    const straight = Math.abs(
      Math.hypot(at.x - inside.x, at.y - inside.y) + Math.hypot(at.x - outside.x, at.y - outside.y) - 60,
    )
    return edge < 1e-6 && straight < 1e-6 ? null : `${edge} ${straight}`
  })
  expect(failing).toEqual([])
})

test('points on a straight way are dropped, also on a slanted one; corners stay', () => {
  const p = (x: number, y: number) => ({ x, y })
  expect(withoutCollinear([p(0, 0), p(1, 1), p(2, 2), p(2, 2), p(4, 2)])).toEqual([p(0, 0), p(2, 2), p(4, 2)])
})

/** A walk on a net, level and upright. */
function walk(next: () => number): Point[] {
  const points: Point[] = [{ x: Math.floor(next() * 9), y: Math.floor(next() * 9) }]
  for (let i = 0; i < 2 + next() * 5; i++) {
    const { x, y } = points.at(-1) as Point
    const by = Math.ceil(next() * 4) * (next() < 0.5 ? -1 : 1)
    points.push(i % 2 === 0 ? { x: x + by, y } : { x, y: y + by })
  }
  return withoutCollinear(points)
}

test('lines cross as often whichever is asked, turned round, and wherever they lie; never less than in plain sight', () => {
  const failing = failingSeeds(1, 1500, (seed) => {
    const next = random(seed)
    const [a, b] = [walk(next), walk(next)]
    const count = crossingsBetween(a, b)
    const moved = (list: Point[]) => list.map((p) => ({ x: p.x + 31, y: p.y - 17 }))
    const flipped = (list: Point[]) => list.map((p) => ({ x: -p.x, y: p.y }))
    const others = [
      crossingsBetween(b, a),
      crossingsBetween(a.toReversed(), b),
      crossingsBetween(moved(a), moved(b)),
      crossingsBetween(flipped(a), flipped(b)),
    ]
    let plain = 0
    for (let i = 1; i < a.length; i++)
      for (let k = 1; k < b.length; k++)
        if (crossingPoint(a[i - 1] as Point, a[i] as Point, b[k - 1] as Point, b[k] as Point)) plain++
    if (others.some((o) => o !== count)) return `${count} and ${others}`
    return plain <= count ? null : `${plain} in plain sight, ${count} counted`
  })
  expect(failing).toEqual([])
})

test('passing through a corner, or running along and leaving on the other side, is crossing; touching and meeting is not', () => {
  const line = (...xy: [number, number][]) => xy.map(([x, y]) => ({ x, y }))
  const corner = line([0, 5], [5, 5], [5, 10])
  expect(crossingsBetween(corner, line([5, 0], [5, 5], [10, 5]))).toBe(0)
  expect(crossingsBetween(corner, line([0, 8], [5, 5], [10, 2]))).toBe(1)
  expect(crossingsBetween(corner, line([5, 0], [5, 5], [3, 5], [3, 9]))).toBe(1)
  const along = line([0, 0], [10, 0])
  expect(crossingsBetween(along, line([2, -5], [2, 0], [6, 0], [6, 5]))).toBe(1)
  expect(crossingsBetween(along, line([2, -5], [2, 0], [6, 0], [6, -5]))).toBe(0)
  expect(crossingsBetween(along, line([4, 6], [4, 0], [10, 0]))).toBe(0)
})
