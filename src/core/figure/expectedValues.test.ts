import { random, failingSeeds } from '../testing/seededFigure'
import { figureOfTree, grown, type Grown } from '../testing/seededTree'
import { steps } from '../testing/steps'
import type { Figure, FigureLink, FigureNode } from './figure'
import { expectedValues } from './expectedValues'

/** Every way to decide everywhere, as the mean of what its chances bring: no rolling back. */
function* strategies(t: Grown): Generator<number> {
  if (t.arms.length === 0) yield t.value
  else if (t.role === 'choice') for (const a of t.arms) for (const v of strategies(a.to)) yield t.value + v
  else {
    const all = (i: number): number[] =>
      i === t.arms.length
        ? [0]
        : all(i + 1).flatMap((rest) =>
            [...strategies(t.arms[i]?.to as Grown)].map((v) => (t.arms[i]?.p as number) * v + rest),
          )
    for (const v of all(0)) yield t.value + v
  }
}

test('what a tree is worth is what the best of all strategies brings, to 1e-9', () => {
  const failing = failingSeeds(1, 401, (seed) => {
    const tree = grown(random(seed), 3)
    if (tree.arms.length === 0) return null
    const wanted = Math.max(...strategies(tree))
    const got = expectedValues(figureOfTree(tree)).values.get('n0')
    return got !== undefined && Math.abs(got - wanted) <= 1e-9 * Math.max(1, Math.abs(wanted))
      ? null
      : `${got} for ${wanted}`
  })
  expect(failing).toEqual([])
})

test('the best option is marked; of equals both', () => {
  const outcome = (value: number): Grown => ({ role: 'outcome', value, arms: [] })
  const choice = (...values: number[]): Grown => ({
    role: 'choice',
    value: 0,
    arms: values.map((v) => ({ p: 1, to: outcome(v) })),
  })
  const best = (t: Grown) => {
    const f = figureOfTree(t)
    return [...expectedValues(f).best].map((id) => f.links[id]?.to)
  }
  expect(best(choice(3, 9, -4))).toEqual(['n2'])
  expect(best(choice(5, 5))).toEqual(['n1', 'n2'])
})

test('outcomes that many chances share are worked out once: forty forks that meet again', () => {
  const count = 40
  const nodes = Array.from({ length: count + 1 }, (_, i): FigureNode => ({
    id: `n${i}`,
    role: i === count ? 'outcome' : 'chance',
    text: '',
    order: i,
    source: [],
    ...(i === count ? { measure: { value: 8, unit: '' } } : {}),
  }))
  const links = Array.from({ length: 2 * count }, (_, i): FigureLink => {
    const from = i >> 1
    return { id: `l${i}`, role: 'leads', from: `n${from}`, to: `n${from + 1}`, probability: 0.5, order: i, source: [] }
  })
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((x) => [x.id, x]))
  const figure: Figure = { ...steps(), kind: 'decision', nodes: byId(nodes), links: byId(links) }
  expect(expectedValues(figure).values.get('n0')).toBe(8)
})

test('nothing is made up: open values, chances that do not add up, two units, circles give no number', () => {
  const fair = figureOfTree({
    role: 'chance',
    value: 0,
    arms: [
      { p: 0.5, to: { role: 'outcome', value: 10, arms: [] } },
      { p: 0.5, to: { role: 'outcome', value: 20, arms: [] } },
    ],
  })
  const known = (f: Figure) => [...expectedValues(f).values.values()]
  const node = (id: string, change: object): Figure => ({
    ...fair,
    nodes: { ...fair.nodes, [id]: { ...(fair.nodes[id] as FigureNode), ...change } },
  })
  const link = (id: string, change: object): Figure => ({
    ...fair,
    links: { ...fair.links, [id]: { ...(fair.links[id] as FigureLink), ...change } },
  })
  expect(known(fair)).toEqual([15])
  expect(known(node('n1', { measure: undefined }))).toEqual([])
  expect(known(link('l0', { probability: 0.2 }))).toEqual([])
  expect(known(node('n1', { measure: { value: 10, unit: 'hours' } }))).toEqual([])
  // What measures the same is turned into one unit.
  const timed = node('n1', { measure: { value: 30, unit: 'min' } })
  const hours = {
    ...timed,
    nodes: { ...timed.nodes, n2: { ...timed.nodes.n2, measure: { value: 1.5, unit: 'h' } } },
  } as Figure
  expect([known(hours), expectedValues(hours).unit]).toEqual([[60], 'min'])
  expect(known(link('l1', { to: 'n0' }))).toEqual([])
})
