/** What must hold of a laid-out and routed figure. An oracle: it shares no code with the stages it judges but geometry. */
import {
  bottom,
  contains,
  overlaps,
  right,
  segmentEnters,
  segments,
  shapes,
  boxAround,
  centreOf,
  crossingPoint,
  type Box,
  type Point,
} from '../geometry'
import type { Routed } from '../route'

export type Fault = {
  readonly code:
    | 'nodes-overlap'
    | 'text-outside'
    | 'loose-connector'
    | 'connector-through-node'
    | 'slanted-connector'
    | 'label-on-node'
    | 'label-on-label'
    | 'words-on-node'
  readonly what: string
}

/** Nobody sees less, in px. */
const SLANT = 0.05

export function routedFaults(routed: Routed): Fault[] {
  const boxes = routed.nodes.map((n) => ({ id: n.id, box: n.box }))
  const faults: Fault[] = []
  boxes.forEach((a, i) => {
    for (const b of boxes.slice(i + 1))
      if (overlaps(a.box, b.box)) faults.push({ code: 'nodes-overlap', what: `${a.id} and ${b.id}` })
  })
  for (const n of routed.nodes)
    if (!contains(shapes[n.shape].room(n.box), boxAround(centreOf(n.box), n.block)))
      faults.push({ code: 'text-outside', what: n.id })
  for (const r of routed.routes) {
    const box = (id: string) => boxes.find((b) => b.id === id)?.box
    const [a, b] = [box(r.from), box(r.to)]
    if (!a || !b || !onBorder(a, r.points[0]) || !onBorder(b, r.points.at(-1)))
      faults.push({ code: 'loose-connector', what: r.id })
    for (const [p, q] of segments(r.points)) {
      if (routed.flow !== 'straight' && Math.min(Math.abs(p.x - q.x), Math.abs(p.y - q.y)) > SLANT)
        faults.push({ code: 'slanted-connector', what: r.id })
      for (const other of boxes)
        if (segmentEnters(p, q, other.box))
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
  // What a person puts on a title stands there.
  const free = routed.nodes.every((n) => n.held === null)
  for (const d of routed.decor)
    if (d.kind === 'words' && free)
      for (const other of boxes)
        if (overlaps(boxAround(d.centre, d.block), other.box))
          faults.push({ code: 'words-on-node', what: `${d.block.text} on ${other.id}` })
  return faults
}

function onBorder(b: Box, p: Point | undefined): boolean {
  if (!p) return false
  const near = (u: number, v: number) => Math.abs(u - v) < 0.5
  const [inX, inY] = [p.x > b.x - 0.5 && p.x < right(b) + 0.5, p.y > b.y - 0.5 && p.y < bottom(b) + 0.5]
  return (inY && (near(p.x, b.x) || near(p.x, right(b)))) || (inX && (near(p.y, b.y) || near(p.y, bottom(b))))
}

/** Places where two connectors cross. */
export function crossingsOf(routed: Routed): number {
  const all = routed.routes.map((r) => segments(r.points))
  let count = 0
  all.forEach((one, i) => {
    for (const other of all.slice(i + 1))
      for (const [a, b] of one) for (const [c, d] of other) if (crossingPoint(a, b, c, d)) count++
  })
  return count
}
export const bendsOf = (routed: Routed): number =>
  routed.routes.reduce((s, r) => s + Math.max(0, r.points.length - 2), 0)
