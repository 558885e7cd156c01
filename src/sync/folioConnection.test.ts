import * as Y from 'yjs'
import { FolioConnection, type SyncState } from './folioConnection'

type Answer = Response | 'unreachable' | 'take'

/** A server in memory that keeps a document: `answer` decides what the nth POST gets, `ready` when the stream says that all
 *  has been told. */
function harness({
  answer = () => 'take',
  events = () => null,
  ready = Promise.resolve(),
}: {
  answer?: (nth: number, body: Uint8Array) => Answer
  /** Another answer than a stream, by the number of the attempt. */
  events?: (nth: number) => Response | null
  ready?: Promise<unknown>
}) {
  const [doc, server] = [new Y.Doc(), new Y.Doc()]
  const states: SyncState[] = []
  const counts = { posts: 0, streams: 0 }
  const encoder = new TextEncoder()
  const base64 = (bytes: Uint8Array) => Buffer.from(bytes).toString('base64')
  const stream = (signal: AbortSignal | null | undefined) =>
    new ReadableStream<Uint8Array>({
      start: async (c) => {
        signal?.addEventListener('abort', () => c.error(new Error('aborted')))
        c.enqueue(encoder.encode(`id: 1\ndata: ${base64(Y.encodeStateAsUpdate(server))}\n\n`))
        await ready
        if (!signal?.aborted)
          c.enqueue(encoder.encode(`event: ready\ndata: ${base64(Y.encodeSnapshot(Y.snapshot(server)))}\n\n`))
      },
    })
  const realFetch = globalThis.fetch
  globalThis.fetch = (async (url: string, init?: RequestInit) => {
    if (String(url).includes('/events')) return events(counts.streams++) ?? new Response(stream(init?.signal))
    const body = init?.body as Uint8Array
    const result = answer(counts.posts++, body)
    if (result === 'unreachable') throw new TypeError('fetch failed')
    if (result !== 'take') return result
    Y.applyUpdate(server, body)
    return Response.json({ sequence: 1 })
  }) as typeof fetch
  const connection = new FolioConnection({
    ...{ folio: 'f', doc, base: 'http://server', onState: (s) => states.push(s) },
    sentenceIn: (body) => String((body as { title: string }).title),
  })
  const end = () => {
    connection.stop()
    globalThis.fetch = realFetch
  }
  const words = () => server.getArray('a').toArray()
  return { doc, server, states, counts, connection, end, words }
}
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms))
const refusal = (status: number, title: string) => Response.json({ title }, { status })

test('says “saved” only when everything typed has been acknowledged, also what was typed while a batch was under way', async () => {
  const h = harness({})
  h.connection.start()
  await wait(20)
  for (let i = 0; i < 30; i++) {
    h.doc.getArray('a').push([i])
    expect(h.states.at(-1)).toEqual({ is: 'saving' })
    if (i % 5 === 0) await wait(15)
  }
  expect(await h.connection.settled(3000)).toBe(true)
  await wait(10)
  expect(h.states.at(-1)).toEqual({ is: 'saved' })
  expect(h.words()).toEqual(Array.from({ length: 30 }, (_, i) => i))
  expect(h.counts.posts).toBeLessThan(30)
  h.end()
})

test('nothing goes out before the server has told what it has; then kept words and new ones do, whole', async () => {
  let tell = () => {}
  const h = harness({ ready: new Promise<void>((r) => (tell = r)) })
  // What this browser had kept from before, as its own storage puts it back: not a local change.
  const kept = new Y.Doc()
  kept.getArray('a').push(['from the last session'])
  Y.applyUpdate(h.doc, Y.encodeStateAsUpdate(kept), 'storage')
  h.connection.start()
  h.doc.getArray('a').push(['typed early'])
  await wait(200)
  expect(h.counts.posts).toBe(0)
  expect(h.states.map((s) => s.is)).not.toContain('saved')
  tell()
  expect(await h.connection.settled(2000)).toBe(true)
  expect(h.words()).toEqual(['from the last session', 'typed early'])
  expect(h.server.store.pendingStructs).toBeNull()
  h.end()
})

