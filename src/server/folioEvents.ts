import * as Y from 'yjs'
import { follow, sentOf, type Batch, type Follower, type Sent } from './feed'
import { log } from './log'
import { notices, told, topicOf } from './notices'
import { withNewest } from './openFolios'
import { slicesSince } from './slices'

const BEAT_MS = 10_000
/** A reader that lets more than this pile up is cut off; it comes back and is told what it missed. */
const MAX_LAG = 8_000_000
const ROOM = 256_000

const encoder = new TextEncoder()
const BEAT = encoder.encode(': beat\n\n')

const held = globalThis as typeof globalThis & { compassStreams?: Set<() => void> }

/** Ends of the open event streams: the server waits for open answers when it is told to stop, so they are closed first. */
function openStreams(): Set<() => void> {
  if (!held.compassStreams) {
    const streams = new Set<() => void>()
    held.compassStreams = streams
    const endAll = () => [...streams].forEach((end) => end())
    process.once('SIGTERM', endAll)
    process.once('SIGINT', endAll)
  }
  return held.compassStreams
}

/** The event stream of a folio: `id` is the sequence, `data` the update in base64. `ready` says that all there is has been
 *  sent; its data is what the server has, as a Yjs snapshot in base64, so that a client can tell what the server lacks. */
export const folioEvents = (
  folio: string,
  since: number,
  reader: Reader,
  signal: AbortSignal,
): ReadableStream<Uint8Array> => {
  const stream = new EventStream(folio, since, reader)
  signal.addEventListener('abort', stream.close, { once: true })
  if (signal.aborted) stream.close()
  return new ReadableStream<Uint8Array>(
    { start: (controller) => stream.start(controller), pull: () => stream.roomy(), cancel: () => stream.close() },
    new ByteLengthQueuingStrategy({ highWaterMark: ROOM }),
  )
}

/** Who reads: the person, the window they read in, and whether they still may. A right that ends by itself is looked at anew. */
export type Reader = {
  readonly person: string
  readonly window: string
  readonly still: () => Promise<boolean>
}
const LOOK_MS = 60_000

class EventStream {
  private controller: ReadableStreamDefaultController<Uint8Array> | null = null
  private open = true
  /** What came in while older slices are still being sent; null when they all are. */
  private early: Sent[] | null = []
  private waiting = 0
  private beat: NodeJS.Timeout | null = null
  private look: NodeJS.Timeout | null = null
  private leave: () => void = () => undefined
  private leavePerson: () => void = () => undefined
  private hasRoom: () => void = () => undefined

  constructor(
    private readonly folio: string,
    private last: number,
    private readonly reader: Reader,
  ) {}

  /** Returns at once: `pull` is called only after it. */
  start(controller: ReadableStreamDefaultController<Uint8Array>): void {
    this.controller = controller
    if (!this.open) return controller.close()
    openStreams().add(this.close)
    this.beat = setInterval(() => this.write(BEAT), BEAT_MS)
    this.look = setInterval(() => void this.stillReads(), LOOK_MS)
    void this.catchUp().catch((error: unknown) => {
      log.warn({ folio: this.folio, error: String(error) }, 'event stream could not begin')
      this.close()
    })
  }

  readonly close = (): void => {
    if (!this.open) return
    this.open = false
    if (this.beat) clearInterval(this.beat)
    if (this.look) clearInterval(this.look)
    this.leave()
    this.leavePerson()
    this.tellGone()
    this.hasRoom()
    openStreams().delete(this.close)
    try {
      this.controller?.close()
    } catch {
      // The reader has gone already, and its stream with it.
    }
  }

  roomy(): void {
    this.hasRoom()
  }

  private async catchUp(): Promise<void> {
    this.write(encoder.encode('retry: 500\n\n'))
    const leave = await follow(this.folio, { take: this.take, hear: this.hear })
    if (!this.open) return leave()
    this.leave = leave
    const leavePerson = await notices().listen(topicOf(this.reader.person), () => void this.lookAtRights())
    if (!this.open) return leavePerson()
    this.leavePerson = leavePerson
    // What was taken before anybody listened is not told any more.
    if (!(await this.reader.still())) return this.close()
    for (const slice of await slicesSince(this.folio, this.last)) {
      await this.room()
      this.send(sentOf(slice))
    }
    const early = this.early ?? []
    this.early = null
    early.forEach((s) => this.send(s))
    const has = await withNewest(this.folio, ({ doc }) => Y.encodeSnapshot(Y.snapshot(doc)))
    this.write(encoder.encode(`event: ready\ndata: ${Buffer.from(has).toString('base64')}\n\n`))
  }

  private readonly hear: Follower['hear'] = (notice) => {
    if (notice === null || notice.is === 'rights') return void this.lookAtRights()
    const data = notice.is === 'presence' ? JSON.stringify({ window: notice.window, state: notice.state }) : '{}'
    this.write(encoder.encode(`event: ${notice.is}\ndata: ${data}\n\n`))
  }

  /** A right that cannot be looked at is not taken for one that is gone: whoever comes back is asked anew. */
  private async stillReads(): Promise<boolean> {
    const still = await this.reader.still().catch(() => true)
    if (!still) this.close()
    return still
  }

  /** What the reader may do has perhaps become something else: their page asks. */
  private async lookAtRights(): Promise<void> {
    if (await this.stillReads()) this.write(encoder.encode('event: rights\ndata: {}\n\n'))
  }

  /** A window that was closed is seen to go at once. */
  private tellGone(): void {
    if (this.reader.window === '') return
    void told(this.folio, { is: 'presence', window: this.reader.window, state: null }).catch((error: unknown) =>
      log.warn({ error: String(error) }, 'that somebody left could not be told'),
    )
  }

  private readonly take = (batch: Batch | null): void => {
    if (batch === null) this.close()
    else if (this.early) this.keep(batch, this.early)
    else if (batch.sent.some((s) => s.sequence <= this.last)) batch.sent.forEach((s) => this.send(s))
    else {
      this.last = batch.sent.at(-1)?.sequence ?? this.last
      this.write(batch.events)
    }
  }

  private keep(batch: Batch, early: Sent[]): void {
    this.waiting += batch.events.length
    if (this.waiting > MAX_LAG) return this.close()
    early.push(...batch.sent)
  }

  private send(sent: Sent): void {
    if (sent.sequence <= this.last) return
    this.last = sent.sequence
    this.write(sent.event)
  }

  private write(chunk: Uint8Array): void {
    if (!this.open || !this.controller) return
    if ((this.controller.desiredSize ?? 0) < -MAX_LAG) {
      log.warn({ folio: this.folio }, 'an event stream that is not read was closed')
      this.controller.error(new Error('the reader is too slow'))
      return this.close()
    }
    this.controller.enqueue(chunk)
  }

  /** Resolves when the reader has taken what lies before it. */
  private async room(): Promise<void> {
    while (this.open && (this.controller?.desiredSize ?? 0) <= 0)
      await new Promise<void>((resolve) => (this.hasRoom = resolve))
  }
}
