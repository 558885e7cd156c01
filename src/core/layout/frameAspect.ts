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
