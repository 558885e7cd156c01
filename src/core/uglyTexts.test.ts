import { propose } from './propose'
import { readText } from './reading'
import { shippedLexicon } from '@/server/lexicon'
import { blocksOf, readableBlocks, sentencesOf, slice } from './text'
import { failingSeeds } from './testing/seededFigure'
import { uglyText } from './testing/uglyText'

const lexicon = shippedLexicon()

/** Each of these took from many seconds to for ever; how fast they are now, `npm run bench` tells. */
const once: Record<string, string> = {
  'a nested list of 24 levels': Array.from({ length: 24 }, (_, i) => `${'  '.repeat(i)}- item number ${i}`).join('\n'),
  'a nested list of 300 levels': Array.from({ length: 300 }, (_, i) => `${' '.repeat(i)}- item ${i}`).join('\n'),
  '100,000 spaces': `Check the ramp${' '.repeat(100_000)}and lower it.`,
  '60 kB of short lines': Array.from({ length: 15_000 }, (_, i) => `ab${i % 7}`).join('\n'),
  '60 kB of short items': Array.from({ length: 7_500 }, (_, i) => `- item ${i % 9}`).join('\n'),
  'one sentence of 60 kB': 'if the deck is wet or cold and '.repeat(2000),
  'one word of 60 kB': 'a'.repeat(60_000),
}

test.each(Object.entries(once))('%s is read', (_name, text) => {
  const readings = propose(readText(text, lexicon))
  for (const r of readings) expect(r.coverage.taken).toBeLessThanOrEqual(r.coverage.of)
})

test('whatever is pasted: reading ends, and what a node came from lies in the text', () => {
  const failing = failingSeeds(1, process.env.SWEEP ? 150 : 80, (seed) => {
    const text = uglyText(seed, 1500)
    for (const r of propose(readText(text, lexicon)))
      for (const n of Object.values(r.figure.nodes))
        for (const s of n.source)
          if (s.start < 0 || s.end > text.length || s.start > s.end) return `${r.kind}: ${JSON.stringify(s)}`
    return null
  })
  expect(failing).toEqual([])
})

test('blocks and sentences are bounded, in order, and leave out no word', () => {
  const words = (t: string) => t.match(/[\p{L}\p{N}]+/gu)?.join('') ?? ''
  const failing = failingSeeds(1, 60, (seed) => {
    const text = uglyText(seed, 9000)
    const readable = readableBlocks(text)
    const taken = (spans: readonly { start: number; end: number }[]) =>
      words(spans.map((s) => slice(text, s)).join(' '))
    if (taken(readable.map((b) => b.span)) !== taken(blocksOf(text).map((b) => b.span))) return 'words are missing'
    if (readable.some((b) => b.span.end - b.span.start > 4000)) return 'a block without bound'
    const long = readable.find((b) => b.span.end - b.span.start > 500)
    const sentences = long ? sentencesOf(text, long.span) : []
    if (sentences.some((s) => s.end - s.start > 1200)) return 'a sentence without bound'
    if (long && taken(sentences) !== taken([long.span])) return 'a sentence is missing'
    return null
  })
  expect(failing).toEqual([])
})
