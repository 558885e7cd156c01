import { failingSeeds, random } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import type { Figure, FigureLink, FigureNode } from './figure'
import { ranking } from './ranking'

/** Options by criteria as a figure: `cells[option][criterion]`. */
function matrix(cells: readonly (readonly (number | string)[])[], weights: readonly number[]): Figure {
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const add = (role: FigureNode['role'], text: string, more: object = {}): string => {
    const id = `n${nodes.length}`
    nodes.push({ id, role, text, order: nodes.length, source: [], ...more })
    return id
  }
  cells.forEach((row, o) => {
    const option = add('option', `Boat ${o}`)
    row.forEach((value, c) => {
      const to = add('criterion', String(value), { fields: { weight: String(weights[c]) } })
      links.push({ id: `l${links.length}`, role: 'weighs', from: option, to, text: `C${c}`, order: c, source: [] })
    })
  })
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((x) => [x.id, x]))
  return { ...steps(), kind: 'decision', nodes: byId(nodes), links: byId(links) }
}

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
