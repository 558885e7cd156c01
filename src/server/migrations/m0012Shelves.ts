import { sql, type Kysely, type Migration } from 'kysely'

/** Folios found again: by their words, by what was opened last, by a mark of one's own. */
export const shelves: Migration = {
  async up(db: Kysely<unknown>) {
    for (const table of ['favourite', 'opened'])
      await db.schema
        .createTable(table)
        .addColumn('account_id', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
        .addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
        .addColumn('at', 'timestamptz', (c) => c.notNull().defaultTo(sql`now()`))
        .addPrimaryKeyConstraint(`${table}_key`, ['account_id', 'folio_id'])
        .execute()
    await db.schema.createIndex('opened_last').on('opened').columns(['account_id', 'at desc']).execute()
    // A row for each paragraph and each figure: what is found is a passage, not a folio.
    await sql`
      create table folio_words (
        folio_id text not null references folio (id) on delete cascade,
        place integer not null,
        figure_id text,
        words text not null,
        vector tsvector not null generated always as (to_tsvector('simple', words)) stored,
        primary key (folio_id, place)
      )`.execute(db)
    await sql`create index folio_words_vector on folio_words using gin (vector)`.execute(db)
    // Whatever has no words yet counts as not projected.
    await sql`update folio set projected_sequence = 0`.execute(db)
  },
}
