/** Words of an English text with their spans, and what the lexicon knows of each. */
import { createSyntax, type Syntax } from '../../syntax'
import type { Span } from '../../text'
import lexicon from './lexicon.json' with { type: 'json' }

export type Word = Span & { readonly text: string; readonly lower: string }
export type VerbClass = 'only' | 'leaning' | 'mixed' | 'rare'

/** What is known of English words. */
export type WordLists = {
  readonly verbClass: ReadonlyMap<string, VerbClass>
  readonly actors: ReadonlySet<string>
  readonly adjectives: ReadonlySet<string>
  /** Nouns that end as names of roles do and are none: door, boiler, container. */
  readonly things: ReadonlySet<string>
  /** Inflected irregular form to base form. */
  readonly irregular: ReadonlyMap<string, string>
}
/** With the parser, which gives trees of sentences. */
export type Lexicon = WordLists & { readonly syntax: Syntax }

/** base past participle, where they differ from base + ed. */
const IRREGULAR = `be was been|be were been|be is are|be am being|have had had|have has has|do did done|do does does|go went gone|become became become|begin began begun|bend bent bent|bind bound bound|
bite bit bitten|blow blew blown|break broke broken|bring brought brought|build built built|burn burnt burnt|buy bought bought|catch caught caught|choose chose chosen|come came come|deal dealt dealt|dig dug dug|
draw drew drawn|drink drank drunk|drive drove driven|eat ate eaten|fall fell fallen|feed fed fed|feel felt felt|fight fought fought|find found found|fly flew flown|forget forgot forgotten|freeze froze frozen|
get got got|give gave given|grow grew grown|hang hung hung|hear heard heard|hide hid hidden|hold held held|keep kept kept|know knew known|lay laid laid|lead led led|leave left left|lend lent lent|
lie lay lain|light lit lit|lose lost lost|make made made|mean meant meant|meet met met|pay paid paid|ride rode ridden|ring rang rung|rise rose risen|run ran run|say said said|see saw seen|seek sought sought|
sell sold sold|send sent sent|shake shook shaken|show showed shown|shrink shrank shrunk|sink sank sunk|sit sat sat|sleep slept slept|slide slid slid|speak spoke spoken|spend spent spent|spin spun spun|
stand stood stood|steal stole stolen|stick stuck stuck|strike struck struck|swear swore sworn|sweep swept swept|swim swam swum|swing swung swung|take took taken|teach taught taught|tear tore torn|tell told told|
think thought thought|throw threw thrown|understand understood understood|undo undid undone|wake woke woken|wear wore worn|win won won|wind wound wound|withdraw withdrew withdrawn|write wrote written|
put put put|set set set|cut cut cut|shut shut shut|let let let|hit hit hit|read read read|spread spread spread|reset reset reset|overtake overtook overtaken|redo redid redone|split split split|cost cost cost|hurt hurt hurt|burst burst burst|cast cast cast|quit quit quit|arise arose arisen|forbid forbade forbidden|outgrow outgrew outgrown`

const BASES: ReadonlySet<string> = new Set(
  IRREGULAR.replace(/\n/g, '')
    .split('|')
    .map((row) => row.split(' ')[0] as string),
)

/** Everyday working verbs and roles that WordNet does not know as such. */
const EXTRA_VERBS = 'email log reset photograph text scan restart rinse label tag disinfect unplug'
/** Counted as nouns more often than handbooks use them so. */
const OFTEN_VERBS = 'need use cause help share'
const EXTRA_ACTORS =
  'sales warehouse kitchen accounts operations accounting payroll logistics security caretaker system app software service program agent desk office lab reception crew mate master team staff department management control coordinator passenger'

/** `syntax` is the file `public/syntax/english.bin`. */
export const englishLexicon = (syntax: Uint8Array): Lexicon => ({ ...englishWords(), syntax: createSyntax(syntax) })

let lists: WordLists | null = null
/** What is at hand before the parser's file is there. */
export const englishWords = (): WordLists => (lists ??= wordLists())

function wordLists(): WordLists {
  const verbClass = new Map<string, VerbClass>()
  for (const c of ['only', 'leaning', 'mixed', 'rare'] as const)
    for (const v of lexicon.verbs[c].split(' ')) verbClass.set(v, c)
  for (const v of EXTRA_VERBS.split(' ')) if (verbClass.get(v) !== 'only') verbClass.set(v, 'mixed')
  for (const v of OFTEN_VERBS.split(' ')) verbClass.set(v, 'leaning')
  const irregular = new Map<string, string>()
  for (const row of IRREGULAR.replace(/\n/g, '').split('|')) {
    const [base, ...forms] = row.split(' ') as [string, ...string[]]
    // "lay" is a verb of its own before it is the past of lie.
    for (const f of forms) if (f === base || !BASES.has(f)) irregular.set(f, base)
  }
  return {
    verbClass,
    irregular,
    actors: new Set([...lexicon.actors.split(' '), ...EXTRA_ACTORS.split(' ')]),
    adjectives: new Set(lexicon.adjectives.split(' ')),
    things: new Set(lexicon.things.split(' ')),
  }
}

