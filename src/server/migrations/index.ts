import type { Migration } from 'kysely'
import { foundations } from './m0001Foundations'

/** Every migration, in order. A migration that has landed is never changed. */
export const migrations: Record<string, Migration> = { '0001_foundations': foundations }
