/** A figure as indented rows: what the outline beside the picture shows. In a process the branches of a question stand
 *  below it until they meet again; a link to a step already shown is a return. */
import {
  linksInOrder,
  nodesInOrder,
  type Figure,
  type FigureKind,
  type FigureLink,
  type FigureNode,
  type LinkId,
  type NodeId,
} from '../figure'
import { componentsOf, reachable, successors } from '../graph'
import { regionsOf, setsOf } from './regions'
import { treeRows } from './treeShape'

export type OutlineRow =
  | {
      readonly row: 'node'
      readonly id: NodeId
      readonly depth: number
      readonly number: number | null
      readonly node: FigureNode
    }
  | { readonly row: 'branch'; readonly id: LinkId; readonly depth: number; readonly link: FigureLink }
  | {
      readonly row: 'goTo'
      readonly id: LinkId
      readonly depth: number
      readonly to: FigureNode
      readonly link: FigureLink
    }
  /** What a concept has to do with another. */
  | {
      readonly row: 'statement'
      readonly id: LinkId
      readonly depth: number
      readonly to: FigureNode
      readonly link: FigureLink
    }
  /** Where the members of just these sets stand; its id are the sets, parted by spaces. */
  | { readonly row: 'region'; readonly id: string; readonly depth: number; readonly sets: readonly FigureNode[] }
  /** The line of detail under a node. */
  | { readonly row: 'detail'; readonly id: NodeId; readonly depth: number; readonly node: FigureNode }

export const outlineOf = (figure: Figure): OutlineRow[] => outlines[figure.kind](figure)

const nodeRow = (node: FigureNode, depth: number, number: number | null): OutlineRow => ({
  row: 'node',
  id: node.id,
  depth,
  number,
  node,
})
const treeOutline = (figure: Figure): OutlineRow[] =>
  treeRows(figure).map(({ node, depth }, i) => nodeRow(node, depth, i + 1))

/** Each kind in its own form. */
const outlines: Record<FigureKind, (figure: Figure) => OutlineRow[]> = {
  process: (f) => new ProcessOutline(f, nodesInOrder(f)).rows,
  hierarchy: treeOutline,
  decision: treeOutline,
  points: (f) =>
    nodesInOrder(f).flatMap((node, i) => [
      nodeRow(node, 0, i + 1),
      ...(node.detail ? [{ row: 'detail', id: node.id, depth: 1, node } as const] : []),
    ]),
  concept: (f) => {
    const links = linksInOrder(f)
    return nodesInOrder(f).flatMap((node, i) => [
      nodeRow(node, 0, i + 1),
      ...links.flatMap((link): OutlineRow[] => {
        const to = f.nodes[link.to]
        return link.from === node.id && to ? [{ row: 'statement', id: link.id, depth: 1, link, to }] : []
      }),
    ])
  },
  venn: (f) => [
    ...setsOf(f).map((node) => nodeRow(node, 0, null)),
    ...regionsOf(f).flatMap(({ sets, members }): OutlineRow[] => [
      { row: 'region', id: sets.map((s) => s.id).join(' '), depth: 0, sets },
      ...members.map((node) => nodeRow(node, 1, null)),
    ]),
  ],
}

class ProcessOutline {
  readonly rows: OutlineRow[] = []
  private readonly shown = new Set<NodeId>()
  private readonly out = new Map<NodeId, FigureLink[]>()
  private steps = 0

  constructor(
    private readonly figure: Figure,
    private readonly nodes: readonly FigureNode[],
  ) {
    for (const l of linksInOrder(figure)) this.out.set(l.from, [...(this.out.get(l.from) ?? []), l])
    for (const n of nodes) if (!this.shown.has(n.id)) this.sequence(n.id, 0, null)
  }

  /** Shows a node and what follows it, up to `until`, where branches meet. */
  private sequence(first: NodeId, depth: number, until: NodeId | null): void {
    let id: NodeId | null = first
    while (id !== null && id !== until && !this.shown.has(id)) {
      const node: FigureNode = this.figure.nodes[id] as FigureNode
      this.shown.add(id)
      this.rows.push({ row: 'node', id, depth, number: node.role === 'question' ? null : ++this.steps, node })
      const links: FigureLink[] = this.out.get(id) ?? []
      if (links.length > 1 || node.role === 'question') {
        const join = this.join(links, until)
        for (const l of links) {
          this.rows.push({ row: 'branch', id: l.id, depth: depth + 1, link: l })
          if (l.to === join || l.to === until) continue
          if (this.shown.has(l.to)) this.goTo(l, depth + 2)
          else this.sequence(l.to, depth + 2, join ?? until)
        }
        id = join
      } else {
        const link: FigureLink | undefined = links[0]
        if (link && link.to !== until && this.shown.has(link.to)) this.goTo(link, depth)
        id = link?.to ?? null
      }
    }
  }

  private goTo(link: FigureLink, depth: number): void {
    this.rows.push({ row: 'goTo', id: link.id, depth, link, to: this.figure.nodes[link.to] as FigureNode })
  }

  /** The first node in text order, not shown yet, that at least two branches can reach without passing it. */
  private join(links: readonly FigureLink[], until: NodeId | null): NodeId | null {
    const ids = this.nodes.map((n) => n.id).filter((id) => !this.shown.has(id))
    const next = successors(
      ids,
      Object.values(this.figure.links).filter((l) => !this.shown.has(l.to)),
    )
    const sets = links.filter((l) => !this.shown.has(l.to)).map((l) => reachable(l.to, next))
    const common = ids.filter((id) => sets.filter((s) => s.has(id)).length >= 2)
    // Whatever a common node leads to is common, too: the first of those that no others of them lead to.
    const component = componentsOf(common, next)
    const led = new Set<number>()
    for (const id of common)
      for (const to of next.get(id) ?? []) if (component.get(to) !== component.get(id)) led.add(component.get(to) ?? -1)
    const first = common.find((id) => !led.has(component.get(id) ?? -1))
    return first === until ? null : (first ?? null)
  }
}
