/** What comes out of stage `route`. */
import type { Box, Point } from '../geometry'
import type { Placed } from '../layout'
import type { SizedNote, TextBlock } from '../measure'
import type { Bare } from './judge'

export type PlacedLabel = { readonly box: Box; readonly block: TextBlock }
export type Route = Bare & { readonly label: PlacedLabel | null }
export type PlacedNote = SizedNote & {
  /** Around bar and words. */
  readonly box: Box
  /** The middle of its words. */
  readonly centre: Point
  /** The upright line beside its words, on the side of its subject. */
  readonly bar: readonly [Point, Point]
  readonly tie: readonly [Point, Point] | null
  /** The middle of what it speaks of. */
  readonly subject: Point
}
/** Notes of the figure are placed last, where everything else leaves room. */
export type Routed = Omit<Placed, 'notes'> & {
  readonly routes: readonly Route[]
  readonly notes: readonly PlacedNote[]
}
