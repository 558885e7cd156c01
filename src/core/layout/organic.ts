/** Arrangement `organic` of concept maps: near on the page what is near by links. Stress majorization after Gansner, Koren,
 *  North 2004, "Graph Drawing by Stress Majorization", from a circle in the order of the text, so that the same map always
 *  gives the same picture; turned so that it is longest across or down, whichever leaves words larger; then nodes are
 *  pushed apart until none covers another. */
import { boxAround, overlaps, inflate, union, type Box, type Point, cosine, distance, sine } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { frameAspect } from './frameAspect'
import { layered } from './layered/layered'
import { inParts, partsOf } from './parts'
import type { Arranged } from './placed'
import { spreadForWords } from './straightLabels'

const ROUNDS = 120
/** All pairs are looked at in every round; beyond this a layered drawing is clearer anyway. */
const MOST = 150

export function organic(sized: Sized): Arranged {
  const aspect = frameAspect(sized)
  const spread = new Map(partsOf(sized).map((part) => [firstOf(part), spreadOf(part)]))
  // Words are wider than high, and so may be what lies between them.
  const stretches = [1, Math.sqrt(Math.min(1.8, Math.max(0.7, aspect)))]
  const tries = [true, false].flatMap((lying) =>
    stretches.map((stretch) => inParts(sized, (p) => boxed(p, spread.get(firstOf(p)) ?? null, lying, stretch))),
  )
  /** The height of the frame that holds all of it. */
  const needed = ({ boxes }: Arranged): number => {
    const { width, height } = union([...boxes.values()])
    return Math.max(width / aspect, height)
  }
  return tries.reduce((best, next) => (needed(next) < needed(best) - 1e-6 ? next : best))
}

const firstOf = (part: Sized): string => part.nodes[0]?.id ?? ''

/** Where links alone would have the middles of the nodes; null where there are too many to be asked. */
function spreadOf(part: Sized): readonly Point[] | null {
  if (part.nodes.length > MOST) return null
  const wanted = distances(part, gapOf(part))
  let places = circle(part.nodes.length, Math.max(...wanted.flat(), 1) / 2)
  for (let round = 0; round < ROUNDS; round++) places = majorized(places, wanted)
  return places
}

const gapOf = (sized: Sized): number => sized.style.gap.beside * 0.6

function boxed(part: Sized, places: readonly Point[] | null, lying: boolean, stretch: number): Arranged {
  if (!places) return layered(part, lying ? 'across' : 'down')
  const boxes = turned(places, lying).map((p, i): Box => {
    const at = { x: p.x * stretch, y: p.y / stretch }
    return boxAround(at, part.nodes[i] as SizedNode)
  })
  const named = apart(boxes, gapOf(part)).map((b, i) => [(part.nodes[i] as SizedNode).id, b] as const)
  return { boxes: spreadForWords(part, new Map(named)), flow: 'straight', decor: [] }
}

/** Turned about their middle until they lie, or stand, as long as they are: the greater eigenvector of how they spread. */
function turned(places: readonly Point[], lying: boolean): Point[] {
  const mean = (of: (p: Point) => number) => places.reduce((sum, p) => sum + of(p), 0) / Math.max(1, places.length)
  const [x, y] = [mean((p) => p.x), mean((p) => p.y)]
  const from = places.map((p) => ({ x: p.x - x, y: p.y - y }))
  const [a, b, c] = [mean((p) => (p.x - x) ** 2), mean((p) => (p.x - x) * (p.y - y)), mean((p) => (p.y - y) ** 2)]
  const greater = (a + c) / 2 + distance((a - c) / 2, b)
  const axis = Math.abs(b) < 1e-9 ? { x: a >= c ? 1 : 0, y: a >= c ? 0 : 1 } : { x: greater - c, y: b }
  const length = distance(axis.x, axis.y)
  const [cos, sin] = [axis.x / length, axis.y / length]
  return from.map((p) => {
    const [along, beside] = [p.x * cos + p.y * sin, p.y * cos - p.x * sin]
    return lying ? { x: along, y: beside } : { x: -beside, y: along }
  })
}

