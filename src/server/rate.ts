/** Budgets of requests, per person and in this process: far above what a person with many windows does, far below what
 *  stops a server. */
const perMinute = {
  /** A window that is typed into sends at most twenty a second. */
  update: 12_000,
  events: 1_200,
  /** The browser asks for every link it shows, too. */
  page: 6_000,
  'new folio': 1_200,
  'folio change': 600,
  'figure file': 600,
  /** Told of every second while one is made. */
  export: 600,
  import: 240,
  program: 600,
  version: 600,
  picture: 1_200,
  font: 60,
  draft: 30,
  /** At one account or link: a guess every six seconds. */
  'sign in': 10,
  /** From one address, behind which there may be a whole office. */
  'sign ins': 120,
  presence: 1_200,
  remark: 300,
  everything: 6,
  'page made': 60,
  'public page': 3_000,
  reading: 30,
} as const
export type RateName = keyof typeof perMinute

const WINDOW_MS = 60_000
type Count = { readonly start: number; count: number }
const held = globalThis as typeof globalThis & { compassRates?: Map<string, Count> }

/** Counts a request. Out: 0 when it is within its budget, otherwise the seconds until it will be. */
export function secondsToWait(name: RateName, person: string, now = Date.now()): number {
  const rates = (held.compassRates ??= new Map())
  const key = `${name} ${person}`
  const known = rates.get(key)
  if (!known || now - known.start > WINDOW_MS) {
    for (const [k, r] of rates) if (now - r.start > WINDOW_MS) rates.delete(k)
    rates.set(key, { start: now, count: 1 })
    return 0
  }
  known.count++
  return known.count <= perMinute[name] ? 0 : Math.ceil((known.start + WINDOW_MS - now) / 1000)
}
