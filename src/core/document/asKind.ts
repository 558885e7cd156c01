/** The same figure as another kind. What the new kind cannot hold is laid aside in the figure, so that switching back finds
 *  every word, link and place again, with what was changed meanwhile. */
import { figureKinds, nodesInOrder, roleIn, type Aside, type Figure, type FigureKind, type FigureNode } from '../figure'
import { apply, type Edit } from './edit'
import { difference } from './difference'
import { restructured } from './restructure'
import { remove } from './remove'
import { insertAfter } from './shape'

/** The edit that shows the figure as another kind; it changes nothing where it is of that kind already. */
export const switchKind = (f: Figure, kind: FigureKind): Edit => difference(f, asKind(f, kind))

export function asKind(f: Figure, kind: FigureKind): Figure {
  if (kind === f.kind) return f
  const known = f.aside?.[kind]
  const { title = f.title, nodes, links } = known ? asItWas(f, kind, known) : restructured(f, kind)
  const next: Figure = { ...f, kind, title, nodes, links, arrangement: known?.arrangement ?? '' }
  const left: Aside = {
    title: f.title,
    arrangement: f.arrangement,
    nodes: f.nodes,
    links: f.links,
    became: nodes,
    titled: title,
  }
  const followed = figureKinds.flatMap((k) => {
    const old = f.aside?.[k]
    return old && k !== kind ? [[k, followedBy(old, f, next)] as const] : []
  })
  return { ...next, aside: { ...Object.fromEntries(followed), [f.kind]: left } }
}

const FIELDS = [
  'text',
  'detail',
  'order',
  'actor',
  'memberOf',
  'measure',
  'duration',
  'icon',
  'fields',
  'look',
  'held',
] as const
const alike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b)

/** The node as it was, but for what was changed since it became another. */
function merged(was: FigureNode, became: FigureNode | undefined, now: FigureNode, kind: FigureKind): FigureNode {
  const out: Record<string, unknown> = { ...now, role: became?.role === now.role ? was.role : roleIn(kind, now.role) }
  for (const field of FIELDS) {
    if (!alike(became?.[field], now[field])) continue
    if (was[field] === undefined) delete out[field]
    else out[field] = was[field]
  }
  // Fields are taken over from nodes, with their types.
  return out as FigureNode
}

function asItWas(f: Figure, kind: FigureKind, aside: Aside): Pick<Figure, 'title' | 'nodes' | 'links'> {
  let now: Figure = { ...f, kind, nodes: aside.nodes, links: aside.links }
  const change = (edit: Edit) => void (now = apply(now, edit).figure)
  for (const id of Object.keys(aside.nodes)) if (!f.nodes[id]) change(remove(now, id))
  for (const n of Object.values(f.nodes)) {
    const was = now.nodes[n.id]
    if (was) change({ do: 'putNode', node: merged(was, aside.became[n.id], n, kind) })
  }
  // What the switch itself added goes again, unless somebody has put other words into it.
  const isOwn = (n: FigureNode) => !aside.nodes[n.id] && aside.became[n.id]?.text === n.text
  let before = nodesInOrder(now)[0]?.id
  for (const n of nodesInOrder(f)) {
    if (now.nodes[n.id]) before = n.id
    if (now.nodes[n.id] || isOwn(n)) continue
    if (before) change(insertAfter(now, before, { node: n.id, link: `to-${n.id}`.slice(0, 64) }, n.text))
    const { held: _held, memberOf: _sets, order, ...rest } = n
    const placed = now.nodes[n.id]
    const role = placed?.role ?? roleIn(kind, n.role)
    change({ do: 'putNode', node: { ...placed, ...rest, role, order: placed?.order ?? order } })
    before = n.id
  }
  return { title: f.title === aside.titled ? aside.title : f.title, nodes: now.nodes, links: now.links }
}

/** What was laid aside earlier goes on telling what people changed from what the switch did. */
function followedBy(aside: Aside, before: Figure, after: Figure): Aside {
  const became = Object.entries(aside.became).flatMap(([id, node]) => {
    const [b, a] = [before.nodes[id], after.nodes[id]]
    if (!b || !a) return [[id, node] as const]
    const out: Record<string, unknown> = { ...node, role: node.role === b.role ? a.role : node.role }
    for (const field of FIELDS) {
      if (!alike(node[field], b[field])) continue
      if (a[field] === undefined) delete out[field]
      else out[field] = a[field]
    }
    return [[id, out as FigureNode] as const]
  })
  // What a switch adds, somebody did not.
  const added = Object.entries(after.nodes).filter(([id]) => !before.nodes[id])
  return {
    ...aside,
    became: Object.fromEntries([...became, ...added]),
    titled: aside.titled === before.title ? after.title : aside.titled,
  }
}
