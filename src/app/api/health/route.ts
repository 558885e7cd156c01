import { databaseAnswers } from '@/server/health'

export const dynamic = 'force-dynamic'

/** 200 when the process answers and reaches its database, 503 otherwise; within two seconds in any case. */
export async function GET(): Promise<Response> {
  return (await databaseAnswers())
    ? Response.json({ status: 'ok', database: 'ok' })
    : Response.json({ status: 'degraded', database: 'unreachable' }, { status: 503 })
}
