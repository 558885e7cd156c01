/** Who may knock: requests are let in by the address they were sent to and by the site they come from. A page of another
 *  site can make a browser send requests here, and can make its own name resolve to this machine (DNS rebinding); it can
 *  forge neither `Host`, `Origin` nor `Sec-Fetch-Site`. */
import type { Problem } from '@/core/problem'

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const

/** The host of the address that `PUBLIC_ADDRESS` names (`https://compass.ferries.example`), for a server behind a proxy. */
const publicHost = (): string | null => {
  const given = process.env.PUBLIC_ADDRESS
  return given && URL.canParse(given) ? new URL(given).host : null
}

/** The address a request came from, as the proxy nearest to us saw it. Without a proxy everybody is on this machine, and the
 *  header is whatever they wrote. */
export const cameFrom = (headers: Headers): string =>
  publicHost() === null ? 'this machine' : (headers.get('x-forwarded-for')?.split(',').at(-1)?.trim() ?? 'unknown')

/** Why a request is turned away, or null. */
export function turnedAway(method: string, headers: Headers): Problem | null {
  const host = headers.get('host')
  if (!host || !isOurs(host)) return { code: 'foreign-host', allowed: [publicHost() ?? [], ...LOOPBACK].flat() }
  return isForeign(method, headers, host) ? { code: 'foreign-origin' } : null
}

/** On loopback any port: which one is known to whoever started us, and the name is what rebinding changes. */
const isOurs = (host: string): boolean =>
  host === publicHost() || LOOPBACK.some((name) => name === host.replace(/:\d+$/, '').toLowerCase())

function isForeign(method: string, headers: Headers, host: string): boolean {
  // Browsers send Origin with every change; programs on this machine send none.
  const origin = headers.get('origin')
  if (origin !== null && (!URL.canParse(origin) || new URL(origin).host !== host)) return true
  if (headers.get('sec-fetch-site') !== 'cross-site') return false
  // A link from elsewhere to one of our pages is a link.
  return method !== 'GET' || headers.get('sec-fetch-mode') !== 'navigate'
}
