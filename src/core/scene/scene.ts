/** Stage `scene`: the picture as a flat list of marks in frame px, back to front. Everything that is ever drawn, on screen
 *  or in a file, is drawn from this. In: routed figure. Out: marks fitted into the frame; measures and routes nothing. */
import { dress, fittedMark, legendAt, plate, textMark, unheardLooks, type Mark } from '../dress'
import { GROWTH_STEP, POINTS_PER_PX } from '../figure'
import { boxAround, centreOf, union, type Box, type Point, type Fit } from '../geometry'
import { runsFreely } from '../layout'
import type { TextBlock } from '../measure'
import { drawnBox, type Routed } from '../route'
import { areasOf } from './areas'
import { partPlaces } from './partPlaces'
import type { Fitted, Scene, SceneChange } from './picture'

/** `keep` holds the fit of an earlier picture, so that nothing but the dragged node moves while it is dragged. */
export function scene(routed: Routed, keep: Fitted | null = null): Scene {
  const drawn = boxWithNotes(routed)
  const legend = legendBelow(routed, drawn)
  const around = wordsAround(routed, legend ? union([drawn, legend.box]) : drawn)
  const whole = [drawn, ...(legend ? [legend.box] : []), ...around.map((a) => boxAround(a.centre, a.block))]
  const { fit, width, height } = keep ?? fitted(union(whole), routed)
  const marks = [
    ...bandMarks(routed, around, drawn, fit, width),
    ...[...dress(routed, null), ...(legend?.marks ?? []), ...aroundMarks(around, routed)].map((m) =>
      fittedMark(m, fit),
    ),
    ...logoMarks(routed, width, height),
  ]
  const sizes = marks.flatMap((m) => (m.mark === 'text' ? m.lines.map((l) => l.size) : []))
  return {
    width,
    height,
    background: routed.style.palette.ground,
    open: routed.style.ground === 'none',
    marks,
    fit,
    ...partPlaces(routed, fit, null),
    areas: areasOf(routed, fit),
    unheard: unheardLooks(routed),
    bends: !runsFreely(routed.flow) && routed.flow !== 'unlinked',
    places: {
      fitting: routed.style.fitting,
      starts: routed.starts,
      boxes: Object.fromEntries(routed.nodes.map((n) => [n.id, n.box])),
    },
    smallestText: sizes.length ? Math.min(...sizes) * POINTS_PER_PX : null,
    missing: routed.missing,
  }
}

/** What a drag or a typed word changes in a picture that else stays as it is, so that nothing else need be made or sent. */
export function sceneChange(before: Routed, now: Routed, fit: Fit): SceneChange {
  const owners = changedBetween(before, now)
  // Title and caption belong to nobody, as bars do; they stay where they stood.
  const own = owners.has('')
  const drawn = boxWithNotes(before)
  const legend = own ? legendBelow(before, drawn) : null
  const around = own ? wordsAround(before, legend ? union([drawn, legend.box]) : drawn) : []
  const marks = [...dress(now, owners), ...(legend?.marks ?? []), ...aroundMarks(around, before)].map((m) =>
    fittedMark(m, fit),
  )
  return { owners: [...owners], marks, ...partPlaces(now, fit, owners) }
}

/** Below the picture, over its caption. */
const legendBelow = (routed: Routed, drawn: Box) =>
  legendAt(
    { x: centreOf(drawn).x, y: drawn.y + drawn.height + routed.style.body.size * 0.9 },
    Math.max(drawn.width, routed.style.wrap.point),
    routed,
  )

type Around = ReturnType<typeof wordsAround>
const hasBand = ({ style }: Routed, around: Around): boolean => style.ground === 'band' && around.some((a) => a.title)

const aroundMarks = (around: Around, routed: Routed): Mark[] => {
  const { palette } = routed.style
  const title = hasBand(routed, around) ? palette.tones.strong.onSolid : palette.ink
  return around.map((a) => textMark('', a.block, a.centre, a.title ? title : palette.quiet))
}

