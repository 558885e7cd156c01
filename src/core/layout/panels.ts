import type { Box } from '../geometry'
import type { Sized } from '../measure'
import type { Arranged, Decor } from './placed'
import { regions, stack } from './regions'

/** Arrangement `panels`: the sets as headings of columns, then a column for every combination that has members. */
export function panels(sized: Sized): Arranged {
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const found = regions(sized, sets)
  const size = sized.style.body.size
  const boxes = new Map<string, Box>()
  const rowGap = size * 1.2
  const columnWidth = Math.max(
    ...sets.map((s) => s.width),
    ...found.map((r) => (r.width - (r.sets.length - 1) * size) / Math.max(1, r.sets.length)),
    size * 6,
  )
  const left = (i: number) => i * (columnWidth + size)
  const headHeight = Math.max(0, ...sets.map((s) => s.height))
  sets.forEach((s, i) =>
    boxes.set(s.id, {
      x: left(i) + (columnWidth - s.width) / 2,
      y: (headHeight - s.height) / 2,
      width: s.width,
      height: s.height,
    }),
  )
  // A panel reaches across the columns from its first to its last set; a dot marks each set it really lies in.
  const decor: Decor[] = []
  let top = headHeight + rowGap
  for (const r of found.toSorted((a, b) => b.sets.length - a.sets.length)) {
    const [first, last] = [Math.min(...r.sets, sets.length - 1), Math.max(...r.sets, 0)]
    const [x1, x2] = [left(Math.min(first, last)), left(Math.max(first, last)) + columnWidth]
    const dots = size * 1.6
    const [width, height] = [Math.max(x2 - x1, r.width + size), r.height + dots + size * 0.4]
    decor.push({
      kind: 'panel',
      sets: r.sets,
      box: { x: x1, y: top, width, height },
      dots: r.sets.map((i) => ({ x: left(i) + columnWidth / 2, y: top + dots / 2 })),
    })
    stack(r, { x: x1 + width / 2, y: top + dots + r.height / 2 }, sized, boxes)
    top += height + rowGap
  }
  return { boxes, flow: 'none', decor }
}
