/** Where a long flow is folded into columns or rows: runs of about the same length, cut where the fewest connectors pass. */
import type { Edge } from '../../graph'

/** A connector cut more than need be costs as much as a run this much longer or shorter than the others. */
const CUT = 0.45

/** The indices of `layers` in `fold` runs, or in one where there are not enough. `lengths` are those of the layers with
 *  the gap after each. Least squares of the runs' lengths by dynamic programming over the places to cut. */
export function runsOf(
  layers: readonly (readonly string[])[],
  links: readonly Edge[],
  lengths: readonly number[],
  fold: number,
): number[][] {
  const all = [...layers.keys()]
  if (fold < 2 || layers.length < 2 * fold) return [all]
  const passing = passingAfter(layers, links)
  const before = lengths.reduce<number[]>((sums, l) => [...sums, (sums.at(-1) ?? 0) + l], [0])
  const mean = (before.at(-1) as number) / fold
  const uneven = (from: number, to: number) => {
    const off = ((before[to] as number) - (before[from] as number)) / mean - 1
    return off * off
  }
  const cut = (at: number) => CUT * CUT * Math.max(0, (passing[at - 1] as number) - 1)
  // best[end]: the cheapest way to have so many runs end before layer `end`.
  let best: { readonly cost: number; readonly cuts: readonly number[] }[] = lengths.map((_, i) => ({
    cost: uneven(0, i + 1),
    cuts: [],
  }))
  best.unshift({ cost: Infinity, cuts: [] })
  for (let run = 2; run <= fold; run++) {
    const shorter = best
    best = shorter.map((_, end) => {
      let found: (typeof best)[number] = { cost: Infinity, cuts: [] }
      for (let at = 1; at < end; at++) {
        const cost = (shorter[at]?.cost ?? Infinity) + cut(at) + uneven(at, end)
        if (cost < found.cost) found = { cost, cuts: [...(shorter[at]?.cuts ?? []), at] }
      }
      return found
    })
  }
  const cuts = [0, ...(best.at(-1)?.cuts ?? []), layers.length]
  return cuts.slice(1).map((end, i) => all.slice(cuts[i], end))
}

/** For each layer, how many links lead from it or what is above to what is below, or back. */
function passingAfter(layers: readonly (readonly string[])[], links: readonly Edge[]): number[] {
  const layerOf = new Map(layers.flatMap((l, i) => l.map((id) => [id, i] as const)))
  const change = layers.map(() => 0)
  for (const l of links) {
    const ends = [layerOf.get(l.from) ?? 0, layerOf.get(l.to) ?? 0]
    const [first, last] = [Math.min(...ends), Math.max(...ends)]
    change[first] = (change[first] as number) + 1
    change[last] = (change[last] as number) - 1
  }
  let now = 0
  return change.map((c) => (now += c))
}
