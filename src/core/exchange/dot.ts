/** DOT, the language of graphs (graphviz.org/doc/info/lang.html): its grammar is in `dotSyntax`. */
import type { Figure, NodeRole } from '../figure'
import { DotFault, dotGraph, type DotAttributes, type DotEvent, type DotGraph } from './dotSyntax'
import { figureOfFlat, flatFigure, type Flat } from './flat'
import { figureOfGraph, type Graph, type GraphEdge, type GraphNode } from './graph'

/** Before our own attributes, which other programs pass over. */
const OWN = 'figure_'

/** A backslash stands before a letter for what DOT knows by it, and so before another for itself. */
const quoted = (words: string): string => `"${words.replace(/\\/g, '\\\\').replace(/"/g, '\\"').replace(/\n/g, '\\n')}"`
const SHAPES: Partial<Record<NodeRole, string>> = {
  question: 'diamond',
  chance: 'circle',
  outcome: 'cds',
  start: 'oval',
  end: 'oval',
  connector: 'circle',
  member: 'plaintext',
}

export function dotOf(figure: Figure): string {
  const { figure: head, nodes, links } = flatFigure(figure)
  const own = (row: Flat, without: readonly string[] = []) =>
    Object.entries(row)
      .filter(([name]) => !without.includes(name))
      .map(([name, words]) => `${OWN}${name}=${quoted(words)}`)
  const node = (n: Flat) => {
    const shape = SHAPES[n['role'] as NodeRole] ?? 'box'
    return `  ${quoted(n['id'] ?? '')} [${[`label=${quoted(n['text'] ?? '')}`, `shape=${shape}`, ...own(n, ['id', 'text'])].join(', ')}];`
  }
  const edge = (l: Flat) => {
    const label = l['text'] === undefined ? [] : [`label=${quoted(l['text'])}`]
    return `  ${quoted(l['from'] ?? '')} -> ${quoted(l['to'] ?? '')} [${[...label, ...own(l, ['from', 'to', 'text'])].join(', ')}];`
  }
  return `digraph ${quoted(figure.title || 'figure')} {\n${own(head)
    .map((a) => `  ${a};`)
    .join('\n')}\n${[...nodes.map(node), ...links.map(edge)].join('\n')}\n}\n`
}

type Found = { readonly id: string; readonly attributes: DotAttributes; readonly within: string | null }
type FoundEdge = { readonly from: string; readonly to: string; readonly attributes: DotAttributes }
type Read = {
  readonly directed: boolean
  readonly title: string
  readonly graph: Record<string, string>
  readonly nodes: Map<string, Found>
  readonly edges: FoundEdge[]
  readonly groups: Map<string, string>
}

/** Null where it is no DOT. */
export function figureOfDot(text: string): Figure | null {
  const read = readDot(text)
  return read && (own(read) ?? figureOfGraph(graphOf(read)))
}

function readDot(text: string): Read | null {
  try {
    return readGraph(dotGraph(text))
  } catch (error) {
    // Not DOT, or broken: said by whoever asked.
    if (error instanceof DotFault) return null
    throw error
  }
}

/** What is open: the group of its kind that shows a frame, and what its nodes have where they say nothing. */
type Open = { readonly within: string | null; defaults: DotAttributes }

function readGraph({ directed, id, events }: DotGraph): Read {
  const read: Read = {
    ...{ directed, title: id ?? '', graph: {} },
    ...{ nodes: new Map(), edges: [], groups: new Map() },
  }
  const open: Open[] = [{ within: null, defaults: {} }]
  for (const e of events) {
    const here = open.at(-1) as Open
    if (e.event === 'open')
      open.push({ within: e.id?.startsWith('cluster') ? e.id : here.within, defaults: here.defaults })
    else if (e.event === 'close') open.pop()
    else if (e.event === 'attribute') told(read, here.within, { [e.name]: e.value })
    else if (e.event === 'defaults') defaults(e, read, here)
    else if (e.event === 'node') {
      const known = read.nodes.get(e.id)
      const attributes = { ...(known?.attributes ?? here.defaults), ...e.attributes }
      read.nodes.set(e.id, { id: e.id, attributes, within: known?.within ?? here.within })
    } else read.edges.push(...edgesOf(e))
  }
  return read
}

function defaults({ of, attributes }: Extract<DotEvent, { event: 'defaults' }>, read: Read, here: Open): void {
  if (of === 'node') here.defaults = { ...here.defaults, ...attributes }
  else if (of === 'graph') told(read, here.within, attributes)
}

/** From every node of an end to every one of the next. */
const edgesOf = ({ ends, attributes }: Extract<DotEvent, { event: 'edge' }>): FoundEdge[] =>
  ends.slice(1).flatMap((to, i) => (ends[i] ?? []).flatMap((from) => to.map((t) => ({ from, to: t, attributes }))))

/** Of the graph as a whole, or of a group. */
function told({ graph, groups }: Read, within: string | null, attributes: DotAttributes): void {
  if (within === null) Object.assign(graph, attributes)
  else if (attributes['label'] !== undefined) groups.set(within, attributes['label'])
}

const ownRow = (attributes: DotAttributes): Record<string, string> =>
  Object.fromEntries(
    Object.entries(attributes).flatMap(([k, v]) => (k.startsWith(OWN) ? [[k.slice(OWN.length), v]] : [])),
  )

function own({ graph, nodes, edges }: Read): Figure | null {
  const figure = ownRow(graph)
  if (!figure['kind']) return null
  return figureOfFlat({
    figure,
    nodes: [...nodes.values()].map((n) => ({ ...ownRow(n.attributes), id: n.id, text: n.attributes['label'] ?? '' })),
    links: edges.map((e) => ({
      ...ownRow(e.attributes),
      ...{ from: e.from, to: e.to },
      ...(e.attributes['label'] === undefined ? {} : { text: e.attributes['label'] }),
    })),
  })
}

const QUESTION = /^(?:diamond|Mdiamond|rhombus)$/
/** Labels may be marked up, or records with ports: their words are what they say. */
const wordsOf = (label: string): string =>
  label
    .replace(/<br\s*\/?>/gi, '\n')
    .replace(/<[^<>]*>/g, ' ')
    .replace(/&(lt|gt|amp|quot);/g, (_, n: string) => ({ lt: '<', gt: '>', amp: '&', quot: '"' })[n] ?? '')
    .replace(/[{}|]/g, ' ')

function graphOf({ directed, title, graph, nodes, edges, groups }: Read): Graph {
  const met = [...nodes.values()].map((n): GraphNode => {
    const { label, shape = '', xlabel } = n.attributes
    const text = label === undefined || label === '\\N' ? n.id : wordsOf(label)
    const actor = n.within ? groups.get(n.within) : undefined
    return {
      ...{ id: n.id, label: text, role: QUESTION.test(shape) ? 'question' : null, within: null },
      ...(xlabel ? { detail: xlabel } : {}),
      ...(actor ? { actor } : {}),
    }
  })
  const all = edges.map((e): GraphEdge => ({ from: e.from, to: e.to, label: wordsOf(e.attributes['label'] ?? '') }))
  const isNamed = /\s/.test(title) || graph['label'] !== undefined
  return { title: graph['label'] ?? (isNamed ? title : ''), directed, nodes: met, edges: all }
}
