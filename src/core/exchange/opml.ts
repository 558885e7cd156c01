/** OPML 2.0 (opml.org/spec2): an outline in outlines. What an outline cannot say stands in attributes of our own namespace. */
import { escaped } from '../formats'
import { linksInOrder, type Figure, type FigureNode } from '../figure'
import { figureOfFlat, flatFigure, type Flat } from './flat'
import { figureOfGraph, type GraphEdge, type GraphNode } from './graph'
import { elements, named, textOf, xmlOf, type XmlElement } from './xml'

const NS = 'urn:idle-compass:figure'

export function opmlOf(figure: Figure): string {
  const { figure: head, nodes, links } = flatFigure(figure)
  const rows = new Map(nodes.map((n) => [n['id'] ?? '', n]))
  const own = (row: Flat, without: readonly string[]) =>
    Object.entries(row)
      .filter(([name]) => !without.includes(name))
      .map(([name, words]) => ` f:${name}="${attribute(words)}"`)
      .join('')
  const below = childrenOf(figure)
  const written = new Set<string>()
  const outline = (id: string): string => {
    const row = rows.get(id)
    if (!row || written.has(id)) return ''
    written.add(id)
    const note = row['detail'] === undefined ? '' : ` _note="${attribute(row['detail'])}"`
    const inner = (below.get(id) ?? []).map(outline).join('')
    return `<outline text="${attribute(row['text'] ?? '')}"${note}${own(row, ['text', 'detail'])}${inner ? `>${inner}</outline>` : '/>'}\n`
  }
  const isChild = new Set([...below.values()].flat())
  const tops = nodes.map((n) => n['id'] ?? '')
  const body = [...tops.filter((id) => !isChild.has(id)), ...tops].map(outline).join('')
  return `<?xml version="1.0" encoding="UTF-8"?>
<opml version="2.0" xmlns:f="${NS}">
<head><title>${escaped(figure.title)}</title><f:figure${own(head, [])}/>${links.map((l) => `<f:link${own(l, [])}/>`).join('')}</head>
<body>
${body}</body>
</opml>
`
}

/** Line breaks in attributes would become spaces. */
const attribute = (words: string): string =>
  escaped(words).replace(/\n/g, '&#10;').replace(/\r/g, '&#13;').replace(/\t/g, '&#9;')

/** Who stands below whom: by the links of a tree, by sets, else nobody. */
function childrenOf(figure: Figure): ReadonlyMap<string, readonly string[]> {
  const out = new Map<string, string[]>()
  const taken = new Set<string>()
  const add = (parent: string, child: string) => {
    if (taken.has(child)) return
    taken.add(child)
    out.set(parent, [...(out.get(parent) ?? []), child])
  }
  if (figure.kind === 'hierarchy' || figure.kind === 'decision')
    for (const l of linksInOrder(figure)) if (l.role !== 'weighs' && l.from !== l.to) add(l.from, l.to)
  if (figure.kind === 'venn')
    for (const n of Object.values(figure.nodes) as FigureNode[]) {
      const [first] = n.memberOf ?? []
      if (first && figure.nodes[first] && first !== n.id) add(first, n.id)
    }
  return out
}

/** Null where it is no OPML. Throws `UnsoundXml`. */
export function figureOfOpml(text: string): Figure | null {
  const root = xmlOf(text)
  if (root.name !== 'opml') return null
  const head = named(root, 'head')[0]
  const outlines: { readonly element: XmlElement; readonly within: number | null }[] = []
  const waiting = named(root, 'body')
    .flatMap((b) => named(b, 'outline'))
    .map((element) => ({ element, within: null as number | null }))
    .toReversed()
  for (let next = waiting.pop(); next; next = waiting.pop()) {
    const at = outlines.push(next) - 1
    waiting.push(
      ...named(next.element, 'outline')
        .map((element) => ({ element, within: at }))
        .toReversed(),
    )
  }
  const title = head ? textOf(named(head, 'title')[0] ?? { ...head, children: [] }).trim() : ''
  return (
    (head &&
      own(
        head,
        outlines.map((o) => o.element),
      )) ??
    otherOutline(title, outlines)
  )
}

const ownRow = (e: XmlElement): Record<string, string> =>
  Object.fromEntries(
    Object.entries(e.attributes).flatMap(([k, v]) => (/^\w+:/.test(k) ? [[k.replace(/^\w+:/, ''), v]] : [])),
  )

function own(head: XmlElement, outlines: readonly XmlElement[]): Figure | null {
  const figure = elements(head).find((e) => e.namespace === NS && e.name === 'figure')
  if (!figure) return null
  return figureOfFlat({
    figure: ownRow(figure),
    nodes: outlines.map((e) => {
      const { text = '', _note: detail } = e.attributes
      return { ...ownRow(e), text, ...(detail === undefined ? {} : { detail }) }
    }),
    links: elements(head).flatMap((e) => (e.namespace === NS && e.name === 'link' ? [ownRow(e)] : [])),
  })
}

/** Without levels it is a list of points. */
function otherOutline(
  title: string,
  outlines: readonly { readonly element: XmlElement; readonly within: number | null }[],
): Figure {
  const nodes = outlines.map(({ element, within }, i): GraphNode => {
    const { text, title: heading, _note } = element.attributes
    return {
      ...{ id: String(i), label: text ?? heading ?? '', role: null, within: null },
      ...(_note ? { detail: _note } : {}),
      ...(within === null ? {} : { within: String(within) }),
    }
  })
  const edges = outlines.flatMap(({ within }, i): GraphEdge[] =>
    within === null ? [] : [{ from: String(within), to: String(i), label: '' }],
  )
  const kind = edges.length > 0 ? 'hierarchy' : 'points'
  return figureOfGraph({ title, directed: true, nodes: nodes.map((n) => ({ ...n, within: null })), edges }, kind)
}
