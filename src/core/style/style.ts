/** What a figure looks like, complete: no stage after this one asks for a default. */
import { frameTable, type ConnectorForm, type Figure, type Fitting, type FrameName, type NodeRole } from '../figure'
import type { ShapeName } from '../geometry'
import { fontChain, type FontKey } from './fonts'

export type RoleLook = {
  readonly shape: ShapeName
  readonly fill: string
  readonly line: string
  readonly text: string
}
export type TextLook = { readonly fonts: readonly FontKey[]; readonly size: number; readonly leading: number }

export type FigureStyle = {
  readonly page: string
  readonly connector: {
    readonly line: string
    readonly width: number
    readonly arrow: number
    readonly text: string
    readonly form: ConnectorForm
    /** Radius of its corners. */
    readonly corner: number
  }
  readonly roles: Readonly<Record<NodeRole, RoleLook>>
  /** Remarks in the margin, and the lines that tie them to what they speak of. */
  readonly note: { readonly line: string; readonly text: string }
  readonly outline: number
  /** The most room a picture in a node takes. */
  readonly picture: { readonly width: number; readonly height: number }
  /** Fills and lines that tell sets apart. */
  readonly tints: readonly { readonly fill: string; readonly line: string }[]
  /** Sizes in px of the layout, leading as a multiple of the size. */
  readonly heading: TextLook
  readonly body: TextLook
  readonly label: TextLook
  readonly padding: { readonly x: number; readonly y: number }
  /** Free room between nodes: beside each other, and between one layer and the next. */
  readonly gap: { readonly beside: number; readonly between: number }
  /** Free room between the figure and its frame. */
  readonly margin: number
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

export type Theme = 'light' | 'dark'

type Colours = {
  page: string
  ink: string
  quiet: string
  line: string
  sea: [string, string]
  brass: [string, string]
  moss: [string, string]
  clay: [string, string]
  slate: [string, string]
  solid: [string, string]
}

/** Fill and line of each family; contrast of text on fill is at least 7:1 in both themes (see style.test.ts). */
const colours: Record<Theme, Colours> = {
  light: {
    page: '#FFFFFF',
    ink: '#16242B',
    quiet: '#4C5B62',
    line: '#16242B',
    sea: ['#E3EEEF', '#1F5C66'],
    brass: ['#FBF1DE', '#B0812E'],
    moss: ['#E6F0E5', '#4E7A51'],
    clay: ['#F6E7E1', '#A5523C'],
    slate: ['#E8EAF1', '#59627F'],
    solid: ['#16242B', '#16242B'],
  },
  dark: {
    page: '#131C21',
    ink: '#ECEFEA',
    quiet: '#A9B6BA',
    line: '#C9D3D4',
    sea: ['#1B3940', '#6FB1BB'],
    brass: ['#3A301C', '#D3A653'],
    moss: ['#1F3322', '#86B58A'],
    clay: ['#38231E', '#D08A73'],
    slate: ['#23283A', '#98A3C8'],
    solid: ['#E4E8E3', '#E4E8E3'],
  },
}

/** Which shape a role has, after ISO 5807: process box, decision diamond, terminator. */
const shapeOf: Record<NodeRole, ShapeName> = {
  start: 'pill',
  step: 'roundRect',
  question: 'diamond',
  end: 'pill',
  connector: 'circle',
  concept: 'roundRect',
  item: 'roundRect',
  assistant: 'roundRect',
  set: 'plain',
  member: 'plain',
  choice: 'rect',
  // Squares for choices, circles for chances, triangles for outcomes, as decision trees are drawn.
  chance: 'oval',
  outcome: 'pointed',
  option: 'roundRect',
  criterion: 'plain',
  point: 'roundRect',
}
const familyOf = (role: NodeRole): 'sea' | 'brass' | 'moss' | 'slate' | 'solid' => families[role] ?? 'sea'
const families: Partial<Record<NodeRole, 'brass' | 'moss' | 'slate' | 'solid'>> = {
  question: 'brass',
  choice: 'brass',
  assistant: 'slate',
  chance: 'slate',
  outcome: 'moss',
  start: 'solid',
  end: 'solid',
}

/** In parts of the size of the words. */
const CORNER: Record<ConnectorForm, number> = { rounded: 0.35, square: 0, curved: 1.6, straight: 0.35 }

const roleLook = (role: NodeRole, c: Colours): RoleLook => {
  const [fill, line] = c[familyOf(role)]
  return { shape: shapeOf[role], fill, line, text: familyOf(role) === 'solid' ? c.page : c.ink }
}

const roles: readonly NodeRole[] = Object.keys(shapeOf) as NodeRole[]

/** The full style of a figure in a theme: house style, frame and typeface brought together. */
export function styleOf(figure: Pick<Figure, 'frame' | 'dress'>, theme: Theme): FigureStyle {
  const c = colours[theme]
  const frame = frameTable[figure.frame]
  const size = frame.medium === 'slide' ? 20 : 15
  const { typeface, connectors: form = 'rounded' } = figure.dress
  return {
    page: c.page,
    connector: {
      line: c.line,
      width: size / 12,
      arrow: size * 0.55,
      text: c.quiet,
      form,
      corner: size * CORNER[form],
    },
    roles: Object.fromEntries(roles.map((r) => [r, roleLook(r, c)])) as Record<NodeRole, RoleLook>,
    note: { line: c.brass[1], text: c.ink },
    outline: size / 12,
    picture: { width: size * 9, height: size * 6 },
    tints: [c.sea, c.brass, c.moss, c.clay, c.slate].map(([fill, line]) => ({ fill, line })),
    heading: { fonts: fontChain(typeface, 600), size, leading: 1.25 },
    body: { fonts: fontChain(typeface, 400), size, leading: 1.25 },
    label: { fonts: fontChain(typeface, 400), size: size * 0.85, leading: 1.2 },
    padding: { x: size * 0.9, y: size * 0.65 },
    gap: { beside: size * 2.2, between: size * 2.2 },
    margin: size * 2,
    frame: { name: figure.frame, width: frame.width, height: frame.height, growth: frame.growth },
    wrap: { step: size * 10, question: size * 7.5, point: size * 13 },
    fitting: PLAIN,
  }
}
