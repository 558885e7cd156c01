/** Fits a figure to its frame before it is drawn: how wide words may run, how far nodes stand apart and into how many
 *  columns a flow is folded are tried, and the layout is kept whose words stay largest and which fills the frame best.
 *  A figure that already fits as it is styled is left as it is, so that the figures of a folio look alike. */
import { logarithm } from './geometry'
import { placesOf, type Figure, type Fitting, type Places } from './figure'
import { arrangementRow, extentOf, layout, type Placed } from './layout'
import { measure, type Sized, type Typesetter } from './measure'
import { PLAIN, type FigureStyle } from './style'

const WRAPS = [0.78, 1.35]
/** Points beside each other in one row. */
const NARROW = [0.45, 0.6]
/** Points below each other on a slide, their words in one line. */
const BROAD = [1.9]
const GAPS = [0.72]
const FOLDS = [2, 3, 4]
/** A column of text may run to the foot of the page it stands on, in parts of its width. */
const COLUMN_HEIGHT = 1.5
/** Beyond so many nodes one layout takes long enough that only the folds are tried. */
const MANY = 80

/** The layout that fits best; then, for who asks because connectors cross in it, others that fit about as well. */
export function* fittedLayouts(figure: Figure, style: FigureStyle, typesetter: Typesetter): Generator<Placed> {
  // Gaps and folds leave words as they are set: one measuring for each width they may run to.
  const measured = new Map<number, Sized>()
  const tried = (fitting: Fitting, places: Places | null = null) => {
    const changed = adapted(style, fitting)
    const sized = measured.get(fitting.wrap) ?? measure(figure, changed, typesetter)
    measured.set(fitting.wrap, sized)
    const placed = layout({ ...sized, style: changed }, typesetter, places, fitting.order)
    return { fitting, placed, price: priceOf(placed, fitting) }
  }
  const places = placesOf(figure)
  const kept = places && tried(places.fitting, places)
  // What a person placed by hand was placed beside the rest as it stood.
  const held = Object.values(figure.nodes).some((n) => n.held)
  if (kept && (held || lackOf(kept.placed, kept.fitting) < GOOD)) return yield kept.placed
  let best = tried(PLAIN)
  if (!held && best.price >= GOOD)
    for (const axis of axesFor(figure, best.placed))
      for (const change of axis) {
        const next = tried({ ...best.fitting, ...change })
        if (next.price < best.price - 1e-9) best = next
      }
  if (kept && kept.price < best.price + WORTH_MOVING) return yield kept.placed
  yield best.placed
  if (!arrangementRow(figure.kind, figure.arrangement)?.orders) return
  for (const order of ORDERS) {
    const other = tried({ ...best.fitting, order })
    if (other.price < best.price + SMALLER) yield other.placed
  }
}

const ORDERS = [1, 2]
/** How much worse another order may fit for the sake of fewer crossings. */
const SMALLER = 0.2

/** How much better a layout from nothing must be before everything moves. */
const WORTH_MOVING = 0.4

/** What words twice as large are worth beside words made half as large. */
const LARGER = 0.6

/** So much more room one way than the other. */
const THIN = 2.5

/** Words at full size in a frame that is two thirds full: nothing to gain. */
const GOOD = 0.12

/** One after another, each from what was best so far. A flow is only folded where its words would shrink otherwise, or where
 *  it stands in its frame as a thin line. */
function axesFor(figure: Figure, placed: Placed): Partial<Fitting>[][] {
  const { wide, high, scale } = scales(placed)
  const thin = Math.max(wide, high) > THIN * Math.min(wide, high)
  const folds =
    (scale < 1 || (thin && scale < placed.style.frame.growth)) && arrangementRow(figure.kind, figure.arrangement)?.folds
      ? FOLDS
      : []
  const rest =
    Object.keys(figure.nodes).length > MANY
      ? []
      : [
          (figure.kind === 'points' ? [...NARROW, ...WRAPS, ...BROAD] : WRAPS).map((wrap) => ({ wrap })),
          GAPS.map((gap) => ({ gap })),
        ]
  return [folds.map((fold) => ({ fold })), ...rest]
}

const adapted = (style: FigureStyle, fitting: Fitting): FigureStyle => ({
  ...style,
  wrap: {
    step: style.wrap.step * fitting.wrap,
    question: style.wrap.question * Math.min(fitting.wrap, 1.2),
    point: style.wrap.point * fitting.wrap,
  },
  gap: { beside: style.gap.beside * fitting.gap, between: style.gap.between * fitting.gap },
  fitting,
})

/** How much content would be enlarged to fit its frame, by width, by height and as a whole. */
function scales(placed: Placed): { wide: number; high: number; scale: number } {
  const { frame, margin } = placed.style
  if (!frame.width) return { wide: 1, high: 1, scale: 1 }
  const content = extentOf(placed)
  const wide = (frame.width - 2 * margin) / Math.max(1, content.width)
  const high = ((frame.height ?? frame.width * COLUMN_HEIGHT) - 2 * margin) / Math.max(1, content.height)
  return { wide, high, scale: Math.min(frame.growth, wide, high) }
}

/** What a layout lacks, and how much larger its words could be where the frame lets them grow. */
function priceOf(placed: Placed, fitting: Fitting): number {
  const { frame } = placed.style
  return lackOf(placed, fitting) + LARGER * logarithm(frame.growth / Math.max(1, scales(placed).scale))
}

/** What a layout lacks in its frame: words made smaller weigh most, then an empty frame, then leaving the plain style. */
function lackOf(placed: Placed, fitting: Fitting): number {
  const { wide, high, scale } = scales(placed)
  // A column frame is as high as its figure: only its width can stay empty.
  const filled = Math.min(1, scale / wide) * (placed.style.frame.height ? Math.min(1, scale / high) : 1)
  const left =
    Math.abs(logarithm(fitting.wrap)) * 0.1 + Math.abs(logarithm(fitting.gap)) * 0.15 + (fitting.fold - 1) * 0.06
  return 3 * Math.max(0, -logarithm(scale)) + 0.3 * (1 - filled) + left
}
