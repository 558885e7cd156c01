/** The tree of an English sentence. Handbooks are written in commands and with verbs that are nouns as well, which a parser
 *  trained on news takes for nouns now and then. Where the lexicon and the place say that a verb may have been missed, the
 *  sentence is read again with words in their place that leave no doubt, and the tree is taken if the verb is one there. */
import type { Node } from '../../syntax'
import { verbReading, type VerbReading } from './verbs'
import { AUXILIARIES, DETERMINERS, MODALS, PREPOSITIONS, isWord, type Lexicon, type Word } from './words'

/** What a word is read as: other words before it, or in its place. */
type Respelling = { readonly at: number; readonly before?: string; readonly as?: string }
type Said = { readonly text: string; readonly words: readonly Word[] }

export function treeOf(text: string, words: readonly Word[], lexicon: Lexicon): Node[] {
  return withoutEllipses(words, surelyRead(text, words, lexicon))
}

/** "If it does not, hold the sailing": a helper before a comma has left its verb out, and heads a clause of its own. */
function withoutEllipses(words: readonly Word[], nodes: readonly Node[]): Node[] {
  const helps = (i: number) => /^(?:aux|auxpass|neg)$/.test(nodes[i]?.relation ?? '')
  const comma = words.findIndex((w, i) => w.text === ',' && helps(i - 1) && (nodes[i - 1]?.head ?? 0) > i)
  const verb = nodes[comma - 1]?.head ?? -1
  const isHelper = ({ lower }: Word): boolean => AUXILIARIES.has(lower) || MODALS.has(lower)
  const helper = nodes.findLastIndex(
    (n, i) => i < comma && n.head === verb && /^aux/.test(n.relation) && isHelper(words[i] as Word),
  )
  if (comma < 0 || helper < 0) return [...nodes]
  return nodes.map((n, i) => {
    if (i === helper) return { ...n, head: verb, relation: 'advcl' }
    if (i === verb) return n.relation === 'ROOT' ? n : { ...n, relation: 'parataxis' }
    return i < comma && n.head === verb ? { ...n, head: helper } : n
  })
}

/** The tree as it stands or, where a verb was missed, as it reads with one. */
function surelyRead(text: string, words: readonly Word[], lexicon: Lexicon): Node[] {
  const said = turned(text, words)
  const plain = lexicon.syntax(said.text, said.words)
  for (let at = 0; at < words.length; at++) {
    const way = mayCommand(words, at, plain, lexicon)
    const found = way && commanded(said, { at, before: 'you', ...(way === 'surely' ? { as: 'take' } : {}) }, lexicon)
    if (found) return found
  }
  return verbFound(said, plain, lexicon) ?? withoutCommands(words, plain, lexicon)
}

/** "Damp wall": no command, whatever the tree says, where the lexicon knows the word as something else. */
function withoutCommands(words: readonly Word[], nodes: readonly Node[], lexicon: Lexicon): Node[] {
  return nodes.map((n, i) => {
    const w = words[i] as Word
    if (i > 0 || !/^VBP?$/.test(n.tag) || AUXILIARIES.has(w.lower) || DETERMINERS.has(words[1]?.lower ?? '')) return n
    const reading = verbReading(w.lower, lexicon)
    const other = reading === null || (reading.strength === 'rare' && lexicon.adjectives.has(w.lower))
    return other ? { ...n, tag: 'NN' } : n
  })
}

/** "Should the ramp stick, call the engineer": if it sticks. */
function turned(text: string, words: readonly Word[]): Said {
  const asked = words.at(-1)?.text === '?' || /^(?:we|you|i)$/.test(words[1]?.lower ?? '')
  return words[0]?.lower === 'should' && !asked ? respelled({ text, words }, { at: 0, as: 'If' }) : { text, words }
}

