/** A graph of another program as a figure: what its shapes, words and ends say it is. */
import { kinds, MAX_NODE_TEXT, type Figure, type FigureKind, type FigureLink, type FigureNode } from '../figure'

export type GraphNode = {
  readonly id: string
  readonly label: string
  /** What it is there: a question, a start, an end; null where nothing says it. */
  readonly role: 'question' | 'start' | 'end' | null
  /** The node or group it stands in. */
  readonly within: string | null
  readonly detail?: string
  readonly actor?: string
}
export type GraphEdge = { readonly from: string; readonly to: string; readonly label: string }
export type Graph = {
  readonly title: string
  readonly directed: boolean
  readonly nodes: readonly GraphNode[]
  readonly edges: readonly GraphEdge[]
}

const words = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, MAX_NODE_TEXT)

/** Ids of other programs may be of any length: ours are numbered. */
export function figureOfGraph(graph: Graph, kind = kindOf(graph)): Figure {
  const { nodes } = graph
  const id = new Map(nodes.map((n, i) => [n.id, `n${i}`]))
  const plain = kinds[kind].plainRole
  const made = nodes.map((n, i): FigureNode => ({
    ...{
      id: `n${i}`,
      role: kind === 'process' ? (n.role ?? 'step') : plain,
      text: words(n.label),
      order: i,
      source: [],
    },
    ...(n.detail ? { detail: words(n.detail) } : {}),
    ...(n.actor && kind === 'process' ? { actor: words(n.actor) } : {}),
  }))
  const within =
    kind === 'hierarchy' ? nodes.flatMap((n) => (n.within ? [{ from: n.within, to: n.id, label: '' }] : [])) : []
  const role = kinds[kind].linkRoles[0]
  const links = [...graph.edges, ...within].flatMap((e, i): FigureLink[] => {
    const [from, to] = [id.get(e.from), id.get(e.to)]
    if (!from || !to || !role || from === to) return []
    return [
      { ...{ id: `l${i}`, role, from, to, order: i, source: [] }, ...(words(e.label) ? { text: words(e.label) } : {}) },
    ]
  })
  return {
    ...{
      id: 'figure',
      kind,
      title: words(graph.title),
      language: 'en',
      arrangement: '',
      frame: 'page-column',
      houseStyle: '',
    },
    nodes: Object.fromEntries(made.map((n) => [n.id, n])),
    links: Object.fromEntries(links.map((l) => [l.id, l])),
    ...{ dress: {}, passage: null, wasRead: { text: '', nodes: {}, links: {} } },
  }
}

/** Questions make a process; one root above all makes a hierarchy; words on most links, or links without direction, a map. */
export function kindOf({ nodes, edges, directed }: Graph): FigureKind {
  if (nodes.some((n) => n.role !== null || n.actor)) return 'process'
  if (edges.length === 0) return nodes.some((n) => n.within) ? 'hierarchy' : 'points'
  if (!directed || edges.filter((e) => e.label.trim() !== '').length * 2 > edges.length) return 'concept'
  const parents = new Map<string, number>()
  for (const e of edges) parents.set(e.to, (parents.get(e.to) ?? 0) + 1)
  const roots = nodes.filter((n) => !parents.has(n.id))
  const single = [...parents.values()].every((count) => count === 1)
  const forks = new Set(edges.map((e) => e.from)).size < edges.length
  return single && roots.length === 1 && forks && edges.length === nodes.length - 1 ? 'hierarchy' : 'process'
}
