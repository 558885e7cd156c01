import * as Y from 'yjs'
import { MAX_NODE_TEXT, inLanguage, labelsOf, wordingState, type Figure, type Label } from '../figure'
import { failingSeeds, seededOfKind } from '../testing/seededFigure'
import { apply } from './edit'
import { applyShared, newSharedFigure, readFigure } from './figureInYjs'
import { csvOf, fromCsv, fromXliff, xliffOf } from './wordingFiles'
import { dropLanguage, memoryOf, setWordings, translations } from './wordings'

/** The first two labels of nodes. */
function nodeLabels(f: Figure): readonly [Label, Label] {
  const [a, b] = labelsOf(f).filter((l) => l.key.startsWith('n:'))
  if (!a || !b) throw new Error('a figure with two labels is needed')
  return [a, b]
}

const KINDS = ['process', 'hierarchy', 'venn', 'points'] as const
const ODD = ['=1+1', '<b>&amp;', ' two\nlines ', '"quoted", and more', 'घाट', 'تحقق']

test('what a translator gets as CSV or XLIFF comes back as it was, in every script and with every odd letter', () => {
  const wrong = failingSeeds(0, 40, (seed) => {
    const bare = seededOfKind(KINDS[seed % 4] ?? 'points', seed)
    const figure = { ...bare, title: ODD[seed % ODD.length] ?? '' }
    const given = Object.fromEntries(
      labelsOf(figure).map((l, i) => [l.key, `${ODD[(seed + i) % ODD.length]} ${i}`.trim()]),
    )
    const said = apply(figure, setWordings(figure, 'de', given)).figure
    const wanted = Object.fromEntries(Object.entries(given).map(([k, v]) => [k, v.trim()]))
    const [csv, xliff] = [fromCsv(csvOf(said, 'de')), fromXliff(xliffOf(said, 'de'))]
    const same = (a: object | undefined) => JSON.stringify(a) === JSON.stringify(wanted)
    if (!same(csv?.given)) return `csv ${JSON.stringify(csv?.given).slice(0, 200)}`
    return xliff?.language === 'de' && same(xliff.given) ? null : `xliff ${JSON.stringify(xliff?.given).slice(0, 200)}`
  })
  expect(wrong).toEqual([])
})

test('what translators’ tools mark within words goes, and the words stay', () => {
  const target = `<mrk id="m1" type="term">Rampe</mrk> &amp; <pc id="1" dataRefStart="d1">Tor &lt;2&gt;</pc><ph id="2"/> schließen`
  const xliff = `<?xml version="1.0"?><xliff version="2.0" srcLang="en" trgLang="de"><file id="f"><unit id="title"><segment><source>Close ramp and gate</source><target xml:space="preserve">${target}</target></segment><segment><target> bitte</target></segment></unit></file></xliff>`
  expect(fromXliff(xliff)?.given).toEqual({ title: 'Rampe & Tor <2> schließen bitte' })
})

test('what is no such file is refused, a formula is told to be text, and entities cannot grow', () => {
  const bomb = `<?xml version="1.0"?><!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><xliff version="2.0" trgLang="de"><file><unit id="title"><segment><target>&b;</target></segment></unit></file></xliff>`
  for (const text of ['', 'no file', '<xliff version="1.2" trgLang="de"/>', '<xliff', bomb])
    expect(fromXliff(text)).toBeNull()
  expect(fromCsv('a,b\n1,2')).toBeNull()
  const figure = { ...seededOfKind('points', 3), title: '=HYPERLINK("x")' }
  expect(csvOf(figure, 'de')).toContain(`'=HYPERLINK`)
})

test('labels are shown in a language as far as it has them; a source that changes makes its translation stale', () => {
  const figure: Figure = seededOfKind('hierarchy', 5)
  const [first, second] = nodeLabels(figure)
  const said = apply(figure, setWordings(figure, 'de', { [first.key]: 'Erstes', 'n:none:text': 'Nichts' })).figure
  const shown = inLanguage(said, 'de')
  const id = first.key.split(':')[1] as string
  expect([shown.language, shown.nodes[id]?.text]).toEqual(['de', 'Erstes'])
  expect(labelsOf(shown).find((l) => l.key === second.key)?.text).toBe(second.text)
  expect(said.wordings?.de?.['n:none:text']).toBeUndefined()
  const label = (f: Figure) => nodeLabels(f)[0]
  expect(wordingState(said, 'de', label(said))).toBe('done')
  const renamed = apply(said, { do: 'setNode', id, set: { text: 'Another' } }).figure
  expect(wordingState(renamed, 'de', label(renamed))).toBe('stale')
  expect(translations(said, 'fr').every((t) => t.state === 'missing')).toBe(true)
  expect([...memoryOf([said], 'de').values()]).toEqual(['Erstes'])
  expect(apply(said, dropLanguage(said, 'de')).figure.wordings).toBeUndefined()
  // And the edit that takes it back.
  const { inverse } = apply(said, dropLanguage(said, 'de'))
  expect(apply(apply(said, dropLanguage(said, 'de')).figure, inverse).figure).toEqual(said)
})

test('two people who translate different labels at the same time both keep their words', () => {
  const figure = seededOfKind('points', 9)
  const [one, two] = [new Y.Doc(), new Y.Doc()]
  one.getMap('figures').set('f', newSharedFigure(figure))
  Y.applyUpdate(two, Y.encodeStateAsUpdate(one))
  const shared = (doc: Y.Doc) => doc.getMap('figures').get('f') as Y.Map<unknown>
  const [a, b] = nodeLabels(figure)
  applyShared(shared(one), setWordings(figure, 'ja', { [a.key]: '一' }), 'one')
  applyShared(shared(two), setWordings(figure, 'ja', { [b.key]: '二' }), 'two')
  Y.applyUpdate(one, Y.encodeStateAsUpdate(two))
  const now = readFigure(shared(one))
  expect([now?.wordings?.ja?.[a.key]?.text, now?.wordings?.ja?.[b.key]?.text]).toEqual(['一', '二'])
})

test('a translation that is longer than a label may be is not taken, and nothing is changed', () => {
  const figure = seededOfKind('points', 9)
  const doc = new Y.Doc()
  doc.getMap('figures').set('f', newSharedFigure(figure))
  const shared = doc.getMap('figures').get('f') as Y.Map<unknown>
  const [a] = nodeLabels(figure)
  expect(applyShared(shared, setWordings(figure, 'de', { [a.key]: 'x'.repeat(MAX_NODE_TEXT + 1) }), 'me')).toBeNull()
  expect(readFigure(shared)).toEqual(figure)
})
