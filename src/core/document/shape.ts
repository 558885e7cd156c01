/** What a person does to a figure on the bench, as edits: insert, remove, move, indent, branch, re-attach, hold. New ids
 *  come in from outside, so that the same call always gives the same edit. */
import {
  kinds,
  linksInOrder,
  nodesInOrder,
  type Figure,
  type FigureLink,
  type FigureNode,
  type LinkId,
  type NodeId,
} from '../figure'
import { answersIn } from '../text'
import type { Box } from '../geometry'
import { all, type Edit } from './edit'
import { outlineOf } from './outline'
import { indentBelow, isTree, moveAmongSiblings, moveBeside, outdentFrom } from './treeShape'

const byOrder = (a: FigureLink, b: FigureLink): number => a.order - b.order || (a.id < b.id ? -1 : 1)
export const linksFrom = (f: Figure, id: NodeId): FigureLink[] =>
  Object.values(f.links)
    .filter((l) => l.from === id)
    .toSorted(byOrder)
export const linksTo = (f: Figure, id: NodeId): FigureLink[] =>
  linksInOrder({ ...f, links: Object.fromEntries(Object.entries(f.links).filter(([, l]) => l.to === id)) })
const isQuestion = (n: FigureNode | undefined): boolean => n?.role === 'question'

const newNode = (id: NodeId, role: FigureNode['role'], text: string, order: number): FigureNode => ({
  id,
  role,
  text,
  order,
  source: [],
})
const newLink = (
  id: LinkId,
  from: NodeId,
  to: NodeId,
  order: number,
  text = '',
  role: FigureLink['role'] = 'next',
): FigureLink => ({
  id,
  role,
  from,
  to,
  order,
  source: [],
  ...(text ? { text } : {}),
})

/** An order between a node and the one after it in the text. */
function orderAfter(f: Figure, id: NodeId): number {
  const nodes = nodesInOrder(f)
  const at = nodes.findIndex((n) => n.id === id)
  const here = nodes[at]?.order ?? 0
  const next = nodes[at + 1]?.order
  return next === undefined ? here + 1 : (here + next) / 2
}

export const rename = (id: NodeId, text: string): Edit => ({ do: 'setNode', id, set: { text } })
export const renameLink = (id: LinkId, text: string): Edit => ({
  do: 'setLink',
  id,
  set: { text: text === '' ? null : text },
})
export const hold = (id: NodeId, box: Box): Edit => ({ do: 'setNode', id, set: { held: box } })
export const release = (id: NodeId): Edit => ({ do: 'setNode', id, set: { held: null } })
export const releaseAll = (f: Figure): Edit =>
  all(...Object.values(f.nodes).map((n) => (n.held ? release(n.id) : null)))

/** A step after a node: what followed the node follows the new step. After a question it goes into the first branch. */
export function insertAfter(f: Figure, after: NodeId, ids: { node: NodeId; link: LinkId }, text: string): Edit {
  const node = newNode(ids.node, kinds[f.kind].plainRole, text, orderAfter(f, after))
  if (f.kind !== 'process') return insertBeside(f, after, ids, node)
  const out = linksFrom(f, after)
  if (isQuestion(f.nodes[after])) {
    const branch = out[0]
    return branch
      ? insertOn(f, branch.id, ids, text)
      : all(
          { do: 'putNode', node },
          { do: 'putLink', link: newLink(ids.link, after, ids.node, 1, answersIn(f.language).yes) },
        )
  }
  return all({ do: 'putNode', node }, ...out.map((l): Edit => ({ do: 'setLink', id: l.id, set: { from: ids.node } })), {
    do: 'putLink',
    link: newLink(ids.link, after, ids.node, 1),
  })
}

/** Where there is no order: an item below the same parent (below the node itself, where it is the top), a member of the
 *  same sets, a concept or point of its own. */
export function insertBeside(f: Figure, beside: NodeId, ids: { node: NodeId; link: LinkId }, node: FigureNode): Edit {
  const known = f.nodes[beside]
  if (f.kind === 'venn') {
    const sets = known?.role === 'set' ? [beside] : (known?.memberOf ?? [])
    return { do: 'putNode', node: { ...node, memberOf: sets } }
  }
  if (f.kind !== 'hierarchy' && f.kind !== 'decision') return { do: 'putNode', node }
  const above = linksTo(f, beside)[0]
  const link = childLink(f, above?.from ?? beside, ids, above?.role)
  return all({ do: 'putNode', node }, { do: 'putLink', link: above ? { ...link, order: between(f, above) } : link })
}

