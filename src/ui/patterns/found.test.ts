import { fitting, type Pattern } from './found'

const pattern = (id: string, more: Partial<Pattern> = {}): Pattern => ({
  ...{ id, name: id, task: 'procedure', hint: '', kind: 'process', words: '', figures: [], of: 'shipped' },
  ...more,
})

test('patterns are found by all of the words, by task and by kind', () => {
  const all = [
    pattern('Handover', { hint: 'What the one who goes tells', words: 'Read the log' }),
    pattern('Supplier', { task: 'decide', kind: 'decision' }),
    pattern('Own', { of: 'mine', kind: null }),
  ]
  const ids = (words: string, task = '', kind = '') => fitting(all, { words, task, kind }).map((p) => p.id)
  expect(ids('')).toEqual(['Handover', 'Supplier', 'Own'])
  expect(ids('LOG tells')).toEqual(['Handover'])
  expect(ids('log supplier')).toEqual([])
  expect(ids('', 'decide')).toEqual(['Supplier'])
  expect(ids('', '', 'process')).toEqual(['Handover'])
})