const WORD =
  /\p{L}[\p{L}\p{M}]*(?:\p{N}+(?!\p{N}*[.,:]\p{N}))?(?:['’\-/][\p{L}\p{M}]+)*|\p{N}+(?:[.,:]\p{N}+)*(?:(?:st|nd|rd|th)(?!\p{L})|%)?|[^\s\p{L}\p{N}]/gu

/** "it's" is two words; "Teal's" and "o'clock" are one. */
const CONTRACTED =
  /^(i|you|he|she|it|we|they|that|there|here|what|who|where|how|nobody|everybody|somebody|everyone|someone|let)['’](s|re|ll|ve|d|m)$/i
/** "When the deck's full the bosun ...": is, not of. */
const NOUN_IS = /^(\p{L}+)['’](s)$/u
const IS_STATE =
  /^\s+(?:not |still |already |too )?(?:full|ready|clear|empty|open|closed|dry|wet|over|gone|done|off|on|broken|missing|late|free|safe|finished|complete|quick|cheap|heavy|light|slow|easy|hard|big|small|long|short|warm|cold|good|bad|fine|better|worse|busy|new|old|right|wrong|true)(?=\s*[,.;:?!]|\s+(?:the|a|an|we|you|they|he|she|it|and|or)\b|\s*$)/i
const CONTRACTION: Readonly<Record<string, string>> = {
  s: 'is',
  re: 'are',
  ll: 'will',
  ve: 'have',
  d: 'would',
  m: 'am',
}

/** Words, numbers and marks; the stars and underscores of emphasis are no words. */
export function wordsOf(text: string, within: Span): Word[] {
  const out: Word[] = []
  for (const m of text.slice(within.start, within.end).matchAll(WORD)) {
    if (/^[*_`]$/.test(m[0])) continue
    const start = within.start + m.index
    const marked = /['’]\p{L}{1,2}$/u.test(m[0])
    const contracted = marked
      ? (CONTRACTED.exec(m[0]) ??
        (IS_STATE.test(text.slice(start + m[0].length, within.end)) ? NOUN_IS.exec(m[0]) : null))
      : null
    if (contracted) {
      const cut = start + (contracted[1] as string).length
      const second = (contracted[2] as string).toLowerCase()
      const us = /^let$/i.test(contracted[1] as string)
      out.push({ start, end: cut, text: contracted[1] as string, lower: (contracted[1] as string).toLowerCase() })
      // "Someone's phoned": has, not is.
      const has =
        second === 's' &&
        /^(?:someone|somebody|he|she|who|everyone|nobody)$/i.test(contracted[1] as string) &&
        /^\s+\p{L}+ed\b/u.test(text.slice(start + m[0].length, within.end))
      const lower = us ? 'us' : has ? 'has' : (CONTRACTION[second] as string)
      out.push({ start: cut, end: start + m[0].length, text: us ? 'us' : lower, lower })
    } else out.push({ start, end: start + m[0].length, text: m[0], lower: m[0].toLowerCase().replace(/’/g, "'") })
  }
  return out
}

const set = (s: string): ReadonlySet<string> => new Set(s.split(' '))
export const DETERMINERS = set(
  'the a an this that these those my your his her its our their each every all any some no both either neither another which whose such several many few more most enough',
)
export const PREPOSITIONS = set(
  'of in on at to for from with without by about into onto over under above below between through during against along across after before behind beside beyond near off out outside inside per since toward towards until up down upon via within as than like around aboard unlike despite except besides regarding beneath underneath throughout amid among amongst',
)
export const PRONOUNS = set(
  'i you he she it we they me him us them one everyone everybody someone anyone nobody this that these those who whoever which myself yourself himself herself itself ourselves themselves',
)
export const MODALS = set('must should shall will would can could may might')
export const AUXILIARIES = set(
  "is are was were be been being am has have had do does did isn't aren't wasn't weren't hasn't haven't don't doesn't didn't",
)
export const NEGATIONS = set(
  "not never no without cannot can't don't doesn't didn't isn't aren't wasn't weren't won't mustn't shouldn't nobody nothing",
)
export const CONJUNCTIONS = set('and or but nor so yet then')
export const ADVERBS = set(
  'also always immediately carefully slowly quickly firmly fully clearly again once twice still just only now then first finally please promptly politely gently safely already usually normally together never not simply next back there here up down sideways upwards downwards backwards inwards outwards ashore overboard afterwards straightaway',
)

export const isWord = (w: Word | undefined): w is Word => w !== undefined && /^[\p{L}\p{N}]/u.test(w.text)
export const isNumber = (w: Word | undefined): boolean => w !== undefined && /^\p{N}/u.test(w.text)
export const isFunctionWord = (l: string): boolean =>
  DETERMINERS.has(l) ||
  PREPOSITIONS.has(l) ||
  PRONOUNS.has(l) ||
  MODALS.has(l) ||
  AUXILIARIES.has(l) ||
  CONJUNCTIONS.has(l)

/** Share of the words that are English function words; running English has about 0.4, other languages far less. */
export function englishShare(words: readonly Word[]): number {
  const letters = words.filter((w) => /^\p{L}/u.test(w.text))
  if (letters.length === 0) return 0
  return (
    letters.filter((w) => isFunctionWord(w.lower) || ADVERBS.has(w.lower) || w.lower === 'if').length / letters.length
  )
}
