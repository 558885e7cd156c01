/** A full palette, light and dark, out of one to six colours of a house: roles are given out by what each colour can carry, and
 *  what had to be changed is said. */
import { hexOf, shadeOf, type Shade } from './colour'
import type { HouseStyle, PaletteFields, ToneName } from './houseStyleSchema'
import { paletteOf } from './palette'

export type SchemeNote = {
  readonly colour: string
  /** What it is used for. */
  readonly as: string
  /** What is drawn where the colour itself would not be read; null where it is drawn as it is. */
  readonly shown: string | null
}
export type Scheme = {
  readonly light: PaletteFields
  readonly dark: PaletteFields
  readonly notes: readonly SchemeNote[]
}

export const MOST_COLOURS = 6

/** Colours in words as people write them: `#0a5c66, 0A5C66 rgb(10 92 102)`. Null where one of them is none. */
export function coloursIn(text: string): string[] | null {
  const found = text.match(/rgb\([^)]*\)|#?[0-9a-f]{6}\b|#[0-9a-f]{3}\b/gi) ?? []
  const rest = text.replace(/rgb\([^)]*\)|#?[0-9a-f]{6}\b|#[0-9a-f]{3}\b/gi, '').replace(/[\s,;]+/g, '')
  if (found.length === 0 || rest !== '') return null
  return [...new Set(found.map(asHex))]
}
function asHex(written: string): string {
  const numbers = written.startsWith('rgb') ? written.match(/\d+/g) : null
  if (numbers)
    return `#${numbers
      .slice(0, 3)
      .map((n) => Math.min(255, Number(n)).toString(16).padStart(2, '0'))
      .join('')}`
  const digits = written.replace('#', '').toLowerCase()
  return `#${digits.length === 3 ? [...digits].map((d) => d + d).join('') : digits}`
}

/** Hues for what a house has no colours of: across from its own, and between. */
const TURNS = [180, 60, 240, 120, 300]
const PALE = 0.02

/** Enough shades to tell things apart: the given ones, then others of the same strength on the wheel of hues. */
function filledUp(given: readonly Shade[], count: number): Shade[] {
  const [first] = given
  if (!first) return []
  const [l, c, h] = first
  const more = TURNS.map((turn): Shade => [
    Math.min(0.75, Math.max(0.4, l)),
    // A house of greys stays one.
    c < PALE ? c : Math.min(0.12, Math.max(0.05, c * 0.8)),
    (h + turn) % 360,
  ])
  const steps = given.map(([gl, gc, gh]): Shade => [gl > 0.55 ? gl - 0.22 : gl + 0.2, gc * 0.85, gh])
  return [...given, ...steps, ...(c < PALE ? [] : more)].slice(0, count)
}

const chromaOf = (s: Shade): number => s[1]
const lightOf = (s: Shade): number => s[0]

/** The strongest colour is the ordinary one, the one that differs most from it the accent. */
function roles(given: readonly Shade[]): Record<ToneName, Shade> {
  const byStrength = given.toSorted((a, b) => chromaOf(b) - chromaOf(a) || lightOf(a) - lightOf(b))
  const main = given[0] as Shade
  const apart = (s: Shade) => {
    const turn = Math.abs(s[2] - main[2])
    return Math.min(turn, 360 - turn) / 180 + Math.abs(lightOf(s) - lightOf(main)) * 1.5
  }
  const others = byStrength.filter((s) => s !== main).toSorted((a, b) => apart(b) - apart(a))
  const across: Shade = [
    lightOf(main) > 0.6 ? 0.42 : 0.72,
    Math.min(0.14, Math.max(0.02, chromaOf(main))),
    (main[2] + 170) % 360,
  ]
  const accent = others[0] ?? across
  const lightness = (s: Shade, l: number): Shade => [l, s[1], s[2]]
  return {
    main,
    accent:
      Math.abs(lightOf(accent) - lightOf(main)) < 0.05
        ? lightness(accent, lightOf(main) > 0.55 ? lightOf(main) - 0.12 : lightOf(main) + 0.14)
        : accent,
    aside: [0.58, Math.min(0.03, chromaOf(main)), main[2]],
    good: others[1] ?? [0.55, Math.min(0.1, chromaOf(main) + 0.02), 150],
    poor: others[2] ?? [0.55, Math.min(0.15, chromaOf(main) + 0.04), 28],
    strong: [Math.min(0.3, lightOf(main) * 0.6), Math.min(0.06, chromaOf(main)), main[2]],
  }
}

/** On a dark ground the same hues, lighter, and the very light ones as they are. */
const darkTwin = ([l, c, h]: Shade): Shade => [l < 0.62 ? 0.62 + (0.62 - l) * 0.35 : l, c * 0.92, h]

export function schemeOf(colours: readonly string[]): Scheme | null {
  const given = colours
    .slice(0, MOST_COLOURS)
    .map(shadeOf)
    .filter((s) => s !== null)
  const [first] = given
  if (!first) return null
  const tones = roles(given)
  const series = filledUp(given, MOST_COLOURS)
  const hue = first[2]
  const tint = Math.min(0.02, chromaOf(first) * 0.1)
  const light: PaletteFields = { ground: [0.99, tint * 0.4, hue], ink: [0.24, tint, hue], tones, series, tint: 0.14 }
  const dark: PaletteFields = {
    ground: [0.21, tint, hue],
    ink: [0.95, tint * 0.5, hue],
    tones: {
      ...(Object.fromEntries(Object.entries(tones).map(([k, s]) => [k, darkTwin(s)])) as Record<ToneName, Shade>),
      strong: [0.93, tint, hue],
    },
    series: series.map(darkTwin),
    tint: 0.2,
  }
  return { light, dark, notes: colours.slice(0, MOST_COLOURS).map((c) => noteOn(c, light)) }
}

const uses: Readonly<Record<ToneName, string>> = {
  main: 'what is ordinary',
  accent: 'what asks or matters',
  aside: 'what stands beside',
  good: 'what turns out well',
  poor: 'what turns out badly',
  strong: 'where something begins or ends',
}

function noteOn(colour: string, light: PaletteFields): SchemeNote {
  const shade = shadeOf(colour)
  const role = (Object.keys(uses) as ToneName[]).find((t) => shade && light.tones[t].join() === shade.join())
  const palette = paletteOf(light)
  const index = light.series.findIndex((s) => shade && s.join() === shade.join())
  const tone = role ? palette.tones[role] : palette.series[Math.max(0, index)]
  const asLine = tone && tone.line !== hexOf(shade ?? [0, 0, 0]) ? tone.line : null
  const asFill = tone && tone.solid !== hexOf(shade ?? [0, 0, 0]) ? tone.solid : null
  return { colour, as: role ? uses[role] : 'telling things apart', shown: asFill ?? asLine }
}

/** A house style in the colours of a house, everything else as another has it. */
export const inColours = (style: HouseStyle, { light, dark }: Scheme, name: string): HouseStyle => ({
  ...style,
  name,
  about: 'Made from our own colours.',
  light,
  dark,
})
