import { failingSeeds, random } from '@/core/testing/seededFigure'
import { levelled } from './levels'

test('cards stand at their wish or below it, never over each other, in the order of their wishes', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const cards = Array.from({ length: 1 + Math.floor(next() * 8) }, () => ({
      wish: next() * 900,
      height: 50 + next() * 300,
    }))
    const tops = levelled(cards, 20)
    const placed = cards.map((c, i) => ({ ...c, top: tops[i] as number })).toSorted((a, b) => a.top - b.top)
    if (placed.some((c) => c.top < c.wish)) return 'above its wish'
    if (
      placed
        .slice(1)
        .some(
          (c, i) =>
            c.top < (placed[i] as (typeof placed)[number]).top + (placed[i] as (typeof placed)[number]).height + 19.9,
        )
    )
      return 'overlap'
    return placed.slice(1).some((c, i) => c.wish < (placed[i] as (typeof placed)[number]).wish) ? 'out of order' : null
  })
  expect(failing).toEqual([])
})
