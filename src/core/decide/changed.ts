/** A decision with other numbers in it. */
import type { Input } from './sensitivity'
import { byChance, type Arm, type DecisionTree, type TreeNode } from './tree'

/** With another number in that place; chances beside a chance share what is left as they did before. */
export function withNumber(tree: DecisionTree, input: Input, x: number): DecisionTree {
  if (input.of === 'value') return withNode(tree, input.node, (n) => ({ ...n, own: x }))
  const owner = [...tree.nodes.values()].find((n) => n.arms.some((a) => a.link === input.link))
  if (!owner) return tree
  const others = byChance(owner).filter((a) => a.link !== input.link)
  const left = others.reduce((s, a) => s + a.chance, 0)
  const other = (a: Arm): number => (left > 0 ? ((a.chance ?? 0) * (1 - x)) / left : (1 - x) / others.length)
  return withChances(tree, owner.id, (a) => (a.link === input.link ? x : other(a)))
}

/** With other chances at one node; what comes for certain stays so. */
export const withChances = (tree: DecisionTree, node: string, chance: (arm: Arm, i: number) => number): DecisionTree =>
  withNode(tree, node, (n) => ({
    ...n,
    arms: n.arms.map((a, i) => (a.chance === null ? a : { ...a, chance: chance(a, i) })),
  }))

function withNode(tree: DecisionTree, id: string, change: (n: TreeNode) => TreeNode): DecisionTree {
  const node = tree.nodes.get(id)
  return node ? { ...tree, nodes: new Map([...tree.nodes, [id, change(node)]]) } : tree
}
