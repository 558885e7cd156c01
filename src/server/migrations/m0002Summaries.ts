import { sql, type Kysely, type Migration } from 'kysely'

/** What the shelf shows of a folio, so that it need not read whole projections; and how much lies beside the newest
 *  snapshot, so that an update knows when it is time to compact. */
export const summaries: Migration = {
  async up(db: Kysely<unknown>) {
    await db.schema
      .alterTable('folio')
      .addColumn('summary', 'jsonb')
      .addColumn('loose_updates', 'integer', (c) => c.notNull().defaultTo(0))
      .addColumn('loose_bytes', 'bigint', (c) => c.notNull().defaultTo(0))
      .execute()
    await sql`
      update folio set loose_updates = u.updates, loose_bytes = u.bytes, projected_sequence = 0
      from (select folio_id, count(*) as updates, sum(length(data)) as bytes from folio_update group by folio_id) u
      where u.folio_id = folio.id`.execute(db)
    // Whatever has no summary yet counts as not projected.
    await sql`update folio set projected_sequence = 0`.execute(db)
    await db.schema.dropIndex('folio_by_owner').execute()
    await db.schema
      .createIndex('folio_on_shelf')
      .on('folio')
      .columns(['owner_id', 'changed_at desc', 'id'])
      .where(sql.ref('deleted_at'), 'is', null)
      .execute()
  },
}
