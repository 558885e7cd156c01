/** What a figure looks like, complete: no stage after this one asks for a default. */
import {
  frameTable,
  readsLeft,
  type Colouring,
  type ConnectorForm,
  type Figure,
  type Fitting,
  type FrameName,
  type Ground,
  type NodeRole,
} from '../figure'
import type { ShapeName } from '../geometry'
import { shadeOf } from './colour'
import { fontChain, type FontKey } from './fonts'
import { houseStyles } from './houseStyles'
import { STANDARD_STYLE } from './standardStyle'
import type { HouseStyle, PaletteFields, ToneName } from './houseStyleSchema'
import { paletteOf, type Palette } from './palette'
import { treatmentRow, type NamedTreatment } from './treatments'

export type TextLook = { readonly fonts: readonly FontKey[]; readonly size: number; readonly leading: number }

export type Theme = 'light' | 'dark'
/** What the figures of a folio are drawn in: the theme, the style of the folio, and those people have made for it. */
export type Wardrobe = {
  readonly theme: Theme
  readonly style: string
  readonly own: Readonly<Record<string, HouseStyle>>
  /** The language its figures are shown in as far as they have it; their own where null. */
  readonly language: string | null
  /** The most a figure may grow to fill its frame, so that words are of one size over a folio; null for as each likes. */
  readonly most: number | null
  /** The figures of the folio as its text has them: what their numbers come from. */
  readonly order: readonly string[]
}
/** As it is before anybody has chosen. */
export const plainWardrobe = (theme: Theme): Wardrobe => ({
  theme,
  style: STANDARD_STYLE,
  own: {},
  language: null,
  most: null,
  order: [],
})

export type FigureStyle = {
  readonly house: HouseStyle
  /** The palette it is worked out from: on its ground, in its theme. */
  readonly fields: PaletteFields
  readonly ground: Ground
  readonly palette: Palette
  readonly treatment: NamedTreatment
  readonly colouring: Colouring
  readonly roles: Readonly<Record<NodeRole, { readonly shape: ShapeName; readonly tone: ToneName }>>
  readonly connector: {
    /** Whose colour they have; null for that of the style. */
    readonly of: Figure['dress']['lineColour'] | null
    readonly width: number
    readonly arrow: number
    readonly form: ConnectorForm
    /** Radius of its corners. */
    readonly corner: number
  }
  readonly outline: number
  /** How far a printed shadow lies to the right and below; 0 for none. */
  readonly depth: number
  readonly drawnByHand: boolean
  /** 1, or -1 where it is read from right to left. */
  readonly across: 1 | -1
  /** The most room a picture in a node takes. */
  readonly picture: { readonly width: number; readonly height: number }
  /** Sizes in px of the layout, leading as a multiple of the size. `body` and `label` are running words, `strong` is a
   *  heading as large as they are, `heading` one that is larger, `numeral` a number set large, `title` what stands over the
   *  whole figure, `small` where it comes from. */
  readonly title: TextLook
  readonly heading: TextLook
  readonly strong: TextLook
  readonly body: TextLook
  readonly label: TextLook
  readonly small: TextLook
  readonly numeral: TextLook
  readonly padding: { readonly x: number; readonly y: number }
  /** Free room between nodes: beside each other, and between one layer and the next. */
  readonly gap: { readonly beside: number; readonly between: number }
  /** Free room between the figure and its frame. */
  readonly margin: number
  readonly logo: HouseStyle['logo'] | null
  /** Its number in the folio, where it is told. */
  readonly number: number | null
  readonly frame: {
    readonly name: FrameName
    readonly width: number | null
    readonly height: number | null
    /** How much a small figure may grow to fill it. */
    readonly growth: number
  }
  readonly wrap: { readonly step: number; readonly question: number; readonly point: number }
  /** How it departs from the plain style to fit the frame: already in `wrap` and `gap`; `fold` is for the layout. */
  readonly fitting: Fitting
}

/** As the house style has it. */
export const PLAIN: Fitting = { wrap: 1, gap: 1, fold: 1, order: 0 }

/** Which shape a role has, after ISO 5807: process box, decision diamond, terminator; and what its colour means. */
const roles: FigureStyle['roles'] = {
  start: { shape: 'pill', tone: 'strong' },
  step: { shape: 'roundRect', tone: 'main' },
  question: { shape: 'diamond', tone: 'accent' },
  end: { shape: 'pill', tone: 'strong' },
  connector: { shape: 'circle', tone: 'main' },
  concept: { shape: 'roundRect', tone: 'main' },
  item: { shape: 'roundRect', tone: 'main' },
  assistant: { shape: 'roundRect', tone: 'aside' },
  set: { shape: 'plain', tone: 'main' },
  member: { shape: 'plain', tone: 'main' },
  // Squares for choices, circles for chances, triangles for outcomes, as decision trees are drawn.
  choice: { shape: 'rect', tone: 'accent' },
  chance: { shape: 'oval', tone: 'aside' },
  outcome: { shape: 'pointed', tone: 'good' },
  option: { shape: 'roundRect', tone: 'main' },
  criterion: { shape: 'plain', tone: 'main' },
  point: { shape: 'roundRect', tone: 'main' },
}

