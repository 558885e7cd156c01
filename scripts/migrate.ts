/** Brings the database to the newest schema and puts the demo on an empty shelf, for a local start. */
import { Migrator } from 'kysely'
import { database, pool } from '../src/server/database'
import { seedDemo } from '../src/server/demo'
import { migrations } from '../src/server/migrations'
import { isLocal } from '../src/server/people/mode'

const { error, results } = await new Migrator({
  db: database(),
  provider: { getMigrations: async () => migrations },
}).migrateToLatest()
for (const r of results ?? []) console.log(r.status, r.migrationName)
if (error) throw error
// A server of a team has no demo person.
if (isLocal()) console.log(`${await seedDemo()} demo folios made`)
await pool().end()
