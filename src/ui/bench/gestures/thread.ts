/** Threads that lead out of a node: pulled to another they join the two, let go over nothing they ask, clicked they make a
 *  neighbour on that side. */
import { addNeighbour, joined, type Way } from '@/core/document'
import { kinds, type FigureKind } from '@/core/figure'
import { centreOf, type Box, type Point, pointOut } from '@/core/geometry'
import { nodeParts } from '../selection'
import { SNAP, isFar, type Made, type Of, type Row, type Side, type Stage } from './gesture'
import { nodeNear, offBox } from './places'
import { said } from '@/core/words'

const sides: Record<Side, (b: Box) => Point> = {
  left: (b) => ({ x: b.x, y: b.y + b.height / 2 }),
  right: (b) => ({ x: b.x + b.width, y: b.y + b.height / 2 }),
  top: (b) => ({ x: b.x + b.width / 2, y: b.y }),
  bottom: (b) => ({ x: b.x + b.width / 2, y: b.y + b.height }),
}
const OUT: Record<Side, Point> = {
  left: { x: -1, y: 0 },
  right: { x: 1, y: 0 },
  top: { x: 0, y: -1 },
  bottom: { x: 0, y: 1 },
}
const opposite: Record<Side, Side> = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' }
const allSides: readonly Side[] = ['right', 'bottom', 'left', 'top']

export const sideOf = (box: Box, side: Side): Point => sides[side](box)
/** A place so many px of the frame off a side. */
export const beyond = (box: Box, side: Side, by: number): Point => {
  const p = sides[side](box)
  return { x: p.x + OUT[side].x * by, y: p.y + OUT[side].y * by }
}

/** The side of a box that a place lies on. */
function facing(box: Box, at: Point): Side {
  const c = centreOf(box)
  const [x, y] = [(at.x - c.x) / Math.max(1, box.width), (at.y - c.y) / Math.max(1, box.height)]
  return Math.abs(x) > Math.abs(y) ? (x > 0 ? 'right' : 'left') : y > 0 ? 'bottom' : 'top'
}

const boxOf = (stage: Stage, id: string): Box | undefined => stage.scene.nodes.find((n) => n.id === id)?.box

/** On which sides of a node links leave or arrive, with the nodes at their other ends. */
function taken({ scene }: Stage, id: string, box: Box): { readonly side: Side; readonly leaves: boolean }[] {
  return scene.links.flatMap((l) => [
    ...(l.from === id && l.points[0] ? [{ side: facing(box, l.points[0]), leaves: true }] : []),
    ...(l.to === id && l.points.at(-1) ? [{ side: facing(box, l.points.at(-1) as Point), leaves: false }] : []),
  ])
}

/** What a new node on a side of another is to it, by kind; `back` is the side that faces what comes before or above. */
const ways: Record<FigureKind, ((side: Side, back: Side) => Way) | null> = {
  process: (side, back) => (side === back ? 'before' : 'after'),
  concept: () => 'after',
  hierarchy: (side, back) =>
    side === back ? 'above' : side === opposite[back] ? 'below' : OUT[side].x + OUT[side].y > 0 ? 'beside' : 'beforeIt',
  decision: (side, back) =>
    side === back ? 'above' : side === opposite[back] ? 'below' : OUT[side].x + OUT[side].y > 0 ? 'beside' : 'beforeIt',
  points: (side) => (OUT[side].x + OUT[side].y > 0 ? 'beside' : 'beforeIt'),
  venn: null,
}

const wayOf = (stage: Stage, id: string, side: Side): Way | null => {
  const box = boxOf(stage, id)
  const way = ways[stage.figure.kind]
  if (!box || !way) return null
  const own = taken(stage, id, box)
  const into = own.find((t) => !t.leaves)?.side
  const out = own.find((t) => t.leaves)?.side
  return way(side, into ?? (out ? opposite[out] : 'top'))
}

/** How far off its side the ring of a thread stands, and how much room it wants around it, in px of the canvas. */
export const RING_OFF = 20
const RING = 7

/** The sides with room for a thread: no link, no other node, nobody's words. */
export function freeSides(stage: Stage, id: string): readonly Side[] {
  const box = boxOf(stage, id)
  if (!box || !ways[stage.figure.kind]) return []
  const own = new Set(taken(stage, id, box).map((t) => t.side))
  const others = [...stage.scene.nodes, ...stage.scene.notes].filter((o) => o.id !== id)
  const isOpen = (s: Side) => {
    const ring = beyond(box, s, RING_OFF / stage.zoom)
    return !others.some((o) => offBox(o.box, ring) * stage.zoom < RING)
  }
  return allSides.filter((s) => !own.has(s) && isOpen(s))
}

/** Kinds whose nodes are joined by what a person pulls. */
export const joins = (kind: FigureKind): boolean => kinds[kind].linkRoles.length > 0

/** A new node on a side of another; null where the kind knows no neighbours. */
export function neighbour(stage: Stage, id: string, side: Side, at: Point | null): Made | null {
  const way = wayOf(stage, id, side)
  if (way === null) return null
  const made = { node: stage.newId(), link: stage.newId() }
  const held = at && { ...pointOut(at, stage.scene.fit), width: 0, height: 0 }
  return { edit: addNeighbour(stage.figure, id, way, made, held), node: made.node }
}

export const startThread = (stage: Stage, node: string, side: Side, at: Point): Of<'thread'> => ({
  kind: 'thread',
  node,
  side,
  anchor: sides[side](boxOf(stage, node) ?? { x: at.x, y: at.y, width: 0, height: 0 }),
  at,
  pulled: false,
  target: null,
})

const join = (stage: Stage, g: Of<'thread'>) =>
  g.target === null ? null : joined(stage.figure, g.node, g.target, stage.newId())

export const thread: Row<'thread'> = {
  move: (g, stage, at) => ({
    ...g,
    at,
    pulled: g.pulled || isFar(g.anchor, at, stage.zoom * 0.2),
    target: joins(stage.figure.kind) ? nodeNear(stage.scene, at, SNAP / stage.zoom, [g.node]) : null,
  }),
  preview: (g, stage) => {
    const box = g.target === null ? undefined : boxOf(stage, g.target)
    const end = box ? sides[facing(box, g.anchor)](box) : g.at
    const words = g.target === null ? '' : (stage.figure.nodes[g.target]?.text ?? '')
    return {
      line: [g.anchor, end],
      lights: { nodes: g.target === null ? [g.node] : [g.node, g.target] },
      ...(g.target === null
        ? {}
        : { says: join(stage, g) ? said('To “{words}”', { words }) : said('It cannot lead to “{words}”', { words }) }),
    }
  },
  drop: (g, stage) => {
    if (!g.pulled) {
      const made = neighbour(stage, g.node, g.side, null)
      return made ? { edit: made.edit, select: nodeParts([made.node]), write: made.node } : {}
    }
    const edit = join(stage, g)
    if (edit) return { edit, select: nodeParts([g.node]) }
    const made = neighbour(stage, g.node, g.side, stage.figure.kind === 'concept' ? g.at : null)
    const noun = kinds[stage.figure.kind].noun
    return made && g.target === null
      ? { ask: { at: g.at, choices: [{ says: said('New {noun} here', { noun: said(noun) }), made }] } }
      : {}
  },
}
