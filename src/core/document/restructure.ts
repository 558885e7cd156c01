/** A figure's nodes and links in the structure of another kind: a row for each kind, by what it is made of. Every node stays,
 *  with its words; words of links that the kind cannot hold go into the details of where they come from. */
import {
  kinds,
  linksInOrder,
  nodesInOrder,
  roleIn,
  type Figure,
  type FigureKind,
  type FigureLink,
  type FigureNode,
  type LinkRole,
  type NodeId,
} from '../figure'
import { outlineOf } from './outline'
import { treeRows } from './treeShape'

type Structure = Pick<Figure, 'nodes' | 'links'> & { readonly title?: string }

/** A circle diagram can be read with so many sets. */
const MOST_SETS = 5

/** The figure's nodes and links as those of another kind; positions are left to layout. */
export function restructured(f: Figure, kind: FigureKind): Structure {
  const bare: Figure = {
    ...f,
    nodes: mapped(f.nodes, ({ held: _held, ...n }) => ({ ...n, role: roleIn(kind, n.role) })),
    links: mapped(f.links, ({ heldRoute: _route, ...l }) => l),
  }
  return rows[kind](bare, f)
}

/** `f` has the roles of the new kind already, `was` is the figure as it stood. */
const rows: Record<FigureKind, (f: Figure, was: Figure) => Structure> = {
  process: (f, was) =>
    was.kind === 'decision' || was.kind === 'concept'
      ? { nodes: f.nodes, links: withRole(f.links, 'next') }
      : chained(
          f,
          treeRows(was).map((r) => r.node.id),
        ),
  concept: (f, was) =>
    was.kind === 'venn'
      ? linked(f, membership(was), 'relation')
      : was.kind === 'points'
        ? underTitle(f, 'concept', 'relation')
        : { nodes: f.nodes, links: withRole(f.links, 'relation') },
  hierarchy: (f, was) => hierarchy(f, was),
  decision: (f, was) => decision(f, was),
  venn: (f, was) => venn(f, was),
  points: (f, was) => ({ nodes: inOrder(withStatements(f, was, Object.values(was.links)), was), links: {} }),
}

function hierarchy(f: Figure, was: Figure): Structure {
  if (was.kind === 'points') return underTitle(f, 'item', 'child')
  if (was.kind === 'venn') return linked(f, membership(was), 'child')
  if (was.kind === 'process') {
    const branches = byOutline(was)
    const isSaid = (l: FigureLink) =>
      branches.some(([from, to, text]) => l.from === from && l.to === to && l.text === text)
    const nodes = withStatements(
      f,
      was,
      Object.values(was.links).filter((l) => !isSaid(l)),
    )
    return underTitle({ ...f, ...linked({ ...f, nodes }, branches, 'child') }, 'item', 'child')
  }
  const up = firstParents(was)
  return {
    nodes: withStatements(
      f,
      was,
      Object.values(was.links).filter((l) => !up.has(l.id)),
    ),
    links: withRole(Object.fromEntries(Object.entries(f.links).filter(([id]) => up.has(id))), 'child'),
  }
}

function decision(f: Figure, was: Figure): Structure {
  if (was.kind === 'points' || was.kind === 'venn') return underTitle(f, 'choice', 'leads')
  const links = withRole(f.links, 'leads')
  const ends = (id: NodeId, end: 'from' | 'to') => Object.values(links).some((l) => l[end] === id)
  // Where a role says nothing about choices, the place in the tree does.
  const roleOf = (n: FigureNode): FigureNode['role'] =>
    n.role !== 'option' ? n.role : !ends(n.id, 'from') ? 'outcome' : !ends(n.id, 'to') ? 'choice' : 'option'
  return { nodes: mapped(f.nodes, (n) => ({ ...n, role: roleOf(n) })), links }
}

/** What has others below it becomes a set, and they its members; else one set, named as the figure, holds all. */
function venn(f: Figure, was: Figure): Structure {
  const below = Object.values(was.links).filter((l) => l.from !== l.to)
  const isTop = (id: NodeId) => !below.some((l) => l.to === id)
  const tops = treeRows(was).flatMap((r) => (isTop(r.node.id) ? [r.node.id] : []))
  const [root] = tops
  const children = (id: NodeId) => below.filter((l) => l.from === id).map((l) => l.to)
  const found = was.kind === 'process' || was.kind === 'points' ? [] : tops.length === 1 && root ? children(root) : tops
  const sets = [...new Set(found)].filter((id) => children(id).length > 0)
  if (sets.length < 2 || sets.length > MOST_SETS) {
    const set = titleNode(f, 'set')
    const members = mapped(withStatements(f, was, below), (n): FigureNode => ({
      ...n,
      role: 'member',
      memberOf: [set.id],
    }))
    return { nodes: { ...members, [set.id]: set }, links: {} }
  }
  const reached = (id: NodeId): ReadonlySet<NodeId> => {
    const seen = new Set<NodeId>([id])
    for (const at of seen) for (const next of children(at)) seen.add(next)
    return seen
  }
  const of = new Map(sets.map((id) => [id, reached(id)]))
  const nodes = mapped(
    withStatements(
      f,
      was,
      below.filter((l) => l.text),
    ),
    ({ memberOf: _sets, ...n }): FigureNode =>
      sets.includes(n.id)
        ? { ...n, role: 'set' }
        : { ...n, role: 'member', memberOf: sets.filter((s) => of.get(s)?.has(n.id)) },
  )
  return { nodes, links: {} }
}

