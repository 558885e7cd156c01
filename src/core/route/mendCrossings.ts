/** Connectors that cross, or lie on each other, are taken up again, alone and two by two, and led anew now that all others
 *  lie somewhere; the new lead is kept where it is better. After Dees, Karger 1982, "Automated Rip-up and Reroute
 *  Techniques". */
import type { SizedLink } from '../measure'
import { crossings, neighbours, wrongWith, type Bare, type Budget, type Traced } from './judge'

/** With more pairs that cross a drawing is crowded anyway, and every pair takes two searches. */
const MOST_PAIRS = 24

/** In crossings: a run shared over a few px is parted by pushing it aside. */
const SLIGHT = 0.5

type Table = {
  /** Every connector by its link, changed in place. */
  readonly done: Map<string, Traced>
  /** A connector's path beside all that are counted. */
  readonly lead: (link: SizedLink) => Traced
  /** Counts a connector as lying there, or no more. */
  readonly count: (route: Bare, by: 1 | -1) => void
  /** Runs closer than this, in px, look like one. */
  readonly near: number
  /** Pairs that were led anew in vain, as they lay: they are left alone until one of them lies elsewhere. */
  readonly inVain: Map<string, readonly [Traced, Traced]>
  readonly budget: Budget
}

/** What one search for a path costs of the budget, about: it looks at some thousand places of the grid. */
const SEARCH = 4000

export function mendCrossings(links: readonly SizedLink[], table: Table): void {
  for (const link of links) if (table.budget.left > 0 && wrong(link, table) > SLIGHT) retry([link], table)
  const pairs = crossingPairs(links, table.done)
  if (pairs.length > MOST_PAIRS) return
  for (const [a, b] of pairs) {
    if (table.budget.left < 0) return
    const [one, other] = [at(table, a), at(table, b)]
    const before = table.inVain.get(`${a.id} ${b.id}`)
    if ((before?.[0] === one && before[1] === other) || crossings(one, other) === 0) continue
    if (!retry([b, a], table) && !retry([a, b], table)) table.inVain.set(`${a.id} ${b.id}`, [one, other])
  }
}

const at = (table: Table, link: SizedLink): Traced => table.done.get(link.id) as Traced
const wrong = (link: SizedLink, table: Table): number => {
  const route = at(table, link)
  return wrongWith(route, neighbours(route, table.done.values(), table.near), table.near, table.budget)
}

/** Leads some connectors anew, in the order given. True when that was worth it. */
function retry(links: readonly SizedLink[], table: Table): boolean {
  const { done, lead, count } = table
  const old = links.map((l) => at(table, l))
  const put = (route: Traced) => {
    done.set(route.id, route)
    count(route, 1)
  }
  const all = () => links.reduce((sum, l) => sum + wrong(l, table), 0)
  const before = all()
  table.budget.left -= links.length * SEARCH
  for (const route of old) count(route, -1)
  for (const link of links) put(lead(link))
  if (all() < before - 1e-6) return true
  for (const link of links) count(at(table, link), -1)
  for (const route of old) put(route)
  return false
}

function crossingPairs(links: readonly SizedLink[], done: ReadonlyMap<string, Traced>): [SizedLink, SizedLink][] {
  return links.flatMap((a, i) =>
    links
      .slice(i + 1)
      .flatMap((b): [SizedLink, SizedLink][] =>
        crossings(done.get(a.id) as Traced, done.get(b.id) as Traced) > 0 ? [[a, b]] : [],
      ),
  )
}
