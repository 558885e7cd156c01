import * as Y from 'yjs'
import { FolioConnection, type SyncState } from './folioConnection'

/** A server in memory: `answer` decides what a POST gets. */
function harness(answer: (nth: number) => Response | 'unreachable', unsentBefore = false) {
  const doc = new Y.Doc()
  const states: SyncState[] = []
  const posted: Uint8Array[] = []
  let unsent = unsentBefore
  const realFetch = globalThis.fetch
  globalThis.fetch = (async (url: string, init?: RequestInit) => {
    if (String(url).includes('/events')) {
      const stream = new ReadableStream<Uint8Array>({
        start: (c) => {
          c.enqueue(new TextEncoder().encode('retry: 500\n\nevent: ready\ndata: 0\n\n'))
          init?.signal?.addEventListener('abort', () => c.error(new Error('aborted')))
        },
      })
      return new Response(stream)
    }
    const result = answer(posted.length)
    if (result === 'unreachable') throw new TypeError('fetch failed')
    posted.push(init?.body as Uint8Array)
    return result
  }) as typeof fetch
  const connection = new FolioConnection({
    folio: 'f',
    doc,
    base: 'http://server',
    onState: (s) => states.push(s),
    unsent: { get: () => unsent, set: (v) => void (unsent = v) },
  })
  const end = () => {
    connection.stop()
    globalThis.fetch = realFetch
  }
  const server = () => {
    const merged = new Y.Doc()
    posted.forEach((u) => Y.applyUpdate(merged, u))
    return merged.getArray('a').toArray()
  }
  return { doc, states, posted, connection, end, server, isUnsent: () => unsent }
}
const wait = (ms: number) => new Promise((r) => setTimeout(r, ms))
const accepted = () => Response.json({ sequence: 1 })

test('says “saved” only when everything typed has been acknowledged, also what was typed while a batch was under way', async () => {
  const h = harness(accepted)
  h.connection.start()
  await wait(20)
  for (let i = 0; i < 30; i++) {
    h.doc.getArray('a').push([i])
    if (i % 5 === 0) await wait(15)
  }
  expect(h.states.at(-1)).toEqual({ is: 'saving' })
  expect(await h.connection.settled(3000)).toBe(true)
  await wait(10)
  expect(h.states.at(-1)).toEqual({ is: 'saved' })
  expect(h.server()).toEqual(Array.from({ length: 30 }, (_, i) => i))
  expect(h.posted.length).toBeLessThan(30)
  expect(h.isUnsent()).toBe(false)
  h.end()
})

test('keeps what could not be sent, says so, and sends it when the server is back', async () => {
  let down = true
  const h = harness(() => (down ? 'unreachable' : accepted()))
  h.connection.start()
  await wait(20)
  h.doc.getArray('a').push(['at sea'])
  await wait(200)
  expect(h.states.at(-1)).toEqual({ is: 'offline' })
  expect(h.isUnsent()).toBe(true)
  down = false
  expect(await h.connection.settled(5000)).toBe(true)
  expect(h.server()).toEqual(['at sea'])
  h.end()
})

test('a refusal is shown with the server’s sentence and is not hammered', async () => {
  let asked = 0
  const h = harness(() => {
    asked++
    return Response.json({ title: 'This change has too many bytes.' }, { status: 413 })
  })
  h.connection.start()
  await wait(20)
  h.doc.getArray('a').push(['too much'])
  await wait(400)
  expect(h.states.at(-1)).toEqual({ is: 'refused', why: 'This change has too many bytes.' })
  expect(asked).toBe(1)
  h.end()
})

test('after a reload, what this browser had kept goes out as soon as the server has told what it has', async () => {
  const h = harness(accepted, true)
  h.doc.getArray('a').push(['from the last session'])
  h.connection.start()
  expect(await h.connection.settled(100).then(() => wait(200))).toBeUndefined()
  expect(h.server()).toEqual(['from the last session'])
  h.end()
})
