import { sql } from 'kysely'
import { database } from './database'
import { log } from './log'

const PATIENCE_MS = 1500

// One question at a time: whoever asks while the database is silent waits for the same answer.
const held = globalThis as typeof globalThis & { compassHealth?: Promise<boolean> | null }

/** Whether the database answers in time. A frozen one says neither yes nor no. */
export function databaseAnswers(): Promise<boolean> {
  held.compassHealth ??= asked().finally(() => (held.compassHealth = null))
  let alarm: NodeJS.Timeout
  const late = new Promise<boolean>((resolve) => (alarm = setTimeout(() => resolve(false), PATIENCE_MS)))
  return Promise.race([held.compassHealth, late]).finally(() => clearTimeout(alarm))
}

async function asked(): Promise<boolean> {
  try {
    await sql`select 1`.execute(database())
    return true
  } catch (error) {
    log.warn({ error: String(error) }, 'health: no database')
    return false
  }
}
