import type { Box, Point } from '../geometry'
import type { Mark, PathStep } from './mark'

/** A plain line, from end to end: no head, no dashes, nothing jumped over. */
export const stroke = (owner: string, points: readonly Point[], line: string, width: number, corner = 0): Mark => ({
  mark: 'connector',
  owner,
  points,
  line,
  width,
  dash: 0,
  end: 'none',
  arrow: 0,
  corner,
  hops: [],
  hop: 0,
  gap: null,
})

type Filled = Extract<Mark, { mark: 'shape' }>
/** A box with square corners, filled and without an outline, unless `more` says otherwise. */
export const plate = (owner: string, box: Box, fill: string, more: Partial<Filled> = {}): Filled => ({
  mark: 'shape',
  owner,
  shape: 'rect',
  corner: 'square',
  radius: 0,
  box,
  fill,
  line: 'none',
  width: 0,
  dash: 0,
  opacity: 1,
  ...more,
})

export const ellipse = (
  owner: string,
  centre: Point,
  radius: Point,
  more: Partial<Extract<Mark, { mark: 'ellipse' }>>,
): Extract<Mark, { mark: 'ellipse' }> => ({
  mark: 'ellipse',
  owner,
  centre,
  radius,
  tilt: 0,
  fill: 'none',
  opacity: 1,
  line: 'none',
  width: 0,
  ...more,
})

export const path = (
  owner: string,
  steps: readonly PathStep[],
  more: Partial<Extract<Mark, { mark: 'path' }>>,
): Extract<Mark, { mark: 'path' }> => ({
  mark: 'path',
  owner,
  steps,
  fill: 'none',
  opacity: 1,
  line: 'none',
  width: 0,
  dash: 0,
  ...more,
})

export const polygon = (points: readonly Point[]): PathStep[] => [
  ...points.map((p, i): PathStep => [i === 0 ? 'M' : 'L', p]),
  ['Z'],
]
