/** What sentences say beyond order: the explainable layer between clauses and figures. Each claim names the rule that made
 *  it and the words it stands on, whatever the language. */
import type { Span } from '../text'

export type Named = {
  readonly label: string
  readonly key: string
  readonly span: Span
  /** "it", "these": stands for something named before. */
  readonly pronoun: string | null
}
type Base = {
  readonly rule: string
  readonly span: Span
}
type Weighed = Base & {
  /** From 0 to 1: how surely the words mean it. */
  readonly weight: number
}
/** Something and what belongs below it. */
export type ChildClaim = Weighed & {
  readonly relation: 'child'
  /** `heads` is a unit with the person who runs it: which of them is above, the rest of the text decides. */
  readonly how: 'kind' | 'part' | 'reports' | 'heads'
  readonly parent: Named
  readonly children: readonly Named[]
  /** The head noun of children that are announced ("three divisions") and named later. */
  readonly awaits?: string
  /** How many are announced. */
  readonly announced?: number
}
/** One thing does something to another. */
export type LinkClaim = Base & {
  readonly relation: 'link'
  readonly from: readonly Named[]
  readonly to: readonly Named[]
  readonly words: string
  /** Base form of the verb, so that "strained lines" finds "strains the lines". */
  readonly verb: string
  readonly negative: boolean
  /** Where `from` stands for a pronoun: the word, and what else of its number it could stand for. */
  readonly perhaps?: { readonly word: string; readonly from: Named }
}
/** What one, several or all of the compared things are or do. */
export type CompareClaim = Weighed & {
  readonly relation: 'compare'
  /** `all` of the things compared, `these` as listed, or whatever `it` stands for. */
  readonly sets: readonly Named[]
  readonly how: 'shared' | 'only' | 'own' | 'not'
  readonly members: readonly Named[]
}
/** Ways that one can take. */
export type OptionClaim = Weighed & {
  readonly relation: 'option'
  readonly of: Named | null
  readonly options: readonly Named[]
}
/** What speaks for, against or about an option, or comes of it. */
export type AboutClaim = Base & {
  readonly relation: 'about'
  readonly option: Named
  readonly text: Named
  /** "Price", "For"; empty when only told. */
  readonly criterion: string
  readonly probability: number | null
  /** The words say a chance ("likely"), not a number. */
  readonly estimated: boolean
  /** It comes of the chance told just before: "a 20% chance that it sticks, and then the sailing is late". */
  readonly ofChance: boolean
}
/** A condition and what follows from it: a row of a decision, not a step. */
export type CaseClaim = Base & { readonly relation: 'case'; readonly when: Named; readonly then: Named }

/** Rule of links to what is named behind the object of a verb: worth drawing where both ends are named elsewhere too. */
export const BESIDE = 'beside'

export type Claim = ChildClaim | LinkClaim | CompareClaim | OptionClaim | AboutClaim | CaseClaim
