import { Kysely, PostgresDialect } from 'kysely'
import { Pool } from 'pg'
import { z } from 'zod'
import { log } from './log'
import type { Tables } from './tables'

const environment = z.object({
  DATABASE_URL: z.string().startsWith('postgres', 'DATABASE_URL must name a PostgreSQL database'),
})
export const databaseUrl = (): string => environment.parse(process.env).DATABASE_URL

// One pool per process: route modules are evaluated more than once.
const held = globalThis as typeof globalThis & { compassPool?: Pool; compassDatabase?: Kysely<Tables> }

export function pool(): Pool {
  if (!held.compassPool) {
    held.compassPool = new Pool({ connectionString: databaseUrl(), max: 12 })
    // Without a listener a restart of the database would end the process.
    held.compassPool.on('error', (error) => log.warn({ error: error.message }, 'database connection lost'))
  }
  return held.compassPool
}

export const database = (): Kysely<Tables> =>
  (held.compassDatabase ??= new Kysely<Tables>({ dialect: new PostgresDialect({ pool: pool() }) }))
