/** Maps of several parts that no link joins: each part is laid out by itself, then the parts stand in rows, in the order of
 *  the text, with the number of rows whose picture comes closest to the frame's proportions. */
import { union, type Box } from '../geometry'
import type { Sized, SizedLink, SizedNode } from '../measure'
import { closestTo, columnCounts, frameAspect } from './frameAspect'
import type { Arranged } from './placed'

export function inParts(sized: Sized, arrange: (part: Sized) => Arranged): Arranged {
  const parts = partsOf(sized).map(arrange)
  const [first] = parts
  if (!first || parts.length === 1) return first ?? { boxes: new Map(), flow: 'none', decor: [] }
  const boxes = parts.map((p) => union([...p.boxes.values()]))
  const gap = sized.style.gap.beside
  const tries = columnCounts(parts.length).map((rows) => shelved(boxes, rows, gap))
  const best = closestTo(frameAspect(sized), tries, union)
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
    part.set(id, at)
    return at
  }
  for (const l of sized.links) part.set(head(l.to), head(l.from))
  const parts = new Map<string, { nodes: SizedNode[]; links: SizedLink[] }>()
  for (const n of sized.nodes) {
    const own = parts.get(head(n.id)) ?? { nodes: [], links: [] }
    own.nodes.push(n)
    parts.set(head(n.id), own)
  }
  for (const l of sized.links) parts.get(head(l.from))?.links.push(l)
  return [...parts.values()].map((p) => ({ ...sized, ...p }))
}
