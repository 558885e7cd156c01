/** Keeps one shared document in step with the server: local updates go out by POST, everybody's come back as server-sent
 *  events. Nothing goes out before the server has told all it has; then whatever it lacks goes out, wherever that comes
 *  from. Nothing leaves the queue before the server has acknowledged it, so a killed server or a lost network costs
 *  waiting, never words. Runs in the browser and in Node. */
import * as Y from 'yjs'

/** What the screen may truthfully say. `why` carries the server's sentence, where it gave one. */
export type SyncState =
  | { readonly is: 'connecting' | 'saving' | 'saved' }
  | { readonly is: 'offline'; readonly why: string | null }
  | { readonly is: 'refused'; readonly why: string }

export type ConnectionOptions = {
  /** What an answer of the server says, in the language of who reads it; null where it says nothing. */
  readonly sentenceIn?: (body: unknown) => string | null
  readonly folio: string
  readonly doc: Y.Doc
  /** Address of the server, '' for the page's own. */
  readonly base: string
  readonly onState: (state: SyncState) => void
  /** Names this window among all that have the folio open. */
  readonly window?: string
  /** Told what happens besides changes: `presence`, `remarks`, `rights`. */
  readonly onNotice?: (name: string, data: unknown) => void
  /** Sent along, where no browser does it: the cookie of a session. */
  readonly headers?: Readonly<Record<string, string>>
}

const BATCH_MS = 50
const RETRY_FIRST_MS = 250
const RETRY_MOST_MS = 4000
/** The server beats every 10 s; a stream silent for longer is dead. */
const SILENCE_MS = 25_000
/** One request takes about so much; what is more goes out in several. */
const BATCH_BYTES = 2_000_000

type Answer = 'sent' | 'later' | 'refused'

