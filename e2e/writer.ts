/** One process of the interleaving test: writes, reads and projects one folio by a seeded schedule, and looks after each
 *  reading whether something that had been acknowledged is missing. Arguments: folio, seed, number of steps. Prints each
 *  word once it has been acknowledged; a difference ends it with 1. */
import assert from 'node:assert/strict'
import * as Y from 'yjs'
import { random as seededRandom } from '../src/core/testing/seededFigure'
import { appendUpdate } from '../src/server/appendUpdate'
import { pool } from '../src/server/database'
import { freshProjection, loadDocument } from '../src/server/folioDocument'
import { SHARED } from '../src/server/soundUpdate'

const [folio = '', seed = '1', steps = '50'] = process.argv.slice(2)
const random = seededRandom(Number(seed))
const doc = new Y.Doc()
const words = (d: Y.Doc) => d.getArray<string>('words')
const acknowledged: string[] = []
const under = new Set<Promise<void>>()

async function write(word: string): Promise<void> {
  const before = Y.encodeStateVector(doc)
  doc.transact(() => {
    words(doc).push([word])
    doc.getMap(SHARED.head).set('title', word)
  })
  const appended = await appendUpdate(folio, Y.encodeStateAsUpdate(doc, before))
  assert.ok('sequence' in appended, JSON.stringify(appended))
  acknowledged.push(word)
  process.stdout.write(`${word}\n`)
}

async function read(): Promise<void> {
  const expected = [...acknowledged]
  const { doc: seen } = await loadDocument(folio)
  assert.equal(seen.store.pendingStructs, null, `seed ${seed}: what was read has gaps`)
  const there = new Set(words(seen).toArray())
  const missing = expected.filter((w) => !there.has(w))
  assert.deepEqual(missing, [], `seed ${seed}: acknowledged and not there`)
}

for (let i = 0; i < Number(steps); i++) {
  const choice = random()
  const work =
    choice < 0.7 ? write(`${seed}.${i}`) : choice < 0.9 ? read() : freshProjection(folio).then(() => undefined)
  under.add(work)
  void work.finally(() => under.delete(work))
  if (random() < 0.5) await work
  else if (random() < 0.3) await new Promise((r) => setTimeout(r, random() * 8))
}
await Promise.all(under)
await read()
await pool().end()
