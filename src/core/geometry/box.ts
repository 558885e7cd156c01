/** Space as every stage sees it: CSS px (1/96 in), x right, y down; a box is its top-left corner and its size. */

export type Point = { readonly x: number; readonly y: number }
export type Size = { readonly width: number; readonly height: number }
export type Box = Point & Size
export type Side = 'top' | 'right' | 'bottom' | 'left'
export const sides: readonly Side[] = ['top', 'right', 'bottom', 'left']

/** Two lengths closer than this are the same length. */
export const EPSILON = 0.01

export const centreOf = (b: Box): Point => ({ x: b.x + b.width / 2, y: b.y + b.height / 2 })
export const boxAround = (c: Point, s: Size): Box => ({
  x: c.x - s.width / 2,
  y: c.y - s.height / 2,
  width: s.width,
  height: s.height,
})
export const right = (b: Box): number => b.x + b.width
export const bottom = (b: Box): number => b.y + b.height
/** Clockwise from the top left. */
export const cornersOf = (b: Box): readonly [Point, Point, Point, Point] => [
  { x: b.x, y: b.y },
  { x: right(b), y: b.y },
  { x: right(b), y: bottom(b) },
  { x: b.x, y: bottom(b) },
]
export const inflate = (b: Box, by: number): Box => ({
  x: b.x - by,
  y: b.y - by,
  width: b.width + 2 * by,
  height: b.height + 2 * by,
})

/** True when the interiors share more than `EPSILON` in both directions; touching boxes do not overlap. */
export const overlaps = (a: Box, b: Box): boolean =>
  a.x + EPSILON < right(b) && b.x + EPSILON < right(a) && a.y + EPSILON < bottom(b) && b.y + EPSILON < bottom(a)

export const contains = (outer: Box, inner: Box): boolean =>
  inner.x >= outer.x - EPSILON &&
  inner.y >= outer.y - EPSILON &&
  right(inner) <= right(outer) + EPSILON &&
  bottom(inner) <= bottom(outer) + EPSILON

/** The smallest box around all of `boxes`; an empty list gives an empty box at the origin. */
export function union(boxes: readonly Box[]): Box {
  if (boxes.length === 0) return { x: 0, y: 0, width: 0, height: 0 }
  const x = Math.min(...boxes.map((b) => b.x))
  const y = Math.min(...boxes.map((b) => b.y))
  return {
    x,
    y,
    width: Math.max(...boxes.map(right)) - x,
    height: Math.max(...boxes.map(bottom)) - y,
  }
}
