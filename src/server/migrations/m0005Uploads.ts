import type { Kysely, Migration } from 'kysely'

/** What people bring is no longer pictures alone: fonts are kept the same way, with the name they call themselves. */
export const uploads: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema.alterTable('picture').renameTo('upload').execute()
    await db.schema.alterTable('folio_picture').renameTo('folio_upload').execute()
    await db.schema
      .alterTable('upload')
      .alterColumn('width', (c) => c.dropNotNull())
      .alterColumn('height', (c) => c.dropNotNull())
      .addColumn('name', 'text')
      .execute()
  },
}
