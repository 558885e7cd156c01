import * as Y from 'yjs'
import { Journal } from './journal'

function storage(room = Infinity) {
  const kept = new Map<string, string>()
  return {
    get length() {
      return kept.size
    },
    key: (i: number) => [...kept.keys()][i] ?? null,
    getItem: (k: string) => kept.get(k) ?? null,
    removeItem: (k: string) => void kept.delete(k),
    setItem: (k: string, v: string) => {
      if (v.length > room) throw new Error('QuotaExceededError')
      kept.set(k, v)
    },
  }
}
const words = (updates: readonly Uint8Array[]) => {
  const doc = new Y.Doc()
  updates.forEach((u) => Y.applyUpdate(doc, u))
  return doc.getText('t').toString()
}
const typing = (journal: Journal) => {
  const doc = new Y.Doc()
  doc.on('update', (u: Uint8Array) => journal.add(u))
  return doc.getText('t')
}

test('what was typed is there for the next window, of its folio alone, until all is on the server', () => {
  const store = storage()
  const text = typing(new Journal(store, 'f', 'one'))
  for (const c of 'Check the ramp') text.insert(text.length, c)
  typing(new Journal(store, 'g', 'one')).insert(0, 'another folio')
  new Journal(store, 'f', 'beside').clear()
  const next = new Journal(store, 'f', 'two')
  expect(words(next.kept())).toBe('Check the ramp')
  next.clear()
  expect(new Journal(store, 'f', 'three').kept()).toEqual([])
  expect(words(new Journal(store, 'g', 'two').kept())).toBe('another folio')
})

test('a full storage, a large change and strange entries cost nothing but the journal', () => {
  const full = new Journal(storage(40), 'f', 'one')
  typing(full).insert(0, 'x'.repeat(100))
  expect(full.kept()).toEqual([])
  const large = new Journal(storage(), 'f', 'one')
  const text = typing(large)
  text.insert(0, 'x'.repeat(300_000))
  text.insert(0, 'after it')
  expect(large.kept()).toHaveLength(1)
  const store = storage()
  store.setItem('journal f zero', '%%% no base64')
  expect(new Journal(store, 'f', 'one').kept()).toEqual([])
})
