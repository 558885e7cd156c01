/** Tokens that programs ask with, in the name of a person: of one secret only the hash is kept. */
import { createHash, randomBytes } from 'node:crypto'
import { nanoid } from 'nanoid'
import { z } from 'zod'
import type { Person } from './authorize'
import { database } from './database'

export const scopes = ['read', 'draw', 'convert'] as const
export type Scope = (typeof scopes)[number]
const scopesSchema = z.array(z.enum(scopes))

export type Token = {
  readonly id: string
  readonly name: string
  readonly scopes: readonly Scope[]
  readonly madeAt: string
  readonly usedAt: string | null
}

const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex')

/** The secret, which is never told again. */
export async function makeToken(person: string, name: string, allowed: readonly Scope[]): Promise<string> {
  const secret = `ic_${randomBytes(24).toString('base64url')}`
  await database()
    .insertInto('access_token')
    .values({
      ...{ id: nanoid(), account_id: person, name, hash: hashOf(secret), scopes: JSON.stringify(allowed) },
      ...{ used_at: null, taken_back_at: null },
    })
    .execute()
  return secret
}

export async function tokensOf(person: string): Promise<Token[]> {
  const rows = await database()
    .selectFrom('access_token')
    .select(['id', 'name', 'scopes', 'made_at', 'used_at'])
    .where('account_id', '=', person)
    .where('taken_back_at', 'is', null)
    .orderBy('made_at', 'desc')
    .execute()
  return rows.map((r) => ({
    ...{ id: r.id, name: r.name, scopes: scopesSchema.catch([]).parse(r.scopes) },
    ...{ madeAt: r.made_at.toISOString(), usedAt: r.used_at?.toISOString() ?? null },
  }))
}

/** It opens nothing from now on. */
export async function takeBackToken(person: string, id: string): Promise<boolean> {
  const found = await database()
    .updateTable('access_token')
    .set({ taken_back_at: new Date() })
    .where('account_id', '=', person)
    .where('id', '=', id)
    .where('taken_back_at', 'is', null)
    .returning('id')
    .executeTakeFirst()
  return found !== undefined
}

/** Who asks with a secret, and what they may; null for one that opens nothing. */
export async function askedWith(secret: string): Promise<{ person: Person; scopes: readonly Scope[] } | null> {
  const row = await database()
    .updateTable('access_token as t')
    .from('account as a')
    .set({ used_at: new Date() })
    .whereRef('a.id', '=', 't.account_id')
    .where('t.hash', '=', hashOf(secret))
    .where('t.taken_back_at', 'is', null)
    .returning(['a.id', 'a.name', 'a.kind', 't.scopes'])
    .executeTakeFirst()
  return row
    ? {
        person: { id: row.id, name: row.name, kind: row.kind, session: null },
        scopes: scopesSchema.catch([]).parse(row.scopes),
      }
    : null
}