export class FolioConnection {
  private pending: Uint8Array[] = []
  private sending: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private last = 0
  /** What the server had when it last said so. */
  private serverHas: Y.Snapshot | null = null
  private reachable = false
  private refusal: string | null = null
  private why: string | null = null
  private paused = false
  private wake: () => void = () => undefined
  private stream = new AbortController()
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
    this.stream.abort()
    this.wake()
    if (this.timer) clearTimeout(this.timer)
  }

  /** Lets go of the event stream while nobody looks: a browser opens only six connections to one host. What is written
   *  meanwhile still goes out. */
  pause(paused: boolean): void {
    if (this.paused === paused) return
    this.paused = paused
    if (paused) this.stream.abort()
    else this.wake()
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

  /** Sequence of the newest update seen. */
  get sequence(): number {
    return this.last
  }

  private isWaiting = (): boolean => this.serverHas === null || this.pending.length > 0 || this.sending !== null

  private onUpdate = (update: Uint8Array, origin: unknown): void => {
    if (origin === this) return
    // Before the server has told what it has, the document itself is the queue.
    if (this.serverHas !== null) {
      if (this.refusal === null) this.pending.push(update)
      else this.startAnew(this.serverHas)
      this.schedule(BATCH_MS)
    }
    this.tell()
  }

  /** A change was refused, and what follows builds on it. Perhaps it has been undone: then the difference is small again. */
  private startAnew(serverHas: Y.Snapshot): void {
    this.refusal = null
    this.pending = [Y.encodeStateAsUpdate(this.options.doc, Y.encodeStateVector(serverHas.sv))]
  }

  private schedule(ms: number): void {
    if (this.timer || this.sending || this.stopped.signal.aborted || this.serverHas === null) return
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
    const batch = this.pending.slice(0, batchLength(this.pending))
    if (batch.length === 0) return
    const answer = await this.post(batch.length === 1 ? (batch[0] as Uint8Array) : Y.mergeUpdates(batch))
    this.reachable = answer !== 'later'
    if (answer !== 'sent') return
    this.why = null
    this.retry = RETRY_FIRST_MS
    this.pending = this.pending.filter((u) => !batch.includes(u))
  }

  private async post(body: Uint8Array): Promise<Answer> {
    try {
      const response = await fetch(`${this.options.base}/api/folios/${this.options.folio}/updates`, {
        method: 'POST',
        body: body as BodyInit,
        headers: { ...this.options.headers, 'content-type': 'application/octet-stream' },
        signal: AbortSignal.any([this.stopped.signal, AbortSignal.timeout(20_000)]),
      })
      if (response.ok) {
        await response.json()
        return 'sent'
      }
      if (isFinal(response.status)) {
        this.refusal = await sentence(response, this.options.sentenceIn)
        return 'refused'
      }
      this.why = await sentence(response, this.options.sentenceIn)
      // What was sent builds on something that is not there: the server is asked anew what it has.
      if (response.status === GAP) this.stream.abort()
      return 'later'
    } catch {
      // Not lost: the batch stays in the queue and is sent again; the state says "offline" meanwhile.
      this.why = null
      return 'later'
    }
  }

  private async listen(): Promise<void> {
    while (!this.stopped.signal.aborted) {
      if (this.paused) await new Promise<void>((resolve) => (this.wake = resolve))
      if (this.stopped.signal.aborted) return
      try {
        await this.readStream()
      } catch {
        // Any end of the stream means: come back. The state tells the person.
      }
      if (this.stopped.signal.aborted) return
      if (this.paused) continue
      this.reachable = false
      this.tell()
      await pause(this.nextRetry())
    }
  }

  private async readStream(): Promise<void> {
    this.stream = new AbortController()
    const { stream } = this
    const alarm: { timer: ReturnType<typeof setTimeout> | null } = { timer: null }
    const heard = () => {
      if (alarm.timer) clearTimeout(alarm.timer)
      alarm.timer = setTimeout(() => stream.abort(), SILENCE_MS)
    }
    heard()
    try {
      await this.readEvents(stream.signal, heard)
    } finally {
      clearTimeout(alarm.timer ?? undefined)
      stream.abort()
    }
  }

  private async readEvents(signal: AbortSignal, heard: () => void): Promise<void> {
    const { base, folio, window = '', headers = {} } = this.options
    const response = await fetch(`${base}/api/folios/${folio}/events?since=${this.last}&window=${window}`, {
      ...{ signal, headers: { ...headers }, cache: 'no-store' },
    })
    if (!response.ok || !response.body) {
      const told = await sentence(response, this.options.sentenceIn)
      // A deleted folio may be taken back, and rights given again: it is asked for from time to time.
      if (isFinal(response.status)) this.refusal = told
      else this.why = told
      throw new Error(`status ${response.status}`)
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
    let buffer = ''
    for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read()) {
      heard()
      buffer += chunk.value
      for (let end = buffer.indexOf('\n\n'); end >= 0; end = buffer.indexOf('\n\n')) {
        this.onEvent(buffer.slice(0, end))
        buffer = buffer.slice(end + 2)
      }
    }
  }

  private onEvent(event: string): void {
    const field = (name: string) => new RegExp(`^${name}: (.*)$`, 'm').exec(event)?.[1]
    const data = field('data')
    if (data === undefined) return
    const name = field('event')
    if (name === 'ready') return this.onReady(Y.decodeSnapshot(fromBase64(data)))
    if (name !== undefined) return this.options.onNotice?.(name, JSON.parse(data))
    Y.applyUpdate(this.options.doc, fromBase64(data), this)
    this.last = Math.max(this.last, Number(field('id') ?? 0))
  }

  /** All that the server has is here. What it lacks goes out now, whatever was queued and whoever wrote it. */
  private onReady(serverHas: Y.Snapshot): void {
    this.serverHas = serverHas
    this.reachable = true
    this.refusal = null
    this.why = null
    this.retry = RETRY_FIRST_MS
    const lacking = Y.encodeStateAsUpdate(this.options.doc, Y.encodeStateVector(serverHas.sv))
    this.pending = Y.snapshotContainsUpdate(serverHas, lacking) ? [] : [lacking]
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
    else if (this.serverHas === null && this.retry === RETRY_FIRST_MS) onState({ is: 'connecting' })
    else if (!this.reachable) onState({ is: 'offline', why: this.why })
    else onState({ is: this.isWaiting() ? 'saving' : 'saved' })
  }
}

const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))
const fromBase64 = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0))

const GAP = 409
const LATER: readonly number[] = [408, GAP, 429]
/** Whether asking again with the same words would get the same answer. */
const isFinal = (status: number): boolean => status >= 400 && status < 500 && !LATER.includes(status)

/** How many of the waiting updates go into one request: at least one. */
function batchLength(pending: readonly Uint8Array[]): number {
  let bytes = 0
  const over = pending.findIndex((u, i) => (bytes += u.length) > BATCH_BYTES && i > 0)
  return over < 0 ? pending.length : over
}

async function sentence(response: Response, sentenceIn: ConnectionOptions['sentenceIn']): Promise<string> {
  const body: unknown = await response.json().catch(() => null)
  return sentenceIn?.(body) ?? `The server refused (status ${response.status}). Reload the page.`
}
