/** What a decision may come to, and how likely: exact distributions over its branches, and what it would be worth to know. */
import type { LinkId } from '../figure'
import { byChance, forCertain, isPlainTree, rolledUp, type DecisionTree, type TreeNode } from './tree'
import { firstChoice } from './sensitivity'

/** Values from the least to the most, each with its chance; the chances add up to 1. */
export type Profile = readonly { readonly value: number; readonly chance: number }[]

/** More values than these are no exact matter any more. */
const MOST_VALUES = 20_000
/** Values nearer to each other are one. */
const SAME = 1e-9

/** The distribution of what comes of it when every choice takes its best option, and of each option of the first choice, the best
 *  options taken after it; null where there are too many values. */
export function riskProfiles(
  tree: DecisionTree,
): { readonly best: Profile; readonly options: ReadonlyMap<LinkId, Profile> } | null {
  const worth = expected(tree)
  const profiles = rolledUp<Profile | null>(tree, (n, of) => {
    const chosen = n.chooses && n.arms.toSorted((a, b) => (worth.get(b.to) ?? 0) - (worth.get(a.to) ?? 0))[0]
    const parts = chosen ? [of(chosen.to)] : [...forCertain(n).map((a) => of(a.to)), mixture(n, of)]
    return parts.reduce<Profile | null>((sum, p) => sum && p && plus(sum, p), [{ value: n.own, chance: 1 }])
  })
  const best = profiles.get(tree.root)
  const options = (firstChoice(tree)?.arms ?? []).map((a) => [a.link, profiles.get(a.to)] as const)
  if (!best || options.some(([, p]) => !p)) return null
  return { best, options: new Map(options as [LinkId, Profile][]) }
}

/** What each node is worth on average. */
export const expected = (tree: DecisionTree) =>
  rolledUp<number>(tree, (n, of) => {
    if (n.chooses && n.arms.length > 0) return n.own + Math.max(...n.arms.map((a) => of(a.to)))
    return n.own + sum(forCertain(n).map((a) => of(a.to))) + sum(byChance(n).map((a) => a.chance * of(a.to)))
  })

/** What it is worth to know how every chance falls before anything is chosen: the mean of the best that each way of falling
 *  allows, less the worth of choosing without knowing. Null where branches meet again, so that chances are not independent of
 *  each other, or where there are too many values. */
export function perfectInformation(tree: DecisionTree): number | null {
  if (!isPlainTree(tree)) return null
  const known = rolledUp<Profile | null>(tree, (n, of) => {
    const below =
      n.chooses && n.arms.length > 0
        ? n.arms.map((a) => of(a.to)).reduce((m, p) => m && p && most(m, p))
        : [...forCertain(n).map((a) => of(a.to)), mixture(n, of)].reduce((s, p) => s && p && plus(s, p), SURELY_NOTHING)
    return below && plus(below, [{ value: n.own, chance: 1 }])
  }).get(tree.root)
  return known ? mean(known) - (expected(tree).get(tree.root) ?? 0) : null
}

/** What would be taken for certain in its place by somebody whose risk tolerance is `tolerance`, in the unit of the values:
 *  exponential utility, 1 − exp(−x / tolerance), rolled back as certainty equivalents (Pratt 1964). */
export function certaintyEquivalent(tree: DecisionTree, tolerance: number): ReadonlyMap<string, number> {
  return rolledUp<number>(tree, (n, of) => {
    if (n.chooses && n.arms.length > 0) return n.own + Math.max(...n.arms.map((a) => of(a.to)))
    const arms = byChance(n).filter((a) => a.chance > 0)
    // The least stands outside of the sum, so that no power overflows. What is drawn does not hang on these digits.
    /* eslint-disable no-restricted-properties */
    const least = Math.min(...arms.map((a) => of(a.to)))
    const risky =
      arms.length === 0
        ? 0
        : least - tolerance * Math.log(sum(arms.map((a) => a.chance * Math.exp(-(of(a.to) - least) / tolerance))))
    /* eslint-enable no-restricted-properties */
    return n.own + sum(forCertain(n).map((a) => of(a.to))) + risky
  })
}

export const mean = (p: Profile): number => sum(p.map((v) => v.value * v.chance))
const sum = (numbers: readonly number[]): number => numbers.reduce((s, x) => s + x, 0)

const SURELY_NOTHING: Profile = [{ value: 0, chance: 1 }]

function mixture(n: TreeNode, of: (id: string) => Profile | null): Profile | null {
  const arms = byChance(n)
  if (arms.length === 0) return SURELY_NOTHING
  const parts = arms.map((a) => ({ chance: a.chance, profile: of(a.to) }))
  if (parts.some((p) => p.profile === null)) return null
  return gathered(parts.flatMap((p) => (p.profile ?? []).map((v) => ({ value: v.value, chance: v.chance * p.chance }))))
}

/** Of two that fall independently of each other. */
const joint = (a: Profile, b: Profile, of: (x: number, y: number) => number): Profile | null =>
  a.length * b.length > MOST_VALUES * 10
    ? null
    : gathered(a.flatMap((x) => b.map((y) => ({ value: of(x.value, y.value), chance: x.chance * y.chance }))))
const plus = (a: Profile, b: Profile) => joint(a, b, (x, y) => x + y)
const most = (a: Profile, b: Profile) => joint(a, b, Math.max)

function gathered(values: { value: number; chance: number }[]): Profile | null {
  const out: { value: number; chance: number }[] = []
  for (const v of values.toSorted((a, b) => a.value - b.value)) {
    const last = out.at(-1)
    if (last && v.value - last.value <= SAME * Math.max(1, Math.abs(v.value))) last.chance += v.chance
    else out.push({ ...v })
  }
  return out.length > MOST_VALUES ? null : out
}