/** Wanted distances of all pairs: along the shortest way, each link as long as its ends and its words need. What no way
 *  joins stands a little farther than the farthest pair. */
function distances(sized: Sized, gap: number): number[][] {
  const index = new Map(sized.nodes.map((n, i) => [n.id, i]))
  const reach = (i: number) => {
    const n = sized.nodes[i] as (typeof sized.nodes)[number]
    return n.width * 0.3 + n.height * 0.2
  }
  const d = sized.nodes.map((_, i) => sized.nodes.map((_, k) => (i === k ? 0 : Infinity)))
  for (const l of sized.links) {
    const [a, b] = [index.get(l.from) as number, index.get(l.to) as number]
    if (a === b) continue
    const length = reach(a) + reach(b) + gap * 1.4 + (l.label ? l.label.width + l.label.height * 0.5 : 0)
    const row = [d[a], d[b]] as [number[], number[]]
    row[0][b] = row[1][a] = Math.min(row[0][b] as number, length)
  }
  // Floyd 1962, Warshall 1962.
  d.forEach((via, k) =>
    d.forEach((row) => {
      const first = row[k] as number
      if (first === Infinity) return
      via.forEach((second, j) => {
        if (first + second < (row[j] as number)) row[j] = first + second
      })
    }),
  )
  const farthest = Math.max(1, ...d.flat().filter((x) => x !== Infinity))
  return d.map((row) => row.map((x) => (x === Infinity ? farthest * 0.8 + gap : x)))
}

const circle = (count: number, radius: number): Point[] =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count
    // Slightly different radii: no three on a line, so that no force is without direction.
    const r = radius * (1 + 0.1 * sine(i * 7.3))
    return { x: cosine(angle) * r, y: sine(angle) * r }
  })

/** One round: every node to where the others want it, far ones counting less by the square of their distance. */
function majorized(places: readonly Point[], wanted: readonly (readonly number[])[]): Point[] {
  const now = [...places]
  now.forEach((_, i) => {
    const p = now[i] as Point
    let [x, y, weight] = [0, 0, 0]
    now.forEach((q, k) => {
      if (k === i) return
      const d = wanted[i]?.[k] ?? 1
      const w = 1 / (d * d)
      const length = distance(p.x - q.x, p.y - q.y) || 1e-6
      x += w * (q.x + (d * (p.x - q.x)) / length)
      y += w * (q.y + (d * (p.y - q.y)) / length)
      weight += w
    })
    if (weight > 0) now[i] = { x: x / weight, y: y / weight }
  })
  return now
}

const MAX_PUSHES = 400

/** Pairs that cover each other move apart by halves, along the axis on which that is less. */
function apart(boxes: readonly Box[], gap: number): Box[] {
  const out = [...boxes]
  for (let push = 0; push < MAX_PUSHES; push++) {
    let moved = false
    for (let i = 0; i < out.length; i++)
      for (let k = i + 1; k < out.length; k++) {
        const [a, b] = [out[i] as Box, out[k] as Box]
        if (!overlaps(inflate(a, gap / 2), inflate(b, gap / 2))) continue
        moved = true
        const dx = b.x + b.width / 2 - a.x - a.width / 2
        const dy = b.y + b.height / 2 - a.y - a.height / 2
        const [byX, byY] = [
          (a.width + b.width) / 2 + gap - Math.abs(dx),
          (a.height + b.height) / 2 + gap - Math.abs(dy),
        ]
        // A little more than needed, so that rounding does not leave them touching for ever.
        const [x, y] = byX < byY ? [(byX / 2 + 0.5) * (dx < 0 ? -1 : 1), 0] : [0, (byY / 2 + 0.5) * (dy < 0 ? -1 : 1)]
        out[i] = { ...a, x: a.x - x, y: a.y - y }
        out[k] = { ...b, x: b.x + x, y: b.y + y }
      }
    if (!moved) return out
  }
  return out
}
