/** Which option is best over two numbers at once: strategy regions, exact along the one and row by row along the other. */
import type { LinkId } from '../figure'
import { withNumber } from './changed'
import { at, type Interval } from './piecewise'
import { sensitivity, type Input } from './sensitivity'
import type { DecisionTree } from './tree'

/** At one y, from left to right: the option that is best up to there from where the last one ended. */
export type RegionRow = {
  readonly y: number
  readonly stretches: readonly { readonly option: LinkId; readonly to: number }[]
}

type Along = { readonly input: Input; readonly interval: Interval }

export const strategyRegions = (tree: DecisionTree, x: Along, y: Along, rows: number): readonly RegionRow[] =>
  Array.from({ length: rows }, (_, i) => {
    const here = y.interval[0] + ((y.interval[1] - y.interval[0]) * (i + 0.5)) / rows
    const { options, breakEven } = sensitivity(withNumber(tree, y.input, here), x.input, x.interval)
    const ends = [...breakEven, x.interval[1]]
    const stretches = ends.map((to, k) => {
      const middle = ((ends[k - 1] ?? x.interval[0]) + to) / 2
      const best = [...options].reduce<readonly [LinkId, number] | null>((most, [link, f]) => {
        const value = at(f, middle)
        return most && most[1] >= value ? most : [link, value]
      }, null)
      return { option: best?.[0] ?? '', to }
    })
    return { y: here, stretches }
  })
