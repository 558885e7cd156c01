/** Decisions from what the author arranged: options with what is for and against each, cases with what follows from each,
 *  options with what is said of each. */
import { sideIn, type NodeId } from '../figure'
import { conditionsIn, keyOf, QUALIFIED, ruleIn, type ReadText } from '../reading'
import { capital, labelOf, sentencesOf, slice, type Entry, type Span } from '../text'
import { type Built } from './built'
import { meeting } from './coverage'
import { Growing } from './growing'
import { clean, labelled, listIn, shortListIn } from './shapes'
import { because } from './because'

const rootOf = (read: ReadText, tree: Growing, otherwise: string): NodeId => {
  const { title, opening } = read.outline
  // A question further down asks for something else.
  const [first] = opening.flatMap((s) => sentencesOf(read.text, s))
  const asked = title ?? (first && /\?$/.test(slice(read.text, first)) ? first : null)
  return tree.add('choice', asked ? labelled(read.text, asked).replace(/\?$/, '') : otherwise, asked ? [asked] : [])
}

const sideOf = (words: string): string => {
  const side = sideIn(words)
  return side === null ? '' : side > 0 ? 'Pro' : 'Con'
}
/** The plus or minus that marks an entry. */
const signOf = (text: string, e: Entry): string =>
  /([+\-−–])[\t ]*$/.exec(text.slice(Math.max(0, e.label.start - 3), e.label.start))?.[1] ?? ''

type Said = { readonly span: Span; readonly label: string; readonly side: string }

/** Options as entries, each with what is for and against it: under "Pros", behind "Pros:", or marked plus and minus. */
export function weighedOptions(read: ReadText): Built | null {
  const { text } = read
  const options = flattened(text, read.outline.entries)
  const said = options.map((o) => o.entries.flatMap((e) => saidOf(text, e)))
  const judged = said.flat().filter((s) => s.side !== '').length
  const all = said.flat().length
  const by = new Map<string, number>()
  for (const o of options)
    for (const key of new Set(o.entries.filter((e) => e.led).map((e) => keyOf(slice(text, e.label)))))
      by.set(key, (by.get(key) ?? 0) + 1)
  const same = options.flatMap((o) => o.entries).filter((e) => e.led && (by.get(keyOf(slice(text, e.label))) ?? 0) > 1)
  const criteria = [...by.values()].filter((n) => n > 1).length
  const used = said.filter((s) => s.length > 0).length
  if (used < 2 || judged + (criteria > 1 ? same.length : 0) < all * 0.6) return null
  const tree = new Growing()
  const root = rootOf(read, tree, 'Options')
  options.forEach((o, i) => {
    if (said[i]?.length === 0) return
    const option = tree.add('option', capital(labelled(text, o.label)), [o.label], root)
    for (const s of said[i] as Said[])
      tree.add('criterion', capital(s.label), [s.span], option, s.side === '' ? {} : { text: s.side })
  })
  return tree.built(judged > 0 ? 0.88 : 0.78, [
    because.options(used),
    judged > 0 ? because.forAndAgainst : because.sameCriteria,
  ])
}

/** "Option A" over "Pros: ..." and "Cons: ..." at the same level: the sides belong to the option before them. */
function flattened(text: string, entries: readonly Entry[]): readonly Entry[] {
  const side = (e: Entry): boolean => sideOf(slice(text, e.label)) !== ''
  if (entries.some((e) => e.entries.length > 0 && !side(e))) return entries
  const signed = entries.map((e) => signOf(text, e))
  const isSide = (e: Entry, i: number): boolean =>
    side(e) || (signed.includes('+') && signed[i] !== '' && signed.some((s) => s === ''))
  const out: { -readonly [K in keyof Entry]: Entry[K] }[] = []
  entries.forEach((e, i) => {
    const last = out.at(-1)
    if (isSide(e, i) && last) last.entries = [...last.entries, e]
    else out.push({ ...e })
  })
  return out.length < entries.length ? out : entries
}

