import { sql, type Kysely, type Migration } from 'kysely'

/** What programs ask in the name of a person with: kept as a hash, for what it is allowed, until it is taken back. */
export const tokens: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('access_token')
      .addColumn('id', 'text', (c) => c.primaryKey())
      .addColumn('account_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
      .addColumn('name', 'text', (c) => c.notNull())
      .addColumn('hash', 'text', (c) => c.notNull().unique())
      .addColumn('scopes', 'jsonb', (c) => c.notNull())
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .addColumn('used_at', 'timestamptz')
      .addColumn('taken_back_at', 'timestamptz')
      .execute()
  },
}
