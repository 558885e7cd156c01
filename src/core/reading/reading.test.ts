import { existsSync, readFileSync, readdirSync } from 'node:fs'
import { apply } from '../document'
import { figureSchema } from '../figure'
import { WORTH_SHOWING, createSuggest, propose, type Reading } from '../propose'
import { corpus, type Gold } from '../testing/corpus'
import { f1, match, noCounts, sum } from '../testing/scoring'
import { frozen } from '../testing/seededFigure'
import { slice, spansMeet } from '../text'
import { cueOf, cues } from './english/cues'
import { chanceIn, estimates } from './english/chance'
import { hierarchyClaims, shown } from './english/hierarchyClaims'
import { hierarchyCues } from './english/hierarchyCues'
import { parse } from './english/parse'
import { packs } from './packs'
import { readText } from '.'
import { shippedLexicon } from '@/server/lexicon'
import { english } from '../words'

const lexicon = shippedLexicon()
const passages = corpus()
const part = (p: Gold['part'], language: string) => passages.filter((g) => g.part === p && g.language === language)
const whole = (text: string) => ({ start: 0, end: text.length })
const clausesOf = (text: string) => parse(text, whole(text), lexicon)

test('every cue finds its examples and none of its counter-examples', () => {
  const wrong = cues.flatMap((c) => [
    ...c.examples
      .filter((e) => cueOf(e)?.cue.name !== c.name)
      .map((e) => `${c.name} misses “${e}” (got ${cueOf(e)?.cue.name})`),
    ...c.counter.filter((e) => cueOf(e)?.cue.name === c.name).map((e) => `${c.name} takes “${e}”`),
  ])
  expect(wrong).toEqual([])
})

test('every row on kinds, parts and reporting lines finds its examples and none of its counter-examples', () => {
  const read = (text: string) => hierarchyClaims(clausesOf(text), text)
  const wrong = hierarchyCues.flatMap((c) => [
    ...Object.entries(c.examples).flatMap(([text, wanted]) => {
      const found = read(text).filter((x) => x.rule === c.name)
      return found.some((x) => shown(x) === wanted)
        ? []
        : [
            `${c.name}: “${text}” gives ${
              read(text)
                .map((x) => `${x.rule} ${shown(x)}`)
                .join('; ') || 'nothing'
            }`,
          ]
    }),
    ...c.counter.filter((text) => read(text).some((x) => x.rule === c.name)).map((text) => `${c.name} takes “${text}”`),
  ])
  expect(wrong).toEqual([])
})

test('every row of the language packs finds its examples and none of its counter-examples', () => {
  const wrong = packs.flatMap((p) =>
    [...p.cues, ...p.conditions, ...p.hierarchy, ...p.compare].flatMap((row) => [
      ...row.examples.filter((e) => !row.pattern.test(e)).map((e) => `${p.language} ${row.gives} misses “${e}”`),
      ...row.counter.filter((e) => row.pattern.test(e)).map((e) => `${p.language} ${row.gives} takes “${e}”`),
    ]),
  )
  expect(wrong).toEqual([])
})

test('verbs are found: the set with every main verb starred', () => {
  const lines = readFileSync('corpus/words/verbs.list', 'utf8')
    .split('\n')
    .filter((l) => l.trim() !== '' && !l.startsWith('#'))
  let [right, found, wanted] = [0, 0, 0]
  for (const line of lines) {
    const text = line.replace(/\*/g, '')
    const stars = new Set([...line.matchAll(/\*/g)].map((m, k) => m.index - k))
    const verbs = clausesOf(text).flatMap((c) =>
      c.verb ? c.verb.words.filter((w) => w.tag === 'verb' && w.start >= c.start) : [],
    )
    const starts = new Set(verbs.map((w) => w.start))
    right += [...starts].filter((s) => stars.has(s)).length
    found += starts.size
    wanted += stars.size
  }
  expect(lines.length).toBeGreaterThan(75)
  expect((2 * right) / (found + wanted)).toBeGreaterThan(0.93)
})

/** Floors, a little below what `npm run score` prints, so that a change for the worse is noticed. */
test.each([
  ['develop', 'en', 0.94, 0.895, 0.79],
  ['check', 'en', 0.88, 0.86, 0.75],
] as const)('%s, %s: kinds, nodes and links stay as well read as they are', (p, language, kind, node, link) => {
  const scored = part(p, language).map((gold) => {
    const readings = propose(readText(gold.text, lexicon))
    const best = readings.find((r) => r.score >= WORTH_SHOWING)
    const right = gold.kinds[0] === 'none' ? !best : best !== undefined && gold.kinds.includes(best.kind)
    return { right, gold, ...match(gold, readings.find((r) => r.kind === gold.kinds[0])?.figure ?? null) }
  })
  const figures = scored.filter((s) => s.gold.kinds[0] !== 'none')
  expect(scored.length).toBeGreaterThan(60)
  expect(scored.filter((s) => s.right).length / scored.length).toBeGreaterThanOrEqual(kind)
  expect(f1(figures.map((s) => s.nodes).reduce(sum, noCounts))).toBeGreaterThanOrEqual(node)
  expect(f1(figures.map((s) => s.links).reduce(sum, noCounts))).toBeGreaterThanOrEqual(link)
})

