/** What must hold of a laid-out and routed figure. An oracle: it shares no code with the stages it judges but geometry. */
import {
  contains,
  overlaps,
  segmentEnters,
  segments,
  shapes,
  boxAround,
  centreOf,
  crossingsBetween,
  type Point,
  distance,
} from '../geometry'
import { standingIn } from '../measure'
import type { Routed } from '../route'

export type Fault = {
  readonly code:
    | 'nodes-overlap'
    | 'text-outside'
    | 'text-on-text'
    | 'loose-connector'
    | 'connector-through-node'
    | 'slanted-connector'
    | 'label-on-node'
    | 'label-on-label'
    | 'connector-through-label'
    | 'words-on-node'
    | 'rule-through-node'
  readonly what: string
}

/** Flows whose connectors run in any direction. */
const FREE: readonly string[] = ['straight', 'ring']
/** Nobody sees less, in px. */
const SLANT = 0.05

export function routedFaults(routed: Routed): Fault[] {
  const boxes = routed.nodes.map((n) => ({ id: n.id, box: n.box }))
  const faults: Fault[] = []
  boxes.forEach((a, i) => {
    for (const b of boxes.slice(i + 1))
      if (overlaps(a.box, b.box)) faults.push({ code: 'nodes-overlap', what: `${a.id} and ${b.id}` })
  })
  for (const n of routed.nodes.filter((m) => m.barOf === null)) {
    const { words, icon } = standingIn(n, n.box, routed)
    const parts = [...words.map((w) => boxAround(w.centre, w.block)), ...(icon ? [icon] : [])]
    if (!parts.every((p) => contains(shapes[n.shape].room(n.box), p))) faults.push({ code: 'text-outside', what: n.id })
    if (parts.some((p, i) => parts.slice(i + 1).some((o) => overlaps(p, o))))
      faults.push({ code: 'text-on-text', what: n.id })
  }
  for (const r of routed.routes) {
    const node = (id: string) => routed.nodes.find((n) => n.id === id)
    const [a, b] = [node(r.from), node(r.to)]
    if (!a || !b || !onOutline(a, r.points[0]) || !onOutline(b, r.points.at(-1)))
      faults.push({ code: 'loose-connector', what: r.id })
    for (const [p, q] of segments(r.points)) {
      if (!FREE.includes(routed.flow) && Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y)) > SLANT)
        faults.push({ code: 'slanted-connector', what: r.id })
      for (const other of boxes)
        if (other.id === r.from || other.id === r.to ? goesInto(node(other.id), p, q) : segmentEnters(p, q, other.box))
          faults.push({ code: 'connector-through-node', what: `${r.id} through ${other.id}` })
    }
    const label = r.label
    if (label)
      for (const other of boxes)
        if (overlaps(label.box, other.box)) faults.push({ code: 'label-on-node', what: `${r.id} on ${other.id}` })
  }
  const labels = routed.routes.flatMap((r) => (r.label ? [{ id: r.id, box: r.label.box }] : []))
  labels.forEach((a, i) => {
    for (const b of labels.slice(i + 1))
      if (overlaps(a.box, b.box)) faults.push({ code: 'label-on-label', what: `${a.id} and ${b.id}` })
  })
  for (const r of routed.routes)
    for (const { id, box } of labels)
      if (id !== r.id && segments(r.points).some(([p, q]) => segmentEnters(p, q, box)))
        faults.push({ code: 'connector-through-label', what: `${r.id} through that of ${id}` })
  // What a person puts on a title stands there.
  const free = routed.nodes.every((n) => n.held === null)
  for (const d of routed.decor)
    if (d.kind === 'rule' && free)
      for (const other of boxes)
        if (segmentEnters(d.from, d.to, other.box)) faults.push({ code: 'rule-through-node', what: other.id })
  for (const d of routed.decor)
    if (d.kind === 'words' && free)
      for (const other of boxes)
        if (overlaps(boxAround(d.centre, d.block), other.box))
          faults.push({ code: 'words-on-node', what: `${d.block.text} on ${other.id}` })
  return faults
}

/** A connector may come through the corner of the box around its own node, where the outline is not; by sampling. */
function goesInto(n: Routed['nodes'][number] | undefined, p: Point, q: Point): boolean {
  if (!n) return false
  const c = centreOf(n.box)
  const inner = shapes[n.shape]
    .outline(n.box)
    .map((o) => ({ x: c.x + (o.x - c.x) * 0.98, y: c.y + (o.y - c.y) * 0.98 }))
  const holds = (at: Point) =>
    inner.every((a, i) => {
      const b = inner[(i + 1) % inner.length] as Point
      return (b.x - a.x) * (at.y - a.y) - (b.y - a.y) * (at.x - a.x) >= 0
    })
  return Array.from({ length: 19 }, (_, i) => (i + 1) / 20).some((t) =>
    holds({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t }),
  )
}

/** Less than half a px beside the outline. */
function onOutline(n: Routed['nodes'][number], p: Point | undefined): boolean {
  if (!p) return false
  const outline = shapes[n.shape].outline(n.box)
  return segments([...outline, outline[0] as Point]).some(([a, b]) => {
    const [dx, dy] = [b.x - a.x, b.y - a.y]
    const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)))
    return distance(p.x - a.x - dx * t, p.y - a.y - dy * t) < 0.5
  })
}

/** How often connectors cross. */
export const crossingsOf = (routed: Routed): number =>
  routed.routes.reduce(
    (sum, r, i) => routed.routes.slice(i + 1).reduce((n, o) => n + crossingsBetween(r.points, o.points), sum),
    0,
  )
/** Turns of connectors; the pieces of an arc turn by less. */
export const bendsOf = (routed: Routed): number =>
  routed.routes.reduce(
    (sum, { points }) =>
      sum +
      points.slice(1, -1).filter((p, i) => {
        const [a, b] = [points[i] as Point, points[i + 2] as Point]
        const [u, v] = [
          { x: p.x - a.x, y: p.y - a.y },
          { x: b.x - p.x, y: b.y - p.y },
        ]
        const along = u.x * v.x + u.y * v.y
        return Math.abs(u.x * v.y - u.y * v.x) > along * 0.35
      }).length,
    0,
  )
