import { sql, type Kysely, type Migration } from 'kysely'

const now = sql`now()`

export const foundations: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('account')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .execute()
    await db.schema
      .createTable('session')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('account_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addColumn('expires_at', 'timestamptz', (c) => c.notNull())
      .execute()
    await db.schema
      .createTable('shelf')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('owner_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .execute()
    await db.schema
      .createTable('folio')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('shelf_id', 'text', (c) => c.notNull().references('shelf.id').onDelete('cascade'))
      .addColumn('owner_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addColumn('changed_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
      .addColumn('deleted_at', 'timestamptz')
      .addColumn('sequence', 'bigint', (c) => c.notNull().defaultTo(0))
      .addColumn('projection', 'jsonb')
      .addColumn('projected_sequence', 'bigint', (c) => c.notNull().defaultTo(0))
      .execute()
    await db.schema.createIndex('folio_by_owner').on('folio').columns(['owner_id', 'changed_at']).execute()
    for (const table of ['folio_update', 'folio_snapshot'])
      await db.schema
        .createTable(table)
        .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
        .addColumn('sequence', 'bigint', (c) => c.notNull())
        .addColumn('data', 'bytea', (c) => c.notNull())
        .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
        .addPrimaryKeyConstraint(`${table}_key`, ['folio_id', 'sequence'])
        .execute()
  },
}
