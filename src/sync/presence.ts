/** Who else is here, and where: told from window to window through the server, which keeps nothing of it. What one says is sent
 *  after a short pause and now and then again; who has not been heard of for a while is gone. */

/** Where a window is. `caret` are Yjs relative positions in the manuscript, `parts` what is selected of the figure. */
export type Place = {
  readonly view: 'folio' | 'figure'
  readonly figure?: string | undefined
  readonly parts?: readonly string[] | undefined
  readonly caret?: unknown
  /** How far down the page is, from 0 to 1. */
  readonly down?: number | undefined
}
export type Other = {
  readonly window: string
  readonly person: string
  readonly name: string
  readonly colour: string
  readonly place: Place
}

type Options = {
  readonly window: string
  readonly send: (body: { window: string; hello: boolean; place: Place | null }) => Promise<unknown>
  readonly onChange: (others: readonly Other[]) => void
  readonly now?: () => number
}

const PAUSE_MS = 90
const AGAIN_MS = 15_000
const GONE_MS = 40_000

/** Dark enough for white words, and apart from each other without green or red alone. */
const COLOURS = ['#7a3fb0', '#b0472c', '#1d6f8a', '#8a6100', '#2f6b3a', '#a03070', '#4a5a9a', '#6b5344'] as const

export const colourOf = (window: string): string => {
  let sum = 0
  for (const letter of window) sum = (sum * 31 + letter.charCodeAt(0)) >>> 0
  return COLOURS[sum % COLOURS.length] as string
}

export class Presence {
  private readonly others = new Map<string, Other & { readonly heard: number }>()
  private place: Place = { view: 'folio' }
  private timer: ReturnType<typeof setTimeout> | null = null
  private beat: ReturnType<typeof setInterval> | null = null
  private readonly now: () => number

  constructor(private readonly options: Options) {
    this.now = options.now ?? Date.now
  }

  start(place: Place): void {
    this.place = place
    this.say(true)
    this.beat = setInterval(() => {
      this.say(false)
      this.forgetGone()
    }, AGAIN_MS)
  }

  stop(): void {
    if (this.timer) clearTimeout(this.timer)
    if (this.beat) clearInterval(this.beat)
    this.say(false, null)
  }

  /** What of one's place is other than before. */
  move(change: Partial<Place>): void {
    const next = { ...this.place, ...change }
    if (JSON.stringify(next) === JSON.stringify(this.place)) return
    this.place = next
    this.timer ??= setTimeout(() => {
      this.timer = null
      this.say(false)
    }, PAUSE_MS)
  }

  /** What another window has said, as the server hands it on. */
  heard(data: unknown): void {
    const told = readNotice(data)
    // The server puts the person behind the name of a window.
    if (!told || told.window.split('.')[0] === this.options.window) return
    const { window, state } = told
    if (state === null || state.place === null) this.others.delete(window)
    else {
      const { person, name, place } = state
      this.others.set(window, { window, person, name, place, colour: colourOf(window), heard: this.now() })
    }
    this.tell()
    // Who has just come wants to know who is here.
    if (state?.hello) this.say(false)
  }

  private forgetGone(): void {
    const before = this.others.size
    for (const [key, o] of this.others) if (this.now() - o.heard > GONE_MS) this.others.delete(key)
    if (this.others.size !== before) this.tell()
  }

  private tell(): void {
    this.options.onChange([...this.others.values()].map(({ heard: _heard, ...o }) => o))
  }

  private say(hello: boolean, place: Place | null = this.place): void {
    // What could not be told is told with the next move, or a little later.
    void this.options.send({ window: this.options.window, hello, place }).catch(() => undefined)
  }
}

type Notice = {
  readonly window: string
  readonly state: { person: string; name: string; hello: boolean; place: Place | null } | null
}

function readNotice(data: unknown): Notice | null {
  if (data === null || typeof data !== 'object' || !('window' in data) || !('state' in data)) return null
  const { window, state } = data as { window: unknown; state: Notice['state'] }
  if (typeof window !== 'string') return null
  if (state === null) return { window, state }
  if (typeof state?.name !== 'string' || typeof state.person !== 'string') return null
  return { window, state }
}
