import { sql, type Kysely, type Migration } from 'kysely'

/** Versions of whole folios, and why something was restored. */
export const folioVersions: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('folio_version')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('made_by', 'text', (c) => c.notNull().references('account.id'))
      .addColumn('name', 'text')
      .addColumn('why', 'text')
      .addColumn('state', 'bytea', (c) => c.notNull())
      .addColumn('hash', 'text', (c) => c.notNull())
      .addColumn('summary', 'jsonb', (c) => c.notNull())
      .execute()
    await db.schema.createIndex('folio_version_newest').on('folio_version').columns(['folio_id', 'made_at']).execute()
    await db.schema.alterTable('figure_version').addColumn('why', 'text').execute()
  },
}
