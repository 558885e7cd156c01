import { readFileSync } from 'node:fs'
import { STRONG, WORTH_SHOWING, propose, suggest } from '../propose'
import { matched, matchedLinks, type Gold } from '../testing/scoring'
import { failingSeeds, random } from '../testing/seededFigure'
import { spansMeet } from '../text'
import { cueOf, cues } from './english/cues'
import { englishLexicon, readText } from '.'

const lexicon = englishLexicon()
const passages = readFileSync('corpus/passages.jsonl', 'utf8')
  .trim()
  .split('\n')
  .map((l) => JSON.parse(l) as Gold)

test('every cue finds its examples and none of its counter-examples', () => {
  const wrong = cues.flatMap((c) => [
    ...c.examples
      .filter((e) => cueOf(e)?.cue.name !== c.name)
      .map((e) => `${c.name} misses “${e}” (got ${cueOf(e)?.cue.name})`),
    ...c.counter.filter((e) => cueOf(e)?.cue.name === c.name).map((e) => `${c.name} takes “${e}”`),
  ])
  expect(wrong).toEqual([])
})

test.each(passages.map((p) => [p.id, p] as const))('%s reads as a careful reader draws it', (_, gold) => {
  const best = propose(readText(gold.text, lexicon))[0]
  if (gold.kind === 'none') return expect(best?.score ?? 0).toBeLessThan(WORTH_SHOWING)
  expect(best?.kind).toBe(gold.kind)
  if (!best) return
  const drawn = {
    nodes: Object.values(best.figure.nodes),
    links: Object.values(best.figure.links).map((l) => ({ ...l, text: l.text ?? '' })),
  }
  const nodes = matched(gold, drawn)
  expect([...nodes.keys()].toSorted()).toEqual(Object.keys(gold.nodes).toSorted())
  expect(drawn.nodes.length).toBe(Object.keys(gold.nodes).length)
  expect(matchedLinks(gold, drawn, nodes)).toBe(gold.links.length)
  expect(drawn.links.length).toBe(gold.links.length)
  for (const [g, actor] of Object.entries(gold.actors)) expect(best.figure.nodes[nodes.get(g) ?? '']?.actor).toBe(actor)
})

test('every node has words it came from, inside the passage, and nothing is left out without being listed', () => {
  const failing = passages.flatMap((p) =>
    propose(readText(p.text, lexicon)).flatMap((r) => {
      const sources = [...Object.values(r.figure.nodes), ...Object.values(r.figure.links)].flatMap((n) => n.source)
      const bad = Object.values(r.figure.nodes).filter(
        (n) => n.source.length === 0 || n.source.some((s) => s.start < 0 || s.end > p.text.length || s.end <= s.start),
      )
      const lost = r.coverage.left.filter((l) => sources.some((s) => spansMeet(s, l.span)))
      return bad.length || lost.length || r.coverage.taken + r.coverage.left.length !== r.coverage.of
        ? [`${p.id} ${r.kind}`]
        : []
    }),
  )
  expect(failing).toEqual([])
})

test('offsets are of the text as it stands: CRLF, tabs, emoji, decomposed accents, right to left', () => {
  const text = '1.\tPru\u0308fe die Rampe 🚢\r\n2.\tتحقق من المنحدر\r\n3.\tLower\u00a0the ramp'
  const process = propose(readText(text, lexicon)).find((r) => r.kind === 'process')
  const words = Object.values(process?.figure.nodes ?? {}).map((n) =>
    n.source.map((s) => text.slice(s.start, s.end)).join(),
  )
  expect(words).toEqual(['Pru\u0308fe die Rampe 🚢', 'تحقق من المنحدر', 'Lower\u00a0the ramp'])
})

test('2,000 fuzzed texts are read without an exception', () => {
  const bits = [
    'If ',
    'otherwise',
    'the mate ',
    'checks ',
    '.',
    ',',
    '\n',
    '\n\n',
    '- ',
    '1. ',
    '  ',
    '\t',
    '?',
    'until ',
    'step 2',
    '\u0000',
    '\ud800',
    '🚢',
    'ا',
    '|',
    '# ',
    '**',
    'Yes: ',
    ';',
    'repeat ',
    '“',
    '\r\n',
    'go back to step 9',
    ' and ',
    'is ',
    'not ',
  ]
  const failing = failingSeeds(1, 2001, (seed) => {
    const next = random(seed)
    const text = Array.from({ length: Math.floor(next() * 60) }, () => bits[Math.floor(next() * bits.length)]).join('')
    try {
      const again = JSON.stringify(propose(readText(text, lexicon)))
      return again === JSON.stringify(propose(readText(text, lexicon))) ? null : 'not the same twice'
    } catch (error) {
      return `${String(error)} for ${JSON.stringify(text)}`
    }
  })
  expect(failing).toEqual([])
})

test('huge and hostile texts come to an end: one long sentence, a long list, one long word, deep nesting', () => {
  const texts = [
    'check the ramp and '.repeat(520),
    'x'.repeat(100_000),
    Array.from({ length: 2000 }, (_, i) => `${i + 1}. Check locker ${i + 1}`).join('\n'),
    Array.from({ length: 300 }, (_, i) => `${' '.repeat(i * 2)}- deep ${i}`).join('\n'),
    '('.repeat(20_000),
    'if '.repeat(5000),
  ]
  for (const text of texts) expect(Array.isArray(propose(readText(text, lexicon)))).toBe(true)
})

test('a manuscript’s strong passages are found, never overlapping, and plain prose is left alone', () => {
  const text = passages.map((p) => p.text).join('\n\n# Next\n\n')
  const found = suggest(text, lexicon)
  expect(found.length).toBeGreaterThanOrEqual(8)
  expect(found.every((s) => s.score >= STRONG)).toBe(true)
  found
    .slice(1)
    .forEach((s, i) => expect(s.span.start).toBeGreaterThanOrEqual((found[i] as { span: { end: number } }).span.end))
  const prose = passages.filter((p) => p.kind === 'none').map((p) => text.indexOf(p.text))
  expect(found.some((s) => prose.includes(s.span.start))).toBe(false)
})
