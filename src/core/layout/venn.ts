/** Arrangement `circles` of two or three sets: equal circles, the smallest in which every region that has members holds
 *  their list. A list is inside a region when its corners lie in the circles of that region and its nearest point to every
 *  other circle's centre is farther than the radius: exact, no sampling. Four and five sets stand in ellipses. */
import { boxAround, centreOf, overlaps, union, type Box, type Point, type Size } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { CONSTRUCTIONS, ellipsesOf, isOutside, placeFor, type Ellipse } from './ellipses'
import { circlesToScale } from './toScale'
import { decorBox, type Arranged, type Decor } from './placed'

/** A region by the sets it lies in, as indices, with the list that stands in it. */
type Region = {
  readonly sets: readonly number[]
  readonly members: readonly SizedNode[]
  readonly width: number
  readonly height: number
}

const LINE_GAP = 0.1
const GROWTH = 1.05

export function circles(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  if (sets.length === 4 || sets.length === 5) return inEllipses(sized, sets, found, CONSTRUCTIONS[sets.length])
  if (sets.length < 2 || sets.length > 5) return panels(sized)
  const size = sized.style.body.size
  const least = Math.max(size * 6, ...found.map((r) => Math.hypot(r.width, r.height) / 2))
  for (let radius = least; ; radius *= GROWTH)
    for (const spread of SPREADS[sets.length as 2 | 3]) {
      const centres = centresOf(sets.length, radius * spread)
      const places = found.map((r) => placeIn(r, centres, radius, size * 0.4))
      if (places.every((p): p is Point => p !== null) || radius > least * 40)
        return arranged(sized, sets, found, places, centres, radius)
    }
}

/** Arrangement `toScale`: circles as large as what lies in them. */
export function scaled(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  const weights = found.map((r) => ({ sets: r.sets, weight: r.members.reduce((s, m) => s + m.weight, 0) }))
  const unit = circlesToScale(sets.length, weights)
  return unit ? inEllipses(sized, sets, found, unit) : circles(sized)
}

/** Distance of the centres from their middle, in radii, roomiest lens last. */
const SPREADS = { 2: [0.62, 0.55, 0.48, 0.7], 3: [0.66, 0.6, 0.72, 0.54] } as const

const centresOf = (count: number, distance: number): Point[] =>
  count === 2
    ? [
        { x: -distance, y: 0 },
        { x: distance, y: 0 },
      ]
    : [-150, -30, 90].map((a) => ({
        x: Math.cos((a * Math.PI) / 180) * distance,
        y: Math.sin((a * Math.PI) / 180) * distance,
      }))

function regions(sized: Sized, sets: readonly SizedNode[]): Region[] {
  const byKey = new Map<string, { sets: number[]; members: SizedNode[] }>()
  for (const n of sized.nodes) {
    if (n.role === 'set') continue
    const own = n.memberOf
      .map((id) => sets.findIndex((s) => s.id === id))
      .filter((i) => i >= 0)
      .toSorted((a, b) => a - b)
    const key = own.join()
    const region = byKey.get(key) ?? { sets: own, members: [] }
    region.members.push(n)
    byKey.set(key, region)
  }
  const gap = sized.style.body.size * LINE_GAP
  return [...byKey.values()]
    .toSorted((a, b) => a.sets.length - b.sets.length || (a.sets.join() < b.sets.join() ? -1 : 1))
    .map((r) => ({
      ...r,
      width: Math.max(...r.members.map((m) => m.width)),
      height: r.members.reduce((s, m) => s + m.height + gap, -gap),
    }))
}