/** In parts of the size of the words. */
const CORNER: Record<ConnectorForm, number> = { rounded: 0.35, square: 0, curved: 1.6, straight: 0.35 }
/** Over the size of running words. */
const NUMERAL = 2.1
const TITLE = 1.5
const LABEL = 0.85
const SMALL = 0.75
/** In sizes of the words. */
const MARGIN = { narrow: 1, ordinary: 2, wide: 3.2 }

/** The house style of that name, of the folio's own or of those that ship; null for a name that is neither. */
export const houseStyleNamed = (name: string, own: Wardrobe['own']): HouseStyle | null =>
  own[name] ?? (Object.hasOwn(houseStyles, name) ? houseStyles[name as keyof typeof houseStyles] : null)

/** The style a figure is drawn in: its own, else its folio's, with what the figure has otherwise. */
export function houseOf(figure: Pick<Figure, 'houseStyle' | 'dress'>, { style, own }: Wardrobe): HouseStyle {
  const house =
    houseStyleNamed(figure.houseStyle, own) ??
    houseStyleNamed(style, own) ??
    (houseStyles[STANDARD_STYLE] as HouseStyle)
  return figure.dress.feel ? { ...house, ...figure.dress.feel } : house
}

/** On a coloured ground all colours are worked out anew: what stands out from paper need not stand out from it. */
const onGround = (fields: PaletteFields, ground: Ground): PaletteFields => {
  const tinted = ground === 'tint' ? shadeOf(paletteOf(fields).tones.main.tint) : null
  return tinted ? { ...fields, ground: tinted } : fields
}

/** The full style of a figure: house style, treatment, frame and what the figure has otherwise, brought together. */
export function styleOf(figure: Figure, wardrobe: Wardrobe): FigureStyle {
  const house = houseOf(figure, wardrobe)
  const ground = figure.dress.ground ?? 'paper'
  const fields = onGround(house[wardrobe.theme], ground)
  const frame = frameTable[figure.frame]
  const size = frame.medium === 'slide' ? 20 : 15
  const { typeface = house.type, connectors: form = house.line.form } = figure.dress
  const treatment = treatmentRow(figure, figure.dress.treatment, house.treatments[figure.kind])
  const look = (voice: 'heading' | 'body' | 'numeral', factor: number, leading: number): TextLook => ({
    fonts: fontChain(typeface, voice, figure.language, figure.dress.typeface ? {} : house.fonts),
    size: size * factor,
    leading,
  })
  const gap = size * 2.2 * house.space * treatment.gap
  const logo = (frame.height !== null && !figure.dress.unsigned && house.logo) || null
  const margins = figure.dress.margins ?? 'ordinary'
  const place = wardrobe.order.indexOf(figure.id) + 1
  return {
    house,
    fields,
    ground,
    palette: paletteOf(fields),
    treatment,
    colouring: figure.dress.colouring ?? treatment.colouring ?? house.colouring[figure.kind] ?? 'role',
    roles,
    connector: {
      of: figure.dress.lineColour ?? null,
      width: (size / 12) * house.line.weight,
      arrow: size * 0.5 * Math.min(1.5, Math.max(0.9, house.line.weight)),
      form,
      corner: size * CORNER[form],
    },
    outline: (size / 12) * house.outline,
    depth: size * house.depth,
    drawnByHand: house.hand === 'drawn',
    across: readsLeft(figure.language) ? -1 : 1,
    picture: { width: size * 9, height: size * 6 },
    title: look('heading', TITLE, 1.2),
    heading: look('heading', house.heading, 1.25),
    strong: look('heading', 1, 1.25),
    body: look('body', 1, 1.25),
    label: look('body', LABEL, 1.2),
    small: look('body', SMALL, 1.2),
    numeral: look('numeral', NUMERAL, 1),
    padding: { x: size * 0.9, y: size * 0.65 },
    gap: { beside: gap, between: gap },
    margin: size * (logo ? Math.max(MARGIN[margins], 2) : MARGIN[margins]),
    logo,
    number: place > 0 && figure.dress.counted ? place : null,
    frame: {
      name: figure.frame,
      width: frame.width,
      height: frame.height,
      growth: Math.min(frame.growth, wardrobe.most ?? frame.growth),
    },
    wrap: { step: size * 10, question: size * 7.5, point: size * 13 },
    fitting: PLAIN,
  }
}
