import { failingSeeds, seededOfKind } from '@/core/testing/seededFigure'
import { uglyText } from '@/core/testing/uglyText'
import { queryOf, wordRows } from './search'

const wordsIn = (t: string): string[] => t.match(/[\p{L}\p{N}]{2,}/gu) ?? []

test('no word of a text or a figure is lost to the search, whatever is pasted; rows are numbered and bounded', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const figure = seededOfKind((['process', 'concept', 'venn'] as const)[seed % 3] ?? 'process', seed)
    const text = uglyText(seed, 3000).replace(/^\s*\d{1,3}[.)]/gm, '')
    const rows = wordRows({ text, figures: [figure] })
    if (rows.some((r, i) => r.place !== i || r.words.length > 3600 || /[\0\p{Surrogate}]/u.test(r.words)))
      return 'a row that is none'
    const kept = rows
      .map((r) => r.words)
      .join('\n')
      .replace(/\W/gu, '')
    const asked = [...wordsIn(text), ...Object.values(figure.nodes).flatMap((n) => wordsIn(n.text))]
    const gone = asked.find((w) => !rows.some((r) => r.words.includes(w)) && w.length < 900)
    return gone === undefined && kept.length > 0 ? null : `“${gone}” is lost`
  })
  expect(failing).toEqual([])
  expect(wordRows({ text: '2026 was dry.\n\n3. Check 12 lamps', figures: [] }).map((r) => r.words)).toEqual([
    '2026 was dry.',
    'Check 12 lamps',
  ])
})

test('what is typed becomes a query of beginnings, and nothing of it is taken for an operator', () => {
  expect(queryOf("Ramp's & !(lamp | x:*) <-> 12")).toBe('ramp:* & s:* & lamp:* & x:* & 12:*')
  expect([queryOf('  '), queryOf('&|!()')]).toEqual([null, null])
})