/** Where the middle of a region's list can stand: the place nearest to where the region is roomiest; null when none. */
function placeIn(r: Region, centres: readonly Point[], radius: number, margin: number): Point | null {
  const fits = (c: Point): boolean => {
    const [w, h] = [r.width / 2, r.height / 2]
    return centres.every((o, i) => {
      const [dx, dy] = [Math.abs(c.x - o.x), Math.abs(c.y - o.y)]
      return r.sets.includes(i)
        ? Math.hypot(dx + w, dy + h) <= radius - margin
        : Math.hypot(Math.max(0, dx - w), Math.max(0, dy - h)) >= radius + margin
    })
  }
  const inside = centres.filter((_, i) => r.sets.includes(i))
  const outside = centres.filter((_, i) => !r.sets.includes(i))
  if (inside.length === 0) return outsideAll(r, centres, radius, margin)
  // The middle of the region's own circles, away from the others: the axis on which the region is widest.
  const mean = (ps: readonly Point[]): Point => ({
    x: ps.reduce((s, p) => s + p.x, 0) / Math.max(1, ps.length),
    y: ps.reduce((s, p) => s + p.y, 0) / Math.max(1, ps.length),
  })
  const [from, away] = [mean(inside), mean(outside)]
  const [dx, dy] = outside.length === 0 ? [0, 0] : [from.x - away.x, from.y - away.y]
  const length = Math.hypot(dx, dy) || 1
  const steps = 48
  const good: Point[] = []
  for (let i = 0; i <= steps; i++)
    for (const side of outside.length === 0 || inside.length > 1 ? [0] : [0, 0.12, -0.12, 0.24, -0.24]) {
      const t = (i / steps) * radius * 1.4
      const p = {
        x: from.x + (dx / length) * t - (dy / length) * side * radius,
        y: from.y + (dy / length) * t + (dx / length) * side * radius,
      }
      if (fits(p)) good.push(p)
    }
  return good[Math.floor(good.length / 2)] ?? null
}

const outsideAll = (r: Region, centres: readonly Point[], radius: number, margin: number): Point => ({
  x: Math.max(...centres.map((c) => c.x)) + radius + margin + r.width / 2,
  y: Math.max(...centres.map((c) => c.y)) + radius - r.height / 2,
})

function arranged(
  sized: Sized,
  sets: readonly SizedNode[],
  found: readonly Region[],
  places: readonly (Point | null)[],
  centres: readonly Point[],
  radius: number,
): Arranged {
  const boxes = new Map<string, Box>()
  found.forEach((r, i) => stack(r, places[i] ?? { x: 0, y: radius * 3 + i * 10 }, sized, boxes))
  const gap = sized.style.body.size * 0.4
  sets.forEach((s, i) => {
    const c = centres[i] as Point
    const below = c.y > radius * 0.2
    // Titles of neighbours lean outwards, so that they never meet.
    const x = sets.length === 2 || !below ? c.x + Math.sign(c.x) * radius * 0.25 : c.x
    const lean = Math.sqrt(Math.max(0, radius * radius - (x - c.x) ** 2))
    const y = below ? c.y + lean + gap + s.height / 2 : c.y - lean - gap - s.height / 2
    boxes.set(s.id, { x: x - s.width / 2, y: y - s.height / 2, width: s.width, height: s.height })
  })
  const titles = sets.map((s) => boxes.get(s.id) as Box)
  const [first, second] = titles
  if (first && second && first.x + first.width + gap > second.x) {
    const push = (first.x + first.width + gap - second.x) / 2
    boxes.set((sets[0] as SizedNode).id, { ...first, x: first.x - push })
    boxes.set((sets[1] as SizedNode).id, { ...second, x: second.x + push })
  }
  const round = { x: radius, y: radius }
  const decor = centres.map((centre, tint): Decor => ({ kind: 'set', centre, radius: round, tilt: 0, tint }))
  return { boxes, flow: 'none', decor }
}

function stack(r: Region, middle: Point, sized: Sized, boxes: Map<string, Box>): void {
  let top = middle.y - r.height / 2
  for (const m of r.members) {
    boxes.set(m.id, { x: middle.x - m.width / 2, y: top, width: m.width, height: m.height })
    top += m.height + sized.style.body.size * LINE_GAP
  }
}

/** How wide ellipses may grow to hold their lists without words smaller than styled; what does not fit stands outside. */
function widest(sized: Sized, unit: readonly Ellipse[]): number {
  const { frame, margin, body } = sized.style
  const one = union(unit.map((e, tint) => decorBox({ kind: 'set', ...e, tint })))
  if (!frame.width) return body.size * 40
  const height = frame.height ?? frame.width * 1.2
  return Math.min(((frame.width - 2 * margin) * 0.8) / one.width, ((height - 2 * margin) * 0.92) / one.height) * 1.05
}

