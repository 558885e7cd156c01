/** Lines that a dragged box falls into: edges and middles of others, and gaps as wide as the gap between two others. */
import type { Box, Point } from '@/core/geometry'
import type { Guide } from './gesture'

/** How near, in canvas px, it must come. */
const NEAR = 6

type Axis = {
  readonly start: 'x' | 'y'
  readonly size: 'width' | 'height'
  readonly other: 'x' | 'y'
  readonly across: 'width' | 'height'
}
const LEVEL: Axis = { start: 'x', size: 'width', other: 'y', across: 'height' }
const UPRIGHT: Axis = { start: 'y', size: 'height', other: 'x', across: 'width' }

type Fit = { readonly by: number; readonly guides: readonly Guide[] }

/** By how much a box that stands at its place falls in with others, and the lines that say so. */
export function guidesFor(
  box: Box,
  others: readonly Box[],
  zoom: number,
): { readonly by: Point; readonly guides: readonly Guide[] } {
  const near = NEAR / zoom
  const [level, upright] = [LEVEL, UPRIGHT].map((axis) => best(box, others, axis, near)) as [Fit, Fit]
  return { by: { x: level.by, y: upright.by }, guides: [...level.guides, ...upright.guides] }
}

function best(box: Box, others: readonly Box[], axis: Axis, near: number): Fit {
  const fits = [...inLine(box, others, axis), ...equalGaps(box, others, axis)].filter((f) => Math.abs(f.by) <= near)
  return fits.toSorted((a, b) => Math.abs(a.by) - Math.abs(b.by))[0] ?? { by: 0, guides: [] }
}

const stops = (b: Box, axis: Axis): number[] => [
  b[axis.start],
  b[axis.start] + b[axis.size] / 2,
  b[axis.start] + b[axis.size],
]

function* inLine(box: Box, others: readonly Box[], axis: Axis): Generator<Fit> {
  for (const o of others)
    for (const [i, own] of stops(box, axis).entries()) {
      const at = stops(o, axis)[i] as number
      const reach = [box, o].flatMap((b) => [b[axis.other], b[axis.other] + b[axis.across]])
      const point = (other: number): Point => (axis.start === 'x' ? { x: at, y: other } : { x: other, y: at })
      yield { by: at - own, guides: [{ from: point(Math.min(...reach)), to: point(Math.max(...reach)) }] }
    }
}

/** Behind two that follow each other, or before them, with the gap between them; or midway between two. */
function* equalGaps(box: Box, others: readonly Box[], axis: Axis): Generator<Fit> {
  const meets = (o: Box) =>
    o[axis.other] < box[axis.other] + box[axis.across] && o[axis.other] + o[axis.across] > box[axis.other]
  const row = others.filter(meets).toSorted((a, b) => a[axis.start] - b[axis.start])
  const end = (b: Box) => b[axis.start] + b[axis.size]
  const middle = box[axis.other] + box[axis.across] / 2
  const line = (from: number, to: number): Guide =>
    axis.start === 'x'
      ? { from: { x: from, y: middle }, to: { x: to, y: middle } }
      : { from: { x: middle, y: from }, to: { x: middle, y: to } }
  for (const [i, a] of row.entries()) {
    const b = row[i + 1]
    if (!b) continue
    const gap = b[axis.start] - end(a)
    if (gap <= 0) continue
    const after = end(b) + gap
    yield { by: after - box[axis.start], guides: [line(end(a), b[axis.start]), line(end(b), after)] }
    const before = a[axis.start] - gap - box[axis.size]
    yield {
      by: before - box[axis.start],
      guides: [line(before + box[axis.size], a[axis.start]), line(end(a), b[axis.start])],
    }
    const midway = (end(a) + b[axis.start] - box[axis.size]) / 2
    if (gap > box[axis.size])
      yield {
        by: midway - box[axis.start],
        guides: [line(end(a), midway), line(midway + box[axis.size], b[axis.start])],
      }
  }
}
