/** What the page knows of what is drawn by seed, without the code that draws. */

/** So many runs are made, or draws taken. */
export const DRAWS = 10_000
/** So many come in one trial of a queue, and so many trials are made. */
export const [COMING, TRIALS] = [2000, 20]

/** From the least to the most, by hundredths of all: 101 values. */
export type Hundredths = readonly number[]
export type RunsTold = {
  readonly times: Hundredths
  readonly costs: Hundredths
  /** Half the width of the 95 % interval of the mean time. */
  readonly within: number
  readonly endless: number
}
/** Hears how much is done, from 0 to 1. */
export type OnPart = (done: number) => void
