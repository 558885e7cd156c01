import { corpus } from '../testing/corpus'
import { oddText } from '../testing/oddText'
import { failingSeeds } from '../testing/seededFigure'
import { contentWords, outlineOf, readableBlocks, slice, type Entry, type Span } from '.'

const outline = (text: string) => outlineOf(text, readableBlocks(text))
/** Entries as lines: label, then what is said further behind bars, indented by level; tables by their first cells. */
const drawn = (text: string): string[] => {
  const line = (e: Entry, depth: number): string[] => [
    '  '.repeat(depth) + [e.label, ...e.details].map((s) => slice(text, s).replace(/\s+/g, ' ')).join(' | '),
    ...(e.table?.rows.map((r) => `${'  '.repeat(depth + 1)}[${slice(text, r[0] as Span)}]`) ?? []),
    ...e.entries.flatMap((x) => line(x, depth + 1)),
  ]
  return outline(text).entries.flatMap((e) => line(e, 0))
}
const title = (text: string): string | null => {
  const { title: t } = outline(text)
  return t && slice(text, t)
}

test.each<[string, string, string[]]>([
  [
    'bold lead-ins with and without a mark',
    '**Gates** Open at six.\n\n**Ramp**: Lowered by two.\n\n**Deck** – Swept.',
    ['Gates | Open at six.', 'Ramp | Lowered by two.', 'Deck | Swept.'],
  ],
  [
    'lines with breaks of their own',
    'fog -> wait for the master\ngale => stay in port\nice: spread salt, lots of it on the ramp',
    ['fog | wait for the master', 'gale | stay in port', 'ice | spread salt, lots of it on the ramp'],
  ],
  [
    'short lines over a text of their own',
    'Bow\nThe front of the ship.\n\nStern\nThe back of the ship.\n\nFender\nA cushion at the quay.',
    ['Bow | The front of the ship.', 'Stern | The back of the ship.', 'Fender | A cushion at the quay.'],
  ],
  [
    'headings with a line of marks under them, by the kind of mark',
    'Boats\n=====\n\nBoth are old.\n\nTeal\n----\n\n * slow\n * wide\n\nHeron\n-----\n\n * fast\n\n***\n\nCrew\n====\n\nTwelve.',
    ['Boats | Both are old.', '  Teal', '    slow', '    wide', '  Heron', '    fast', 'Crew | Twelve.'],
  ],
  [
    'two lists, each under a line that announces it',
    'Things that passengers may take along without asking anybody, however full the deck is:\n\n- prams\n- bicycles\n\nThings the mate has to be asked about first:\n\n- dogs\n- surf boards',
    [
      'Things that passengers may take along without asking anybody, however full the deck is:',
      '  prams',
      '  bicycles',
      'Things the mate has to be asked about first:',
      '  dogs',
      '  surf boards',
    ],
  ],
  [
    'speakers are no lead-ins, things with a semicolon are; boxes are marks',
    '- mate: the ramp sticks\n- bosun: since when?\n- mate: since May\n- bosun: then call the yard',
    ['mate: the ramp sticks', 'bosun: since when?', 'mate: since May', 'bosun: then call the yard'],
  ],
  [
    'names before a semicolon',
    '- [x] Bow; the front\n- [ ] Stern; the back\n- Beam; how wide she is',
    ['Bow | the front', 'Stern | the back', 'Beam | how wide she is'],
  ],
  [
    'a line under a list that had room for its first word is none of the last item',
    'Ramps:\n- north\n- south\nThe north ramp is closed in winter since May.',
    ['north', 'south'],
  ],
  [
    'numbers without a mark',
    '1 sound the horn\n2 stop the engine\n3 call the bridge',
    ['sound the horn', 'stop the engine', 'call the bridge'],
  ],
  [
    'numbers whose noughts are levels',
    '100 Ships\n110 Teal\n111 Papers\n120 Petrel\n200 Quays\n210 Ramps',
    ['Ships', '  Teal', '    Papers', '  Petrel', 'Quays', '  Ramps'],
  ],
  [
    'a picture before one line alone is no bullet',
    '1. Open the gates\n2. Lower the ramp\n\n⚠ Mind the gap.',
    ['Open the gates', 'Lower the ramp'],
  ],
  [
    'numbering words are no part of a name; what stands behind a heading is kept',
    '# Season\n\n## Phase 1: Paint\n- hull\n- deck\n\n## Launch – at high tide\n- ropes\n- tug',
    ['Paint', '  hull', '  deck', 'Launch | at high tide', '  ropes', '  tug'],
  ],
  [
    'sentences of notes begin small; a long one ends at a clause, never before what bounds it',
    '- lower the ramp slowly. if it sticks ring me\n- the purser counts the passengers at the gate twice a day in summer, because the law wants it\n- nobody walks on the wet vehicle deck while lorries are being loaded by the crew, unless the mate says so',
    [
      'lower the ramp slowly. | if it sticks ring me',
      'the purser counts the passengers at the gate twice a day in summer | because the law wants it',
      'nobody walks on the wet vehicle deck while lorries are being loaded by the crew, unless the mate says so',
    ],
  ],
])('%s', (_, text, wanted) => expect(drawn(text)).toEqual(wanted))

