import { closestTo, columnCounts } from './frameAspect'

test('for every number of rows the fewest columns, and no other', () => {
  for (let count = 1; count <= 200; count++) {
    const found = columnCounts(count)
    const rows = found.map((c) => Math.ceil(count / c))
    expect(new Set(rows).size).toBe(rows.length)
    found.forEach((c, i) => expect(c === 1 || Math.ceil(count / (c - 1)) > (rows[i] as number)).toBe(true))
    const all = new Set(Array.from({ length: count }, (_, i) => Math.ceil(count / (i + 1))))
    expect(new Set(rows)).toEqual(all)
  }
  expect(columnCounts(0)).toEqual([1])
})

test('the way closest to the proportions is taken, twice too wide being as far off as twice too high; the first of equals', () => {
  const size = (width: number, height: number) => ({ width, height })
  const ways = [size(4, 1), size(2, 1), size(1, 1), size(1, 2)]
  expect(closestTo(2, ways, (w) => w)).toBe(ways[1])
  expect(closestTo(Math.SQRT2, ways, (w) => w)).toBe(ways[1])
  expect(closestTo(0.1, ways, (w) => w)).toBe(ways[3])
  expect(() => closestTo(1, [], () => size(1, 1))).toThrow('nothing to choose')
})
