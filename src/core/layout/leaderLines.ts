/** Lists that stand beside a drawing, each tied by a line to a place in its region: lines run through nobody's words and as
 *  level as can be. A place to begin is looked for in each region; lists of one side stand in the order of their lines. */
import { crossingPoint, distance, nearestPlaces, segmentEnters, type Box, type Point, type Size } from '../geometry'

export type Outside = {
  readonly list: Size
  /** The roomiest place of its region; null for what lies in no region. */
  readonly at: Point | null
  /** More places of the region. */
  readonly starts: readonly Point[]
}
export type Tied = { readonly centre: Point; readonly line: { readonly from: Point; readonly to: Point } | null }

type Side = -1 | 1
/** A place to begin at, and how high the line would best end. */
type Start = { readonly from: Point; readonly side: Side; readonly y: number; readonly cost: number }
/** So many places of a region are looked at, and so many assignments of all. */
const STARTS = 60
const TRIES = 80
/** To reach over to the other side costs so much of the drawing's width. */
const OVER = 0.35

/** `around` is the drawing with its titles; `words` are what no line may run through. */
export function tied(outside: readonly Outside[], around: Box, words: readonly Box[], gap: number): Tied[] {
  const options = outside.map((o) => startsOf(o, around, words))
  let chosen = options.map(() => 0)
  let best: { readonly tied: Tied[]; readonly wrong: readonly number[] } | null = null
  for (let i = 0; i < TRIES; i++) {
    const starts = options.map((list, k) => list[(chosen[k] as number) % Math.max(1, list.length)] ?? null)
    const now = placed(outside, starts, around, words, gap)
    const wrong = wrongOf(now, words)
    if (!best || wrong.length < best.wrong.length) best = { tied: now, wrong }
    if (wrong.length === 0) break
    // Those whose line is in the way of something begin elsewhere.
    const [first] = wrong
    chosen = chosen.map((c, k) => (k === first || (i % 3 === 2 && wrong.includes(k)) ? c + 1 : c))
  }
  return best?.tied ?? []
}

/** Where a list's line may begin, cheapest first: near the roomiest place, level, through no words. */
function startsOf({ at, starts }: Outside, around: Box, words: readonly Box[]): Start[] {
  if (!at) return []
  const every = Math.max(1, Math.ceil(starts.length / STARTS))
  const points = [at, ...starts.filter((_, i) => i % every === 0)]
  const middle = around.x + around.width / 2
  return points
    .flatMap((from) =>
      ([-1, 1] as const).flatMap((side) => {
        const x = side < 0 ? around.x : around.x + around.width
        const over = (from.x - middle) * side < 0 ? OVER * around.width : 0
        const met = words.filter((w) => segmentEnters(from, { x, y: from.y }, w))
        // Past what is in the way, above or below it.
        const passing = met.flatMap((w) => [w.y - w.height / 2, w.y + w.height * 1.5])
        return [from.y, ...passing].map((y): Start => {
          const through = words.filter((w) => segmentEnters(from, { x, y }, w)).length
          const off = distance(from.x - at.x, from.y - at.y) + Math.abs(y - from.y)
          return { from, side, y, cost: off + over + through * around.width * 2 }
        })
      }),
    )
    .toSorted((a, b) => a.cost - b.cost || a.from.y - b.from.y || a.from.x - b.from.x || a.side - b.side || a.y - b.y)
}

function placed(
  outside: readonly Outside[],
  starts: readonly (Start | null)[],
  around: Box,
  words: readonly Box[],
  gap: number,
): Tied[] {
  const out: Tied[] = []
  for (const side of [-1, 1] as const) {
    const own = [...outside.keys()]
      .filter((k) => (starts[k]?.side ?? 1) === side)
      .toSorted((a, b) => yOf(starts[a]) - yOf(starts[b]) || a - b)
    const size = (k: number | undefined) => (outside[k as number] as Outside).list
    const foot = around.y + around.height
    const wanted = own.map((k) => (starts[k] ? yOf(starts[k]) : foot))
    const rooms = own.slice(1).map((k, i) => (size(k).height + size(own[i]).height) / 2 + gap)
    nearestPlaces(wanted, rooms).forEach((y, i) => {
      const k = own[i] as number
      const { list, starts: more } = outside[k] as Outside
      const edge = side < 0 ? around.x - gap : around.x + around.width + gap
      const to = { x: edge, y }
      const from = starts[k] ? clearStart(starts[k].from, to, more, words) : null
      out[k] = { centre: { x: edge + side * (gap * 0.4 + list.width / 2), y }, line: from && { from, to } }
    })
  }
  return out
}
const yOf = (s: Start | null | undefined): number => s?.y ?? Infinity

/** As near to `at` as can be, where the line to the list is clear. */
function clearStart(at: Point, to: Point, more: readonly Point[], words: readonly Box[]): Point {
  if (!words.some((w) => segmentEnters(at, to, w))) return at
  const off = (p: Point) => distance(p.x - at.x, p.y - at.y)
  const clear = more.filter((p) => !words.some((w) => segmentEnters(p, to, w)))
  return clear.reduce<Point | null>((best, p) => (best === null || off(p) < off(best) ? p : best), null) ?? at
}

/** The lists whose lines run through words or cross each other. */
function wrongOf(list: readonly Tied[], words: readonly Box[]): number[] {
  const lines = list.map((t) => t.line)
  return lines.flatMap((l, k) => {
    if (!l) return []
    const through = words.some((w) => segmentEnters(l.from, l.to, w))
    const crosses = lines.some((o, i) => i < k && o && crossingPoint(l.from, l.to, o.from, o.to))
    return through || crosses ? [k] : []
  })
}
