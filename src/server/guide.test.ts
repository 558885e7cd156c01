import { propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { guide, pagesWith } from '@/ui/help/guide'
import { shippedLexicon } from './lexicon'

const figures = guide.flatMap((p) => p.parts.flatMap((part) => (part.figure ? [part.figure] : [])))

test.each(figures)('in the guide: “$caption” is what its text reads as', ({ text, kind }) => {
  expect(propose(readText(text, shippedLexicon()))[0]?.kind).toBe(kind)
})

test('the guide has six pages, found by any of their words', () => {
  expect([guide.length, figures.length]).toEqual([6, 5])
  expect(pagesWith('guest password').map((p) => p.id)).toEqual(['together'])
  expect(pagesWith('')).toHaveLength(6)
  expect(pagesWith('no such words')).toEqual([])
})
