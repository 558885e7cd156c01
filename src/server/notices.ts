/** What happens to folios and people, told across processes: one LISTEN connection per process, and no table. It comes back by
 *  itself after a restart of the database and then tells everybody to look, since notices were missed. */
import { sql } from 'kysely'
import { Client } from 'pg'
import { nanoid } from 'nanoid'
import { database, databaseUrl } from './database'
import { log } from './log'

const CHANNEL = 'folio_changed'
/** A notice of the database holds 8000 bytes. */
const MOST_NOTICE = 7000
const RETRY_MS = 500
const CONNECT_MS = 3000
/** So long after the last listener has left, the connection is given back. */
const REST_MS = 3000

export type Notice =
  /** The newest sequence of the document. */
  | { readonly is: 'changed'; readonly sequence: number }
  /** Somebody may do more or less than before. */
  | { readonly is: 'rights' }
  | { readonly is: 'remarks' }
  /** Where somebody is, from one of their windows; null when it was closed. */
  | { readonly is: 'presence'; readonly window: string; readonly state: unknown }

/** Told what happened, and whether this process said so; null when notices may have been missed. */
type Tell = (notice: Notice | null, own: boolean) => void

class Notices {
  private readonly listeners = new Map<string, Set<Tell>>()
  private client: Promise<Client> | null = null
  private current: Client | null = null

  /** Resolves once no notice can be missed; the answer ends it. */
  async listen(topic: string, tell: Tell): Promise<() => void> {
    const set = this.listeners.get(topic) ?? new Set()
    this.listeners.set(topic, set.add(tell))
    const leave = () => {
      set.delete(tell)
      if (set.size === 0 && this.listeners.get(topic) === set) this.listeners.delete(topic)
      if (this.listeners.size === 0) setTimeout(() => void this.rest(), REST_MS).unref()
    }
    try {
      await this.connected()
    } catch (error) {
      leave()
      throw error
    }
    return leave
  }

  private connected(): Promise<Client> {
    this.client ??= this.connect()
    return this.client
  }

  private async connect(): Promise<Client> {
    const client = new Client({
      connectionString: databaseUrl(),
      keepAlive: true,
      connectionTimeoutMillis: CONNECT_MS,
      application_name: 'changes',
    })
    const lost = () => {
      if (this.current !== client) return
      this.current = null
      this.client = null
      setTimeout(() => void this.again(), RETRY_MS)
    }
    client.on('error', lost)
    client.on('end', lost)
    client.on('notification', (m) => {
      const [, topic = '', by = '', notice = 'null'] = /^(\S+) (\S+) (.*)$/.exec(m.payload ?? '') ?? []
      const set = this.listeners.get(topic)
      if (!set) return
      const told = JSON.parse(notice) as Notice | null
      set.forEach((tell) => tell(told, by === processName()))
    })
    try {
      await client.connect()
      await client.query(`LISTEN ${CHANNEL}`)
      this.current = client
    } catch (error) {
      this.client = null
      throw error
    }
    return client
  }

  /** Nobody listens: whoever comes next connects anew. */
  private async rest(): Promise<void> {
    if (this.listeners.size > 0 || !this.current) return
    const client = this.current
    this.current = null
    this.client = null
    await client.end().catch((error: unknown) => log.warn({ error: String(error) }, 'the connection for notices'))
  }

  private async again(): Promise<void> {
    if (this.listeners.size === 0) return
    try {
      await this.connected()
      for (const set of this.listeners.values()) set.forEach((tell) => tell(null, false))
    } catch (error) {
      log.warn({ error: String(error) }, 'still no database for notices')
      setTimeout(() => void this.again(), RETRY_MS)
    }
  }
}

const held = globalThis as typeof globalThis & { compassNotices?: Notices; compassName?: string }

/** Tells this process from all others on the database. */
const processName = (): string => (held.compassName ??= nanoid())

export const notices = (): Notices => (held.compassNotices ??= new Notices())

/** A notice as the database carries it; `topic` is a folio's id, or `topicOf` a person. */
const payloadOf = (topic: string, notice: Notice): string => `${topic} ${processName()} ${JSON.stringify(notice)}`

export const topicOf = (person: string): string => `person:${person}`

/** Announces a change in the transaction that makes it: it is told when that is committed. */
export const announcing = (folio: string, sequence: number) =>
  sql`select pg_notify(${CHANNEL}, ${payloadOf(folio, { is: 'changed', sequence })})`

/** Tells everybody who listens to the topic, in all processes. Out: false where it is too long to be told. */
export async function told(topic: string, notice: Notice): Promise<boolean> {
  const payload = payloadOf(topic, notice)
  if (Buffer.byteLength(payload) > MOST_NOTICE) return false
  await sql`select pg_notify(${CHANNEL}, ${payload})`.execute(database())
  return true
}
