/** What is too much for one frame, cut into continued figures: a process where the fewest connectors pass, with connectors
 *  after ISO 5807 (a letter in a circle) where it goes on elsewhere; points after one another; a hierarchy by branches, its
 *  top repeated. As few figures as have legible words. */
import {
  linksInOrder,
  nodesInOrder,
  type Figure,
  type FigureKind,
  type FigureLink,
  type FigureNode,
  type FigureNote,
  type NodeId,
} from './figure'
import { backEdges, reachable, successors } from './graph'
import { layersOf, runsOf } from './layout'

/** More figures than this are no help. */
const MOST_PARTS = 8

/** Null where no cut helps. `legible` says whether a figure's words are large enough in its frame. */
export function continued(f: Figure, legible: (part: Figure) => boolean): Figure[] | null {
  const cut = cuts[f.kind]
  if (!cut) return null
  for (let count = 2; count <= MOST_PARTS; count++) {
    const parts = cut(f, count)
    if (!parts || parts.length < count) return null
    const figures = figuresOf(f, parts)
    if (figures.every(legible)) return figures
  }
  return null
}

type Cut = (f: Figure, count: number) => NodeId[][] | null

const cuts: Partial<Record<FigureKind, Cut>> = {
  process: (f, count) => {
    const ids = nodesInOrder(f).map((n) => n.id)
    const links = linksInOrder(f).filter((l) => l.from !== l.to)
    const back = backEdges(ids, links)
    const { layers, dummies } = layersOf(
      ids,
      links.filter((_, i) => !back.has(i)),
    )
    const steps = layers.map((layer) => layer.filter((id) => !dummies.has(id)))
    const lengths = steps.map((layer) => layer.length)
    if (steps.length < 2 * count) return null
    return runsOf(steps, links, lengths, count).map((run) =>
      inOrder(
        f,
        run.flatMap((i) => steps[i] ?? []),
      ),
    )
  },
  points: (f, count) => evenly(nodesInOrder(f), count, () => 1).map((part) => part.map((n) => n.id)),
  hierarchy: (f, count) => {
    const [root, ...rest] = tops(f)
    if (!root || rest.length > 0) return null
    const below = successors(Object.keys(f.nodes), Object.values(f.links))
    const branches = (below.get(root) ?? []).map((id) => [...reachable(id, below)])
    return evenly(branches, count, (b) => b.length).map((part) => inOrder(f, [root, ...part.flat()]))
  },
}

const inOrder = (f: Figure, ids: readonly NodeId[]): NodeId[] => {
  const wanted = new Set(ids)
  return nodesInOrder(f).flatMap((n) => (wanted.has(n.id) ? [n.id] : []))
}

const tops = (f: Figure): NodeId[] => {
  const below = new Set(Object.values(f.links).map((l) => l.to))
  return nodesInOrder(f).flatMap((n) => (below.has(n.id) ? [] : [n.id]))
}

/** Consecutive parts of about the same weight; fewer where there is not enough to deal out. */
function evenly<T>(list: readonly T[], count: number, weight: (item: T) => number): T[][] {
  const all = list.reduce((sum, item) => sum + weight(item), 0)
  const parts: T[][] = []
  let before = 0
  for (const item of list) {
    const part = Math.min(count - 1, Math.floor(((before + weight(item) / 2) / all) * count))
    parts[part] = [...(parts[part] ?? []), item]
    before += weight(item)
  }
  return parts.filter((p) => p.length > 0)
}

function figuresOf(f: Figure, parts: readonly (readonly NodeId[])[]): Figure[] {
  const partOf = (id: NodeId): number => parts.findIndex((p) => p.includes(id))
  const links = linksInOrder(f)
  const isCut = (l: FigureLink) => !parts.some((p) => p.includes(l.from) && p.includes(l.to))
  const targets = [...new Set(links.filter(isCut).map((l) => l.to))]
  const letter = (target: NodeId): string => {
    const i = targets.indexOf(target)
    return String.fromCharCode(65 + (i % 26)) + (i < 26 ? '' : Math.floor(i / 26))
  }
  return parts.map((part, i) => {
    const own = part.map((id) => plain(f.nodes[id] as FigureNode))
    const inside = links.filter((l) => part.includes(l.from) && part.includes(l.to)).map(straight)
    const leaving = links.filter((l) => isCut(l) && part.includes(l.from))
    const arriving = targets.filter((t) => part.includes(t))
    const out = (t: NodeId) => `to-${letter(t)}`
    const into = (t: NodeId) => `from-${letter(t)}`
    const connector = (id: NodeId, text: string, order: number): FigureNode => ({
      id,
      role: 'connector',
      text,
      order,
      source: [],
    })
    const nodes = [
      ...own,
      ...[...new Set(leaving.map((l) => l.to))].map((t) => {
        const last = leaving.findLast((l) => l.to === t) as FigureLink
        return connector(out(t), `${letter(t)} → ${partOf(t) + 1}`, (f.nodes[last.from]?.order ?? 0) + 0.25)
      }),
      ...arriving.map((t) => connector(into(t), letter(t), (f.nodes[t]?.order ?? 0) - 0.25)),
    ]
    const all = [
      ...inside,
      ...leaving.map((l) => straight({ ...l, to: out(l.to) })),
      ...arriving.map((t): FigureLink => ({
        id: `into-${letter(t)}`,
        role: 'next',
        from: into(t),
        to: t,
        order: 0,
        source: [],
      })),
    ]
    return {
      ...f,
      id: `${f.id}-${i + 1}`,
      title: f.title && `${f.title} (${i + 1} of ${parts.length})`,
      altText: undefined,
      places: undefined,
      nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
      links: Object.fromEntries(all.map((l) => [l.id, l])),
      ...notesIn(f, [...part, ...inside.map((l) => l.id)], i === 0),
      wasRead: {
        ...f.wasRead,
        nodes: kept(f.wasRead.nodes, (id) => part.includes(id)),
        links: kept(f.wasRead.links, (id) => inside.some((l) => l.id === id)),
      },
    }
  })
}

/** Notes go along with what they speak of; those about more than a node or a link stand in the first part. */
function notesIn(f: Figure, ids: readonly string[], isFirst: boolean): Pick<Figure, 'notes'> {
  if (!f.notes) return {}
  const isOwn = (about: FigureNote['about'] | undefined) =>
    about && 'part' in about ? ids.includes(about.part) : isFirst
  return { notes: kept(f.notes, (id) => isOwn(f.notes?.[id]?.about)) }
}

/** Places and bends belong to the picture of the whole. */
const plain = ({ held: _, ...node }: FigureNode): FigureNode => node
const straight = ({ heldRoute: _, ...link }: FigureLink): FigureLink => link
const kept = <T>(record: Readonly<Record<string, T>>, has: (id: string) => boolean): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([id]) => has(id)))
