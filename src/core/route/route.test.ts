import { plainWardrobe } from '../style'
import { crossingsOf } from '../check'
import { centreOf, segments, type Point } from '../geometry'
import { routedFigure } from '../pipeline'
import { denseFigure } from '../testing/denseFigure'
import { seededFigure, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { mendCrossings } from './mendCrossings'
import { spread } from './spread'
import { traced, type Traced } from './judge'

const typesetter = shippedTypesetter()

/** px that two paths run on each other, both upright or both level. */
function onEachOther(a: readonly Point[], b: readonly Point[]): number {
  const covered = (
    [p, q]: readonly [Point, Point],
    [r, s]: readonly [Point, Point],
    off: 'x' | 'y',
    along: 'x' | 'y',
  ) => {
    const same = [q, r, s].every((o) => Math.abs(o[off] - p[off]) < 2)
    return same
      ? Math.min(Math.max(p[along], q[along]), Math.max(r[along], s[along])) -
          Math.max(Math.min(p[along], q[along]), Math.min(r[along], s[along]))
      : 0
  }
  return segments(a)
    .flatMap((one) =>
      segments(b).map((other) => Math.max(0, covered(one, other, 'x', 'y'), covered(one, other, 'y', 'x'))),
    )
    .reduce((sum, px) => sum + px, 0)
}

test.each(['process', 'concept'] as const)(
  'connectors of a %s that have no end in common hardly ever lie on each other, so that none can be followed wrongly',
  (kind) => {
    let [links, wrong] = [0, 0]
    for (let seed = 1; seed <= (process.env.SWEEP ? 60 : 36); seed++) {
      const figure = kind === 'process' ? seededFigure(seed, 'process', 24) : seededOfKind('concept', seed)
      const { routes } = routedFigure(
        { ...figure, arrangement: kind === 'process' ? 'down' : 'layers', frame: 'free' },
        plainWardrobe('light'),
        typesetter,
      )
      links += routes.length
      routes.forEach((a, i) => {
        for (const b of routes.slice(i + 1))
          if (a.from !== b.from && a.to !== b.to && onEachOther(a.points, b.points) > LINE) wrong++
      })
    }
    expect(links).toBeGreaterThan(700)
    expect(wrong / links).toBeLessThan(0.01)
  },
)
/** Shorter than a line of words is high. */
const LINE = 20

const PLENTY = { left: 1e9 }
const path = (id: string, ...points: [number, number][]): Traced =>
  traced({ id, from: `${id} from`, to: `${id} to`, points: points.map(([x, y]) => ({ x, y })) })

test('of two runs that lie on each other one is pushed aside, to where it crosses nothing and enters no node', () => {
  const done = new Map(
    [path('a', [0, 0], [0, 50], [200, 50], [200, 100]), path('b', [50, 0], [50, 50], [150, 50], [150, 100])].map(
      (r) => [r.id, r],
    ),
  )
  const counted = new Map<string, number>()
  const box = { x: 90, y: 56, width: 20, height: 20 }
  spread(
    ['b'],
    done,
    (r, by) => counted.set(r.id, (counted.get(r.id) ?? 0) + by),
    {
      boxes: new Map([['n', box]]),
      near: 6,
      apart: 10,
      clear: 4,
      slides: () => false,
    },
    PLENTY,
  )
  const [a, b] = [done.get('a') as Traced, done.get('b') as Traced]
  expect(a.points[1]).toEqual({ x: 0, y: 50 })
  expect(onEachOther(a.points, b.points)).toBe(0)
  expect(b.points[1]?.y).toBeLessThan(50)
  expect(counted.get('b')).toBe(0)
})

test('connectors that cross are led anew, also two by two, and left as they were where that does not help', () => {
  const link = (id: string) => ({
    id,
    from: `${id} from`,
    to: `${id} to`,
    best: false,
    beside: false,
    cross: false,
    label: null,
    look: {},
    heldRoute: null,
  })
  const across = path('a', [0, 50], [100, 50])
  const upright = path('b', [50, 0], [50, 100])
  const aside = path('b', [50, 0], [150, 0], [150, 100])
  const mended = (leads: Record<string, Traced>) => {
    const done = new Map([across, upright].map((r) => [r.id, r]))
    mendCrossings([link('a'), link('b')], {
      done,
      lead: (l) => leads[l.id] as Traced,
      count: () => undefined,
      near: 5,
      inVain: new Map(),
      budget: { ...PLENTY },
    })
    return [done.get('a'), done.get('b')]
  }
  expect(mended({ a: across, b: aside })).toEqual([across, aside])
  expect(mended({ a: across, b: upright })).toEqual([across, upright])
})

test('a figure too dense to be mended is drawn all the same, and the same twice', () => {
  const figure = denseFigure(40, 120)
  const drawn = () =>
    JSON.stringify(routedFigure(figure, plainWardrobe('light'), typesetter).routes.map((r) => [r.id, r.points]))
  const once = drawn()
  expect(JSON.parse(once)).toHaveLength(120)
  expect(drawn()).toBe(once)
})

test('a process of thirty steps has on average less than one crossing', () => {
  const counts = Array.from({ length: 20 }, (_, i) =>
    crossingsOf(
      routedFigure(
        { ...seededFigure(2000 + i, 'process', 30), arrangement: 'down', frame: 'free' },
        plainWardrobe('light'),
        typesetter,
      ),
    ),
  )
  expect(counts.reduce((sum, c) => sum + c, 0) / counts.length).toBeLessThan(1)
})

test('words of a connector stand where a person wants them along it, as far as there is room', () => {
  const shares = (place: 'start' | 'middle' | 'end') =>
    Array.from({ length: 24 }, (_, seed) => {
      const figure = seededOfKind(seed % 2 ? 'process' : 'concept', seed + 1)
      const links = Object.fromEntries(
        Object.entries(figure.links).map(([id, l]) => [id, { ...l, text: 'yes', look: { place } }]),
      )
      const routed = routedFigure(
        { ...figure, links, arrangement: seed % 4 === 0 ? 'organic' : '' },
        plainWardrobe('light'),
        typesetter,
      )
      return routed.routes.flatMap((r) => (r.label ? [shareAt(r.points, centreOf(r.label.box))] : []))
    })
      .flat()
      .toSorted((a, b) => a - b)
  const median = (list: readonly number[]) => list[Math.floor(list.length / 2)] ?? NaN
  const [start, middle, end] = [shares('start'), shares('middle'), shares('end')].map(median) as [
    number,
    number,
    number,
  ]
  expect(start).toBeLessThan(0.35)
  expect(Math.abs(middle - 0.5)).toBeLessThan(0.15)
  expect(end).toBeGreaterThan(0.65)
})

/** How far along a path the place next to a point lies, from 0 to 1. */
function shareAt(points: readonly Point[], p: Point): number {
  let [before, best, share] = [0, Infinity, 0]
  for (const [a, b] of segments(points)) {
    const length = Math.hypot(b.x - a.x, b.y - a.y)
    const t = Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / (length * length || 1)))
    const off = Math.hypot(a.x + (b.x - a.x) * t - p.x, a.y + (b.y - a.y) * t - p.y)
    if (off < best) [best, share] = [off, before + t * length]
    before += length
  }
  return share / (before || 1)
}
