/** What a node says and shows, each piece set by itself, before anything is known of where it stands. */
import type { FigureNode, Hue, Marked } from '../figure'
import type { Size } from '../geometry'
import { inFamily } from '../icons'
import type { FigureStyle, NodeDress, TextLook } from '../style'
import { textBlock, type TextBlock } from './textBlock'
import type { Typesetter } from './typesetter'

export type Pieces = {
  readonly heading: TextBlock | null
  readonly detail: TextBlock | null
  /** How long it takes, and what it is worth. */
  readonly measure: TextBlock | null
  readonly value: TextBlock | null
  readonly numeral: TextBlock | null
  readonly actor: TextBlock | null
  readonly icon: (Size & { readonly name: string }) | null
  readonly picture: (Size & { readonly hash: string; readonly alt: string }) | null
  /** What rules show of a sheet. */
  readonly badges: readonly { readonly block: TextBlock; readonly hue: Hue }[]
  readonly chart: (Size & { readonly bars: Marked['bars'] }) | null
}
export type Voice = 'heading' | 'detail' | 'measure' | 'value' | 'numeral' | 'actor'

export const NO_PIECES: Pieces = {
  heading: null,
  detail: null,
  measure: null,
  value: null,
  numeral: null,
  actor: null,
  icon: null,
  picture: null,
  badges: [],
  chart: null,
}

/** What is asked of a node's pieces by those who know its place in the figure. */
export type Asked = {
  readonly dress: NodeDress
  /** The widest a line may be. */
  readonly room: number
  /** What the node is worth, as words. */
  readonly worth: string | null
  readonly numeral: string | null
  readonly largeNumeral: boolean
  readonly showsActor: boolean
  readonly picture: Size
  readonly marked: Marked | null
}

/** Over the size of the words. */
const ICON = 1.7
const STEP = 1.15
/** How much wider than other words a heading may run. */
const HEADING = 1.35

/** A small chart, in parts of the size of the words: at least so wide, at most so wide, and each bar so high. */
const CHART = { least: 5, most: 14, bar: 0.55 }

const larger = (look: TextLook, factor: number): TextLook => ({ ...look, size: look.size * factor })

export function piecesOf(node: FigureNode, asked: Asked, style: FigureStyle, typesetter: Typesetter): Pieces {
  const { room } = asked
  const step = STEP ** (node.look?.step ?? 0)
  const set: Set = (text, look, most = room) =>
    text ? textBlock([{ text, look: larger(look, step) }], most, typesetter) : null
  const heading = headingOf(node, asked, style, set)
  const { bars, badges } = asked.marked ?? { bars: [], badges: [] }
  const unit = style.body.size
  return {
    heading,
    badges: badges.flatMap(({ words, hue }) => {
      const block = set(words, style.label)
      return block ? [{ block, hue }] : []
    }),
    chart:
      bars.length > 0
        ? {
            bars,
            width: Math.min(room, Math.max(CHART.least * unit, Math.min(CHART.most * unit, heading?.width ?? 0))),
            height: bars.length * CHART.bar * unit,
          }
        : null,
    detail: set(node.detail, style.label),
    measure: set(node.duration, style.label),
    value: set(asked.worth, style.strong),
    numeral: set(asked.numeral, asked.largeNumeral ? style.numeral : style.strong),
    actor: asked.showsActor ? set(node.actor, style.label) : null,
    icon: node.icon
      ? {
          name: inFamily(node.icon, style.house.icons),
          width: style.body.size * ICON * step,
          height: style.body.size * ICON * step,
        }
      : null,
    picture: node.picture ? within(node.picture, asked.picture, style.body.size) : null,
  }
}

type Set = (text: string | null | undefined, look: TextLook, most?: number) => TextBlock | null

function headingOf(node: FigureNode, { dress, room }: Asked, style: FigureStyle, set: Set): TextBlock | null {
  const says = node.picture && node.text === '' ? '' : node.text || '…'
  const isBold = node.look?.bold ?? (dress.bold || node.role === 'set' || (node.role === 'point' && !!node.detail))
  const headed = dress.bold && (node.role === 'point' || dress.heading > 1)
  const look = larger(
    isBold ? (headed || node.role === 'set' ? style.heading : style.strong) : style.body,
    dress.heading,
  )
  // Over other words it stays whole where that makes its node only a little wider.
  const whole = node.role === 'point' && node.detail && !node.size ? set(says, look, Infinity) : null
  return whole && whole.width <= room * HEADING ? whole : set(says, look)
}

/** As large as it may be, and no larger than it is. */
function within(picture: NonNullable<FigureNode['picture']>, most: Size, unit: number): Pieces['picture'] {
  const wished = Math.min(1, most.width / picture.width, most.height / picture.height)
  const scale = Math.max(wished, unit / Math.max(picture.width, picture.height))
  return {
    hash: picture.hash,
    alt: picture.alt ?? '',
    width: picture.width * scale,
    height: picture.height * scale,
  }
}

/** All its words, as they are read. */
export const wordsOf = (p: Pieces): string =>
  [p.actor, p.heading, p.measure, ...p.badges.map((b) => b.block), p.detail, p.value]
    .flatMap((b) => (b ? [b.text] : []))
    .join(' ')
