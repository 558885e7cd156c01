/** What comes out of stage `route`. */
import type { Box } from '../geometry'
import type { Placed } from '../layout'
import type { TextBlock } from '../measure'
import type { Bare } from './judge'
import type { PlacedNote } from './notes'

export type PlacedLabel = { readonly box: Box; readonly block: TextBlock }
export type Route = Bare & { readonly label: PlacedLabel | null }
/** Notes of the figure are placed last, where everything else leaves room. */
export type Routed = Omit<Placed, 'notes'> & {
  readonly routes: readonly Route[]
  readonly notes: readonly PlacedNote[]
}
