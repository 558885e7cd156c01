/** The regions of a Venn diagram that have members, and their lists. */
import type { Box, Point } from '../geometry'
import type { Sized, SizedNode } from '../measure'

/** A region by the sets it lies in, as indices, with the list that stands in it. */
export type Region = {
  readonly sets: readonly number[]
  readonly members: readonly SizedNode[]
  readonly width: number
  readonly height: number
}

/** Between words below each other, and between cards, in sizes of the words. */
const GAP = { plain: 0.1, card: 0.4 }
const gapIn = (sized: Sized, members: readonly SizedNode[]): number =>
  sized.style.body.size * (members.every((m) => m.shape === 'plain') ? GAP.plain : GAP.card)

/** Few sets first, then by the order of the text. */
export function regions(sized: Sized, sets: readonly SizedNode[]): Region[] {
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
  return [...byKey.values()]
    .toSorted((a, b) => a.sets.length - b.sets.length || (a.sets.join() < b.sets.join() ? -1 : 1))
    .map((r) => ({
      ...r,
      width: Math.max(...r.members.map((m) => m.width)),
      height: r.members.reduce((s, m) => s + m.height, 0) + gapIn(sized, r.members) * (r.members.length - 1),
    }))
}

/** Puts a region's members below each other around a place. */
export function stack(r: Region, middle: Point, sized: Sized, boxes: Map<string, Box>): void {
  let top = middle.y - r.height / 2
  for (const m of r.members) {
    boxes.set(m.id, { x: middle.x - m.width / 2, y: top, width: m.width, height: m.height })
    top += m.height + gapIn(sized, r.members)
  }
}
