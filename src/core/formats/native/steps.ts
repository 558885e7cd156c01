/** SVG path data as straight lines and cubic curves, the only ones that every format has. */
import svgpath from 'svgpath'
import type { Box, Point } from '../../geometry'
import type { PathStep } from '../../scene'

/** `scale` and `shift` are done to every place. */
export function stepsOf(d: string, scale = 1, shift: Point = { x: 0, y: 0 }): PathStep[] {
  const out: PathStep[] = []
  svgpath(d)
    .abs()
    .unshort()
    .unarc()
    .scale(scale)
    .translate(shift.x, shift.y)
    .iterate((s, _, x, y) => {
      const step = rows[s[0]]?.(s.slice(1) as number[], { x, y })
      if (step) out.push(step)
    })
  return out
}

const p = (x = 0, y = 0): Point => ({ x, y })
/** `from` is where the pen stands. */
const rows: Readonly<Record<string, (v: readonly number[], from: Point) => PathStep>> = {
  M: ([x, y]) => ['M', p(x, y)],
  L: ([x, y]) => ['L', p(x, y)],
  H: ([x], from) => ['L', p(x, from.y)],
  V: ([y], from) => ['L', p(from.x, y)],
  C: ([a, b, c, d, x, y]) => ['C', p(a, b), p(c, d), p(x, y)],
  // A quadratic curve raised to a cubic one.
  Q: ([a = 0, b = 0, x = 0, y = 0], from) => [
    'C',
    p(from.x + (2 / 3) * (a - from.x), from.y + (2 / 3) * (b - from.y)),
    p(x + (2 / 3) * (a - x), y + (2 / 3) * (b - y)),
    p(x, y),
  ],
  Z: () => ['Z'],
  z: () => ['Z'],
}

/** The box of all its places, those that curves are pulled to among them. */
export function boxOfSteps(steps: readonly PathStep[]): Box {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity]
  for (const [, ...places] of steps)
    for (const { x, y } of places as readonly Point[]) {
      left = Math.min(left, x)
      top = Math.min(top, y)
      right = Math.max(right, x)
      bottom = Math.max(bottom, y)
    }
  return left === Infinity
    ? { x: 0, y: 0, width: 0, height: 0 }
    : { x: left, y: top, width: right - left, height: bottom - top }
}
