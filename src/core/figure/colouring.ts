/** What colour each node of a figure is to have, as a place in a series or on a scale; which colours these are, the house style
 *  says. */
import { groupsOf } from './chains'
import { linksInOrder, nodesInOrder, type Figure, type FigureNode, type NodeId } from './figure'
import type { Hue } from './hue'
import { hueOn, scaleOf } from './shows'
import type { Colouring } from './vocabulary'

const ROLE: Hue = { by: 'role' }
const series = (index: number): Hue => ({ by: 'series', index })

const rows: Readonly<Record<Colouring, (figure: Figure, nodes: readonly FigureNode[]) => ReadonlyMap<NodeId, Hue>>> = {
  role: (_, nodes) => new Map(nodes.map((n) => [n.id, ROLE])),
  one: (_, nodes) => new Map(nodes.map((n) => [n.id, ROLE])),
  each: (_, nodes) => new Map(nodes.map((n, i) => [n.id, series(i)])),
  level: (figure, nodes) => {
    const { level } = depths(figure)
    return new Map(nodes.map((n) => [n.id, series(level(n.id))]))
  },
  branch: (figure, nodes) => {
    const { line } = depths(figure)
    const heads = [...new Set(nodes.flatMap((n) => line(n.id)[1] ?? []))]
    // What all branches hang on belongs to none.
    return new Map(
      nodes.map((n) => {
        const head = line(n.id)[1]
        return [n.id, head === undefined ? ROLE : series(heads.indexOf(head))]
      }),
    )
  },
  group: (figure, nodes) => {
    const groups = groupsOf(figure)
    const groupOf = new Map(groups.flatMap((g) => [...g].map((id) => [id, g] as const)))
    const inOrder = [...new Set(nodes.map((n) => groupOf.get(n.id)))]
    return new Map(nodes.map((n) => [n.id, series(inOrder.indexOf(groupOf.get(n.id)))]))
  },
  actor: (_, nodes) => {
    const actors = [...new Set(nodes.flatMap((n) => n.actor ?? []))]
    return new Map(nodes.map((n) => [n.id, n.actor ? series(actors.indexOf(n.actor)) : ROLE]))
  },
  value: (_, nodes) => {
    const values = nodes.flatMap((n) => n.measure?.value ?? [])
    const [least, most] = [Math.min(...values), Math.max(...values)]
    const hue = (value: number | undefined): Hue =>
      value === undefined ? ROLE : { by: 'share', share: most > least ? (value - least) / (most - least) : 1 }
    return new Map(nodes.map((n) => [n.id, hue(n.measure?.value)]))
  },
  data: byData,
}

/** By the rule that shows data as colour: words as colours that tell apart, numbers on a scale. */
function byData(figure: Figure, nodes: readonly FigureNode[]): ReadonlyMap<NodeId, Hue> {
  const show = figure.shows?.find((s) => s.as === 'colour')
  const scale = show && scaleOf(figure, show)
  return new Map(nodes.map((n) => [n.id, (scale && hueOn(scale, n, show.column)) ?? ROLE]))
}

export const huesOf = (figure: Figure, colouring: Colouring): ReadonlyMap<NodeId, Hue> =>
  rows[colouring](figure, nodesInOrder(figure))

/** The nodes above each, from the root down to it; what is reached by several links hangs below the first. */
function depths(figure: Figure) {
  const above = new Map<NodeId, NodeId>()
  for (const l of linksInOrder(figure)) if (!above.has(l.to) && l.from !== l.to) above.set(l.to, l.from)
  const line = (id: NodeId): readonly NodeId[] => {
    const out = [id]
    for (let up = above.get(id); up !== undefined && !out.includes(up); up = above.get(up)) out.unshift(up)
    return out
  }
  return { line, level: (id: NodeId) => line(id).length - 1 }
}
