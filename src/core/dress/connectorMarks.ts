/** Connectors as marks: their line, its end, and where one jumps over another. */
import { EPSILON, inflate, segmentEnters, segments, type Point } from '../geometry'
import { runsFreely } from '../layout'
import type { PlacedLabel, Route, Routed } from '../route'
import type { LineEnd, Mark } from './mark'
import { toneFor, toneNamed } from './tones'

/** Times the width of the others. */
const BEST = 2.4
const WEIGHT = { house: 1, quiet: 0.8 } as const

/** `bars` are the ends of connectors that nobody can point at. */
export function connectorMarks(
  routed: Routed,
  routes: readonly Route[],
  bars: ReadonlySet<string>,
): (r: Route) => Mark {
  const { style } = routed
  const { palette, house, treatment } = style
  const over = hopsOf(routed, routes)
  const link = new Map(routed.links.map((l) => [l.id, l]))
  const node = new Map(routed.nodes.map((n) => [n.id, n]))
  const unit = style.body.size
  const colourOf = (r: Route): string => {
    const l = link.get(r.id)
    const own = toneNamed(l?.look.line ?? l?.look.fill, routed)
    if (own) return own.line
    if (l?.best) return palette.tones.accent.line
    const end = style.connector.of && node.get(style.connector.of === 'source' ? r.from : r.to)
    if (end && end.barOf === null) return toneFor(end, routed).line
    if (treatment.links === 'quiet') return palette.quiet
    return house.line.tone ? palette.tones[house.line.tone].line : palette.ink
  }
  const endOf = (r: Route): LineEnd => {
    const own = link.get(r.id)?.look.ends
    if (own) return own
    // A hierarchy reads by place; heads on its lines would say that something moves.
    return routed.kind === 'hierarchy' || bars.has(r.to) ? 'none' : house.line.ends
  }
  return (r) => {
    const l = link.get(r.id)
    const end = endOf(r)
    return {
      mark: 'connector',
      owner: bars.has(r.id) ? '' : r.id,
      points: r.points,
      line: colourOf(r),
      width: style.connector.width * WEIGHT[treatment.links] * (l?.best ? BEST : 1) * (l?.look.thickness ?? 1),
      dash: l?.cross || l?.look.dashed ? unit * 0.35 : 0,
      end,
      arrow: end === 'none' ? 0 : style.connector.arrow,
      corner: style.connector.corner,
      hops: over.get(r.id) ?? [],
      hop: unit * 0.3,
      gap:
        r.label && segments(r.points).some(([a, b]) => segmentEnters(a, b, (r.label as PlacedLabel).box))
          ? inflate(r.label.box, unit * 0.15)
          : null,
    }
  }
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