test('what follows the list of the last section closes the whole', () => {
  const text = '# Boats\n\n## Teal\n- cars\n- lorries\n\n## Petrel\n- people\n- post\n\nBoth sail daily.'
  expect(title(text)).toBe('Boats')
  expect(outline(text).closing.map((s) => slice(text, s))).toEqual(['Both sail daily.'])
})

test.each([
  ['bars without a border', ' | Teal | Petrel\nCars | 24 | 8\nLift | yes | no'],
  ['tabs with an empty corner', '\tTeal\tPetrel\nCars\t24\t8\nLift\tyes\tno'],
  ['a border', '| | Teal | Petrel |\n|---|---|---|\n| Cars | 24 | 8 |\n| Lift | yes | no |'],
])('a table of %s has its head and its rows', (_, text) => {
  const { table } = outline(text)
  expect(table?.head?.map((c) => slice(text, c))).toEqual(['', 'Teal', 'Petrel'])
  expect(table?.rows.map((r) => r.map((c) => slice(text, c)))).toEqual([
    ['Cars', '24', '8'],
    ['Lift', 'yes', 'no'],
  ])
})

/** A word of the blocks that is nowhere in the outline; null when all are. */
function lost(text: string): string | null {
  const o = outline(text)
  const cells = (t: Entry['table']): Span[] => (t ? [...(t.head ?? []), ...t.rows.flat()] : [])
  const below = (e: Entry): Span[] => [e.label, ...e.details, ...cells(e.table), ...e.entries.flatMap(below)]
  const spans = [
    ...(o.title ? [o.title] : []),
    ...o.opening,
    ...o.closing,
    ...cells(o.table),
    ...o.entries.flatMap(below),
  ]
  const held = new Set(spans.flatMap((s) => contentWords(text, s).map((w) => w.span.start)))
  // Words that number a name ("Phase 1:") are left out of it on purpose.
  const numbers = (at: number) => /^[\p{L}]*\s?\w{0,5}\s*[:.)–—-]/u.test(text.slice(at, at + 20))
  const word = readableBlocks(text)
    .flatMap((b) => (b.cells.length > 0 ? b.cells : [b.span]))
    .flatMap((s) => contentWords(text, s))
    .find((w) => !held.has(w.span.start) && !numbers(w.span.start))
  return word ? slice(text, word.span) : null
}

test('every word of every block stands somewhere in the outline', () => {
  const texts = corpus().map((g) => g.text)
  expect(texts.length).toBeGreaterThan(200)
  expect(texts.flatMap((t) => (lost(t) === null ? [] : [`${lost(t)} of ${t.slice(0, 60)}`]))).toEqual([])
  expect(failingSeeds(1, 1000, (seed) => lost(oddText(seed)))).toEqual([])
})