function saidOf(text: string, e: Entry): Said[] {
  const words = slice(text, e.label)
  const side = sideOf(words)
  const plain = (s: Span): Said => ({ span: s, label: labelled(text, s), side })
  if (side !== '' && e.entries.length > 0) return e.entries.map((x) => plain(x.label))
  if (side !== '') return e.details.flatMap((d) => listIn(text, d)).map(plain)
  const sign = signOf(text, e)
  const signed = sign === '+' ? 'Pro' : /[-−–]/.test(sign) && /\n[\t ]*\+ /.test(text) ? 'Con' : ''
  const [detail] = e.details
  if (signed === '' && e.led && detail) return [{ span: detail, label: labelled(text, detail), side: words }]
  return [{ span: e.label, label: labelled(text, e.label), side: signed }]
}

type Case = { readonly when: Span; readonly then: Span }

/** What is decided, and each case with what follows from it. */
function treeOf(read: ReadText, cases: readonly Case[]): Growing {
  const { text } = read
  const tree = new Growing()
  const root = rootOf(read, tree, 'Which case?')
  for (const c of cases)
    tree.add('outcome', capital(clean(slice(text, labelOf(text, c.then).label))), [c.then], root, {
      text: clean(slice(text, c.when)),
    })
  return tree
}

/** Running text in which one thing after the other depends on something. */
export function casesInSentences(read: ReadText): Built | null {
  const { text, sentences } = read
  const put = sentences.map((s) => conditionsIn(text, s))
  const isRemark = meeting(read.units.filter((u) => u.role === 'remark').map((u) => u.span))
  const cases = put.flatMap((own, i): readonly Case[] =>
    own.length > 0 || isRemark(sentences[i] as Span) ? own : rulesIn(read, sentences[i] as Span, i),
  )
  if (cases.length < 2) return null
  const tree = treeOf(read, cases)
  const sure = put.filter((own, i) => own.length > 0 || ruleIn(text, sentences[i] as Span) !== null)
  const share = sure.length / Math.max(1, sentences.length)
  return tree.built(0.25 + 0.5 * share, [because.cases(cases.length), because.whatFollows])
}
/** "Leather wants contact cement", "The loose ones go ashore": what is said of a kind of thing, or of those of a kind that
 *  differ, is a rule for them; what is said of a certain thing is not. */
function rulesIn(read: ReadText, sentence: Span, i: number): Case[] {
  if (/\?\s*$/.test(slice(read.text, sentence))) return []
  const told = (read.predications[i] ?? []).filter((p) => p.subject !== null && !p.pointing)
  const rule = told.length === 0 ? ruleIn(read.text, sentence) : null
  if (rule) return [rule]
  return told.flatMap(({ subject, said }) => {
    const who = slice(read.text, subject as Span)
    return (CERTAIN.test(who) && !QUALIFIED.test(who)) || CUT_OFF.test(who)
      ? []
      : [{ when: subject as Span, then: said }]
  })
}
/** Ends where a clause begins: the phrase was not read to its end. */
const CUT_OFF = /\b(?:what|which|who|that|there|where|how)$/iu
const CERTAIN =
  /^(?:the|this|that|these|those|its?|their|his|her|our|my|your|he|she|they|we|you|i|what|who|which|nobody|everybody|there)\b/iu

/** Each paragraph about one way that can be taken: its first sentence is the option, the others what is said of it. */
export function optionsInParagraphs(read: ReadText): Built | null {
  const { text } = read
  const paragraphs = read.blocks.filter((b) => b.type === 'paragraph').map((b) => sentencesOf(text, b.span))
  const options = paragraphs.filter((p) => p.length > 1)
  if (read.outline.entries.length > 1 || options.length < 2 || options.length > 7) return null
  const tree = new Growing()
  const root = rootOf(read, tree, 'Options')
  for (const [first, ...others] of options) {
    if (!first) continue
    const option = tree.add('option', capital(clean(slice(text, labelOf(text, first).label))), [first], root)
    for (const s of others) tree.add('criterion', capital(clean(slice(text, labelOf(text, s).label))), [s], option)
  }
  const offered = options.filter(([s]) => s && OFFERS.test(slice(text, s))).length / options.length
  return tree.built(0.15 + 0.5 * offered, [because.paragraphs(options.length), because.eachOneWay])
}
const OFFERS =
  /\b(?:you can|you may|we can|we could|one way|another|the first|the second|the third|first|second|finally|lastly|choose|use|go for|option|course|alternative)\b/iu

