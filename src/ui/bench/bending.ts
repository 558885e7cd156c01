/** Bending a connector on the canvas: in px of the frame there, in px of the layout where it is kept. */
import { bend, bent, type Edit } from '@/core/document'
import { segments, type Point, pointOut } from '@/core/geometry'
import type { Scene } from '@/core/scene'

type Link = Scene['links'][number]

/** What stays straight at a node, in px of the layout. */
const STUB = 12

/** The middles of the stretches that are long enough to take hold of. */
export const holds = (
  link: Link,
  least: number,
): { readonly stretch: number; readonly at: Point; readonly upright: boolean }[] =>
  segments(link.points).flatMap(([p, q], stretch) => {
    const long = Math.hypot(q.x - p.x, q.y - p.y) >= least
    return long ? [{ stretch, at: { x: (p.x + q.x) / 2, y: (p.y + q.y) / 2 }, upright: p.x === q.x }] : []
  })

export const pulled = (link: Link, stretch: number, at: Point, scale: number): Point[] =>
  bent(link.points, stretch, at, STUB * scale)

/** The edit that leaves the connector as it was pulled. */
export const bendTo = (scene: Scene, link: Link, stretch: number, at: Point): Edit => {
  const inLayout = (p: Point): Point => pointOut(p, scene.fit)
  return bend(link.id, bent(link.points.map(inLayout), stretch, inLayout(at), STUB))
}

/** The longest stretch that can be pushed this way, pushed by so many px of the frame; null when there is none. */
export function pushed(scene: Scene, link: Link, by: readonly [number, number], px: number): Edit | null {
  const sideways = by[0] !== 0
  const lengthOf = (stretch: number): number => {
    const [p, q] = [link.points[stretch] as Point, link.points[stretch + 1] as Point]
    return Math.hypot(q.x - p.x, q.y - p.y)
  }
  const best = holds(link, 1)
    .filter((h) => h.upright === sideways)
    .toSorted((a, b) => lengthOf(b.stretch) - lengthOf(a.stretch))[0]
  return best ? bendTo(scene, link, best.stretch, { x: best.at.x + by[0] * px, y: best.at.y + by[1] * px }) : null
}
