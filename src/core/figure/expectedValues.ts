/** Expected values of a decision, rolled back from its outcomes (Raiffa 1968, "Decision Analysis"): a chance is worth the
 *  mean of what it may lead to, a choice as much as its best option. */
import { backEdges } from '../graph'
import { linksInOrder, type Figure, type FigureLink, type LinkId, type NodeId } from './figure'
import { inOneUnit } from './measures'

export type RolledBack = {
  /** By node, of all whose worth follows from chances or choices below them. */
  readonly values: ReadonlyMap<NodeId, number>
  /** The links of the best options. */
  readonly best: ReadonlySet<LinkId>
  readonly unit: string
}

const NOTHING: RolledBack = { values: new Map(), best: new Set(), unit: '' }
/** Chances that differ from 1 by more than rounding to whole percents are not a complete set. */
const COMPLETE = 0.011

/** Nothing where chances do not add up, an outcome has no value, units differ or links lead in a circle: a number that is
 *  not known is not made up. */
export function expectedValues(given: Figure): RolledBack {
  if (given.kind !== 'decision') return NOTHING
  const figure = inOneUnit(given)
  const units = new Set(Object.values(figure.nodes).flatMap((n) => (n.measure ? [n.measure.unit] : [])))
  if (units.size !== 1) return NOTHING
  const links = linksInOrder(figure)
  if (backEdges(Object.keys(figure.nodes), links).size > 0) return NOTHING
  const out = new Map<NodeId, FigureLink[]>()
  for (const l of links) out.set(l.from, [...(out.get(l.from) ?? []), l])
  const values = new Map<NodeId, number>()
  const best = new Set<LinkId>()
  const known = new Map<NodeId, number | null>()
  /** What a node brings with all that follows from it; null when that is not known. */
  const worth = (id: NodeId): number | null => {
    const before = known.get(id)
    if (before !== undefined) return before
    const found = workedOut(id)
    known.set(id, found)
    return found
  }
  const workedOut = (id: NodeId): number | null => {
    const node = figure.nodes[id]
    const below = (out.get(id) ?? []).map((l) => ({ link: l, value: worth(l.to) }))
    const own = node?.measure?.value ?? null
    const rest = node?.role === 'choice' ? choose(below) : follow(below)
    if (rest === undefined) return own
    if (rest === null) return null
    const whole = (own ?? 0) + rest
    if (below.length > 0 && (node?.role === 'choice' || below.some((b) => b.link.probability !== undefined)))
      values.set(id, whole)
    return whole
  }
  const choose = (below: readonly Below[]): Worth => {
    if (below.length === 0) return undefined
    if (below.some((b) => b.value === null)) return null
    const most = Math.max(...below.map((b) => b.value as number))
    below.forEach((b) => b.value === most && best.add(b.link.id))
    return most
  }
  Object.keys(figure.nodes).forEach(worth)
  return { values, best, unit: [...units][0] ?? '' }
}

type Below = { readonly link: FigureLink; readonly value: number | null }
/** Undefined where nothing below bears on the worth, null where something does whose worth is not known. */
type Worth = number | null | undefined

/** What comes for certain counts in full, what comes by chance by its chance. */
function follow(below: readonly Below[]): Worth {
  const chances = below.filter((b) => b.link.probability !== undefined)
  const certain = below.filter((b) => b.link.probability === undefined && b.value !== null)
  if (chances.length === 0 && certain.length === 0) return undefined
  const sum = chances.reduce((s, b) => s + (b.link.probability as number), 0)
  if (chances.length > 0 && (Math.abs(sum - 1) > COMPLETE || chances.some((b) => b.value === null))) return null
  return (
    chances.reduce((s, b) => s + (b.link.probability as number) * (b.value as number), 0) +
    certain.reduce((s, b) => s + (b.value as number), 0)
  )
}
