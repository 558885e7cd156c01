import { corneredOutline, distance, segments, shapes, type Point } from '../geometry'
import { routedFigure } from '../pipeline'
import { plainWardrobe } from '../style'
import { failingSeeds, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { byHand } from './byHand'
import { dress } from './dress'
import type { Mark, PathStep } from './mark'

const typesetter = shippedTypesetter()

/** Places all along a path. */
function along(steps: readonly PathStep[]): Point[] {
  let at: Point = { x: 0, y: 0 }
  return steps.flatMap((s): Point[] => {
    if (s[0] === 'Z') return []
    const [from, to] = [at, s[0] === 'C' ? s[3] : s[1]]
    at = to
    if (s[0] === 'M') return [to]
    const [c1, c2] = s[0] === 'C' ? [s[1], s[2]] : [from, to]
    return [0.25, 0.5, 0.75, 1].map((t) => {
      const u = 1 - t
      const on = (k: 'x' | 'y') => u ** 3 * from[k] + 3 * u * u * t * c1[k] + 3 * u * t * t * c2[k] + t ** 3 * to[k]
      return { x: on('x'), y: on('y') }
    })
  })
}
function apart(p: Point, line: readonly Point[]): number {
  return Math.min(
    ...segments(line).map(([a, b]) => {
      const [dx, dy] = [b.x - a.x, b.y - a.y]
      const t = Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / (dx * dx + dy * dy || 1)))
      return distance(p.x - a.x - dx * t, p.y - a.y - dy * t)
    }),
  )
}
const crispLine = (m: Mark): readonly Point[] => {
  if (m.mark === 'connector') return m.points
  if (m.mark !== 'shape') return []
  const outline = m.shape === 'roundRect' ? corneredOutline(m.box, m.corner, m.radius) : shapes[m.shape].outline(m.box)
  return [...outline, outline[0] as Point]
}

test('what is drawn by hand stays within 3 px of the crisp lines, ends where they end, and is the same every time and wherever it stands', () => {
  let looked = 0
  const wrong = failingSeeds(1, 41, (seed) => {
    const kind = (['process', 'hierarchy', 'concept', 'decision'] as const)[seed % 4] ?? 'process'
    const figure = {
      ...seededOfKind(kind, seed),
      dress: { feel: { hand: 'crisp' as const }, connectors: 'square' as const },
    }
    const routed = routedFigure(figure, { ...plainWardrobe('light'), style: 'chalk-and-slate' }, typesetter)
    for (const m of dress(routed, null)) {
      const crisp = crispLine(m)
      const drawn = byHand(m, routed.style)
      if (JSON.stringify(byHand(m, routed.style)) !== JSON.stringify(drawn)) return 'differs'
      // Hatching is drawn in the colour of the fill, the outline or line in its own, an open head last.
      const own = 'line' in m ? m.line : ''
      const line = drawn.find((d) => d.mark === 'path' && d.line === own && d.fill === 'none')
      if (crisp.length === 0 || line?.mark !== 'path') continue
      looked++
      const places = along(line.steps)
      const worst = Math.max(...places.map((p) => apart(p, crisp)))
      if (worst > 3) return `${m.mark} of ${m.owner}: ${worst.toFixed(1)} px`
      const [first, last] = [places[0], places.at(-1)]
      const [from, to] = [crisp[0] as Point, crisp.at(-1) as Point]
      if (m.mark === 'connector' && first && last)
        if (distance(first.x - from.x, first.y - from.y) + distance(last.x - to.x, last.y - to.y) > 0.01)
          return `ends of ${m.owner}`
    }
    return null
  })
  expect(wrong).toEqual([])
  expect(looked).toBeGreaterThan(300)
})
