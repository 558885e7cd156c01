/** What it is worth to ask before one chooses, where the answer is right now and then (Raiffa, Schlaifer 1961, "Applied
 *  statistical decision theory", 4.5). */
import type { LinkId, NodeId } from '../figure'
import { withChances } from './changed'
import { expected, type Profile } from './profile'
import { byChance, isPlainTree, type DecisionTree } from './tree'

/** Nodes where something falls by chance. */
export const chancesOf = (tree: DecisionTree): NodeId[] =>
  [...tree.nodes.values()].filter((n) => byChance(n).length > 1).map((n) => n.id)

/** What it is worth to be told how one chance falls before anything is chosen, by somebody who names the right way so often as
 *  `right` says (1: always) and each other as often as the next. Null where branches meet again, so that what is told would
 *  bear on more than one place. */
export function toldAbout(tree: DecisionTree, node: NodeId, right: number): number | null {
  const owner = tree.nodes.get(node)
  const arms = owner ? byChance(owner) : []
  if (!isPlainTree(tree) || arms.length < 2) return null
  const wrong = (1 - right) / (arms.length - 1)
  const worth = (t: DecisionTree) => expected(t).get(t.root) ?? 0
  const told = arms.reduce((sum, said) => {
    const likely = (link: LinkId) => (link === said.link ? right : wrong)
    const saidAtAll = arms.reduce((s, a) => s + a.chance * likely(a.link), 0)
    if (saidAtAll <= 0) return sum
    return sum + saidAtAll * worth(withChances(tree, node, (a) => ((a.chance ?? 0) * likely(a.link)) / saidAtAll))
  }, 0)
  return told - worth(tree)
}

/** Which of two distributions nobody would take who likes more better than less: `always` where its worst is no worse than the
 *  other's best, `everywhere` where it is at least as likely to reach any amount (first-order stochastic dominance; Hadar,
 *  Russell 1969). */
export type Dominance = { readonly better: LinkId; readonly worse: LinkId; readonly how: 'always' | 'everywhere' }

export function dominances(options: ReadonlyMap<LinkId, Profile>): Dominance[] {
  const list = [...options]
  return list.flatMap(([better, a]) =>
    list.flatMap(([worse, b]): Dominance[] => {
      if (better === worse || !reaches(a, b) || reaches(b, a)) return []
      const always = (a[0]?.value ?? 0) >= (b.at(-1)?.value ?? 0)
      return [{ better, worse, how: always ? 'always' : 'everywhere' }]
    }),
  )
}

/** Whether a is nowhere more likely than b to stay below an amount. */
function reaches(a: Profile, b: Profile): boolean {
  const upTo = (p: Profile, x: number) => p.reduce((s, v) => (v.value <= x ? s + v.chance : s), 0)
  return [...a, ...b].every(({ value }) => upTo(a, value) <= upTo(b, value) + 1e-12)
}
