/** Parallel branches: what is done at the same time leaves one bar and meets at another, the parallel mode of ISO 5807. Bars
 *  take part in layout and routing as nodes; they stand for a step of the figure and are no step themselves. */
import { centreOf, inflate, overlaps, type Box } from '../geometry'
import type { NodeId } from '../figure'
import { NO_PIECES, type Sized, type SizedLink, type SizedNode } from '../measure'

/** Distance of a bar's two lines, in parts of the size of the words. */
const THICK = 0.3
/** How far a bar reaches beyond its outermost branches. */
const BEYOND = 1

/** The figure with a bar behind every step that several steps follow at the same time, and before every step that waits for
 *  several. `direction` is that of the flow: bars lie across it. */
export function barred(sized: Sized, direction: 'down' | 'across'): Sized {
  const forks = several(sized.links, 'from')
  const joins = several(sized.links, 'to')
  if (forks.size === 0 && joins.size === 0) return sized
  const fork = (id: NodeId) => `${id}=`
  const join = (id: NodeId) => `=${id}`
  const nodes = sized.nodes.flatMap((n) => [
    ...(joins.has(n.id) ? [bar(join(n.id), n, joins.get(n.id) as number, sized, direction)] : []),
    n,
    ...(forks.has(n.id) ? [bar(fork(n.id), n, forks.get(n.id) as number, sized, direction)] : []),
  ])
  const stem = (id: string, from: NodeId, to: NodeId): SizedLink => ({
    id,
    from,
    to,
    best: false,
    beside: false,
    cross: false,
    label: null,
    look: {},
    heldRoute: null,
  })
  const links = [
    ...sized.links.map((l) =>
      l.beside ? { ...l, from: forks.has(l.from) ? fork(l.from) : l.from, to: joins.has(l.to) ? join(l.to) : l.to } : l,
    ),
    ...[...forks.keys()].map((id) => stem(fork(id), id, fork(id))),
    ...[...joins.keys()].map((id) => stem(join(id), join(id), id)),
  ]
  return { ...sized, nodes, links }
}

/** Nodes with more than one such link at this end, and how many. */
function several(links: readonly SizedLink[], end: 'from' | 'to'): Map<NodeId, number> {
  const counts = new Map<NodeId, number>()
  for (const l of links) if (l.beside && l.from !== l.to) counts.set(l[end], (counts.get(l[end]) ?? 0) + 1)
  return new Map([...counts].filter(([, count]) => count > 1))
}

function bar(id: string, owner: SizedNode, branches: number, sized: Sized, direction: 'down' | 'across'): SizedNode {
  const { size } = sized.style.body
  const down = direction === 'down'
  const breadths = sized.nodes.filter((n) => n.role === 'step').map((n) => (down ? n.width : n.height))
  const mean = breadths.reduce((s, b) => s + b, 0) / Math.max(1, breadths.length)
  const breadth = (branches - 1) * (mean + sized.style.gap.beside) + 2 * BEYOND * size
  const [width, height] = down ? [breadth, size * THICK] : [size * THICK, breadth]
  return {
    ...owner,
    id,
    shape: 'bar',
    barOf: owner.id,
    pieces: NO_PIECES,
    text: '',
    held: null,
    width,
    height,
  }
}

/** Bars as long as their branches ask for, where no other node is in the way. */
export function stretched(
  sized: Sized,
  boxes: ReadonlyMap<NodeId, Box>,
  direction: 'down' | 'across',
): Map<NodeId, Box> {
  const out = new Map(boxes)
  const { size } = sized.style.body
  const down = direction === 'down'
  for (const n of sized.nodes) {
    const own = n.shape === 'bar' ? out.get(n.id) : undefined
    if (!own) continue
    const ends = sized.links.flatMap((l) => (l.from === n.id ? [l.to] : l.to === n.id ? [l.from] : []))
    const middles = ends.flatMap((id) => {
      const box = out.get(id)
      return box ? [down ? centreOf(box).x : centreOf(box).y] : []
    })
    const [low, high] = [Math.min(...middles) - BEYOND * size, Math.max(...middles) + BEYOND * size]
    const wanted = down ? { ...own, x: low, width: high - low } : { ...own, y: low, height: high - low }
    const isFree = [...out].every(([id, b]) => id === n.id || !overlaps(inflate(wanted, size * 0.5), b))
    if (isFree) out.set(n.id, wanted)
  }
  return out
}
