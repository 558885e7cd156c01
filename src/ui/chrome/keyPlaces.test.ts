import { commandFor, type Command, type KeyPlace } from './keyPlaces'

const run = () => undefined
const commands: Command[] = [
  { name: 'remove', keys: 'Delete', run },
  { name: 'undo', keys: 'Mod+Z', run },
  { name: 'read', keys: 'Mod+Enter', at: ['page', 'manuscript'], run },
  { name: 'find', keys: 'Mod+K', at: ['page', 'manuscript', 'field'], run },
  { name: 'unnamed', run },
]
const press = (keys: string, place: KeyPlace, more = {}) => {
  const parts = keys.split('+')
  const held = (name: string) => parts.includes(name)
  const key = {
    key: parts.at(-1) ?? '',
    ctrlKey: held('Ctrl'),
    metaKey: held('Meta'),
    shiftKey: held('Shift'),
    altKey: held('Alt'),
    isComposing: false,
    ...more,
  }
  return commandFor(commands, key, place)?.name ?? null
}

test('keys typed into a field or the manuscript are taken only by rows that name the place', () => {
  expect(press('Delete', 'page')).toBe('remove')
  expect(press('Ctrl+z', 'page')).toBe('undo')
  for (const place of ['field', 'manuscript'] as const) {
    expect(press('Delete', place)).toBeNull()
    expect(press('Ctrl+z', place)).toBeNull()
    expect(press('Ctrl+k', place)).toBe('find')
  }
  expect(press('Ctrl+Enter', 'manuscript')).toBe('read')
  expect(press('Meta+Enter', 'manuscript')).toBe('read')
  expect(press('Ctrl+Enter', 'field')).toBeNull()
})

test('keys with other modifiers, and keys that compose a letter, are left alone', () => {
  expect(press('Ctrl+Shift+z', 'page')).toBeNull()
  expect(press('Alt+Delete', 'page')).toBeNull()
  expect(press('Delete', 'page', { isComposing: true })).toBeNull()
})
