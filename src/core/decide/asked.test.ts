/** What it is worth to ask, which option no one would take, two numbers at once, and draws where numbers are ranges. */
import { expectedValues } from '../figure'
import { moments, random, type Quantity } from '../quantity'
import { failingSeeds } from '../testing/seededFigure'
import { seededTree } from '../testing/seededTree'
import { sketch } from '../testing/sketch'
import {
  chancesOf,
  dominances,
  drawnWorth,
  firstChoice,
  inputsOf,
  mean,
  perfectInformation,
  riskProfiles,
  strategyRegions,
  toldAbout,
  treeOf,
  withNumber,
  type DecisionTree,
} from '.'

const made = (seed: number) => {
  const figure = seededTree(seed)
  const tree = treeOf(figure)
  return tree && { figure, tree }
}
const near = (a: number, b: number, by = 1e-9): boolean => Math.abs(a - b) <= by * Math.max(1, Math.abs(a), Math.abs(b))

/** Every way to decide in advance, as what each chance node's way of falling brings on average; no rolling back. */
function plans(tree: DecisionTree, asked: string, id = tree.root): ReadonlyMap<string, number>[] {
  const n = tree.nodes.get(id)
  const links =
    tree.nodes
      .get(asked)
      ?.arms.filter((a) => a.chance !== null)
      .map((a) => a.link) ?? []
  const flat = (v: number) => new Map(links.map((l) => [l, v]))
  const plus = (a: ReadonlyMap<string, number>, b: ReadonlyMap<string, number>, by: (link: string) => number) =>
    new Map(links.map((l) => [l, (a.get(l) ?? 0) + by(l) * (b.get(l) ?? 0)]))
  if (!n) return [flat(0)]
  if (n.chooses && n.arms.length > 0)
    return n.arms.flatMap((a) => plans(tree, asked, a.to).map((p) => plus(p, flat(n.own), () => 1)))
  return n.arms.reduce<ReadonlyMap<string, number>[]>(
    (sofar, a) =>
      plans(tree, asked, a.to).flatMap((p) =>
        sofar.map((s) =>
          plus(s, p, (l) => (a.chance === null ? 1 : n.id === asked ? (l === a.link ? 1 : 0) : a.chance)),
        ),
      ),
    [flat(n.own)],
  )
}

test('to be told how a chance falls is worth what the best plan for each answer brings, over 400 seeded trees', () => {
  let asked = 0
  const failing = failingSeeds(1, 400, (seed) => {
    const m = made(seed)
    if (!m) return null
    const worth = expectedValues(m.figure).values.get(m.tree.root) ?? NaN
    const all = perfectInformation(m.tree)
    for (const node of chancesOf(m.tree)) {
      const every = plans(m.tree, node)
      if (every.length > 3000) continue
      asked++
      const arms = m.tree.nodes.get(node)?.arms.filter((a) => a.chance !== null) ?? []
      for (const right of [1, 0.8, 1 / arms.length]) {
        const wrong = (1 - right) / (arms.length - 1)
        const wanted = arms.reduce((sum, said) => {
          const joint = arms.map((a) => [a.link, (a.chance ?? 0) * (a === said ? right : wrong)] as const)
          return sum + Math.max(...every.map((p) => joint.reduce((s, [l, c]) => s + c * (p.get(l) ?? 0), 0)))
        }, 0)
        const got = toldAbout(m.tree, node, right)
        if (got === null || !near(got + worth, wanted)) return `${node} ${right}: ${got} for ${wanted - worth}`
        if (right * arms.length === 1 && !near(got + worth, worth)) return 'a guess is worth something'
        if (all !== null && got > all + 1e-6 * Math.max(1, Math.abs(all))) return 'one is worth more than all'
      }
    }
    return null
  })
  expect(failing).toEqual([])
  expect(asked).toBeGreaterThan(200)
})

