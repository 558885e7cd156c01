import { Kysely, PostgresDialect } from 'kysely'
import { Pool, type PoolClient } from 'pg'
import { z } from 'zod'
import { log } from './log'
import type { Tables } from './tables'

const environment = z.object({
  DATABASE_URL: z.string().startsWith('postgres', 'DATABASE_URL must name a PostgreSQL database'),
})
export const databaseUrl = (): string => environment.parse(process.env).DATABASE_URL

/** How long whoever asks is kept waiting, in ms: for a connection; for one statement; for a transaction that does nothing;
 *  and for a connection to come back at all. A database that is frozen answers none of the first three, so the last one is
 *  kept here. */
const WAIT = { connection: 3000, statement: 6000, idleInTransaction: 6000, hold: 8000 } as const

// One pool per process: route modules are evaluated more than once.
const held = globalThis as typeof globalThis & { compassPool?: Pool; compassDatabase?: Kysely<Tables> }

export const pool = (): Pool => (held.compassPool ??= newPool(databaseUrl()))

export function newPool(connectionString: string): Pool {
  const made = new Pool({
    connectionString,
    max: 12,
    connectionTimeoutMillis: WAIT.connection,
    statement_timeout: WAIT.statement,
    idle_in_transaction_session_timeout: WAIT.idleInTransaction,
    keepAlive: true,
  })
  // Without a listener a restart of the database would end the process.
  made.on('error', (error) => log.warn({ error: error.message }, 'database connection lost'))
  const alarms = new Map<PoolClient, NodeJS.Timeout>()
  made.on('acquire', (client) => alarms.set(client, setTimeout(() => cut(client), WAIT.hold).unref()))
  made.on('release', (_error, client) => {
    clearTimeout(alarms.get(client))
    alarms.delete(client)
  })
  return made
}

/** Ends a connection that gives no answer. Its state is unknown to us, so it may not go back to the pool; everything that
 *  waits on it fails at once, and the server undoes its transaction when it notices. */
function cut(client: PoolClient): void {
  log.warn('a database connection gave no answer and was cut')
  ;(client as PoolClient & { connection: { stream: { destroy: () => void } } }).connection.stream.destroy()
}

export const database = (): Kysely<Tables> =>
  (held.compassDatabase ??= new Kysely<Tables>({ dialect: new PostgresDialect({ pool: pool() }) }))

/** SQLSTATE classes and messages that mean: the database is not there for us just now. */
const AWAY_STATES = /^(?:08|57P|57014|53[23]|25P03|55P03)/
const AWAY_WORDS =
  /Connection terminated|timeout exceeded when trying to connect|ECONN|EPIPE|Client has encountered a connection error|not queryable/

/** What a failed statement says about the database itself; null when the fault is in the statement. */
export function databaseState(error: unknown): 'away' | 'full' | null {
  if (!(error instanceof Error)) return null
  const code = 'code' in error && typeof error.code === 'string' ? error.code : ''
  if (code === '53100') return 'full'
  const inside = error instanceof AggregateError ? error.errors : []
  return AWAY_STATES.test(code) || AWAY_WORDS.test(`${code} ${error.message}`) || inside.some((e) => databaseState(e))
    ? 'away'
    : null
}
