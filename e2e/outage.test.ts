/** The application as `npm start` runs it, with a database of its own that is killed, frozen and filled. */
import assert from 'node:assert/strict'
import { execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { after, before, test } from 'node:test'
import pg from 'pg'
import * as Y from 'yjs'
import { client, eventually, newFolio } from './support'

const PORT = 4156
const base = `http://localhost:${PORT}`
const data = mkdtempSync(path.join(tmpdir(), 'compass-outage-'))
type Cluster = {
  folder: string
  url: (name: string) => string
  stop: () => unknown
  process: () => number
}
let launcher: ChildProcess
let cluster: Cluster
let said = ''

before(async () => {
  process.env.IDLE_COMPASS_DATA = data
  launcher = spawn(process.execPath, ['bin/start.mjs'], {
    env: { ...process.env, PORT: String(PORT) },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  launcher.stdout?.on('data', (d) => (said += String(d)))
  await eventually('the launcher says where it is', 120_000, () => said.includes(`Idle Compass is at ${base}`))
  const { startCluster } = (await import('../bin/cluster.mjs' as string)) as { startCluster: () => Promise<Cluster> }
  cluster = await startCluster()
})
after(async () => {
  launcher.kill('SIGTERM')
  await eventually('the launcher has ended', 20_000, () => launcher.exitCode !== null)
  assert.throws(() => process.kill(serverPid(), 0), 'its server has ended with it')
  // Where the database's account cannot walk to the folder, its files lie elsewhere.
  for (const folder of [data, cluster.folder]) rmSync(folder, { recursive: true, force: true })
})

let lastServer = 0
const serverPid = (): number => {
  try {
    lastServer = Number(readFileSync(path.join(data, 'server.pid'), 'utf8'))
  } catch {
    // The launcher takes the file away when it ends.
  }
  return lastServer
}
const healthy = () =>
  fetch(`${base}/api/health`).then(
    (r) => r.ok,
    () => false,
  )
const post = (folio: string, word: string) => {
  const doc = new Y.Doc()
  doc.getArray<string>('edits').push([word])
  return fetch(`${base}/api/folios/${folio}/updates`, {
    method: 'POST',
    body: Y.encodeStateAsUpdate(doc) as BodyInit,
  })
}
const problem = async (r: Response) => `${r.status} ${((await r.json()) as { title: string }).title}`

test('a killed server is started again, with the reason said, and an open page goes on', async (t) => {
  const folio = await newFolio(base, 'Killed server')
  const page = client(t, base, folio)
  await eventually('in step', 5000, () => page.states.at(-1) === 'saved')
  const pid = serverPid()
  process.kill(pid, 'SIGKILL')
  page.doc.getArray('edits').push(['written meanwhile'])
  await eventually('another server answers', 20_000, async () => serverPid() !== pid && (await healthy()))
  assert.match(said, /the server ended \(SIGKILL\); it is started again/)
  assert.ok(await page.connection.settled(10_000))
  assert.ok(page.states.includes('offline'))
})

test('a killed database is started again; meanwhile one is told so, and what is written is kept', async (t) => {
  const folio = await newFolio(base, 'Killed database')
  const page = client(t, base, folio)
  await eventually('in step', 5000, () => page.states.at(-1) === 'saved')
  process.kill(cluster.process(), 'SIGKILL')
  const refused = await post(folio, 'lost?')
  if (refused.status !== 200) assert.match(await problem(refused), /^503 The database does not answer just now/)
  page.doc.getArray('edits').push(['written meanwhile'])
  // Before its end is seen, health is as it was.
  await eventually('its end is told', 15_000, () => /the database ended/.test(said))
  await eventually('the database is back', 30_000, healthy)
  assert.ok(await page.connection.settled(15_000), page.states.join(' '))
  const other = client(t, base, folio)
  await eventually('it is there', 5000, () => other.doc.getArray('edits').toArray().includes('written meanwhile'))
})

/** The database's server and all its children. */
function family(): number[] {
  const parent = cluster.process()
  const children = execFileSync('ps', ['-o', 'pid=', '--ppid', String(parent)], { encoding: 'utf8' })
  return [parent, ...children.split('\n').filter(Boolean).map(Number)]
}

test('a frozen database: health says so within two seconds, a change is answered with a sentence, and all goes on after', async (t) => {
  const folio = await newFolio(base, 'Frozen database')
  const page = client(t, base, folio)
  await eventually('in step', 5000, () => page.states.at(-1) === 'saved')
  const frozen = family()
  frozen.forEach((pid) => process.kill(pid, 'SIGSTOP'))
  try {
    for (let i = 0; i < 3; i++) {
      const since = Date.now()
      const health = await fetch(`${base}/api/health`)
      assert.equal(health.status, 503)
      // Two seconds, and as much again for a machine that is at other tests, too.
      assert.ok(Date.now() - since < 4000, `${Date.now() - since} ms`)
    }
    page.doc.getArray('edits').push(['written meanwhile'])
    const since = Date.now()
    const refused = await post(folio, 'refused')
    assert.match(await problem(refused), /^503 The database does not answer just now/)
    assert.equal(refused.headers.get('retry-after'), '2')
    assert.ok(Date.now() - since < 30_000)
    const shelf = await fetch(base)
    assert.equal(shelf.status, 500)
  } finally {
    frozen.forEach((pid) => process.kill(pid, 'SIGCONT'))
  }
  await eventually('healthy again', 15_000, healthy)
  assert.ok(await page.connection.settled(20_000), page.states.join(' '))
})

test('a full disk: a change is told why, the shelf still answers, and the words go out when there is room', async (t) => {
  const folio = await newFolio(base, 'Full disk')
  const page = client(t, base, folio)
  await eventually('in step', 5000, () => page.states.at(-1) === 'saved')
  const db = new pg.Client({ connectionString: cluster.url('idle_compass') })
  await db.connect()
  t.after(() => db.end())
  await db.query(
    `create function full_disk() returns trigger language plpgsql as $$ begin raise exception 'could not extend file' using errcode = '53100'; end $$;
     create trigger full_disk before insert or update on folio_update for each row execute function full_disk();
     create trigger full_disk before update of projection on folio for each row execute function full_disk()`,
  )
  assert.match(await problem(await post(folio, 'no room')), /^507 The server’s disk is full/)
  page.doc.getArray('edits').push(['kept'])
  await eventually('the page says so', 5000, () => page.states.at(-1) === 'offline')
  assert.equal((await fetch(base)).status, 200)
  await db.query('drop function full_disk() cascade')
  assert.ok(await page.connection.settled(10_000))
})