test('over two numbers the best option is the one that rolling back finds there', () => {
  const failing = failingSeeds(1, 200, (seed) => {
    const m = made(seed)
    const choice = m && firstChoice(m.tree)
    if (!m || !choice || choice.arms.length < 2) return null
    const [a, b] = inputsOf(m.tree).filter((i) => i.of === 'value')
    if (!a || !b) return null
    const along = (input: typeof a) => ({ input, interval: [-20_000, 20_000] as const })
    const next = random(seed)
    for (const { y, stretches } of strategyRegions(m.tree, along(a), along(b), 5)) {
      const x = -20_000 + next() * 40_000
      const told = stretches.find((s) => x <= s.to)?.option
      const there = withNumber(withNumber(m.tree, b, y), a, x)
      const values = choice.arms.map((arm) => [arm.link, valueOf(there, arm.to)] as const)
      const most = Math.max(...values.map(([, v]) => v))
      if (!values.some(([link, v]) => link === told && near(v, most, 1e-6))) return `${told} at ${x}, ${y}`
    }
    return null
  })
  expect(failing).toEqual([])
})

function valueOf(tree: DecisionTree, id: string): number {
  const n = tree.nodes.get(id)
  if (!n) return 0
  const below = n.arms.map((a) => (a.chance ?? 1) * valueOf(tree, a.to))
  if (n.chooses && n.arms.length > 0) return n.own + Math.max(...n.arms.map((a) => valueOf(tree, a.to)))
  return n.own + below.reduce((s, v) => s + v, 0)
}

test('an option that is dominated is never better, whoever asks; what always wins wins against any falling', () => {
  const tree = treeOf(
    sketch(
      'decision; a choice Crossing?; b chance Night; d chance Day; e outcome Calm | 9 h; f outcome Rough | 4 h; g outcome Clear | 8 h; h outcome Fog | 3 h; i outcome Bus | 2 h; a>b; a>d; a>i; b>e 50%; b>f 50%; d>g 50%; d>h 50%',
    ),
  ) as DecisionTree
  const profiles = riskProfiles(tree)?.options ?? new Map()
  const name = (link: string) => [...tree.nodes.values()].flatMap((n) => n.arms).find((a) => a.link === link)?.to
  expect(dominances(profiles).map((d) => `${name(d.better)} ${d.how} ${name(d.worse)}`)).toEqual([
    'b everywhere d',
    'b always i',
    'd always i',
  ])
  const failing = failingSeeds(1, 300, (seed) => {
    const m = made(seed)
    const options = m && riskProfiles(m.tree)?.options
    if (!options) return null
    for (const { better, worse } of dominances(options)) {
      const [a, b] = [options.get(better) ?? [], options.get(worse) ?? []]
      // Any utility that grows prefers it: three of them.
      for (const u of [(x: number) => x, (x: number) => -Math.exp(-x / 9000), (x: number) => Math.cbrt(x)])
        if (
          mean(a.map((v) => ({ ...v, value: u(v.value) }))) <
          mean(b.map((v) => ({ ...v, value: u(v.value) }))) - 1e-9
        )
          return 'worse for somebody'
    }
    return null
  })
  expect(failing).toEqual([])
})

test('draws have the mean of their ranges, the same for the same seed', () => {
  let compared = 0
  for (let seed = 1; compared < 12 && seed < 200; seed++) {
    const m = made(seed)
    if (!m || !firstChoice(m.tree)) continue
    const ranges = new Map<string, Quantity>(
      [...m.tree.nodes.values()]
        .filter((n) => n.arms.length === 0)
        .map((n) => [n.id, { low: n.own - 3000, likely: n.own - 1000, high: n.own + 3000, unit: '' }]),
    )
    const centred = [...ranges].reduce(
      (t, [id, q]) => withNumber(t, { of: 'value', node: id }, moments(q).mean),
      m.tree,
    )
    const { options } = drawnWorth(centred, ranges, 10_000, seed)
    for (const a of firstChoice(centred)?.arms ?? []) {
      const values = options.get(a.link) ?? new Float64Array()
      const average = values.reduce((s, x) => s + x, 0) / values.length
      const spread = Math.sqrt(values.reduce((s, x) => s + (x - average) ** 2, 0) / values.length)
      expect(Math.abs(average - valueOf(centred, a.to))).toBeLessThan(5 * (spread / 100) + 1e-9)
    }
    expect(drawnWorth(centred, ranges, 50, seed)).toEqual(drawnWorth(centred, ranges, 50, seed))
    compared++
  }
  expect(compared).toBe(12)
})
