/** A node as marks: what it stands on, its plates, picture, icon and words. */
import { inflate, type Box, type Corner } from '../geometry'
import type { PlacedNode } from '../layout'
import { fromStart, standingIn, type Plate, type TextBlock, type Voice } from '../measure'
import type { Routed } from '../route'
import { flattened, wordsOn, type Tone } from '../style'
import { arcText } from './arcText'
import { wordsOnRegion } from './setMarks'
import type { Mark } from './mark'
import { ellipse, plate, stroke } from './stroke'
import { textMark } from './textMark'
import { hueTone, toneFor, toneNamed } from './tones'

/** How a node is filled, after all who have a say. */
type FillRule = 'tint' | 'solid' | 'open' | 'none'
type Fill = {
  readonly rule: FillRule
  readonly tone: Tone
  readonly colour: string
  /** How much of it is there; what is behind shows through the rest. */
  readonly opacity: number
}

function fillOf(n: PlacedNode, routed: Routed): Fill {
  const { palette, house } = routed.style
  const tone = toneFor(n, routed)
  const byHouse = n.dress.fill === 'house' ? house.fill : n.dress.fill
  // Where something begins or ends is told by a full fill wherever boxes are filled at all.
  const strong = (n.role === 'start' || n.role === 'end') && byHouse === 'tint'
  const given = n.look.fill
  const rule =
    given === 'none' ? 'none' : given !== undefined && n.shape !== 'plain' ? 'solid' : strong ? 'solid' : byHouse
  const shown = n.shape === 'plain' ? 'none' : rule
  const colour = { tint: tone.tint, solid: tone.solid, open: palette.ground, none: 'none' }[shown]
  return { rule: shown, tone, colour, opacity: shown === 'none' ? 1 : (n.look.opacity ?? 1) }
}

const inRegion = (n: PlacedNode, rule: FillRule): boolean =>
  (n.role === 'member' || n.role === 'set') && rule === 'none'

/** The colour of each voice, on what it stands on. */
function inks(n: PlacedNode, { rule, tone, colour, opacity }: Fill, routed: Routed): Readonly<Record<Voice, string>> {
  const { palette } = routed.style
  const all = (c: string) => ({ heading: c, detail: c, measure: c, value: c, numeral: c, actor: c })
  const region = inRegion(n, rule) ? wordsOnRegion(n, routed) : null
  if (region !== null && !(n.role === 'set' && region.ink === palette.ink)) return all(region.ink)
  const own = n.role === 'set' ? { heading: tone.ink } : {}
  const quiet = rule === 'tint' ? tone.quietOnTint : palette.quiet
  const calm = { ...all(palette.ink), detail: quiet, measure: quiet, numeral: tone.ink, actor: tone.ink, ...own }
  // Through a thin fill the ground shows: what it comes to, with the ground, is what words stand on.
  const thin = opacity < 1 ? wordsOn(flattened(colour, palette.ground, opacity), [palette.ink, palette.ground]) : null
  const full = rule === 'solid' ? all(tone.onSolid) : calm
  const based = thin === null ? full : all(thin)
  // Words in a band or a disc stand on the full colour.
  if (n.dress.form === 'headed') return { ...based, heading: tone.onSolid }
  if (n.dress.form === 'disc' || n.dress.form === 'stop') return { ...based, numeral: tone.onSolid }
  return based
}

const outlineOf = (n: PlacedNode, { style }: Routed): number => {
  const { outline } = n.dress
  const least = style.body.size / 12
  const width = outline < 0 ? Math.max(style.outline, least) * -outline : style.outline * outline
  const thickness = n.look.thickness ?? 1
  return (width === 0 && (n.look.line || thickness > 1) ? least : width) * thickness
}

/** Radius of corners, in parts of the size of the words. */
export const RADIUS: Readonly<Record<Corner, number>> = {
  square: 0,
  soft: 0.42,
  round: 1,
  leaf: 1,
  leafBack: 1,
  notched: 0.42,
  cut: 0.5,
}

type Surface = Extract<Mark, { mark: 'shape' }>

function surfaceOf(n: PlacedNode, { colour, tone, opacity }: Fill, routed: Routed): Surface {
  const { style } = routed
  const width = outlineOf(n, routed)
  const line = (toneNamed(n.look.line, routed) ?? tone).line
  return plate(n.barOf === null ? n.id : '', n.box, colour, {
    shape: n.shape,
    corner: style.house.corner,
    radius: style.body.size * RADIUS[style.house.corner],
    line: width > 0 ? (n.barOf === null ? line : style.palette.ink) : 'none',
    width: n.barOf === null ? width : style.body.size / 12,
    dash: n.look.dashed ? style.body.size * 0.35 : 0,
    opacity,
  })
}

/** Within the shape where it holds a figure of its own, or where the house draws two lines. */
function doubled(n: PlacedNode, surface: Surface, { tone }: Fill, routed: Routed): Mark[] {
  const unit = routed.style.body.size
  const within = (by: number, width: number): Mark => ({
    ...surface,
    box: inflate(n.box, -by),
    radius: Math.max(0, surface.radius - by * 0.6),
    fill: 'none',
    line: surface.line === 'none' ? tone.line : surface.line,
    width,
  })
  if (n.inset && n.shape !== 'doubled' && n.shape !== 'plain') return [within(unit * 0.28, Math.max(1, surface.width))]
  const straight = n.shape === 'rect' || n.shape === 'roundRect' || n.shape === 'pill'
  if (!routed.style.house.double || surface.width === 0 || !straight) return []
  return [within(surface.width * 2.6, surface.width * 0.5)]
}

