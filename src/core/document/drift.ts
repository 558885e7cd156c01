/** Drift: the figure as its text gave it then, its text as it reads now, and the figure as people have made it since. What the
 *  text has changed is told piece by piece, each with the edit that takes it over and the one that leaves it; what people
 *  changed stays. A three-way comparison (Khanna, Kunal, Pierce 2007, "A Formal Investigation of Diff3") over nodes that are
 *  matched by their words. */
import { linksInOrder, nodesInOrder, type Figure, type FigureNode, type NodeId } from '../figure'
import { all, apply, type Edit } from './edit'
import { insertAfter, rename, renameLink } from './shape'
import { remove } from './remove'

type Ids = () => { readonly node: NodeId; readonly link: string }

export type Drifted = {
  readonly id: string
  readonly is: 'added' | 'gone' | 'changed' | 'answer'
  /** As it was read, where it was there. */
  readonly was: string | null
  /** As the text says it now, where it still does. */
  readonly now: string | null
  /** As it stands in the figure, where somebody has changed it by hand. */
  readonly own: string | null
  /** The node or link that it is about, where it is in the figure. */
  readonly part: string | null
  readonly take: Edit
  readonly leave: Edit
}

const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
const bag = (s: string): ReadonlySet<string> => new Set(plain(s).split(' '))
/** Shared words of both, by Dice's measure. */
function likeness(a: string, b: string): number {
  const [x, y] = [bag(a), bag(b)]
  return (2 * [...x].filter((w) => y.has(w)).length) / Math.max(1, x.size + y.size)
}
const LIKE = 0.5

/** Which node of the new reading is which of the old: the same words first, then like words, each once. */
function matched(was: Readonly<Record<NodeId, string>>, fresh: readonly FigureNode[]): Map<NodeId, NodeId> {
  const pairs = Object.entries(was)
    .flatMap(([id, text]) =>
      fresh.map((n) => ({ id, fresh: n.id, like: plain(text) === plain(n.text) ? 2 : likeness(text, n.text) })),
    )
    .filter((p) => p.like >= LIKE)
    .toSorted((a, b) => b.like - a.like || (a.id < b.id ? -1 : 1) || (a.fresh < b.fresh ? -1 : 1))
  const [out, taken] = [new Map<NodeId, NodeId>(), new Set<NodeId>()]
  for (const p of pairs) {
    if (out.has(p.id) || taken.has(p.fresh)) continue
    out.set(p.id, p.fresh)
    taken.add(p.fresh)
  }
  return out
}

/** A figure's record of what was read, with one node's words set, or taken out. */
const remembering = (f: Figure, id: NodeId, text: string | null): Edit => {
  const { [id]: _old, ...others } = f.wasRead.nodes
  const nodes = text === null ? others : { ...others, [id]: text }
  return { do: 'setFigure', set: { wasRead: { ...f.wasRead, nodes } } }
}

/** What the text has changed since the figure was read from it. `fresh` is the text as it reads now, of the same kind. */
export function driftOf(f: Figure, fresh: Figure, ids: Ids): Drifted[] {
  const nodes = nodesInOrder(fresh)
  const match = matched(f.wasRead.nodes, nodes)
  const back = new Map([...match].map(([id, to]) => [to, id]))
  return [
    ...nodes.flatMap((n) => ofFresh(f, n, back, nodes, ids)),
    ...Object.keys(f.wasRead.nodes).flatMap((id) => (match.has(id) ? [] : gone(f, id))),
    ...answers(f, fresh, match),
  ]
}

function ofFresh(
  f: Figure,
  n: FigureNode,
  back: ReadonlyMap<NodeId, NodeId>,
  nodes: readonly FigureNode[],
  ids: Ids,
): Drifted[] {
  const id = back.get(n.id)
  const was = id === undefined ? undefined : f.wasRead.nodes[id]
  if (id === undefined) return added(f, n, back, nodes, ids)
  const node = f.nodes[id]
  if (!node || was === n.text || node.text === n.text) return []
  return [
    {
      id,
      is: 'changed',
      was: was ?? null,
      now: n.text,
      own: node.text === was ? null : node.text,
      part: id,
      take: all(rename(id, n.text), remembering(f, id, n.text)),
      leave: remembering(f, id, n.text),
    },
  ]
}

