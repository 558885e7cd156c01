/** Who gets in, and what one visitor can do to all others. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import http from 'node:http'
import { after, before, test } from 'node:test'
import * as Y from 'yjs'
import { newSharedFigure } from '../src/core/document'
import { denseFigure } from '../src/core/testing/denseFigure'
import { renameFolio } from '../src/server/folios'
import { pool } from '../src/server/database'
import { SHARED } from '../src/server/soundUpdate'
import { eventually, newFolio, sleep, startServer } from './support'

const PORT = 4129
const base = `http://localhost:${PORT}`
let server: ChildProcess

before(async () => {
  server = await startServer(PORT)
})
after(async () => {
  server.kill('SIGKILL')
  await pool().end()
})

type Sent = { readonly status: number; readonly headers: http.IncomingHttpHeaders; readonly body: string }

/** A request with headers that `fetch` would not let through. */
const send = (method: string, path: string, headers: Record<string, string> = {}, body?: string): Promise<Sent> =>
  new Promise((resolve, reject) => {
    const request = http.request({ host: '127.0.0.1', port: PORT, method, path, headers, agent: false }, (response) => {
      let text = ''
      response.setEncoding('utf8').on('data', (chunk: string) => (text += chunk))
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body: text }))
    })
    request.on('error', reject).end(body)
  })
/** Memory that the server's process holds, in MB. */
const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1000

test('a name of somebody else that leads here opens neither page nor folio; another site changes nothing', async () => {
  const folio = await newFolio(base, 'Only for the crew')
  const json = { 'content-type': 'application/json' }
  const own = `localhost:${PORT}`
  const change = JSON.stringify({ title: 'Taken over' })
  const cases: [string, string, Record<string, string>, number][] = [
    ['GET', '/', { host: 'evil.example' }, 403],
    ['GET', `/folio/${folio}`, { host: `evil.example:${PORT}` }, 403],
    ['GET', `/api/folios/${folio}/events`, { host: 'evil.example' }, 403],
    ['PATCH', `/api/folios/${folio}`, { host: 'evil.example', origin: 'http://evil.example', ...json }, 403],
    ['PATCH', `/api/folios/${folio}`, { host: own, origin: 'null', ...json }, 403],
    ['PATCH', `/api/folios/${folio}`, { host: own, origin: 'nonsense', ...json }, 403],
    ['PATCH', `/api/folios/${folio}`, { host: own, origin: 'http://localhost:9', ...json }, 403],
    ['PATCH', `/api/folios/${folio}`, { host: own, 'sec-fetch-site': 'cross-site', ...json }, 403],
    ['GET', `/api/folios/${folio}/figures/x/file`, { host: own, 'sec-fetch-site': 'cross-site' }, 403],
    // A link in a mail is a link.
    ['GET', '/', { host: own, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }, 200],
    ['GET', '/', { host: `127.0.0.1:${PORT}` }, 200],
    ['GET', '/', { host: `[::1]:${PORT}` }, 200],
    [
      'PATCH',
      `/api/folios/${folio}`,
      { host: own, origin: `http://${own}`, 'sec-fetch-site': 'same-origin', ...json },
      204,
    ],
  ]
  for (const [method, path, headers, status] of cases) {
    const answer = await send(method, path, headers, method === 'PATCH' ? change : undefined)
    assert.equal(answer.status, status, `${method} ${path} ${JSON.stringify(headers)}: ${answer.body.slice(0, 200)}`)
    if (status === 403) assert.match((JSON.parse(answer.body) as { title: string }).title, /another site|answers at/)
  }
})

test('every address answers with a policy, found or not; a deleted folio cannot be renamed', async () => {
  for (const path of [
    '/',
    '/nowhere',
    '/api/nowhere',
    '/fonts/none.ttf',
    '/icon-none.png',
    '/api/folios/none/events',
  ]) {
    const answer = await send('GET', path, { host: `localhost:${PORT}` })
    assert.match(String(answer.headers['content-security-policy']), /default-src/, `${path}: ${answer.status}`)
  }
  const folio = await newFolio(base, 'Struck off')
  const at = `/api/folios/${folio}`
  const headers = { host: `localhost:${PORT}`, 'content-type': 'application/json' }
  assert.equal((await send('DELETE', at, headers)).status, 204)
  assert.equal((await send('PATCH', at, headers, JSON.stringify({ title: 'Again' }))).status, 404)
  assert.deepEqual(await renameFolio(folio, 'Again'), { code: 'not-found' })
  assert.equal((await send('PATCH', at, headers, JSON.stringify({ deleted: false }))).status, 204)
  assert.equal((await send('PATCH', at, headers, JSON.stringify({ title: 'Again' }))).status, 204)
})

