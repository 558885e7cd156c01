/** What is put beside, before, behind, onto: new neighbours of a node, nodes put onto a link, two nodes joined. */
import { kinds, nodesInOrder, type Figure, type FigureNode, type LinkId, type NodeId } from '../figure'
import type { Box } from '../geometry'
import { answersIn } from '../text'
import { all, type Edit } from './edit'
import { addBranch, connect, insertAfter, insertBelow, linksFrom, linksTo } from './shape'
import { isTree, moveBelow } from './treeShape'

type Ids = { readonly node: NodeId; readonly link: LinkId }
export type Way = 'after' | 'before' | 'below' | 'above' | 'beside' | 'beforeIt'

const fresh = (f: Figure, id: NodeId, order: number): FigureNode => ({
  id,
  role: kinds[f.kind].plainRole,
  text: '',
  order,
  source: [],
})

/** An order between a node and the one before it in the text. */
function orderBefore(f: Figure, id: NodeId): number {
  const nodes = nodesInOrder(f)
  const at = nodes.findIndex((n) => n.id === id)
  const here = nodes[at]?.order ?? 0
  const before = nodes[at - 1]?.order
  return before === undefined ? here - 1 : (here + before) / 2
}

const newLink = (f: Figure, id: LinkId, from: NodeId, to: NodeId, order: number): Edit => ({
  do: 'putLink',
  link: { id, role: kinds[f.kind].linkRoles[0] ?? 'next', from, to, order, source: [] },
})

const ways: Record<Way, (f: Figure, id: NodeId, ids: Ids) => Edit> = {
  /** Another way out of the node: for a question one more answer. */
  after: (f, id, ids) =>
    f.nodes[id]?.role === 'question' && linksFrom(f, id).length > 0
      ? addBranch(f, id, ids, { answer: answersIn(f.language).otherwise, step: '' })
      : f.kind === 'process' && linksFrom(f, id).length === 0
        ? insertAfter(f, id, ids, '')
        : insertBelow(f, id, ids, ''),
  before: (f, id, ids) =>
    all({ do: 'putNode', node: fresh(f, ids.node, orderBefore(f, id)) }, newLink(f, ids.link, ids.node, id, 1)),
  below: (f, id, ids) => insertBelow(f, id, ids, ''),
  above: (f, id, ids) => {
    const own = linksTo(f, id)[0]
    const node = fresh(f, ids.node, orderBefore(f, id))
    return all(
      { do: 'putNode', node: f.kind === 'decision' && !own ? { ...node, role: 'choice' } : node },
      own ? { do: 'setLink', id: own.id, set: { to: ids.node } } : null,
      newLink(f, ids.link, ids.node, id, 1),
    )
  },
  beside: (f, id, ids) => insertAfter(f, id, ids, ''),
  beforeIt: (f, id, ids) => {
    const own = linksTo(f, id)[0]
    const node: Edit = { do: 'putNode', node: fresh(f, ids.node, orderBefore(f, id)) }
    if (!isTree(f)) return node
    if (!own) return insertBelow(f, id, ids, '')
    const before = linksFrom(f, own.from).findLast((l) => l.order < own.order)
    return all(node, newLink(f, ids.link, own.from, ids.node, before ? (before.order + own.order) / 2 : own.order - 1))
  },
}

/** A new node that is to another what `way` says; held at a place of the layout where one is given. */
export function addNeighbour(f: Figure, id: NodeId, way: Way, ids: Ids, held: Box | null): Edit {
  const made = ways[way](f, id, ids)
  return held ? all(made, { do: 'setNode', id: ids.node, set: { held } }) : made
}

/** Two nodes joined, as the kind joins them; null where that cannot be: a tree has no circles, no link is there twice. */
export function joined(f: Figure, from: NodeId, to: NodeId, link: LinkId): Edit | null {
  if (from === to || kinds[f.kind].linkRoles.length === 0) return null
  if (isTree(f)) return moveBelow(f, to, from, link)
  if (Object.values(f.links).some((l) => l.from === from && l.to === to)) return null
  return connect(f, from, to, link)
}

/** A step taken out of its place and put onto a link; the link keeps its words. Null where it ends at the step, or where the
 *  step is a question, whose answers would hang loose. */
export function moveOnto(f: Figure, id: NodeId, on: LinkId, link: LinkId): Edit | null {
  const target = f.links[on]
  const node = f.nodes[id]
  if (!target || !node || node.role === 'question' || target.from === id || target.to === id) return null
  const follower = linksFrom(f, id).find((l) => l.to !== id)?.to
  const order = ((f.nodes[target.from]?.order ?? 0) + (f.nodes[target.to]?.order ?? 0)) / 2
  return all(
    ...linksTo(f, id).map((l): Edit =>
      follower && follower !== l.from
        ? { do: 'setLink', id: l.id, set: { to: follower, heldRoute: null } }
        : { do: 'dropLink', id: l.id },
    ),
    ...linksFrom(f, id).map((l): Edit => ({ do: 'dropLink', id: l.id })),
    { do: 'setNode', id, set: { order, held: null } },
    { do: 'setLink', id: on, set: { to: id, heldRoute: null } },
    newLink(f, link, id, target.to, 1),
  )
}

/** To the place right before or behind another, where only the order counts. */
export function moveTo(f: Figure, id: NodeId, target: NodeId, side: 'before' | 'after'): Edit {
  const others = nodesInOrder(f).filter((n) => n.id !== id)
  const at = others.findIndex((n) => n.id === target) + (side === 'after' ? 1 : 0)
  const [before, after] = [others[at - 1]?.order, others[at]?.order]
  const order = before === undefined ? (after ?? 1) - 1 : after === undefined ? before + 1 : (before + after) / 2
  return { do: 'setNode', id, set: { order, held: null } }
}

/** A step asks: what follows is its first answer. A question becomes a step: its answers lose their words but lead on. */
export function asQuestion(f: Figure, id: NodeId, isOne: boolean): Edit {
  const { yes } = answersIn(f.language)
  const text = f.nodes[id]?.text ?? ''
  const out = linksFrom(f, id)
  return isOne
    ? all(
        {
          do: 'setNode',
          id,
          set: { role: 'question', text: /[?？؟]\s*$/u.test(text) || text === '' ? text : `${text}?` },
        },
        ...out.slice(0, 1).map((l): Edit => ({ do: 'setLink', id: l.id, set: { text: l.text ?? yes } })),
      )
    : all(
        { do: 'setNode', id, set: { role: 'step', text: text.replace(/\s*[?？؟]\s*$/u, '') } },
        ...(out.length === 1 ? [{ do: 'setLink', id: out[0]?.id ?? '', set: { text: null } } as const] : []),
      )
}