/** An order between a link and the next one that leaves the same node. */
function between(f: Figure, link: FigureLink): number {
  const next = linksFrom(f, link.from).find((l) => l.order > link.order)
  return next ? (link.order + next.order) / 2 : link.order + 1
}

const childLink = (
  f: Figure,
  from: NodeId,
  ids: { node: NodeId; link: LinkId },
  role?: FigureLink['role'],
): FigureLink =>
  newLink(ids.link, from, ids.node, linksFrom(f, from).length + 1, '', role ?? kinds[f.kind].linkRoles[0])

/** A node below another. */
export const insertBelow = (f: Figure, parent: NodeId, ids: { node: NodeId; link: LinkId }, text: string): Edit =>
  f.kind === 'venn'
    ? insertBeside(f, parent, ids, newNode(ids.node, 'member', text, orderAfter(f, parent)))
    : all(
        { do: 'putNode', node: newNode(ids.node, kinds[f.kind].plainRole, text, orderAfter(f, parent)) },
        { do: 'putLink', link: childLink(f, parent, ids) },
      )

/** A step on a link, which keeps its words: they say which branch it is. */
export function insertOn(f: Figure, on: LinkId, ids: { node: NodeId; link: LinkId }, text: string): Edit {
  const link = f.links[on]
  if (!link) return all()
  const node = newNode(ids.node, kinds[f.kind].plainRole, text, orderAfter(f, link.from))
  // Of parallel branches the ends stay where they branch and where they meet.
  const alike = (list: readonly FigureLink[]) => list.filter((l) => l.role === 'beside').length > 1
  const [branches, meets] = [alike(linksFrom(f, link.from)), alike(linksTo(f, link.to))]
  const before = link.role === 'beside' && !branches ? { role: 'next' as const } : {}
  const after = link.role === 'beside' && meets ? 'beside' : 'next'
  return all(
    { do: 'putNode', node },
    { do: 'setLink', id: on, set: { to: ids.node, ...before } },
    { do: 'putLink', link: newLink(ids.link, ids.node, link.to, 1, '', after) },
  )
}

export type QuestionIds = { node: NodeId; yes: LinkId; no: LinkId; step: NodeId; back: LinkId }

/** A question after a node: yes goes on as before, no leads through a new step and meets the flow again. */
export function insertQuestionAfter(
  f: Figure,
  after: NodeId,
  ids: QuestionIds,
  words: { question: string; step: string },
): Edit {
  const { yes, no } = answersIn(f.language)
  const order = orderAfter(f, after)
  const question = newNode(ids.node, 'question', words.question, order)
  const step = newNode(ids.step, 'step', words.step, order + (orderAfter(f, after) - (f.nodes[after]?.order ?? 0)) / 2)
  const out = isQuestion(f.nodes[after]) ? linksFrom(f, after).slice(0, 1) : linksFrom(f, after)
  const follower = out[0]?.to
  const moved = out.map((l, i): Edit =>
    isQuestion(f.nodes[after])
      ? { do: 'setLink', id: l.id, set: { to: ids.node } }
      : { do: 'setLink', id: l.id, set: { from: ids.node, text: i === 0 ? yes : (l.text ?? null) } },
  )
  const first: Edit[] = isQuestion(f.nodes[after])
    ? [...moved, ...(follower ? [{ do: 'putLink', link: newLink(ids.yes, ids.node, follower, 1, yes) } as const] : [])]
    : [...moved, { do: 'putLink', link: newLink(ids.yes, after, ids.node, 1) }]
  return all(
    { do: 'putNode', node: question },
    { do: 'putNode', node: step },
    ...first,
    { do: 'putLink', link: newLink(ids.no, ids.node, ids.step, 2, no) },
    follower ? { do: 'putLink', link: newLink(ids.back, ids.step, follower, 1) } : null,
  )
}