/** Sends bytes without saying how many there will be, until the server has had enough. */
const pour = (path: string, megabytes: number): Promise<number> =>
  new Promise((resolve) => {
    const request = http.request(
      { host: '127.0.0.1', port: PORT, method: 'POST', path, headers: { host: `localhost:${PORT}` }, agent: false },
      (response) => {
        response.resume()
        resolve(response.statusCode ?? 0)
      },
    )
    request.on('error', () => resolve(0))
    const chunk = Buffer.alloc(1_000_000, 'x')
    let sent = 0
    const more = () => {
      while (sent < megabytes && !request.destroyed) {
        sent++
        if (!request.write(chunk)) return void request.once('drain', more)
      }
      request.end()
    }
    more()
  })

test('bodies too large are refused while they come in, and do not stay in memory', async () => {
  const folio = await newFolio(base, 'Too much')
  const before = memory()
  for (const path of [`/api/folios/${folio}/updates`, '/api/folios', '/api/drafts'])
    for (let i = 0; i < 3; i++) assert.ok([413, 0].includes(await pour(path, 200)), path)
  const announced = await send('POST', `/api/folios/${folio}/updates`, {
    host: `localhost:${PORT}`,
    'content-length': '50000000',
  }).catch(() => null)
  if (announced) assert.equal(announced.status, 413)
  assert.ok(memory() - before < 150, `grew by ${(memory() - before).toFixed(0)} MB`)
})

test('streams that nobody reads are cut off before they fill the memory', async (t) => {
  const folio = await newFolio(base, 'Nobody reads')
  const sockets: http.IncomingMessage[] = []
  for (let i = 0; i < 30; i++) {
    const path = `/api/folios/${folio}/events?since=0`
    const options = { host: '127.0.0.1', port: PORT, path, headers: { host: `localhost:${PORT}` }, agent: false }
    await new Promise<void>((resolve) =>
      http.get(options, (response) => {
        response.on('error', () => undefined).once('readable', resolve)
        sockets.push(response)
      }),
    )
  }
  t.after(() => sockets.forEach((s) => s.destroy()))
  const before = memory()
  const doc = new Y.Doc()
  for (let i = 0; i < 40; i++) {
    const vector = Y.encodeStateVector(doc)
    doc.getArray<string>('words').push([`${i}`.padEnd(1_000_000, 'x')])
    const body = Y.encodeStateAsUpdate(doc, vector) as BodyInit
    const response = await fetch(`${base}/api/folios/${folio}/updates`, { method: 'POST', body })
    assert.equal(response.status, 200)
  }
  // 30 readers that keep all of it would take 1,600 MB.
  assert.ok(memory() - before < 700, `grew by ${(memory() - before).toFixed(0)} MB`)
})

test('a figure too dense to be drawn is refused in time, and everybody else is served meanwhile', async (t) => {
  const folio = await newFolio(base, 'Dense')
  // On the shelf it would be asked for again, by whatever is tested there.
  t.after(() => fetch(`${base}/api/folios/${folio}`, { method: 'DELETE' }))
  const doc = new Y.Doc()
  doc.getMap(SHARED.figures).set('dense', newSharedFigure(denseFigure(180, 900)))
  const put = await fetch(`${base}/api/folios/${folio}/updates`, {
    method: 'POST',
    body: Y.encodeStateAsUpdate(doc) as BodyInit,
  })
  assert.equal(put.status, 200, await put.clone().text())
  const began = Date.now()
  const file = fetch(`${base}/api/folios/${folio}/figures/dense/file?format=svg`)
  const waits: number[] = []
  let drawn = false
  void file.finally(() => (drawn = true))
  await eventually('the file is answered', 60_000, async () => {
    const since = Date.now()
    await fetch(`${base}/api/health`)
    waits.push(Date.now() - since)
    await sleep(50)
    return drawn
  })
  const answer = await file
  assert.ok(answer.status === 200 || answer.status === 422, String(answer.status))
  // It ends by itself, and meanwhile whoever else asks does not wait for it: other tests are at work on this machine, too.
  const took = Date.now() - began
  assert.ok(took < 120_000, `${took} ms`)
  const median = waits.toSorted((a, b) => a - b)[Math.floor(waits.length / 2)] as number
  assert.ok(median < Math.max(1500, took / 10), `${median} ms, while the figure took ${took}`)
})
