/** Points as cards: all of one size, and larger than their words ask for where the frame has room, so that a few points fill
 *  a slide as somebody who sets it by hand would fill it. */
import { GROWTH_STEP } from '../figure'
import type { Size } from '../geometry'
import type { Sized, SizedNode } from '../measure'

/** How much wider and higher than its words ask for a card may be. */
const WIDER = 1.4
const HIGHER = 1.6

/** The nodes as cards for so many columns and rows; `taken` is what the gaps between them take up. */
export function cards(sized: Sized, columns: number, rows: number, taken: Size): readonly SizedNode[] {
  const { frame, margin } = sized.style
  const [first] = sized.nodes
  if (!first || !frame.width) return sized.nodes
  const { width, height } = first
  // In a column of text a card is as high as its words: the figure is as high as its cards.
  const room = { width: frame.width - 2 * margin, height: frame.height ? frame.height - 2 * margin : 0 }
  const whole = { width: columns * width + taken.width, height: rows * height + taken.height }
  const fits = Math.min(frame.growth, room.width / whole.width, frame.height ? room.height / whole.height : Infinity)
  const scale = fits < 1 ? fits : 1 + Math.floor((fits - 1) / GROWTH_STEP + 1e-9) * GROWTH_STEP
  const wide = Math.min(width * WIDER, (room.width / scale - taken.width) / columns)
  const high = Math.min(height * HIGHER, (room.height / scale - taken.height) / rows)
  return sized.nodes.map((n) => ({ ...n, width: Math.max(width, wide), height: Math.max(height, high) }))
}
