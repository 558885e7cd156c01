/** What each word of an English sentence is and what it belongs to, from its tree. Tags are the few that clauses and phrases
 *  need. */
import type { Node } from '../../syntax'
import { treeOf } from './treeOf'
import { verbReading, type Form, type VerbReading } from './verbs'
import {
  AUXILIARIES,
  DETERMINERS,
  MODALS,
  PREPOSITIONS,
  isWord,
  type Lexicon,
  type VerbClass,
  type Word,
} from './words'

export type Tag =
  | 'noun'
  | 'verb'
  | 'aux'
  | 'modal'
  | 'det'
  | 'pron'
  | 'prep'
  | 'conj'
  | 'sub'
  | 'rel'
  | 'adv'
  | 'adj'
  | 'num'
  | 'neg'
  | 'to'
  | 'mark'
export type Tagged = Word & {
  readonly tag: Tag
  readonly base: string
  readonly form: Form | null
  readonly strength: VerbClass | null
  /** The word that a clause's verb group begins with. */
  readonly finite: boolean
  /** Its place among the words tagged with it, and that of the word it belongs to; its own for a root. */
  readonly at: number
  readonly head: number
  readonly relation: string
  /** Part of speech as in the Penn Treebank. */
  readonly pos: string
}

/** Words that stand for somebody or something, whatever the treebank calls them. */
const STANDING_FOR =
  /^(?:everyone|everybody|someone|somebody|anyone|anybody|nobody|nothing|something|anything|everything|none|others)$/

export function tagged(text: string, words: readonly Word[], lexicon: Lexicon): Tagged[] {
  const nodes = treeOf(text, words, lexicon)
  return words.map((w, i) => {
    const node = nodes[i] as Node
    const reading = isWord(w) ? verbReading(w.lower, lexicon) : null
    const verbal = /^VB/.test(node.tag) ? FORMS[node.tag] : undefined
    return {
      start: w.start,
      end: w.end,
      text: w.text,
      lower: w.lower,
      tag: FLOATING.test(w.lower) && floats(nodes, i) ? 'adv' : tagOf(w, node, nodes),
      base: reading?.base ?? w.lower,
      form: formOf(verbal, reading),
      strength: reading?.strength ?? null,
      finite: false,
      at: i,
      head: node.head,
      relation: node.relation,
      pos: node.tag,
    }
  })
}

/** "Deck crew and shore crew both check tickets": behind what they count, before the verb. */
const FLOATING = /^(?:both|all|each|either|neither)$/
export const floating = (w: Tagged): boolean => w.tag === 'adv' && FLOATING.test(w.lower)
const floats = (nodes: readonly Node[], i: number): boolean =>
  /^NN/.test(nodes[i - 1]?.tag ?? '') && nodes[i]?.relation !== 'det' && /^(?:VB|MD)/.test(nodes[i + 1]?.tag ?? '')

const FORMS: Readonly<Record<string, Form>> = { VB: 'base', VBP: 'base', VBZ: 's', VBD: 'ed', VBN: 'ed', VBG: 'ing' }
/** What the tree says where the word can be that. */
const formOf = (verbal: Form | undefined, reading: VerbReading | null): Form | null =>
  verbal !== undefined && (reading === null || reading.form !== 's') ? verbal : (reading?.form ?? null)

function tagOf(w: Word, node: Node, nodes: readonly Node[]): Tag {
  const l = w.lower
  const { tag: pos, relation } = node
  if (!isWord(w)) return 'mark'
  if (/^\p{N}/u.test(w.text) || pos === 'CD') return 'num'
  if (l === 'to') return pos === 'TO' && relation !== 'prep' && relation !== 'dative' ? 'to' : 'prep'
  if (relation === 'mark') return 'sub'
  if (l === 'not' || l === 'never' || (relation === 'neg' && pos === 'RB')) return 'neg'
  if (l === 'cannot' || pos === 'MD' || (MODALS.has(l) && pos !== 'NN')) return 'modal'
  if (AUXILIARIES.has(l)) return 'aux'
  if (/^W/.test(pos)) return relative(nodes, node) && !/^(?:where|when|why|how)$/.test(l) ? 'rel' : 'sub'
  if (relation === 'cc') return 'conj'
  if (pos === 'PRP' || pos === 'EX' || STANDING_FOR.test(l)) return 'pron'
  if (/^(?:det|predet|poss|preconj)$/.test(relation) && (pos !== 'NN' || DETERMINERS.has(l)))
    return /^NN/.test(pos) ? 'noun' : 'det'
  if (pos === 'DT' || pos === 'PDT') return 'pron'
  if (DETERMINERS.has(l) && relation === 'amod') return 'det'
  if (pos === 'IN' || pos === 'RP') return PREPOSITIONS.has(l) || relation === 'prep' ? 'prep' : 'adv'
  if (/^RB|^UH/.test(pos)) return 'adv'
  if (/^JJ/.test(pos)) return 'adj'
  return /^VB[PZD]?$/.test(pos) ? 'verb' : 'noun'
}

/** Inside a clause that says more about a noun. */
function relative(nodes: readonly Node[], node: Node): boolean {
  let at = node
  for (let k = 0; k < 6; k++) {
    if (at.relation === 'relcl') return true
    if (/^(?:ROOT|advcl|ccomp|csubj|xcomp)$/.test(at.relation)) return false
    at = nodes[at.head] as Node
  }
  return false
}
