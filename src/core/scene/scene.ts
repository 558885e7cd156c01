/** Stage `scene`: the picture as a flat list of marks in frame px, back to front. Everything that is ever drawn, on screen
 *  or in a file, is drawn from this. In: routed figure. Out: marks fitted into the frame; measures and routes nothing. */
import { GROWTH_STEP, POINTS_PER_PX, type Places } from '../figure'
import {
  EPSILON,
  boxAround,
  centreOf,
  inflate,
  segmentEnters,
  segments,
  union,
  type Box,
  type Point,
} from '../geometry'
import { runsFreely } from '../layout'
import type { TextBlock } from '../measure'
import { drawnBox, type PlacedLabel, type Routed } from '../route'
import { areasOf, type Area } from './areas'
import { decorMarks } from './decor'
import { noteMarks } from './noteMarks'
import type { Mark, SceneLine } from './mark'

/** How layout px become frame px: multiply by `scale`, then add `dx`, `dy`. */
export type Fit = { readonly scale: number; readonly dx: number; readonly dy: number }
export type Scene = {
  readonly width: number
  readonly height: number
  readonly background: string
  readonly marks: readonly Mark[]
  readonly fit: Fit
  /** Nodes and connectors by place, for pointing and for alternatives to seeing. */
  readonly nodes: readonly {
    readonly id: string
    readonly box: Box
    readonly text: string
    readonly held: boolean
    readonly inset: boolean
  }[]
  readonly links: readonly {
    readonly id: string
    readonly from: string
    readonly to: string
    readonly points: readonly Point[]
    readonly text: string
  }[]
  readonly notes: readonly { readonly id: string; readonly box: Box; readonly text: string; readonly subject: Point }[]
  readonly areas: readonly Area[]
  /** Connectors run level and upright, and can be bent by hand. */
  readonly bends: boolean
  /** Where the nodes stand in layout px, to be left there by the next edit. */
  readonly places: Omit<Places, 'key'>
  /** pt; null for a figure without text. */
  readonly smallestText: number | null
  readonly missing: readonly string[]
}

/** `keep` holds the fit of an earlier picture, so that nothing but the dragged node moves while it is dragged. */
export function scene(routed: Routed, keep: { fit: Fit; width: number; height: number } | null = null): Scene {
  const { style } = routed
  const drawn = union([drawnBox(routed), ...routed.notes.map((n) => n.box)])
  const around = wordsAround(routed, drawn)
  const { fit, width, height } =
    keep ?? fitted(union([drawn, ...around.map((a) => boxAround(a.centre, a.block))]), routed)
  const at = (p: Point): Point => ({ x: p.x * fit.scale + fit.dx, y: p.y * fit.scale + fit.dy })
  const boxAt = (b: Box): Box => ({ ...at(b), width: b.width * fit.scale, height: b.height * fit.scale })
  const text = (owner: string, block: TextBlock, centre: Point, fill: string): Mark =>
    textMark(owner, block, at(centre), fit.scale, fill)
  const words = (block: TextBlock, centre: Point, fill: string): Mark => text('', block, centre, fill)
  const over = hopsOf(routed)
  const cross = new Set(routed.links.filter((l) => l.cross).map((l) => l.id))
  const best = new Set(routed.links.filter((l) => l.best).map((l) => l.id))
  const bars = new Map(routed.nodes.flatMap((n) => (n.barOf === null ? [] : [[n.id, n.barOf] as const])))
  const stands = (id: string) => bars.get(id) ?? id
  const connectors = routed.routes.map((r): Mark => ({
    mark: 'connector',
    owner: bars.has(r.id) ? '' : r.id,
    points: r.points.map(at),
    line: style.connector.line,
    width: style.connector.width * (best.has(r.id) ? 2.4 : 1) * fit.scale,
    dash: cross.has(r.id) ? style.body.size * 0.35 * fit.scale : 0,
    // A hierarchy reads by place; heads on its lines would say that something moves.
    arrow: routed.kind === 'hierarchy' || bars.has(r.to) ? 0 : style.connector.arrow * fit.scale,
    corner: style.connector.corner * fit.scale,
    hops: (over.get(r.id) ?? []).map(at),
    hop: style.body.size * 0.3 * fit.scale,
    gap:
      r.label && segments(r.points).some(([a, b]) => segmentEnters(a, b, (r.label as PlacedLabel).box))
        ? boxAt(inflate(r.label.box, style.body.size * 0.15))
        : null,
  }))
  const nodes = routed.nodes.flatMap((n): Mark[] => {
    const look = style.roles[n.role]
    const shape: Mark = {
      mark: 'shape',
      owner: n.barOf === null ? n.id : '',
      shape: n.shape,
      box: boxAt(n.box),
      fill: look.fill,
      line: n.barOf === null ? look.line : style.connector.line,
      width: style.outline * fit.scale,
    }
    const within = { ...shape, box: boxAt(inflate(n.box, -style.body.size * 0.28)), fill: 'none' }
    const shown = n.inset && n.shape !== 'doubled' && n.shape !== 'plain' ? [shape, within] : [shape]
    if (n.barOf !== null) return shown
    const c = centreOf(n.box)
    const picture = n.picture && boxAround({ x: c.x, y: c.y + n.picture.middle }, n.picture)
    return [
      ...shown,
      ...(n.picture && picture
        ? [{ mark: 'picture', owner: n.id, hash: n.picture.hash, box: boxAt(picture), line: look.line } as const]
        : []),
      text(n.id, n.block, { x: c.x, y: c.y + n.wordsMiddle }, look.text),
    ]
  })
  const labels = routed.routes.flatMap((r) =>
    r.label ? [text(r.id, r.label.block, centreOf(r.label.box), style.connector.text)] : [],
  )
  const marks = [
    ...routed.decor.flatMap((d) => decorMarks(d, { style, scale: fit.scale, at, boxAt, words })),
    ...connectors,
    ...nodes,
    ...labels,
    ...routed.notes.flatMap((n) => noteMarks(n, { style, scale: fit.scale, at, text })),
    ...around.map((a) => words(a.block, a.centre, style.connector.text)),
  ]
  const sizes = marks.flatMap((m) => (m.mark === 'text' ? m.lines.map((l) => l.size) : []))
  return {
    width,
    height,
    background: style.page,
    marks,
    fit,
    nodes: routed.nodes
      .filter((n) => n.barOf === null)
      .map((n) => ({
        id: n.id,
        box: boxAt(n.box),
        text: n.block.text || (n.picture?.alt ?? ''),
        held: n.held !== null,
        inset: n.inset,
      })),
    links: routed.routes
      .filter((r) => !bars.has(r.id))
      .map((r) => ({
        id: r.id,
        from: stands(r.from),
        to: stands(r.to),
        points: r.points.map(at),
        text: r.label?.block.text ?? '',
      })),
    notes: routed.notes.map((n) => ({ id: n.id, box: boxAt(n.box), text: n.block.text, subject: at(n.subject) })),
    areas: areasOf(routed, fit.scale, at, boxAt),
    bends: !runsFreely(routed.flow) && routed.flow !== 'unlinked',
    places: {
      fitting: style.fitting,
      starts: routed.starts,
      boxes: Object.fromEntries(routed.nodes.map((n) => [n.id, n.box])),
    },
    smallestText: sizes.length ? Math.min(...sizes) * POINTS_PER_PX : null,
    missing: routed.missing,
  }
}

