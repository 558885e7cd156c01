/** The reading half's first stage: text in, what it says out, each finding with its span. Any language gets blocks; the
 *  sentences of languages with a pack are interpreted, those of others are not, and `interpreted` says so. */
import {
  answersIn,
  outlineOf,
  readableBlocks,
  sentencesOf,
  slice,
  type Answers,
  type Block,
  type Entry,
  type Outline,
  type Span,
} from '../text'
import type { ChildClaim, Claim, Named } from './claims'
import { asksForCases, caseClaims } from './english/caseClaims'
import { choiceClaims } from './english/choiceClaims'
import { noChoices } from './english/options'
import { compareClaims } from './english/compareClaims'
import { hierarchyClaims } from './english/hierarchyClaims'
import { definitionClaims, linkClaims, type Discourse } from './english/linkClaims'
import { nounPhrasesOf, type NounPhrase } from './english/nounPhrases'
import { parse, type Clause } from './english/parse'
import { keyOf } from './english/phrases'
import { predicationsOf, type Predication } from './english/predications'
import { saidOf } from './english/said'
import { verbReading } from './english/verbs'
import { englishShare, wordsOf, type Lexicon, type WordLists } from './english/words'
import { splitMail } from './mail'
import { cutsOf, namingWords, piecesOf } from './pieces'
import { packClaims, packOf, packSaid, type LanguagePack } from './packs'
import { told, type Told } from './statements'
import { mailUnits, unitsOf, type SaidUnit } from './units'

/** An order ("Check the ramp"), a sentence, or a name without a verb. */
export type Form = 'order' | 'sentence' | 'name'

export type ReadText = {
  readonly text: string
  readonly blocks: readonly Block[]
  /** What the author arranged. */
  readonly outline: Outline
  /** How the labels of entries and the sentences behind them are built, by where they start; empty where no language is read. */
  readonly forms: ReadonlyMap<number, Form>
  readonly language: string
  readonly interpreted: boolean
  /** What the answers of a question are called in this language. */
  readonly answers: Answers
  readonly told: Told
  readonly claims: readonly Claim[]
  /** All that it says, clause by clause and item by item. */
  readonly units: readonly SaidUnit[]
  /** Sentences of paragraphs and items, in order; empty where none are interpreted. */
  readonly sentences: readonly Span[]
  /** What each of these says of what; a sentence as a whole where no clauses are read. */
  readonly predications: readonly (readonly Predication[])[]
  /** What it names, in order. */
  readonly phrases: readonly NounPhrase[]
}

/** Running English has about 0.4 of function words, telegraphic lists much less; other languages stay under 0.1. */
const ENGLISH_SHARE = 0.12

/** Without a parser among the words, English is read as a language that is not interpreted: lists, outlines and tables are. */
export function readText(text: string, words: Lexicon | WordLists): ReadText {
  const { body: blocks, frame } = splitMail(text, readableBlocks(text))
  const language = languageOf(text, words)
  const pack = packOf(language)
  if (pack) return readByPack(text, blocks, frame, pack)
  const lexicon = language === 'en' && 'syntax' in words ? withNames(text, words) : null
  const parser = lexicon && parserOf(text, lexicon)
  const parsed = parser ? parsedBlocks(text, blocks, parser) : new Map<Block, Parsed[]>()
  const interpret = lexicon && parser && interpreterOf(text, parsed, parser, lexicon)
  const all = blocks.flatMap((b) => parsed.get(b) ?? [])
  const outline = outlineOf(text, blocks)
  return {
    text,
    blocks,
    outline,
    forms: parser ? formsOf(text, outline.entries, parser) : new Map(),
    language,
    interpreted: lexicon !== null,
    answers: answersIn('en'),
    told: told(text, blocks, outline, interpret),
    claims: lexicon ? claimsIn(text, blocks, parsed, lexicon) : [],
    units: [...unitsOf(text, blocks, parsed), ...mailUnits(frame)],
    sentences: all.map((p) => p.span),
    predications: all.map((p) => predicationsOf(p.clauses)),
    phrases: all.flatMap((p) => nounPhrasesOf(text, p.clauses)),
  }
}

type Parser = (s: Span) => readonly Clause[]
/** Labels are mostly sentences that have been parsed as such. */
function parserOf(text: string, lexicon: Lexicon): Parser {
  const known = new Map<string, readonly Clause[]>()
  return (s) => {
    const key = `${s.start} ${s.end}`
    const clauses = known.get(key) ?? parse(text, s, lexicon)
    known.set(key, clauses)
    return clauses
  }
}

const interpreterOf =
  (text: string, parsed: ReadonlyMap<Block, readonly Parsed[]>, parser: Parser, lexicon: Lexicon) => (block: Block) =>
    (parsed.get(block) ?? parsedSpan(text, block.span, parser)).map((p) => saidOf(text, p.span, p.clauses, lexicon))

