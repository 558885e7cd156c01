/** Nodes as bands that stand on each other: the place says what is above what, no line is needed. */
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { forest } from './forest'
import type { Arranged } from './placed'

/** Between bands, in parts of the size of the words. */
const SEAM = 0.3

/** Arrangement `levels` of a hierarchy: each node as wide as all that is below it, a band for each level. */
export function levels(sized: Sized): Arranged {
  const { roots, childrenOf } = forest(sized)
  const seam = sized.style.body.size * SEAM
  const span = new Map<string, number>()
  const heights: number[] = []
  const spanOf = (n: SizedNode, level: number): number => {
    heights[level] = Math.max(heights[level] ?? 0, n.height)
    const below = childrenOf(n).reduce((sum, c) => sum + spanOf(c, level + 1) + seam, -seam)
    const own = Math.max(n.width, below)
    span.set(n.id, own)
    return own
  }
  roots.forEach((r) => spanOf(r, 0))
  const tops = heights.map((_, level) => heights.slice(0, level).reduce((sum, h) => sum + h + seam, 0))
  const boxes = new Map<string, Box>()
  const place = (n: SizedNode, level: number, x: number, width: number): void => {
    boxes.set(n.id, { x, y: tops[level] as number, width, height: heights[level] as number })
    const children = childrenOf(n)
    const wanted = children.reduce((sum, c) => sum + (span.get(c.id) as number) + seam, -seam)
    // Children narrower than their parent share what is left.
    const more = children.length > 0 ? (width - wanted) / children.length : 0
    let left = x
    for (const c of children) {
      const own = (span.get(c.id) as number) + more
      place(c, level + 1, left, own)
      left += own + seam
    }
  }
  let left = 0
  for (const r of roots) {
    const own = span.get(r.id) as number
    place(r, 0, left, own)
    left += own + seam * 3
  }
  return { boxes, flow: 'unlinked', decor: [] }
}

/** Arrangement `pyramid` of points: the first on top, each band wider than the one above by the same step. */
export function pyramid(sized: Sized): Arranged {
  const { nodes, style } = sized
  const seam = style.body.size * SEAM
  const step = style.body.size * 4
  const boxes = new Map<string, Box>()
  let top = 0
  nodes.forEach((n, i) => {
    const width = Math.max(...nodes.map((m, k) => m.width + (i - k) * step))
    boxes.set(n.id, { x: -width / 2, y: top, width, height: n.height })
    top += n.height + seam
  })
  return { boxes, flow: 'unlinked', decor: [] }
}
