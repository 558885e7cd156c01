import { apply } from '../document'
import type { Figure } from '../figure'
import { random, failingSeeds } from '../testing/seededFigure'
import { sketch } from '../testing/sketch'
import {
  bearsOn,
  clustersOf,
  countedRegions,
  likeness,
  loopsIn,
  setsOfLists,
  sizeOf,
  standings,
  surprise,
  treeSums,
} from '.'

test('regions of lists are what going through every member finds, over 200 seeded lists of two to five sets', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const names = ['Night', 'Day', 'Dawn', 'Dusk', 'Noon'].slice(0, 2 + Math.floor(next() * 4))
    const lists = names.map(() =>
      Array.from({ length: Math.floor(next() * 30) }, () => `Car ${Math.floor(next() * 40)}`),
    )
    const rows = Array.from({ length: 30 }, (_, i) => lists.map((l) => l[i] ?? ''))
    let count = 0
    const edit = setsOfLists(sketch('venn'), [names, ...rows], () => `n${++count}`)
    if (!edit) return lists.every((l) => l.length === 0) ? null : 'no edit'
    const figure = apply(sketch('venn'), edit).figure
    const sets = Object.values(figure.nodes).filter((n) => n.role === 'set')
    const regions = countedRegions(figure)
    const everybody = new Set(lists.flat())
    for (const mask of Array.from({ length: 2 ** names.length - 1 }, (_, m) => m + 1)) {
      const inside = names.map((_, i) => (mask & (1 << i)) !== 0)
      const wanted = [...everybody].filter((car) => lists.every((l, i) => l.includes(car) === inside[i])).length
      const ids = sets.filter((_, i) => inside[i]).map((s) => s.id)
      const got = regions.find((r) => r.sets.join() === ids.join())?.count ?? 0
      if (got !== wanted) return `${mask}: ${got} for ${wanted}`
    }
    const [a, b] = [sets[0]?.id ?? '', sets[1]?.id ?? '']
    const [x, y] = [new Set(lists[0]), new Set(lists[1])]
    const both = [...x].filter((c) => y.has(c)).length
    return sizeOf(regions, a, b) === both &&
      Math.abs(likeness(regions, a, b) - both / Math.max(1, x.size + y.size - both)) < 1e-12
      ? null
      : 'likeness'
  })
  expect(failing).toEqual([])
})

/** Exact, by whole numbers. */
const choose = (n: number, k: number): bigint => {
  let out = 1n
  for (let i = 0; i < k; i++) out = (out * BigInt(n - i)) / BigInt(i + 1)
  return out
}

test('the surprise of an overlap is what counting all ways gives', () => {
  for (const [total, a, b] of [
    [20, 8, 7],
    [52, 13, 13],
    [9, 5, 6],
    [300, 40, 60],
  ] as const)
    for (let both = Math.max(0, a + b - total); both <= Math.min(a, b); both++) {
      let tail = 0n
      for (let k = both; k <= Math.min(a, b); k++) tail += choose(a, k) * choose(total - a, b - k)
      const wanted = Number((tail * 10n ** 15n) / choose(total, b)) / 1e15
      expect(Math.abs((surprise(total, a, b, both) ?? NaN) - wanted)).toBeLessThan(1e-9)
    }
  expect(surprise(10, 8, 7, 4)).toBeNull()
  expect(surprise(10, 3, 3, 4)).toBeNull()
})

test('a hierarchy is summed from its leaves: sums, shares, spans, depth', () => {
  const fleet = sketch(
    'hierarchy; a item Fleet; b item Car ferries; d item Boats; e item Teal | 60 cars; f item Tern | 40 cars; g item Skua | 20 cars; a>b; a>d; b>e; b>f; d>g',
  )
  const told = treeSums(fleet)
  expect(told?.rows.map((r) => [r.id, r.level, r.sum, Math.round(r.share * 1000) / 1000, r.children, r.below])).toEqual(
    [
      ['a', 0, 120, 1, 2, 5],
      ['b', 1, 100, 0.833, 2, 2],
      ['e', 2, 60, 0.5, 0, 0],
      ['f', 2, 40, 0.333, 0, 0],
      ['d', 1, 20, 0.167, 1, 1],
      ['g', 2, 20, 0.167, 0, 0],
    ],
  )
  expect([told?.unit, told?.depth, told?.span]).toEqual(['cars', 3, 2])
  expect(treeSums(sketch('hierarchy; a item A; b item B; a>b; b>a'))).toBeNull()
})

test('loops are told as reinforcing or balancing where every link has a sign; hubs, distances, clusters', () => {
  const map = sketch(
    'concept; a concept Wind; b concept Waves; d concept Speed; e concept Delay; f concept Complaints; g concept Fuel; h concept Price; a>b raises; b>d reduces; d>e reduces; e>d increases; e>f causes; f>e lengthen; g>h feeds',
  )
  expect(loopsIn(map)).toEqual([
    { nodes: ['d', 'e'], is: 'balancing' },
    { nodes: ['e', 'f'], is: 'reinforcing' },
  ])
  expect(loopsIn(sketch('concept; a concept A; b concept B; a>b is near; b>a raises'))).toEqual([
    { nodes: ['a', 'b'], is: null },
  ])
  expect(standings(map)[0]).toEqual({ id: 'e', into: 2, out: 2, links: 4 })
  expect([...bearsOn(map, 'a')]).toEqual([
    ['b', 1],
    ['d', 2],
    ['e', 3],
    ['f', 4],
  ])
  expect(clustersOf(map).map((c) => c.length)).toEqual([5, 2])
})

test('loops are those that trying every order of nodes finds, each once', () => {
  const failing = failingSeeds(1, 150, (seed) => {
    const next = random(seed)
    const ids = [...'abcdef'].slice(0, 3 + Math.floor(next() * 4))
    const links = ids.flatMap((x) => ids.filter((y) => y !== x && next() < 0.3).map((y) => `${x}>${y} raises`))
    const map: Figure = sketch(['concept', ...ids.map((i) => `${i} concept ${i}`), ...links].join('; '))
    const has = new Set(links.map((l) => l.slice(0, 3)))
    const wanted = new Set<string>()
    const walk = (path: string): void => {
      const [first = '', last = ''] = [path[0], path.at(-1)]
      if (path.length > 1 && has.has(`${last}>${first}`)) wanted.add(path)
      for (const y of ids) if (y > first && !path.includes(y) && has.has(`${last}>${y}`)) walk(path + y)
    }
    ids.forEach(walk)
    const got = loopsIn(map).map((l) => l.nodes.join(''))
    return got.length === wanted.size && got.every((g) => wanted.has(g))
      ? null
      : `${got.join()} for ${[...wanted].join()}`
  })
  expect(failing).toEqual([])
})
