import { random, failingSeeds } from '../testing/seededFigure'
import { byPairs, byPoints, byRank, ranked, turned } from '.'

test('comparisons that agree give back the weights they came from, and no inconsistency; weights follow no scale', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const given = byPoints(Array.from({ length: 2 + Math.floor(next() * 8) }, () => 0.5 + next() * 8)) ?? []
    const found = byPairs(given.length, (i, k) => (given[i] ?? 1) / (given[k] ?? 1))
    if (!found) return 'none'
    const off = Math.max(...found.weights.map((w, i) => Math.abs(w - (given[i] ?? 0))))
    return off < 1e-9 && (found.ratio ?? 0) < 1e-9 ? null : `${off} ${found.ratio}`
  })
  expect(failing).toEqual([])
})

test('the eigenvalue is that of the characteristic equation, for three: λ³ − 3λ² = s + 1/s − 2', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const step = () => [1 / 9, 1 / 5, 1 / 3, 1, 3, 5, 9][Math.floor(next() * 7)] ?? 1
    const [ab, ac, bc] = [step(), step(), step()]
    const found = byPairs(3, (i, k) => (i === 0 ? (k === 1 ? ab : ac) : bc))
    const s = (ab * bc) / ac
    const value = 3 + 2 * 0.58 * (found?.ratio ?? NaN)
    return Math.abs(value ** 3 - 3 * value ** 2 - (s + 1 / s - 2)) < 1e-6 * Math.max(1, value ** 3) ? null : `${value}`
  })
  expect(failing).toEqual([])
})

test('ranks as weights: for three 11/18, 5/18, 2/18; always falling, always one together', () => {
  expect(byRank(3).map((w) => Math.round(w * 18))).toEqual([11, 5, 2])
  for (let n = 1; n < 12; n++) expect(byRank(n).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12)
})

test('scales are turned so that one is the best', () => {
  expect(turned([10, 20, 15], false)).toEqual([0, 1, 0.5])
  expect(turned([10, 20, 15], true)).toEqual([1, 0, 0.5])
  expect(turned([4, 4], true)).toEqual([1, 1])
})

test('within its bounds the best stays the best, and just beyond them another wins', () => {
  let beyond = 0
  const failing = failingSeeds(1, 400, (seed) => {
    const next = random(seed)
    const [options, criteria] = [2 + Math.floor(next() * 4), 2 + Math.floor(next() * 4)]
    const marks = Array.from({ length: options }, () => Array.from({ length: criteria }, () => next()))
    const weights = byPoints(Array.from({ length: criteria }, () => 0.1 + next())) ?? []
    const { best, holds } = ranked(marks, weights)
    const winner = (c: number, t: number) => {
      const others = weights.reduce((s, w, k) => (k === c ? s : s + w), 0)
      return ranked(
        marks,
        weights.map((w, k) => (k === c ? t : (w * (1 - t)) / others)),
      ).best
    }
    for (const [c, [low, high]] of holds.entries()) {
      for (let i = 0; i < 5; i++)
        if (winner(c, low + 1e-9 + next() * Math.max(0, high - low - 2e-9)) !== best) return `inside ${c}`
      for (const t of [low - 1e-6, high + 1e-6]) {
        if (t < 0 || t > 1) continue
        beyond++
        if (winner(c, t) === best) return `beyond ${c}`
      }
    }
    return null
  })
  expect(failing).toEqual([])
  expect(beyond).toBeGreaterThan(300)
})