/** A language with a pack: its connectives, conditions and relations, sentence by sentence. */
function readByPack(text: string, blocks: readonly Block[], frame: readonly Block[], pack: LanguagePack): ReadText {
  const spans = new Map(
    blocks
      .filter((b) => b.type === 'paragraph' || b.type === 'item')
      .map((b) => [b, sentencesOf(text, b.span)] as const),
  )
  const all = [...spans.values()].flat()
  const tellsSteps = (b: Block) =>
    b.type === 'item' || (spans.get(b) ?? []).some((s) => packSaid(text, s, pack, false).some((x) => x.cues.length > 0))
  const interpret = (b: Block) =>
    (spans.get(b) ?? sentencesOf(text, b.span)).map((s) => packSaid(text, s, pack, tellsSteps(b)))
  const last = { thing: null }
  const cut = cutsOf(pack)
  const outline = outlineOf(text, blocks)
  return {
    text,
    blocks,
    outline,
    forms: formsByPack(text, outline.entries, pack),
    language: pack.language,
    interpreted: true,
    answers: pack.answers,
    told: told(text, blocks, outline, interpret),
    claims: all.flatMap((s) => packClaims(text, s, pack, last)),
    units: [
      ...unitsOf(
        text,
        blocks,
        new Map([...spans].map(([b, list]) => [b, list.map((span) => ({ span, clauses: null }))])),
      ),
      ...mailUnits(frame),
    ],
    sentences: all,
    predications: all.map((s) => piecesOf(text, s, cut)),
    phrases: all.flatMap((s) => namingWords(text, s)),
  }
}

function formsOf(text: string, entries: readonly Entry[], parser: Parser): Map<number, Form> {
  const formOf = (s: Span): [number, Form] => {
    const [first] = sentencesOf(text, { start: s.start, end: Math.min(s.end, s.start + LONGEST_FORM) })
    const clauses = parser(first ?? s)
    const main = clauses.find((c) => c.sub === null && !c.relative) ?? clauses[0]
    return [s.start, main?.verb?.imperative ? 'order' : clauses.some((c) => c.verb) ? 'sentence' : 'name']
  }
  return new Map(
    entries.flatMap((e) => [
      formOf(e.label),
      ...e.details.slice(0, 1).map(formOf),
      ...formsOf(text, e.entries, parser),
    ]),
  )
}
const LONGEST_FORM = 200

/** Without trees: what ends or begins as orders do is one, a few words are a name, more are a sentence. */
function formsByPack(text: string, entries: readonly Entry[], pack: LanguagePack): Map<number, Form> {
  const formOf = (s: Span): [number, Form] => {
    const [first] = sentencesOf(text, s)
    const words = slice(text, first ?? s).trim()
    return [
      s.start,
      pack.order.test(words) ? 'order' : words.split(/\s+/).length > MOST_NAME_WORDS ? 'sentence' : 'name',
    ]
  }
  return new Map(
    entries.flatMap((e) => [
      formOf(e.label),
      ...e.details.slice(0, 1).map(formOf),
      ...formsByPack(text, e.entries, pack),
    ]),
  )
}
const MOST_NAME_WORDS = 4

type Parsed = { readonly span: Span; readonly clauses: readonly Clause[] }

const parsedSpan = (text: string, span: Span, parser: Parser): Parsed[] =>
  sentencesOf(text, span).map((s) => ({ span: s, clauses: parser(s) }))

const parsedBlocks = (text: string, blocks: readonly Block[], parser: Parser): Map<Block, Parsed[]> =>
  new Map(
    blocks.filter((b) => b.type === 'paragraph' || b.type === 'item').map((b) => [b, parsedSpan(text, b.span, parser)]),
  )

/** "Fender: a cushion that ...", "Review – meeting where ...": a term and what it means, not a heading and a remark. */
const DEFINES =
  /^(?:\*\*)?([\p{L}\p{N}][^:–—.!?\n]{0,50}?)(?:\*\*)?(?:\s*:(?:\*\*)?|\s+[–—-])\s+(?=(?:an?|the|one|two|any|what|whatever|when|where|someone|somebody|something|everything)\s|(?:\p{L}+\s){1,3}(?:that|who|which|where|of|for|with|used|in which)\b)/u