/** A band over the whole width of the frame, from its top to halfway between title and picture. */
function bandMarks(routed: Routed, around: Around, drawn: Box, fit: Fit, width: number): Mark[] {
  const title = around.find((a) => a.title)
  if (!title || !hasBand(routed, around)) return []
  const foot = (title.centre.y + title.block.height / 2 + drawn.y) / 2
  const box = { x: 0, y: 0, width, height: foot * fit.scale + fit.dy }
  return [plate('', box, routed.style.palette.tones.strong.solid)]
}

/** How much of the margin the logo takes; what is wider than so many times its height is made smaller. */
const LOGO = 0.62
const WIDEST = 8

/** The logo of the house in the lower margin, on the side where lines end. */
function logoMarks({ style }: Routed, width: number, height: number): Mark[] {
  const { logo, margin, across, palette } = style
  if (!logo) return []
  const shape = Math.min(WIDEST, logo.width / logo.height)
  const [wide, high] = [margin * LOGO * shape, (margin * LOGO * shape * logo.height) / logo.width]
  const box = {
    x: across > 0 ? width - margin - wide : margin,
    y: height - (margin + high) / 2,
    width: wide,
    height: high,
  }
  return [{ mark: 'icon', owner: '', name: logo.icon, box, fill: palette.ink }]
}

function changedBetween(before: Routed, now: Routed): ReadonlySet<string> {
  const [nodes, routes] = [new Map(before.nodes.map((n) => [n.id, n])), new Map(before.routes.map((r) => [r.id, r]))]
  const bars = new Set(now.nodes.flatMap((n) => (n.barOf === null ? [] : [n.id])))
  const owner = (id: string) => (bars.has(id) ? '' : id)
  return new Set([
    ...now.nodes.flatMap((n) => {
      const old = nodes.get(n.id)
      return old?.box === n.box && old.pieces === n.pieces ? [] : [owner(n.id)]
    }),
    ...now.routes.flatMap((r) => {
      const old = routes.get(r.id)
      return old?.points === r.points && old.label?.box === r.label?.box ? [] : [owner(r.id)]
    }),
    ...now.notes.map((n) => n.id),
  ])
}

const boxWithNotes = (routed: Routed): Box => union([drawnBox(routed), ...routed.notes.map((n) => n.box)])

/** The title above the picture, caption and source line below it, over its middle. */
function wordsAround(
  routed: Routed,
  drawn: Box,
): { readonly title: boolean; readonly block: TextBlock; readonly centre: Point }[] {
  const { headline, style } = routed
  const gap = style.body.size * 1.4
  const x = centreOf(drawn).x
  let foot = drawn.y + drawn.height + gap
  const below = [routed.caption, routed.sourceLine].flatMap((block) => {
    if (!block) return []
    const centre = { x, y: foot + block.height / 2 }
    foot += block.height + gap * 0.4
    return [{ title: false, block, centre }]
  })
  return [
    ...(headline ? [{ title: true, block: headline, centre: { x, y: drawn.y - gap - headline.height / 2 } }] : []),
    ...below,
  ]
}

/** The least of these; what is larger than life by whole steps only. */
function inSteps(...most: readonly number[]): number {
  const scale = Math.min(...most)
  return scale < 1 ? scale : 1 + Math.floor((scale - 1) / GROWTH_STEP + 1e-9) * GROWTH_STEP
}

function fitted(content: Box, routed: Routed): Fitted {
  const { frame, margin } = routed.style
  const scale = inSteps(
    frame.growth,
    frame.width ? (frame.width - 2 * margin) / Math.max(1, content.width) : Infinity,
    frame.height ? (frame.height - 2 * margin) / Math.max(1, content.height) : Infinity,
  )
  const width = frame.width ?? content.width * scale + 2 * margin
  const height = frame.height ?? content.height * scale + 2 * margin
  const c = centreOf(content)
  const { across } = routed.style
  return { width, height, fit: { scale, across, dx: width / 2 - c.x * scale * across, dy: height / 2 - c.y * scale } }
}
