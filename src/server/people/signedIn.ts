/** Who asks: by the session of the request, else the demo person where this is a local start, else nobody. */
import { database } from '../database'
import type { Person } from '../authorize'
import { goodLink } from '../standing'
import { auth } from './auth'
import { isLocal } from './mode'

export const DEMO_PERSON: Person = { id: 'demo', name: 'Training office', kind: 'demo', session: null }

/** A request a moment ago had the same session: asked again only after so long. */
const KNOWN_MS = 1000
const MOST_KNOWN = 2000
type Known = { readonly person: Person | null; readonly until: number }
const held = globalThis as typeof globalThis & { compassKnown?: Map<string, Known> }

const SESSION_COOKIE = /(?:^|;\s*)(?:__Secure-)?compass\.session_token=([^;]+)/

export async function signedIn(headers: Headers): Promise<Person | null> {
  const cookie = SESSION_COOKIE.exec(headers.get('cookie') ?? '')?.[1]
  const person = cookie === undefined ? null : await known(cookie, headers)
  return person ?? (isLocal() ? DEMO_PERSON : null)
}

async function known(cookie: string, headers: Headers): Promise<Person | null> {
  const all = (held.compassKnown ??= new Map())
  const now = Date.now()
  const before = all.get(cookie)
  if (before && before.until > now) return before.person
  const person = await personOf(headers)
  if (all.size >= MOST_KNOWN) all.clear()
  all.set(cookie, { person, until: now + KNOWN_MS })
  return person
}

/** Whoever came by links is somebody as long as one of them lets them in. */
async function personOf(headers: Headers): Promise<Person | null> {
  const person = await accountOf(headers)
  return person?.kind === 'guest' && !(await hasOpenDoor(person.id)) ? null : person
}

/** Whether it is a guest who asks and is nobody any more: there is nothing they could sign in to. */
export const isShutOut = async (headers: Headers): Promise<boolean> =>
  (await signedIn(headers)) === null && (await accountOf(headers))?.kind === 'guest'

async function accountOf(headers: Headers): Promise<Person | null> {
  // Renewing a session is the business of its own route: here nobody could send the cookie back.
  const found = await (await auth()).api.getSession({ headers, query: { disableRefresh: true } })
  if (!found) return null
  const { user, session } = found
  const kind = user.kind === 'guest' || user.kind === 'demo' ? user.kind : 'member'
  return { id: user.id, name: user.name, kind, session: session.id }
}

async function hasOpenDoor(guest: string): Promise<boolean> {
  const row = await database()
    .selectFrom('guest_visit as v')
    .innerJoin('guest_link as l', 'l.id', 'v.link_id')
    .select('l.id')
    .where('v.account_id', '=', guest)
    .where(goodLink)
    .limit(1)
    .executeTakeFirst()
  return row !== undefined
}

/** Nothing is known any more of who asked a moment ago: somebody has just signed out. */
export const forgetKnown = (): void => held.compassKnown?.clear()

/** Whether the session is still there: streams outlive the request that began them. */
export async function isSignedIn({ id, session }: Person): Promise<boolean> {
  if (session === null) return isLocal()
  const row = await database()
    .selectFrom('session')
    .select('id')
    .where('id', '=', session)
    .where('account_id', '=', id)
    .where('expires_at', '>', new Date())
    .executeTakeFirst()
  return row !== undefined
}
