import { apply } from '@/core/document'
import { expectedValues } from '@/core/figure'
import { at, baseOf, sensitivity, treeOf } from '@/core/decide'
import { seededTree } from '@/core/testing/seededTree'
import { cumulative, rangesAround, stepOf, withInput } from './decision'

test('a number tried out in the figure makes it worth what its sensitivity said', () => {
  let tried = 0
  for (let seed = 1; seed < 120; seed++) {
    const figure = seededTree(seed)
    const tree = treeOf(figure)
    if (!tree) continue
    for (const { input, interval } of rangesAround(figure, tree, 0.5)) {
      const [low, high] = interval
      const base = baseOf(tree, input)
      expect(low <= base && base <= high).toBe(true)
      const x = low + (high - low) * 0.8
      const there = expectedValues(apply(figure, withInput(figure, input, x)).figure).values.get(tree.root) ?? NaN
      const said = at(sensitivity(tree, input, interval).worth, x)
      expect(Math.abs(there - said)).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(said)))
      tried++
    }
  }
  expect(tried).toBeGreaterThan(300)
})

test('steps of a profile go up to one, and a slider steps by a round number', () => {
  const steps = cumulative([
    { value: -2, chance: 0.25 },
    { value: 5, chance: 0.5 },
    { value: 9, chance: 0.25 },
  ])
  expect(steps.map((s) => s.chance)).toEqual([0.25, 0.75, 1])
  expect([stepOf([0, 1]), stepOf([4000, 6000]), stepOf([3, 3])]).toEqual([0.01, 10, 1])
})
