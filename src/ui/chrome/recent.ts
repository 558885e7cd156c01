/** The commands somebody took last, in this browser, the newest first. */
import { z } from 'zod/mini'
import type { Command } from './keyPlaces'

const KEY = 'recent commands'
const MOST = 6
const names = z.array(z.string())

/** None where the browser keeps nothing, or what it kept is no list. */
export function recentNames(): readonly string[] {
  try {
    const kept = names.safeParse(JSON.parse(localStorage.getItem(KEY) ?? '[]'))
    return kept.success ? kept.data : []
  } catch {
    // A browser may refuse to keep anything; commands are listed all the same.
    return []
  }
}

export function remember(name: string): void {
  try {
    localStorage.setItem(KEY, JSON.stringify([name, ...recentNames().filter((n) => n !== name)].slice(0, MOST)))
  } catch {
    // As above: then the list has no recent ones.
  }
}

/** Those taken lately before the others, each list in its own order. */
export function recentFirst(commands: readonly Command[], recent: readonly string[]): Command[] {
  const rank = (c: Command) => (recent.includes(c.name) ? recent.indexOf(c.name) : MOST)
  return commands
    .map((c, i) => ({ c, i }))
    .toSorted((a, b) => rank(a.c) - rank(b.c) || a.i - b.i)
    .map(({ c }) => c)
}
