/** Arrangement `rows` of a process and `grid`, `line` and `list` of points: nodes in the order of the text, left to right, row under row.
 *  The number of columns is the one whose picture comes closest to filling the frame. */
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { frameAspect } from './frameAspect'
import type { Arranged } from './placed'

/** `columns` as given, or as many as bring the picture closest to the frame. */
export function rows(sized: Sized, gapX: number, gapY: number, columns: number | null = null): Arranged {
  const counts = columns === null ? sized.nodes.map((_, i) => i + 1) : [columns]
  const tries = counts.map((n) => rowsOf(sized.nodes, n, gapX, gapY))
  const wanted = Math.log(frameAspect(sized))
  const off = (t: Rows) => Math.abs(Math.log(t.width / t.height) - wanted)
  const best = tries.reduce<Rows | null>((b, t) => (b && off(b) <= off(t) ? b : t), null)
  return { boxes: best?.boxes ?? new Map(), flow: 'rows', decor: [] }
}

type Rows = { readonly boxes: Map<string, Box>; readonly width: number; readonly height: number }

function rowsOf(nodes: readonly SizedNode[], columns: number, gapX: number, gapY: number): Rows {
  const column = (c: number) => nodes.filter((_, i) => i % columns === c)
  const widths = Array.from({ length: columns }, (_, c) => Math.max(0, ...column(c).map((n) => n.width)))
  const lefts = widths.map((_, c) => widths.slice(0, c).reduce((s, w) => s + w + gapX, 0))
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
