/** What arrangements and treatments draw besides nodes and connectors, as marks: a row for each kind. */
import { cosine, sine, type Point } from '../geometry'
import type { Decor } from '../layout'
import type { Routed } from '../route'
import type { Tone } from '../style'
import type { Mark, PathStep } from './mark'
import { RADIUS } from './nodeMarks'
import { panelLook, setMarks } from './setMarks'
import { ellipse, path, plate, stroke } from './stroke'
import { textMark } from './textMark'
import { seriesTone, toneFor } from './tones'

/** Lines of what stands behind the nodes are thinner than theirs; in parts of the size of the words. */
const THIN = 0.06

const draw: { [K in Decor['kind']]: (d: Extract<Decor, { kind: K }>, r: Routed) => Mark[] } = {
  words: (d, { style }) => [textMark('', d.block, d.centre, style.palette.ink)],
  rule: (d, { style }) => [stroke('', [d.from, d.to], style.palette.quiet, style.body.size * THIN)],
  badge: (d, r) => {
    const { style } = r
    const full = style.house.fill === 'solid'
    const tone = style.palette.tones.main
    return [
      ellipse(
        '',
        d.centre,
        { x: d.radius, y: d.radius },
        {
          fill: d.block === null || full ? tone.solid : style.house.fill === 'open' ? style.palette.ground : tone.tint,
          line: d.block === null || full ? 'none' : tone.line,
          width: style.body.size / 12,
        },
      ),
      ...(d.block ? [textMark('', d.block, d.centre, full ? tone.onSolid : style.palette.ink)] : []),
    ]
  },
  field: (d, r) => {
    const { style } = r
    const tone = d.level === null ? (d.tint === null ? null : seriesTone(style.palette, d.tint)) : levelTone(r, d.level)
    return [
      plate('', d.box, tone?.tint ?? style.palette.ground, {
        ...cornersOf(r),
        line: (tone ?? style.palette.tones.main).line,
        width: style.body.size * THIN,
      }),
    ]
  },
  set: (d, r) => setMarks(d, r),
  panel: (d, r) => {
    const { style } = r
    const radius = style.body.size * 0.28
    const { fill, line, width } = panelLook(d, r)
    const dot = (i: number) => {
      const tone = seriesTone(style.palette, d.sets[i] ?? 0)
      return style.treatment.sets === 'solid' ? { fill: tone.tint } : { fill: tone.solid }
    }
    return [
      plate('', d.box, fill, { ...cornersOf(r), line, width }),
      ...d.dots.map((p, i) => ellipse('', p, { x: radius, y: radius }, dot(i))),
    ]
  },
  lane: (d, { style }) => {
    const { tint, line } = style.palette.tones.main
    const width = style.body.size * THIN
    return [
      plate('', d.box, 'none', { line, width }),
      plate('', d.header, tint, { line, width }),
      textMark('', d.name.block, d.name.centre, style.palette.ink),
    ]
  },
  ring: (d, { style }) => [
    ellipse('', d.centre, d.radius, { line: style.palette.tones.main.line, width: style.body.size * THIN }),
  ],
  segment: (d, r) => {
    const tone = toneOf(d.of, r)
    const fill = r.style.house.fill === 'open' ? r.style.palette.ground : tone.solid
    const open = r.style.house.fill === 'open'
    return [
      path('', sector(d), {
        fill,
        line: open ? tone.line : r.style.palette.ground,
        width: r.style.body.size * (open ? 0.1 : 0.22),
      }),
      textMark('', d.numeral.block, d.numeral.centre, open ? tone.ink : tone.onSolid),
    ]
  },
  route: (d, { style }) => [
    stroke(
      '',
      d.points,
      style.palette.tones.main.line,
      style.body.size * 0.32 * style.house.line.weight ** 0.5,
      d.bend,
    ),
  ],
  backing: (d, r) => [
    plate('', d.box, r.style.house.fill === 'open' ? r.style.palette.ground : toneOf(d.of, r).tint, {
      line: r.style.house.fill === 'open' ? toneOf(d.of, r).line : 'none',
      width: r.style.outline,
    }),
  ],
  levelBand: (d, r) => [plate('', d.box, levelTone(r, d.level).tint)],
  bar: (d, { style }) => [
    plate('', d.box, (d.good ? style.palette.tones.good : style.palette.tones.poor).solid),
    textMark('', d.name.block, d.name.centre, style.palette.ink),
  ],
}

export const decorMarks = (decor: Decor, routed: Routed): Mark[] =>
  // The row belongs to the decor's own kind, which the compiler cannot see through the union.
  (draw[decor.kind] as (d: Decor, r: Routed) => Mark[])(decor, routed)

const cornersOf = ({ style }: Routed) => ({
  shape: 'roundRect' as const,
  corner: style.house.corner,
  radius: style.body.size * RADIUS[style.house.corner],
})
const levelTone = ({ style }: Routed, level: number): Tone =>
  style.colouring === 'level' ? seriesTone(style.palette, level) : style.palette.tones.main
const toneOf = (id: string, r: Routed): Tone => {
  const n = r.nodes.find((m) => m.id === id)
  return n ? toneFor(n, r) : r.style.palette.tones.main
}

/** A piece of a ring; its arcs in cubic curves of at most a quarter each. */
function sector(d: Extract<Decor, { kind: 'segment' }>): PathStep[] {
  const at = (angle: number, radius: number): Point => ({
    x: d.centre.x + radius * cosine(angle),
    y: d.centre.y + radius * sine(angle),
  })
  const out = arc(at, d.outer, d.from, d.to)
  const back = arc(at, d.inner, d.to, d.from)
  return [['M', at(d.from, d.outer)], ...out, ['L', at(d.to, d.inner)], ...back, ['Z']]
}
function arc(at: (angle: number, radius: number) => Point, radius: number, from: number, to: number): PathStep[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / (Math.PI / 2)))
  const step = (to - from) / pieces
  // Handles of an arc: (4/3) tan(step / 4) of the radius; by the half-angle formula, since the core has no tangent.
  const handle = ((4 / 3) * sine(step / 2)) / (1 + cosine(step / 2))
  return Array.from({ length: pieces }, (_, i): PathStep => {
    const [a, b] = [from + i * step, from + (i + 1) * step]
    const [p, q] = [at(a, radius), at(b, radius)]
    const along = (angle: number, k: number, o: Point): Point => ({
      x: o.x - sine(angle) * radius * k,
      y: o.y + cosine(angle) * radius * k,
    })
    return ['C', along(a, handle, p), along(b, -handle, q), q]
  })
}
