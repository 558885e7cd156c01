/** What lies on disk, with a real database: processes that write, read and compact at once, or die in the middle of it. */
import assert from 'node:assert/strict'
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { after, test } from 'node:test'
import { sql } from 'kysely'
import * as Y from 'yjs'
import { newSharedFigure } from '../src/core/document'
import { seededOfKind } from '../src/core/testing/seededFigure'
import { appendUpdate, changeDocument } from '../src/server/appendUpdate'
import { DEMO_PERSON } from '../src/server/people/signedIn'
import { database, pool } from '../src/server/database'
import { freshProjection, loadDocument, projectionOf } from '../src/server/folioDocument'
import { folioEvents } from '../src/server/folioEvents'
import { firstShelf, makeFolio, renameFolio } from '../src/server/folios'
import { foliosIn } from '../src/server/shelves'
import { restoreFolio } from '../src/server/restore'
import { SHARED } from '../src/server/soundUpdate'
import { keepVersion, nameVersion, versionsOf } from '../src/server/versions'
import { eventually, sleep } from './support'
import { folioVersion, folioVersionsOf, keepFolioVersion, restoreFolioVersion } from '../src/server/folioVersions'
import { anchorOf, projectShared, spanOf, type Anchor } from '../src/manuscript'

after(() => pool().end())

/** Rounds of the interleaving test; a long sweep asks for many. */
const ROUNDS = Number(process.env.ROUNDS ?? 3)
const onShelf = async () => foliosIn(DEMO_PERSON.id, { shelf: (await firstShelf(DEMO_PERSON.id)).id }, 'changed', 1)
const make = (title: string) => makeFolio(DEMO_PERSON.id, title, 'Check the ramp.')

function writer(folio: string, seed: number, steps: number) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'e2e/writer.ts', folio, String(seed), String(steps)], {
    env: { ...process.env, COMPACT_AFTER: '7', LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let [said, complained] = ['', '']
  child.stdout.on('data', (d) => (said += String(d)))
  child.stderr.on('data', (d) => (complained += String(d)))
  const ended = once(child, 'close').then(([code, signal]) => ({
    code: code as number | null,
    signal: signal as string | null,
    acknowledged: said.split('\n').slice(0, -1),
    complained,
  }))
  return { child, ended }
}

test('processes that write, read and compact one folio at once: no reading lacks what had been acknowledged', async () => {
  for (let round = 1; round <= ROUNDS; round++) {
    const folio = await make(`Round ${round}`)
    const writers = [1, 2, 3].map((i) => writer(folio, round * 10 + i, 120))
    // One of them dies in the middle: of a compaction more often than not, since every seventh update makes one.
    const doomed = writer(folio, round * 10 + 4, 10_000)
    await sleep(1800 + ((round * 137) % 400))
    doomed.child.kill('SIGKILL')
    const done = await Promise.all([...writers, doomed].map((w) => w.ended))
    for (const d of done.slice(0, 3)) assert.equal(d.code, 0, d.complained)
    assert.equal(done[3]?.signal, 'SIGKILL', done[3]?.complained)
    const { doc } = await loadDocument(folio)
    const there = new Set(doc.getArray<string>('words').toArray())
    const acknowledged = done.flatMap((d) => d.acknowledged)
    assert.ok(acknowledged.length > 150, `${acknowledged.length} acknowledged`)
    assert.deepEqual(
      acknowledged.filter((w) => !there.has(w)),
      [],
      `round ${round}`,
    )
    assert.equal((await freshProjection(folio)).title, doc.getMap(SHARED.head).get('title'), 'the projection is of now')
  }
})

test('twenty writers of one folio across a compaction: all are answered', async () => {
  const folio = await make('Twenty at once')
  const sent = Array.from({ length: 20 }, async (_, w) => {
    const doc = new Y.Doc()
    for (let i = 0; i < 15; i++) {
      const before = Y.encodeStateVector(doc)
      doc.getArray<string>('words').push([`${w}.${i}`])
      const appended = await appendUpdate(folio, Y.encodeStateAsUpdate(doc, before))
      assert.ok('sequence' in appended)
    }
  })
  await Promise.all(sent)
  const { doc, sequence } = await loadDocument(folio)
  assert.equal(doc.getArray('words').length, 300)
  assert.equal(sequence, 301)
  const snapshots = await database()
    .selectFrom('folio_snapshot')
    .select('sequence')
    .where('folio_id', '=', folio)
    .execute()
  assert.equal(snapshots.length, 1, 'it was compacted')
})

const element = (name: string, attributes: Record<string, unknown> = {}) => {
  const e = new Y.XmlElement(name)
  for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v as string)
  return e
}
const manuscript = (doc: Y.Doc) => doc.getXmlFragment(SHARED.manuscript)
const figures = (doc: Y.Doc) => doc.getMap<unknown>(SHARED.figures)
const sharedFigure = (change: (m: Y.Map<unknown>) => void = () => undefined) => {
  const shared = newSharedFigure({ ...seededOfKind('process', 3), id: 'f' })
  change(shared)
  return shared
}
/** From the outside in: the library itself would run out of stack with a tree made beforehand. */
function nest(doc: Y.Doc, levels: number): void {
  let at: Y.XmlFragment = manuscript(doc)
  doc.transact(() => {
    for (let i = 0; i < levels; i++) {
      const inner = element(i % 2 ? 'bullet_list' : 'list_item')
      at.insert(0, [inner])
      at = inner
    }
  })
}
const text = (words: string, format: Record<string, unknown> = {}) => {
  const paragraph = element('paragraph')
  const t = new Y.XmlText()
  t.insert(0, words, format)
  paragraph.insert(0, [t])
  return paragraph
}

