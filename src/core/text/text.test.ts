import { failingSeeds, random } from '../testing/seededFigure'
import { carrier, mergedSpans, sentencesOf, trimmed } from '.'

const sentences = (text: string) =>
  sentencesOf(text, { start: 0, end: text.length }).map((s) => text.slice(s.start, s.end))

test('sentences end where a reader ends them', () => {
  expect(sentences('Check lashings, e.g. on lorries. Then report.')).toEqual([
    'Check lashings, e.g. on lorries.',
    'Then report.',
  ])
  expect(sentences('Use berth no. 3 at Port Lorne. Wait.')).toEqual(['Use berth no. 3 at Port Lorne.', 'Wait.'])
  expect(sentences('Is it wet? Spread sand! Done…')).toEqual(['Is it wet?', 'Spread sand!', 'Done…'])
  expect(sentences('The swell is 1.5 m. Dr. Moss agrees.')).toEqual(['The swell is 1.5 m.', 'Dr. Moss agrees.'])
})

test('words that an edit left alone are found again, those it took are not made up', () => {
  const words = 'check each ramp lower it and load the cars before high tide turns at noon'.split(' ')
  const failing = failingSeeds(1, 200, (seed) => {
    const next = random(seed)
    const before = words.join(' ')
    const [from, to] = [Math.floor(next() * words.length), Math.floor(next() * words.length)].toSorted(
      (a, b) => a - b,
    ) as [number, number]
    const after = [...words.slice(0, from), ...(next() < 0.5 ? ['QQQ'] : []), ...words.slice(to)].join(' ')
    const carry = carrier(before, after)
    let at = 0
    for (const [i, w] of words.entries()) {
      const span = carry({ start: at, end: at + w.length })
      at += w.length + 1
      const kept = i < from || i >= to
      if (kept && (!span || (span.end - span.start === w.length && after.slice(span.start, span.end) !== w)))
        return `${w} at ${i}`
      if (span && after.slice(span.start, span.end).includes('QQQ') && kept) return `${w} took in what is new`
    }
    return null
  })
  expect(failing).toEqual([])
})

test('spans merge where they touch and lose only white space', () => {
  expect(
    mergedSpans([
      { start: 5, end: 9 },
      { start: 0, end: 3 },
      { start: 3, end: 4 },
    ]),
  ).toEqual([
    { start: 0, end: 4 },
    { start: 5, end: 9 },
  ])
  expect(trimmed('  ramp \u00a0', { start: 0, end: 8 })).toEqual({ start: 2, end: 6 })
  expect(trimmed('    ', { start: 0, end: 4 })).toEqual({ start: 4, end: 4 })
})
