import { sql, type Kysely, type Migration } from 'kysely'

/** Worked patterns of people and teams: a text, and its figures. */
export const ownPatterns: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('worked_pattern')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('owner_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('team_id', 'text', (c) => c.references('team.id').onDelete('cascade'))
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('task', 'text', (c) => c.notNull())
      .addColumn('words', 'text', (c) => c.notNull())
      .addColumn('figures', 'jsonb', (c) => c.notNull())
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .execute()
  },
}
