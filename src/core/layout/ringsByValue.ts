/** Arrangement `ringsByValue` of hierarchies: the root in the middle, every level a ring around it, every node a piece of its ring.
 *  Rings are equal in area, and pieces as wide as their values, so that areas can be compared over the whole figure. As small as the
 *  words allow, turned so that they allow the most; boxes by value where no rings have room for them. */
import { boxAround, cosine, distance, inflate, sine, type Box, type Point, type Size } from '../geometry'
import type { NodeId } from '../figure'
import { wordsSize, type Sized, type SizedNode } from '../measure'
import { forest } from './forest'
import { byValue } from './nested'
import type { Arranged, Decor } from './placed'

/** A node's share of the circle, in turns, how many rings lie within its own, and the room of its words. */
type Piece = {
  readonly id: NodeId
  readonly words: Size
  readonly from: number
  readonly to: number
  readonly depth: number
}
/** The radius of the middle, the area that each ring adds to it, and how far all is turned. */
type Rings = { readonly middle: number; readonly area: number; readonly turn: number }

const CENTRE: Point = { x: 0, y: 0 }
const TURNS = 24
const GROWTH = 1.05
/** The middle, in parts of what its words need: a large one makes rings that are alike in width. */
const MIDDLES = [1, 1.3, 1.7, 2.2, 3]
/** In parts of the middle. */
const LARGEST = 60

export function ringsByValue(sized: Sized): Arranged {
  const { roots, childrenOf } = forest(sized)
  const unit = sized.style.body.size
  const [core] = roots
  // Several trees stand around an empty middle.
  const lone = roots.length === 1 && core && childrenOf(core).length > 0 ? core : null
  const pieces = piecesOf(lone ? childrenOf(lone) : roots, childrenOf, (n) => wordsSize(n, sized))
  const inner = lone && wordsSize(lone, sized)
  const least = inner ? distance(inner.width, inner.height) / 2 + unit * 0.6 : unit * 2.5
  const rings = smallest(pieces, least, unit * 0.35)
  // Too many for rings of any size that can be looked at.
  if (rings === null) return byValue(sized)
  const decor = pieces.map((p): Decor => {
    const [from, to] = anglesOf(p, rings.turn)
    const [within, without] = radiiOf(p, rings)
    return { kind: 'segment', of: p.id, centre: CENTRE, inner: within, outer: without, from, to, numeral: null }
  })
  const boxes = new Map<NodeId, Box>(pieces.map((p) => [p.id, boxIn(p, rings)]))
  if (lone && inner) boxes.set(lone.id, boxAround(CENTRE, inner))
  return { boxes, flow: 'unlinked', decor, heads: new Set(sized.nodes.map((n) => n.id)) }
}

/** The smallest rings in which all words have room; null where none of the sizes that are tried have it. */
function smallest(pieces: readonly Piece[], least: number, pad: number): Rings | null {
  const depth = 1 + Math.max(0, ...pieces.map((p) => p.depth))
  const outer = (r: Rings) => Math.sqrt(r.middle * r.middle + depth * r.area)
  const turns = Array.from({ length: TURNS }, (_, i) => i / TURNS)
  let best: Rings | null = null
  for (const middle of MIDDLES.map((m) => m * least))
    for (let k = 0.5; k < LARGEST; k *= GROWTH) {
      const sized = { middle, area: middle * middle * k }
      if (best && outer({ ...sized, turn: 0 }) >= outer(best)) break
      const turn = turns.find((t) => pieces.every((p) => hasRoom(p, { ...sized, turn: t }, pad)))
      if (turn === undefined) continue
      best = { ...sized, turn }
      break
    }
  return best
}

function piecesOf(
  roots: readonly SizedNode[],
  childrenOf: (n: SizedNode) => readonly SizedNode[],
  words: (n: SizedNode) => Size,
): Piece[] {
  const valueOf = (n: SizedNode): number => {
    const kids = childrenOf(n)
    return kids.length === 0 ? n.weight : kids.reduce((sum, k) => sum + valueOf(k), 0)
  }
  const whole = roots.reduce((sum, r) => sum + valueOf(r), 0) || 1
  const set = (nodes: readonly SizedNode[], from: number, depth: number): Piece[] => {
    let at = from
    return nodes.flatMap((n) => {
      const piece = { id: n.id, words: words(n), from: at, to: at + valueOf(n) / whole, depth }
      at = piece.to
      return [piece, ...set(childrenOf(n), piece.from, depth + 1)]
    })
  }
  return set(roots, 0, 0)
}

/** In radians, clockwise from the right. */
const anglesOf = (p: Piece, turn: number): readonly [from: number, to: number] => [
  2 * Math.PI * (p.from + turn) - Math.PI / 2,
  2 * Math.PI * (p.to + turn) - Math.PI / 2,
]
const radiiOf = (p: Piece, { middle, area }: Rings): readonly [inner: number, outer: number] => [
  Math.sqrt(middle * middle + p.depth * area),
  Math.sqrt(middle * middle + (p.depth + 1) * area),
]

/** Its words in the middle of its piece. */
function boxIn(p: Piece, rings: Rings): Box {
  const [from, to] = anglesOf(p, rings.turn)
  const [inner, outer] = radiiOf(p, rings)
  const [radius, angle] = [(inner + outer) / 2, (from + to) / 2]
  return boxAround({ x: cosine(angle) * radius, y: sine(angle) * radius }, p.words)
}

/** Whether the words stand clear of all sides of the piece: of both circles, and of both radii. */
function hasRoom(p: Piece, rings: Rings, pad: number): boolean {
  const { x, y, width, height } = inflate(boxIn(p, rings), pad)
  const [inner, outer] = radiiOf(p, rings)
  const corners = [
    { x, y },
    { x: x + width, y },
    { x, y: y + height },
    { x: x + width, y: y + height },
  ]
  if (corners.some((c) => distance(c.x, c.y) > outer)) return false
  // The point of the box that is nearest to the middle.
  const near = { x: Math.max(x, Math.min(0, x + width)), y: Math.max(y, Math.min(0, y + height)) }
  if (distance(near.x, near.y) < inner) return false
  const [from, to] = anglesOf(p, rings.turn)
  return to - from > Math.PI || corners.every((c) => isAfter(c, from) && !isAfter(c, to))
}

/** Whether a point lies clockwise of a direction, by less than half a turn. */
const isAfter = (c: Point, angle: number): boolean => cosine(angle) * c.y - sine(angle) * c.x > 0
