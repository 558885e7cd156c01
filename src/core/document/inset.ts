/** Insets: some nodes of a figure become a figure of their own, held by one node that stands for them; and the way back. */
import {
  nodesInOrder,
  type Figure,
  type FigureId,
  type FigureLink,
  type FigureNode,
  type FigureNote,
  type NodeId,
} from '../figure'
import { asKind } from './asKind'
import { all, type Edit } from './edit'
import { linksFrom, linksTo } from './shape'

/** Kinds whose parts alone are no figure of that kind, with the kind they make. */
const partsOf: Partial<Record<Figure['kind'], Figure['kind']>> = { venn: 'points' }

/** The nodes as a figure of their own, and the edit that puts one node called `name` in their place; null where they are
 *  all there is, or where a set is among them, which is no content. */
export function intoInset(
  f: Figure,
  ids: readonly NodeId[],
  made: { readonly figure: FigureId; readonly node: NodeId },
  name: string,
): { readonly edit: Edit; readonly inset: Figure } | null {
  const inside = new Set(ids)
  const nodes = nodesInOrder(f).filter((n) => inside.has(n.id))
  const [first] = nodes
  if (!first || nodes.length === Object.keys(f.nodes).length || nodes.some((n) => n.role === 'set')) return null
  const links = Object.values(f.links)
  const within = links.filter((l) => inside.has(l.from) && inside.has(l.to))
  const border = links.filter((l) => inside.has(l.from) !== inside.has(l.to))
  const moved = border.map((l) => bare({ ...l, ...(inside.has(l.from) ? { from: made.node } : { to: made.node }) }))
  const once = moved.filter((l, i) => moved.findIndex((o) => sameWay(o, l)) === i)
  const edit = all(
    { do: 'putNode', node: standIn(f, first, nodes, made, name) },
    ...once.map((link): Edit => ({ do: 'putLink', link })),
    ...ids.map((id): Edit => ({ do: 'dropNode', id })),
    ...notesIn(f, inside).map((id): Edit => ({ do: 'dropNote', id })),
  )
  return { edit, inset: insetOf(f, nodes, within, border, made.figure) }
}

const bare = ({ heldRoute: _, ...link }: FigureLink): FigureLink => link
const sameWay = (a: FigureLink, b: FigureLink): boolean =>
  a.from === b.from && a.to === b.to && (a.text ?? '') === (b.text ?? '')

/** Notes about nodes inside go with them. */
const notesIn = (f: Figure, inside: ReadonlySet<NodeId>): string[] =>
  Object.values(f.notes ?? {}).flatMap((n) => (n.about && 'part' in n.about && inside.has(n.about.part) ? [n.id] : []))

/** Roles that ask or decide stand for nothing told elsewhere. */
const plainRole: Partial<Record<FigureNode['role'], FigureNode['role']>> = {
  start: 'step',
  question: 'step',
  end: 'step',
  connector: 'step',
  choice: 'option',
  chance: 'option',
}

function standIn(
  f: Figure,
  first: FigureNode,
  nodes: readonly FigureNode[],
  made: { readonly figure: FigureId; readonly node: NodeId },
  text: string,
): FigureNode {
  const actor = nodes.every((n) => n.actor === first.actor) ? first.actor : undefined
  return {
    id: made.node,
    role: plainRole[first.role] ?? first.role,
    text,
    order: first.order,
    source: [],
    inset: made.figure,
    ...(actor === undefined ? {} : { actor }),
    ...(f.kind === 'venn' && first.memberOf ? { memberOf: first.memberOf } : {}),
  }
}

function insetOf(
  f: Figure,
  nodes: readonly FigureNode[],
  within: readonly FigureLink[],
  border: readonly FigureLink[],
  id: FigureId,
): Figure {
  const {
    places: _places,
    aside: _aside,
    altText: _alt,
    caption: _caption,
    sourceLine: _source,
    focus: _focus,
    notes,
    ...rest
  } = f
  const inside = new Set(nodes.map((n) => n.id))
  const own = notesIn(f, inside).flatMap((id) => (notes?.[id] ? [[id, notes[id]] as const] : []))
  const figure: Figure = {
    ...rest,
    id,
    // It goes by the words of its node.
    title: '',
    nodes: Object.fromEntries(nodes.map(({ held: _, ...n }) => [n.id, n])),
    links: Object.fromEntries(within.map((l) => [l.id, bare(l)])),
    ...(own.length > 0 ? { notes: Object.fromEntries(own) } : {}),
    outer: Object.fromEntries(
      border.map((link) => {
        const free = !within.some((w) => (inside.has(link.from) ? w.from === link.from : w.to === link.to))
        return [link.id, { link, free }]
      }),
    ),
    passage: null,
    wasRead: { text: f.wasRead.text, nodes: {}, links: {} },
  }
  const kind = partsOf[f.kind]
  if (!kind) return figure
  const { aside: _old, ...told } = asKind(figure, kind)
  return told
}

/** The edit that puts what an inset says in the place of the node that holds it: what led to the node leads to the first of
 *  it, what followed follows its ends; links that are known from when it was made find their old ends again. */
