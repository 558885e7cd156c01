/** Sets as numbers: how much lies where, how alike two sets are, and whether what they share is more than chance would give. */
import { all, type Edit } from '../document'
import { nodesInOrder, type Figure, type FigureNode, type NodeId } from '../figure'

/** What lies in exactly these sets, and nowhere else; nothing in none. */
export type Region = { readonly sets: readonly NodeId[]; readonly count: number }

/** A member counts for one, or for as many as its value says. */
const weightOf = (n: FigureNode): number => Math.max(0, n.measure?.value ?? 1)
const setsIn = (f: Figure): readonly FigureNode[] => nodesInOrder(f).filter((n) => n.role === 'set')

/** Regions that something lies in, those of fewer sets first, in the order of the sets. */
export function countedRegions(f: Figure): readonly Region[] {
  const order = setsIn(f).map((s) => s.id)
  const counts = new Map<string, Region>()
  for (const m of nodesInOrder(f).filter((n) => n.role === 'member')) {
    const sets = order.filter((id) => m.memberOf?.includes(id))
    const key = sets.join('\n')
    counts.set(key, { sets, count: (counts.get(key)?.count ?? 0) + weightOf(m) })
  }
  const place = (r: Region) => r.sets.map((id) => order.indexOf(id))
  return [...counts.values()].toSorted((a, b) => {
    const [x, y] = [place(a), place(b)]
    if (x.length !== y.length) return x.length - y.length
    return (x.find((p, i) => p !== y[i]) ?? 0) - (y.find((p, i) => p !== x[i]) ?? 0)
  })
}

export const sizeOf = (regions: readonly Region[], ...sets: readonly NodeId[]): number =>
  regions.reduce((s, r) => (sets.every((id) => r.sets.includes(id)) ? s + r.count : s), 0)

/** What both have, as a part of what either has (Jaccard 1901). */
export function likeness(regions: readonly Region[], a: NodeId, b: NodeId): number {
  const both = sizeOf(regions, a, b)
  const either = sizeOf(regions, a) + sizeOf(regions, b) - both
  return either > 0 ? both / either : 0
}

/** How likely chance alone would put so many or more into both sets, all of `total` being as likely to be in each: the upper tail
 *  of the hypergeometric distribution. Null where the numbers cannot be. */
export function surprise(total: number, a: number, b: number, both: number): number | null {
  if (![total, a, b, both].every(Number.isInteger) || both > Math.min(a, b) || a + b - both > total || both < 0)
    return null
  const least = Math.max(0, a + b - total)
  const most = Math.min(a, b)
  // Each way against the one before it; nothing overflows, and their sum makes them chances.
  let [weight, whole, tail] = [1, 0, 0]
  const mode = Math.min(most, Math.max(least, Math.floor(((a + 1) * (b + 1)) / (total + 2))))
  const add = (k: number, w: number) => {
    whole += w
    if (k >= both) tail += w
  }
  for (let k = mode; k <= most; k++) {
    add(k, weight)
    weight *= ((a - k) * (b - k)) / ((k + 1) * (total - a - b + k + 1))
  }
  weight = 1
  for (let k = mode; k > least; k--) {
    weight *= (k * (total - a - b + k)) / ((a - k + 1) * (b - k + 1))
    add(k - 1, weight)
  }
  return tail / whole
}

const MOST_NAMED = 24

/** Lists side by side, each with the name of its set at its head: sets, and what lies in which. Many members are told by their
 *  number in each region. */
export function setsOfLists(f: Figure, cells: readonly (readonly string[])[], newId: () => string): Edit | null {
  const [heads = [], ...rows] = cells
  const names = heads.map((h) => h.trim()).filter(Boolean)
  if (names.length < 2 || names.length > 5 || rows.length === 0) return null
  const members = new Map<string, { readonly text: string; readonly sets: Set<number> }>()
  for (const row of rows)
    row.slice(0, names.length).forEach((cell, i) => {
      const text = cell.trim().replace(/\s+/g, ' ')
      if (text === '') return
      const known = members.get(text.toLowerCase()) ?? { text, sets: new Set<number>() }
      known.sets.add(i)
      members.set(text.toLowerCase(), known)
    })
  if (members.size === 0) return null
  const ids = names.map(() => newId())
  let order = 0
  const put = (node: Omit<FigureNode, 'order' | 'source'>): Edit => ({
    do: 'putNode',
    node: { ...node, order: ++order, source: [] },
  })
  const within = (sets: ReadonlySet<number>) => [...sets].toSorted((a, b) => a - b).map((i) => ids[i] as string)
  const named = [...members.values()].map((m) =>
    put({ id: newId(), role: 'member', text: m.text, memberOf: within(m.sets) }),
  )
  const counted = () => {
    const counts = new Map<string, { readonly sets: ReadonlySet<number>; count: number }>()
    for (const { sets } of members.values()) {
      const key = within(sets).join(' ')
      const known = counts.get(key) ?? { sets, count: 0 }
      known.count++
      counts.set(key, known)
    }
    return [...counts.values()].map(({ sets, count }) =>
      put({
        id: newId(),
        role: 'member',
        text: String(count),
        memberOf: within(sets),
        measure: { value: count, unit: '' },
      }),
    )
  }
  const clear = nodesInOrder(f).map((n): Edit => ({ do: 'dropNode', id: n.id }))
  const sets = names.map((text, i) => put({ id: ids[i] as string, role: 'set', text }))
  const arrangement = names.length <= 3 ? 'toScale' : 'circles'
  return all(...clear, ...sets, ...(members.size > MOST_NAMED ? counted() : named), {
    do: 'setFigure',
    set: { arrangement },
  })
}