const poison: Record<string, (doc: Y.Doc) => void> = {
  'a figure that is a number': (d) => figures(d).set('f', 7),
  'a figure without fields': (d) => figures(d).set('f', new Y.Map()),
  'nodes that are a number': (d) =>
    figures(d).set(
      'f',
      sharedFigure((m) => m.set('nodes', 7)),
    ),
  'a node that is a text': (d) =>
    figures(d).set(
      'f',
      sharedFigure((m) => m.set('nodes', new Y.Map([['n', 'words']]))),
    ),
  'a figure under another key': (d) => figures(d).set('g', sharedFigure()),
  'an anchor that is a number': (d) =>
    figures(d).set(
      'f',
      sharedFigure((m) => m.set('anchor', 3)),
    ),
  'NUL in a node': (d) =>
    figures(d).set(
      'f',
      sharedFigure((m) => m.set('title', 'a\0b')),
    ),
  'a heading of level -1': (d) => manuscript(d).insert(0, [element('heading', { level: -1 })]),
  'a heading of level 1e9': (d) => manuscript(d).insert(0, [element('heading', { level: 1e9 })]),
  'NUL in the text': (d) => manuscript(d).insert(0, [text('a\0b')]),
  'NUL in the title': (d) => d.getMap(SHARED.head).set('title', 'a\0b'),
  'a title that is a list': (d) => d.getMap(SHARED.head).set('title', ['a']),
  'an answer that is a list': (d) => d.getMap(SHARED.head).set('answer:Is it wet?', ['yes']),
  'a head with something else': (d) => d.getMap(SHARED.head).set('other', 'a'),
  '20,000 levels': (d) => nest(d, 20_000),
  'an element nobody knows': (d) => manuscript(d).insert(0, [element('script')]),
  'a mark nobody knows': (d) => manuscript(d).insert(0, [text('words', { blink: {} })]),
  'a record among paragraphs': (d) => manuscript(d).insert(0, [new Y.Map() as never]),
}

test('an update that no folio may hold is refused, alone and among others; what was there stays', async () => {
  const folio = await make('Poison')
  const { doc } = await loadDocument(folio)
  figures(doc).set('f', sharedFigure())
  assert.ok('sequence' in (await appendUpdate(folio, Y.encodeStateAsUpdate(doc))))
  const expected = JSON.stringify(await freshProjection(folio))
  for (const [name, spoil] of Object.entries(poison)) {
    const [bad, good] = [new Y.Doc(), new Y.Doc()]
    Y.applyUpdate(bad, Y.encodeStateAsUpdate(doc))
    const before = Y.encodeStateVector(bad)
    spoil(bad)
    good.getArray('words').push([name])
    const answers = await Promise.all([
      appendUpdate(folio, Y.encodeStateAsUpdate(good)),
      appendUpdate(folio, Y.encodeStateAsUpdate(bad, before)),
      appendUpdate(folio, Y.encodeStateAsUpdate(good)),
    ])
    assert.deepEqual(
      answers.map((a) => ('code' in a ? a.code : 'taken')),
      ['taken', 'update-unsound', 'taken'],
      name,
    )
    assert.equal(JSON.stringify(await freshProjection(folio)), expected, name)
  }
  // What builds on something that is not here would lie on disk without being in the folio.
  const ahead = new Y.Doc()
  ahead.getArray('words').push(['first'])
  const since = Y.encodeStateVector(ahead)
  ahead.getArray('words').push(['second'])
  const second = Y.encodeStateAsUpdate(ahead, since)
  assert.deepEqual(await appendUpdate(folio, second), { code: 'update-gap' })
  // Where an earlier version kept one all the same, others go on, and what it builds on still finds it.
  const { sequence } = await loadDocument(folio)
  await database()
    .insertInto('folio_update')
    .values({ folio_id: folio, sequence: sequence + 1, data: Buffer.from(second) })
    .execute()
  await database()
    .updateTable('folio')
    .set({ sequence: String(sequence + 1) })
    .where('id', '=', folio)
    .execute()
  const others = new Y.Doc()
  others.getArray('words').push(['of somebody else'])
  assert.ok('sequence' in (await appendUpdate(folio, Y.encodeStateAsUpdate(others))))
  assert.ok('sequence' in (await appendUpdate(folio, Y.encodeStateAsUpdate(ahead))))
  const there = (await loadDocument(folio)).doc.getArray('words').toArray()
  for (const word of ['first', 'second', 'of somebody else']) assert.ok(there.includes(word), word)
})

