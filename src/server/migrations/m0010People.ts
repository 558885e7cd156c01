import { randomBytes } from 'node:crypto'
import { sql, type CreateTableBuilder, type Kysely, type Migration } from 'kysely'

const now = sql`now()`
type Table = CreateTableBuilder<string, string>
const id = (t: Table): Table => t.addColumn('id', 'text', (c) => c.primaryKey())
const account = (t: Table, name = 'account_id'): Table =>
  t.addColumn(name, 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
const folio = (t: Table): Table =>
  t.addColumn('folio_id', 'text', (c) => c.notNull().references('folio.id').onDelete('cascade'))
const made = (t: Table): Table => t.addColumn('made_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
const changed = (t: Table): Table =>
  t
    .addColumn('created_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
    .addColumn('changed_at', 'timestamptz', (c) => c.notNull().defaultTo(now))

/** People: how they sign in, teams, who may do what to a folio, guests, mail that goes out, and what was done. */
export const people: Migration = {
  async up(db: Kysely<unknown>) {
    await signingIn(db)
    await teams(db)
    await sharing(db)
    await records(db)
  },
}

async function signingIn(db: Kysely<unknown>): Promise<void> {
  await db.schema
    .alterTable('account')
    .addColumn('kind', 'text', (c) => c.notNull().defaultTo('member'))
    .addColumn('email', 'text', (c) => c.unique())
    .addColumn('email_verified', 'boolean', (c) => c.notNull().defaultTo(false))
    .addColumn('image', 'text')
    .addColumn('changed_at', 'timestamptz', (c) => c.notNull().defaultTo(now))
    .addColumn('settings', 'jsonb')
    .execute()
  await sql`update account set kind = 'demo' where id = 'demo'`.execute(db)
  // Never written to before.
  await db.schema.dropTable('session').execute()
  await changed(account(id(db.schema.createTable('session'))))
    .addColumn('token', 'text', (c) => c.notNull().unique())
    .addColumn('expires_at', 'timestamptz', (c) => c.notNull())
    .addColumn('ip_address', 'text')
    .addColumn('user_agent', 'text')
    .execute()
  await db.schema.createIndex('session_of_account').on('session').column('account_id').execute()
  await changed(account(id(db.schema.createTable('sign_in'))))
    .addColumn('provider', 'text', (c) => c.notNull())
    .addColumn('subject', 'text', (c) => c.notNull())
    .addColumn('access_token', 'text')
    .addColumn('refresh_token', 'text')
    .addColumn('id_token', 'text')
    .addColumn('access_token_expires_at', 'timestamptz')
    .addColumn('refresh_token_expires_at', 'timestamptz')
    .addColumn('scope', 'text')
    .addColumn('password', 'text')
    .execute()
  await db.schema.createIndex('sign_in_of_account').on('sign_in').column('account_id').execute()
  await changed(id(db.schema.createTable('verification')))
    .addColumn('identifier', 'text', (c) => c.notNull())
    .addColumn('value', 'text', (c) => c.notNull())
    .addColumn('expires_at', 'timestamptz', (c) => c.notNull())
    .execute()
  await db.schema.createIndex('verification_named').on('verification').column('identifier').execute()
  await made(account(id(db.schema.createTable('passkey'))))
    .addColumn('name', 'text', (c) => c.notNull())
    .addColumn('public_key', 'bytea', (c) => c.notNull())
    .addColumn('counter', 'bigint', (c) => c.notNull())
    .addColumn('transports', 'jsonb')
    .addColumn('used_at', 'timestamptz')
    .execute()
  await db.schema
    .createTable('installation')
    .addColumn('name', 'text', (c) => c.primaryKey())
    .addColumn('value', 'text', (c) => c.notNull())
    .execute()
  const secret = randomBytes(48).toString('base64url')
  await sql`insert into installation (name, value) values ('secret', ${secret})`.execute(db)
}

async function teams(db: Kysely<unknown>): Promise<void> {
  await made(id(db.schema.createTable('team')))
    .addColumn('name', 'text', (c) => c.notNull())
    .addColumn('deleted_at', 'timestamptz')
    .execute()
  await made(account(db.schema.createTable('team_member') as Table))
    .addColumn('team_id', 'text', (c) => c.notNull().references('team.id').onDelete('cascade'))
    .addColumn('role', 'text', (c) => c.notNull())
    .addPrimaryKeyConstraint('team_member_key', ['team_id', 'account_id'])
    .execute()
  await db.schema.createIndex('team_of_member').on('team_member').column('account_id').execute()
  await db.schema
    .alterTable('shelf')
    .addColumn('team_id', 'text', (c) => c.references('team.id').onDelete('cascade'))
    .addColumn('parent_id', 'text', (c) => c.references('shelf.id').onDelete('cascade'))
    .execute()
  await db.schema.createIndex('shelf_of_team').on('shelf').column('team_id').execute()
  await db.schema.createIndex('shelf_of_owner').on('shelf').column('owner_id').execute()
  await db.schema.createIndex('folio_of_shelf').on('folio').columns(['shelf_id', 'changed_at desc']).execute()
}

async function sharing(db: Kysely<unknown>): Promise<void> {
  await made(account(folio(db.schema.createTable('folio_share') as Table)))
    .addColumn('role', 'text', (c) => c.notNull())
    .addColumn('made_by', 'text', (c) => c.notNull().references('account.id').onDelete('cascade'))
    .addPrimaryKeyConstraint('folio_share_key', ['folio_id', 'account_id'])
    .execute()
  await db.schema.createIndex('share_of_account').on('folio_share').column('account_id').execute()
  await made(account(id(db.schema.createTable('invitation')), 'made_by'))
    .addColumn('hash', 'text', (c) => c.notNull().unique())
    .addColumn('email', 'text')
    .addColumn('role', 'text', (c) => c.notNull())
    .addColumn('team_id', 'text', (c) => c.references('team.id').onDelete('cascade'))
    .addColumn('folio_id', 'text', (c) => c.references('folio.id').onDelete('cascade'))
    .addColumn('ends_at', 'timestamptz', (c) => c.notNull())
    .addColumn('used_at', 'timestamptz')
    .execute()
  await made(account(folio(id(db.schema.createTable('guest_link'))), 'made_by'))
    .addColumn('token', 'text', (c) => c.notNull().unique())
    .addColumn('role', 'text', (c) => c.notNull())
    .addColumn('name', 'text', (c) => c.notNull())
    .addColumn('password', 'text')
    .addColumn('ends_at', 'timestamptz')
    .addColumn('taken_back_at', 'timestamptz')
    .execute()
  await db.schema.createIndex('guest_link_of_folio').on('guest_link').column('folio_id').execute()
  await made(account(db.schema.createTable('guest_visit') as Table))
    .addColumn('link_id', 'text', (c) => c.notNull().references('guest_link.id').onDelete('cascade'))
    .addPrimaryKeyConstraint('guest_visit_key', ['account_id', 'link_id'])
    .execute()
}

async function records(db: Kysely<unknown>): Promise<void> {
  await made(id(db.schema.createTable('mail')))
    .addColumn('recipient', 'text', (c) => c.notNull())
    .addColumn('subject', 'text', (c) => c.notNull())
    .addColumn('words', 'text', (c) => c.notNull())
    .addColumn('sent_at', 'timestamptz')
    .addColumn('attempts', 'integer', (c) => c.notNull().defaultTo(0))
    .execute()
  await made(id(db.schema.createTable('audit')))
    // Kept when the account goes: what was done stays done.
    .addColumn('account_id', 'text', (c) => c.references('account.id').onDelete('set null'))
    .addColumn('folio_id', 'text', (c) => c.references('folio.id').onDelete('set null'))
    .addColumn('team_id', 'text', (c) => c.references('team.id').onDelete('set null'))
    .addColumn('link_id', 'text', (c) => c.references('guest_link.id').onDelete('set null'))
    .addColumn('what', 'text', (c) => c.notNull())
    .addColumn('about', 'jsonb')
    .addColumn('came_from', 'text')
    .execute()
  await db.schema.createIndex('audit_of_account').on('audit').columns(['account_id', 'made_at desc']).execute()
  await db.schema.createIndex('audit_of_folio').on('audit').columns(['folio_id', 'made_at desc']).execute()
}