function respelled({ text, words }: Said, { at, before, as }: Respelling): Said {
  const here = words[at] as Word
  const ahead = before === undefined ? '' : `${before} `
  const own = as ?? (before === undefined ? here.text : here.text.slice(0, 1).toLowerCase() + here.text.slice(1))
  const start = here.start + ahead.length
  const moved = start + own.length - here.end
  const put = (from: number, s: string): Word => ({
    start: from,
    end: from + s.length,
    text: s,
    lower: s.toLowerCase(),
  })
  return {
    text: text.slice(0, here.start) + ahead + own + text.slice(here.end),
    words: [
      ...words.slice(0, at),
      ...(before === undefined ? [] : [put(here.start, before)]),
      put(start, own),
      ...words.slice(at + 1).map((w) => ({ ...w, start: w.start + moved, end: w.end + moved })),
    ],
  }
}

/** The tree with an unwritten "you" before the command; null where that makes no verb of it. */
function commanded(said: Said, change: Respelling, lexicon: Lexicon): Node[] | null {
  const { at } = change
  const you = respelled(said, change)
  const nodes = lexicon.syntax(you.text, you.words)
  const [subject, verb] = [nodes[at] as Node, nodes[at + 1] as Node]
  if (!/^VBP?$/.test(verb.tag) || subject.head !== at + 1) return null
  return nodes
    .filter((_, i) => i !== at)
    .map((n, i) => ({ ...n, tag: i === at ? 'VB' : n.tag, head: n.head > at ? n.head - 1 : n.head }))
}

const COMMAND_LEAD = /^(?:please|then|now|next|first|finally|also|always|just|carefully|and|or)$/
/** The beginning of the sentence, or behind a mark that a subordinate clause stands before. */
function mayBegin(words: readonly Word[], at: number, nodes: readonly Node[]): boolean {
  const lead = words.findLastIndex((w, i) => i < at && !COMMAND_LEAD.test(w.lower))
  const mark = words[lead]?.text
  if (mark === undefined) return true
  return /^[,;:–—]$/.test(mark) && nodes.slice(0, lead).some((n) => n.relation === 'mark' || n.tag === 'WRB')
}

/** A word that may be a command and is not read as one; surely, where an object follows that only a verb can have. */
function mayCommand(
  words: readonly Word[],
  at: number,
  nodes: readonly Node[],
  lexicon: Lexicon,
): 'surely' | 'perhaps' | null {
  const [w, node, next] = [words[at] as Word, nodes[at] as Node, words[at + 1]]
  if (!isWord(w) || !isWord(next) || COMMAND_LEAD.test(w.lower) || !mayBegin(words, at, nodes)) return null
  if (/^VBP?$/.test(node.tag) && !/^(?:amod|compound)$/.test(node.relation)) return null
  const reading = bareVerb(w, lexicon)
  if (!reading || FUNCTION.test(node.tag)) return null
  const object =
    OBJECT.test(next.lower) || (DETERMINERS.has(next.lower) && next.text !== 'A' && !VAGUE.test(next.lower))
  if (object) return 'surely'
  // "End users will find ...": what has a verb of its own is told by it.
  const told = nodes.some((n, i) => i > at && headsClause(n, false))
  return !told && mayHaveObject(reading, words, at, nodes) ? 'perhaps' : null
}
const OBJECT = /^(?:it|them|him|us|me)$/
/** Stand before a noun as well as for themselves: no sure sign of an object. */
const VAGUE = /^(?:this|that|which|some|both|all|enough)$/

/** "Order fenders and ropes", "Store jackets in lockers", "Check in at the gate"; but "Lift plan", "Ramp checks": of a word
 *  that is a noun as often, more than a name of two words. */
function mayHaveObject({ strength }: VerbReading, words: readonly Word[], at: number, nodes: readonly Node[]): boolean {
  const [next, third, tag] = [words[at + 1] as Word, words[at + 2], nodes[at + 1]?.tag ?? '']
  if (next.lower === 'of') return false
  if (strength === 'only' || PREPOSITIONS.has(next.lower)) return true
  if (strength === 'leaning') return third !== undefined || tag !== 'NN'
  const goesOn = /^NNP?S$/.test(tag) ? third !== undefined : PREPOSITIONS.has(third?.lower ?? '')
  return strength === 'mixed' && goesOn && /^NN/.test(tag)
}

