/** Edits that leave everything where it stands. A picture drawn from nothing after every word would move most nodes; so what
 *  changes nodes or links writes down where all stood, and the next picture makes room there (see `core/layout`). */
import { placesKey, placesOf, type Figure, type NodeId, type Places } from '../figure'
import { straighten } from './bend'
import { all, apply, type Edit } from './edit'

/** The edit, with the places of the picture it was made in. A node that it lets go is forgotten, and one that it moves among
 *  the others: they are to go back into the flow. Edits of the figure as a whole are left as they are, they ask for another picture. */
export function leavingPlaces(f: Figure, edit: Edit, stood: Omit<Places, 'key'>): Edit {
  if (edit.do === 'setFigure') return edit
  const { figure } = apply(f, edit)
  if (figure.nodes === f.nodes && figure.links === f.links) return edit
  const letGo = (id: string) => f.nodes[id]?.held && figure.nodes[id] && !figure.nodes[id].held
  const moved = movedBetween(f, figure)
  const boxes = Object.fromEntries(Object.entries(stood.boxes).filter(([id]) => !letGo(id) && !moved.has(id)))
  const places: Edit = { do: 'setFigure', set: { places: { ...stood, key: placesKey(f), boxes } } }
  // What was bent in another way of drawing does not fit this one.
  return all(...(placesOf(f) ? [] : unbent(f)), edit, places)
}

/** Nodes that lead to none of those they led to, and follow none that they followed, of the nodes that are there before and
 *  after: they stand elsewhere in the flow now. */
function movedBetween(before: Figure, after: Figure): ReadonlySet<NodeId> {
  if (before.links === after.links) return new Set()
  const stays = (id: NodeId) => before.nodes[id] !== undefined && after.nodes[id] !== undefined
  const neighbours = (f: Figure) => {
    const by = new Map<NodeId, Set<string>>()
    const add = (id: NodeId, other: string) => by.set(id, (by.get(id) ?? new Set()).add(other))
    for (const l of Object.values(f.links))
      if (stays(l.from) && stays(l.to)) {
        add(l.from, `to ${l.to}`)
        add(l.to, `from ${l.from}`)
      }
    return by
  }
  const [was, is] = [neighbours(before), neighbours(after)]
  return new Set(
    [...was].flatMap(([id, old]) => (is.has(id) && [...old].every((o) => !is.get(id)?.has(o)) ? [id] : [])),
  )
}

const unbent = (f: Figure): Edit[] =>
  Object.values(f.links).flatMap((l): Edit[] => (l.heldRoute ? [straighten(l.id)] : []))

/** A layout from nothing: places are forgotten but for those of held nodes, and connectors find their own way. */
export const tidy = (f: Figure): Edit => all({ do: 'setFigure', set: { places: null } }, ...unbent(f))
