import { random } from '../testing/seededFigure'
import { converted, drawn, factor, moments, quantityIn, quantityRows } from '.'

test.each(quantityRows.flatMap((r) => r.examples.map((e) => [e, r] as const)))(
  '%s is read by its row and no other before it',
  (example, row) => {
    expect(quantityRows.find((r) => r.pattern.test(example))).toBe(row)
    expect(quantityIn(example)).not.toBeNull()
  },
)

test.each([
  ['12 min', [12, 12, 12, 'min']],
  ['8–15 min', [8, 11.5, 15, 'min']],
  ['£1,200', [1200, 1200, 1200, '£']],
  ['-£1,200', [-1200, -1200, -1200, '£']],
  ['35 %', [35, 35, 35, '%']],
  ['1 in 20', [5, 5, 5, '%']],
  ['3:1', [75, 75, 75, '%']],
  ['5/8/15 min', [5, 8, 15, 'min']],
  ['8 min (5–15)', [5, 8, 15, 'min']],
  ['about 20 minutes', [20, 20, 20, 'minutes']],
  ['1 h 30 min', [90, 90, 90, 'min']],
  ['3,5 h', [3.5, 3.5, 3.5, 'h']],
  ['half an hour', [0.5, 0.5, 0.5, 'hour']],
  ['two hours', [2, 2, 2, 'hours']],
  ['£10 to £20', [10, 15, 20, '£']],
] as const)('%s', (words, [low, likely, high, unit]) => {
  expect(quantityIn(words)).toEqual({ low, likely, high, unit })
})

test('what is no value gives none', () => {
  for (const words of ['', 'soon', 'the first', 'min 12', 'at 8 o’clock', '5 in 2'])
    expect(quantityIn(words)).toBeNull()
})

test('units are turned there and back within a measure, and never across', () => {
  const units = ['s', 'min', 'h', 'days', 'weeks', 'months', 'years']
  for (const a of units)
    for (const b of units) {
      const there = converted({ low: 3, likely: 4, high: 7, unit: a }, b)
      const back = there && converted(there, a)
      expect(back?.high).toBeCloseTo(7, 9)
      expect(factor(a, b)).toBeCloseTo(1 / (factor(b, a) ?? NaN), 12)
    }
  expect(factor('min', 'km')).toBeNull()
  expect(factor('boats', 'Boats')).toBe(1)
})

test('draws have the mean and the variance that are told of them, and stay within their ends', () => {
  const next = random(7)
  for (const words of ['8–15 min', '5/8/15 min', '5/5/15 min', '12 min']) {
    const q = quantityIn(words) as NonNullable<ReturnType<typeof quantityIn>>
    const many = Array.from({ length: 200_000 }, () => drawn(q, next()))
    const mean = many.reduce((a, b) => a + b, 0) / many.length
    const variance = many.reduce((s, x) => s + (x - mean) ** 2, 0) / many.length
    expect(Math.abs(mean - moments(q).mean)).toBeLessThan(0.03)
    expect(Math.abs(variance - moments(q).variance)).toBeLessThan(0.08)
    expect(Math.min(...many.slice(0, 9999))).toBeGreaterThanOrEqual(q.low)
    expect(Math.max(...many.slice(0, 9999))).toBeLessThanOrEqual(q.high)
  }
})
