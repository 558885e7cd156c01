/** Connectors that cross are taken up again, alone and two by two, and led anew now that all others lie somewhere; the new
 *  lead is kept where fewer cross. After Dees, Karger 1982, "Automated Rip-up and Reroute Techniques". */
import { crossingPoint, segments } from '../geometry'
import type { SizedLink } from '../measure'
import type { Bare } from './route'

/** With more pairs that cross a drawing is crowded anyway, and every pair takes two searches. */
const MOST_PAIRS = 40

type Table = {
  /** Every connector by its link, changed in place. */
  readonly done: Map<string, Bare>
  /** A connector's path beside all that are counted. */
  readonly lead: (link: SizedLink) => Bare
  /** Counts a connector as lying there, or no more. */
  readonly count: (route: Bare, by: 1 | -1) => void
}

export function mendCrossings(links: readonly SizedLink[], table: Table): void {
  for (const link of links) if (crossingsWith(at(table, link), table.done) > 0) retry([link], table)
  const pairs = crossingPairs(links, table.done)
  if (pairs.length > MOST_PAIRS) return
  for (const [a, b] of pairs) if (cross(at(table, a), at(table, b)) > 0) retry([b, a], table) || retry([a, b], table)
}

const at = (table: Table, link: SizedLink): Bare => table.done.get(link.id) as Bare

/** Leads some connectors anew, in the order given. True when that was worth it. */
function retry(links: readonly SizedLink[], { done, lead, count }: Table): boolean {
  const old = links.map((l) => done.get(l.id) as Bare)
  const crossings = () => links.reduce((sum, l) => sum + crossingsWith(done.get(l.id) as Bare, done), 0)
  const put = (route: Bare) => {
    done.set(route.id, route)
    count(route, 1)
  }
  const before = crossings()
  for (const route of old) count(route, -1)
  for (const link of links) put(lead(link))
  if (crossings() < before) return true
  for (const link of links) count(done.get(link.id) as Bare, -1)
  for (const route of old) put(route)
  return false
}

function crossingPairs(links: readonly SizedLink[], done: ReadonlyMap<string, Bare>): [SizedLink, SizedLink][] {
  const routes = links.map((l) => done.get(l.id) as Bare)
  return links.flatMap((a, i) =>
    links
      .slice(i + 1)
      .flatMap((b, k): [SizedLink, SizedLink][] =>
        cross(routes[i] as Bare, routes[i + 1 + k] as Bare) > 0 ? [[a, b]] : [],
      ),
  )
}

function crossingsWith(route: Bare, others: ReadonlyMap<string, Bare>): number {
  let count = 0
  for (const other of others.values()) if (other.id !== route.id) count += cross(route, other)
  return count
}

function cross(a: Bare, b: Bare): number {
  let count = 0
  for (const [p, q] of segments(a.points))
    for (const [r, s] of segments(b.points)) if (crossingPoint(p, q, r, s)) count++
  return count
}
