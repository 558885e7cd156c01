/** Which folios have changed, across processes: one LISTEN connection per process. It comes back by itself after a restart
 *  of the database and then tells everybody to look, since notices were missed. */
import { Client } from 'pg'
import { nanoid } from 'nanoid'
import { databaseUrl } from './database'
import { log } from './log'

const CHANNEL = 'folio_changed'
const RETRY_MS = 500
const CONNECT_MS = 3000
/** So long after the last listener has left, the connection is given back. */
const REST_MS = 3000

/** Told the newest sequence, or null when notices may have been missed. */
type Tell = (sequence: number | null) => void

class Changes {
  private readonly listeners = new Map<string, Set<Tell>>()
  private client: Promise<Client> | null = null
  private current: Client | null = null

  /** Resolves once no notice can be missed; the answer ends it. */
  async listen(folio: string, tell: Tell): Promise<() => void> {
    const set = this.listeners.get(folio) ?? new Set()
    this.listeners.set(folio, set.add(tell))
    const leave = () => {
      set.delete(tell)
      if (set.size === 0 && this.listeners.get(folio) === set) this.listeners.delete(folio)
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
      const [folio = '', sequence, by] = (m.payload ?? '').split(' ')
      // What this process has written it tells its feeds itself, without reading it.
      if (by !== processName())
        this.listeners.get(folio)?.forEach((tell) => tell(sequence === undefined ? null : Number(sequence)))
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
      for (const set of this.listeners.values()) set.forEach((tell) => tell(null))
    } catch (error) {
      log.warn({ error: String(error) }, 'still no database for notices')
      setTimeout(() => void this.again(), RETRY_MS)
    }
  }
}

const held = globalThis as typeof globalThis & { compassChanges?: Changes; compassName?: string }

/** Tells this process from all others on the database. */
const processName = (): string => (held.compassName ??= nanoid())

/** What a change is announced with: folio, sequence, and who wrote it. */
export const noticeOf = (folio: string, sequence: number): string => `${folio} ${sequence} ${processName()}`

export const changes = (): Changes => (held.compassChanges ??= new Changes())
