import { logarithm, type Size } from '../geometry'
import type { Sized } from '../measure'

/** A figure of free size reads best when it is somewhat wider than high. */
const FREE_ASPECT = 1.6
/** A column of text is as high as its figure; a little wider than high looks settled. */
const COLUMN_ASPECT = 1.2

/** Width over height that a figure should come to. */
export const frameAspect = (sized: Sized): number => {
  const { width, height } = sized.style.frame
  return width && height ? width / height : width ? COLUMN_ASPECT : FREE_ASPECT
}

/** Of several ways to lay out the same, the first whose proportions come closest to `aspect`. */
export function closestTo<T>(aspect: number, tries: readonly T[], sizeOf: (t: T) => Size): T {
  const off = (t: T) => {
    const { width, height } = sizeOf(t)
    return Math.abs(logarithm(Math.max(1, width) / Math.max(1, height)) - logarithm(aspect))
  }
  let best: { readonly way: T; readonly off: number } | null = null
  for (const way of tries) {
    const now = off(way)
    if (!best || now < best.off) best = { way, off: now }
  }
  if (!best) throw new Error('closestTo: there is nothing to choose from')
  return best.way
}

/** The numbers of columns worth trying for so many things: for each number of rows the fewest, so that rows are as even as
 *  they can be. At most twice the square root of `count`; one for nothing at all. */
export function columnCounts(count: number): number[] {
  const out = [1]
  for (let rows = count; rows > 1;) {
    const columns = Math.ceil(count / (rows - 1))
    out.push(columns)
    rows = Math.ceil(count / columns)
  }
  return out
}
