/** Puts held nodes where the person placed them and moves what they cover out of the way, along the shorter axis,
 *  nearest first. Out: no free node overlaps another node; held nodes stand where they were put. */
import { boxAround, centreOf, inflate, overlaps, right, bottom, type Box, distance } from '../geometry'
import type { SizedNode } from '../measure'

const ROUNDS = 60

export function makeRoom(nodes: readonly SizedNode[], boxes: ReadonlyMap<string, Box>, gap: number): Map<string, Box> {
  const held = new Map(nodes.filter((n) => n.held).map((n) => [n.id, boxAround(centreOf(n.held as Box), n)]))
  const out = new Map([...boxes, ...held])
  if (held.size === 0) return out
  const free = nodes.filter((n) => !held.has(n.id)).map((n) => n.id)
  const settled = [...held.values()]
  const anchor = centreOf(settled[0] as Box)
  const far = (id: string) =>
    distance(centreOf(out.get(id) as Box).x - anchor.x, centreOf(out.get(id) as Box).y - anchor.y)
  for (const id of free.toSorted((a, b) => far(a) - far(b) || (a < b ? -1 : 1))) {
    const box = clearOf(out.get(id) as Box, settled, gap)
    out.set(id, box)
    settled.push(box)
  }
  return out
}

/** The box moved until it is `gap` away from what it overlapped. Where small moves do not settle it, it goes below all. */
function clearOf(box: Box, settled: readonly Box[], gap: number): Box {
  let now = box
  for (let round = 0; round < ROUNDS; round++) {
    const hit = settled.find((s) => overlaps(now, inflate(s, 1)))
    if (!hit) return now
    const moves = [
      { x: right(hit) + gap - now.x, y: 0 },
      { x: hit.x - gap - right(now), y: 0 },
      { x: 0, y: bottom(hit) + gap - now.y },
      { x: 0, y: hit.y - gap - bottom(now) },
    ].toSorted((a, b) => Math.abs(a.x + a.y) - Math.abs(b.x + b.y))
    const by = moves[round < 8 ? 0 : round % 4] as { x: number; y: number }
    now = { ...now, x: now.x + by.x, y: now.y + by.y }
  }
  return { ...now, y: Math.max(...settled.map(bottom)) + gap }
}
