/** The reading half's first stage: text in, what it says out, each finding with its span. Any language gets blocks; the
 *  sentences of English are interpreted, those of other languages are not, and `interpreted` says so. */
import { blocksOf, sentencesOf, slice, type Block, type Span } from '../text'
import { saidIn } from './english/said'
import { englishShare, wordsOf, type Lexicon } from './english/words'
import { told, type Told } from './statements'

export type ReadText = {
  readonly text: string
  readonly blocks: readonly Block[]
  readonly language: string
  readonly interpreted: boolean
  readonly told: Told
}

/** Running English has about 0.4 of function words, telegraphic lists much less; other languages stay under 0.1. */
const ENGLISH_SHARE = 0.15

export function readText(text: string, lexicon: Lexicon): ReadText {
  const blocks = blocksOf(text)
  const segmenter = new Intl.Segmenter('en', { granularity: 'sentence' })
  const language = languageOf(text, lexicon)
  const interpreted = language === 'en'
  const interpret = (span: Span) => sentencesOf(text, span, segmenter).map((s) => saidIn(text, s, lexicon))
  return { text, blocks, language, interpreted, told: told(text, blocks, interpreted ? interpret : null) }
}

const SAMPLE = 4000

function languageOf(text: string, lexicon: Lexicon): string {
  const sample = slice(text, { start: 0, end: Math.min(text.length, SAMPLE) })
  const words = wordsOf(sample, { start: 0, end: sample.length }).filter((w) => /^\p{L}/u.test(w.text))
  if (words.length === 0 || words.filter((w) => /^\p{Script=Latin}/u.test(w.text)).length < words.length / 2)
    return 'und'
  const known = words.filter((w) => lexicon.verbClass.has(w.lower)).length / words.length
  return englishShare(words) >= ENGLISH_SHARE || (known > 0.3 && !/[äöüßéèêàçñ¿¡ø]/i.test(sample)) ? 'en' : 'und'
}
