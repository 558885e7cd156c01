import { random, failingSeeds } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import type { Figure, FigureLink, FigureNode } from './figure'
import { expectedValues } from './expectedValues'

type Tree = {
  readonly role: 'choice' | 'chance' | 'outcome'
  readonly value: number
  readonly arms: { p: number; to: Tree }[]
}

function grown(next: () => number, depth: number): Tree {
  const leaf = depth === 0 || next() < 0.25
  const role = leaf ? 'outcome' : next() < 0.5 ? 'choice' : 'chance'
  const count = leaf ? 0 : 1 + Math.floor(next() * 3)
  const weights = Array.from({ length: count }, () => 0.05 + next())
  const sum = weights.reduce((s, w) => s + w, 0)
  const value = leaf || next() < 0.3 ? Math.round((next() - 0.5) * 20_000) : 0
  return { role, value, arms: weights.map((w) => ({ p: w / sum, to: grown(next, depth - 1) })) }
}

/** Every way to decide everywhere, as the mean of what its chances bring: no rolling back. */
function* strategies(t: Tree): Generator<number> {
  if (t.arms.length === 0) yield t.value
  else if (t.role === 'choice') for (const a of t.arms) for (const v of strategies(a.to)) yield t.value + v
  else {
    const all = (i: number): number[] =>
      i === t.arms.length
        ? [0]
        : all(i + 1).flatMap((rest) =>
            [...strategies(t.arms[i]?.to as Tree)].map((v) => (t.arms[i]?.p as number) * v + rest),
          )
    for (const v of all(0)) yield t.value + v
  }
}

function figureOf(tree: Tree): Figure {
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const add = (t: Tree): string => {
    const id = `n${nodes.length}`
    const measure = t.value !== 0 || t.arms.length === 0 ? { measure: { value: t.value, unit: '' } } : {}
    nodes.push({ id, role: t.role, text: id, order: nodes.length, source: [], ...measure })
    for (const a of t.arms) {
      const chance = t.role === 'chance' ? { probability: a.p } : {}
      const to = add(a.to)
      links.push({ id: `l${links.length}`, role: 'leads', from: id, to, order: links.length, source: [], ...chance })
    }
    return id
  }
  add(tree)
  const byId = <T extends { id: string }>(list: T[]) => Object.fromEntries(list.map((x) => [x.id, x]))
  return { ...steps(), kind: 'decision', nodes: byId(nodes), links: byId(links) }
}

test('what a tree is worth is what the best of all strategies brings, to 1e-9', () => {
  const failing = failingSeeds(1, 401, (seed) => {
    const tree = grown(random(seed), 3)
    if (tree.arms.length === 0) return null
    const wanted = Math.max(...strategies(tree))
    const got = expectedValues(figureOf(tree)).values.get('n0')
    return got !== undefined && Math.abs(got - wanted) <= 1e-9 * Math.max(1, Math.abs(wanted))
      ? null
      : `${got} for ${wanted}`
  })
  expect(failing).toEqual([])
})

test('the best option is marked; of equals both', () => {
  const outcome = (value: number): Tree => ({ role: 'outcome', value, arms: [] })
  const choice = (...values: number[]): Tree => ({
    role: 'choice',
    value: 0,
    arms: values.map((v) => ({ p: 1, to: outcome(v) })),
  })
  const best = (t: Tree) => {
    const f = figureOf(t)
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
  const fair = figureOf({
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
  expect(known(link('l1', { to: 'n0' }))).toEqual([])
})
