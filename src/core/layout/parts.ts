/** Maps of several parts that no link joins: each part is laid out by itself, then the parts stand in rows, in the order of
 *  the text, with the number of rows whose picture comes closest to the frame's proportions. */
import { union, type Box } from '../geometry'
import type { Sized } from '../measure'
import { frameAspect } from './frameAspect'
import type { Arranged } from './placed'

export function inParts(sized: Sized, arrange: (part: Sized) => Arranged): Arranged {
  const parts = partsOf(sized).map((p) => ({ ...arrange(p) }))
  const [first] = parts
  if (!first || parts.length === 1) return first ?? { boxes: new Map(), flow: 'none', decor: [] }
  const boxes = parts.map((p) => union([...p.boxes.values()]))
  const gap = sized.style.gap.beside
  const tries = parts.map((_, i) => shelved(boxes, i + 1, gap))
  const wanted = Math.log(frameAspect(sized))
  const off = (places: readonly Box[]) => {
    const all = union(places)
    return Math.abs(Math.log(all.width / Math.max(1, all.height)) - wanted)
  }
  const best = tries.reduce((b, t) => (off(t) < off(b) ? t : b))
  const placed = parts.flatMap((p, i) => {
    const [from, to] = [boxes[i] as Box, best[i] as Box]
    return [...p.boxes].map(([id, b]) => [id, { ...b, x: b.x - from.x + to.x, y: b.y - from.y + to.y }] as const)
  })
  return { ...first, boxes: new Map(placed) }
}

/** Row after row, each as wide as it comes to be when the parts are dealt out evenly by width. */
function shelved(parts: readonly Box[], rows: number, gap: number): Box[] {
  const room = Math.max(parts.reduce((s, b) => s + b.width + gap, 0) / rows, ...parts.map((b) => b.width + gap))
  let [left, top, high] = [0, 0, 0]
  return parts.map((b) => {
    if (left > 0 && left + b.width * 0.6 > room) {
      top += high + gap
      left = 0
      high = 0
    }
    const at = { ...b, x: left, y: top }
    left += b.width + gap
    high = Math.max(high, b.height)
    return at
  })
}

/** The figure cut into what links join, in the order of the text. */
export function partsOf(sized: Sized): Sized[] {
  const part = new Map(sized.nodes.map((n) => [n.id, n.id]))
  const head = (id: string): string => {
    let at = id
    for (let up = part.get(at); up !== undefined && up !== at; up = part.get(at)) at = up
    return at
  }
  for (const l of sized.links) part.set(head(l.to), head(l.from))
  const heads = [...new Set(sized.nodes.map((n) => head(n.id)))]
  return heads.map((h) => ({
    ...sized,
    nodes: sized.nodes.filter((n) => head(n.id) === h),
    links: sized.links.filter((l) => head(l.from) === h),
  }))
}
