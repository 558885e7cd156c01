import { nodesInOrder, type Figure } from '../figure'
import { outlineText, steps } from '../testing/steps'
import { apply, driftOf, insertAfter, rename, takeAll, upToDate, type Drifted, type Edit } from '.'

const ids = () => {
  let made = 0
  return () => ({ node: `n${made}`, link: `k${made++}` })
}
/** A process as it was read from a list of its steps. */
function read(...words: readonly string[]): Figure {
  const f = steps(...words)
  const text = words.join('\n')
  const nodes = Object.fromEntries(
    nodesInOrder(f).map((n) => {
      const start = text.indexOf(n.text)
      return [n.id, { ...n, source: [{ start, end: start + n.text.length }] }]
    }),
  )
  const was = Object.fromEntries(Object.values(nodes).map((n) => [n.id, n.text]))
  const links = Object.fromEntries(Object.values(f.links).map((l) => [l.id, [l.from, l.to, ''] as const]))
  return { ...f, nodes, passage: { start: 0, end: text.length }, wasRead: { text, nodes: was, links } }
}
const after = (f: Figure, ...edits: Edit[]): Figure => edits.reduce((now, e) => apply(now, e).figure, f)
const told = (list: readonly Drifted[]) => list.map((d) => [d.is, d.was, d.now, d.own])

const before = read('Check the moorings', 'Lower the ramp', 'Load the cars', 'Close the bow door')
const now = read('Check the moorings', 'Sound the horn', 'Lower the stern ramp', 'Load the cars')

test('what the text added, changed and dropped is told, with what people have made of it meanwhile', () => {
  expect(told(driftOf(before, now, ids()))).toEqual([
    ['added', null, 'Sound the horn', null],
    ['changed', 'Lower the ramp', 'Lower the stern ramp', null],
    ['gone', 'Close the bow door', null, null],
  ])
  const own = after(before, rename('b', 'Lower ramp 2'), rename('d', 'Shut the bow door'))
  expect(told(driftOf(own, now, ids())).slice(1)).toEqual([
    ['changed', 'Lower the ramp', 'Lower the stern ramp', 'Lower ramp 2'],
    ['gone', 'Close the bow door', null, 'Shut the bow door'],
  ])
  expect(driftOf(before, before, ids())).toEqual([])
})

test('each is taken or left by itself; what was left is not told again, and what people added stays', () => {
  const own = after(before, insertAfter(before, 'c', { node: 'own', link: 'l' }, 'Count them'))
  const make = ids()
  const [added, changed, gone] = driftOf(own, now, make) as [Drifted, Drifted, Drifted]
  const one = after(own, added.take)
  expect(outlineText(one).slice(0, 3)).toEqual(['Check the moorings', 'Sound the horn', 'Lower the ramp'])
  const two = after(one, (driftOf(one, now, make)[0] as Drifted).leave)
  expect(told(driftOf(two, now, make))).toEqual([['gone', 'Close the bow door', null, null]])
  expect(outlineText(after(own, changed.take))[1]).toBe('Lower the stern ramp')
  expect(outlineText(after(own, gone.take))).toEqual([
    'Check the moorings',
    'Lower the ramp',
    'Load the cars',
    'Count them',
  ])
})

test('taken all at once, the figure says what the text says and counts as read from it; undo leads back', () => {
  const own = after(before, insertAfter(before, 'c', { node: 'own', link: 'l' }, 'Count them'))
  const { figure, inverse } = apply(own, takeAll(own, now, ids()))
  expect(outlineText(figure)).toEqual([
    'Check the moorings',
    'Sound the horn',
    'Lower the stern ramp',
    'Load the cars',
    'Count them',
  ])
  expect(driftOf(figure, now, ids())).toEqual([])
  expect(figure.wasRead.text).toBe(now.wasRead.text)
  for (const n of Object.values(figure.nodes))
    for (const s of n.source) expect(figure.wasRead.text.slice(s.start, s.end)).toBe(n.text)
  expect(apply(figure, inverse).figure).toEqual(own)
  expect(driftOf(after(own, upToDate(own, now)), now, ids())).toEqual([])
})
