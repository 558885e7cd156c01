/** Finish `arcTitles` of Venn diagrams: the name of each set runs along its circle, outside, away from the others; at the foot of
 *  a circle it is read from left to right all the same. Where a circle is an ellipse, a name too long for it, or written in
 *  letters that join, names stand as they stood. */
import { boxAround, cosine, sine, union, type Box, type Point } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import type { Arranged, Decor, SetWords } from './placed'

type ArcWords = Extract<Decor, { kind: 'arcWords' }>
type Circle = Extract<Decor, { kind: 'set' }>

/** How far from upright a name may stand, in radians, and how much of its circle it may take. */
const LEAN = 0.66
const LONGEST = 1.9
/** Scripts whose letters stand by themselves, one sign each. */
const APART = /^[\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Common}]+$/u
/** Height of letters over the size of the words, and room between them and the circle. */
const CAPITALS = 0.72
const GAP = 0.55

export function arcTitles(sized: Sized, arrange: (sized: Sized) => Arranged, set: SetWords): Arranged {
  const arranged = arrange(sized)
  const sets = sized.nodes.filter((n) => n.role === 'set')
  const circles = sets.map((_, i) => arranged.decor.find((d): d is Circle => d.kind === 'set' && d.tint === i))
  const arcs = sets.map((n, i) => arcOf(n, circles[i], circles, sized, set))
  if (sized.style.across < 0 || arcs.some((a) => a === null)) return arranged
  const boxes = new Map(arranged.boxes)
  // Where it is pointed at, in the middle of its name.
  sets.forEach((n, i) => arcs[i] && boxes.set(n.id, boxAround(middleOf(arcs[i]), n)))
  return { ...arranged, boxes, decor: [...arranged.decor, ...arcs.filter((a) => a !== null)] }
}

function arcOf(
  n: SizedNode,
  circle: Circle | undefined,
  all: readonly (Circle | undefined)[],
  { style }: Sized,
  set: SetWords,
): ArcWords | null {
  const { heading, detail } = n.pieces
  const [line, another] = heading?.lines ?? []
  if (!circle || !heading || detail || !line || another || Math.abs(circle.radius.x - circle.radius.y) > 0.01)
    return null
  const text = line.line.runs.map((r) => r.text).join('')
  if (!APART.test(text)) return null
  const look = line.size > style.strong.size + 0.01 ? 'heading' : 'strong'
  const space = set('i i', look, Infinity).width - set('ii', look, Infinity).width
  const letters = [...text].map((letter) =>
    letter.trim() === '' ? { width: space, height: 0, lines: [], text: letter } : set(letter, look, Infinity),
  )
  const mean = (of: (p: Point) => number) => all.reduce((sum, c) => sum + (c ? of(c.centre) : 0), 0) / all.length
  const [dx, dy] = [circle.centre.x - mean((p) => p.x), circle.centre.y - mean((p) => p.y)]
  const below = dy > circle.radius.y * 0.2
  const gap = style.body.size * GAP
  const radius = circle.radius.x + gap + (below ? line.size * CAPITALS : 0)
  const span = letters.reduce((sum, l) => sum + l.width, 0) / radius
  if (span > LONGEST) return null
  const lean = Math.abs(dx) < circle.radius.x * 0.1 ? 0 : Math.sign(dx) * LEAN
  const angle = below ? Math.PI / 2 - lean : lean - Math.PI / 2
  const arc = { of: n.id, letters, centre: circle.centre, radius, angle, below }
  return { kind: 'arcWords', ...arc, box: boxOf(arc, span, line.size) }
}

const middleOf = ({ centre, radius, angle }: ArcWords): Point => ({
  x: centre.x + cosine(angle) * radius,
  y: centre.y + sine(angle) * radius,
})

/** Around all letters, however they are turned. */
function boxOf(
  { centre, radius, angle, below }: Pick<ArcWords, 'centre' | 'radius' | 'angle' | 'below'>,
  span: number,
  size: number,
): Box {
  const middle = radius + (below ? -1 : 1) * size * 0.35
  const letters = Array.from({ length: 9 }, (_, i) => {
    const at = angle + span * (i / 8 - 0.5)
    const place = { x: centre.x + cosine(at) * middle, y: centre.y + sine(at) * middle }
    return boxAround(place, { width: size, height: size })
  })
  return union(letters)
}
