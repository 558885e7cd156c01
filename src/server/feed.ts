/** What is new in a folio, read once for all who follow it in this process and handed on in memory. */
import { database } from './database'
import { log } from './log'
import { notices, type Notice } from './notices'
import { slicesSince, type Slice } from './slices'

/** A slice as it goes out: text of an event, made once. */
export type Sent = { readonly sequence: number; readonly event: Uint8Array }

/** Slices that go out together, and their events in one piece. */
export type Batch = { readonly sent: readonly Sent[]; readonly events: Uint8Array }

export type Follower = {
  /** Given what is new, or null when the feed has ended and one must come back. */
  readonly take: (batch: Batch | null) => void
  /** Told what else happened; null when something may have been missed. */
  readonly hear: (notice: Exclude<Notice, { is: 'changed' }> | null) => void
}

/** At most so often is something handed on; what comes in between goes out together. Every window costs the server the
 *  same for one slice as for ten. */
const PACE_MS = 40

const encoder = new TextEncoder()
export const sentOf = (s: Slice): Sent => ({
  sequence: s.sequence,
  event: encoder.encode(`id: ${s.sequence}\ndata: ${Buffer.from(s.data).toString('base64')}\n\n`),
})

class Feed {
  readonly followers = new Set<Follower>()
  private last = 0
  private reading = false
  private waiting: Sent[] = []
  private pace: NodeJS.Timeout | null = null
  private handedOn = 0
  private again = false
  isOver = false
  private leave: () => void = () => undefined

  private constructor(
    private readonly folio: string,
    private readonly ended: () => void,
  ) {}

  static async begin(folio: string, ended: () => void): Promise<Feed> {
    const feed = new Feed(folio, ended)
    // Listen first: what comes in after the sequence was read is announced.
    feed.leave = await notices().listen(folio, (notice, own) => feed.heard(notice, own))
    try {
      const row = await database().selectFrom('folio').select('sequence').where('id', '=', folio).executeTakeFirst()
      feed.last = Math.max(feed.last, Number(row?.sequence ?? 0))
    } catch (error) {
      feed.leave()
      throw error
    }
    return feed
  }

  /** Written by this process: known without reading, unless something of another process lies in between. Nothing given:
   *  it is not known what was written. */
  published(slices: readonly Slice[]): void {
    if (!this.reading && slices[0]?.sequence === this.last + 1) this.receive(slices)
    else void this.look(slices.at(-1)?.sequence ?? null)
  }

  private heard(notice: Notice | null, own: boolean): void {
    if (notice?.is !== 'changed') for (const f of [...this.followers]) f.hear(notice)
    // What this process has written it tells its feeds itself, without reading it.
    if (notice === null) void this.look(null)
    else if (notice.is === 'changed' && !own) void this.look(notice.sequence)
  }

  private async look(sequence: number | null): Promise<void> {
    if (sequence !== null && sequence <= this.last) return
    this.again = true
    if (this.reading) return
    this.reading = true
    try {
      while (this.again) {
        this.again = false
        this.receive(await slicesSince(this.folio, this.last))
      }
    } catch (error) {
      log.warn({ folio: this.folio, error: String(error) }, 'event streams ended: no database')
      this.end()
    } finally {
      this.reading = false
    }
  }

  private receive(slices: readonly Slice[]): void {
    const sent = slices.map(sentOf)
    this.last = sent.at(-1)?.sequence ?? this.last
    this.waiting.push(...sent)
    if (this.pace || this.waiting.length === 0) return
    const wait = Math.max(0, this.handedOn + PACE_MS - Date.now())
    this.pace = setTimeout(() => this.handOn(), wait)
  }

  private handOn(): void {
    const batch = { sent: this.waiting, events: Buffer.concat(this.waiting.map((s) => s.event)) }
    this.pace = null
    this.waiting = []
    this.handedOn = Date.now()
    for (const { take } of [...this.followers]) take(batch)
  }

  end(): void {
    if (this.isOver) return
    this.isOver = true
    if (this.pace) clearTimeout(this.pace)
    this.leave()
    this.ended()
    for (const { take } of [...this.followers]) take(null)
    this.followers.clear()
  }
}

const held = globalThis as typeof globalThis & { compassFeeds?: Map<string, Promise<Feed>> }
const feeds = (): Map<string, Promise<Feed>> => (held.compassFeeds ??= new Map())

/** Hands on everything after the newest slice at the time it resolves, and perhaps some before. The answer ends it. */
export async function follow(folio: string, follower: Follower): Promise<() => void> {
  for (;;) {
    const feed = await feedOf(folio)
    // Its last follower may have left while we waited.
    if (feed.isOver) continue
    feed.followers.add(follower)
    return () => {
      feed.followers.delete(follower)
      if (feed.followers.size === 0) feed.end()
    }
  }
}

async function feedOf(folio: string): Promise<Feed> {
  const known = feeds().get(folio)
  if (known) return known
  const over = () => {
    if (feeds().get(folio) === beginning) feeds().delete(folio)
  }
  const beginning = Feed.begin(folio, over)
  feeds().set(folio, beginning)
  beginning.catch(over)
  return beginning
}

/** Tells followers in this process what it has just committed: its own notices are not listened to. */
export function publish(folio: string, slices: readonly Slice[]): void {
  // A feed that could not begin has told so to those who wanted it.
  void feeds()
    .get(folio)
    ?.then(
      (feed) => feed.published(slices),
      () => undefined,
    )
}
