/** What is said for and against the options of a decision, and how much of each counts. */
import { linksInOrder, nodesInOrder, type Figure, type FigureNode } from './figure'

const FOR = /^(?:\+|pros?|for|advantages?|benefits?|plus|good|strengths?|dafür|vorteile?|a favor|ventajas?)$/iu
const AGAINST =
  /^(?:-|−|–|cons?|against|disadvantages?|drawbacks?|minus|bad|risks?|weakness(?:es)?|dagegen|nachteile?|en contra|desventajas?)$/iu

/** 1 for what speaks for something, -1 for what speaks against it; null for other words. */
export const sideIn = (words: string): 1 | -1 | null => (FOR.test(words) ? 1 : AGAINST.test(words) ? -1 : null)

export type Argument = {
  readonly node: FigureNode
  readonly side: 1 | -1
  /** 1, where nobody has said. */
  readonly weight: number
}
export type Weighed = { readonly option: FigureNode; readonly arguments: readonly Argument[] }

const weightIn = (n: FigureNode): number => {
  const given = Number(n.fields?.weight ?? 1)
  return Number.isFinite(given) && given >= 0 ? given : 1
}

/** Null unless all that is said of every option is for or against it. */
export function argumentsIn(f: Figure): readonly Weighed[] | null {
  if (f.kind !== 'decision') return null
  const links = linksInOrder(f)
  const options = nodesInOrder(f).filter((n) => n.role === 'option')
  const all = options.map((option): Weighed | null => {
    const told = links.flatMap((l) => {
      const node = l.from === option.id ? f.nodes[l.to] : undefined
      return node?.role === 'criterion' ? [{ node, side: sideIn((l.text ?? '').trim()), weight: weightIn(node) }] : []
    })
    const sided = told.filter((a): a is Argument => a.side !== null)
    return sided.length === told.length ? { option, arguments: sided } : null
  })
  const known = all.filter((w) => w !== null)
  return known.length === all.length && known.some((w) => w.arguments.length > 0) ? known : null
}

/** Whether somebody has said how much anything counts. */
export const isWeighed = (all: readonly Weighed[]): boolean =>
  all.some((w) => w.arguments.some((a) => a.node.fields?.weight !== undefined))

/** What is for an option less what is against it. */
export const balanceOf = ({ arguments: all }: Weighed): number => all.reduce((s, a) => s + a.side * a.weight, 0)

/** How much an argument would have to count for its option to be just as good as the best of the others; null where nothing that
 *  it can count does that, or where there are no others. */
export function turningPoint(all: readonly Weighed[], argument: Argument): number | null {
  const own = all.find((w) => w.arguments.includes(argument))
  const others = all.filter((w) => w !== own).map(balanceOf)
  if (!own || others.length === 0) return null
  const weight = argument.weight + argument.side * (Math.max(...others) - balanceOf(own))
  return weight >= 0 ? weight : null
}
