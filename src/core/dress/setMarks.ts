/** The sets of a Venn diagram as marks: tints that show through each other, solids whose overlaps are hatched, outlines. */
import { centreOf, contains, cosine, sine, type Box, type Point } from '../geometry'
import { isInSet, type Decor, type PlacedNode } from '../layout'
import type { Routed } from '../route'
import { contrast, mixed, type Palette, type Tone } from '../style'
import { clipped, hatched } from './hatch'
import type { Mark, PathStep } from './mark'
import { ellipse, path, polygon } from './stroke'
import { toneFor } from './tones'

type SetDecor = Extract<Decor, { kind: 'set' }>
type PanelDecor = Extract<Decor, { kind: 'panel' }>

/** Tints show through each other. */
const THROUGH = 0.72
const PIECES = 120

const setNodes = (routed: Pick<Routed, 'nodes'>): readonly PlacedNode[] => routed.nodes.filter((n) => n.role === 'set')
const toneOfSet = (index: number, routed: Routed): Tone => {
  const n = setNodes(routed)[index]
  return n ? toneFor(n, routed) : routed.style.palette.tones.main
}

function outlineOf({ centre, radius, tilt }: SetDecor): Point[] {
  const angle = (tilt * Math.PI) / 180
  const [c, s] = [cosine(angle), sine(angle)]
  return Array.from({ length: PIECES }, (_, i) => {
    const t = (2 * Math.PI * i) / PIECES
    const [x, y] = [radius.x * cosine(t), radius.y * sine(t)]
    return { x: centre.x + x * c - y * s, y: centre.y + x * s + y * c }
  })
}

/** What is seen where sets meet: their colours together, far enough from the middle that words stand out. */
function meetingColour(tones: readonly Tone[], palette: Palette): string {
  const [first, ...rest] = tones.map((t) => t.solid)
  const together = rest.reduce((a, b) => mixed(a, b, 0.5), first ?? palette.ground)
  const towards = contrast(together, '#ffffff') > 3 ? '#000000' : '#ffffff'
  for (const share of [0.16, 0.28, 0.4, 0.52, 0.64, 0.8]) {
    const deep = mixed(together, towards, share)
    if (Math.max(contrast(deep, palette.ground), contrast(deep, palette.ink)) >= 5.5) return deep
  }
  return towards
}
const wordsOn = (fill: string, palette: Palette): string =>
  contrast(palette.ground, fill) >= contrast(palette.ink, fill) ? palette.ground : palette.ink

/** The sets whose regions a place lies in. */
const setsAt = (p: Point, regions: readonly (SetDecor | PanelDecor)[]): readonly number[] => {
  const panel = regions.find((d) => d.kind === 'panel' && contains(d.box, { ...p, width: 0, height: 0 }))
  if (panel?.kind === 'panel') return panel.sets
  return regions.flatMap((d) => (d.kind === 'set' && isInSet(p, d) ? [d.tint] : []))
}

/** Places all over a box. */
const placesIn = (b: Box): Point[] =>
  [0.01, 0.25, 0.5, 0.75, 0.99].flatMap((u) =>
    [0.08, 0.5, 0.92].map((v) => ({ x: b.x + b.width * u, y: b.y + b.height * v })),
  )

/** The colour of words where a member stands, where regions are full; null where they are not. `plate` for one that reaches
 *  over the border of its region, and needs a plate of its own. */
export function wordsOnRegion(
  n: Pick<PlacedNode, 'box'>,
  routed: Routed,
): { readonly ink: string; readonly plate: string | null } | null {
  const { palette, treatment } = routed.style
  if (treatment.sets !== 'solid') return null
  const regions = routed.decor.filter((d): d is SetDecor | PanelDecor => d.kind === 'set' || d.kind === 'panel')
  if (regions.length === 0) return null
  const here = setsAt(centreOf(n.box), regions).toSorted((a, b) => a - b)
  const around = placesIn(n.box).map((c) => setsAt(c, regions).toSorted((a, b) => a - b))
  if (around.some((s) => s.join() !== here.join())) return { ink: palette.ink, plate: palette.ground }
  const tones = here.map((i) => toneOfSet(i, routed))
  const [only] = tones
  if (!only) return { ink: palette.ink, plate: null }
  return { ink: tones.length === 1 ? only.onSolid : wordsOn(meetingColour(tones, palette), palette), plate: null }
}

const ways: Readonly<Record<'tint' | 'solid' | 'outline', (d: SetDecor, routed: Routed) => Mark>> = {
  tint: (d, routed) => {
    const tone = toneOfSet(d.tint, routed)
    const width = Math.max(routed.style.outline, routed.style.body.size / 14)
    return ellipse('', d.centre, d.radius, { tilt: d.tilt, fill: tone.tint, opacity: THROUGH, line: tone.line, width })
  },
  solid: (d, routed) =>
    ellipse('', d.centre, d.radius, { tilt: d.tilt, fill: toneOfSet(d.tint, routed).solid, opacity: 1 }),
  outline: (d, routed) =>
    ellipse('', d.centre, d.radius, {
      tilt: d.tilt,
      line: toneOfSet(d.tint, routed).line,
      width: routed.style.body.size * 0.2,
    }),
}

/** A region as a panel, in the colour of its set or of its sets together. */
export function panelLook(d: PanelDecor, routed: Routed): { fill: string; line: string; width: number } {
  const { style } = routed
  const { palette } = style
  const tones = d.sets.map((i) => toneOfSet(i, routed))
  const tone = tones.length === 1 && tones[0] ? tones[0] : palette.tones.main
  const looks = {
    tint: { fill: tone.tint, line: tone.line, width: style.body.size * 0.06 },
    solid: { fill: tones.length > 1 ? meetingColour(tones, palette) : tone.solid, line: 'none', width: 0 },
    outline: { fill: palette.ground, line: tone.line, width: style.body.size * 0.16 },
  }
  return looks[style.treatment.sets]
}

export const setMarks = (d: SetDecor, routed: Routed): Mark[] => [ways[routed.style.treatment.sets](d, routed)]

/** Where full sets meet, in order of how many do: one over the other. */
export function meetingMarks(routed: Routed): Mark[] {
  const { style } = routed
  if (style.treatment.sets !== 'solid') return []
  const sets = routed.decor.filter((d): d is SetDecor => d.kind === 'set')
  const outlines = sets.map(outlineOf)
  const regions = subsets(sets.length).filter((s) => s.length > 1)
  return regions.flatMap((subset): Mark[] => {
    const shape = subset.map((i) => outlines[i] as Point[]).reduce((a, b) => clipped(a, b))
    if (shape.length < 3) return []
    const fill = meetingColour(
      subset.map((i) => toneOfSet((sets[i] as SetDecor).tint, routed)),
      style.palette,
    )
    // Lines faint enough that words on them read as on the fill alone.
    const line = mixed(fill, wordsOn(fill, style.palette), 0.16)
    const lines = hatched(shape, style.body.size * 0.55).flatMap(([a, b]): PathStep[] => [
      ['M', a],
      ['L', b],
    ])
    return [
      path('', polygon(shape), { fill }),
      ...(lines.length > 0 ? [path('', lines, { line, width: style.body.size * 0.07 })] : []),
    ]
  })
}

/** All subsets, the small ones first. */
const subsets = (count: number): number[][] =>
  Array.from({ length: 2 ** count }, (_, bits) =>
    Array.from({ length: count }, (_, i) => i).filter((i) => bits & (1 << i)),
  ).toSorted((a, b) => a.length - b.length || (a.join() < b.join() ? -1 : 1))
