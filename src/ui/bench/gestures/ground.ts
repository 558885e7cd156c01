/** The ground between nodes: dragged with the mouse it frames what is to be selected, with the hand it is moved along. */
import type { Box, Point } from '@/core/geometry'
import { nodeParts, nodesIn, type Selection } from '../selection'
import { isFar, type Of, type Row } from './gesture'

export const startPan = (at: Point): Of<'pan'> => ({ kind: 'pan', at, by: { x: 0, y: 0 } })
export const startFrame = (at: Point, kept: Selection): Of<'frame'> => ({ kind: 'frame', from: at, at, kept })

const spanned = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
})
const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

/** `at` is in px of the page: the frame itself moves. */
export const pan: Row<'pan'> = {
  move: (g, _stage, at) => ({ ...g, at, by: { x: at.x - g.at.x, y: at.y - g.at.y } }),
  preview: () => ({}),
  drop: () => ({}),
}

export const frame: Row<'frame'> = {
  move: (g, _stage, at) => ({ ...g, at }),
  preview: (g) => ({ box: spanned(g.from, g.at) }),
  drop: (g, stage) => {
    if (!isFar(g.from, g.at, stage.zoom)) return { select: g.kept }
    const box = spanned(g.from, g.at)
    const found = stage.scene.nodes.filter((n) => meets(n.box, box)).map((n) => n.id)
    const kept = nodesIn(g.kept).filter((id) => !found.includes(id))
    return { select: nodeParts([...kept, ...found]) }
  },
}
