/** Where layout put the nodes before the last change made by hand. A figure that remembers its places is laid out by making
 *  room in the picture as it stood; one without, from nothing. */
import type { Figure } from './figure'
import type { PlacesFields } from './figureSchema'

export type Places = PlacesFields

/** Places are good for one way of drawing only: elsewhere nodes have other sizes and stand by other rules. */
export const placesKey = (f: Pick<Figure, 'kind' | 'arrangement' | 'frame' | 'dress'>): string =>
  [f.kind, f.arrangement, f.frame, f.dress.typeface ?? '', f.dress.treatment ?? ''].join(' ')

/** Those that the figure, as it is now to be drawn, remembers; null when there are none. */
export const placesOf = (f: Figure): Places | null => (f.places?.key === placesKey(f) ? f.places : null)
