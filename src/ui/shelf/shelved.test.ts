import { addressOf, markedPieces, nested, type ShelfName } from './shelved'

const shelf = (id: string, parent: string | null = null): ShelfName => ({
  id,
  name: id,
  parent,
  team: null,
  teamId: null,
  count: 0,
  mine: true,
})

test('shelves stand with those inside below them; one whose parent is not to be seen stands by itself', () => {
  const list = nested([shelf('a'), shelf('a1', 'a'), shelf('b'), shelf('lost', 'gone'), shelf('a2', 'a')])
  expect(list.map((s) => [s.id, s.inside])).toEqual([
    ['a', false],
    ['a1', true],
    ['a2', true],
    ['b', false],
    ['lost', false],
  ])
})

test('what was found is marked, and nothing of the words is lost', () => {
  const pieces = markedPieces('the \u0001ramp\u0002 goes \u0001down\u0002')
  expect(pieces.filter((p) => p.found).map((p) => p.text)).toEqual(['ramp', 'down'])
  expect(pieces.map((p) => p.text).join('')).toBe('the ramp goes down')
  expect(markedPieces('<b>plain</b>')).toEqual([{ text: '<b>plain</b>', found: false }])
  expect([addressOf('bin'), addressOf({ shelf: 'x' })]).toEqual(['/?in=bin', '/?in=x'])
})
