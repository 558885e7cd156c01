import { distance, type Point } from '@/core/geometry'

/** A box before it is turned and mirrored, and the preset that draws the route in it. In px. */
export type ConnectorGeometry = {
  readonly preset: string
  readonly adjusts: readonly number[]
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
  readonly turn: 0 | 90
  readonly flipX: boolean
  readonly flipY: boolean
}

const MOST_LEGS = 5
/** A box without extent has no proportions: a point. */
const LEAST = 4 / 3

/** The preset of ISO/IEC 29500-1 (presetShapeDefinitions: straightConnector1, bentConnector2 to 5) whose route is this one; null
 *  for routes that none of them draws: slanted ones with corners, and those of more than five legs. */
export function connectorGeometry(points: readonly Point[]): ConnectorGeometry | null {
  const [start, end] = [points[0], points.at(-1)]
  if (!start || !end) return null
  const legs = points.length - 1
  if (legs === 1) return placed(start, end, 0, 'straightConnector1', () => [])
  const level = points.slice(1).map((p, i) => Math.abs(p.y - (points[i] as Point).y) < 0.05)
  const upright = points.slice(1).map((p, i) => Math.abs(p.x - (points[i] as Point).x) < 0.05)
  const turns = level.every((l, i) => (l || upright[i]) && (i === 0 || l !== level[i - 1]))
  if (!turns || legs > MOST_LEGS) return null
  return placed(start, end, level[0] ? 0 : 90, `bentConnector${legs}`, (toLocal, width, height) => {
    const corners = points.slice(1, -1).map(toLocal)
    // Of each inner leg where it stands: across for the second and fourth, down for the third.
    return corners.slice(1).map((c, i) => (i % 2 === 0 ? c.x / width : c.y / height))
  })
}

function placed(
  start: Point,
  end: Point,
  turn: 0 | 90,
  preset: string,
  adjustsOf: (toLocal: (p: Point) => Point, width: number, height: number) => number[],
): ConnectorGeometry {
  const middle = { x: (start.x + end.x) / 2, y: (start.y + end.y) / 2 }
  const turned = (p: Point): Point =>
    turn === 0 ? { x: p.x - middle.x, y: p.y - middle.y } : { x: p.y - middle.y, y: -(p.x - middle.x) }
  const [a, b] = [turned(start), turned(end)]
  const signed = (v: number) =>
    Math.abs(v) < 0.05 && distance(b.x - a.x, b.y - a.y) > 0 && preset !== 'straightConnector1' ? LEAST : v
  const [w, h] = [signed(b.x - a.x), signed(b.y - a.y)]
  const local = (p: Point): Point => ({ x: turned(p).x - a.x, y: turned(p).y - a.y })
  const [width, height] = [Math.abs(w), Math.abs(h)]
  return {
    ...{ preset, turn, width, height, x: middle.x - width / 2, y: middle.y - height / 2 },
    ...{ flipX: w < 0, flipY: h < 0, adjusts: adjustsOf(local, w, h).map((v) => Math.round(v * 100_000)) },
  }
}
