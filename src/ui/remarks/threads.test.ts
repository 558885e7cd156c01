import { seededOfKind } from '@/core/testing/seededFigure'
import { aboutOf, mentionedIn, openAt, shown, type Place, type Thread } from './threads'
import { english } from '@/core/words'

const figure = { ...seededOfKind('process', 4), id: 'f', title: 'Boarding' }
const [node = ''] = Object.keys(figure.nodes)
const thread = (id: string, place: Place, more: Partial<Thread> = {}): Thread => ({
  ...{ id, place, proposal: null, state: 'open', settledBy: null },
  remarks: [{ id, by: 'Ben', mine: false, words: 'Is that so?', madeAt: '2026-11-29T10:00:00Z', changed: false }],
  ...more,
})

test('threads stand in the order of the text, the whole folio first, what lost its place last; settled ones only when asked for', () => {
  const threads = [
    thread('lost', { at: 'figure', figure: 'gone' }),
    thread('late', { at: 'words', anchor: { start: 1, end: 2 }, quote: 'ramp' }),
    thread('early', { at: 'part', figure: 'f', part: node, quote: '' }),
    thread('all', { at: 'folio' }),
    thread('done', { at: 'folio' }, { state: 'resolved' }),
  ]
  const offsets: Record<string, number> = { late: 90, early: 10 }
  const ids = (filter: Parameters<typeof shown>[1]) =>
    shown(threads, filter, 'Ada', (t) => offsets[t.id] ?? null).map((t) => t.id)
  expect(ids('open')).toEqual(['all', 'early', 'late', 'lost'])
  expect(ids('all')).toContain('done')
  expect(ids('mine')).toEqual([])
  expect(ids('proposals')).toEqual([])
})

test('a thread says what it is about, also when that is gone', () => {
  const about = (part: string) => {
    const { says, missing } = aboutOf({ at: 'part', figure: 'f', part, quote: 'old words' }, [figure])
    return [english(says), missing]
  }
  expect(about(node)).toEqual([`Boarding: “${figure.nodes[node]?.text}”`, false])
  expect(about('none')).toEqual(['Boarding: “old words”, which was removed', true])
  expect(aboutOf({ at: 'figure', figure: 'gone' }, [figure]).missing).toBe(true)
  expect(
    english(aboutOf({ at: 'words', anchor: { start: 1, end: 2 }, quote: 'w'.repeat(200) }, []).says).length,
  ).toBeLessThan(75)
})

test('who is mentioned, and how many open threads each part has', () => {
  const people = [
    { id: '1', name: 'Ada' },
    { id: '2', name: 'Ben Reed' },
  ]
  expect(mentionedIn('@Ben Reed and @Cid, please look', people)).toEqual(['2'])
  const threads = [
    thread('a', { at: 'part', figure: 'f', part: node, quote: '' }),
    thread('b', { at: 'part', figure: 'f', part: node, quote: '' }),
    thread('c', { at: 'part', figure: 'f', part: node, quote: '' }, { state: 'taken' }),
    thread('d', { at: 'figure', figure: 'f' }),
    thread('e', { at: 'figure', figure: 'g' }),
  ]
  expect([...openAt(threads, 'f')]).toEqual([
    [node, 2],
    ['', 1],
  ])
})
