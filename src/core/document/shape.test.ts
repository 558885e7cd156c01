import { outlineText, steps } from '../testing/steps'
import {
  addBranch,
  apply,
  connect,
  indent,
  insertAfter,
  insertOn,
  insertQuestionAfter,
  moveAfter,
  moveBy,
  outdent,
  reattach,
  remove,
  type Edit,
} from '.'
import type { Figure } from '../figure'

const ids = { node: 'new', link: 'l1' }
const questionIds = { node: 'q', yes: 'q-yes', no: 'q-no', step: 's', back: 's-back' }
const after = (figure: Figure, ...edits: (Edit | null)[]): Figure =>
  edits.reduce((f, e) => {
    if (!e) throw new Error('the edit was refused')
    return apply(f, e).figure
  }, figure)

const deck = steps('Check', 'Lower', 'Load', 'Close')
const asked = after(deck, insertQuestionAfter(deck, 'b', questionIds, { question: 'Wet?', step: 'Spread sand' }))

test('a step goes after another, or onto a link that keeps its words', () => {
  expect(outlineText(after(deck, insertAfter(deck, 'b', ids, 'Lock')))).toEqual([
    'Check',
    'Lower',
    'Lock',
    'Load',
    'Close',
  ])
  expect(outlineText(after(deck, insertAfter(deck, 'd', ids, 'Report')))).toEqual([
    'Check',
    'Lower',
    'Load',
    'Close',
    'Report',
  ])
  const onNo = after(asked, insertOn(asked, 'q-no', ids, 'Fetch sand'))
  expect(outlineText(onNo)).toEqual(
    ['Check', 'Lower', 'Wet?', '  yes:', '  no:', '    Fetch sand', '    Spread sand', 'Load', 'Close'].map(unindent),
  )
})

/** Branches stand one level in, their steps two: one space a level. */
const unindent = (line: string): string => line.replace(/^ +/, (s) => ' '.repeat(s.length / 2))

test('a question comes with a yes that goes on and a no that returns to the flow', () => {
  expect(outlineText(asked)).toEqual(['Check', 'Lower', 'Wet?', ' yes:', ' no:', '  Spread sand', 'Load', 'Close'])
  expect(asked.links['q-yes']).toMatchObject({ from: 'b', to: 'q' })
  const three = after(asked, addBranch(asked, 'q', ids, { answer: 'flooded', step: 'Stop' }))
  expect(outlineText(three)).toContain(' flooded:')
})

test('removing closes the gap: a step to its follower, a question to its first answer', () => {
  expect(outlineText(after(deck, remove(deck, 'b')))).toEqual(['Check', 'Load', 'Close'])
  const without = after(asked, remove(asked, 'q'))
  expect(
    Object.values(without.links)
      .filter((l) => l.from === 'b')
      .map((l) => l.to),
  ).toEqual(['c'])
  expect(outlineText(after(deck, remove(deck, 'a')))).toEqual(['Lower', 'Load', 'Close'])
})

test('moving keeps everything in one line', () => {
  expect(outlineText(after(deck, moveBy(deck, 'c', -1)))).toEqual(['Check', 'Load', 'Lower', 'Close'])
  expect(outlineText(after(deck, moveAfter(deck, 'a', 'c', 'm')))).toEqual(['Lower', 'Load', 'Check', 'Close'])
  expect(moveBy(deck, 'a', -1)).toBeNull()
  expect(moveBy(deck, 'd', 1)).toBeNull()
})

test('indenting takes a step into the branch above, outdenting brings it back to where the branches meet', () => {
  const inside = after(asked, indent(asked, 'c', 'i'))
  expect(outlineText(inside)).toEqual(['Check', 'Lower', 'Wet?', ' yes:', ' no:', '  Spread sand', '  Load', 'Close'])
  const outside = after(inside, outdent(inside, 'c', { node: 'x', link: 'o' }))
  expect(outlineText(outside)).toEqual(['Check', 'Lower', 'Wet?', ' yes:', ' no:', '  Spread sand', 'Load', 'Close'])
  expect(indent(deck, 'b', 'i')).toBeNull()
  expect(outdent(deck, 'b', ids)).toBeNull()
})

test('a link is attached elsewhere, a return is shown as one, and a link never keeps an end that is gone', () => {
  expect(outlineText(after(deck, reattach('b-c', 'to', 'd')))).toEqual(['Check', 'Lower', 'Close', 'Load', '→ Close'])
  expect(outlineText(after(deck, connect(deck, 'd', 'a', 'r')))).toEqual(['Check', 'Lower', 'Load', 'Close', '→ Check'])
  expect(after(deck, reattach('b-c', 'to', 'nobody'))).toEqual(deck)
})

test('points: indenting makes a point the detail of the one above, outdenting a point of a detail', () => {
  const points: Figure = {
    ...deck,
    kind: 'points',
    links: {},
    nodes: Object.fromEntries(Object.values(deck.nodes).map((n) => [n.id, { ...n, role: 'point' as const }])),
  }
  const under = after(points, indent(points, 'b', 'i'))
  expect(under.nodes.a).toMatchObject({ text: 'Check', detail: 'Lower' })
  expect(outlineText(after(under, outdent(under, 'a', ids)))).toEqual(['Check', 'Lower', 'Load', 'Close'])
})

/** Three arms between the first step and the last, the middle one of two steps. */
const beside: Figure = {
  ...steps('Read', 'Lower', 'Open', 'Count', 'Start', 'Load'),
  links: Object.fromEntries(
    (
      [
        ['a', 'b', 'beside'],
        ['a', 'c', 'beside'],
        ['a', 'e', 'beside'],
        ['c', 'd', 'next'],
        ['b', 'f', 'beside'],
        ['d', 'f', 'beside'],
        ['e', 'f', 'beside'],
      ] as const
    ).map(([from, to, role]) => [`${from}-${to}`, { id: `${from}-${to}`, role, from, to, order: 1, source: [] }]),
  ),
}
const arms = (f: Figure) => [
  Object.values(f.links).filter((l) => l.from === 'a' && l.role === 'beside').length,
  Object.values(f.links).filter((l) => l.to === 'f' && l.role === 'beside').length,
]

test('parallel branches still branch and meet where they did when a step is put into one, or taken out', () => {
  for (const link of Object.keys(beside.links))
    expect([link, arms(after(beside, insertOn(beside, link, ids, 'Lock')))]).toEqual([link, [3, 3]])
  for (const step of ['c', 'd']) expect([step, arms(after(beside, remove(beside, step)))]).toEqual([step, [3, 3]])
  expect(arms(after(beside, remove(beside, 'b')))).toEqual([3, 3])
})

test('the answers of a new question are in the language of the figure', () => {
  const german = { ...steps('Leinen prüfen', 'Rampe senken'), language: 'de-CH' }
  const made = { node: 'q', yes: 'y', no: 'n', step: 's', back: 'b' }
  const { figure } = apply(
    german,
    insertQuestionAfter(german, 'a', made, { question: 'Ist es nass?', step: 'Sand streuen' }),
  )
  const answers = Object.values(figure.links).flatMap((l) => l.text ?? [])
  expect(answers.toSorted()).toEqual(['ja', 'nein'])
})