/** One more answer for a question, leading to a new step. */
export const addBranch = (
  f: Figure,
  question: NodeId,
  ids: { node: NodeId; link: LinkId },
  words: { answer: string; step: string },
): Edit =>
  all(
    { do: 'putNode', node: newNode(ids.node, 'step', words.step, orderAfter(f, question)) },
    { do: 'putLink', link: newLink(ids.link, question, ids.node, linksFrom(f, question).length + 1, words.answer) },
  )

/** Takes a step out of its place and puts it after another node. */
export function moveAfter(f: Figure, id: NodeId, after: NodeId, link: LinkId): Edit {
  const node = f.nodes[id]
  if (!node || id === after) return all()
  if (isTree(f)) return moveBeside(f, id, after, link)
  if (f.kind !== 'process') return { do: 'setNode', id, set: { order: orderAfter(f, after) } }
  const follower = linksFrom(f, id)[0]?.to
  // A link that leads from there to here already stays; every other way here now leads past.
  const direct = linksTo(f, id).some((l) => l.from === after)
  const closing = linksTo(f, id)
    .filter((l) => l.from !== after)
    .map((l): Edit =>
      follower && follower !== l.from
        ? { do: 'setLink', id: l.id, set: { to: follower } }
        : { do: 'dropLink', id: l.id },
    )
  const leaving = linksFrom(f, id).map((l): Edit => ({ do: 'dropLink', id: l.id }))
  const onward = linksFrom(f, after).filter((l) => l.to !== id)
  const taken = isQuestion(f.nodes[after]) ? onward.slice(0, 1) : onward
  const opening: Edit[] = direct
    ? []
    : isQuestion(f.nodes[after]) && taken.length > 0
      ? taken.map((l): Edit => ({ do: 'setLink', id: l.id, set: { to: id } }))
      : [
          ...taken.map((l): Edit => ({ do: 'dropLink', id: l.id })),
          { do: 'putLink', link: newLink(link, after, id, 1) },
        ]
  const target = direct ? follower : taken[0]?.to
  const onwards: Edit | null =
    target && target !== id ? { do: 'putLink', link: newLink(`${link}b`, id, target, 1) } : null
  return all(...closing, ...leaving, { do: 'setNode', id, set: { order: orderAfter(f, after) } }, ...opening, onwards)
}

/** Up or down by one row of the outline among nodes; null when there is nowhere to go. */
export function moveBy(f: Figure, id: NodeId, by: -1 | 1): Edit | null {
  if (isTree(f)) return moveAmongSiblings(f, id, by)
  const rows = outlineOf(f).flatMap((r) => (r.row === 'node' ? [r.id] : []))
  const at = rows.indexOf(id)
  const other = rows[at + by]
  if (at < 0 || other === undefined) return null
  return f.kind === 'process' ? changePlaces(f, id, other) : swapOrders(f, id, other)
}

const swapOrders = (f: Figure, a: NodeId, b: NodeId): Edit =>
  all(
    { do: 'setNode', id: a, set: { order: f.nodes[b]?.order ?? 0 } },
    { do: 'setNode', id: b, set: { order: f.nodes[a]?.order ?? 0 } },
  )

/** Two nodes change places: each takes over the links of the other. */
export function changePlaces(f: Figure, a: NodeId, b: NodeId): Edit {
  const other = (id: NodeId) => (id === a ? b : id === b ? a : id)
  const touching = linksInOrder(f).filter((l) => [l.from, l.to].some((id) => id === a || id === b))
  return all(
    swapOrders(f, a, b),
    ...touching.map((l): Edit => ({ do: 'setLink', id: l.id, set: { from: other(l.from), to: other(l.to) } })),
  )
}

/** Into the last branch of the question just above (a process), or under the point above as its detail (points). */
export function indent(f: Figure, id: NodeId, link: LinkId): Edit | null {
  if (isTree(f)) return indentBelow(f, id)
  const rows = outlineOf(f).filter((r) => r.row === 'node')
  const at = rows.findIndex((r) => r.id === id)
  if (f.kind !== 'process') {
    const above = rows[at - 1]?.node
    const node = f.nodes[id]
    if (!above || !node) return null
    const detail = [above.detail, node.text, node.detail].filter(Boolean).join('; ')
    return all(
      { do: 'setNode', id: above.id, set: { detail, source: [...above.source, ...node.source] } },
      { do: 'dropNode', id },
    )
  }
  const depth = rows[at]?.depth ?? 0
  const question = rows.slice(0, at).findLast((r) => r.depth <= depth && isQuestion(r.node))
  const branch =
    question && question.depth === depth
      ? linksFrom(f, question.id).findLast((l) => l.to === id || !isWithin(f, l, id))
      : undefined
  if (!question || !branch || isQuestion(f.nodes[id]) || linksFrom(f, id).length > 1) return null
  const tail = branchTail(f, branch, id)
  return tail === null ? intoBranch(f, id, branch, link) : moveAfter(f, id, tail, link)
}
const isWithin = (f: Figure, l: FigureLink, id: NodeId): boolean => l.to === id && linksTo(f, id).length === 1

