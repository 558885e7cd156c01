import { seededTree } from '../testing/seededTree'
import { random, failingSeeds } from '../testing/seededFigure'
import { expectedValues, type Figure } from '../figure'
import {
  at,
  baseOf,
  certaintyEquivalent,
  expected,
  firstChoice,
  inputsOf,
  mean,
  perfectInformation,
  riskProfiles,
  sensitivity,
  tornado,
  treeOf,
  whereItIs,
  type DecisionTree,
  type Input,
} from '.'

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a), Math.abs(b))
const made = (seed: number) => {
  const figure = seededTree(seed)
  const tree = treeOf(figure)
  return tree && { figure, tree }
}

/** The figure with another number in it, the chances beside it scaled. */
function changed(figure: Figure, input: Input, x: number): Figure {
  if (input.of === 'value') {
    const node = figure.nodes[input.node]
    if (!node) return figure
    return { ...figure, nodes: { ...figure.nodes, [node.id]: { ...node, measure: { value: x, unit: '' } } } }
  }
  const link = figure.links[input.link]
  if (!link) return figure
  const beside = Object.values(figure.links).filter((l) => l.from === link.from && l.id !== link.id)
  const left = beside.reduce((s, l) => s + (l.probability ?? 0), 0)
  const links = Object.fromEntries(
    beside.map((l) => [l.id, { ...l, probability: ((l.probability ?? 0) * (1 - x)) / left }]),
  )
  return { ...figure, links: { ...figure.links, ...links, [link.id]: { ...link, probability: x } } }
}

test('sensitivity to every input is what rolling back with another number gives, to 1e-9; break-even is where the best changes', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const m = made(seed)
    if (!m) return null
    const next = random(seed)
    for (const input of inputsOf(m.tree).slice(0, 6)) {
      const base = baseOf(m.tree, input)
      const interval = input.of === 'chance' ? ([0, 1] as const) : ([base - 9000, base + 9000] as const)
      const s = sensitivity(m.tree, input, interval)
      for (let i = 0; i < 4; i++) {
        const x = interval[0] + next() * (interval[1] - interval[0])
        const wanted = expectedValues(changed(m.figure, input, x)).values.get(m.tree.root)
        if (wanted === undefined || !near(at(s.worth, x), wanted)) return `${at(s.worth, x)} for ${wanted}`
      }
      const leader = (x: number) => {
        const values = [...s.options].map(([link, f]) => [link, at(f, x)] as const)
        const most = Math.max(...values.map(([, v]) => v))
        return values.filter(([, v]) => near(v, most)).map(([l]) => l)
      }
      for (const x of s.breakEven) if (leader(x).length < 2) return `no tie at ${x}`
    }
    return null
  })
  expect(failing).toEqual([])
})

/** Every way in which all chances may fall, each with how likely it is. */
function* fallings(
  tree: DecisionTree,
): Generator<{ readonly chance: number; readonly taken: ReadonlyMap<string, string> }> {
  const chances = [...tree.nodes.values()].filter((n) => n.arms.some((a) => a.chance !== null))
  const go = function* (i: number, chance: number, taken: ReadonlyMap<string, string>): ReturnType<typeof fallings> {
    const n = chances[i]
    if (!n) return void (yield { chance, taken })
    for (const a of n.arms) yield* go(i + 1, chance * (a.chance ?? 1), new Map([...taken, [n.id, a.to]]))
  }
  yield* go(0, 1, new Map())
}

/** The most that can be had when it is known how all falls. */
function bestKnowing(tree: DecisionTree, taken: ReadonlyMap<string, string>, id = tree.root): number {
  const n = tree.nodes.get(id)
  if (!n) return 0
  if (n.chooses && n.arms.length > 0) return n.own + Math.max(...n.arms.map((a) => bestKnowing(tree, taken, a.to)))
  const falls = taken.get(id)
  return n.own + (falls === undefined ? 0 : bestKnowing(tree, taken, falls))
}

