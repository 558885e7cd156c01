import { sql, type Kysely, type Migration } from 'kysely'

/** Uploaded pictures, each stored once by the hash of its bytes, and the folios that hold them. */
export const pictures: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .createTable('picture')
      .addColumn('hash', 'text', (c) => c.primaryKey())
      .addColumn('type', 'text', (c) => c.notNull())
      .addColumn('width', 'integer', (c) => c.notNull())
      .addColumn('height', 'integer', (c) => c.notNull())
      .addColumn('data', 'bytea', (c) => c.notNull())
      .addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
      .execute()
    await db.schema
      .createTable('folio_picture')
      .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
      .addColumn('hash', 'text', (c) => c.notNull().references('picture.hash'))
      .addPrimaryKeyConstraint('folio_picture_key', ['folio_id', 'hash'])
      .execute()
  },
}