/** Where level stretches of one connector cross upright ones of another: the level one jumps. */
function hopsOf(routed: Routed): ReadonlyMap<string, readonly Point[]> {
  const out = new Map<string, Point[]>()
  if (runsFreely(routed.flow)) return out
  const stretches = routed.routes.flatMap((r) => segments(r.points).map(([a, b]) => ({ id: r.id, a, b })))
  const upright = stretches
    .filter(({ a, b }) => Math.abs(a.x - b.x) <= EPSILON)
    .map(({ id, a, b }) => ({ id, x: a.x, top: Math.min(a.y, b.y) + EPSILON, foot: Math.max(a.y, b.y) - EPSILON }))
  for (const { id, a, b } of stretches) {
    if (Math.abs(a.y - b.y) > EPSILON) continue
    const [left, right] = [Math.min(a.x, b.x) + EPSILON, Math.max(a.x, b.x) - EPSILON]
    const over = upright.filter((u) => u.x > left && u.x < right && u.top < a.y && a.y < u.foot && u.id !== id)
    const places = over.map((u) => ({ x: u.x, y: a.y })).toSorted((p, q) => (p.x - q.x) * Math.sign(b.x - a.x))
    if (places.length > 0) out.set(id, [...(out.get(id) ?? []), ...places])
  }
  return out
}

function textMark(owner: string, block: TextBlock, centre: Point, scale: number, fill: string): Mark {
  const lines = block.lines.map((l): SceneLine => {
    const left = centre.x + l.x * scale
    const runs = l.line.runs.map((r) => ({
      ...r,
      x: left + r.x * scale,
      width: r.width * scale,
      glyphs: r.glyphs.map((g) => ({ id: g.id, x: left + g.x * scale + r.x * scale, y: g.y * scale })),
    }))
    return { runs, baseline: centre.y + l.baseline * scale, size: l.size * scale, strong: l.strong }
  })
  return { mark: 'text', owner, lines, fill }
}

/** The title above the picture and the caption below it, over its middle. */
function wordsAround(routed: Routed, drawn: Box): { readonly block: TextBlock; readonly centre: Point }[] {
  const { headline, caption, style } = routed
  const gap = style.body.size * 1.4
  const x = centreOf(drawn).x
  return [
    ...(headline ? [{ block: headline, centre: { x, y: drawn.y - gap - headline.height / 2 } }] : []),
    ...(caption ? [{ block: caption, centre: { x, y: drawn.y + drawn.height + gap + caption.height / 2 } }] : []),
  ]
}

/** The least of these; what is larger than life by whole steps only. */
function inSteps(...most: readonly number[]): number {
  const scale = Math.min(...most)
  return scale < 1 ? scale : 1 + Math.floor((scale - 1) / GROWTH_STEP + 1e-9) * GROWTH_STEP
}

function fitted(content: Box, routed: Routed): { fit: Fit; width: number; height: number } {
  const { frame, margin } = routed.style
  const scale = inSteps(
    frame.growth,
    frame.width ? (frame.width - 2 * margin) / Math.max(1, content.width) : Infinity,
    frame.height ? (frame.height - 2 * margin) / Math.max(1, content.height) : Infinity,
  )
  const width = frame.width ?? content.width * scale + 2 * margin
  const height = frame.height ?? content.height * scale + 2 * margin
  const c = centreOf(content)
  return { width, height, fit: { scale, dx: width / 2 - c.x * scale, dy: height / 2 - c.y * scale } }
}