function inEllipses(
  sized: Sized,
  sets: readonly SizedNode[],
  found: readonly Region[],
  unit: readonly Ellipse[],
): Arranged {
  const size = sized.style.body.size
  const margin = size * 0.4
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
    const own = ellipses[i] as Ellipse
    const titles = [...boxes.values()].slice(inside)
    const within = ellipses.some((e) => e !== own && isWithin(own, e))
    const foot = { x: own.centre.x, y: own.centre.y + own.radius.y }
    const below = { x: foot.x, y: whole.y + whole.height + size + s.height / 2 }
    const beside = own.radius.x === own.radius.y ? titleAround(own, s, ellipses, titles, middle, margin) : null
    const wanted = within ? below : (beside ?? titleAtTip(own, s, middle, margin))
    const box = offOthers(boxAround(wanted, s), titles, middle)
    boxes.set(s.id, box)
    // The title of a circle inside another stands below all, tied to it by a line.
    if (within) decor.push({ kind: 'rule', from: foot, to: { x: foot.x, y: box.y } })
  })
  const taken = union([whole, ...boxes.values()])
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
        decor.push({ kind: 'rule', from: at, to: { x: x - (side * r.width) / 2 - side * margin, y } })
        decor.push({ kind: 'badge', centre: at, radius: size * 0.18 })
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
    const [x, y] = [Math.cos(angle), Math.sin(angle)]
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

const isWithin = (inner: Ellipse, outer: Ellipse): boolean =>
  Math.hypot(inner.centre.x - outer.centre.x, inner.centre.y - outer.centre.y) + inner.radius.x <= outer.radius.x

/** The end of an ellipse's long axis that lies farther from a point. */
function tipOf({ centre, radius, tilt }: Ellipse, from: Point): Point {
  const angle = (tilt * Math.PI) / 180
  const [dx, dy] = [Math.cos(angle) * radius.x, Math.sin(angle) * radius.x]
  const tips = [
    { x: centre.x + dx, y: centre.y + dy },
    { x: centre.x - dx, y: centre.y - dy },
  ] as const
  const far = (p: Point) => Math.hypot(p.x - from.x, p.y - from.y)
  return far(tips[0]) > far(tips[1]) ? tips[0] : tips[1]
}

/** Arrangement `panels`: the sets as headings of columns, then a column for every combination that has members. */
export function panels(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  const size = sized.style.body.size
  const boxes = new Map<string, Box>()
  const rowGap = size * 1.2
  const columnWidth = Math.max(
    ...sets.map((s) => s.width),
    ...found.map((r) => (r.width - (r.sets.length - 1) * size) / Math.max(1, r.sets.length)),
    size * 6,
  )
  const left = (i: number) => i * (columnWidth + size)
  const headHeight = Math.max(0, ...sets.map((s) => s.height))
  sets.forEach((s, i) =>
    boxes.set(s.id, {
      x: left(i) + (columnWidth - s.width) / 2,
      y: (headHeight - s.height) / 2,
      width: s.width,
      height: s.height,
    }),
  )
  // A panel reaches across the columns from its first to its last set; a dot marks each set it really lies in.
  const decor: Decor[] = []
  let top = headHeight + rowGap
  for (const r of found.toSorted((a, b) => b.sets.length - a.sets.length)) {
    const [first, last] = [Math.min(...r.sets, sets.length - 1), Math.max(...r.sets, 0)]
    const [x1, x2] = [left(Math.min(first, last)), left(Math.max(first, last)) + columnWidth]
    const dots = size * 1.6
    const [width, height] = [Math.max(x2 - x1, r.width + size), r.height + dots + size * 0.4]
    decor.push({
      kind: 'panel',
      box: { x: x1, y: top, width, height },
      dots: r.sets.map((i) => ({ x: left(i) + columnWidth / 2, y: top + dots / 2 })),
    })
    stack(r, { x: x1 + width / 2, y: top + dots + r.height / 2 }, sized, boxes)
    top += height + rowGap
  }
  return { boxes, flow: 'none', decor }
}
