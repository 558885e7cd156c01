/** A node made larger or smaller by a corner; its words are set anew when it is let go. */
import { resize as resized } from '@/core/document'
import type { Box, Point } from '@/core/geometry'
import { isFar, type Corner, type Of, type Row, type Stage } from './gesture'
import { said } from '@/core/words'

const signs: Record<Corner, Point> = {
  topLeft: { x: -1, y: -1 },
  topRight: { x: 1, y: -1 },
  bottomLeft: { x: -1, y: 1 },
  bottomRight: { x: 1, y: 1 },
}
export const corners = Object.keys(signs) as readonly Corner[]

export const cornerOf = (b: Box, corner: Corner): Point => ({
  x: signs[corner].x < 0 ? b.x : b.x + b.width,
  y: signs[corner].y < 0 ? b.y : b.y + b.height,
})

export function startResize(stage: Stage, node: string, corner: Corner, at: Point): Of<'resize'> | null {
  const stood = stage.scene.nodes.find((n) => n.id === node)?.box
  return stood ? { kind: 'resize', node, corner, stood, from: at, at } : null
}

const LEAST = 12

function boxNow({ stood, corner, from, at }: Of<'resize'>): Box {
  const { x, y } = signs[corner]
  const width = Math.max(LEAST, stood.width + (at.x - from.x) * x)
  const height = Math.max(LEAST, stood.height + (at.y - from.y) * y)
  return {
    x: x < 0 ? stood.x + stood.width - width : stood.x,
    y: y < 0 ? stood.y + stood.height - height : stood.y,
    width,
    height,
  }
}

export const resize: Row<'resize'> = {
  move: (g, _stage, at) => ({ ...g, at }),
  preview: (g, { scene }) => {
    const { width, height } = boxNow(g)
    const px = (v: number) => Math.round(v / scene.fit.scale)
    return {
      box: boxNow(g),
      says: said('{width} × {height}; never smaller than its words', { width: px(width), height: px(height) }),
    }
  },
  drop: (g, { scene, zoom }) => {
    if (!isFar(g.from, g.at, zoom)) return {}
    const { width, height } = boxNow(g)
    return { edit: resized(g.node, { width: width / scene.fit.scale, height: height / scene.fit.scale }) }
  },
}
