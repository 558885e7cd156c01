/** What stands where in a picture: the node near a place, the link under it, the region or the lane it lies in. */
import type { Box, Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'

export const offBox = (b: Box, at: Point): number =>
  Math.hypot(Math.max(b.x - at.x, 0, at.x - b.x - b.width), Math.max(b.y - at.y, 0, at.y - b.y - b.height))

/** The node under a place, or the nearest one within `reach`; those in `without` are passed over. */
export function nodeNear(scene: Scene, at: Point, reach: number, without: readonly string[] = []): string | null {
  const found = scene.nodes
    .filter((n) => !without.includes(n.id))
    .map((n) => ({ id: n.id, off: offBox(n.box, at) }))
    .toSorted((a, b) => a.off - b.off || (a.id < b.id ? -1 : 1))[0]
  return found && found.off <= reach ? found.id : null
}

function offSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const length = dx * dx + dy * dy
  const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length))
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy)
}

/** The link that runs nearest to a place, within `reach`. */
export function linkNear(scene: Scene, at: Point, reach: number): string | null {
  const off = (points: readonly Point[]) =>
    Math.min(...points.slice(1).map((p, i) => offSegment(at, points[i] as Point, p)))
  const found = scene.links
    .map((l) => ({ id: l.id, off: off(l.points) }))
    .toSorted((a, b) => a.off - b.off || (a.id < b.id ? -1 : 1))[0]
  return found && found.off <= reach ? found.id : null
}

/** The middle of a way, by its length. */
export function middleOf(points: readonly Point[]): Point {
  const lengths = points.slice(1).map((p, i) => Math.hypot(p.x - (points[i] as Point).x, p.y - (points[i] as Point).y))
  let rest = lengths.reduce((sum, l) => sum + l, 0) / 2
  for (const [i, length] of lengths.entries()) {
    const [a, b] = [points[i] as Point, points[i + 1] as Point]
    if (rest <= length && length > 0)
      return { x: a.x + ((b.x - a.x) * rest) / length, y: a.y + ((b.y - a.y) * rest) / length }
    rest -= length
  }
  return points[0] as Point
}

const within = (b: Box, p: Point): boolean => p.x >= b.x && p.x <= b.x + b.width && p.y >= b.y && p.y <= b.y + b.height

/** The sets that a place lies in; null where the picture shows no sets. */
export function regionAt(scene: Scene, at: Point): readonly string[] | null {
  const panels = scene.areas.flatMap((a) => (a.area === 'panel' ? [a] : []))
  const panel = panels.find((p) => within(p.box, at))
  if (panel) return panel.sets
  const sets = scene.areas.flatMap((a) => (a.area === 'set' ? [a] : []))
  if (sets.length === 0) return panels.length > 0 ? [] : null
  return sets
    .filter((s) => {
      const angle = (-s.tilt * Math.PI) / 180
      const [dx, dy] = [at.x - s.centre.x, at.y - s.centre.y]
      const x = dx * Math.cos(angle) - dy * Math.sin(angle)
      const y = dx * Math.sin(angle) + dy * Math.cos(angle)
      return (x / s.radius.x) ** 2 + (y / s.radius.y) ** 2 <= 1
    })
    .map((s) => s.set)
}

/** The lane that a place lies in; null where there is none. */
export function laneAt(scene: Scene, at: Point): { readonly actor: string; readonly box: Box } | null {
  for (const a of scene.areas) if (a.area === 'lane' && within(a.box, at)) return a
  return null
}
