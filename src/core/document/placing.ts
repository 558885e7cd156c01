/** Nodes placed by hand, several at once: in line, with equal gaps, pushed by so much. In px of the layout. */
import type { Figure, NodeId } from '../figure'
import { union, type Box, type Size } from '../geometry'
import { all, type Edit } from './edit'
import { hold } from './shape'

export type Boxes = Readonly<Record<NodeId, Box>>
export type Line = 'left' | 'centre' | 'right' | 'top' | 'middle' | 'bottom'

const moves: Record<Line, (b: Box, whole: Box) => Box> = {
  left: (b, w) => ({ ...b, x: w.x }),
  centre: (b, w) => ({ ...b, x: w.x + (w.width - b.width) / 2 }),
  right: (b, w) => ({ ...b, x: w.x + w.width - b.width }),
  top: (b, w) => ({ ...b, y: w.y }),
  middle: (b, w) => ({ ...b, y: w.y + (w.height - b.height) / 2 }),
  bottom: (b, w) => ({ ...b, y: w.y + w.height - b.height }),
}

const held = (boxes: readonly (readonly [NodeId, Box])[]): Edit => all(...boxes.map(([id, box]) => hold(id, box)))
const inOrder = (boxes: Boxes) => Object.entries(boxes).toSorted(([a], [b]) => (a < b ? -1 : 1))

/** All with an edge or their middles in one line. */
export function align(boxes: Boxes, line: Line): Edit {
  const whole = union(Object.values(boxes))
  return held(inOrder(boxes).map(([id, box]) => [id, moves[line](box, whole)] as const))
}

/** The gaps between them made equal; the first and the last stay. */
export function distribute(boxes: Boxes, along: 'x' | 'y'): Edit {
  const size = along === 'x' ? 'width' : 'height'
  const row = inOrder(boxes).toSorted(([, a], [, b]) => a[along] - b[along])
  const whole = union(row.map(([, b]) => b))
  const free = whole[size] - row.reduce((sum, [, b]) => sum + b[size], 0)
  const gap = free / Math.max(1, row.length - 1)
  let next = whole[along]
  return held(
    row.map(([id, box]) => {
      const moved = { ...box, [along]: next }
      next += box[size] + gap
      return [id, moved] as const
    }),
  )
}

/** All pushed by the same distance. */
export const push = (boxes: Boxes, by: { readonly x: number; readonly y: number }): Edit =>
  held(inOrder(boxes).map(([id, b]) => [id, { ...b, x: b.x + by.x, y: b.y + by.y }] as const))

/** As large as a person made it; null for as large as its words. */
export const resize = (id: NodeId, size: Size | null): Edit => ({
  do: 'setNode',
  id,
  set: { size: size && { width: bounded(size.width), height: bounded(size.height) } },
})
/** Sizes that a figure can hold. */
const bounded = (v: number): number => Math.min(10_000, Math.max(1, v))

/** All as wide as the widest and as high as the highest. */
export function sameSize(boxes: Boxes): Edit {
  const most = (side: 'width' | 'height') => Math.max(...Object.values(boxes).map((b) => b[side]))
  return all(...inOrder(boxes).map(([id]) => resize(id, { width: most('width'), height: most('height') })))
}

/** Drawn before all others, or behind them. */
export function lifted(f: Figure, ids: readonly NodeId[], to: 'front' | 'back'): Edit {
  const lifts = Object.values(f.nodes).map((n) => n.lift ?? 0)
  const lift = to === 'front' ? Math.min(9999, Math.max(...lifts) + 1) : Math.max(-9999, Math.min(...lifts) - 1)
  return all(...ids.map((id): Edit => ({ do: 'setNode', id, set: { lift } })))
}
