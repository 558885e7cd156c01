/** Which folios have changed, across processes: one LISTEN connection per process, told to every open stream. It comes
 *  back by itself after a restart of the database and then tells everybody to look, since notices were missed. */
import { Client } from 'pg'
import { databaseUrl } from './database'
import { log } from './log'

const CHANNEL = 'folio_changed'
const RETRY_MS = 500

class Changes {
  private readonly listeners = new Map<string, Set<() => void>>()
  private client: Promise<Client> | null = null

  async listen(folio: string, tell: () => void): Promise<() => void> {
    const set = this.listeners.get(folio) ?? new Set()
    this.listeners.set(folio, set.add(tell))
    await this.connected()
    return () => {
      set.delete(tell)
      if (set.size === 0) this.listeners.delete(folio)
    }
  }

  private connected(): Promise<Client> {
    this.client ??= this.connect()
    return this.client
  }

  private async connect(): Promise<Client> {
    const client = new Client({ connectionString: databaseUrl(), keepAlive: true, application_name: 'changes' })
    const lost = () => {
      if (this.client === null) return
      this.client = null
      setTimeout(() => void this.again(), RETRY_MS)
    }
    client.on('error', lost)
    client.on('end', lost)
    client.on('notification', (m) => this.listeners.get(m.payload ?? '')?.forEach((tell) => tell()))
    try {
      await client.connect()
      await client.query(`LISTEN ${CHANNEL}`)
    } catch (error) {
      this.client = null
      throw error
    }
    return client
  }

  private async again(): Promise<void> {
    if (this.listeners.size === 0) return
    try {
      await this.connected()
      for (const set of this.listeners.values()) set.forEach((tell) => tell())
    } catch (error) {
      log.warn({ error: String(error) }, 'still no database for notices')
      setTimeout(() => void this.again(), RETRY_MS)
    }
  }
}

const held = globalThis as typeof globalThis & { compassChanges?: Changes; compassStreams?: Set<() => void> }
export const changes = (): Changes => (held.compassChanges ??= new Changes())

/** Ends of the open event streams: the server waits for open answers when it is told to stop, so they are closed first. */
export function openStreams(): Set<() => void> {
  if (!held.compassStreams) {
    const streams = new Set<() => void>()
    held.compassStreams = streams
    const endAll = () => [...streams].forEach((end) => end())
    process.once('SIGTERM', endAll)
    process.once('SIGINT', endAll)
  }
  return held.compassStreams
}
