/** Where a dragged node would go, a row for each kind: onto a link, below another node, into a region, into a lane, to the
 *  place of another. Null where it would just stay where it is put. */
import { all, apply, changePlaces, intoRegion, isBelow, moveBelow, moveOnto, moveTo, regionOf } from '@/core/document'
import { nodesInOrder, type Figure, type FigureKind } from '@/core/figure'
import type { Point } from '@/core/geometry'
import type { Edit } from '@/core/document'
import type { Stage, Target } from './gesture'
import { laneAt, linkNear, nodeNear, regionAt } from './places'
import { said, type Hole, type Said } from '@/core/words'

/** A link is hit within so many canvas px. */
const ON_LINK = 14

type Find = (stage: Stage, ids: readonly string[], at: Point) => Target | null

const wordsOf = (f: Figure, id: string): Hole => f.nodes[id]?.text || said('the node without words')

const ontoNode =
  (make: (f: Figure, ids: readonly string[], target: string, stage: Stage) => Omit<Target, 'lights'> | null): Find =>
  (stage, ids, at) => {
    const target = nodeNear(stage.scene, at, 0, ids)
    const made = target === null ? null : make(stage.figure, ids, target, stage)
    return made && target !== null ? { ...made, lights: { nodes: [target] } } : null
  }

const below = ontoNode((f, ids, target, { newId }) => {
  if (ids.some((id) => isBelow(f, target, id))) return null
  const moves = ids.map((id) => moveBelow(f, id, target, newId()))
  return { says: said('Below “{words}”', { words: wordsOf(f, target) }), edit: all(...moves) }
})

const swapped = ontoNode((f, [id, ...more], target) =>
  id === undefined || more.length > 0
    ? null
    : { says: said('Change places with “{words}”', { words: wordsOf(f, target) }), edit: changePlaces(f, id, target) },
)

const inTurn = ontoNode((f, [id, ...more], target) => {
  if (id === undefined || more.length > 0) return null
  const order = nodesInOrder(f).map((n) => n.id)
  const forward = order.indexOf(id) < order.indexOf(target)
  return {
    says: forward
      ? said('Behind “{words}”', { words: wordsOf(f, target) })
      : said('Before “{words}”', { words: wordsOf(f, target) }),
    edit: moveTo(f, id, target, forward ? 'after' : 'before'),
  }
})

/** Several go onto a link one behind the other, in the order of the figure. */
const ontoLink: Find = ({ figure, scene, zoom, newId }, ids, at) => {
  const link = linkNear(scene, at, ON_LINK / zoom)
  const known = link === null ? undefined : figure.links[link]
  if (!known) return null
  const edits: Edit[] = []
  let [now, on] = [figure, known.id]
  for (const { id } of nodesInOrder(figure).filter((n) => ids.includes(n.id))) {
    const next = newId()
    const moved = moveOnto(now, id, on, next)
    if (!moved) return null
    edits.push(moved)
    now = apply(now, moved).figure
    on = next
  }
  const edit = all(...edits)
  const says = said('Between “{from}” and “{to}”', {
    from: wordsOf(figure, known.from),
    to: wordsOf(figure, known.to),
  })
  return { says, lights: { link: known.id }, edit }
}

const intoLane: Find = ({ figure, scene }, ids, at) => {
  const lane = laneAt(scene, at)
  const movers = ids.filter((id) => lane && figure.nodes[id]?.actor !== lane.actor)
  if (!lane || movers.length === 0) return null
  const edit = all(...movers.map((id): Edit => ({ do: 'setNode', id, set: { actor: lane.actor, held: null } })))
  return { says: said('Done by {actor}', { actor: lane.actor }), lights: { box: lane.box }, edit }
}

/** The names of sets, as one says where something lies. */
export const regionName = (f: Figure, sets: readonly string[]): Said =>
  sets.length === 0
    ? said('Outside all sets')
    : sets.length === 1
      ? said('Only in “{set}”', { set: wordsOf(f, sets[0] as string) })
      : said('In {sets}', { sets: sets.map((id) => `“${f.nodes[id]?.text ?? ''}”`) })

const intoSets: Find = ({ figure, scene }, ids, at) => {
  const sets = regionAt(scene, at)
  if (sets === null) return null
  const movers = ids.filter((id) => {
    const node = figure.nodes[id]
    return node && node.role !== 'set' && regionOf(figure, node).toSorted().join() !== sets.toSorted().join()
  })
  if (movers.length === 0) return null
  return {
    says: regionName(figure, sets),
    lights: { region: sets },
    edit: all(...movers.map((id) => intoRegion(id, sets))),
  }
}

const rows: Record<FigureKind, readonly Find[]> = {
  process: [swapped, ontoLink, intoLane],
  hierarchy: [below],
  decision: [below],
  venn: [intoSets],
  points: [inTurn],
  concept: [],
}

export function targetAt(stage: Stage, ids: readonly string[], at: Point): Target | null {
  for (const find of rows[stage.figure.kind]) {
    const target = find(stage, ids, at)
    if (target) return target
  }
  return null
}
