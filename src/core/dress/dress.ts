/** Stage `dress`: figure, places and house style become marks. In: a routed figure, whose parts have the room that treatment
 *  and typesetter gave them. Out: marks in layout px, back to front; of all owners, or of some alone. Moves nothing. */
import { centreOf } from '../geometry'
import type { Routed } from '../route'
import { byHand } from './byHand'
import { connectorMarks } from './connectorMarks'
import { decorMarks } from './decorMarks'
import type { Mark } from './mark'
import { nodeMarks } from './nodeMarks'
import { noteMarks } from './noteMarks'
import { meetingMarks } from './setMarks'
import { textMark } from './textMark'

/** `only` names the owners whose marks are asked for; null for all. What arrangements draw besides belongs to nobody: ''. */
export function dress(routed: Routed, only: ReadonlySet<string> | null): Mark[] {
  const { style } = routed
  const bars = new Set(routed.nodes.flatMap((n) => (n.barOf === null ? [] : [n.id])))
  const asked = (owner: string) => only === null || only.has(owner)
  const ownerOf = (id: string) => (bars.has(id) ? '' : id)
  const routes = routed.routes.filter((r) => asked(ownerOf(r.id)))
  const nodes = routed.nodes.filter((n) => asked(ownerOf(n.id)))
  const connector = connectorMarks(routed, routes, bars)
  const marks = [
    ...(asked('') ? [...routed.decor.flatMap((d) => decorMarks(d, routed)), ...meetingMarks(routed)] : []),
    ...routes.map(connector),
    ...nodes.toSorted((a, b) => a.lift - b.lift).flatMap((n) => nodeMarks(n, routed)),
    ...routes.flatMap((r) =>
      r.label ? [textMark(r.id, r.label.block, centreOf(r.label.box), style.palette.quiet)] : [],
    ),
    ...routed.notes.filter((n) => asked(n.id)).flatMap((n) => noteMarks(n, routed)),
  ]
  return style.drawnByHand ? marks.flatMap((m) => byHand(m, style)) : marks
}
