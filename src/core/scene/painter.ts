/** The marks of nodes, connectors, their words and notes, in frame px; of all of them, or of some alone. */
import { EPSILON, boxAround, centreOf, inflate, segmentEnters, segments, type Box, type Point } from '../geometry'
import { runsFreely, type PlacedNode } from '../layout'
import type { TextBlock } from '../measure'
import type { PlacedLabel, Route, Routed } from '../route'
import { decorMarks } from './decor'
import type { Mark, SceneLine } from './mark'
import { noteMarks } from './noteMarks'
import type { Fit, Scene } from './picture'

/** `only` names the owners whose marks are asked for; null for all. */
export function painter(routed: Routed, fit: Fit, only: ReadonlySet<string> | null) {
  const { style } = routed
  const at = (p: Point): Point => ({ x: p.x * fit.scale + fit.dx, y: p.y * fit.scale + fit.dy })
  const boxAt = (b: Box): Box => ({ ...at(b), width: b.width * fit.scale, height: b.height * fit.scale })
  const text = (owner: string, block: TextBlock, centre: Point, fill: string): Mark =>
    textMark(owner, block, at(centre), fit.scale, fill)
  const bars = new Map(routed.nodes.flatMap((n) => (n.barOf === null ? [] : [[n.id, n.barOf] as const])))
  const stands = (id: string) => bars.get(id) ?? id
  const asked = (owner: string) => only === null || only.has(owner)
  const ownerOf = (id: string) => (bars.has(id) ? '' : id)
  const routes = routed.routes.filter((r) => asked(ownerOf(r.id)))
  const nodes = routed.nodes.filter((n) => asked(ownerOf(n.id)))
  const notes = routed.notes.filter((n) => asked(n.id))
  const connector = connectors(routed, fit, { at, boxAt }, routes, bars)
  const words = (block: TextBlock, centre: Point, fill = style.connector.text): Mark => text('', block, centre, fill)
  return {
    at,
    boxAt,
    words,
    marks: (): Mark[] => [
      ...(asked('') ? routed.decor.flatMap((d) => decorMarks(d, { style, scale: fit.scale, at, boxAt, words })) : []),
      ...routes.map(connector),
      ...nodes.toSorted((a, b) => a.lift - b.lift).flatMap((n) => nodeMarks(n, routed, fit, { boxAt, text })),
      ...routes.flatMap((r) =>
        r.label ? [text(r.id, r.label.block, centreOf(r.label.box), style.connector.text)] : [],
      ),
      ...notes.flatMap((n) => noteMarks(n, { style, scale: fit.scale, at, text })),
    ],
    /** Nodes, connectors and notes by place, for pointing and for alternatives to seeing. */
    places: (): Pick<Scene, 'nodes' | 'links' | 'notes'> => ({
      nodes: nodes
        .filter((n) => n.barOf === null)
        .map((n) => ({
          id: n.id,
          box: boxAt(n.box),
          text: n.block.text || (n.picture?.alt ?? ''),
          held: n.held !== null,
          inset: n.inset,
        })),
      links: routes
        .filter((r) => !bars.has(r.id))
        .map((r) => ({
          id: r.id,
          from: stands(r.from),
          to: stands(r.to),
          points: r.points.map(at),
          text: r.label?.block.text ?? '',
        })),
      notes: notes.map((n) => ({ id: n.id, box: boxAt(n.box), text: n.block.text, subject: at(n.subject) })),
    }),
  }
}

type Places = { readonly at: (p: Point) => Point; readonly boxAt: (b: Box) => Box }

function connectors(
  routed: Routed,
  { scale }: Fit,
  { at, boxAt }: Places,
  routes: readonly Route[],
  bars: ReadonlyMap<string, string>,
): (r: Route) => Mark {
  const { style } = routed
  const over = hopsOf(routed, routes)
  const cross = new Set(routed.links.filter((l) => l.cross).map((l) => l.id))
  const best = new Set(routed.links.filter((l) => l.best).map((l) => l.id))
  return (r) => ({
    mark: 'connector',
    owner: bars.has(r.id) ? '' : r.id,
    points: r.points.map(at),
    line: style.connector.line,
    width: style.connector.width * (best.has(r.id) ? 2.4 : 1) * scale,
    dash: cross.has(r.id) ? style.body.size * 0.35 * scale : 0,
    // A hierarchy reads by place; heads on its lines would say that something moves.
    arrow: routed.kind === 'hierarchy' || bars.has(r.to) ? 0 : style.connector.arrow * scale,
    corner: style.connector.corner * scale,
    hops: (over.get(r.id) ?? []).map(at),
    hop: style.body.size * 0.3 * scale,
    gap:
      r.label && segments(r.points).some(([a, b]) => segmentEnters(a, b, (r.label as PlacedLabel).box))
        ? boxAt(inflate(r.label.box, style.body.size * 0.15))
        : null,
  })
}

function nodeMarks(
  n: PlacedNode,
  { style }: Routed,
  { scale }: Fit,
  { boxAt, text }: Pick<Places, 'boxAt'> & { text: (owner: string, b: TextBlock, c: Point, fill: string) => Mark },
): Mark[] {
  const look = style.roles[n.role]
  const shape: Mark = {
    mark: 'shape',
    owner: n.barOf === null ? n.id : '',
    shape: n.shape,
    box: boxAt(n.box),
    fill: look.fill,
    line: n.barOf === null ? look.line : style.connector.line,
    width: style.outline * scale,
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
}

/** Where level stretches of some connectors cross upright ones of others: the level one jumps. */
function hopsOf(routed: Routed, level: readonly Route[]): ReadonlyMap<string, readonly Point[]> {
  const out = new Map<string, Point[]>()
  if (runsFreely(routed.flow)) return out
  const stretches = (list: readonly Route[]) =>
    list.flatMap((r) => segments(r.points).map(([a, b]) => ({ id: r.id, a, b })))
  const upright = stretches(routed.routes)
    .filter(({ a, b }) => Math.abs(a.x - b.x) <= EPSILON)
    .map(({ id, a, b }) => ({ id, x: a.x, top: Math.min(a.y, b.y) + EPSILON, foot: Math.max(a.y, b.y) - EPSILON }))
  for (const { id, a, b } of stretches(level)) {
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
