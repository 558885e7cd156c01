import { recentFirst } from './recent'

test('what was taken last comes first, the rest as it was; what is not offered now is passed over', () => {
  const commands = ['Undo', 'Redo', 'Tidy', 'Deliver'].map((name) => ({ name, run: () => undefined }))
  expect(recentFirst(commands, ['Tidy', 'Gone', 'Undo']).map((c) => c.name)).toEqual([
    'Tidy',
    'Undo',
    'Redo',
    'Deliver',
  ])
})
