/** A decision as numbers: what every node brings by itself, and what it leads to, by choice, by chance or for certain. */
import { inOneUnit, linksInOrder, expectedValues, type Figure, type LinkId, type NodeId } from '../figure'

export type Arm = {
  readonly link: LinkId
  readonly to: NodeId
  /** Between 0 and 1; null for what comes for certain, or is chosen. */
  readonly chance: number | null
}
export type TreeNode = {
  readonly id: NodeId
  readonly own: number
  readonly chooses: boolean
  readonly arms: readonly Arm[]
}

export type DecisionTree = {
  readonly root: NodeId
  readonly unit: string
  /** What each node leads to stands before it: worked out in this order, everything below is known. */
  readonly order: readonly NodeId[]
  readonly nodes: ReadonlyMap<NodeId, TreeNode>
}

/** The tree of the first node that nothing leads to and whose worth is known; null where there is none: see `expectedValues`. */
export function treeOf(given: Figure): DecisionTree | null {
  const figure = inOneUnit(given)
  const { values, unit } = expectedValues(figure)
  const links = linksInOrder(figure)
  const led = new Set(links.map((l) => l.to))
  const root = Object.keys(figure.nodes).find((id) => !led.has(id) && values.has(id))
  if (root === undefined) return null
  const nodes = new Map<NodeId, TreeNode>()
  const order: NodeId[] = []
  const visit = (id: NodeId): void => {
    const node = figure.nodes[id]
    if (!node || nodes.has(id)) return
    const arms = links
      .filter((l) => l.from === id)
      .map((l): Arm => ({ link: l.id, to: l.to, chance: l.probability ?? null }))
    nodes.set(id, { id, own: node.measure?.value ?? 0, chooses: node.role === 'choice', arms })
    arms.forEach((a) => visit(a.to))
    order.push(id)
  }
  visit(root)
  return { root, unit, order, nodes }
}

/** Works every node out from what it leads to, in one pass. */
export function rolledUp<T>(
  tree: DecisionTree,
  work: (node: TreeNode, of: (id: NodeId) => T) => T,
): ReadonlyMap<NodeId, T> {
  const known = new Map<NodeId, T>()
  for (const id of tree.order) {
    const node = tree.nodes.get(id)
    if (node)
      known.set(
        id,
        work(node, (to) => known.get(to) as T),
      )
  }
  return known
}

export const byChance = (node: TreeNode) => node.arms.filter((a): a is Arm & { chance: number } => a.chance !== null)
export const forCertain = (node: TreeNode) => node.arms.filter((a) => a.chance === null)

/** Whether no node is led to from two sides: chances of different branches are then independent of each other. */
export function isPlainTree(tree: DecisionTree): boolean {
  const seen = new Set<NodeId>()
  for (const node of tree.nodes.values())
    for (const { to } of node.arms) {
      if (seen.has(to)) return false
      seen.add(to)
    }
  return true
}
