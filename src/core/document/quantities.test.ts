import { chanceIn, valueIn, withChance } from './quantities'

const link = (text?: string) =>
  ({ id: 'l', role: 'leads', from: 'a', to: 'b', order: 1, source: [], ...(text ? { text } : {}) }) as const

test.each([
  ['30%', 0.3],
  ['30', 0.3],
  ['0.3', 0.3],
  ['0,25', 0.25],
  ['1', 0.01],
  ['100 %', 1],
  ['0', 0],
  ['130', null],
  ['-5', null],
  ['likely', null],
  ['30 maybe', null],
])('“%s” as a chance', (words, chance) => expect(chanceIn(words)).toBe(chance))

test.each([
  ['-4,000 €', -4000, '€'],
  ['−12', -12, ''],
  ['2.5 hours', 2.5, 'hours'],
  ['2,5', 2.5, ''],
  ["1'200'000", 1_200_000, ''],
  ['12,000.50 kroner', 12_000.5, 'kroner'],
  ['€ 5', 5, '€'],
])('“%s” as a value', (words, value, unit) => expect(valueIn(words)).toEqual({ value, unit }))

test.each(['', 'much', '--3'])('“%s” is no value', (words) => expect(valueIn(words)).toBeNull())

test('a chance stands beside the words of its link, never instead of them', () => {
  expect(withChance(link(), 0.3)).toEqual({ probability: 0.3, text: '30%' })
  expect(withChance(link('30%'), 0.125)).toEqual({ probability: 0.125, text: '12.5%' })
  expect(withChance(link('if the fog lifts'), 0.3)).toEqual({ probability: 0.3, text: 'if the fog lifts, 30%' })
  expect(withChance(link('if the fog lifts, 30%'), null)).toEqual({ probability: null, text: 'if the fog lifts' })
  expect(withChance(link('30%'), null)).toEqual({ probability: null, text: null })
})
