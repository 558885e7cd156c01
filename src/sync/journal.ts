/** Local updates kept at once, in a storage that does not make one wait: the browser's database takes them a moment later,
 *  and a page that is reloaded or killed may not wait for it. Emptied whenever all is on the server. */
import * as Y from 'yjs'

type Store = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>

/** The database has long had what is older; in bytes. */
const MOST = 200_000

export class Journal {
  private own: Uint8Array | null = null
  private readonly prefix: string
  private readonly taken = new Set<string>()

  /** `window` tells the windows of one browser apart. */
  constructor(
    private readonly store: Store,
    folio: string,
    private readonly window: string,
  ) {
    this.prefix = `journal ${folio} `
  }

  add(update: Uint8Array): void {
    const merged = this.own ? Y.mergeUpdates([this.own, update]) : update
    this.own = merged.length > MOST ? update : merged
    if (this.own.length > MOST) return
    try {
      this.store.setItem(this.prefix + this.window, btoa(String.fromCharCode(...this.own)))
    } catch {
      // The storage is full: the database keeps the words, a moment later.
      this.own = null
    }
  }

  /** What windows that are gone have left, and what others hold. */
  kept(): Uint8Array[] {
    return this.keys().flatMap((key) => {
      this.taken.add(key)
      const text = this.store.getItem(key)
      try {
        return text === null ? [] : [Uint8Array.from(atob(text), (c) => c.charCodeAt(0))]
      } catch {
        // Not written by us.
        return []
      }
    })
  }

  /** Everything of this window is on the server, and with it what it took over; other windows speak for themselves. */
  clear(): void {
    if (this.own) this.taken.add(this.prefix + this.window)
    this.own = null
    for (const key of this.taken) this.store.removeItem(key)
    this.taken.clear()
  }

  private keys(): string[] {
    const all = Array.from({ length: this.store.length }, (_, i) => this.store.key(i))
    return all.filter((key): key is string => key !== null && key.startsWith(this.prefix))
  }
}
