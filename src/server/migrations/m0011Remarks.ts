import { sql, type Kysely, type Migration } from 'kysely'

const now = sql`now()`

/** What readers say about places of a folio; the first of a thread says where, and may propose a change. */
export const remarks: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('remark')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('thread_id', 'text', (c) => c.notNull().references('remark.id').onDelete('cascade'))
      .addColumn('figure_id', 'text')
      // What somebody said stays when they go.
      .addColumn('author_id', 'text', (c) => c.references('account.id').onDelete('set null'))
      .addColumn('author_name', 'text', (c) => c.notNull())
      .addColumn('words', 'text', (c) => c.notNull())
      .addColumn('place', 'jsonb')
      .addColumn('proposal', 'jsonb')
      .addColumn('mentions', 'jsonb', (c) => c.notNull().defaultTo(sql`'[]'::jsonb`))
      .addColumn('state', 'text', (c) => c.notNull().defaultTo('open'))
      .addColumn('settled_by', 'text')
      .addColumn('settled_at', 'timestamptz')
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addColumn('changed_at', 'timestamptz')
      .execute()
    await db.schema.createIndex('remark_of_folio').on('remark').columns(['folio_id', 'made_at']).execute()
    await db.schema
      .createTable('digest')
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('account_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('sent_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addPrimaryKeyConstraint('digest_key', ['folio_id', 'account_id'])
      .execute()
  },
}
