/** Options ranked by criteria that are numbers with weights: the weighted sum of each (simple additive weighting). */
import { linksInOrder, nodesInOrder, type Figure, type NodeId } from './figure'

export type Rank = { readonly score: number; readonly rank: number }

/** Nothing unless every option has a number and a weight for the same criteria. Equal scores share a rank. */
export function ranking(figure: Figure): ReadonlyMap<NodeId, Rank> {
  if (figure.kind !== 'decision') return new Map()
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
  const scores = scored.map((s) => s.score as number)
  return new Map(
    scored.map((s, i) => [
      s.id,
      { score: scores[i] as number, rank: 1 + scores.filter((x) => x > (scores[i] as number)).length },
    ]),
  )
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
