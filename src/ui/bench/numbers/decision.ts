/** What a decision's numbers say, made ready for the panel that shows it. Pure. */
import { withChance, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { baseOf, inputsOf, type DecisionTree, type Input, type Interval, type Profile } from '@/core/decide'
import { said, type Said } from '@/core/words'

export const keyOf = (input: Input): string => (input.of === 'value' ? `v ${input.node}` : `c ${input.link}`)

/** The node that an input belongs to: what brings it, or what the chance leads to. */
export const nodeOf = (f: Figure, input: Input): string | undefined =>
  input.of === 'value' ? input.node : f.links[input.link]?.to

export function nameOf(f: Figure, input: Input): Said {
  const words = f.nodes[nodeOf(f, input) ?? '']?.text ?? ''
  return input.of === 'value' ? said('{words}: value', { words }) : said('{words}: chance', { words })
}

/** Every number with a range: its own, where it has one; else so many parts of it to each side, chances within 0 and 1. */
export const rangesAround = (
  f: Figure,
  tree: DecisionTree,
  part: number,
): { readonly input: Input; readonly interval: Interval }[] =>
  inputsOf(tree).map((input) => {
    const base = baseOf(tree, input)
    const reach = Math.abs(base) * part
    const { low, high } = (input.of === 'value' && f.nodes[input.node]?.measure) || {}
    if (low !== undefined && high !== undefined) return { input, interval: [low, high] }
    const interval: Interval =
      input.of === 'chance' ? [Math.max(0, base - reach), Math.min(1, base + reach)] : [base - reach, base + reach]
    return { input, interval }
  })

/** The number that stands there. */
export const baseIn = (f: Figure, input: Input): number | undefined =>
  input.of === 'value' ? f.nodes[input.node]?.measure?.value : f.links[input.link]?.probability

/** The figure with another number in that place; chances beside a chance share what is left as they did before. */
export function withInput(f: Figure, input: Input, x: number): Edit {
  if (input.of === 'value') {
    const { unit = '', low, high } = f.nodes[input.node]?.measure ?? {}
    const within = low !== undefined && high !== undefined && low <= x && x <= high
    return { do: 'setNode', id: input.node, set: { measure: { value: x, unit, ...(within ? { low, high } : {}) } } }
  }
  const link = f.links[input.link]
  if (!link) return { do: 'all', edits: [] }
  const beside = Object.values(f.links).filter(
    (l) => l.from === link.from && l.id !== link.id && l.probability !== undefined,
  )
  const left = beside.reduce((s, l) => s + (l.probability ?? 0), 0)
  const shared = (p: number) => (left > 0 ? (p * (1 - x)) / left : (1 - x) / beside.length)
  return {
    do: 'all',
    edits: [
      { do: 'setLink', id: link.id, set: withChance(link, x) },
      ...beside.map((l): Edit => ({ do: 'setLink', id: l.id, set: withChance(l, shared(l.probability ?? 0)) })),
    ],
  }
}

/** Steps of a cumulative distribution: how likely it is to come to so much or less. */
export function cumulative(profile: Profile): readonly { readonly value: number; readonly chance: number }[] {
  let sum = 0
  return profile.map((v) => ({ value: v.value, chance: Math.min(1, (sum += v.chance)) }))
}

/** Rounded as a person would step: a hundredth of the interval, to one digit. */
export const stepOf = ([low, high]: Interval): number => {
  const rough = (high - low) / 100
  return rough <= 0 ? 1 : 10 ** Math.floor(Math.log10(rough))
}
