/** Words that carry meaning, compared by their stems: for telling which words of a text a figure does not have. */
import type { Span } from './span'

export type ContentWord = { readonly span: Span; readonly stem: string }

const WORD = /[\p{L}\p{N}][\p{L}\p{M}\p{N}'’-]*/gu

/** Words that join, point or count and say nothing by themselves, in the languages of the packs; and those that a link says
 *  ("then", "otherwise"). */
const FUNCTION_WORDS = new Set(
  (
    'a an the this that these those it its they them their theirs he him his she her hers we us our ours you your yours i me my mine who whom whose which what ' +
    'is are was were be been being am has have had having do does did doing done can could may might must shall should will would ' +
    'and or but nor so yet if when whenever while as than then though although because since whether where wherever unless until once ' +
    'of in on at to for from by with into onto about over through during before after up out off down upon within between among per via ' +
    'there here also just please very too such some any each every all both either neither one other another same own ' +
    'first firstly second secondly third thirdly next finally lastly last afterwards otherwise else instead however therefore thus hence meanwhile again now ' +
    'der die das den dem des ein eine einen einem einer eines und oder aber ist sind war waren wird werden hat haben kann muss soll nicht zu zum zur im am an auf aus bei mit nach von vor für über unter um durch als wenn dann sie es er ich wir ihr ihre sein seine sich auch so dass ' +
    'el la los las un una unos unas y o pero es son era fue ser ha han hay de del al en con por para sin sobre que se su sus lo le les como si cuando entonces no también más muy este esta estos estas'
  ).split(' '),
)
/** What turns what is said round is never a word that may go. */
const TURNS = new Set(
  'not no never only without unless less more nicht kein keine nur ohne sin nunca solo sólo'.split(' '),
)

/** "not", "only", "without". */
export const turns = (word: string): boolean => TURNS.has(word.toLowerCase())

/** Without the endings that change with number, time and person; the same for "checks", "checked" and "checking". */
export function stemOf(word: string): string {
  const lower = word
    .toLowerCase()
    .replace(/['’]s$|['’]$/, '')
    .replace(/[’]/g, "'")
  if (lower.length <= 3 || /\d/.test(lower)) return lower
  // "settings" are things, "setting" may be what is done.
  if (lower.endsWith('ings')) return lower.slice(0, -1)
  return lower
    .replace(/(?<=..)(?:ied|ies|y)$/, 'i')
    .replace(/(?<=...)(?:ing|ed|es|s)$/, '')
    .replace(/(?<=..)([bdfgklmnprst])\1$/, '$1')
    .replace(/(?<=...)e$/, '')
}

export function contentWords(text: string, within: Span): ContentWord[] {
  return [...text.slice(within.start, within.end).matchAll(WORD)].flatMap((m) => {
    const lower = m[0].toLowerCase()
    if (FUNCTION_WORDS.has(lower) && !TURNS.has(lower)) return []
    const start = within.start + m.index
    return [{ span: { start, end: start + m[0].length }, stem: stemOf(m[0]) }]
  })
}

/** The stems of all words, whatever they are. */
export const stemsOf = (texts: readonly string[]): Set<string> =>
  new Set(
    texts.flatMap((t) =>
      [...t.matchAll(WORD)].flatMap(([w]) => [stemOf(w), ...(/[-'’]/.test(w) ? w.split(/[-'’]/).map(stemOf) : [])]),
    ),
  )

/** Words that follow each other with at most a few small ones between, as one span each. */
export function runsOf(words: readonly ContentWord[], text: string): Span[] {
  const out: Span[] = []
  for (const w of words) {
    const last = out.at(-1)
    const between = last ? text.slice(last.end, w.span.start) : ''
    if (
      last &&
      !/[.!?;\n]/.test(between) &&
      between.split(/\s+/).length <= 4 &&
      contentWords(text, { start: last.end, end: w.span.start }).length === 0
    )
      out[out.length - 1] = { start: last.start, end: w.span.end }
    else out.push(w.span)
  }
  return out
}

/** Stems of what regions say by where a member stands: that something holds of the one alone, or of both. */
export const SAID_BY_REGIONS: ReadonlySet<string> = stemsOf([
  'only alone alike unlike like share shared common whereas similarly equally nur sólo solo',
])