/** Files of the reader: all that turns a text into figures. */
const readerFiles = ['src/core/reading', 'src/core/propose', 'src/core/text'].flatMap((folder) =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .map((f) => ({ file: `${folder}/${f}`, code: readFileSync(`${folder}/${f}`, 'utf8') })),
)
const COMMENT = /\/\*[\s\S]*?\*\/|\/\/.*$/gm

test('no rule holds a word that only one passage has', () => {
  const code = readerFiles.map((f) => f.code.replace(COMMENT, ''))
  const patterns = code.join('\n').match(/\/(?![/*])(?:\\.|[^/\n\\])+\/[a-z]*|'[a-z ]{40,}'/g) ?? []
  const inRules = new Set(patterns.join(' ').match(/[a-z]{5,}/g))
  const known = new Set([...lexicon.verbClass.keys()])
  const counts = new Map<string, number>()
  for (const g of passages.filter((x) => x.language === 'en'))
    for (const w of new Set(g.text.toLowerCase().match(/[a-z]{5,}/g))) counts.set(w, (counts.get(w) ?? 0) + 1)
  // Nouns of the content, not verbs or function words, which any text may hold.
  const lone = [...inRules].filter((w) => counts.get(w) === 1 && !known.has(w) && !COMMON.has(w))
  expect(inRules.size).toBeGreaterThan(100)
  expect(lone).toEqual([])
})

test('examples in the reader’s files are its own, and no words of passages by others', () => {
  const file = '../shared/corpus/real/develop.jsonl'
  const others = existsSync(file)
    ? readFileSync(file, 'utf8')
        .toLowerCase()
        .replace(/[^a-z]+/g, ' ')
    : ''
  const quoted = readerFiles.flatMap(({ file: name, code }) =>
    (code.match(COMMENT) ?? []).flatMap((c) =>
      [...c.replace(/\n\s*\*/g, ' ').matchAll(/["“]([^"“”]{8,200})["”]/g)].map((m) => ({
        name,
        words: m[1] as string,
      })),
    ),
  )
  const taken = quoted.filter(({ words }) => {
    const plain = words
      .toLowerCase()
      .replace(/[^a-z]+/g, ' ')
      .trim()
    return plain.split(' ').length > 3 && others.includes(` ${plain} `)
  })
  expect(quoted.length).toBeGreaterThan(100)
  expect(taken).toEqual([])
})
const COMMON = new Set(
  'earlier words thanks regards cheers tasks operations facilities former obviously sooner online differences rises drops twelve lonely lovely beforehand payroll security beside itself carefully gently safely normally overboard schlie primer digits million minus earns saves fares benefits apart fails leaks lasts turns starts sells criterion association following already length sometimes monday tuesday wednesday thursday friday saturday sunday lunchtime fourth fifth sixth rather usual known courses children fewer thirty forty fifty seventy eighty ninety probably large larger early longer others those however keeper leader directly supported important steps across warning cases doing going choices plans choosing roughly namely several whereas whenever wherever unless several various alike namely beneath alone common basically mostly mainly typical neither either whose throughout themselves everyone everybody someone somebody anyone anybody nobody alternatively afterwards subsequently meanwhile otherwise finally initially firstly secondly thirdly lastly altogether categories category varieties levels layers subgroup subgroups probability likelihood possibility likely percent hundred thousand twenty fifteen eleven litre metre pounds dollars euros families versions models styles stages divisions components elements sections groups forms voices examples departments committees teams units members branches species classes sorts kinds types parts areas ways'.split(
    ' ',
  ),
)

test('the frame of a mail is no step, and is listed as what it is', () => {
  const text =
    'From: shore office\nTo: all crews\nSubject: ramps\n\nHi all,\n\nCheck the ramp. Then lower it. Finally call the bridge.\n\n> Close the old gate and ring twice.\n> Then wait.\n\nThanks\nIshbel'
  const [best] = propose(readText(text, lexicon))
  expect(Object.values(best?.figure.nodes ?? {}).map((n) => n.text)).toEqual([
    'Check the ramp',
    'Lower the ramp',
    'Call the bridge',
  ])
  expect(best?.coverage.left.map((l) => english(l.reason))).toEqual(
    Array(best?.coverage.left.length).fill('the frame of a mail'),
  )
  expect(best?.coverage.left.some((l) => l.text.includes('old gate'))).toBe(true)
})

