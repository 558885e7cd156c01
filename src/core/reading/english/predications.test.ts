import { oddText } from '../../testing/oddText'
import { failingSeeds } from '../../testing/seededFigure'
import { sentencesOf, slice } from '../../text'
import { parse } from './parse'
import { nounPhrasesOf } from './nounPhrases'
import { predicationsOf } from './predications'
import { shippedLexicon } from '@/server/lexicon'

const lexicon = shippedLexicon()
const read = (text: string) => parse(text, { start: 0, end: text.length }, lexicon)

test.each<[string, string[]]>([
  ['The Teal carries cars, and the Eider carries lorries.', ['The Teal: carries cars', 'the Eider: carries lorries']],
  ['The Eider is slower but cheaper to run.', ['The Eider: slower but cheaper to run']],
  ['Day tickets are not valid in August.', ['Day tickets: are not valid in August']],
  // Joined without a comma it is one thing that is said; with a comma, or a subject of its own, it is two.
  ['The crossing begins at six and ends at nine.', ['The crossing: begins at six and ends at nine']],
  ['Crews change at noon, and the purser counts the till.', ['Crews: change at noon', 'the purser: counts the till']],
  // Reasons and remarks stand beside it, what narrows belongs to it.
  ['The ramp is closed because the winch is broken.', ['The ramp: closed']],
  ['The office keeps bags that nobody collects.', ['The office: keeps bags that nobody collects']],
  ['The Teal has a lift, which pleases the nurses.', ['The Teal: has a lift']],
  ['In winter there is no late boat.', ['-: no late boat']],
  ['In fog we’ve rung the bell.', ['we: rung the bell']],
])('%s', (text, wanted) =>
  expect(
    predicationsOf(read(text)).map((p) => `${p.subject ? slice(text, p.subject) : '-'}: ${slice(text, p.said)}`),
  ).toEqual(wanted),
)

test.each<[string, string[]]>([
  ['Mooring lines wear fastest at the stern ramp.', ['mooring line', 'stern ramp']],
  ['The second engineer repairs old bilge pumps.', ['second engineer', 'old bilge pump']],
])('noun phrases of “%s”', (text, wanted) => expect(nounPhrasesOf(text, read(text)).map((p) => p.key)).toEqual(wanted))

test('what is said lies inside its clause, in order, in 500 odd texts', () =>
  expect(
    failingSeeds(1, 501, (seed) => {
      const text = oddText(seed)
      for (const s of sentencesOf(text, { start: 0, end: text.length })) {
        const said = predicationsOf(parse(text, s, lexicon))
        const outside = said.find(
          (p) => p.said.start < p.start || p.said.end > p.end || p.start < s.start || p.end > s.end,
        )
        if (outside) return `outside its clause: ${slice(text, s)}`
        if (said.some((p, i) => i > 0 && p.start < (said[i - 1]?.start ?? 0))) return `out of order: ${slice(text, s)}`
      }
      return null
    }),
  ).toEqual([]))
