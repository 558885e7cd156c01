/** The regions of a Venn diagram as places: which there are, what is in them, and putting members and sets there. */
import { nodesInOrder, type Figure, type FigureNode, type NodeId } from '../figure'
import { all, type Edit } from './edit'

/** The members of just these sets; no sets for what lies in none. */
export type SetRegion = { readonly sets: readonly FigureNode[]; readonly members: readonly FigureNode[] }

/** Every region of so many sets is a place, whether anything is in it or not; of more, those that have members. */
const MOST_WHOLE = 3

export const setsOf = (f: Figure): FigureNode[] => nodesInOrder(f).filter((n) => n.role === 'set')
export const membersOf = (f: Figure): FigureNode[] => nodesInOrder(f).filter((n) => n.role !== 'set')

/** The sets that a node lies in, in the order of the text. */
export const regionOf = (f: Figure, node: FigureNode): NodeId[] =>
  setsOf(f)
    .map((s) => s.id)
    .filter((id) => node.memberOf?.includes(id))

/** Regions of one set first, then overlaps, what lies in none last. Every member is in one of them. */
export function regionsOf(f: Figure): SetRegion[] {
  const sets = setsOf(f)
  const members = membersOf(f)
  const keyOf = (ids: readonly NodeId[]): string => ids.join(' ')
  const used = new Map(members.map((m) => [keyOf(regionOf(f, m)), regionOf(f, m)] as const))
  const whole = sets.length <= MOST_WHOLE ? subsets(sets.map((s) => s.id)) : sets.map((s) => [s.id])
  const every = new Map([...whole.map((ids) => [keyOf(ids), ids] as const), ...used])
  const place = new Map(sets.map((s, i) => [s.id, i]))
  const rank = (ids: readonly NodeId[]): string =>
    `${ids.length === 0 ? 9 : ids.length}${ids.map((id) => String(place.get(id)).padStart(4, '0')).join('')}`
  return [...every.values()]
    .toSorted((a, b) => (rank(a) < rank(b) ? -1 : 1))
    .map((ids) => ({
      sets: ids.flatMap((id) => f.nodes[id] ?? []),
      members: members.filter((m) => keyOf(regionOf(f, m)) === keyOf(ids)),
    }))
}

const subsets = (ids: readonly NodeId[]): NodeId[][] =>
  ids
    .reduce<NodeId[][]>((all, id) => [...all, ...all.map((some) => [...some, id])], [[]])
    .filter((some) => some.length > 0)

/** Into just these sets. */
export const intoRegion = (member: NodeId, sets: readonly NodeId[]): Edit => ({
  do: 'setNode',
  id: member,
  set: { memberOf: [...sets], held: null },
})

/** A new member there. */
export function addMember(f: Figure, id: NodeId, sets: readonly NodeId[], text: string): Edit {
  const last = Math.max(0, ...Object.values(f.nodes).map((n) => n.order))
  return { do: 'putNode', node: { id, role: 'member', text, order: last + 1, memberOf: [...sets], source: [] } }
}

/** A new set, empty as yet. */
export function addSet(f: Figure, id: NodeId, text: string): Edit {
  const last = Math.max(0, ...setsOf(f).map((n) => n.order))
  const next = nodesInOrder(f).find((n) => n.order > last)?.order ?? last + 2
  return { do: 'putNode', node: { id, role: 'set', text, order: (last + next) / 2, source: [] } }
}

/** Takes a set out; what lay in it lies in its other sets, or in none. */
export const removeSet = (f: Figure, id: NodeId): Edit =>
  all(
    ...membersOf(f).map((m): Edit | null =>
      m.memberOf?.includes(id)
        ? { do: 'setNode', id: m.id, set: { memberOf: m.memberOf.filter((s) => s !== id) } }
        : null,
    ),
    { do: 'dropNode', id },
  )

/** Whether something lies in a set, and all of it in another, too. */
export function isInside(f: Figure, inner: NodeId, outer: NodeId): boolean {
  const own = membersOf(f).filter((m) => m.memberOf?.includes(inner))
  return own.length > 0 && own.every((m) => m.memberOf?.includes(outer))
}

/** All that lies in one set lies in another, too: the one is drawn inside the other where regions follow their content. */
export const nestSet = (f: Figure, inner: NodeId, outer: NodeId): Edit =>
  all(
    ...membersOf(f).map((m): Edit | null =>
      m.memberOf?.includes(inner) && !m.memberOf.includes(outer)
        ? { do: 'setNode', id: m.id, set: { memberOf: [...m.memberOf, outer] } }
        : null,
    ),
    { do: 'setFigure', set: { arrangement: 'withContent' } },
  )
