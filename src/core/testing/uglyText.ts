/** Texts that nobody writes and somebody pastes: a few fragments over and over, as they come out of tables, logs, broken
 *  exports and jokes. Each seed is another mixture; the length is free, so that one can ask how time grows with it. */
import { random } from './seededFigure'

const FRAGMENTS = [
  ...[
    'a',
    'abc',
    'check ',
    'the deck ',
    'walk and ',
    'if it rains then ',
    'or ',
    'which leads to ',
    'Anna ',
    'is a kind of ',
  ],
  ...[
    'There are three: ',
    'because ',
    'not ',
    'both ',
    'than ',
    'wenn ',
    'entonces ',
    'no, ',
    'yes: ',
    '3 ',
    '50 % ',
    '07:30 ',
  ],
  ...[
    ' ',
    '  ',
    '      ',
    '\t',
    '\n',
    '\n\n',
    '\n  ',
    '\n- ',
    '\n    - ',
    '\n1. ',
    '\n# ',
    '\n| ',
    ' | ',
    '\n> ',
    '\n* * ',
  ],
  ...[
    '.',
    '. ',
    ', ',
    ': ',
    '; ',
    '?',
    '? ',
    '! ',
    '-',
    ' - ',
    '--',
    '(',
    ')',
    '"',
    '“',
    '”',
    "'",
    '*',
    '**',
    '_',
    '__',
    '`',
  ],
  ...[
    '/',
    '\\',
    '[',
    ']',
    '<b>',
    '&amp;',
    '→',
    '=',
    '…',
    'é',
    'ß',
    '\u00a0',
    '\u200b',
    '👩‍✈️',
    'नि',
    'ال',
    'Α',
    '\ufe0f',
  ],
] as const

/** Shapes whose size is not in one fragment: depth, width and numbering that go on. */
const GROWING: readonly ((i: number) => string)[] = [
  (i) => `${' '.repeat(i % 200)}- item ${i}\n`,
  (i) => `${'#'.repeat(1 + (i % 6))} Part ${i}\n`,
  (i) => `${i}. Step ${i}\n`,
  (i) => `${i}.${i % 9}.${i % 7} Part\n`,
  (i) => `Term ${i}: a, b and c\n`,
  (i) => `| a${i} | b | c |\n`,
  (i) => `Word${i} leads to Word${i + 1}. `,
  (i) => `If A${i}, do B${i}, otherwise go back to B${i >> 1}. `,
]

export function uglyText(seed: number, length: number): string {
  const next = random(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T
  const parts = Array.from({ length: 1 + Math.floor(next() * 5) }, () => pick(FRAGMENTS))
  const growing = next() < 0.35 ? pick(GROWING) : null
  let text = next() < 0.5 ? `${pick(FRAGMENTS)}${pick(FRAGMENTS)}` : ''
  for (let i = 0; text.length < length; i++)
    text += growing ? growing(i) + (parts[i % (parts.length * 3)] ?? '') : parts.join('')
  return text.slice(0, length)
}
