/** Many people at once, for as long as one likes: how soon an edit is seen by others, whether memory stays flat, whether anything
 *  is lost while servers die and networks are cut, whether five browsers agree. Prints what it measured; fails where people
 *  disagree or something acknowledged is missing. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import http from 'node:http'
import net from 'node:net'
import * as Y from 'yjs'
import { newSharedFigure } from '../src/core/document'
import { steps } from '../src/core/testing/steps'
import { changeDocument } from '../src/server/appendUpdate'
import { loadDocument } from '../src/server/folioDocument'
import { FolioConnection } from '../src/sync/folioConnection'
import { pool } from '../src/server/database'
import { Key, eventually, newFolio, openBrowser, sleep, startServer, type Browser } from './support'

const percentile = (values: readonly number[], part: number): number =>
  values.toSorted((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? NaN
const memory = (server: ChildProcess): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))?.[1]) / 1000

/** Hears of a folio without a client's work behind it. */
function listen(port: number, folio: string, heard: (sequence: number) => void): http.ClientRequest {
  return http.get(
    { host: '127.0.0.1', port, path: `/api/folios/${folio}/events`, headers: { host: 'localhost' }, agent: false },
    (response) => {
      let text = ''
      response.setEncoding('utf8').on('data', (chunk: string) => {
        text += chunk
        const events = text.split('\n\n')
        text = events.pop() ?? ''
        for (const e of events) if (e.startsWith('id: ')) heard(parseInt(e.slice(4), 10))
      })
    },
  )
}

const [FOLIOS, STREAMS, WRITERS, PACE] = [40, 200, 20, 500]

/** 200 people with live streams in 40 folios, 20 of them writing; with several processes, who reads sits at another. */
async function load(seconds: number, ports: readonly number[]): Promise<void> {
  const servers = await Promise.all(ports.map((p) => startServer(p)))
  const base = `http://localhost:${ports[0]}`
  const folios = await Promise.all(Array.from({ length: FOLIOS }, (_, i) => newFolio(base, `Night orders ${i}`)))
  const sentAt = new Map<string, number>()
  const took: number[] = []
  const streams = Array.from({ length: STREAMS }, (_, i) => {
    const folio = folios[i % FOLIOS] as string
    return listen(ports[i % ports.length] as number, folio, (sequence) => {
      const since = sentAt.get(`${folio} ${sequence}`)
      if (since !== undefined) took.push(performance.now() - since)
    })
  })
  await sleep(2000)
  const end = Date.now() + seconds * 1000
  const sizes: number[] = []
  const watch = setInterval(() => sizes.push(Math.max(...servers.map(memory))), 2000)
  let edits = 0
  await Promise.all(
    Array.from({ length: WRITERS }, async (_, w) => {
      const folio = folios[w] as string
      const { doc } = await loadDocument(folio)
      const next = { sequence: 2 }
      await sleep((PACE / WRITERS) * w)
      while (Date.now() < end) {
        const before = Y.encodeStateVector(doc)
        doc.getMap('head').set('title', `Night orders, ${Date.now()}`)
        const since = performance.now()
        sentAt.set(`${folio} ${next.sequence}`, since)
        const response = await fetch(`${base}/api/folios/${folio}/updates`, {
          method: 'POST',
          body: Y.encodeStateAsUpdate(doc, before) as BodyInit,
        })
        assert.equal(response.status, 200)
        next.sequence = ((await response.json()) as { sequence: number }).sequence + 1
        edits++
        await sleep(Math.max(0, PACE - (performance.now() - since)))
      }
    }),
  )
  clearInterval(watch)
  streams.forEach((s) => s.destroy())
  servers.forEach((s) => s.kill('SIGKILL'))
  const third = Math.floor(sizes.length / 3)
  const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length
  console.log(`${ports.length} process(es), ${seconds} s: ${edits} edits, seen ${took.length} times`)
  console.log(
    `  seen by others after ${[0.5, 0.95, 1].map((p) => `${Math.round(percentile(took, p))} ms`).join(' / ')} (half, 95 %, all)`,
  )
  console.log(
    `  memory ${mean(sizes.slice(0, third)).toFixed(0)} MB in the first third, ${mean(sizes.slice(-third)).toFixed(0)} MB in the last`,
  )
}