test('perfect information is worth what listing every way of falling says; no profile means less or more than its worth', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const m = made(seed)
    if (!m) return null
    const ways = [...m.tree.nodes.values()].reduce(
      (w, n) => w * Math.max(1, n.arms.filter((a) => a.chance !== null).length),
      1,
    )
    const worth = expectedValues(m.figure).values.get(m.tree.root) ?? NaN
    if (ways <= 3000) {
      let knowing = 0
      for (const f of fallings(m.tree)) knowing += f.chance * bestKnowing(m.tree, f.taken)
      const found = perfectInformation(m.tree)
      if (found === null || Math.abs(found - (knowing - worth)) > 1e-9 * Math.max(1, Math.abs(knowing)))
        return `${found} for ${knowing - worth}`
      if (found < -1e-9 * Math.max(1, Math.abs(worth))) return 'knowing is worth less than nothing'
    }
    const profiles = riskProfiles(m.tree)
    if (!profiles || !near(mean(profiles.best), worth)) return `profile of ${worth}`
    const worths = expected(m.tree)
    for (const arm of firstChoice(m.tree)?.arms ?? []) {
      const own = profiles.options.get(arm.link)
      if (!own || !near(mean(own), worths.get(arm.to) ?? NaN)) return `option ${arm.to}`
    }
    const total = profiles.best.reduce((s, v) => s + v.chance, 0)
    return near(total, 1) ? null : `chances add up to ${total}`
  })
  expect(failing).toEqual([])
})

test('a certainty equivalent is the value whose utility is the mean of utilities, below the mean, and near it for the bold', () => {
  const failing = failingSeeds(1, 400, (seed) => {
    const m = made(seed)
    const profile = m && riskProfiles(m.tree)
    if (!m || !profile || firstChoice(m.tree) || [...m.tree.nodes.values()].some((n) => n.chooses)) return null
    const tolerance = 4000
    const utility = profile.best.reduce((s, v) => s + v.chance * (1 - Math.exp(-v.value / tolerance)), 0)
    const wanted = -tolerance * Math.log(1 - utility)
    const found = certaintyEquivalent(m.tree, tolerance).get(m.tree.root) ?? NaN
    if (Math.abs(found - wanted) > 1e-7 * Math.max(1, Math.abs(wanted))) return `${found} for ${wanted}`
    const bold = certaintyEquivalent(m.tree, 1e9).get(m.tree.root) ?? NaN
    return found <= mean(profile.best) + 1e-6 && Math.abs(bold - mean(profile.best)) < 1 ? null : 'not between'
  })
  expect(failing).toEqual([])
})

test('where a worth stands on its bar is a number that gives that worth, the nearest to what it is now; beyond its ends, the end', () => {
  const failing = failingSeeds(1, 100, (seed) => {
    const m = made(seed)
    if (!m) return null
    for (const input of inputsOf(m.tree)) {
      const base = baseOf(m.tree, input)
      const s = sensitivity(m.tree, input, input.of === 'chance' ? [0, 1] : [base - 900, base + 900])
      const [low, high] = s.interval
      for (let i = 0; i <= 8; i++) {
        const asked = at(s.worth, low + ((high - low) * i) / 8)
        const found = whereItIs(s.worth, asked, base)
        if (found < low || found > high || !near(at(s.worth, found), asked)) return `${asked} at ${found}`
      }
      if (!near(whereItIs(s.worth, at(s.worth, base), base), base)) return `moved from ${base}`
      const beyond = Math.max(...s.worth.map((k) => k.y)) + 50
      if (!near(at(s.worth, whereItIs(s.worth, beyond, base)), beyond - 50)) return 'beyond'
    }
    return null
  })
  expect(failing).toEqual([])
})

test('the bars of a tornado stand by what they can do, and each says where another option becomes the best', () => {
  const figure = seededTree(12)
  const tree = treeOf(figure)
  if (!tree) throw new Error('no tree')
  const bars = tornado(
    tree,
    inputsOf(tree).map((input) => {
      const base = baseOf(tree, input)
      return { input, interval: input.of === 'chance' ? [0, 1] : [base - 5000, base + 5000] }
    }),
  )
  const swings = bars.map(
    (b) => Math.max(...b.sensitivity.worth.map((k) => k.y)) - Math.min(...b.sensitivity.worth.map((k) => k.y)),
  )
  expect(bars.length).toBeGreaterThan(3)
  expect(swings).toEqual(swings.toSorted((a, b) => b - a))
})