test('what an earlier version let in takes nothing else with it, and comes back in its last good state', async () => {
  const spoilt = [
    { name: 'levels', spoil: poison['20,000 levels'] as (d: Y.Doc) => void },
    { name: 'bytes', spoil: null },
  ]
  const other = await make('A sound neighbour')
  for (const { name, spoil } of spoilt) {
    const folio = await make(`Damaged: ${name}`)
    const { doc } = await loadDocument(folio)
    const before = Y.encodeStateVector(doc)
    spoil?.(doc)
    const data = spoil ? Buffer.from(Y.encodeStateAsUpdate(doc, before)) : Buffer.from([1, 2, 3, 255])
    await database().insertInto('folio_update').values({ folio_id: folio, sequence: 2, data }).execute()
    await database().updateTable('folio').set({ sequence: '2' }).where('id', '=', folio).execute()
    const { folios } = await onShelf()
    assert.equal(folios.find((f) => f.id === folio)?.summary, null, `${name}: said to be damaged`)
    assert.equal(folios.find((f) => f.id === folio)?.title, `Damaged: ${name}`)
    assert.ok(folios.find((f) => f.id === other)?.summary, 'its neighbour is there')
    await assert.rejects(freshProjection(folio), /cannot be read/)
    const restored = await restoreFolio(DEMO_PERSON.id, folio)
    const projection = await freshProjection(restored)
    assert.equal(projection.title, `Damaged: ${name}`)
    assert.equal(projection.text.trim(), 'Check the ramp.')
  }
})

test('a projection that cannot be kept is shown all the same', async (t) => {
  const folio = await make('The disk is full')
  await sql`create function full_disk() returns trigger language plpgsql as $$ begin raise exception 'no space left' using errcode = '53100'; end $$`.execute(
    database(),
  )
  t.after(() => sql`drop function full_disk() cascade`.execute(database()))
  assert.ok('sequence' in (await renameFolio(folio, 'Renamed')))
  await sql`create trigger full_disk before update of projection on folio for each row execute function full_disk()`.execute(
    database(),
  )
  assert.equal((await freshProjection(folio)).title, 'Renamed')
  const { folios } = await onShelf()
  assert.ok(folios.find((f) => f.id === folio)?.summary)
})

test('a reader that leaves while its stream begins leaves nothing behind', async () => {
  const folio = await make('Gone at once')
  const feeds = () => (globalThis as { compassFeeds?: Map<string, unknown> }).compassFeeds?.size ?? 0
  const streams = () => (globalThis as { compassStreams?: Set<unknown> }).compassStreams?.size ?? 0
  const reader = { person: DEMO_PERSON.id, window: '', still: async () => true }
  for (let i = 0; i < 30; i++) {
    const leaving = new AbortController()
    if (i % 3 === 0) leaving.abort()
    const stream = folioEvents(folio, 0, reader, leaving.signal)
    if (i % 3 === 1) leaving.abort()
    if (i % 3 === 2) setTimeout(() => leaving.abort(), i / 4)
    // A stream that was cut off says so to whoever reads on.
    await new Response(stream).arrayBuffer()
  }
  await eventually('no feed and no stream is left', 3000, () => feeds() === 0 && streams() === 0)
})

const UNSAID = { name: null, why: null }