function shadow(surface: Surface, { tone }: Fill, routed: Routed): Mark[] {
  const { depth, palette } = routed.style
  // It would be seen through a thin fill.
  if (depth === 0 || surface.fill === 'none' || surface.opacity < 1) return []
  const box = { ...surface.box, x: surface.box.x + depth, y: surface.box.y + depth }
  const fill = surface.fill === palette.ground ? palette.hair : tone.line
  return [{ ...surface, box, fill, line: 'none', width: 0, opacity: 1 }]
}

function plateMarks(p: Plate, n: PlacedNode, surface: Surface, { tone }: Fill, { style }: Routed): Mark[] {
  if (p.plate === 'disc') {
    const r = p.box.width / 2
    return [ellipse(n.id, { x: p.box.x + r, y: p.box.y + r }, { x: r, y: r }, { fill: tone.solid })]
  }
  if (p.plate === 'chart')
    return [plate(n.id, p.box, style.palette.ground, { line: tone.line, width: style.body.size / 20 })]
  if (p.plate === 'badge' || p.plate === 'value') {
    const { solid } = hueTone(p.hue, style) ?? style.palette.tones.main
    if (p.plate === 'value') return [plate(n.id, p.box, solid)]
    // Told from a node of the same colour by the ground around it.
    const around = plate(n.id, inflate(p.box, style.body.size / 12), style.palette.ground, { shape: 'pill' })
    return [around, { ...around, box: p.box, fill: solid }]
  }
  if (p.plate === 'rule')
    return [stroke(n.id, [p.box, { x: p.box.x + p.box.width, y: p.box.y }], style.palette.hair, style.body.size / 14)]
  const whole = p.box.height >= n.box.height - 0.5
  // A band has the corners of its panel above, and none where the panel goes on.
  if (p.plate === 'band')
    return [
      { ...surface, box: p.box, fill: tone.solid, line: 'none', width: 0, opacity: 1 },
      ...(whole || surface.radius === 0 ? [] : [plate(n.id, lowerHalf(p.box), tone.solid)]),
    ]
  return [plate(n.id, p.box, tone.solid)]
}
const lowerHalf = (b: Box): Box => ({ ...b, y: b.y + b.height / 2, height: b.height / 2 })

export function nodeMarks(n: PlacedNode, routed: Routed): Mark[] {
  const fill = fillOf(n, routed)
  const surface = surfaceOf(n, fill, routed)
  if (n.barOf !== null) return [surface]
  const colours = inks(n, fill, routed)
  const standing = standingIn(n, n.box, routed)
  const icon = n.pieces.icon
  return [
    ...shadow(surface, fill, routed),
    ...(surface.fill === 'none' && surface.line === 'none' ? [] : [surface]),
    ...apart(n, fill, routed),
    ...standing.plates.flatMap((p) => plateMarks(p, n, surface, fill, routed)),
    ...doubled(n, surface, fill, routed),
    ...(n.pieces.picture && standing.picture
      ? [
          {
            mark: 'picture',
            owner: n.id,
            hash: n.pieces.picture.hash,
            box: standing.picture,
            line: fill.tone.line,
          } as const,
        ]
      : []),
    ...(icon && standing.icon
      ? [
          {
            mark: 'icon',
            owner: n.id,
            name: icon.name,
            box: standing.icon,
            fill: iconColour(n, fill, colours.heading),
          } as const,
        ]
      : []),
    ...wordsOf(n, standing.words, colours, routed),
  ]
}

type Standing = ReturnType<typeof standingIn>

function wordsOf(
  n: PlacedNode,
  words: Standing['words'],
  colours: Readonly<Record<Voice, string>>,
  { decor, style }: Routed,
): Mark[] {
  const arc = decor.find((d) => d.kind === 'arcWords' && d.of === n.id)
  if (arc?.kind === 'arcWords') return [arcText(arc, colours.heading)]
  return words.map((w) => {
    const full = w.hue && (hueTone(w.hue, style) ?? style.palette.tones.main)
    return textMark(n.id, full ? w.block : aligned(w.block, n), w.centre, full ? full.onSolid : colours[w.voice])
  })
}

/** What reaches over the border of its region stands on a plate of its own. */
function apart(n: PlacedNode, { rule }: Fill, routed: Routed): Mark[] {
  const own = inRegion(n, rule) ? wordsOnRegion(n, routed)?.plate : null
  return own ? [plate(n.id, n.box, own)] : []
}

/** On a full colour as the words there, in a region as its words, else in the colour of its node. */
function iconColour(n: PlacedNode, { rule, tone, opacity }: Fill, words: string): string {
  const { form } = n.dress
  if ((rule === 'solid' && opacity === 1) || form === 'headed' || form === 'disc' || form === 'stop')
    return tone.onSolid
  return inRegion(n, rule) || opacity < 1 ? words : tone.ink
}

/** As a person wants the lines of it. */
const aligned = (block: TextBlock, n: PlacedNode): TextBlock => (n.look.align !== 'start' ? block : fromStart(block))
