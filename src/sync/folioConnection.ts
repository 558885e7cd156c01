/** Keeps one shared document in step with the server: local updates go out by POST, everybody's come back as server-sent
 *  events. Nothing leaves the queue before the server has acknowledged it, so a killed server or a lost network costs
 *  waiting, never words. Runs in the browser and in Node. */
import * as Y from 'yjs'

/** What the screen may truthfully say. `refused` carries the server's sentence. */
export type SyncState =
  { readonly is: 'connecting' | 'saving' | 'saved' | 'offline' } | { readonly is: 'refused'; readonly why: string }

export type ConnectionOptions = {
  readonly folio: string
  readonly doc: Y.Doc
  /** Address of the server, '' for the page's own. */
  readonly base: string
  readonly onState: (state: SyncState) => void
  /** Remembers over a reload that something local had not been acknowledged. */
  readonly unsent: { readonly get: () => boolean; readonly set: (unsent: boolean) => void }
}

const BATCH_MS = 50
const RETRY_FIRST_MS = 250
const RETRY_MOST_MS = 4000
/** The server beats every 10 s; a stream silent for longer is dead. */
const SILENCE_MS = 25_000

export class FolioConnection {
  private pending: Uint8Array[] = []
  private sending: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private last = 0
  private ready = false
  private reachable = false
  private refusal: string | null = null
  private readonly stopped = new AbortController()
  private retry = RETRY_FIRST_MS

  constructor(private readonly options: ConnectionOptions) {}

  start(): void {
    this.options.doc.on('update', this.onUpdate)
    void this.listen()
    this.tell()
  }

  stop(): void {
    this.options.doc.off('update', this.onUpdate)
    this.stopped.abort()
    if (this.timer) clearTimeout(this.timer)
  }

  /** Resolves when everything local is acknowledged, or false after `ms`. */
  async settled(ms: number): Promise<boolean> {
    const until = Date.now() + ms
    while (this.isWaiting()) {
      if (Date.now() > until) return false
      await (this.sending ?? pause(20))
      if (this.isWaiting()) await pause(20)
    }
    return true
  }

  /** Sequence of the newest update seen or acknowledged. */
  get sequence(): number {
    return this.last
  }

  private isWaiting = (): boolean => this.pending.length > 0 || this.sending !== null

  private onUpdate = (update: Uint8Array, origin: unknown): void => {
    if (origin === this) return
    this.pending.push(update)
    this.options.unsent.set(true)
    this.schedule(BATCH_MS)
    this.tell()
  }

  private schedule(ms: number): void {
    if (this.timer || this.sending || this.stopped.signal.aborted) return
    this.timer = setTimeout(() => {
      this.timer = null
      this.sending = this.send().finally(() => {
        this.sending = null
        if (this.pending.length > 0 && this.refusal === null)
          this.schedule(this.reachable ? BATCH_MS : this.nextRetry())
        this.tell()
      })
    }, ms)
  }

  private async send(): Promise<void> {
    const batch = [...this.pending]
    if (batch.length === 0) return
    const body = Y.mergeUpdates(batch)
    try {
      const response = await fetch(`${this.options.base}/api/folios/${this.options.folio}/updates`, {
        method: 'POST',
        body: body as BodyInit,
        headers: { 'content-type': 'application/octet-stream' },
        signal: AbortSignal.any([this.stopped.signal, AbortSignal.timeout(20_000)]),
      })
      if (response.status >= 400 && response.status < 500 && response.status !== 429) {
        this.refusal = await sentence(response)
        return
      }
      if (!response.ok) throw new Error(`status ${response.status}`)
      await response.json()
      this.pending = this.pending.slice(batch.length)
      this.reachable = true
      this.retry = RETRY_FIRST_MS
      if (this.pending.length === 0) this.options.unsent.set(false)
    } catch {
      // Not lost: the batch stays in the queue and is sent again; the state says "offline" meanwhile.
      this.reachable = false
    }
  }

  private async listen(): Promise<void> {
    const received: Uint8Array[] = []
    while (!this.stopped.signal.aborted) {
      try {
        await this.readStream(received)
      } catch {
        // Any end of the stream means: come back. The state tells the person.
      }
      if (this.stopped.signal.aborted) return
      this.reachable = false
      this.tell()
      await pause(this.nextRetry())
    }
  }

  private async readStream(received: Uint8Array[]): Promise<void> {
    const silence = new AbortController()
    const alarm: { timer: ReturnType<typeof setTimeout> | null } = { timer: null }
    const heard = () => {
      if (alarm.timer) clearTimeout(alarm.timer)
      alarm.timer = setTimeout(() => silence.abort(), SILENCE_MS)
    }
    heard()
    try {
      await this.readEvents(received, silence.signal, heard)
    } finally {
      clearTimeout(alarm.timer ?? undefined)
    }
  }

  private async readEvents(received: Uint8Array[], silence: AbortSignal, heard: () => void): Promise<void> {
    const response = await fetch(`${this.options.base}/api/folios/${this.options.folio}/events?since=${this.last}`, {
      signal: AbortSignal.any([this.stopped.signal, silence]),
      cache: 'no-store',
    })
    if (response.status >= 400 && response.status < 500) {
      this.refusal = await sentence(response)
      this.tell()
      this.stop()
      return
    }
    if (!response.ok || !response.body) throw new Error(`status ${response.status}`)
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
    let buffer = ''
    for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
      heard()
      buffer += chunk.value
      for (let end = buffer.indexOf('\n\n'); end >= 0; end = buffer.indexOf('\n\n')) {
        this.onEvent(buffer.slice(0, end), received)
        buffer = buffer.slice(end + 2)
      }
    }
  }

  private onEvent(event: string, received: Uint8Array[]): void {
    const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(event)?.[1]
    const data = field('data')
    if (field('event') === 'ready') {
      this.onReady(received)
      return
    }
    if (!data) return
    const update = Uint8Array.from(atob(data), (c) => c.charCodeAt(0))
    if (!this.ready) received.push(update)
    Y.applyUpdate(this.options.doc, update, this)
    this.last = Math.max(this.last, Number(field('id') ?? 0))
  }

  /** All that the server has is here. What this browser kept from an earlier, cut-off session goes out now. */
  private onReady(received: Uint8Array[]): void {
    this.reachable = true
    this.retry = RETRY_FIRST_MS
    if (!this.ready) {
      this.ready = true
      if (this.options.unsent.get() && this.pending.length === 0) {
        const known = received.length > 0 ? Y.encodeStateVectorFromUpdate(Y.mergeUpdates(received)) : undefined
        this.pending.push(Y.encodeStateAsUpdate(this.options.doc, known))
      }
      received.length = 0
    }
    if (this.pending.length > 0) this.schedule(0)
    this.tell()
  }

  private nextRetry(): number {
    const now = this.retry
    this.retry = Math.min(RETRY_MOST_MS, this.retry * 1.7)
    return now
  }

  private tell(): void {
    const { onState } = this.options
    if (this.refusal !== null) onState({ is: 'refused', why: this.refusal })
    else if (!this.ready) onState({ is: this.reachable || this.retry === RETRY_FIRST_MS ? 'connecting' : 'offline' })
    else if (!this.reachable) onState({ is: 'offline' })
    else onState({ is: this.isWaiting() ? 'saving' : 'saved' })
  }
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

async function sentence(response: Response): Promise<string> {
  const body: unknown = await response.json().catch(() => null)
  return body !== null && typeof body === 'object' && 'title' in body
    ? String(body.title)
    : `The server refused (status ${response.status}). Reload the page.`
}
