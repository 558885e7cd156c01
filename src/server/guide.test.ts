import { propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { english, teller } from '@/core/words'
import { guide, pagesWith } from '@/ui/help/guide'
import { shippedLexicon } from './lexicon'
import { catalogueOf, languages } from './words'

const figures = guide.flatMap((p) => p.parts.flatMap((part) => (part.figure ? [part.figure] : [])))

test.each(languages)('in the guide in %s, every text reads as its page says', (language) => {
  const t = teller(language, catalogueOf(language))
  const read = figures.map(({ text, caption }) => [t(caption), propose(readText(t(text), shippedLexicon()))[0]?.kind])
  expect(read).toEqual(figures.map(({ kind, caption }) => [t(caption), kind]))
})

test('the guide has six pages, found by any of their words', () => {
  expect([guide.length, figures.length]).toEqual([6, 5])
  expect(pagesWith('guest password', english).map((p) => p.id)).toEqual(['together'])
  expect(pagesWith('', english)).toHaveLength(6)
  expect(pagesWith('no such words', english)).toEqual([])
})