/** A network of one's own, that can be cut. */
async function wire(port: number): Promise<{ readonly port: number; cut: () => void; mend: () => void }> {
  const open = new Set<net.Socket>()
  let whole = true
  const server = net.createServer((from) => {
    if (!whole) return from.destroy()
    const to = net.connect(port, '127.0.0.1')
    for (const s of [from, to]) {
      open.add(s)
      s.on('error', () => s.destroy()).on('close', () => {
        open.delete(s)
        from.destroy()
        to.destroy()
      })
    }
    from.pipe(to).pipe(from)
  })
  await new Promise<void>((r) => server.listen(0, '127.0.0.1', r))
  const cut = () => {
    whole = false
    open.forEach((s) => s.destroy())
  }
  return { port: (server.address() as net.AddressInfo).port, cut, mend: () => (whole = true) }
}

type Cluster = { readonly stop: () => unknown; readonly start: () => unknown }
const [PEOPLE, EDITS] = [8, 2000]

/** Eight people write and remark while the server is killed ten times, the database restarted three times, and each one's
 *  network cut. */
async function faults(): Promise<void> {
  const port = 4195
  let server = await startServer(port)
  const base = `http://localhost:${port}`
  const folio = await newFolio(base, 'Everybody writes the night orders.')
  const people = await Promise.all(
    Array.from({ length: PEOPLE }, async (_, i) => {
      const own = await wire(port)
      const doc = new Y.Doc()
      const connection = new FolioConnection({
        folio,
        doc,
        base: `http://localhost:${own.port}`,
        onState: () => undefined,
        headers: { origin: `http://localhost:${own.port}` },
      })
      connection.start()
      return { i, doc, connection, wire: own, remarks: [] as string[] }
    }),
  )
  const remark = async (p: (typeof people)[number], n: number) => {
    const words = `Remark ${n} of ${p.i}`
    const answer = await fetch(`http://localhost:${p.wire.port}/api/folios/${folio}/remarks`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ place: { at: 'folio' }, words }),
    }).catch(() => null)
    // Only what was acknowledged has to be there.
    if (answer?.status === 201) p.remarks.push(words)
  }
  const { startCluster } = (await import('../bin/cluster.mjs' as string)) as { startCluster: () => Promise<Cluster> }
  const cluster = await startCluster()
  let killed = 0
  let restarted = 0
  let writing = true
  const killing = (async () => {
    while (killed < 10) {
      await sleep(1500)
      server.kill('SIGKILL')
      killed++
      if (killed % 3 === 1 && restarted < 3) {
        cluster.stop()
        await sleep(500)
        cluster.start()
        restarted++
      }
      await sleep(300)
      server = await startServer(port)
    }
    writing = false
  })()
  const cutting = (async () => {
    for (let k = 0; writing; k++) {
      const p = people[k % PEOPLE] as (typeof people)[number]
      p.wire.cut()
      await sleep(700)
      p.wire.mend()
      await sleep(200)
    }
    people.forEach((p) => p.wire.mend())
  })()
  await Promise.all(
    people.map(async (p) => {
      for (let n = 0; n < EDITS / PEOPLE; n++) {
        p.doc.getArray('figures-log').push([`${p.i} ${n}`])
        if (n % 10 === 0) await remark(p, n)
        await sleep(90)
      }
    }),
  )
  await Promise.all([killing, cutting])
  for (const p of people) assert.ok(await p.connection.settled(60_000), `${p.i} has all on the server`)
  const { doc } = await loadDocument(folio)
  const words = doc.getArray('figures-log').toArray() as string[]
  const text = (d: Y.Doc) => JSON.stringify(d.getArray('figures-log').toArray())
  await eventually('all agree', 30_000, () => people.every((p) => text(p.doc) === text(doc)))
  assert.equal(new Set(words).size, EDITS, 'no edit is missing, none is there twice')
  const said = (await (await fetch(`${base}/api/folios/${folio}/remarks`)).json()) as {
    threads: { remarks: { words: string }[] }[]
  }
  const there = new Set(said.threads.flatMap((t) => t.remarks.map((r) => r.words)))
  const acknowledged = people.flatMap((p) => p.remarks)
  for (const r of acknowledged) assert.ok(there.has(r), `${r} was acknowledged and is missing`)
  people.forEach((p) => p.connection.stop())
  server.kill('SIGKILL')
  console.log(
    `${EDITS} edits by ${PEOPLE} people, server killed ${killed} times, database restarted ${restarted} times: all agree; ${acknowledged.length} remarks acknowledged, all there`,
  )
}

const TEXT =
  '# Night orders\n\nCall the master when in doubt.\n\n1. Check the moorings\n2. Lower the ramp\n3. Load the cars'

const CHART = ['Check the moorings', 'Lower the ramp', 'Load the cars', 'Close the gate']

/** Turns of so many words or changes are taken at the paragraph and at the figure, by each in two windows. */
const TURN = 8