test('versions of a figure are what the server has: kept once, named, the oldest without a name let go', async () => {
  const folio = await make('Versions')
  const figure = { ...seededOfKind('hierarchy', 3), id: 'chart' }
  const change = async (title: string) => {
    const { doc } = await loadDocument(folio)
    const before = Y.encodeStateVector(doc)
    doc.getMap('figures').set('chart', newSharedFigure({ ...figure, title }))
    assert.ok('sequence' in (await appendUpdate(folio, Y.encodeStateAsUpdate(doc, before))))
  }
  assert.equal(await keepVersion(folio, 'chart', DEMO_PERSON.id, UNSAID), false, 'there is no such figure yet')
  await change('First')
  for (let i = 0; i < 3; i++) assert.equal(await keepVersion(folio, 'chart', DEMO_PERSON.id, UNSAID), true)
  assert.equal((await versionsOf(folio, 'chart')).length, 1, 'the same is kept once')
  await keepVersion(folio, 'chart', DEMO_PERSON.id, { name: 'Issue 1', why: null })
  const [first] = await versionsOf(folio, 'chart')
  assert.deepEqual([first?.name, first?.by, first?.figure.title], ['Issue 1', DEMO_PERSON.name, 'First'])
  for (let i = 0; i < 64; i++) {
    await change(`Title ${i}`)
    await keepVersion(folio, 'chart', DEMO_PERSON.id, UNSAID)
  }
  const { count } = (await database()
    .selectFrom('figure_version')
    .select((eb) => eb.fn.countAll<string>().as('count'))
    .where('folio_id', '=', folio)
    .executeTakeFirst()) ?? { count: '0' }
  assert.equal(Number(count), 61, 'sixty without a name, and the named one')
  assert.equal((await versionsOf(folio, 'chart'))[0]?.figure.title, 'Title 63')
  assert.equal(await nameVersion(folio, first?.id ?? '', 'Issue one'), true)
  assert.equal(await nameVersion('another', first?.id ?? '', 'Mine'), false, 'only within its folio')
})

test('a folio becomes as it was in one more change: words, figures and their places, and what came between is kept', async () => {
  const folio = await makeFolio(DEMO_PERSON.id, 'Restored', 'The mate checks the ramp.\n\nThe bosun counts the chocks.')
  const change = async (work: (doc: Y.Doc) => void) => assert.ok('sequence' in (await changeDocument(folio, work)))
  const anchored = (doc: Y.Doc) => {
    const p = projectShared(doc.getXmlFragment('manuscript'))
    const at = p.text.indexOf('The bosun')
    return anchorOf(p, { start: at, end: at + 'The bosun counts the chocks.'.length })
  }
  await change((doc) => {
    const shared = newSharedFigure({ ...seededOfKind('hierarchy', 3), id: 'chart', title: 'Chart' })
    shared.set('anchor', anchored(doc))
    doc.getMap('figures').set('chart', shared)
  })
  await keepFolioVersion(folio, DEMO_PERSON.id, { name: 'Issue 1', why: null })
  await keepFolioVersion(folio, DEMO_PERSON.id, UNSAID)
  const [issue] = await folioVersionsOf(folio)
  const before = await freshProjection(folio)
  await change((doc) => {
    const manuscript = doc.getXmlFragment('manuscript')
    manuscript.delete(manuscript.length - 1, 1)
    doc.getMap('figures').delete('chart')
    doc.getMap('head').set('title', 'Ruined')
  })
  assert.equal(await restoreFolioVersion('another', issue?.id ?? '', DEMO_PERSON.id, null), false)
  assert.equal(await restoreFolioVersion(folio, issue?.id ?? '', DEMO_PERSON.id, 'The bosun is wanted'), true)
  const { doc } = await loadDocument(folio)
  const after = projectionOf(doc)
  const bare = ({ title, text, figures }: typeof after) => [title, text, figures.map(({ anchor: _a, ...f }) => f)]
  assert.deepEqual(bare(after), bare(before))
  const p = projectShared(doc.getXmlFragment('manuscript'))
  const span = spanOf(doc, p, after.figures[0]?.anchor as Anchor)
  assert.equal(p.text.slice(span?.start, span?.end).trim(), 'The bosun counts the chocks.')
  const kept = await folioVersionsOf(folio)
  assert.deepEqual(
    kept.map((v) => [v.name, v.why, v.figures]),
    [
      [null, 'The bosun is wanted', 1],
      [null, null, 0],
      ['Issue 1', null, 1],
    ],
  )
  assert.equal((await folioVersion(folio, kept[1]?.id ?? ''))?.title, 'Ruined')
})
