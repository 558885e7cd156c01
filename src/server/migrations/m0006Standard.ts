import type { Kysely, Migration } from 'kysely'

/** What a person's new folios are dressed in. */
export const standard: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema.alterTable('account').addColumn('standard', 'jsonb').execute()
  },
}
