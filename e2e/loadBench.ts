/** The load that one server process has to bear: many windows on one folio with many who write, and a shelf of a thousand
 *  folios. Prints percentiles; asserts nothing. */
import http from 'node:http'
import { nanoid } from 'nanoid'
import * as Y from 'yjs'
import { DEMO_PERSON } from '../src/server/people/signedIn'
import { database } from '../src/server/database'
import { firstShelf } from '../src/server/folios'
import { SHARED, newDocument } from '../src/server/soundUpdate'
import { nodesFromText, sharedNodes } from '../src/manuscript'
import { eventually, newFolio, sleep } from './support'

type Print = (what: string, ...cells: string[]) => void

const STREAMS = 200
const WRITERS = 20
const EACH = 10
/** Milliseconds between two changes of one writer: a person who types. */
const PACE = 500

const percentile = (values: readonly number[], part: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? NaN
const spread = (values: readonly number[]): string =>
  [0.5, 0.95, 1].map((p) => `${Math.round(percentile(values, p))} ms`).join(' / ')

/** An event stream without a client's work behind it: when which sequence came. */
function listen(port: number, folio: string, heard: (sequence: number) => void): Promise<http.ClientRequest> {
  return new Promise((resolve, reject) => {
    const request = http.get(
      { host: '127.0.0.1', port, path: `/api/folios/${folio}/events`, headers: { host: 'localhost' }, agent: false },
      (response) => {
        let text = ''
        response.setEncoding('utf8').on('data', (chunk: string) => {
          text += chunk
          for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
            const event = text.slice(0, end)
            text = text.slice(end + 2)
            if (event.startsWith('event: ready')) resolve(request)
            else if (event.startsWith('id: ')) heard(parseInt(event.slice(4), 10))
          }
        })
      },
    )
    request.on('error', reject)
  })
}

export async function streamsBench(print: Print, port: number): Promise<void> {
  const base = `http://localhost:${port}`
  const folio = await newFolio(base, 'Everybody writes the night orders at once.')
  const sentAt = new Map<number, number>()
  const heard: { sequence: number; at: number }[] = []
  /** The newest sequence each stream has told. A snapshot stands for all before it. */
  const newest = Array.from({ length: STREAMS }, () => 0)
  const streams: http.ClientRequest[] = []
  for (let i = 0; i < STREAMS; i++)
    streams.push(
      await listen(port, folio, (sequence) => {
        heard.push({ sequence, at: performance.now() })
        newest[i] = sequence
      }),
    )
  heard.length = 0
  const posts: number[] = []
  const write = async (writer: number) => {
    const doc = new Y.Doc()
    await sleep((PACE / WRITERS) * writer)
    for (let i = 0; i < EACH; i++) {
      const before = Y.encodeStateVector(doc)
      doc.getArray<string>('words').push([`word ${i} of ${writer}`])
      const since = performance.now()
      const response = await fetch(`${base}/api/folios/${folio}/updates`, {
        method: 'POST',
        body: Y.encodeStateAsUpdate(doc, before) as BodyInit,
      })
      const { sequence } = (await response.json()) as { sequence: number }
      sentAt.set(sequence, since)
      posts.push(performance.now() - since)
      await sleep(Math.max(0, PACE - (performance.now() - since)))
    }
  }
  await Promise.all(Array.from({ length: WRITERS }, (_, i) => write(i)))
  const last = Math.max(...sentAt.keys())
  await eventually('all is delivered', 30_000, () => newest.every((n) => n >= last))
  const delays = heard.flatMap((h) => (sentAt.has(h.sequence) ? [h.at - (sentAt.get(h.sequence) as number)] : []))
  streams.forEach((s) => s.destroy())
  print(
    `${STREAMS} streams and ${WRITERS} writers on one folio, POST p50 / p95 / most (aim p95 150 ms)`,
    spread(posts),
    `${heard.length} events for ${STREAMS * sentAt.size} deliveries, all delivered`,
  )
  print('  delivery p50 / p95 / most (aim p95 400 ms)', spread(delays))
}

export async function shelfBench(print: Print, port: number): Promise<void> {
  const shelf = await firstShelf(DEMO_PERSON.id)
  const rows = Array.from({ length: 1000 }, (_, i) => {
    const doc = newDocument()
    doc.getMap(SHARED.head).set('title', `Chapter ${i}`)
    doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText('1. Check the lines\n2. Lower the ramp')))
    return { id: nanoid(), data: Buffer.from(Y.encodeStateAsUpdate(doc)) }
  })
  // Stale: nobody has asked for their projections yet.
  await database()
    .insertInto('folio')
    .values(
      rows.map((r) => ({
        id: r.id,
        shelf_id: shelf.id,
        owner_id: DEMO_PERSON.id,
        sequence: '1',
        projected_sequence: 0,
        projection: null,
      })),
    )
    .execute()
  await database()
    .insertInto('folio_update')
    .values(rows.map((r) => ({ folio_id: r.id, sequence: 1, data: r.data })))
    .execute()
  const times: number[] = []
  let bytes = 0
  for (let i = 0; i < 8; i++) {
    const since = performance.now()
    bytes = (await (await fetch(`http://localhost:${port}/`)).text()).length
    times.push(performance.now() - since)
  }
  const [first = NaN, ...warm] = times
  print(
    'shelf of 1,000 folios, warm (aim 200 ms)',
    `${Math.round(percentile(warm, 0.5))} ms`,
    `${Math.round(bytes / 1000)} kB; first time, with every projection stale: ${Math.round(first)} ms`,
  )
}
