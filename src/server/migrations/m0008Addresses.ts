import { sql, type Kysely, type Migration } from 'kysely'

/** Addresses under which pictures of figures are shown to whoever has them, until they are taken back. */
export const addresses: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('picture_address')
      .addColumn('token', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('figure_id', 'text', (c) => c.notNull())
      .addColumn('made_by', 'text', (c) => c.notNull().references('account.id'))
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('taken_back_at', 'timestamptz')
      .execute()
    await db.schema.createIndex('address_of_figure').on('picture_address').columns(['folio_id', 'figure_id']).execute()
  },
}
