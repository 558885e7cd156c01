/** Sets drawn by a construction of ellipses: lists stand in their regions where they fit, others beside the whole, at the end
 *  of a line; titles stand outside. */
import {
  boxAround,
  centreOf,
  overlaps,
  union,
  type Box,
  type Point,
  type Size,
  cosine,
  distance,
  inflate,
  segmentEnters,
  sine,
} from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { ellipsesOf, isOutside, placeFor, pointsIn, type Ellipse } from './ellipses'
import { decorBox, type Arranged, type Decor } from './placed'
import { stack, type Region } from './regions'

/** How wide ellipses may grow to hold their lists without words smaller than styled; what does not fit stands outside. */
function widest(sized: Sized, unit: readonly Ellipse[]): number {
  const { frame, margin, body } = sized.style
  const one = union(unit.map((e, tint) => decorBox({ kind: 'set', ...e, tint })))
  if (!frame.width) return body.size * 40
  const height = frame.height ?? frame.width * 1.2
  return Math.min(((frame.width - 2 * margin) * 0.8) / one.width, ((height - 2 * margin) * 0.92) / one.height) * 1.05
}

export function inEllipses(
  sized: Sized,
  sets: readonly SizedNode[],
  given: readonly Region[],
  unit: readonly Ellipse[],
): Arranged {
  const size = sized.style.body.size
  const margin = size * 0.4
  // The title of a circle inside another stands in it, over what it holds.
  const insideOf = unit.map((own) => unit.flatMap((e, i) => (e !== own && isWithin(own, e) ? [i] : [])))
  const home = (s: number) =>
    given.find(
      (r) =>
        insideOf[s]?.length && r.sets.join() === [...(insideOf[s] as number[]), s].toSorted((a, b) => a - b).join(),
    )
  const found = given.map((r) => sets.reduce((list, s, i) => (home(i) === r ? titled(list, s, size) : list), r))
  const places = found.map((r) =>
    r.sets.length === 0 ? null : placeFor(unit, r.sets, { width: r.width + margin, height: r.height + margin }),
  )
  const most = widest(sized, unit)
  const width = Math.min(most, Math.max(most * 0.7, ...places.map((p) => p?.needs ?? 0)))
  const ellipses = ellipsesOf(unit, width)
  const decor: Decor[] = ellipses.map((e, tint) => ({ kind: 'set', ...e, tint }))
  const boxes = new Map<string, Box>()
  const whole = union(decor.map(decorBox))
  const middle = centreOf(whole)
  const outside: { readonly r: Region; readonly at: Point | null }[] = []
  found.forEach((r, i) => {
    const p = places[i]
    if (p && p.needs <= width) stack(r, p.at(width), sized, boxes)
    else outside.push({ r, at: p?.at(width) ?? null })
  })
  const inside = boxes.size
  sets.forEach((s, i) => {
    if (boxes.has(s.id)) return
    const own = ellipses[i] as Ellipse
    const titles = [...boxes.values()].slice(inside)
    const within = ellipses.some((e) => e !== own && isWithin(own, e))
    const foot = { x: own.centre.x, y: own.centre.y + own.radius.y }
    const below = { x: foot.x, y: whole.y + whole.height + size + s.height / 2 }
    const beside = own.radius.x === own.radius.y ? titleAround(own, s, ellipses, titles, middle, margin) : null
    const wanted = within ? below : (beside ?? titleAtTip(own, s, middle, margin))
    const box = offOthers(boxAround(wanted, s), titles, middle)
    boxes.set(s.id, box)
    // Where nothing is in it that the title could stand over, it stands below all, tied to it by a line.
    if (within) decor.push({ kind: 'rule', from: foot, to: { x: foot.x, y: box.y } })
  })
  const taken = union([whole, ...boxes.values()])
  const words = [...boxes.values()].map((b) => inflate(b, size * 0.1))
  for (const side of [-1, 1] as const) {
    const own = outside
      .filter(({ at }) => (at ? (at.x < middle.x ? -1 : 1) : 1) === side)
      .toSorted((a, b) => (a.at?.y ?? Infinity) - (b.at?.y ?? Infinity))
    const high = own.reduce((s, { r }) => s + r.height + size, -size)
    let top = middle.y - high / 2
    for (const { r, at } of own) {
      const x = side < 0 ? taken.x - size * 1.5 - r.width / 2 : taken.x + taken.width + size * 1.5 + r.width / 2
      const y = top + r.height / 2
      stack(r, { x, y }, sized, boxes)
      if (at) {
        const to = { x: x - (side * r.width) / 2 - side * margin, y }
        const from = clearStart(at, to, pointsIn(unit, r.sets, width), words)
        decor.push({ kind: 'rule', from, to })
        decor.push({ kind: 'badge', centre: from, radius: size * 0.18 })
      }
      top += r.height + size
    }
  }
  return { boxes, flow: 'none', decor }
}