export function dissolved(f: Figure, id: NodeId, inset: Figure, newId: () => string): Edit {
  const holder = f.nodes[id]
  if (!holder) return all()
  const told = asKind(inset, f.kind)
  const list = nodesInOrder(told).filter((n) => n.role !== 'set')
  const named = new Map(list.map((n) => [n.id, f.nodes[n.id] ? newId() : n.id]))
  const next = nodesInOrder(f).find((n) => n.order > holder.order)
  const step = (next ? next.order - holder.order : 1) / (list.length + 1)
  const nodes = list.map((n, i): FigureNode => {
    const { held: _held, memberOf: _sets, ...kept } = n
    const sets = f.kind === 'venn' && holder.memberOf ? { memberOf: holder.memberOf } : {}
    return {
      ...kept,
      ...sets,
      id: named.get(n.id) as NodeId,
      order: holder.order + i * step,
      source: sourceIn(f, inset, n),
    }
  })
  const linkNamed = new Map(Object.keys(told.links).map((l) => [l, f.links[l] ? newId() : l]))
  const links = Object.values(told.links).flatMap((l): FigureLink[] => {
    const [from, to] = [named.get(l.from), named.get(l.to)]
    return from && to ? [{ ...bare(l), id: linkNamed.get(l.id) ?? l.id, from, to, source: [] }] : []
  })
  const notes = Object.values(told.notes ?? {}).map((n): FigureNote => {
    const part = n.about && 'part' in n.about ? n.about.part : null
    const about = part === null ? n.about : { part: named.get(part) ?? linkNamed.get(part) ?? part }
    return { ...n, id: f.notes?.[n.id] ? newId() : n.id, about }
  })
  const [entry] = entriesOf(told, list)
  if (!entry) return { do: 'dropNode', id }
  return all(
    ...nodes.map((node): Edit => ({ do: 'putNode', node })),
    ...links.map((link): Edit => ({ do: 'putLink', link })),
    ...joinedAgain(f, id, told, list, named, newId),
    ...Object.values(f.notes ?? {}).map((n): Edit | null =>
      n.about && 'part' in n.about && n.about.part === id
        ? { do: 'putNote', note: { ...n, about: { part: named.get(entry.id) as NodeId } } }
        : null,
    ),
    ...notes.map((note): Edit => ({ do: 'putNote', note })),
    { do: 'dropNode', id },
  )
}

/** Places in the passage hold only where both were read from the same text. */
const sourceIn = (f: Figure, inset: Figure, n: FigureNode) => (f.wasRead.text === inset.wasRead.text ? n.source : [])

/** Where a flow or a tree begins: what nothing leads to, else the first. */
function entriesOf(f: Figure, list: readonly FigureNode[]): FigureNode[] {
  const free = list.filter((n) => linksTo(f, n.id).every((l) => l.from === n.id))
  return free.length > 0 ? free : list.slice(0, 1)
}

/** Where a flow goes on: what leads nowhere and is not called an end, else the last; a tree goes on below its top. */
function exitsOf(f: Figure, list: readonly FigureNode[]): FigureNode[] {
  if (f.kind !== 'process') return entriesOf(f, list).slice(0, 1)
  const open = list.filter((n) => n.role !== 'end' && linksFrom(f, n.id).length === 0)
  return open.length > 0 ? open : list.slice(-1)
}

/** From a node along its links, forward from an end or back from a beginning, as far as they lead without coming back. */
function furthest(f: Figure, id: NodeId, way: 'from' | 'to'): NodeId {
  const seen = new Set<NodeId>()
  let at = id
  while (!seen.has(at)) {
    seen.add(at)
    const [next] = way === 'from' ? linksFrom(f, at).map((l) => l.to) : linksTo(f, at).map((l) => l.from)
    if (next === undefined || f.kind !== 'process') return at
    at = next
  }
  return id
}

function joinedAgain(
  f: Figure,
  holder: NodeId,
  told: Figure,
  list: readonly FigureNode[],
  named: ReadonlyMap<NodeId, NodeId>,
  newId: () => string,
): Edit[] {
  const outer = told.outer ?? {}
  const inner = (id: NodeId): NodeId | undefined => named.get(id)
  const ends = {
    from: exitsOf(told, list),
    to: f.kind === 'process' ? entriesOf(told, list).slice(0, 1) : entriesOf(told, list),
  }
  const known = Object.values(outer).flatMap(({ link, free }): Edit[] => {
    // What has come behind the last step since, or before the first, is led to and from instead.
    const end = (id: NodeId, way: 'from' | 'to') => inner(free ? furthest(told, id, way) : id) ?? id
    const [from, to] = [end(link.from, 'from'), end(link.to, 'to')]
    const stands = (id: NodeId) => f.nodes[id] !== undefined || [...named.values()].includes(id)
    return stands(from) && stands(to) ? [{ do: 'putLink', link: { ...bare(link), from, to } }] : []
  })
  const later = Object.values(f.links).filter((l) => (l.from === holder) !== (l.to === holder) && !outer[l.id])
  return [
    ...known,
    ...later.flatMap((l): Edit[] => {
      const end = l.from === holder ? 'from' : 'to'
      return ends[end].map((n, i) => ({
        do: 'putLink',
        link: { ...bare(l), id: i === 0 ? l.id : newId(), [end]: inner(n.id) as NodeId, order: l.order + i / 1000 },
      }))
    }),
  ]
}

/** The figures that an inset would be inside of, were it put into this one: itself, and all that hold it. */
export function holdersOf(figures: readonly Figure[], id: FigureId): FigureId[] {
  const out: FigureId[] = [id]
  for (const at of out)
    for (const f of figures)
      if (!out.includes(f.id) && Object.values(f.nodes).some((n) => n.inset === at)) out.push(f.id)
  return out
}

/** The figures inside nodes of this one, and those inside of them. */
export function insetsIn(figures: readonly Figure[], f: Figure): Figure[] {
  const out: Figure[] = []
  const collect = (at: Figure): void => {
    for (const n of Object.values(at.nodes)) {
      const inset = figures.find((o) => o.id === n.inset)
      if (!inset || inset === f || out.includes(inset)) continue
      out.push(inset)
      collect(inset)
    }
  }
  collect(f)
  return out
}
