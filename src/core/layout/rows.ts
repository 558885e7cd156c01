/** Arrangement `rows` of a process and `grid`, `line` and `list` of points: nodes in the order of the text, left to right, row under row.
 *  The number of columns is the one whose picture comes closest to filling the frame. */
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { closestTo, columnCounts, frameAspect } from './frameAspect'
import { cards } from './cards'
import type { Arranged } from './placed'

/** `columns` as given, or as many as bring the picture closest to the frame. */
export function rows(sized: Sized, gapX: number, gapY: number, columns: number | null = null): Arranged {
  // Steps in one column would be no rows.
  const least = sized.kind === 'process' ? Math.min(2, sized.nodes.length) : 1
  const counts = columns === null ? columnCounts(sized.nodes.length).filter((n) => n >= least) : [columns]
  const tries = counts.map((n) => {
    const rows = Math.ceil(sized.nodes.length / n)
    const taken = { width: gapX * (n - 1), height: gapY * (rows - 1) }
    return rowsOf(sized.kind === 'points' ? cards(sized, n, rows, taken) : sized.nodes, n, gapX, gapY)
  })
  return { boxes: closestTo(frameAspect(sized), tries, (t) => t).boxes, flow: 'rows', decor: [] }
}

type Rows = { readonly boxes: Map<string, Box>; readonly width: number; readonly height: number }

function rowsOf(nodes: readonly SizedNode[], columns: number, gapX: number, gapY: number): Rows {
  const widths = columnWidths(nodes, columns)
  let left = 0
  const lefts = widths.map((w) => (left += w + gapX) - w - gapX)
  const boxes = new Map<string, Box>()
  let top = 0
  for (let i = 0; i < nodes.length; i += columns) {
    const row = nodes.slice(i, i + columns)
    const height = Math.max(...row.map((n) => n.height))
    row.forEach((n, c) => {
      const x = (lefts[c] as number) + ((widths[c] as number) - n.width) / 2
      boxes.set(n.id, { x, y: top + (height - n.height) / 2, width: n.width, height: n.height })
    })
    top += height + gapY
  }
  return { boxes, width: widths.reduce((s, w) => s + w, 0) + gapX * (columns - 1), height: top - gapY }
}

/** How wide each column is when nodes fill row after row. */
export function columnWidths(nodes: readonly SizedNode[], columns: number): number[] {
  const widths = Array<number>(columns).fill(0)
  nodes.forEach((n, i) => (widths[i % columns] = Math.max(widths[i % columns] as number, n.width)))
  return widths
}
