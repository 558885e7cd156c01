import { apply, addStatement, completionsOf, statementIn } from '.'
import { blankFigure, type Figure } from '../figure'

let made = 0
const map = ['Tide – turns – Current', 'Wind – raises – Swell', 'Swell – slows – Ferry'].reduce<Figure>(
  (f, words) => apply(f, addStatement(f, words, null, () => `n${made++}`) ?? { do: 'all', edits: [] }).figure,
  { ...blankFigure('map', ''), kind: 'concept' },
)

test.each([
  ['sw', ['Swell']],
  ['Wind – r', ['Wind – raises', 'Wind – Current', 'Wind – Ferry', 'Wind – turns']],
  ['Wind – raises – s', ['Wind – raises – Swell']],
  ['Wind – raises – Swell', []],
  ['Wind – ', []],
  ['ship-to', []],
  ['', []],
])('“%s” may go on as', (words, offered) => {
  expect(completionsOf(map, words)).toEqual(offered)
})

test('what completions give is a statement again', () => {
  for (const words of completionsOf(map, 'Wind -> slows -> f')) expect(statementIn(words)?.to).toBe('Ferry')
})
