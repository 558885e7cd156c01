/** A picture as objects that office programs have themselves: shapes with their words inside, connectors glued to what they
 *  join, pictures, groups. In px of the scene, back to front. DrawingML (ISO/IEC 29500-1, 20 and 21) and ODF (OASIS ODF 1.3,
 *  10) are two spellings of this. */
import type { Box, Point } from '../../geometry'
import type { LineEnd, PathStep } from '../../scene'
import type { FontKey } from '../../style'

export type NativeFill = { readonly colour: string; readonly opacity: number }
export type NativeLine = { readonly colour: string; readonly width: number; readonly dash: number }

export type NativeRun = {
  readonly text: string
  readonly font: FontKey
  readonly size: number
  readonly colour: string
  readonly rtl: boolean
}
export type NativeParagraph = {
  readonly runs: readonly NativeRun[]
  readonly size: number
  readonly lines: number
  /** Between baselines; null for a single line. */
  readonly pitch: number | null
  /** From the last baseline of the paragraph before to the first of this. */
  readonly gap: number
}
export type Align = 'left' | 'centre' | 'right'
export type NativeWords = {
  readonly paragraphs: readonly NativeParagraph[]
  readonly align: Align
  readonly rtl: boolean
  /** Of the widest line, and how far over the first and under the last baseline its fonts reach. */
  readonly left: number
  readonly width: number
  readonly firstBaseline: number
  readonly lastBaseline: number
  readonly above: number
  readonly below: number
}

/** Presets that look the same in every size; `radius` in px, of rounded rectangles. */
export type Preset = 'rect' | 'roundRect' | 'ellipse' | 'diamond'
export type Outline = { readonly steps: readonly PathStep[]; readonly filled: boolean }
export type Geometry =
  | { readonly preset: Preset; readonly radius: number }
  /** In px of the scene, within the box. */
  | { readonly preset: null; readonly outlines: readonly Outline[] }

export type NativeShape = {
  readonly object: 'shape'
  /** What connectors are glued to by; empty where none can be. */
  readonly id: string
  readonly name: string
  readonly box: Box
  /** Degrees, clockwise, about the middle of the box. */
  readonly turn: number
  readonly geometry: Geometry
  /** Places where connectors are glued, by index. */
  readonly sites: readonly Point[]
  readonly fill: NativeFill | null
  readonly line: NativeLine | null
  readonly words: NativeWords | null
}
export type Glue = { readonly id: string; readonly site: number }
export type NativeConnector = {
  readonly object: 'connector'
  readonly id: string
  readonly name: string
  readonly from: Glue | null
  readonly to: Glue | null
  /** The corners of its route. */
  readonly points: readonly Point[]
  /** As it is drawn, to its very end, with rounded corners, hops, and room for words. */
  readonly steps: readonly PathStep[]
  /** The same as shapes that follow nothing: its line, and its head. */
  readonly strokes: readonly NativeShape[]
  readonly line: NativeLine
  readonly end: LineEnd
  readonly arrow: number
}
export type NativePicture = {
  readonly object: 'picture'
  readonly name: string
  readonly box: Box
  readonly href: string
}
export type NativeGroup = {
  readonly object: 'group'
  readonly name: string
  readonly children: readonly (NativeShape | NativePicture)[]
}
export type NativeObject = NativeShape | NativeConnector | NativePicture | NativeGroup

/** In the order of their sites in ISO/IEC 29500-1 (presetShapeDefinitions): against the clock, from the top. */
export const presetSites: Readonly<Record<Preset, readonly (readonly [number, number])[]>> = {
  rect: [
    [0.5, 0],
    [0, 0.5],
    [0.5, 1],
    [1, 0.5],
  ],
  roundRect: [
    [0.5, 0],
    [0, 0.5],
    [0.5, 1],
    [1, 0.5],
  ],
  diamond: [
    [0.5, 0],
    [0, 0.5],
    [0.5, 1],
    [1, 0.5],
  ],
  ellipse: [
    [0.5, 0],
    [0.5 - Math.SQRT1_2 / 2, 0.5 - Math.SQRT1_2 / 2],
    [0, 0.5],
    [0.5 - Math.SQRT1_2 / 2, 0.5 + Math.SQRT1_2 / 2],
    [0.5, 1],
    [0.5 + Math.SQRT1_2 / 2, 0.5 + Math.SQRT1_2 / 2],
    [1, 0.5],
    [0.5 + Math.SQRT1_2 / 2, 0.5 - Math.SQRT1_2 / 2],
  ],
}