test('a deletion that had not gone out goes out after a reload, and an unchanged copy sends nothing', async () => {
  const h = harness({})
  h.server.getArray('a').push(['keep', 'strike out'])
  Y.applyUpdate(h.doc, Y.encodeStateAsUpdate(h.server), 'storage')
  const same = harness({})
  Y.applyUpdate(same.server, Y.encodeStateAsUpdate(h.server))
  Y.applyUpdate(same.doc, Y.encodeStateAsUpdate(h.server), 'storage')
  same.connection.start()
  expect(await same.connection.settled(2000)).toBe(true)
  await wait(100)
  expect(same.counts.posts).toBe(0)
  same.end()
  const after = harness({})
  Y.applyUpdate(after.server, Y.encodeStateAsUpdate(h.server))
  h.doc.getArray('a').delete(1)
  Y.applyUpdate(after.doc, Y.encodeStateAsUpdate(h.doc), 'storage')
  after.connection.start()
  expect(await after.connection.settled(2000)).toBe(true)
  expect(after.words()).toEqual(['keep'])
  after.end()
  h.end()
})

test('keeps what could not be sent, says so, and sends it when the server is back', async () => {
  let down = true
  const h = harness({ answer: () => (down ? 'unreachable' : 'take') })
  h.connection.start()
  await wait(20)
  h.doc.getArray('a').push(['at sea'])
  await wait(200)
  expect(h.states.at(-1)).toEqual({ is: 'offline', why: null })
  down = false
  expect(await h.connection.settled(5000)).toBe(true)
  expect(h.words()).toEqual(['at sea'])
  h.end()
})

test('a server without its database says why, and gets the words later', async () => {
  let away = true
  const h = harness({ answer: () => (away ? refusal(503, 'The database does not answer.') : 'take') })
  h.connection.start()
  await wait(20)
  h.doc.getArray('a').push(['in a moment'])
  await wait(200)
  expect(h.states.at(-1)).toEqual({ is: 'offline', why: 'The database does not answer.' })
  away = false
  expect(await h.connection.settled(5000)).toBe(true)
  expect(h.words()).toEqual(['in a moment'])
  h.end()
})

test('a refused change is shown and not hammered; undone, everything after it is saved', async () => {
  const h = harness({ answer: (_, body) => (body.length > 1000 ? refusal(413, 'Too many bytes.') : 'take') })
  h.connection.start()
  await wait(20)
  h.doc.getArray('a').push(['x'.repeat(5000)])
  await wait(400)
  expect(h.states.at(-1)).toEqual({ is: 'refused', why: 'Too many bytes.' })
  expect(h.counts.posts).toBe(1)
  h.doc.getArray('a').push(['one word'])
  await wait(200)
  expect(h.states.at(-1)).toEqual({ is: 'refused', why: 'Too many bytes.' })
  h.doc.getArray('a').delete(0)
  expect(await h.connection.settled(2000)).toBe(true)
  expect(h.words()).toEqual(['one word'])
  expect(h.states.at(-1)?.is).toBe('saved')
  h.end()
})

test('a folio that was deleted and taken back is in step again by itself', async () => {
  const h = harness({ events: (nth) => (nth === 0 ? refusal(404, 'This folio is not here.') : null) })
  h.connection.start()
  await wait(50)
  expect(h.states.at(-1)).toEqual({ is: 'refused', why: 'This folio is not here.' })
  h.doc.getArray('a').push(['kept'])
  expect(await h.connection.settled(3000)).toBe(true)
  expect(h.words()).toEqual(['kept'])
  h.end()
})

test('while nobody looks there is no stream, and words still go out; then the stream comes back', async () => {
  const h = harness({})
  h.connection.start()
  await wait(20)
  h.connection.pause(true)
  h.doc.getArray('a').push(['unseen'])
  await wait(400)
  expect(h.words()).toEqual(['unseen'])
  expect(h.counts.streams).toBe(1)
  h.connection.pause(false)
  await wait(50)
  expect(h.counts.streams).toBe(2)
  expect(h.states.at(-1)).toEqual({ is: 'saved' })
  h.end()
})