/** The last node of a branch before it meets `join`; null when the branch leads straight there. */
function branchTail(f: Figure, branch: FigureLink, join: NodeId): NodeId | null {
  let tail: NodeId | null = null
  for (let at = branch.to, guard = 0; at !== join && guard < 1000; guard++) {
    tail = at
    const next = linksFrom(f, at)[0]?.to
    if (next === undefined) break
    at = next
  }
  return tail
}

/** A step that every branch led to becomes a step of this branch only; the others go past it. */
function intoBranch(f: Figure, id: NodeId, branch: FigureLink, link: LinkId): Edit {
  const follower = linksFrom(f, id)[0]?.to
  const others = linksTo(f, id).filter((l) => l.id !== branch.id)
  return all(
    ...others.map((l): Edit =>
      follower ? { do: 'setLink', id: l.id, set: { to: follower } } : { do: 'dropLink', id: l.id },
    ),
    branch.to === id ? null : { do: 'putLink', link: newLink(link, branch.from, id, branch.order, branch.text) },
  )
}

/** Out of its branch, to where the branches meet; a detail of a point becomes a point again. */
export function outdent(f: Figure, id: NodeId, ids: { node: NodeId; link: LinkId }): Edit | null {
  if (isTree(f)) return outdentFrom(f, id)
  if (f.kind !== 'process') {
    const node = f.nodes[id]
    if (!node?.detail) return null
    return all(
      { do: 'setNode', id, set: { detail: null } },
      { do: 'putNode', node: newNode(ids.node, 'point', node.detail, orderAfter(f, id)) },
    )
  }
  const rows = outlineOf(f)
  const at = rows.findIndex((r) => r.row === 'node' && r.id === id)
  const depth = rows[at]?.depth ?? 0
  if (depth === 0 || isQuestion(f.nodes[id])) return null
  const question = rows.slice(0, at).findLast((r) => r.row === 'node' && r.depth === depth - 2)
  const join = rows.slice(at + 1).find((r) => r.row === 'node' && r.depth <= depth - 2)
  if (!question) return null
  const follower = linksFrom(f, id)[0]?.to
  const leaving = [
    ...linksTo(f, id).map((l): Edit =>
      follower && follower !== l.from
        ? { do: 'setLink', id: l.id, set: { to: follower } }
        : { do: 'dropLink', id: l.id },
    ),
    ...linksFrom(f, id).map((l): Edit => ({ do: 'dropLink', id: l.id })),
  ]
  if (!join || join.row !== 'node') return null
  const entering = linksTo(f, join.id).filter((l) => l.from !== id)
  const own = linksTo(f, id).filter(() => follower === join.id)
  return all(
    ...leaving,
    ...[...entering, ...own].map((l): Edit => ({ do: 'setLink', id: l.id, set: { to: id } })),
    { do: 'setNode', id, set: { order: (f.nodes[join.id]?.order ?? 0) - 0.25 } },
    { do: 'putLink', link: newLink(ids.link, id, join.id, 1) },
  )
}

/** Another node at one end of a link. */
export const reattach = (id: LinkId, end: 'from' | 'to', node: NodeId): Edit => ({
  do: 'setLink',
  id,
  set: { [end]: node, heldRoute: null },
})

export const connect = (f: Figure, from: NodeId, to: NodeId, id: LinkId): Edit => ({
  do: 'putLink',
  link: newLink(
    id,
    from,
    to,
    linksFrom(f, from).length + 1,
    isQuestion(f.nodes[from]) ? answersIn(f.language)[linksFrom(f, from).length === 0 ? 'yes' : 'no'] : '',
    kinds[f.kind].linkRoles[0],
  ),
})
