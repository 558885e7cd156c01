/** Sets drawn by a construction of ellipses: lists stand in their regions where they fit, others beside the whole, at the end
 *  of a line; titles stand outside. */
import {
  boxAround,
  centreOf,
  overlaps,
  segmentEnters,
  union,
  type Box,
  type Point,
  type Size,
  cosine,
  distance,
  inflate,
  sine,
} from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { ellipsesOf, isOutside, placeFor, pointsIn, viewOf, type Ellipse } from './ellipses'
import { decorBox, type Arranged, type Decor } from './placed'
import { tied } from './leaderLines'
import { stack, type Region } from './regions'

/** How wide ellipses may grow to hold their lists without words smaller than styled; what does not fit stands outside. */
function widest(sized: Sized, unit: readonly Ellipse[]): number {
  const { frame, margin, body } = sized.style
  const one = union(unit.map((e, tint) => decorBox({ kind: 'set', ...e, tint })))
  if (!frame.width) return body.size * 40
  const height = frame.height ?? frame.width * 1.2
  return Math.min(((frame.width - 2 * margin) * 0.8) / one.width, ((height - 2 * margin) * 0.92) / one.height) * 1.05
}

/** How often what lines run through is pulled out, to stand beside the others. */
const PASSES = 4

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
  const views = ellipses.map(viewOf)
  const decor: Decor[] = ellipses.map((e, tint) => ({ kind: 'set', ...e, tint }))
  const boxes = new Map<string, Box>()
  const whole = union(decor.map(decorBox))
  const middle = centreOf(whole)
  const outside: Tie[] = []
  const within: Tie[] = []
  found.forEach((r, i) => {
    const p = places[i]
    if (p && p.needs <= width) {
      stack(r, p.at(width), sized, boxes)
      within.push({ r, at: p.at(width) })
    } else outside.push({ r, at: p?.at(width) ?? null })
  })
  const inside = boxes.size
  sets.forEach((s, i) => {
    if (boxes.has(s.id)) return
    const own = ellipses[i] as Ellipse
    const titles = [...boxes.values()].slice(inside)
    // Where nothing is in it that the title could stand over, it stands beside all, tied to the circle by a line.
    if (insideOf[i]?.length)
      return void outside.push({ r: regionOf(s, [...(insideOf[i] as number[]), i]), at: own.centre })
    const beside = own.radius.x === own.radius.y ? titleAround(own, s, views, titles, middle, margin) : null
    const wanted = beside ?? titleAtTip(own, s, middle, margin)
    const box = offOthers(boxAround(wanted, s), titles, middle)
    boxes.set(s.id, box)
  })
  let best = withLines([])
  let pulled = best.stuck
  for (let pass = 0; pass < PASSES && best.stuck.length > 0; pass++) {
    const next = withLines(pulled)
    pulled = [...pulled, ...next.stuck]
    if (next.stuck.length < best.stuck.length) best = next
  }
  return best.arranged

  /** The lists that found no room, tied to their regions, and those in `pulled` with them. `stuck` are the lists and titles
   *  that lines still run through. */
  function withLines(pulled: readonly Tie[]): { readonly arranged: Arranged; readonly stuck: readonly Tie[] } {
    const isPulled = (id: string) => pulled.some(({ r }) => r.members.some((m) => m.id === id))
    const placed = new Map([...boxes].filter(([id]) => !isPulled(id)))
    const marks = [...decor]
    const lists = [...outside, ...pulled]
    const words = [...placed.values()].map((b) => inflate(b, size * 0.1))
    const asked = lists.map(({ r, at }) => ({ list: r, at, starts: at ? pointsIn(unit, r.sets, width) : [] }))
    const lines = tied(asked, union([whole, ...placed.values()]), words, size)
    lines.forEach(({ centre, line }, i) => {
      stack((lists[i] as (typeof lists)[number]).r, centre, sized, placed)
      if (line)
        marks.push({ kind: 'rule', ...line }, { kind: 'badge', centre: line.from, radius: size * 0.18, block: null })
    })
    const drawn = lines.flatMap(({ line }) => line ?? [])
    const isMet = (box: Box) => drawn.some((l) => segmentEnters(l.from, l.to, box))
    const isFree = (box: Box, id: string) =>
      views.every((view) => isOutside(view, box)) &&
      !isMet(box) &&
      ![...placed].some(([other, b]) => other !== id && overlaps(b, inflate(box, size * 0.1)))
    // A title that a line had to run through goes somewhere else around its set.
    const titles = [...sets.entries()].flatMap(([i, s]): Tie[] => {
      const box = placed.get(s.id)
      if (!box || insideOf[i]?.length || isPulled(s.id) || !isMet(box)) return []
      const around = [1, 2.5, 4].flatMap((k) => seatsAround(ellipses[i] as Ellipse, s, margin * k))
      const off = (seat: Box) => distance(seat.x - box.x, seat.y - box.y)
      const nearest = around
        .filter((seat) => isFree(seat, s.id))
        .reduce<Box | null>((best, seat) => (best && off(best) <= off(seat) ? best : seat), null)
      if (nearest) placed.set(s.id, nearest)
      return nearest ? [] : [{ r: regionOf(s, [i]), at: tipOf(ellipses[i] as Ellipse, middle) }]
    })
    const covered = within.filter(({ r }) => r.members.some((m) => !isPulled(m.id) && isMet(placed.get(m.id) as Box)))
    return { arranged: { boxes: placed, flow: 'none', decor: marks }, stuck: [...titles, ...covered] }
  }
}

/** Beside a circle, as near to straight above it (below it, where it is in the lower half) as nothing is in the way; null
 *  where everything is. */
function titleAround(
  own: Ellipse,
  title: Size,
  all: readonly ReturnType<typeof viewOf>[],
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
    if (all.every((view) => isOutside(view, box)) && !titles.some((t) => overlaps(t, box))) return at
  }
  return null
}

/** Boxes for a title all around an ellipse, just outside of it. */
function seatsAround({ centre, radius, tilt }: Ellipse, title: Size, margin: number): Box[] {
  const angle = (tilt * Math.PI) / 180
  const turned = (x: number, y: number): Point => ({
    x: x * cosine(angle) - y * sine(angle),
    y: x * sine(angle) + y * cosine(angle),
  })
  return Array.from({ length: 72 }, (_, i) => {
    const [x, y] = [cosine((i * Math.PI) / 36), sine((i * Math.PI) / 36)]
    const [p, n] = [turned(x * radius.x, y * radius.y), turned(x / radius.x, y / radius.y)]
    const length = distance(n.x, n.y)
    const [ux, uy] = [n.x / length, n.y / length]
    const reach = margin + (Math.abs(ux) * title.width + Math.abs(uy) * title.height) / 2
    return boxAround({ x: centre.x + p.x + ux * reach, y: centre.y + p.y + uy * reach }, title)
  })
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

/** A list, and the place in the drawing that it belongs to. */
type Tie = { readonly r: Region; readonly at: Point | null }

const regionOf = (title: SizedNode, sets: readonly number[]): Region => ({
  sets: sets.toSorted((a, b) => a - b),
  members: [title],
  width: title.width,
  height: title.height,
})

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
