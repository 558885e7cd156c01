import { overlaps, segmentEnters, segments, type Box } from '../geometry'
import { failingSeeds, random } from '../testing/seededFigure'
import { straightPath } from './straight'

/** Boxes on the places of a grid, some left out, none touching another. */
function scattered(next: () => number): Box[] {
  const out: Box[] = []
  for (let i = 0; i < 6; i++)
    for (let k = 0; k < 6; k++)
      if (next() < 0.6)
        out.push({
          x: i * 100 + next() * 20,
          y: k * 80 + next() * 20,
          width: 30 + next() * 30,
          height: 20 + next() * 20,
        })
  return out
}

test('a straight connector starts and ends on its nodes, enters no other, and bends only where something is in the way', () => {
  let bent = 0
  const failing = failingSeeds(1, 400, (seed) => {
    const next = random(seed)
    const boxes = scattered(next)
    const [a, b] = [boxes[Math.floor(next() * boxes.length)], boxes[Math.floor(next() * boxes.length)]]
    if (!a || !b || a === b) return null
    const others = boxes.filter((o) => o !== a && o !== b)
    const points = straightPath(a, b, others, 6)
    const parts = segments(points)
    if (parts.some(([p, q]) => others.some((o) => segmentEnters(p, q, o)))) return 'enters another node'
    const [first, last] = [points[0], points.at(-1)]
    const on = (box: Box, p: typeof first) =>
      p !== undefined &&
      overlaps({ x: p.x - 0.1, y: p.y - 0.1, width: 0.2, height: 0.2 }, box) &&
      !segmentEnters(
        p,
        { x: p.x + 1e-3, y: p.y },
        { x: box.x + 0.1, y: box.y + 0.1, width: box.width - 0.2, height: box.height - 0.2 },
      )
    if (!on(a, first) || !on(b, last)) return 'hangs loose'
    if (points.length > 2) bent++
    const middle = (box: Box) => ({ x: box.x + box.width / 2, y: box.y + box.height / 2 })
    const free = !others.some((o) => segmentEnters(middle(a), middle(b), o))
    return free && points.length > 2 ? 'bends for nothing' : null
  })
  expect(failing).toEqual([])
  expect(bent).toBeGreaterThan(60)
})
