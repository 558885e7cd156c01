/** What a decision may come to where its numbers are ranges: by seeded draws, everybody keeping to what is best on average. */
import type { LinkId, NodeId } from '../figure'
import { drawn, random, type Quantity } from '../quantity'
import { expected } from './profile'
import { firstChoice } from './sensitivity'
import { byChance, forCertain, type DecisionTree, type TreeNode } from './tree'

export type Draws = {
  /** From the least to the most, by option of the first choice; by the root where nothing is chosen first. */
  readonly options: ReadonlyMap<LinkId | NodeId, Float64Array>
}

/** `ranges`: what a node brings, where it is more than one number. `onPart` hears how much is done, from 0 to 1. */
export function drawnWorth(
  tree: DecisionTree,
  ranges: ReadonlyMap<NodeId, Quantity>,
  count: number,
  seed: number,
  onPart: (done: number) => void = () => undefined,
): Draws {
  const worth = expected(tree)
  const choice = firstChoice(tree)
  const heads: readonly (readonly [LinkId | NodeId, NodeId])[] = choice
    ? choice.arms.map((a) => [a.link, a.to])
    : [[tree.root, tree.root]]
  const best = new Map([...tree.nodes.values()].map((n) => [n.id, bestArm(n, worth)]))
  const next = random(seed)
  const fall = (id: NodeId): number => {
    const n = tree.nodes.get(id)
    if (!n) return 0
    const range = ranges.get(id)
    const own = range ? drawn(range, next()) : n.own
    const to = best.get(id)
    if (to !== undefined) return own + fall(to)
    const arms = byChance(n)
    let left = arms.length > 0 ? next() : 0
    const fallen = arms.find((a) => (left -= a.chance) < 0) ?? arms.at(-1)
    return forCertain(n).reduce((s, a) => s + fall(a.to), own) + (fallen ? fall(fallen.to) : 0)
  }
  let done = 0
  const options = new Map(
    heads.map(([key, head]) => {
      const values = new Float64Array(count)
      for (let i = 0; i < count; i++) {
        values[i] = fall(head)
        if (++done % 2000 === 0) onPart(done / (count * heads.length))
      }
      return [key, values.sort()] as const
    }),
  )
  return { options }
}

const bestArm = (n: TreeNode, worth: ReadonlyMap<NodeId, number>): NodeId | undefined =>
  n.chooses ? n.arms.toSorted((a, b) => (worth.get(b.to) ?? 0) - (worth.get(a.to) ?? 0))[0]?.to : undefined
