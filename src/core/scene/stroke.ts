import type { Point } from '../geometry'
import type { Mark } from './mark'

/** A plain line, from end to end: no head, no dashes, nothing jumped over. */
export const stroke = (owner: string, points: readonly Point[], line: string, width: number): Mark => ({
  mark: 'connector',
  owner,
  points,
  line,
  width,
  dash: 0,
  arrow: 0,
  corner: 0,
  hops: [],
  hop: 0,
  gap: null,
})
