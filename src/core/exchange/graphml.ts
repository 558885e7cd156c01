/** GraphML (graphml.graphdrawing.org, XML Schema 1.1): fields as `data`; nested graphs of others are groups. */
import { escaped } from '../formats'
import type { Figure } from '../figure'
import { figureFieldNames, figureOfFlat, flatFigure, linkFields, nodeFields, type Flat } from './flat'
import { figureOfGraph, type Graph, type GraphEdge, type GraphNode } from './graph'
import { below, named, textOf, xmlOf, type XmlElement } from './xml'

const NS = 'http://graphml.graphdrawing.org/xmlns'
/** Marks our own keys, so that they are told from those of others. */
const OWN = 'figure-'

export function graphmlOf(figure: Figure): string {
  const f = flatFigure(figure)
  const key = (where: 'graph' | 'node' | 'edge', name: string) =>
    `<key id="${OWN}${where}-${name}" for="${where}" attr.name="${name}" attr.type="string"/>`
  const data = (where: string, row: Flat, without: readonly string[]) =>
    Object.entries(row)
      .filter(([name]) => !without.includes(name))
      .map(([name, words]) => `<data key="${OWN}${where}-${name}">${escaped(words)}</data>`)
      .join('')
  const ends = ['id', 'from', 'to']
  return `<?xml version="1.0" encoding="UTF-8"?>
<graphml xmlns="${NS}" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance" xsi:schemaLocation="${NS} ${NS}/1.1/graphml.xsd">
${[
  ...figureFieldNames.map((n) => key('graph', n)),
  ...Object.keys(nodeFields).flatMap((n) => (n === 'id' ? [] : [key('node', n)])),
  ...Object.keys(linkFields).flatMap((n) => (n === 'from' || n === 'to' || n === 'id' ? [] : [key('edge', n)])),
].join('\n')}
<graph id="figure" edgedefault="directed">
${data('graph', f.figure, [])}
${f.nodes.map((n) => `<node id="${escaped(n['id'] ?? '')}">${data('node', n, ['id'])}</node>`).join('\n')}
${f.links.map((l) => `<edge id="${escaped(l['id'] ?? '')}" source="${escaped(l['from'] ?? '')}" target="${escaped(l['to'] ?? '')}">${data('edge', l, ends)}</edge>`).join('\n')}
</graph>
</graphml>
`
}

/** Null where it is no GraphML. Throws `UnsoundXml`. */
export function figureOfGraphml(text: string): Figure | null {
  const root = xmlOf(text)
  if (root.name !== 'graphml') return null
  const [graph] = named(root, 'graph')
  if (!graph) return null
  return own(graph) ?? figureOfGraph(graphOf(root, graph))
}

function own(graph: XmlElement): Figure | null {
  const row = (e: XmlElement, where: string): Record<string, string> =>
    Object.fromEntries(
      named(e, 'data').flatMap((d) => {
        const key = d.attributes['key'] ?? ''
        return key.startsWith(`${OWN}${where}-`) ? [[key.slice(OWN.length + where.length + 1), textOf(d)]] : []
      }),
    )
  const figure = row(graph, 'graph')
  if (!figure['kind']) return null
  return figureOfFlat({
    figure,
    nodes: named(graph, 'node').map((n) => ({ ...row(n, 'node'), id: n.attributes['id'] ?? '' })),
    links: named(graph, 'edge').map((e) => ({
      ...row(e, 'edge'),
      ...{ id: e.attributes['id'] ?? '', from: e.attributes['source'] ?? '', to: e.attributes['target'] ?? '' },
    })),
  })
}

const LABEL = /^(?:text|label|name|title|caption|value|id_?name)$/i
const DETAIL = /^(?:detail|description|note|comment|documentation)$/i

function graphOf(root: XmlElement, graph: XmlElement): Graph {
  const names = new Map(named(root, 'key').map((k) => [k.attributes['id'] ?? '', k.attributes['attr.name'] ?? '']))
  const dataOf = (e: XmlElement) =>
    named(e, 'data').map((d) => ({ name: names.get(d.attributes['key'] ?? '') ?? '', data: d }))
  const plain = (e: XmlElement, wanted: RegExp): string =>
    dataOf(e)
      .filter((d) => wanted.test(d.name))
      .map((d) => textOf(d.data).trim())
      .find((t) => t !== '') ?? ''
  // Drawing programs put their words into elements of their own, called a label of some sort.
  const drawn = (e: XmlElement): string => {
    for (const { data } of dataOf(e))
      for (const inner of below(data))
        if (/label$/i.test(inner.name) && textOf(inner).trim()) return textOf(inner).trim()
    return ''
  }
  const isQuestion = (e: XmlElement): boolean =>
    dataOf(e).some(({ data }) =>
      [...below(data)].some((x) => Object.values(x.attributes).some((a) => /diamond|decision|rhomb/i.test(a))),
    )
  const nodes: GraphNode[] = []
  const edges: GraphEdge[] = []
  const waiting: { readonly at: XmlElement; readonly within: string | null }[] = [{ at: graph, within: null }]
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    for (const n of named(next.at, 'node')) {
      const id = n.attributes['id'] ?? ''
      const label = plain(n, LABEL) || drawn(n) || id
      const detail = plain(n, DETAIL)
      nodes.push({
        ...{ id, label, role: isQuestion(n) ? 'question' : null, within: next.within },
        ...(detail ? { detail } : {}),
      })
      for (const inner of named(n, 'graph')) waiting.push({ at: inner, within: id })
    }
    for (const e of named(next.at, 'edge'))
      edges.push({
        from: e.attributes['source'] ?? '',
        to: e.attributes['target'] ?? '',
        label: plain(e, LABEL) || drawn(e),
      })
  }
  const title = plain(graph, LABEL)
  return { title, directed: graph.attributes['edgedefault'] !== 'undirected', nodes, edges }
}
