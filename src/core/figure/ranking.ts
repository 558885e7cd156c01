/** Options ranked by criteria that are numbers with weights: the weighted sum of each (simple additive weighting); or by what is
 *  for and against each, where somebody has said how much it counts. */
import { linksInOrder, nodesInOrder, type Figure, type NodeId } from './figure'
import { argumentsIn, balanceOf, isWeighed } from './sides'

export type Rank = { readonly score: number; readonly rank: number }

/** What options score, in their order. */
function scoresOf(figure: Figure): ReadonlyMap<NodeId, number> {
  const sides = argumentsIn(figure)
  if (sides && isWeighed(sides)) return new Map(sides.map((w) => [w.option.id, balanceOf(w)]))
  return byCriteria(figure)
}

/** Equal scores share a rank. */
export function ranking(figure: Figure): ReadonlyMap<NodeId, Rank> {
  const scores = figure.kind === 'decision' ? scoresOf(figure) : new Map<NodeId, number>()
  return new Map(
    [...scores].map(([id, score]) => [id, { score, rank: 1 + [...scores.values()].filter((x) => x > score).length }]),
  )
}

/** Nothing unless every option has a number and a weight for the same criteria. */
function byCriteria(figure: Figure): ReadonlyMap<NodeId, number> {
  const options = nodesInOrder(figure).filter((n) => n.role === 'option')
  const scored = options.map((o) => {
    const cells = linksInOrder(figure)
      .filter((l) => l.from === o.id && figure.nodes[l.to]?.role === 'criterion')
      .map((l) => ({ name: l.text ?? '', value: numberIn(figure.nodes[l.to]?.text), weight: weightOf(figure, l.to) }))
    return {
      id: o.id,
      names: cells.map((c) => c.name).join('\n'),
      score: cells.reduce<number | null>(
        (s, c) => (s === null || c.value === null || c.weight === null ? null : s + c.value * c.weight),
        cells.length > 0 ? 0 : null,
      ),
    }
  })
  const comparable = scored.length > 1 && scored.every((s) => s.score !== null && s.names === scored[0]?.names)
  if (!comparable) return new Map()
  return new Map(scored.map((s) => [s.id, s.score as number]))
}

const numberIn = (words: string | undefined): number | null => {
  const found = /^\s*(-?\d+(?:\.\d+)?)\s*(?:\/\s*\d+|points?)?\s*$/.exec(words ?? '')
  return found ? Number(found[1]) : null
}
const weightOf = (figure: Figure, id: NodeId): number | null => {
  const weight = figure.nodes[id]?.fields?.weight
  const percent = /^\s*(\d+(?:\.\d+)?)\s*%\s*$/.exec(String(weight ?? ''))?.[1]
  if (percent !== undefined) return Number(percent) / 100
  return weight === undefined ? null : numberIn(String(weight))
}
