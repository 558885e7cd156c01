import { apply, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { wordsOf, type StepColumn } from '@/core/flow'
import { sketch } from '@/core/testing/sketch'
import { asThickAsGone, reckoned, summaryOf, withWords, type Reckoned } from './flowNumbers'

const written = (f: Figure, id: string, column: StepColumn, words: string): Figure => {
  const node = f.nodes[id]
  const edit: Edit | null = node ? withWords(f, node, column, words, () => 'new') : null
  return edit ? apply(f, edit).figure : f
}

test('what is typed beside a step is kept in its own field or in a column, and reckoned with at once', () => {
  const bare = sketch(
    'process; a step Moor; q question Wet?; b step Spread sand; d step Load; a>q; q>b yes 20%; q>d no 80%; b>d',
  )
  expect(reckoned(bare)).toBe('nothing')
  const timed = written(written(bare, 'a', 'takes', '10 min'), 'b', 'takes', '1 h')
  const whole = written(written(timed, 'd', 'waits', '5 min'), 'b', 'costs', '£40')
  expect([whole.nodes.a?.duration, whole.nodes.d?.fields, whole.nodes.b?.fields]).toEqual([
    '10 min',
    { Waiting: '5 min' },
    { Cost: '£40' },
  ])
  expect(summaryOf(reckoned(whole) as Reckoned)).toEqual({ time: 27, work: 22, waiting: 5, cost: 8, handOvers: 0 })
  // A column that is there already is written to, whatever it is called.
  const named = { ...bare, nodes: { ...bare.nodes, a: { ...bare.nodes.a, fields: { 'Queue (h)': '2' } } } } as Figure
  const more = written(named, 'd', 'waits', '1')
  expect(wordsOf(more.nodes.d as NonNullable<typeof more.nodes.d>, 'waits')).toBe('1')
  expect(summaryOf(reckoned(more) as Reckoned).waiting).toBe(180)
  // Nothing typed, nothing changed; emptied, forgotten.
  expect(withWords(whole, whole.nodes.a as NonNullable<typeof whole.nodes.a>, 'takes', '10 min', () => 'n')).toBeNull()
  expect(written(whole, 'a', 'takes', '').nodes.a?.duration).toBeUndefined()
})

test('links are as thick as they are gone, and asked again as they were', () => {
  const flow = sketch(
    'process; a step Moor ~ 5 min; q question Wet?; b step Sand ~ 1 min; d step Load ~ 1 min; a>q; q>b yes 25%; q>d no 75%; b>d',
  )
  const thick = apply(flow, asThickAsGone(flow, reckoned(flow) as Reckoned)).figure
  expect(Object.values(thick.links).map((l) => l.look?.thickness)).toEqual([4, 1.6, 3.2, 1.6])
  const again = apply(thick, asThickAsGone(thick, reckoned(thick) as Reckoned)).figure
  expect(Object.values(again.links).map((l) => l.look)).toEqual([undefined, undefined, undefined, undefined])
})