/** Something the text has now: after what it follows there. It is not told where the figure has it already. */
function added(
  f: Figure,
  n: FigureNode,
  back: ReadonlyMap<NodeId, NodeId>,
  nodes: readonly FigureNode[],
  ids: Ids,
): Drifted[] {
  if (Object.values(f.nodes).some((o) => plain(o.text) === plain(n.text))) return []
  const before = nodes
    .slice(0, nodes.indexOf(n))
    .map((o) => back.get(o.id))
    .findLast((id) => id !== undefined && f.nodes[id] !== undefined)
  const first = nodesInOrder(f)[0]?.id
  const after = before ?? first
  const made = ids()
  const put: Edit =
    after === undefined
      ? { do: 'putNode', node: { ...n, id: made.node } }
      : all(insertAfter(f, after, made, n.text), {
          do: 'setNode',
          id: made.node,
          set: { ...(n.detail ? { detail: n.detail } : {}), ...(n.role === 'question' ? { role: n.role } : {}) },
        })
  return [
    {
      id: `new ${n.id}`,
      is: 'added',
      was: null,
      now: n.text,
      own: null,
      part: null,
      take: all(put, remembering(f, made.node, n.text)),
      leave: remembering(f, `left ${n.id}`.slice(0, 64), n.text),
    },
  ]
}

function gone(f: Figure, id: NodeId): Drifted[] {
  const node = f.nodes[id]
  const was = f.wasRead.nodes[id] ?? ''
  if (!node) return []
  return [
    {
      id,
      is: 'gone',
      was,
      now: null,
      own: node.text === was ? null : node.text,
      part: id,
      take: all(remove(f, id), remembering(f, id, null)),
      leave: remembering(f, id, null),
    },
  ]
}

/** Words of links between nodes that are in both readings. */
function answers(f: Figure, fresh: Figure, match: ReadonlyMap<NodeId, NodeId>): Drifted[] {
  return linksInOrder(f).flatMap((l): Drifted[] => {
    const was = f.wasRead.links[l.id]
    const [from, to] = [match.get(l.from), match.get(l.to)]
    const now = Object.values(fresh.links).find((o) => o.from === from && o.to === to)
    const [text, said] = [l.text ?? '', now?.text ?? '']
    if (!was || !now || said === was[2] || said === text) return []
    const links = { ...f.wasRead.links, [l.id]: [was[0], was[1], said] as const }
    const remember: Edit = { do: 'setFigure', set: { wasRead: { ...f.wasRead, links } } }
    return [
      {
        id: l.id,
        is: 'answer',
        was: was[2],
        now: said,
        own: text === was[2] ? null : text,
        part: l.id,
        take: all(renameLink(l.id, said), remember),
        leave: remember,
      },
    ]
  })
}

/** The figure counts as read from the text as it stands now: nothing has drifted any more. Words that belong to nodes are those
 *  of the new reading. */
export function upToDate(f: Figure, fresh: Figure): Edit {
  const match = matched(Object.fromEntries(Object.values(f.nodes).map((n) => [n.id, n.text])), nodesInOrder(fresh))
  const nodes = Object.values(f.nodes).flatMap((n): [NodeId, FigureNode][] => {
    const now = fresh.nodes[match.get(n.id) ?? '']
    return now ? [[n.id, now]] : []
  })
  const sources = Object.values(f.nodes).map((n): Edit => ({
    do: 'setNode',
    id: n.id,
    set: { source: fresh.nodes[match.get(n.id) ?? '']?.source ?? [] },
  }))
  const unlinked = Object.values(f.links).map((l): Edit => {
    const now = Object.values(fresh.links).find((o) => o.from === match.get(l.from) && o.to === match.get(l.to))
    return { do: 'setLink', id: l.id, set: { source: now?.source ?? [] } }
  })
  const links = Object.values(f.links).map((l) => [l.id, [l.from, l.to, l.text ?? ''] as const] as const)
  const read = Object.fromEntries(nodes.map(([id, n]) => [id, n.text]))
  // What the text has and somebody left out is known, too.
  const left = nodesInOrder(fresh).filter((n) => ![...match.values()].includes(n.id))
  const wasRead = {
    text: fresh.wasRead.text,
    nodes: { ...read, ...Object.fromEntries(left.map((n) => [`left ${n.id}`.slice(0, 64), n.text])) },
    links: Object.fromEntries(links),
  }
  return all(...sources, ...unlinked, { do: 'setFigure', set: { wasRead, passage: fresh.passage } })
}

/** Everything taken over at once. */
export function takeAll(f: Figure, fresh: Figure, ids: Ids): Edit {
  const edits: Edit[] = []
  let now = f
  for (let guard = 0; guard < 500; guard++) {
    const [next] = driftOf(now, fresh, ids)
    if (!next) break
    edits.push(next.take)
    now = apply(now, next.take).figure
  }
  return all(...edits, upToDate(now, fresh))
}
