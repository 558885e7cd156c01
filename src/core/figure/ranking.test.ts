import { failingSeeds, random } from '../testing/seededFigure'
import { matrix } from '../testing/matrix'
import { ranking } from './ranking'

test('the score of an option is the weighted sum of its row, and ranks follow the scores', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const weights = Array.from({ length: 1 + Math.floor(next() * 5) }, () => Math.floor(next() * 9))
    const cells = Array.from({ length: 2 + Math.floor(next() * 4) }, () => weights.map(() => Math.floor(next() * 10)))
    const figure = matrix(cells, weights)
    const found = Object.values(figure.nodes)
      .filter((n) => n.role === 'option')
      .map((n) => ranking(figure).get(n.id))
    const sums = cells.map((row) => row.reduce((s, v, i) => s + v * (weights[i] as number), 0))
    const wrong = found.findIndex(
      (r, i) => r?.score !== sums[i] || r?.rank !== 1 + sums.filter((s) => s > (sums[i] as number)).length,
    )
    return wrong < 0 ? null : `option ${wrong}`
  })
  expect(failing).toEqual([])
})

test('words, a missing weight or different criteria give no ranking', () => {
  expect(ranking(matrix([[3], ['good']], [2])).size).toBe(0)
  expect(ranking(matrix([[3], [4]], [Number.NaN])).size).toBe(0)
  expect(ranking(matrix([[3, 1], [4]], [2, 1])).size).toBe(0)
  expect(ranking(matrix([[3]], [2])).size).toBe(0)
})