async function writes(b: Browser, i: number, n: number): Promise<void> {
  await b.press(Key.END, ` w${i}x${n}`)
  if (n % 7 === 6) await b.press(Key.BACK_SPACE, Key.BACK_SPACE)
}

/** Walks to a node and says it otherwise; now and then adds a step. Nothing is typed where somebody else has just taken the
 *  node away: letters are commands on the stage. */
async function shapes(b: Browser, i: number, n: number): Promise<void> {
  await b.pick('[data-stage]')
  for (let k = 0; k <= (i + n) % 4; k++) await b.press(Key.ARROW_DOWN)
  if (n % TURN === 0) await b.driver.actions().keyDown(Key.ALT).sendKeys('s').keyUp(Key.ALT).perform()
  else await b.press(Key.F2)
  const typing = "return document.activeElement?.matches('input, textarea, [contenteditable=true]') ?? false"
  if (!(await b.driver.executeScript<boolean>(typing))) return
  await b.driver.actions().sendKeys(` f${i}x${n}`, Key.ENTER).perform()
}

/** Five browsers write one paragraph and change one figure, at once. */
async function browsers(seconds: number): Promise<void> {
  const port = 4196
  const server = await startServer(port)
  const base = `http://localhost:${port}`
  const folio = await newFolio(base, TEXT)
  await changeDocument(folio, (doc) =>
    doc.getMap('figures').set('chart', newSharedFigure({ ...steps(...CHART), id: 'chart' })),
  )
  const all = await Promise.all(Array.from({ length: 5 }, () => openBrowser(base)))
  try {
    await meet(all, `${base}/folio/${folio}`, seconds)
  } finally {
    await Promise.all(all.map((b) => b.close()))
    server.kill('SIGKILL')
  }
}

async function meet(all: readonly Browser[], address: string, seconds: number): Promise<void> {
  const windows = await Promise.all(
    all.map(async (b) => {
      const page = await b.driver.getWindowHandle()
      await b.driver.switchTo().newWindow('tab')
      await b.driver.get(`${address}/figure/chart`)
      await b.find('[data-stage] svg')
      const bench = await b.driver.getWindowHandle()
      await b.driver.switchTo().window(page)
      await b.driver.get(address)
      await b.saved()
      return { page, bench }
    }),
  )
  const at = (i: number, where: 'page' | 'bench') => all[i]?.driver.switchTo().window(windows[i]?.[where] ?? '')
  const end = Date.now() + seconds * 1000
  let [words, changes] = [0, 0]
  await Promise.all(
    all.map(async (b, i) => {
      for (let n = 0; Date.now() < end; n++) {
        const shaping = Math.floor(n / TURN) % 2 === i % 2
        if (n % TURN === 0) {
          await at(i, shaping ? 'bench' : 'page')
          if (!shaping) await b.pick('//p[contains(., "Call the master")]')
        }
        await (shaping ? shapes : writes)(b, i, n)
        if (shaping) changes++
        else words++
        await sleep(300 + 37 * i)
      }
    }),
  )
  const shown = async (where: 'page' | 'bench', selector: string) => {
    const plain = (t: string | null) => (t ?? '').replace(/\u2060[^\u2060]*\u2060/g, '')
    return Promise.all(
      all.map(async (b, i) => {
        await at(i, where)
        return plain(await (await b.find(selector)).getAttribute('textContent'))
      }),
    )
  }
  for (const [i, b] of all.entries()) {
    await at(i, 'bench')
    await (
      await b.find("//button[normalize-space()='Outline'] | //*[@role='tab'][normalize-space()='Outline']")
    ).click()
  }
  for (const [where, selector] of [
    ['page', '.manuscript'],
    ['bench', '[data-outline]'],
  ] as const) {
    await eventually(
      `all five show the same ${where}`,
      20_000,
      async () => new Set(await shown(where, selector)).size === 1,
    )
    console.log(`${where}: all five show the same ${(await shown(where, selector))[0]?.length} letters`)
  }
  for (const b of all) assert.deepEqual(await b.complaints(), [])
  console.log(
    `five browsers, ${seconds} s, ${words} words into one paragraph, ${changes} changes of one figure: no complaint in any console`,
  )
}

const [part = 'all', given] = process.argv.slice(2)
const seconds = Number(given ?? (part === 'browsers' ? 120 : 1200))
if (part === 'load' || part === 'all') {
  await load(seconds, [4181])
  await load(seconds, [4182, 4183, 4184])
}
if (part === 'faults' || part === 'all') await faults()
if (part === 'browsers' || part === 'all') await browsers(part === 'all' ? 120 : seconds)
await pool().end()
process.exit(0)
