import * as Y from 'yjs'
import { blocksOf } from '@/core/text'
import { uglyText } from '@/core/testing/uglyText'
import { anchorOf, becomeAs, cleanText, nodesFromText, projectShared, sharedNodes, spanOf, type NodeJson } from '.'

const made = (text: string) => {
  const doc = new Y.Doc()
  const fragment = doc.getXmlFragment('manuscript')
  fragment.insert(0, sharedNodes(nodesFromText(text)))
  return { doc, fragment }
}
const shape = (text: string) =>
  blocksOf(text).map(
    (b) =>
      `${b.type}${b.type === 'item' ? (b.ordered ? '#' : '-') + b.depth : ''} ${text.slice(b.span.start, b.span.end)}`,
  )

const UNEVEN = `# Boarding

Before loading:
  1) Check the moorings
  2) Lower the ramp
\t- slowly
\t- **lock it**
 3) Load
• chocks
   – lash motorcycles

| Wind | What |
|---|---|
| 6 | master decides |`

test('an uneven list as it was pasted keeps its order and its levels', () => {
  expect(shape(UNEVEN)).toEqual([
    'heading Boarding',
    'paragraph Before loading:',
    'item#0 Check the moorings',
    'item#0 Lower the ramp',
    'item-1 slowly',
    'item-1 lock it',
    'item#0 Load',
    'item-1 chocks',
    'item-2 lash motorcycles',
    'row | Wind | What |',
    'row | 6 | master decides |',
  ])
})

test('what goes into the shared document comes out as the same blocks', () => {
  const { fragment } = made(UNEVEN)
  const text = projectShared(fragment).text
  const words = (t: string) => blocksOf(t).map((b) => [b.type, b.depth, t.slice(b.span.start, b.span.end)])
  expect(words(text)).toEqual(words(UNEVEN))
})

test('words in bold keep their marks on the way to the reader, and places lead to the words themselves', () => {
  const { fragment } = made('**Gates** Open at six.\n\nThe **mate** is on the *ramp*.')
  const p = projectShared(fragment)
  expect(p.text.trim()).toBe('**Gates** Open at six.\n\nThe **mate** is on the ramp.')
  const words = p.pieces.map((x) => p.text.slice(x.span.start, x.span.end))
  expect(words).toEqual(['Gates', ' Open at six.', 'The ', 'mate', ' is on the ', 'ramp', '.'])
  for (const x of p.pieces)
    expect(
      x.place.node
        .toString()
        .replace(/<[^>]*>/g, '')
        .slice(x.place.index),
    ).toContain(p.text.slice(x.span.start, x.span.end))
})

test('a heading without marks goes below the one above it, and below the last level it is a line in bold', () => {
  const levels = (text: string) =>
    nodesFromText(text).map((n) =>
      n.type === 'heading' ? Number(n.attrs?.level) : (n.content?.[0]?.marks?.[0]?.type ?? ''),
    )
  expect(levels('## Boats\n\n**Teal**\n\nCarries cars.')).toEqual([2, 3, ''])
  expect(levels('### Boats\n\n**Teal**\n\nCarries cars.')).toEqual([3, 'strong', ''])
})

test('anchors stay with their words while others write before, inside and behind them, and say when they are gone', () => {
  const { doc, fragment } = made('First paragraph here.\n\nCheck the ramp and lower it.\n\nLast paragraph.')
  const at = (p: { text: string }) => ({ start: p.text.indexOf('Check'), end: p.text.indexOf('lower it.') + 9 })
  const before = projectShared(fragment)
  const anchor = anchorOf(before, at(before))
  if (!anchor) throw new Error('no anchor')
  const paragraph = (i: number) => (fragment.get(i) as Y.XmlElement).get(0) as Y.XmlText
  paragraph(0).insert(0, 'Something new. ')
  paragraph(1).insert(6, 'all of ')
  const after = projectShared(fragment)
  const span = spanOf(doc, after, anchor)
  expect(span && after.text.slice(span.start, span.end)).toBe('Check all of the ramp and lower it.')
  fragment.delete(1, 1)
  expect(spanOf(doc, projectShared(fragment), anchor)).toBeNull()
})

test('controls, lone surrogates and odd line ends are cleaned on the way in', () => {
  const { fragment } = made('Check\u0000 the\ud800 ramp\r\nSecond line\u2028Third line')
  expect(projectShared(fragment).text).not.toMatch(/[\u0000\r\u2028]|\p{Surrogate}/u)
})

test('whatever is pasted: the words stand in the manuscript, in their order, and no list is deeper than the editor can walk', () => {
  const words = (t: string) => t.match(/\p{L}+/gu)?.join('') ?? ''
  const depthOf = (nodes: readonly NodeJson[]): number =>
    nodes.reduce((most, n) => Math.max(most, 1 + depthOf(n.content ?? [])), 0)
  const deep = Array.from({ length: 300 }, (_, i) => `${' '.repeat(i)}- level ${i}`).join('\n')
  for (const text of [deep, ...Array.from({ length: 80 }, (_, seed) => uglyText(seed, 2000))]) {
    const nodes = nodesFromText(text)
    expect(depthOf(nodes)).toBeLessThan(90)
    const shown = projectShared(made(text).fragment).text
    const inBlocks = blocksOf(cleanText(text)).map((b) => cleanText(text).slice(b.span.start, b.span.end))
    expect(words(shown)).toBe(words(inBlocks.join('\n')))
  }
})

test('whatever is changed, a document becomes as it was, and blocks that stayed keep their anchors', () => {
  const names = { manuscript: 'manuscript', figures: 'figures', maps: ['head'] }
  for (let seed = 1; seed <= 60; seed++) {
    const { doc, fragment } = made(`First words stay.\n\n${uglyText(seed, 800)}\n\n${UNEVEN}`)
    const head = doc.getMap('head')
    head.set('title', 'Then')
    const then = new Y.Doc()
    Y.applyUpdate(then, Y.encodeStateAsUpdate(doc))
    const p = projectShared(fragment)
    const anchor = anchorOf(p, { start: 0, end: 'First words'.length })
    fragment.insert(fragment.length, sharedNodes(nodesFromText(uglyText(seed + 100, 400))))
    fragment.delete(1 + (seed % 2), Math.min(seed % 4, fragment.length - 3))
    if (seed % 3 === 0) fragment.insert(1, sharedNodes(nodesFromText('Between\n\nthe others')))
    head.set('title', 'Now')
    head.set('other', { a: 1 })
    doc.transact(() => becomeAs(doc, then, names))
    expect(fragment.toString()).toBe(then.getXmlFragment('manuscript').toString())
    expect(head.toJSON()).toEqual({ title: 'Then' })
    const now = projectShared(fragment)
    const span = anchor && spanOf(doc, now, anchor)
    expect([seed, span && now.text.slice(span.start, span.end)]).toEqual([seed, 'First words'])
  }
})
