/** A house style as data: what ships, what people make, and what is imported and exported as JSON. */
import * as z from 'zod/mini'
import { colourings, connectorForms, figureKinds, typefaces } from '../figure'
import { corners } from '../geometry'
import { words, type Words } from '../words'
import { iconFamilies } from '../icons'

const part = z.number().check(z.gte(0), z.lte(1))
const shade = z.readonly(
  z.tuple([part, z.number().check(z.gte(0), z.lte(0.5)), z.number().check(z.gte(0), z.lte(360))]),
)

/** What the colours of a palette are for. `main` is the ordinary, `accent` what asks or matters, `aside` what stands beside,
 *  `good` and `poor` ends, `strong` where something begins or stops. */
export const toneNames = ['main', 'accent', 'aside', 'good', 'poor', 'strong'] as const

const palette = z.readonly(
  z.object({
    ground: shade,
    ink: shade,
    tones: z.readonly(z.record(z.enum(toneNames), shade)),
    /** Colours that tell things apart, in the order in which they are taken. */
    series: z.readonly(z.array(shade).check(z.minLength(2), z.maxLength(12))),
    /** How much of a colour is in a tint of it. */
    tint: z.number().check(z.gte(0.04), z.lte(0.6)),
  }),
)

/** Who speaks in a figure: headings and titles, running words, numbers set large. */
export const voices = ['heading', 'body', 'numeral'] as const
export type Voice = (typeof voices)[number]

/** A font that somebody brought, kept by the hash of its bytes. */
const ownFont = z.readonly(
  z.object({
    hash: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
    /** As it calls itself. */
    name: z.string().check(z.minLength(1), z.maxLength(120)),
  }),
)

export const fills = ['tint', 'solid', 'open'] as const
export const fillNames: Readonly<Record<(typeof fills)[number], Words>> = {
  tint: words('Tints'),
  solid: words('Full colours'),
  open: words('Outlines'),
}
export const lineEnds = ['solid', 'open', 'dot', 'none'] as const
export const lineEndNames: Readonly<Record<(typeof lineEnds)[number], Words>> = {
  solid: words('Filled head'),
  open: words('Open head'),
  dot: words('Dot'),
  none: words('None'),
}
export const cornerNames: Readonly<Record<(typeof corners)[number], Words>> = {
  square: words('Right-angled'),
  soft: words('Soft'),
  round: words('Round'),
  leaf: words('Leaf'),
  notched: words('Notched'),
  cut: words('Cut off'),
}
export const hands = ['crisp', 'drawn'] as const
export const handNames: Readonly<Record<(typeof hands)[number], Words>> = {
  crisp: words('Crisp'),
  drawn: words('Drawn by hand'),
}

const factor = z.number().check(z.gte(0.3), z.lte(3))

export const houseStyleSchema = z.readonly(
  z.object({
    name: z.string().check(z.minLength(1), z.maxLength(60)),
    /** What it is for, in a sentence. */
    about: z.string().check(z.maxLength(200)),
    light: palette,
    dark: palette,
    type: z.enum(typefaces),
    /** Before those of the type pair, which go on serving what these do not have. */
    fonts: z.optional(z.readonly(z.partialRecord(z.enum(voices), ownFont))),
    numerals: z.enum(['arabic', 'roman']),
    /** At the foot of slides and full pages: the name of an icon that somebody brought, and its size in pixels. */
    logo: z.optional(
      z.readonly(
        z.object({
          icon: z.string().check(z.regex(/^(?:own|stencil)\/[0-9a-f]{64}$/)),
          width: z.int().check(z.gte(1), z.lte(20_000)),
          height: z.int().check(z.gte(1), z.lte(20_000)),
        }),
      ),
    ),
    corner: z.enum(corners),
    fill: z.enum(fills),
    /** Thickness of outlines; 1 is a twelfth of the size of the words, 0 is none. */
    outline: z.number().check(z.gte(0), z.lte(4)),
    /** Outlines are two lines. */
    double: z.boolean(),
    line: z.readonly(
      z.object({
        weight: factor,
        form: z.enum(connectorForms),
        ends: z.enum(lineEnds),
        /** In the colour of its series or tone rather than in ink. */
        tone: z.nullable(z.enum(toneNames)),
      }),
    ),
    /** Of the room between things. */
    space: factor,
    /** Size of headings over that of words. */
    heading: z.number().check(z.gte(1), z.lte(2)),
    hand: z.enum(hands),
    /** A printed shadow, that far to the right and down, in parts of the size of the words. */
    depth: z.number().check(z.gte(0), z.lte(0.6)),
    /** Family of the icons that are offered. */
    icons: z.enum(iconFamilies),
    /** What colours tell apart, by kind; roles where nothing is said. */
    colouring: z.readonly(z.partialRecord(z.enum(figureKinds), z.enum(colourings))),
    /** The treatment of each kind that shows the style best. */
    treatments: z.readonly(z.partialRecord(z.enum(figureKinds), z.string().check(z.maxLength(32)))),
  }),
)

export type HouseStyle = z.infer<typeof houseStyleSchema>
export type OwnFonts = NonNullable<HouseStyle['fonts']>
export type PaletteFields = HouseStyle['light']
export type ToneName = (typeof toneNames)[number]