type Option = Reading['doubts'][number]['options'][number]
test('every node and link knows its words, every figure fits the published schema, every answer to a doubt applies', () => {
  const wrong = passages.flatMap((g) =>
    propose(frozen(readText(g.text, lexicon))).flatMap((r) => {
      const parts = [...Object.values(r.figure.nodes), ...Object.values(r.figure.links)]
      const blind = parts.filter((x) => x.source.length === 0 && !(x.role === 'choice')).map((x) => x.id)
      const checked = figureSchema.safeParse(r.figure)
      return [
        ...(blind.length > parts.length * 0.2 ? [`${g.id} ${r.kind}: no words for ${blind.join()}`] : []),
        ...(checked.success ? [] : [`${g.id} ${r.kind}: ${JSON.stringify(checked.error.issues[0])}`]),
        ...(r.doubts.every((d) => d.options.length >= 2) ? [] : [`${g.id}: a doubt with one answer`]),
        ...r.doubts.flatMap((d) =>
          d.options
            .filter((o) => !figureSchema.safeParse(apply(r.figure, o.edit).figure).success)
            .map((o) => `${g.id}: “${o.label}” to “${d.question}”`),
        ),
        // Whatever is answered first: an answer may take away what another is about.
        ...[r.doubts, r.doubts.toReversed()]
          .map((list) => list.reduce((f, d) => apply(f, (d.options.at(-1) as Option).edit).figure, r.figure))
          .filter((f) => !figureSchema.safeParse(f).success || Object.values(f.links).some((l) => !f.nodes[l.from]))
          .map(() => `${g.id}: all answers after one another`),
      ]
    }),
  )
  expect(wrong).toEqual([])
})

test('offsets hold under carriage returns, tabs, hard spaces, emoji, decomposed accents and right-to-left text', () => {
  const dressings: readonly [string, (t: string) => string][] = [
    ['CRLF', (t) => t.replace(/\n/g, '\r\n')],
    ['tabs', (t) => t.replace(/ {2}/g, '\t')],
    ['hard spaces', (t) => t.replace(/(?<=\p{L}) (?=\p{L})/gu, (m, i: number) => (i % 5 === 0 ? '\u00a0' : m))],
    ['emoji', (t) => t.replace(/\./g, ' ⚓️🌊.')],
    ['decomposed', (t) => t.normalize('NFD')],
    ['right-to-left', (t) => `${t}\n\nتحقق من المنحدر قبل الإبحار.`],
  ]
  const wrong = dressings.flatMap(([name, dress]) =>
    part('develop', 'en')
      .filter((_, i) => i % 5 === 0)
      .flatMap((g) => {
        const text = dress(g.text)
        return propose(readText(text, lexicon)).flatMap((r) =>
          Object.values(r.figure.nodes).flatMap((n) =>
            n.source.some((s) => s.start < 0 || s.end > text.length || /^\s|\s$/.test(slice(text, s)))
              ? [`${name} ${g.id} ${n.text}`]
              : [],
          ),
        )
      }),
  )
  expect(wrong).toEqual([])
})

test('the same text gives the same readings, in any order of reading', () => {
  const once = part('develop', 'en').map((g) => JSON.stringify(propose(readText(g.text, lexicon))))
  const again = part('develop', 'en')
    .toReversed()
    .map((g) => JSON.stringify(propose(readText(g.text, lexicon))))
    .toReversed()
  expect(again).toEqual(once)
})

test.each([
  ['a 30% chance of rain', 0.3],
  ['the risk is one in four', 0.25],
  ['it fails in about 5 percent of years', 0.05],
  ['with a probability of 0.3', 0.3],
  ['salt with 20% water', null],
  ['one in the boat', null],
])('“%s” gives the chance %s', (text, wanted) => expect(chanceIn(text, whole(text))?.probability ?? null).toBe(wanted))

test('words of chance suggest a number and say that it is one', () => {
  expect(estimates.length).toBeGreaterThan(4)
  expect(chanceIn('it will probably rain', whole('it will probably rain'))).toMatchObject({
    probability: 0.75,
    estimated: true,
  })
})

test('a manuscript suggests passages that do not overlap, and leaves plain prose alone', () => {
  const prose = part('develop', 'en').filter((g) => g.kinds[0] === 'none')
  const found = createSuggest(lexicon)(manuscript.join('\n\n'))
  expect(found.length).toBeGreaterThan(8)
  found.forEach((s, i) => expect(found.slice(i + 1).some((o) => spansMeet(o.span, s.span))).toBe(false))
  expect(prose.flatMap((g) => createSuggest(lexicon)(g.text))).toEqual([])
})

test('what is suggested for a text does not depend on the texts before it', () => {
  const suggest = createSuggest(lexicon)
  for (let i = 0; i < 6; i++) {
    const text = manuscript.filter((_, k) => (k * 7 + i) % 5 !== 0).join('\n\n')
    expect(suggest(text)).toEqual(createSuggest(lexicon)(text))
  }
})
const manuscript = part('develop', 'en')
  .slice(0, 40)
  .map((g) => g.text)
