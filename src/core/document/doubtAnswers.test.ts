import { answerKey, keptAnswers, canBeKept, isAnswer, MOST_ANSWERS } from '.'

const answers = { 'Is the bridge told in any case?': 'Only if yes', 'What is “it”?': 'Winch' }
const head = Object.entries(answers).map(([q, label]): [string, unknown] => [answerKey(q), label])

test('what is kept is found again, beside the title and whatever else stands there', () =>
  expect(keptAnswers([['title', 'Departing in fog'], ...head, ['answer:broken', 7]])).toEqual(answers))

test.each<[string, string, string]>([
  ['a question without end', 'a'.repeat(401), 'yes'],
  ['a label without end', 'Is it wet?', 'a'.repeat(401)],
  ['NUL in a label', 'Is it wet?', 'a\0b'],
])('%s is not kept, so that no folio is refused for it', (_, question, label) => {
  expect(canBeKept({}, question, label)).toBe(false)
  expect(isAnswer([answerKey(question), label])).toBe(false)
})

test('people who answer at once stay within what a folio may hold', () => {
  const many = Object.fromEntries(Array.from({ length: MOST_ANSWERS.kept }, (_, i) => [`Question ${i}?`, 'yes']))
  expect(canBeKept(many, 'One more?', 'yes')).toBe(false)
  expect(canBeKept({}, 'One more?', 'yes')).toBe(true)
  expect(MOST_ANSWERS.sound).toBeGreaterThan(MOST_ANSWERS.kept)
})