/** Sets with their members; members of several below the first of these sets. */
const membership = (f: Figure): (readonly [NodeId, NodeId])[] =>
  nodesInOrder(f).flatMap((n) =>
    n.role === 'set' ? [] : (n.memberOf ?? []).slice(0, 1).map((set) => [set, n.id] as const),
  )

/** The branches of a question below it. */
function byOutline(f: Figure): (readonly [NodeId, NodeId, string?])[] {
  const out: (readonly [NodeId, NodeId, string?])[] = []
  const over: { readonly id: NodeId; readonly depth: number; answer: string }[] = []
  for (const r of outlineOf(f)) {
    while ((over.at(-1)?.depth ?? -1) >= r.depth) over.pop()
    const above = over.at(-1)
    if (r.row === 'branch' && above) above.answer = r.link.text ?? ''
    if (r.row !== 'node') continue
    if (above) out.push([above.id, r.id, above.answer])
    over.push({ id: r.id, depth: r.depth, answer: '' })
  }
  return out
}

/** For each node the first link that leads to it without closing a circle. */
function firstParents(f: Figure): ReadonlySet<string> {
  const rowsOf = treeRows(f)
  const at = new Map(rowsOf.map((r, i) => [r.node.id, i]))
  const taken = new Set<NodeId>()
  return new Set(
    linksInOrder(f).flatMap((l) => {
      if (taken.has(l.to) || (at.get(l.from) ?? 0) >= (at.get(l.to) ?? 0)) return []
      taken.add(l.to)
      return [l.id]
    }),
  )
}

const chained = (f: Figure, ids: readonly NodeId[]): Structure => {
  const order = new Map(ids.map((id, i) => [id, i + 1]))
  const nodes = mapped(f.nodes, (n) => ({ ...n, order: order.get(n.id) ?? n.order }))
  const pairs = ids.slice(1).map((id, i) => [ids[i] as NodeId, id] as const)
  // A label on the way to a node is kept there.
  const words = new Map(Object.values(f.links).flatMap((l) => (l.text ? [[l.to, l.text] as const] : [])))
  return linked(
    { ...f, nodes },
    pairs.map(([from, to]) => [from, to, words.get(to)]),
    'next',
  )
}

function linked(f: Figure, pairs: readonly (readonly [NodeId, NodeId, string?])[], role: LinkRole): Structure {
  const links = pairs.map(([from, to, text], i): FigureLink => ({
    id: `${f.kind}-${role}-${i + 1}`,
    role,
    from,
    to,
    order: i + 1,
    source: [],
    ...(text ? { text } : {}),
  }))
  return { nodes: f.nodes, links: Object.fromEntries(links.map((l) => [l.id, l])) }
}

/** What has nothing above it stands below a node with the title of the figure, where it is more than one. */
function underTitle(f: Figure, role: FigureNode['role'], link: LinkRole): Structure {
  const tops = nodesInOrder(f).filter((n) => !Object.values(f.links).some((l) => l.to === n.id && l.role === link))
  const links = Object.fromEntries(Object.entries(f.links).filter(([, l]) => l.role === link))
  if (tops.length < 2) return { nodes: f.nodes, links }
  const root = titleNode(f, role)
  const added = linked(
    f,
    tops.map((n) => [root.id, n.id] as const),
    link,
  ).links
  return {
    nodes: { [root.id]: root, ...f.nodes },
    links: {
      ...Object.fromEntries(Object.values(added).map((l) => [`top-${l.id}`, { ...l, id: `top-${l.id}` }])),
      ...links,
    },
  }
}

function titleNode(f: Figure, role: FigureNode['role']): FigureNode {
  const first = Math.min(...Object.values(f.nodes).map((n) => n.order), 1)
  let id = 'title'
  while (f.nodes[id]) id += '-'
  return { id, role, text: f.title || kinds[f.kind].name, order: first - 1, source: [] }
}

/** What links say in words, beside where they come from. */
function withStatements(f: Figure, was: Figure, links: readonly FigureLink[]): Figure['nodes'] {
  const said = (id: NodeId): string[] =>
    linksInOrder(was).flatMap((l) =>
      l.from === id && l.text && links.some((o) => o.id === l.id) ? [`${l.text}: ${was.nodes[l.to]?.text ?? ''}`] : [],
    )
  const sets = (n: FigureNode): string[] =>
    was.kind === 'venn' && f.kind !== 'venn' ? (n.memberOf ?? []).flatMap((id) => was.nodes[id]?.text ?? []) : []
  return mapped(f.nodes, (n) => {
    const detail = [n.detail, ...said(n.id), sets(n).join(', ')].filter(Boolean).join('; ')
    return detail && detail !== n.detail ? { ...n, detail } : n
  })
}

/** Nodes in the order in which the outline shows them. */
function inOrder(nodes: Figure['nodes'], was: Figure): Figure['nodes'] {
  const ids = outlineOf(was).flatMap((r) => (r.row === 'node' ? [r.id] : []))
  const order = new Map([...new Set(ids)].map((id, i) => [id, i + 1]))
  return mapped(nodes, (n) => ({ ...n, order: order.get(n.id) ?? n.order }))
}

const withRole = (links: Figure['links'], role: LinkRole): Figure['links'] => mapped(links, (l) => ({ ...l, role }))

const mapped = <T, U>(record: Readonly<Record<string, T>>, make: (value: T) => U): Record<string, U> =>
  Object.fromEntries(Object.entries(record).map(([id, value]) => [id, make(value)]))
