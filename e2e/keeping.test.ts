/** What is kept stays kept: over a backup and its restoring, and over the way from the release before. */
import assert from 'node:assert/strict'
import { spawnSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { after, test } from 'node:test'
import { Kysely, Migrator, PostgresDialect, sql } from 'kysely'
import { Pool } from 'pg'
import * as Y from 'yjs'
import { nodesFromText, sharedNodes } from '../src/manuscript'
import { database, databaseUrl, pool } from '../src/server/database'
import { freshProjection } from '../src/server/folioDocument'
import { makeFolio, setDeleted } from '../src/server/folios'
import { migrations } from '../src/server/migrations'
import { DEMO_PERSON } from '../src/server/people/signedIn'
import { found } from '../src/server/search'
import { SHARED, newDocument } from '../src/server/soundUpdate'
import { keepUpload } from '../src/server/uploads'
import { eventually } from './support'

after(() => pool().end())

const command = (...args: string[]) => {
  const done = spawnSync('npm', ['run', '--silent', ...args], {
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: databaseUrl() },
  })
  assert.equal(done.status, 0, done.stdout + done.stderr)
}

test('what a backup holds is there again after it is restored, brought pictures too; what came after it is not', async () => {
  const folio = await makeFolio(DEMO_PERSON.id, 'Night orders', 'Wake the master in fog.')
  const data = Buffer.from('a picture, as far as the database is concerned')
  await keepUpload(folio, 'image', { hash: 'abc', type: 'image/png', width: 1, height: 1, name: null, data })
  const file = path.join(mkdtempSync(path.join(tmpdir(), 'compass-')), 'all.backup')
  command('backup', file)
  const later = await makeFolio(DEMO_PERSON.id, 'Later', 'After the backup.')
  await database().deleteFrom('folio').where('id', '=', folio).execute()
  await database().deleteFrom('upload').execute()
  await setDeleted(later, true)
  command('restore', file)
  assert.match((await freshProjection(folio)).text, /Wake the master in fog/)
  const kept = await database().selectFrom('upload').select('data').where('hash', '=', 'abc').executeTakeFirstOrThrow()
  assert.deepEqual(kept.data, data)
  assert.equal(await database().selectFrom('folio').select('id').where('id', '=', later).executeTakeFirst(), undefined)
})

test('a database of the release before, with a folio in it, comes forward: it is read, found, and its owner is there', async () => {
  const name = `keeping_${process.pid}`
  await sql`create database ${sql.id(name)}`.execute(database())
  const url = new URL(databaseUrl())
  url.pathname = `/${name}`
  const old = new Kysely<Record<string, never>>({
    dialect: new PostgresDialect({ pool: new Pool({ connectionString: url.href, max: 2 }) }),
  })
  try {
    const migrator = new Migrator({ db: old, provider: { getMigrations: async () => migrations } })
    assert.equal((await migrator.migrateTo('0009_tokens')).error, undefined)
    const doc = newDocument()
    doc.getMap(SHARED.head).set('title', 'Berthing')
    doc.getXmlFragment(SHARED.manuscript).insert(0, sharedNodes(nodesFromText('Mind the fenders.')))
    const data = Buffer.from(Y.encodeStateAsUpdate(doc))
    await sql`insert into account (id, name) values ('demo', 'Training office')`.execute(old)
    await sql`insert into shelf (id, owner_id, name) values ('s', 'demo', 'Crew handbook')`.execute(old)
    await sql`insert into folio (id, shelf_id, owner_id, sequence) values ('old', 's', 'demo', 1)`.execute(old)
    await sql`insert into folio_update (folio_id, sequence, data) values ('old', 1, ${data})`.execute(old)
    await sql`insert into access_token (id, account_id, name, hash, scopes) values ('t', 'demo', 'Pages', 'h', '["read"]')`.execute(
      old,
    )
    assert.equal((await migrator.migrateToLatest()).error, undefined)
    // Read by a process of its own: this one's connections lead elsewhere.
    const script = `import('./src/server/folioDocument.ts').then(async (m) => { const p = await m.freshProjection('old'); const { found } = await import('./src/server/search.ts'); const { DEMO_PERSON } = await import('./src/server/people/signedIn.ts'); const { standingOf } = await import('./src/server/authorize.ts'); console.log(JSON.stringify([p.title, (await found('demo', 'fender')).length, (await standingOf(DEMO_PERSON, 'old')).own])); process.exit(0) })`
    const read = spawnSync(process.execPath, ['--import', 'tsx', '-e', script], {
      encoding: 'utf8',
      env: { ...process.env, DATABASE_URL: url.href },
    })
    assert.deepEqual(JSON.parse(read.stdout.trim().split('\n').at(-1) ?? ''), ['Berthing', 1, 'owner'], read.stderr)
  } finally {
    await old.destroy()
    // Whoever is still taking leave would be cut off in the middle of it.
    await eventually('nobody is connected to it', 5000, async () => {
      const left = await sql<{ count: string }>`select count(*) from pg_stat_activity where datname = ${name}`.execute(
        database(),
      )
      return left.rows[0]?.count === '0'
    })
    await sql`drop database ${sql.id(name)}`.execute(database())
  }
  assert.deepEqual(await found('nobody', 'fender'), [])
})
