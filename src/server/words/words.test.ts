import { TYPE, parse, type MessageFormatElement } from '@formatjs/icu-messageformat-parser'
import { english, own, said, teller } from '@/core/words'
import { spokenIn } from '../../../scripts/wordsInCode'
import { catalogueOf, languageAsked, languages } from '.'

const spoken = spokenIn('src')
const sentences = [...new Set(spoken.map((s) => s.says))]
const others = languages.filter((l) => l !== 'en')

/** The names of the holes of a sentence, those inside of choices and plurals, too. */
function holesOf(says: string): string[] {
  const names = new Set<string>()
  const visit = (elements: readonly MessageFormatElement[]): void =>
    elements.forEach((e) => {
      if (e.type !== TYPE.literal && e.type !== TYPE.pound) names.add(e.value)
      if (e.type === TYPE.plural || e.type === TYPE.select)
        Object.values(e.options).forEach((option) => visit(option.value))
    })
  visit(parse(says, { ignoreTag: true }))
  return [...names].toSorted()
}

test.each(others)('%s says every sentence of the code, and none besides', (language) => {
  const catalogue = catalogueOf(language)
  expect(sentences.filter((says) => !catalogue[says]?.trim())).toEqual([])
  expect(Object.keys(catalogue).filter((says) => !sentences.includes(says))).toEqual([])
})

test.each(others)('%s has the same holes in every sentence', (language) => {
  const differ = Object.entries(catalogueOf(language)).filter(
    ([says, words]) => !holesOf(words).every((hole) => holesOf(says).includes(hole)),
  )
  expect(differ).toEqual([])
})

test('every hole of a sentence is filled where it is said', () => {
  const missing = spoken.flatMap(({ says, holes, at }) =>
    holes === null || says === '{text}' ? [] : holesOf(says).flatMap((h) => (holes.includes(h) ? [] : [`${at}: ${h}`])),
  )
  // Sentences of problems are filled by the facts of the problem, which the compiler holds.
  expect(missing.filter((m) => !m.includes('core/problem/'))).toEqual([])
  expect(spoken.length).toBeGreaterThan(1500)
})

test('sentences inside sentences, lists and plurals are told in one language', () => {
  const german = teller('de', {
    'Only in “{set}”': 'Nur in „{set}“',
    '{count, plural, one {# step} other {# steps}} in {sets}':
      '{count, plural, one {# Schritt} other {# Schritte}} in {sets}',
    Deck: 'Deck',
  })
  const steps = (count: number) =>
    said('{count, plural, one {# step} other {# steps}} in {sets}', {
      count,
      sets: [said('Only in “{set}”', { set: own('Teal') }), 'Eider', 'Gannet'],
    })
  expect(german(steps(1))).toBe('1 Schritt in Nur in „Teal“, Eider und Gannet')
  expect(english(steps(1200))).toBe('1,200 steps in Only in “Teal”, Eider, and Gannet')
  // Braces in somebody's own words are words.
  expect(german(own('{count} of } and {'))).toBe('{count} of } and {')
})

test.each([
  [null, 'en'],
  ['de', 'de'],
  ['de-AT,de;q=0.9,en;q=0.8', 'de'],
  ['fr, de;q=0.3, en-GB;q=0.7', 'en'],
  ['de;q=0, sv', 'en'],
  [';;;,q=,*', 'en'],
])('a browser that asks for %s is answered in %s', (header, language) => expect(languageAsked(header)).toBe(language))
