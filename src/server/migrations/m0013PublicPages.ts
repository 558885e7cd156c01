import { sql, type Kysely, type Migration } from 'kysely'

/** Folios and figures as pages for everybody, as they were when published or as they are; and how often each was seen. */
export const publicPages: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('public_page')
      .addColumn('token', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('figure_id', 'text')
      .addColumn('made_by', 'text', (c) => c.references('account.id').onDelete('set null'))
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('taken_back_at', 'timestamptz')
      .addColumn('follows', 'boolean', (c) => c.notNull())
      .addColumn('theme', 'text', (c) => c.notNull())
      .addColumn('title', 'text', (c) => c.notNull())
      .addColumn('page', 'bytea', (c) => c.notNull())
      .addColumn('sequence', 'bigint', (c) => c.notNull())
      .addColumn('page_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('height', 'integer', (c) => c.notNull())
      .execute()
    await db.schema.createIndex('public_page_of_folio').on('public_page').column('folio_id').execute()
    await db.schema
      .createTable('public_view')
      .addColumn('token', 'text', (c) => c.notNull().references('public_page.token').onDelete('cascade'))
      .addColumn('day', 'date', (c) => c.notNull())
      .addColumn('count', 'integer', (c) => c.notNull())
      .addPrimaryKeyConstraint('public_view_key', ['token', 'day'])
      .execute()
  },
}
