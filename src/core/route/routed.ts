/** What comes out of stage `route`. */
import type { Box } from '../geometry'
import type { Placed } from '../layout'
import type { TextBlock } from '../measure'
import type { Bare } from './judge'

export type PlacedLabel = { readonly box: Box; readonly block: TextBlock }
export type Route = Bare & { readonly label: PlacedLabel | null }
export type Routed = Placed & { readonly routes: readonly Route[] }
