import { sql, type Kysely, type Migration } from 'kysely'

/** Folios made into files: asked for, made one after the other, kept for a while. */
export const exports: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('export_job')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('asked_by', 'text', (c) => c.notNull().references('account.id'))
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('format', 'text', (c) => c.notNull())
      .addColumn('options', 'jsonb', (c) => c.notNull())
      .addColumn('state', 'text', (c) => c.notNull().defaultTo('waiting'))
      .addColumn('done', 'integer', (c) => c.notNull().defaultTo(0))
      .addColumn('total', 'integer', (c) => c.notNull().defaultTo(0))
      .addColumn('problem', 'jsonb')
      .addColumn('file', 'bytea')
      .addColumn('asked_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      // Told again and again while it is worked at: one that has fallen silent was lost with its process.
      .addColumn('beat_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .execute()
    await db.schema.createIndex('export_of_folio').on('export_job').columns(['folio_id', 'asked_at desc']).execute()
    await db.schema.createIndex('export_waiting').on('export_job').columns(['state', 'asked_at']).execute()
  },
}
