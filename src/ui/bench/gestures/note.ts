/** A note dragged: it stays beside what it speaks of, as far off as it was let go, and moves with it. */
import { changeNote } from '@/core/document'
import { centreOf, type Box, type Point, stepOut } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { Part } from '../selection'
import { isFar, type Of, type Row, type Stage } from './gesture'
import { said } from '@/core/words'

export function startNote(stage: Stage, id: string, at: Point): Of<'note'> | null {
  const note = stage.scene.notes.find((n) => n.id === id)
  return note ? { kind: 'note', note: id, stood: note.box, from: at, at, moved: false } : null
}

/** How far its middle is from what it speaks of, in px of the layout. */
export function offOf(note: { readonly box: Box; readonly subject: Point }, { fit }: Scene): Point {
  const c = centreOf(note.box)
  return stepOut({ x: c.x - note.subject.x, y: c.y - note.subject.y }, fit)
}

const boxNow = (g: Of<'note'>) => ({ ...g.stood, x: g.stood.x + g.at.x - g.from.x, y: g.stood.y + g.at.y - g.from.y })

export const note: Row<'note'> = {
  move: (g, stage, at) => ({ ...g, at, moved: g.moved || isFar(g.from, at, stage.zoom) }),
  preview: (g) =>
    g.moved ? { box: boxNow(g), says: said('The note goes here, or to the nearest place that is free') } : {},
  drop: (g, { figure, scene }) => {
    const part: Part = { kind: 'note', id: g.note }
    const subject = scene.notes.find((n) => n.id === g.note)?.subject
    if (!g.moved || !subject) return { select: [part] }
    const off = offOf({ box: boxNow(g), subject }, scene)
    return { edit: changeNote(figure, g.note, { off }), select: [part] }
  },
}
