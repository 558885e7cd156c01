/** How the worth of a decision hangs on one number of it: exact, as a function made of straight pieces. A choice between
 *  sums is a maximum of straight lines, so nothing is sampled (Howard 1968, "The foundations of decision analysis"). */
import type { LinkId, NodeId } from '../figure'
import { at, constant, largest, line, weighted, type Interval, type Piecewise } from './piecewise'
import { byChance, forCertain, rolledUp, type DecisionTree, type TreeNode } from './tree'

/** A number that may be another: what a node brings, or a chance. When a chance changes, those beside it share what is left as
 *  they did before. */
export type Input = { readonly of: 'value'; readonly node: NodeId } | { readonly of: 'chance'; readonly link: LinkId }

export type Sensitivity = {
  readonly input: Input
  readonly base: number
  readonly interval: Interval
  /** The worth of the decision. */
  readonly worth: Piecewise
  /** What each option of the first choice is worth, by its link. */
  readonly options: ReadonlyMap<LinkId, Piecewise>
  /** Where another option becomes the best one. */
  readonly breakEven: readonly number[]
}

/** Every number that the worth can hang on. */
export const inputsOf = (tree: DecisionTree): Input[] =>
  [...tree.nodes.values()].flatMap((n): Input[] => [
    ...(n.own !== 0 || n.arms.length === 0 ? [{ of: 'value' as const, node: n.id }] : []),
    ...(byChance(n).length > 1 ? byChance(n).map((a): Input => ({ of: 'chance', link: a.link })) : []),
  ])

export function baseOf(tree: DecisionTree, input: Input): number {
  if (input.of === 'value') return tree.nodes.get(input.node)?.own ?? 0
  for (const n of tree.nodes.values()) for (const a of n.arms) if (a.link === input.link) return a.chance ?? 0
  return 0
}

export function sensitivity(tree: DecisionTree, input: Input, interval: Interval): Sensitivity {
  const flat = (y: number) => constant(y, interval)
  const own = (n: TreeNode) => (input.of === 'value' && input.node === n.id ? line(1, 0, interval) : flat(n.own))
  const worths = rolledUp<Piecewise>(tree, (n, of) => {
    if (n.chooses && n.arms.length > 0)
      return weighted([
        [1, own(n)],
        [1, largest(n.arms.map((a) => of(a.to)))],
      ])
    return weighted([
      [1, own(n)],
      ...forCertain(n).map((a) => [1, of(a.to)] as const),
      [1, mixed(n, of, input, interval)],
    ])
  })
  const root = tree.nodes.get(tree.root)
  const choice = firstChoice(tree)
  const options = new Map((choice?.arms ?? []).map((a) => [a.link, worths.get(a.to) ?? flat(0)] as const))
  return {
    ...{ input, base: baseOf(tree, input), interval, options },
    worth: root ? (worths.get(root.id) ?? flat(0)) : flat(0),
    breakEven: crossings([...options.values()], interval),
  }
}

/** What comes by chance; under a chance that is another, a straight line in it: what is below it does not hang on it. */
function mixed(n: TreeNode, of: (id: NodeId) => Piecewise, input: Input, interval: Interval): Piecewise {
  const arms = byChance(n)
  const varied = input.of === 'chance' ? arms.find((a) => a.link === input.link) : undefined
  if (!varied) return arms.length > 0 ? weighted(arms.map((a) => [a.chance, of(a.to)])) : constant(0, interval)
  const others = arms.filter((a) => a !== varied)
  const left = others.reduce((s, a) => s + a.chance, 0)
  const rest = others.reduce(
    (s, a) => s + (left > 0 ? a.chance / left : 1 / others.length) * at(of(a.to), interval[0]),
    0,
  )
  return line(at(of(varied.to), interval[0]) - rest, rest, interval)
}

/** The first choice on the way from the root that does not hang on chance. */
export function firstChoice(tree: DecisionTree): TreeNode | null {
  for (let n = tree.nodes.get(tree.root); n;) {
    if (n.chooses) return n
    const [only, ...more] = n.arms
    if (!only || more.length > 0) return null
    n = tree.nodes.get(only.to)
  }
  return null
}

/** Where the largest of the functions becomes another one. */
function crossings(fs: readonly Piecewise[], interval: Interval): number[] {
  if (fs.length < 2) return []
  const best = largest(fs)
  const xs = best.map((k) => k.x)
  const leader = (x: number): number => {
    const ys = fs.map((f) => at(f, x))
    return ys.indexOf(Math.max(...ys))
  }
  return xs.slice(1, -1).filter((x, i) => {
    const [before, after] = [((xs[i] ?? interval[0]) + x) / 2, (x + (xs[i + 2] ?? interval[1])) / 2]
    return leader(before) !== leader(after)
  })
}

export type Bar = {
  readonly input: Input
  readonly low: number
  readonly high: number
  readonly sensitivity: Sensitivity
}

/** What each input can do to the worth between its ends, the one that does most first: the bars of a tornado. */
export const tornado = (
  tree: DecisionTree,
  ranges: readonly { readonly input: Input; readonly interval: Interval }[],
): readonly Bar[] =>
  ranges
    .map(({ input, interval }): Bar => {
      const s = sensitivity(tree, input, interval)
      return { input, low: at(s.worth, interval[0]), high: at(s.worth, interval[1]), sensitivity: s }
    })
    .toSorted((a, b) => swing(b) - swing(a))

const swing = (b: Bar): number => {
  const ys = b.sensitivity.worth.map((k) => k.y)
  return Math.max(...ys) - Math.min(...ys)
}
