/** The sparse grid connectors run on: the centre lines of all shapes and lines beside their sides. Blocked stretches lie
 *  inside a shape grown by `clearance`. Wybrow, Marriott, Stuckey 2010, "Orthogonal Connector Routing". */
import { bottom, centreOf, inflate, right, type Box, type Point } from '../geometry'

export type Grid = {
  readonly xs: Float64Array
  readonly ys: Float64Array
  /** One entry per cell `yi * xs.length + xi`: 1 where the stretch to the right (`h`) or downwards (`v`) is closed. */
  readonly h: Uint8Array
  readonly v: Uint8Array
  /** How many connectors already run along those stretches. */
  readonly usedH: Uint16Array
  readonly usedV: Uint16Array
  /** Working memory of the path search, four states a cell. */
  readonly search: { readonly cost: Float64Array; readonly from: Int32Array; readonly stamp: Int32Array; run: number }
}

/** Lines closer than this are one line. Less than the tolerance of geometry, so that a path from a port stays straight. */
const SAME = 0.005

export function gridAround(boxes: readonly Box[], clearance: number, extra: readonly Point[]): Grid {
  const xs = lines(
    boxes.flatMap((b) => [b.x - clearance, centreOf(b).x, right(b) + clearance]).concat(extra.map((p) => p.x)),
  )
  const ys = lines(
    boxes.flatMap((b) => [b.y - clearance, centreOf(b).y, bottom(b) + clearance]).concat(extra.map((p) => p.y)),
  )
  const cells = xs.length * ys.length
  const grid: Grid = {
    xs,
    ys,
    h: new Uint8Array(cells),
    v: new Uint8Array(cells),
    usedH: new Uint16Array(cells),
    usedV: new Uint16Array(cells),
    search: {
      cost: new Float64Array(cells * 4),
      from: new Int32Array(cells * 4),
      stamp: new Int32Array(cells * 4),
      run: 0,
    },
  }
  for (const b of boxes) close(grid, inflate(b, clearance - SAME))
  return grid
}

function lines(values: readonly number[]): Float64Array {
  const sorted = Float64Array.from(values).sort()
  const out: number[] = []
  for (const v of sorted) if (out.length === 0 || v - (out.at(-1) as number) > SAME) out.push(v)
  return Float64Array.from(out)
}

/** Closes every stretch that runs through the interior of `b`. */
function close(g: Grid, b: Box): void {
  const w = g.xs.length
  const [x0, x1] = [firstAbove(g.xs, b.x), firstAbove(g.xs, right(b)) - 1]
  const [y0, y1] = [firstAbove(g.ys, b.y), firstAbove(g.ys, bottom(b)) - 1]
  for (let yi = y0; yi <= y1; yi++) for (let xi = Math.max(0, x0 - 1); xi <= x1; xi++) g.h[yi * w + xi] = 1
  for (let xi = x0; xi <= x1; xi++) for (let yi = Math.max(0, y0 - 1); yi <= y1; yi++) g.v[yi * w + xi] = 1
}

/** Index of the first value greater than `v`. */
export function firstAbove(values: Float64Array, v: number): number {
  let [low, high] = [0, values.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if ((values[middle] as number) > v) high = middle
    else low = middle + 1
  }
  return low
}

/** Index of the line at `v`, or -1. */
export function lineAt(values: Float64Array, v: number): number {
  const i = firstAbove(values, v - SAME)
  return i < values.length && Math.abs((values[i] as number) - v) <= SAME ? i : -1
}

/** Notes that a connector runs along `points`, as far as its corners are on the grid. */
export function occupy(g: Grid, points: readonly Point[], by: 1 | -1): void {
  const w = g.xs.length
  for (let i = 1; i < points.length; i++) {
    const [a, b] = [points[i - 1] as Point, points[i] as Point]
    if (Math.abs(a.y - b.y) < SAME) {
      const yi = lineAt(g.ys, a.y)
      if (yi < 0) continue
      const [from, to] = [firstAbove(g.xs, Math.min(a.x, b.x) - SAME), firstAbove(g.xs, Math.max(a.x, b.x) - SAME)]
      for (let xi = from; xi < to; xi++) g.usedH[yi * w + xi]! += by
    } else {
      const xi = lineAt(g.xs, a.x)
      if (xi < 0) continue
      const [from, to] = [firstAbove(g.ys, Math.min(a.y, b.y) - SAME), firstAbove(g.ys, Math.max(a.y, b.y) - SAME)]
      for (let yi = from; yi < to; yi++) g.usedV[yi * w + xi]! += by
    }
  }
}
