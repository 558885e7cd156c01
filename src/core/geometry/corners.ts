/** Boxes with the corners of a house style: as an outline in straight pieces and as SVG path data. */
import { cornersOf, type Box, type Point } from './box'
import { cosine, sine } from './exact'

export const corners = ['square', 'soft', 'round', 'leaf', 'notched', 'cut'] as const
/** Those a style may have; `leafBack` is a leaf where the picture is read from the right. */
export type Corner = (typeof corners)[number] | 'leafBack'

/** What is done to each corner, clockwise from the top left: rounded, left square, scooped out, cut off. */
type Way = 'round' | 'square' | 'scoop' | 'cut'
const ways: Readonly<Record<Corner, readonly [Way, Way, Way, Way]>> = {
  square: ['square', 'square', 'square', 'square'],
  soft: ['round', 'round', 'round', 'round'],
  round: ['round', 'round', 'round', 'round'],
  leaf: ['round', 'square', 'round', 'square'],
  leafBack: ['square', 'round', 'square', 'round'],
  notched: ['scoop', 'scoop', 'scoop', 'scoop'],
  cut: ['cut', 'cut', 'cut', 'cut'],
}

const n = (v: number): number => Math.round(v * 100) / 100
/** Unit steps along the side that ends at a corner, and along the one that begins there. */
const SIDES: readonly (readonly [Point, Point])[] = [
  [
    { x: 0, y: -1 },
    { x: 1, y: 0 },
  ],
  [
    { x: 1, y: 0 },
    { x: 0, y: 1 },
  ],
  [
    { x: 0, y: 1 },
    { x: -1, y: 0 },
  ],
  [
    { x: -1, y: 0 },
    { x: 0, y: -1 },
  ],
]

type Turn = { readonly way: Way; readonly corner: Point; readonly from: Point; readonly to: Point; readonly r: number }

function turns(box: Box, corner: Corner, radius: number): Turn[] {
  const most = Math.max(0, Math.min(radius, box.width / 2, box.height / 2))
  return cornersOf(box).map((c, i) => {
    const way = (ways[corner] as readonly Way[])[i] as Way
    const [into, out] = SIDES[i] as readonly [Point, Point]
    const r = way === 'square' ? 0 : most
    return {
      way,
      corner: c,
      r,
      from: { x: c.x - into.x * r, y: c.y - into.y * r },
      to: { x: c.x + out.x * r, y: c.y + out.y * r },
    }
  })
}

/** SVG path data, clockwise. */
export function corneredPath(box: Box, corner: Corner, radius: number): string {
  const steps = turns(box, corner, radius).map(({ way, from, to, r }, i) => {
    const start = `${i === 0 ? 'M' : 'L'}${n(from.x)} ${n(from.y)}`
    if (r === 0) return start
    if (way === 'cut') return `${start}L${n(to.x)} ${n(to.y)}`
    return `${start}A${n(r)} ${n(r)} 0 0 ${way === 'scoop' ? 0 : 1} ${n(to.x)} ${n(to.y)}`
  })
  return `${steps.join('')}Z`
}

/** Pieces of a quarter of a circle. */
const PIECES = 6

/** As a polygon, clockwise; curves in short pieces. */
export const corneredOutline = (box: Box, corner: Corner, radius: number): Point[] =>
  turns(box, corner, radius).flatMap(({ way, corner: c, from, to, r }) => {
    if (r === 0) return [c]
    if (way === 'cut') return [from, to]
    // A round corner turns around the point inside, a scoop around the corner itself.
    const middle = way === 'round' ? { x: from.x + to.x - c.x, y: from.y + to.y - c.y } : c
    return Array.from({ length: PIECES + 1 }, (_, k) => {
      const t = (k / PIECES) * (Math.PI / 2)
      const [a, b] = [cosine(t), sine(t)]
      return {
        x: middle.x + (from.x - middle.x) * a + (to.x - middle.x) * b,
        y: middle.y + (from.y - middle.y) * a + (to.y - middle.y) * b,
      }
    })
  })