/** Entries and sentences that each say when, and what then. */
export function casesInEntries(read: ReadText): Built | null {
  const { text, outline } = read
  const { entries } = outline
  if (entries.length < 2) return null
  const found = entries.map((e) => casesOf(text, e))
  const cases = found.flat()
  const having = found.filter((c) => c.length > 0).length
  if (having < 2 || having < entries.length * 0.6 || entries.some((e) => e.entries.length > 1)) return null
  const more = [...outline.opening, ...outline.closing]
    .flatMap((s) => sentencesOf(text, s))
    .flatMap((s) => conditionsIn(text, s))
  const tree = treeOf(read, [...cases, ...more])
  const arrows = entries.filter((e) => e.mark === '→').length
  const conditional = cases.filter((c) => CONDITIONAL.test(text.slice(c.when.start - 8, c.when.end))).length
  const asked = outline.title !== null && PUTS_TO_CHOICE.test(slice(text, outline.title))
  return tree.built(0.2 + 0.3 * (arrows / entries.length) + 0.35 * (conditional / cases.length) + (asked ? 0.2 : 0), [
    because.cases(cases.length),
    because.whatFollows,
  ])
}
const CONDITIONAL =
  /\b(?:less|more|under|over|above|below|between|up to|at least|not|neither|both|and|only|urgent|if|when|where|for|unless|wenn|falls|si|\d+)\b/i
const PUTS_TO_CHOICE =
  /\b(?:which|what|where|when|who|whether|how|options?|alternatives|choice|choos\w+|decid\w+|approv\w+|or|oder|welche[rs]?|cuál|qué)\b/iu

function casesOf(text: string, e: Entry): Case[] {
  const [detail] = e.details
  const [first, ...others] = [e.label, ...e.details.flatMap((d) => sentencesOf(text, d))] as [Span, ...Span[]]
  const asked = conditionsIn(text, e.led ? e.label : first)
  if (e.led && e.mark !== 'bold' && detail && asked.length === 0) return [{ when: e.label, then: detail }]
  const ruled = asked.length === 0 && !e.led ? ruleIn(text, first) : null
  return [...asked, ...(ruled ? [ruled] : []), ...others.flatMap((s) => conditionsIn(text, s))]
}

/** Entries as options, with what is said of each: its entries, or its sentences. */
export function optionsInEntries(read: ReadText): Built | null {
  const { text, outline } = read
  const { entries } = outline
  const having = entries.filter((e) => e.entries.length > 0 || e.details.length > 0).length
  if (entries.length < 2 || entries.length > 8 || having < 2 || having < entries.length * 0.6) return null
  const tree = new Growing()
  const root = rootOf(read, tree, 'Options')
  for (const e of entries) {
    const option = tree.add('option', capital(labelled(text, e.label)), [e.label], root)
    for (const s of aboutOption(text, e)) tree.add('criterion', capital(clean(slice(text, s))), [s], option)
  }
  const asked = outline.title ? slice(text, outline.title) : outline.opening.map((s) => slice(text, s)).join(' ')
  const names = entries.filter((e) => keyOf(asked).includes(keyOf(slice(text, e.label)))).length
  return tree.built(0.12 + (OPTIONS.test(asked) ? 0.35 : 0) + (names > 1 ? 0.3 : 0), [
    because.options(entries.length),
    because.saidOfEach,
  ])
}
const OPTIONS = /\b(?:which|whether|options?|alternatives?|choices?|choos\w+|or|oder|optionen|opciones)\b[^.]*$/iu

function aboutOption(text: string, e: Entry): Span[] {
  if (e.entries.length > 0) return e.entries.map((x) => x.label)
  const [first] = e.details
  const list = first && e.details.length === 1 ? shortListIn(text, first, 6) : null
  if (list) return list.map((s) => withoutBut(text, s))
  return e.details.flatMap((d) => sentencesOf(text, d)).map((s) => labelOf(text, s).label)
}
const withoutBut = (text: string, s: Span): Span => {
  const m = /^(?:but|however|aber|pero)\s+/iu.exec(slice(text, s))
  return m ? { start: s.start + m[0].length, end: s.end } : s
}
