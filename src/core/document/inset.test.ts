import { nodesInOrder, figureSchema, type Figure } from '../figure'
import { failingSeeds, random, seededOfKind } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import { apply, dissolved, holdersOf, insertAfter, intoInset } from '.'

const KINDS = ['process', 'concept', 'hierarchy', 'decision', 'venn', 'points'] as const
const words = (f: Figure) =>
  nodesInOrder(f)
    .map((n) => n.text)
    .toSorted()
const ways = (f: Figure) =>
  Object.values(f.links)
    .map((l) => `${f.nodes[l.from]?.text} ${l.text ?? ''} ${f.nodes[l.to]?.text}`)
    .toSorted()

test('made and dissolved again, a figure says what it said, and is joined as it was, in every kind', () => {
  let seen = 0
  const wrong = failingSeeds(0, 120, (seed) => {
    const f = seededOfKind(KINDS[seed % KINDS.length] ?? 'process', seed)
    const next = random(seed)
    const from = Math.floor(next() * Object.keys(f.nodes).length)
    const ids = nodesInOrder(f)
      .filter((n) => n.role !== 'set')
      .slice(from, from + 1 + Math.floor(next() * 4))
      .map((n) => n.id)
    const made = intoInset(f, ids, { figure: 'inset', node: 'holder' }, 'In short')
    if (!made) return null
    const { figure: host, inverse } = apply(f, made.edit)
    if (!figureSchema.safeParse(host).success || !figureSchema.safeParse(made.inset).success) return 'not sound'
    const back = apply(host, inverse).figure
    if (words(back).join() !== words(f).join() || ways(back).join() !== ways(f).join())
      return 'undo gives something else back'
    seen++
    if (host.nodes.holder?.inset !== 'inset' || ids.some((id) => host.nodes[id])) return 'not put in their place'
    const after = apply(
      host,
      dissolved(host, 'holder', made.inset, () => 'new'),
    ).figure
    if (words(after).join() !== words(f).join()) return `words differ: ${words(after).join()} / ${words(f).join()}`
    return ways(after).join() === ways(f).join() ? null : 'links differ'
  })
  expect(wrong).toEqual([])
  expect(seen).toBeGreaterThan(90)
})

test('a figure of the folio takes the place of its node: the flow goes through it', () => {
  let made = 0
  const host = steps('Check', 'Load', 'Close')
  const holding = apply(host, { do: 'setNode', id: 'b', set: { inset: 'other' } }).figure
  const note = { id: 'note', text: 'One at a time', about: { part: 'b' } }
  const other = { ...steps('Lower', 'Drive', 'Lash'), notes: { note } }
  const after = apply(
    holding,
    dissolved(holding, 'b', other, () => `x${made++}`),
  ).figure
  expect(ways(after)).toEqual(['Check  Lower', 'Drive  Lash', 'Lash  Close', 'Lower  Drive'])
  expect(nodesInOrder(after).map((n) => n.text)).toEqual(['Check', 'Lower', 'Drive', 'Lash', 'Close'])
  const about = after.notes?.note?.about
  expect(about && 'part' in about && after.nodes[about.part]?.text).toBe('Drive')
})

test('the figures around an inset are known, so that none is put inside itself', () => {
  const f = (id: string, inset: string | null): Figure => {
    const bare = { ...steps('One', 'Two'), id }
    return inset === null ? bare : apply(bare, { do: 'setNode', id: 'a', set: { inset } }).figure
  }
  expect(holdersOf([f('a', 'b'), f('b', 'c'), f('c', 'a'), f('d', null)], 'c').toSorted()).toEqual(['a', 'b', 'c'])
})

test('steps added to an inset before its first and behind its last are led to and from, once it is dissolved', () => {
  const host = steps('Check', 'Load', 'Lash', 'Close')
  const made = intoInset(host, ['b', 'c'], { figure: 'inset', node: 'holder' }, 'The deck')
  if (!made) throw new Error('no inset')
  const held = apply(host, made.edit).figure
  const more = [
    insertAfter(made.inset, 'c', { node: 'z', link: 'z0' }, 'Count'),
    { do: 'putNode', node: { id: 'y', role: 'step', text: 'Lower', order: 0, source: [] } },
    { do: 'putLink', link: { id: 'y0', role: 'next', from: 'y', to: 'b', order: 0, source: [] } },
  ] as const
  const inset = more.reduce((f, edit) => apply(f, edit).figure, made.inset)
  const after = apply(
    held,
    dissolved(held, 'holder', inset, () => 'new'),
  ).figure
  expect(ways(after)).toEqual(['Check  Lower', 'Count  Close', 'Lash  Count', 'Load  Lash', 'Lower  Load'])
})
