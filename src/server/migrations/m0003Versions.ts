import { sql, type Kysely, type Migration } from 'kysely'

/** Figures as they stood at some time, to be looked at, compared and restored. */
export const versions: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('figure_version')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('figure_id', 'text', (c) => c.notNull())
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('made_by', 'text', (c) => c.notNull().references('account.id'))
      .addColumn('name', 'text')
      .addColumn('figure', 'jsonb', (c) => c.notNull())
      .execute()
    await db.schema
      .createIndex('version_of_figure')
      .on('figure_version')
      .columns(['folio_id', 'figure_id', 'made_at desc'])
      .execute()
  },
}
