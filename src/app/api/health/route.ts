import { sql } from 'kysely'
import { database } from '@/server/database'
import { log } from '@/server/log'

export const dynamic = 'force-dynamic'

/** 200 when the process answers and reaches its database, 503 otherwise. */
export async function GET(): Promise<Response> {
  try {
    await sql`select 1`.execute(database())
    return Response.json({ status: 'ok', database: 'ok' })
  } catch (error) {
    log.warn({ error: String(error) }, 'health: no database')
    return Response.json({ status: 'degraded', database: 'unreachable' }, { status: 503 })
  }
}
