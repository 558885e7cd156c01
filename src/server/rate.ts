/** A budget of requests per minute and name, in this process. */
const held = globalThis as typeof globalThis & { compassRates?: Map<string, { start: number; count: number }> }

export function isWithinRate(name: string, perMinute: number): boolean {
  const rates = (held.compassRates ??= new Map())
  const now = Date.now()
  const known = rates.get(name)
  if (!known || now - known.start > 60_000) {
    rates.set(name, { start: now, count: 1 })
    return true
  }
  known.count++
  return known.count <= perMinute
}
