/** The marks a picture is made of, in frame px. */
import type { Box, Point, ShapeName } from '../geometry'
import type { Run } from '../measure'

export type SceneLine = {
  readonly runs: readonly Run[]
  readonly baseline: number
  readonly size: number
  readonly strong: boolean
}
export type Mark =
  | {
      readonly mark: 'shape'
      readonly owner: string
      readonly shape: ShapeName
      readonly box: Box
      readonly fill: string
      readonly line: string
      readonly width: number
    }
  | {
      readonly mark: 'connector'
      readonly owner: string
      readonly points: readonly Point[]
      readonly line: string
      readonly width: number
      /** Length of its dashes; 0 for an unbroken line. */
      readonly dash: number
      readonly arrow: number
      readonly corner: number
      /** Where the line jumps over another, in order along it, each a place on a level stretch. */
      readonly hops: readonly Point[]
      readonly hop: number
      /** Left open for the words that stand on the line. */
      readonly gap: Box | null
    }
  | {
      readonly mark: 'ellipse'
      readonly owner: string
      readonly centre: Point
      readonly radius: Point
      /** Degrees, clockwise. */
      readonly tilt: number
      readonly fill: string
      /** Of the fill, so that circles show through each other. */
      readonly opacity: number
      readonly line: string
      readonly width: number
    }
  /** An uploaded picture, by the hash of its bytes. */
  | {
      readonly mark: 'picture'
      readonly owner: string
      readonly hash: string
      readonly box: Box
      readonly line: string
    }
  | { readonly mark: 'text'; readonly owner: string; readonly lines: readonly SceneLine[]; readonly fill: string }
