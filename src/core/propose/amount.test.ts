import { amountIn } from './amount'

test.each([
  ['we earn 9,000', 9000, ''],
  ['we lose 4,000', -4000, ''],
  ['a fine of £40', -40, '£'],
  ['it brings in 1.5 million euros', 1_500_000, '€'],
  ['takings of 12 k', 12_000, ''],
  ['costs 300 pounds', -300, '£'],
  ['−250 €', -250, '€'],
  ["saves 2'500 francs", 2500, 'francs'],
])('“%s” is an amount', (words, value, unit) => expect(amountIn(words)).toEqual({ value, unit }))

test.each([
  'the fog lifts',
  'a 30% chance of rain',
  'after 30 minutes',
  'in the year 1998',
  'lose 200 or 300',
  'berth B12',
])('“%s” is none, or none that counts', (words) => expect(amountIn(words)).toBeNull())
