import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { answered, propose } from '.'
import { english, own } from '../words'

const lexicon = shippedLexicon()
/** The links of the first reading as lines: from, words, to. */
const linksOf = (text: string): readonly [string, string[]] => {
  const [first] = propose(readText(text, lexicon))
  const { nodes = {}, links = {} } = first?.figure ?? {}
  const name = (id: string) => nodes[id]?.text ?? ''
  return [
    first?.kind ?? 'none',
    Object.values(links)
      .map((l) => `${name(l.from)} -${l.text ?? ''}> ${name(l.to)}`)
      .toSorted(),
  ]
}

/** Prose of a handbook with its asides, and the links a careful reader draws. */
test.each<[string, string, string[]]>([
  [
    'process',
    'It happens twice a summer, and it is nobody’s fault. The purser calls the terminal and the mate enters the time in the log. The terminal then looks in the waiting room. If the passenger is found within five minutes, the ship waits; otherwise the duty officer books a seat on the next boat.',
    [
      'Mate enters the time in the log -> Terminal looks in the waiting room',
      'Passenger is found within five minutes? -no> Duty officer books a seat on the next boat',
      'Passenger is found within five minutes? -yes> Ship waits',
      'Purser calls the terminal -> Mate enters the time in the log',
      'Terminal looks in the waiting room -> Passenger is found within five minutes?',
    ],
  ],
  [
    'concept',
    'Salt attacks the hinges. Grease protects the hinges, but rain washes out the grease. Heavy lorries bend the plates. Bent plates damage the seals, and damaged seals let in salt. The spring inspection, which the insurer pays for, finds bent plates; it does not find dry hinges.',
    [
      'Bent plates -damage> Seals',
      'Grease -protects> Hinges',
      'Heavy lorries -bend> Plates',
      'Rain -washes out> Grease',
      'Salt -attacks> Hinges',
      'Seals -let in> Salt',
      'Spring inspection -does not find> Dry hinges',
      'Spring inspection -finds> Bent plates',
    ],
  ],
  [
    'hierarchy',
    'People ask this in their first week. The masters report to the fleet manager. On board, the mate and the chief engineer report to the master. The deckhands report to the mate. The motormen report to the chief engineer.',
    [
      'Chief engineer -> Motormen',
      'Fleet manager -> Masters',
      'Masters -> Chief engineer',
      'Masters -> Mate',
      'Mate -> Deckhands',
    ],
  ],
  // What is said of a kind of thing is a rule for it.
  [
    'decision',
    'Which goods go where? Frozen goods travel in the cold hold. If a crate leaks, the mate refuses it. Live animals need a certificate. If it weighs more than two tonnes, ask the loading officer.',
    [
      'Which goods go where -Frozen goods> Travel in the cold hold',
      'Which goods go where -Live animals> Need a certificate',
      'Which goods go where -a crate leaks> The mate refuses it',
      'Which goods go where -it weighs more than two tonnes> Ask the loading officer',
    ],
  ],
  // Several things before a colon, and what "these" points at.
  [
    'hierarchy',
    'The harbour plan marks four berths for campers: bow, stern, port and starboard. The office has three counters. These are tickets, freight and parcels.',
    [
      'Counters -> Freight',
      'Counters -> Parcels',
      'Counters -> Tickets',
      'Four berths -> Bow',
      'Four berths -> Port',
      'Four berths -> Starboard',
      'Four berths -> Stern',
    ],
  ],
])('%s: %s', (kind, text, wanted) => expect(linksOf(text)).toEqual([kind, wanted]))

test.each<[string, string[]]>([
  ['The winch turns the drum. It needs grease. The drum holds the cable.', ['Winch', 'Drum']],
  ['Gulls eat the crabs. They break the shells on the quay.', ['Gulls', 'Crabs']],
  // One of the two is more than one.
  ['The mate counts the fenders. They protect the hull.', []],
  ['Grease protects the hinges, and it keeps out water.', []],
])('what a pronoun stands for is asked where two things fit: %s', (text, wanted) => {
  const concept = propose(readText(text, lexicon)).find((r) => r.kind === 'concept')
  const [asked] = concept?.doubts.filter((d) => d.id.startsWith('pronoun-')) ?? []
  expect(asked?.options.map((o) => english(o.label)) ?? []).toEqual(wanted)
})

test('a question that was answered before is settled in the same way, and no other', () => {
  const text = 'The winch turns the drum. It needs grease. The drum holds the cable.'
  const reading = propose(readText(text, lexicon)).find((r) => r.kind === 'concept')
  const [doubt] = reading?.doubts ?? []
  if (!reading || !doubt) throw new Error('nothing is asked')
  const linksIn = (r: typeof reading) =>
    Object.values(r.figure.links).map((l) => `${r.figure.nodes[l.from]?.text} ${l.text} ${r.figure.nodes[l.to]?.text}`)
  const settled = answered(reading, { [english(doubt.question)]: 'Drum', 'Something else?': 'Winch' })
  expect(linksIn(reading)).toContain('Winch needs Grease')
  expect(linksIn(settled)).toContain('Drum needs Grease')
  expect(settled.doubts).toEqual(reading.doubts.slice(1))
  expect(settled.answered).toEqual([{ question: doubt.question, label: own('Drum') }])
  expect(answered(reading, { [english(doubt.question)]: 'Cable' })).toBe(reading)
})