function claimsIn(
  text: string,
  blocks: readonly Block[],
  parsed: ReadonlyMap<Block, readonly Parsed[]>,
  lexicon: Lexicon,
): Claim[] {
  const out: Claim[] = []
  const choices = noChoices()
  const asked = asksForCases(text)
  const discourse: Discourse = { subject: [], object: [] }
  for (const b of blocks) {
    if (b.type === 'heading') {
      // A title may put the choice: "Which berth for the night?", "New or used bike?"
      out.push(...choiceClaims(text, b.span, [], lexicon, choices))
      continue
    }
    for (const p of parsed.get(b) ?? []) {
      const match = DEFINES.exec(slice(text, p.span))
      const defined = match && (match[1] as string).split(/\s+/).length <= 4 ? match : null
      if (defined) {
        const at = p.span.start + defined[0].indexOf(defined[1] as string)
        const term: Named = {
          label: defined[1] as string,
          key: keyOf(defined[1] as string),
          span: { start: at, end: at + (defined[1] as string).length },
          pronoun: null,
        }
        const inside = { start: p.span.start + defined[0].length, end: p.span.end }
        out.push(...definitionClaims(term, parse(text, inside, lexicon), lexicon))
        discourse.subject = [term]
      }
      out.push(
        ...hierarchyClaims(p.clauses, text, discourse.subject[0] ?? null).map((c) => pointedAt(c, discourse, out)),
      )
      if (!defined) out.push(...linkClaims(p.clauses, discourse, lexicon))
      out.push(...compareClaims(p.clauses, text, lexicon))
      out.push(...choiceClaims(text, p.span, p.clauses, lexicon, choices))
      out.push(...caseClaims(p.clauses, asked, lexicon))
    }
  }
  return out
}

/** "Four crews take turns. These are ...": what was spoken of last, unless it has been divided already. */
function pointedAt(c: ChildClaim, { object, subject }: Discourse, before: readonly Claim[]): ChildClaim {
  const [meant] = object.length > 0 ? object : subject
  if (!meant || !/^(?:these|those|they)$/.test(c.parent.pronoun ?? '')) return c
  if (before.some((x) => x.relation === 'child' && x.parent.key === meant.key)) return c
  return { ...c, parent: { ...meant, span: c.parent.span } }
}

/** "... and send it to Ivo": who is called by a name inside a sentence acts under it everywhere. */
const NAMED_INSIDE =
  /(?<=\p{Ll}\s)(?:to|by|from|and|with|tells?|asks?|rings?|calls?|phones?|then|when|if|that|lets?|,)\s(\p{Lu}\p{Ll}{1,14})(?=[\s,.;:!?])(?!\s\p{Lu})/gu
function withNames(text: string, lexicon: Lexicon): Lexicon {
  const names = [...text.slice(0, LONGEST_NAMED).matchAll(NAMED_INSIDE)]
    .map((m) => (m[1] as string).toLowerCase())
    .filter((w) => !lexicon.verbClass.has(w) && !lexicon.adjectives.has(w) && !lexicon.actors.has(w))
  return names.length > 0 ? { ...lexicon, actors: new Set([...lexicon.actors, ...names]) } : lexicon
}
const LONGEST_NAMED = 20_000

const SAMPLE = 4000

/** Everyday words that tell languages apart. */
const TELLING: Readonly<Record<string, RegExp>> = {
  de: /^(?:der|die|das|und|ist|nicht|mit|den|dem|ein|eine|einen|einem|einer|wird|werden|auf|für|von|zu|zum|zur|im|bei|sie|wenn|oder|aber|auch|nur|sind|es|falls|nach)$/,
  es: /^(?:el|la|los|las|de|del|que|y|en|un|una|por|con|para|se|es|su|al|lo|como|más|pero|si|no|son|está|después|luego)$/,
  fr: /^(?:le|la|les|des|du|de|et|est|un|une|dans|pour|que|qui|sur|avec|par|pas|au|aux|il|elle|en|ne|ce|sont)$/,
  it: /^(?:il|lo|gli|di|che|e|è|un|una|per|con|non|del|della|si|in|sono|da|al)$/,
  nl: /^(?:de|het|een|en|van|is|niet|met|op|voor|te|dat|die|aan|door|zijn|als|bij|wordt)$/,
  pt: /^(?:o|a|os|as|de|do|da|e|em|um|uma|que|não|para|com|por|se|no|na|são)$/,
}

/** The language of the text by its everyday words: `en` and those with a pack by name, all others `und`. */
function languageOf(text: string, lexicon: WordLists): string {
  const sample = slice(text, { start: 0, end: Math.min(text.length, SAMPLE) })
  const words = wordsOf(sample, { start: 0, end: sample.length }).filter((w) => /^\p{L}/u.test(w.text))
  if (words.length === 0 || words.filter((w) => /^\p{Script=Latin}/u.test(w.text)).length < words.length / 2)
    return 'und'
  const share = englishShare(words)
  const others = Object.entries(TELLING).map(([l, words_]) => ({
    l,
    share: words.filter((w) => words_.test(w.lower)).length / words.length,
  }))
  const [other] = others.toSorted((a, b) => b.share - a.share)
  if (other && other.share > share && other.share >= 0.08) return packOf(other.l) ? other.l : 'und'
  const known =
    words.filter((w) => verbReading(w.lower, lexicon) || lexicon.adjectives.has(w.lower) || lexicon.actors.has(w.lower))
      .length / words.length
  return share >= ENGLISH_SHARE || (known > 0.35 && !/[äöüßéèêàçñ¿¡ø]/i.test(sample)) ? 'en' : 'und'
}
