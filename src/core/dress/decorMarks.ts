/** What arrangements and treatments draw besides nodes and connectors, as marks: a row for each kind. */
import { contains, cosine, inflate, sine, type Point } from '../geometry'
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
  ring: (d, r) =>
    betweenNodes(d, r).map((steps) =>
      path('', steps, { fill: 'none', line: r.style.palette.tones.main.line, width: r.style.body.size * THIN }),
    ),
  segment: (d, r) => {
    const tone = toneOf(d.of, r)
    const fill = r.style.house.fill === 'open' ? r.style.palette.ground : tone.solid
    const open = r.style.house.fill === 'open'
    if (d.numeral === null)
      return [path('', sector(d), { fill: tone.tint, line: tone.line, width: r.style.body.size * THIN })]
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
  // Drawn with the set that it names.
  arcWords: () => [],
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

/** As finely as a ring is looked at for where it meets nodes. */
const LOOKS = 720

/** The arcs of a ring from node to node: it runs through nobody's words. */
function betweenNodes(d: Extract<Decor, { kind: 'ring' }>, { nodes, style }: Routed): PathStep[][] {
  const at = (angle: number): Point => ({
    x: d.centre.x + d.radius.x * cosine(angle),
    y: d.centre.y + d.radius.y * sine(angle),
  })
  // Behind what has a shape it only just ends.
  const around = nodes.map((n) => inflate(n.box, n.shape === 'plain' ? style.body.size * 0.4 : -1))
  const angles = Array.from({ length: LOOKS }, (_, i) => (i * 2 * Math.PI) / LOOKS)
  const free = angles.map((angle) => !around.some((b) => contains(b, { ...at(angle), width: 0, height: 0 })))
  if (free.every((f) => f)) return [[['M', at(0)], ...arc(at, 0, 2 * Math.PI)]]
  return angles.flatMap((from, i) => {
    if (!free[i] || free[(i + LOOKS - 1) % LOOKS]) return []
    let length = 0
    while (free[(i + length + 1) % LOOKS]) length++
    return [[['M', at(from)] as const, ...arc(at, from, from + (length * 2 * Math.PI) / LOOKS)]]
  })
}

/** A piece of a ring. */
function sector(d: Extract<Decor, { kind: 'segment' }>): PathStep[] {
  const around = (radius: number) => (angle: number) => ({
    x: d.centre.x + radius * cosine(angle),
    y: d.centre.y + radius * sine(angle),
  })
  const [outer, inner] = [around(d.outer), around(d.inner)]
  const out = arc(outer, d.from, d.to)
  return [['M', outer(d.from)], ...out, ['L', inner(d.to)], ...arc(inner, d.to, d.from), ['Z']]
}

/** Part of an ellipse whose points `at` gives by their angle, in cubic curves of at most a quarter each. */
function arc(at: (angle: number) => Point, from: number, to: number): PathStep[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(to - from) / (Math.PI / 2) - 1e-9))
  const step = (to - from) / pieces
  // Handles of an arc: (4/3) tan(step / 4) of the radius; by the half-angle formula, since the core has no tangent.
  const handle = ((4 / 3) * sine(step / 2)) / (1 + cosine(step / 2))
  return Array.from({ length: pieces }, (_, i): PathStep => {
    const [a, b] = [from + i * step, from + (i + 1) * step]
    // A quarter further on, an ellipse is as far from its middle as it moves here.
    const along = (angle: number, k: number): Point => {
      const [p, on, off] = [at(angle), at(angle + Math.PI / 2), at(angle - Math.PI / 2)]
      return { x: p.x + ((on.x - off.x) / 2) * k, y: p.y + ((on.y - off.y) / 2) * k }
    }
    return ['C', along(a, handle), along(b, -handle), at(b)]
  })
}