/** How the word is a verb in its bare form; null where it is none, or a helper. */
function bareVerb(w: Word, lexicon: Lexicon): VerbReading | null {
  const reading = verbReading(w.lower, lexicon)
  const bare = reading?.form === 'base' || (reading?.form === 'ed' && reading.base === w.lower)
  return bare && !AUXILIARIES.has(w.lower) && !MODALS.has(w.lower) ? reading : null
}
const FUNCTION = /^(?:IN|DT|PRP|PRP\$|RB|CC|TO|W.*)$/

const PLAIN: Readonly<Record<string, string>> = { base: 'take', s: 'takes', ed: 'took' }
const STRENGTH = ['only', 'leaning', 'mixed']
/** Where no verb was found in a whole sentence, or in a subordinate clause before its comma: the tree with a plain verb in the
 *  place of the likeliest word. Null where none is likely, as in names and headings. */
function verbFound(said: Said, nodes: readonly Node[], lexicon: Lexicon): Node[] | null {
  const { words } = said
  const end = withoutVerb(words, nodes)
  const likely = words
    .slice(0, end)
    .flatMap((w, i) => {
      const reading = mayBeVerb(words, i, nodes, lexicon)
      return reading ? [{ i, reading }] : []
    })
    .sort((a, b) => STRENGTH.indexOf(a.reading.strength) - STRENGTH.indexOf(b.reading.strength))
  const [best] = likely
  if (!best) return null
  const { text, words: respelt } = respelled(said, { at: best.i, as: PLAIN[best.reading.form] as string })
  const found = lexicon.syntax(text, respelt)
  const verb = /^VB[PZD]?$/.test(found[best.i]?.tag ?? '')
  return verb && found.some((n) => n.head === best.i && /^[nc]subj/.test(n.relation)) ? found : null
}

/** How far no verb was found; 0 where one was, and in names and headings. */
function withoutVerb(words: readonly Word[], nodes: readonly Node[]): number {
  const comma = words.findIndex((w) => w.text === ',')
  const subordinate = nodes[0]?.relation === 'mark' || nodes[0]?.tag === 'WRB'
  const whole = /^[.!]$/.test(words.at(-1)?.text ?? '') || DETERMINERS.has(words[0]?.lower ?? '')
  const end = subordinate && comma > 0 ? comma : whole ? words.length : 0
  return nodes.slice(0, end).some((n) => headsClause(n, subordinate)) ? 0 : end
}

/** A verb of the main clause, or of the subordinate one that was looked at. */
const headsClause = (n: Node, subordinate: boolean): boolean =>
  /^(?:VB|VBP|VBZ|VBD|MD)$/.test(n.tag) &&
  (/^(?:ROOT|conj|ccomp|parataxis|aux)$/.test(n.relation) || (subordinate && n.relation === 'advcl'))

/** A noun behind another that it agrees with as a verb would, or that the tree gives what only a verb has: "Waiting ashore
 *  costs nothing". */
function mayBeVerb(words: readonly Word[], at: number, nodes: readonly Node[], lexicon: Lexicon): VerbReading | null {
  const [before, node] = [nodes[at - 1], nodes[at] as Node]
  const next = words[at + 1]
  const noun = /^NN/.test(node.tag) || /^(?:compound|amod)$/.test(node.relation)
  const told = nodes.some((n) => n.head === at && /^(?:[nc]subj|dobj)$/.test(n.relation))
  if (!before || !noun || !(told || /^(?:NN|PRP$|CD|JJ)/.test(before.tag)) || next?.lower === 'of') return null
  const reading = verbReading((words[at] as Word).lower, lexicon)
  if (!reading || reading.form === 'ing' || reading.strength === 'rare') return null
  // "The annual survey results.": a name, where nothing stands behind.
  if (next?.text === '.' && !/^(?:only|leaning)$/.test(reading.strength)) return null
  const several = /S$/.test(before.tag) || words.slice(0, at).some((w) => w.lower === 'and')
  if (reading.form === 's') return several && before.tag !== 'CD' ? null : reading
  return reading.form === 'base' && !several ? null : reading
}
