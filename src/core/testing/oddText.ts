import { random } from './seededFigure'

const SCRAPS = [
  ...'if then otherwise unless until and or but : ; , . ? ! ( ) " - – → = % 1. 2) a) • * # | > \n \n\n \t'.split(' '),
  ...'the ramp crew 30% chance both only such as there are three types of which who that is not reports to Option 1: a one in four'.split(
    ' ',
  ),
  ...['\n', '\n\n', '\u0000', '\ud800', '🚢', 'e\u0301', '\u00a0', '\u202e', '\u200b', 'ß', '雾', 'رصيف'],
  ...[
    '- ',
    '1. ',
    '| a | b |\n',
    '## ',
    '   ',
    '…',
    '“',
    '”',
    '**Ramp**: ',
    '\n\tdeck\tramp',
    'Pros\n- ',
    '\nBoth:\n- ',
  ],
]

/** Scraps of texts in any order: up to 60 of them, by seed. */
export function oddText(seed: number): string {
  const next = random(seed)
  return Array.from({ length: Math.floor(next() * 60) }, () => SCRAPS[Math.floor(next() * SCRAPS.length)]).join(
    next() < 0.8 ? ' ' : '',
  )
}
