import { type Kysely, type Migration } from 'kysely'

/** What the folios of a team begin in, and the words that it has agreed on. */
export const teamHouse: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .alterTable('team')
      .addColumn('standard', 'jsonb')
      .addColumn('glossary', 'text', (c) => c.notNull().defaultTo(''))
      .execute()
  },
}
