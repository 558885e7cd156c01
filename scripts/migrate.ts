/** Brings the database to the newest schema and puts the demo on an empty shelf. */
import { Migrator } from 'kysely'
import { database, pool } from '../src/server/database'
import { seedDemo } from '../src/server/demo'
import { migrations } from '../src/server/migrations'

const { error, results } = await new Migrator({
  db: database(),
  provider: { getMigrations: async () => migrations },
}).migrateToLatest()
for (const r of results ?? []) console.log(r.status, r.migrationName)
if (error) throw error
console.log(`${await seedDemo()} demo folios made`)
await pool().end()
