/** What must hold of every reading of every text: no word is lost in silence, labels are whole, one item is one node. */
import { figureSchema } from '../figure'
import { conditionsIn, readText, type ReadText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { corpus, passagesOfOthers } from '../testing/corpus'
import { oddText } from '../testing/oddText'
import { failingSeeds } from '../testing/seededFigure'
import { slice, spansMeet, type Entry } from '../text'
import { propose, type Reading } from './propose'
import { english } from '../words'

const lexicon = shippedLexicon()
const texts = [...corpus().map((g) => g.text), ...passagesOfOthers()]
const read = texts.map((text) => readText(text, lexicon))
const readings = read.map((r, i) => ({ text: texts[i] ?? '', readings: propose(r) }))

const figureWords = (r: Reading): string =>
  [
    r.figure.title,
    ...Object.values(r.figure.nodes).flatMap((n) => [n.text, n.detail ?? '', n.actor ?? '']),
    ...Object.values(r.figure.links).map((l) => l.text ?? ''),
  ]
    .join(' ')
    .toLowerCase()

/** The first word that is neither in the figure nor in what was left out; counted without the reader's own word lists. */
function lostWord(text: string, r: Reading): string | null {
  const said = figureWords(r)
  for (const m of text.matchAll(/(?<![\p{L}\p{N}\p{M}'’-])\p{Ll}{6,}(?![\p{L}\p{N}\p{M}'’-])/gu)) {
    // Endings change ("closed", "close"), the front of a word does not; irregular and joining words are shorter or listed.
    const front = m[0].slice(0, Math.max(3, m[0].length - 4))
    const span = { start: m.index, end: m.index + m[0].length }
    if (r.kind === 'venn' && BY_REGION.test(m[0])) continue
    if (!said.includes(front) && !r.coverage.left.some((l) => spansMeet(l.span, span)) && !JOINS.has(m[0])) return m[0]
  }
  return null
}
/** Said by where a member of a Venn diagram stands. */
const BY_REGION = /^(?:unlike|shared?|common|whereas|similarly|equally)$/
const JOINS = new Set(
  'before behind within between should through because though although whether wherever whenever themselves another either neither therefore however instead finally secondly thirdly firstly lastly afterwards otherwise meanwhile nächst werden wieder waren cuando entonces sobre también estos estas during having second please'.split(
    ' ',
  ),
)

const LOOSE: Readonly<Record<string, RegExp>> = {
  en: /\s(?:and|or|nor|the|an?|such|than|which|whose|because)$/,
  de: /\s(?:und|oder|der|die|das)$/,
  es: /\s(?:y|o|el|la|los|de)$/,
}

/** What is wrong with the labels of a reading. */
const badLabels = (r: Reading): string[] =>
  Object.values(r.figure.nodes)
    .map((n) => n.text)
    .filter(
      (t) =>
        t.trim() === '' || /^[,;:]|[,;]$/.test(t) || (LOOSE[r.figure.language]?.test(t) ?? false) || /\([^)]*$/.test(t),
    )

test('every word is in the figure or in what was left out, and the count says so', () => {
  const wrong = readings.flatMap(({ text, readings }) =>
    readings.flatMap((r) => {
      const lost = lostWord(text, r)
      const { taken, of, left } = r.coverage
      return [
        ...(lost ? [`${r.kind}: “${lost}” of “${text.slice(0, 60)}”`] : []),
        ...(taken < of === left.length > 0 ? [] : [`${r.kind}: ${taken} of ${of}, ${left.length} left out`]),
        ...left
          .filter((l) => english(l.reason) === '' || l.span.end <= l.span.start)
          .map((l) => `${r.kind}: ${l.text}`),
      ]
    }),
  )
  expect(texts.length).toBeGreaterThan(200)
  expect(wrong).toEqual([])
})

test('labels are whole: none ends in a word that leads on', () => {
  const wrong = readings.flatMap(({ readings }) => readings.flatMap((r) => badLabels(r).map((l) => `${r.kind}: ${l}`)))
  expect(wrong).toEqual([])
})

const isPlain = (read: ReadText, e: Entry): boolean =>
  e.entries.length === 0 &&
  [e.label, ...e.details].every(
    (s) => conditionsIn(read.text, s).length === 0 && !/[?→>;]|\bor\b/.test(slice(read.text, s)),
  )

test('one item, one node: items without a condition become one point and one step each', () => {
  let seen = 0
  const wrong = read.flatMap((read, i) => {
    const { entries } = read.outline
    const items = entries.filter((e) => e.from === 'item')
    if (items.length < 3 || items.length < entries.length || !items.every((e) => isPlain(read, e))) return []
    seen++
    return (readings[i]?.readings ?? []).flatMap((r) => {
      if (r.kind !== 'points' && r.kind !== 'process') return []
      const nodes = Object.values(r.figure.nodes)
      return items.flatMap((e) => {
        const own = nodes.filter((n) => n.source.some((s) => spansMeet(s, e.span)))
        return own.length > 1 && !own.some((n) => n.role === 'question')
          ? [`${r.kind}: ${own.map((n) => n.text).join(' + ')}`]
          : []
      })
    })
  })
  expect(seen).toBeGreaterThan(10)
  expect(wrong).toEqual([])
})

test('odd texts are read without a fault: nothing is lost, no label is empty, every figure is in shape', () => {
  const failing = failingSeeds(1, process.env.SWEEP ? 4001 : 251, (seed) => {
    const text = oddText(seed)
    for (const r of propose(readText(text, lexicon))) {
      const lost = lostWord(text, r)
      if (lost) return `${r.kind} lost “${lost}”`
      if (Object.values(r.figure.nodes).some((n) => n.text.trim() === '')) return `${r.kind}: an empty label`
      if (!figureSchema.safeParse(r.figure).success) return `${r.kind}: out of shape`
    }
    return null
  })
  expect(failing).toEqual([])
})
