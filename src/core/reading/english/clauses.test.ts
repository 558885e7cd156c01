import { corpus } from '../../testing/corpus'
import { oddText } from '../../testing/oddText'
import { failingSeeds } from '../../testing/seededFigure'
import { sentencesOf } from '../../text'
import { parse, type Clause } from './parse'
import type { Tagged } from './tag'
import { isWord, wordsOf } from './words'
import { shippedLexicon } from '@/server/lexicon'

const lexicon = shippedLexicon()
const clausesOf = (text: string) => parse(text, { start: 0, end: text.length }, lexicon)
const said = (words: readonly Tagged[]) => words.map((w) => w.text).join(' ')

/** A clause as a line: what joins and introduces it, what stands in front, who, the verb, the rest; `!` is a command, `p` a
 *  passive, brackets a subject taken over. */
const line = (c: Clause): string =>
  [
    `${c.joint}${c.sub ? ` <${c.sub}>` : ''}${c.relative ? ' <which>' : ''}`.trim(),
    said(c.front),
    c.ownSubject ? said(c.subject) : c.subject.length > 0 ? `(${said(c.subject)})` : '',
    c.verb ? `${said(c.verb.words)}${c.verb.imperative ? '!' : ''}${c.verb.passive ? ' p' : ''}` : '-',
    said(c.rest),
  ].join(' | ')

test.each<[string, string[]]>([
  ['The mate checks the lashings.', [' |  | The mate | checks | the lashings']],
  [
    'The mate checks the ramp and lowers it.',
    [' |  | The mate | checks | the ramp', 'and |  | (The mate) | lowers | it'],
  ],
  ['Check the ramp, then call the bridge.', [' |  |  | Check! | the ramp', 'then |  |  | call! | the bridge']],
  [
    'If the deck is wet and the wind is strong, wait.',
    ['<if> |  | the deck | is | wet', 'and <if> |  | the wind | is | strong', ', |  |  | wait! | '],
  ],
  ['Wait until the light turns green.', [' |  |  | Wait! | ', '<until> |  | the light | turns | green']],
  [
    'As soon as the ramp is down, load the cars.',
    ['<as soon> |  | the ramp | is | down', ', |  |  | load! | the cars'],
  ],
  [
    'Before leaving the bridge, switch off the lamp.',
    ['<before> |  |  | - | leaving the bridge', ', |  |  | switch! | off the lamp'],
  ],
  [
    'Tickets that are damaged are refused.',
    [' |  | Tickets | are refused p | ', '<which> |  | that | are damaged p | '],
  ],
  ['The form must be signed by the master.', [' |  | The form | must be signed p | by the master']],
  ['Passengers need to be counted twice.', [' |  | Passengers | need to be counted p | twice']],
  ['Do not touch the rope.', [' |  |  | Do not touch! | the rope']],
  ['Check that the gate is closed.', [' |  |  | Check! | ', '<that> |  | the gate | is closed p | ']],
  ['At closing time the steward counts the jackets.', [' | At closing time | the steward | counts | the jackets']],
  // Commands and verbs that are nouns as well.
  ['Water the plants on the quay.', [' |  |  | Water! | the plants on the quay']],
  ['Order fenders and ropes', [' |  |  | Order! | fenders and ropes']],
  ['The purser checks your ticket and your luggage.', [' |  | The purser | checks | your ticket and your luggage']],
  [
    'If the light flashes, press the red button.',
    ['<if> |  | the light | flashes | ', ', |  |  | press! | the red button'],
  ],
  ['Should the engine stop, call the tug.', ['<if> |  | the engine | stop | ', ', |  |  | call! | the tug']],
  // Names stay names.
  ['Lift plan', [' |  |  | - | Lift plan']],
  ['Ramp checks', [' |  |  | - | Ramp checks']],
  ['The annual staff survey results.', [' |  |  | - | The annual staff survey results']],
  ['Waiting for the tide', [' |  |  | - | Waiting for the tide']],
])('%s', (text, wanted) => expect(clausesOf(text).map(line)).toEqual(wanted))

/** What is wrong with the clauses of a text: words lost or doubled, clauses out of order or outside. */
function faultIn(text: string): string | null {
  for (const s of sentencesOf(text, { start: 0, end: text.length })) {
    const clauses = parse(text, s, lexicon)
    const aside = new Set(clauses.flatMap((c) => c.asides.flat().map((w) => w.start)))
    const places = clauses.flatMap((c) => [
      ...c.front,
      ...(c.ownSubject ? c.subject : []),
      ...(c.verb?.words ?? []),
      ...c.rest,
    ])
    const starts = places.map((w) => w.start)
    if (new Set(starts).size < starts.length) return `doubled in “${text.slice(s.start, s.end)}”`
    const held = new Set([...starts, ...aside, ...clauses.flatMap((c) => (c.lead ? [c.lead.start] : []))])
    const lost = wordsOf(text, s)
      .slice(0, 400)
      .filter((w) => isWord(w) && !held.has(w.start) && !JOINING.test(w.lower))
    if (lost.length > 0) return `lost ${lost.map((w) => w.text).join(', ')} of “${text.slice(s.start, s.end)}”`
    for (const [i, c] of clauses.entries()) {
      if (c.start >= c.end || c.start < s.start || c.end > s.end) return `outside: ${line(c)}`
      const before = clauses[i - 1]
      if (before && (before.lead ?? before).start > (c.lead ?? c).start) return `out of order: ${line(c)}`
    }
  }
  return null
}
/** Stand between clauses, or introduce one together with others. */
const JOINING =
  /^(?:and|or|but|nor|yet|so|plus|then|as|soon|long|in|case|even|only|if|when|that|provided|though|both|either)$/

test('no word is lost between clauses or stands in two: the corpus, and 400 odd texts', () => {
  const faults = corpus()
    .filter((g) => g.language === 'en')
    .flatMap((g) => faultIn(g.text) ?? [])
  expect(faults).toEqual([])
  expect(failingSeeds(1, process.env.SWEEP ? 400 : 250, (seed) => faultIn(oddText(seed)))).toEqual([])
})