/** Beside a circle, as near to straight above it (below it, where it is in the lower half) as nothing is in the way; null
 *  where everything is. */
function titleAround(
  own: Ellipse,
  title: Size,
  all: readonly Ellipse[],
  titles: readonly Box[],
  middle: Point,
  margin: number,
): Point | null {
  const straight = own.centre.y > middle.y + own.radius.y * 0.2 ? 90 : -90
  const turns = Array.from({ length: 24 }, (_, i) => (i % 2 ? -1 : 1) * Math.ceil(i / 2) * 15)
  for (const turn of turns) {
    const angle = ((turn + straight) * Math.PI) / 180
    const [x, y] = [cosine(angle), sine(angle)]
    const reach = own.radius.x + margin + (Math.abs(x) * title.width + Math.abs(y) * title.height) / 2
    const at = { x: own.centre.x + x * reach, y: own.centre.y + y * reach }
    const box = boxAround(at, title)
    if (all.every((e) => isOutside(e, box)) && !titles.some((t) => overlaps(t, box))) return at
  }
  return null
}

/** Where an ellipse reaches farthest from the middle of the whole. */
function titleAtTip(own: Ellipse, title: Size, middle: Point, margin: number): Point {
  const tip = tipOf(own, middle)
  const away = { x: Math.sign(tip.x - middle.x) || 1, y: Math.sign(tip.y - middle.y) || 1 }
  return Math.abs(tip.y - middle.y) > Math.abs(tip.x - middle.x)
    ? { x: tip.x, y: tip.y + (away.y * (title.height + margin * 2)) / 2 }
    : { x: tip.x + (away.x * (title.width + margin * 2)) / 2, y: tip.y }
}

/** A box moved up or down, away from the middle, until it is off the others. */
function offOthers(box: Box, others: readonly Box[], middle: Point): Box {
  const away = centreOf(box).y < middle.y ? -1 : 1
  const met = others.find((o) => overlaps(o, box))
  if (!met) return box
  const y = away < 0 ? met.y - box.height : met.y + met.height
  return offOthers({ ...box, y: y + away }, others, middle)
}

/** Where in its region a line begins that runs through nobody's words: as near to `at` as can be. */
function clearStart(at: Point, to: Point, points: readonly Point[], words: readonly Box[]): Point {
  if (!words.some((w) => segmentEnters(at, to, w))) return at
  const off = (p: Point) => distance(p.x - at.x, p.y - at.y)
  const clear = points.filter((p) => !words.some((w) => segmentEnters(p, to, w)))
  return clear.reduce<Point | null>((best, p) => (best === null || off(p) < off(best) ? p : best), null) ?? at
}

const titled = (r: Region, title: SizedNode, size: number): Region => ({
  ...r,
  members: [title, ...r.members],
  width: Math.max(r.width, title.width),
  height: r.height + title.height + size * 0.1,
})

const isWithin = (inner: Ellipse, outer: Ellipse): boolean =>
  distance(inner.centre.x - outer.centre.x, inner.centre.y - outer.centre.y) + inner.radius.x <= outer.radius.x

/** The end of an ellipse's long axis that lies farther from a point. */
function tipOf({ centre, radius, tilt }: Ellipse, from: Point): Point {
  const angle = (tilt * Math.PI) / 180
  const [dx, dy] = [cosine(angle) * radius.x, sine(angle) * radius.x]
  const tips = [
    { x: centre.x + dx, y: centre.y + dy },
    { x: centre.x - dx, y: centre.y - dy },
  ] as const
  const far = (p: Point) => distance(p.x - from.x, p.y - from.y)
  return far(tips[0]) > far(tips[1]) ? tips[0] : tips[1]
}
