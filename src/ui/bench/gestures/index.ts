/** The gestures of the stage, a row for each. */
import type { Point } from '@/core/geometry'
import type { Gesture, Keys, Kind, Outcome, Preview, Row, Stage } from './gesture'
import { frame, pan } from './ground'
import { bend, end, endsOf } from './links'
import { move } from './move'
import { note } from './note'
import { resize } from './resize'
import { thread } from './thread'

const rows: { readonly [K in Kind]: Row<K> } = { pan, frame, move, note, resize, thread, end, bend }
// The row belongs to the gesture's own kind, which the compiler cannot see through the union.
const rowOf = (g: Gesture): Row<Kind> => rows[g.kind] as unknown as Row<Kind>

export const moved = (g: Gesture, stage: Stage, at: Point, keys: Keys): Gesture => rowOf(g).move(g, stage, at, keys)
export const previewOf = (g: Gesture, stage: Stage): Preview => rowOf(g).preview(g, stage)
export const dropped = (g: Gesture, stage: Stage): Outcome => rowOf(g).drop(g, stage)

/** The nodes that a link would join, were it let go now; null where it would join none. */
export function joiningOf(g: Gesture, stage: Stage): readonly [string, string] | null {
  if (g.kind === 'end') return endsOf(g, stage)
  return g.kind === 'thread' && g.target !== null ? [g.node, g.target] : null
}

export type { Corner, Gesture, Guide, Keys, Lights, Outcome, Preview, Question, Side, Stage } from './gesture'
export { startFrame, startPan } from './ground'
export { startBend, startEnd } from './links'
export { cornersOf, startMove } from './move'
export { offOf, startNote } from './note'
export { middleOf, nodeNear, regionAt } from './places'
export { cornerOf, corners, startResize } from './resize'
export { regionName } from './targets'
export { RING_OFF, beyond, freeSides, neighbour, sideOf, startThread } from './thread'
