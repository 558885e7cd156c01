import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import type { ChildProcess } from 'node:child_process'
import * as Y from 'yjs'
import { loadDocument } from '../src/server/folioDocument'
import { pool } from '../src/server/database'
import { client, eventually, newFolio, sleep, startServer } from './support'

const [A, B, C] = [4121, 4122, 4123]
const at = (port: number) => `http://localhost:${port}`
let servers: ChildProcess[] = []

before(async () => {
  servers = await Promise.all([startServer(A), startServer(B)])
})
after(async () => {
  for (const s of servers) s.kill('SIGKILL')
  await pool().end()
})

const edits = (doc: Y.Doc) => doc.getArray<string>('edits')
const state = (doc: Y.Doc) =>
  JSON.stringify([edits(doc).toArray().toSorted(), Object.entries(doc.getMap('fields').toJSON()).toSorted()])

test('two server processes on one database show each other’s edits', async (t) => {
  const folio = await newFolio(at(A), 'Two processes')
  const [a, b] = [client(t, at(A), folio), client(t, at(B), folio)]
  await eventually('both connected', 5000, () => a.states.includes('saved') && b.states.includes('saved'))
  for (let i = 0; i < 20; i++) {
    edits(a.doc).push([`a${i}`])
    edits(b.doc).push([`b${i}`])
    await sleep(10)
  }
  await eventually('the same on both', 5000, () => edits(a.doc).length === 40 && state(a.doc) === state(b.doc))
})

test('200 edits from two clients, the server killed three times: all agree, no acknowledged edit is missing', async (t) => {
  let server = await startServer(C)
  t.after(() => server.kill('SIGKILL'))
  const folio = await newFolio(at(C), 'Killed while typing')
  const [a, b] = [client(t, at(C), folio), client(t, at(C), folio)]
  await eventually('both connected', 5000, () => a.states.includes('saved') && b.states.includes('saved'))
  const acknowledged: string[] = []
  for (let i = 0; i < 200; i++) {
    const who = i % 2 ? a : b
    edits(who.doc).push([`edit ${i}`])
    who.doc.getMap('fields').set(`f${i % 7}`, i)
    if (i % 25 === 0 && (await who.connection.settled(3000))) acknowledged.push(`edit ${i}`)
    if (i === 50 || i === 100 || i === 150) {
      server.kill('SIGKILL')
      await new Promise((resolve) => server.once('exit', resolve))
      if (i === 100) await sleep(1500)
      server = await startServer(C)
    }
    await sleep(4)
  }
  assert.ok(await a.connection.settled(15_000), 'client a settled')
  assert.ok(await b.connection.settled(15_000), 'client b settled')
  await eventually('both clients agree', 10_000, () => edits(a.doc).length === 200 && state(a.doc) === state(b.doc))
  const { doc } = await loadDocument(folio)
  assert.equal(state(doc), state(a.doc), 'the database agrees')
  assert.ok(acknowledged.length >= 5, 'some edits were acknowledged on the way')
  for (const e of acknowledged) assert.ok(edits(doc).toArray().includes(e), `${e} was acknowledged and is there`)
  assert.ok(a.states.includes('offline'), 'the client said that it was offline')
})

test('updates are compacted without losing a reader who was away', async (t) => {
  const folio = await newFolio(at(A), 'Many small changes')
  const writer = client(t, at(A), folio)
  await eventually('connected', 5000, () => writer.states.includes('saved'))
  const before = writer.connection.sequence
  for (let i = 0; i < 230; i++) {
    const update = new Y.Doc()
    update.getArray<string>('edits').push([`e${i}`])
    const response = await fetch(`${at(i % 2 ? A : B)}/api/folios/${folio}/updates`, {
      method: 'POST',
      body: Y.encodeStateAsUpdate(update) as BodyInit,
    })
    assert.equal(response.status, 200)
  }
  await eventually('the writer sees all', 5000, () => edits(writer.doc).length === 230)
  const late = await fetch(`${at(B)}/api/folios/${folio}/events?since=${before}`)
  const reader = late.body?.getReader()
  const first =
    new TextDecoder().decode((await reader?.read())?.value) + new TextDecoder().decode((await reader?.read())?.value)
  assert.match(first, /id: 200\n/, 'begins with the snapshot')
  await reader?.cancel()
  assert.equal(edits((await loadDocument(folio)).doc).length, 230)
})

test('a change of 4.2 MB and a word after it are both saved; a folio deleted and taken back goes on by itself', async (t) => {
  const folio = await newFolio(at(A), 'Large')
  const writer = client(t, at(A), folio)
  await eventually('connected', 5000, () => writer.states.includes('saved'))
  edits(writer.doc).push(['x'.repeat(4_200_000)])
  edits(writer.doc).push(['one word'])
  assert.ok(await writer.connection.settled(15_000))
  assert.equal(writer.states.at(-1), 'saved')
  assert.equal(edits((await loadDocument(folio)).doc).get(1), 'one word')

  const change = (method: string, body?: string) => fetch(`${at(A)}/api/folios/${folio}`, { method, body })
  await change('DELETE')
  edits(writer.doc).push(['written while it was deleted'])
  await eventually('refused', 5000, () => writer.states.at(-1) === 'refused')
  assert.equal((await change('PATCH', JSON.stringify({ deleted: false }))).status, 204)
  edits(writer.doc).push(['and after'])
  assert.ok(await writer.connection.settled(15_000))
  assert.deepEqual(
    edits((await loadDocument(folio)).doc)
      .toArray()
      .slice(2),
    ['written while it was deleted', 'and after'],
  )
})

test('what is not for this server is refused with a sentence that says what to do', async () => {
  const base = at(A)
  const folio = await newFolio(base, 'Borders')
  const post = (path: string, body: BodyInit, headers: Record<string, string> = {}) =>
    fetch(base + path, { method: 'POST', body, headers })
  const cases: [Promise<Response>, number, RegExp][] = [
    [post('/api/folios', 'not json'), 400, /could not be read/],
    [post('/api/folios', JSON.stringify({ text: '   ' })), 422, /no text yet/],
    [post('/api/folios', JSON.stringify({ text: 'x'.repeat(5_000_000) })), 413, /5,000,000 characters; a folio holds/],
    [post('/api/folios', JSON.stringify({ text: 'x' }), { origin: 'http://elsewhere.example' }), 403, /another site/],
    [post(`/api/folios/${folio}/updates`, new Uint8Array([1, 2, 3, 255])), 400, /nothing was changed/],
    [post('/api/folios/none/updates', new Uint8Array([0, 0])), 404, /not here/],
    [fetch(`${base}/api/folios/${folio}/figures/none/file`), 404, /figure is not here/],
    [fetch(`${base}/api/folios/${folio}/figures/none/file?scale=99`), 400, /could not be read/],
  ]
  for (const [answer, status, sentence] of cases) {
    const response = await answer
    const body = (await response.json()) as { title: string }
    assert.equal(response.status, status, body.title)
    assert.match(body.title, sentence)
    assert.match(response.headers.get('content-type') ?? '', /problem\+json/)
  }
  const page = await fetch(`${base}/`)
  assert.match(page.headers.get('content-security-policy') ?? '', /script-src 'self' 'nonce-[^']+' 'strict-dynamic'/)
  assert.equal(page.headers.get('x-content-type-options'), 'nosniff')
})
