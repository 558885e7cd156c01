/** Marks to SVG elements: the one table that screen and files are drawn by. Numbers are rounded here and nowhere else. */
import {
  cornersOf,
  crossingPoint,
  segmentEnters,
  segments,
  shapes,
  withoutCollinear,
  type Box,
  type Point,
  distance,
} from '../geometry'
import type { Typesetter } from '../measure'
import type { Mark, Scene, SceneLine } from '../scene'
import { fontTable } from '../style'

export type SvgElement = {
  readonly tag: string
  readonly attributes: Readonly<Record<string, string | number>>
  readonly children: readonly (SvgElement | string)[]
}
/** How words are drawn: as text in the shipped fonts, or as outlines that need no font; and where pictures are found by
 *  their hash: null for one that is not at hand, whose place is then left framed and empty. */
export type Words = (
  { readonly as: 'text' } | { readonly as: 'outlines'; readonly typesetter: Pick<Typesetter, 'outline'> }
) & { readonly pictureAt: (hash: string) => string | null }

const round = (v: number): number => Math.round(v * 100) / 100
const element = (
  tag: string,
  attributes: SvgElement['attributes'],
  children: SvgElement['children'] = [],
): SvgElement => ({ tag, attributes, children })

const draw: { [K in Mark['mark']]: (mark: Extract<Mark, { mark: K }>, words: Words) => SvgElement[] } = {
  shape: (m) => [
    element('path', {
      d: shapes[m.shape].path(m.box),
      fill: m.fill,
      stroke: m.line,
      'stroke-width': round(m.width),
      'stroke-linejoin': 'round',
    }),
  ],
  ellipse: (m) => [
    element('ellipse', {
      cx: round(m.centre.x),
      cy: round(m.centre.y),
      rx: round(m.radius.x),
      ry: round(m.radius.y),
      ...(m.tilt === 0 ? {} : { transform: `rotate(${round(m.tilt)} ${round(m.centre.x)} ${round(m.centre.y)})` }),
      fill: m.fill,
      'fill-opacity': m.opacity,
      stroke: m.line,
      'stroke-width': round(m.width),
      'stroke-opacity': 0.6,
    }),
  ],
  connector: (m) => {
    const points = withoutCollinear(m.points)
    const [from, to] = [points.at(-2), points.at(-1)]
    if (!from || !to) return []
    const length = distance(to.x - from.x, to.y - from.y) || 1
    const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
    const neck = { x: to.x - ux * m.arrow * 0.8, y: to.y - uy * m.arrow * 0.8 }
    const base = { x: to.x - ux * m.arrow, y: to.y - uy * m.arrow }
    const wing = m.arrow * 0.42
    const head = [
      to,
      { x: base.x - uy * wing, y: base.y + ux * wing },
      { x: base.x + uy * wing, y: base.y - ux * wing },
    ]
    return [
      element('path', {
        d: beside([...points.slice(0, -1), neck], m.gap)
          .map((piece) => roundedLine(piece, m))
          .join(''),
        fill: 'none',
        stroke: m.line,
        'stroke-width': round(m.width),
        'stroke-linejoin': 'round',
        ...(m.dash > 0 ? { 'stroke-dasharray': `${round(m.dash)} ${round(m.dash * 0.8)}` } : {}),
      }),
      ...(m.arrow === 0
        ? []
        : [element('path', { d: `M${head.map((p) => `${round(p.x)} ${round(p.y)}`).join('L')}Z`, fill: m.line })]),
    ]
  },
  picture: ({ box, hash, line }, { pictureAt }) => {
    const place = { x: round(box.x), y: round(box.y), width: round(box.width), height: round(box.height) }
    const href = pictureAt(hash)
    return [
      href === null ? element('rect', { ...place, fill: 'none', stroke: line }) : element('image', { ...place, href }),
    ]
  },
  text: (m, words) =>
    m.lines.flatMap((l) => (words.as === 'text' ? textLine(l, m.fill) : outlinedLine(l, m.fill, words.typesetter))),
}

export const elementsOf = (mark: Mark, words: Words): SvgElement[] =>
  // The row belongs to the mark's own name, which the compiler cannot see through the union.
  (draw[mark.mark] as (m: Mark, w: Words) => SvgElement[])(mark, words)

/** The parts of a polyline before and after a box on it. */
function beside(points: readonly Point[], gap: Box | null): (readonly Point[])[] {
  if (!gap) return [points]
  const inGap = segments(points).findIndex(([a, b]) => segmentEnters(a, b, gap))
  const [a, b] = [points[inGap], points[inGap + 1]]
  if (!a || !b) return [points]
  const corners = cornersOf(gap)
  const meets = corners
    .flatMap((c, i) => crossingPoint(a, b, c, corners[(i + 1) % 4] as Point) ?? [])
    .toSorted((p, q) => distance(p.x - a.x, p.y - a.y) - distance(q.x - a.x, q.y - a.y))
  const [enters, leaves] = [meets[0], meets.at(-1)]
  if (!enters || !leaves || meets.length < 2) return [points]
  return [
    [...points.slice(0, inGap + 1), enters],
    [leaves, ...points.slice(inGap + 1)],
  ]
}

type LineLook = { readonly corner: number; readonly hops: readonly Point[]; readonly hop: number }

/** To a place, in arcs over the hops that lie on the way. */
function lineTo(from: Point, to: Point, { hops, hop }: LineLook): string {
  const forward = Math.sign(to.x - from.x)
  const over = hops.filter(
    (h) =>
      Math.abs(h.y - from.y) < 0.01 &&
      Math.abs(h.y - to.y) < 0.01 &&
      (h.x - from.x) * forward > hop &&
      (to.x - h.x) * forward > hop,
  )
  const arcs = over
    .filter((h, i) => i === 0 || Math.abs(h.x - (over[i - 1] as Point).x) > 2 * hop)
    .map((h) => {
      const [x1, x2, y] = [round(h.x - forward * hop), round(h.x + forward * hop), round(h.y)]
      return `L${x1} ${y}A${round(hop)} ${round(hop)} 0 0 ${forward > 0 ? 1 : 0} ${x2} ${y}`
    })
  return `${arcs.join('')}L${round(to.x)} ${round(to.y)}`
}

/** A polyline whose corners are arcs of `corner` px, smaller where a stretch is short. */
function roundedLine(points: readonly Point[], look: LineLook): string {
  const { corner } = look
  const first = points[0] as Point
  let d = `M${round(first.x)} ${round(first.y)}`
  let from = first
  for (let i = 1; i + 1 < points.length; i++) {
    const [a, p, b] = [points[i - 1] as Point, points[i] as Point, points[i + 1] as Point]
    const [la, lb] = [distance(a.x - p.x, a.y - p.y), distance(b.x - p.x, b.y - p.y)]
    const r = Math.min(corner, la / 2, lb / 2)
    const near = (q: Point, l: number): Point => ({
      x: p.x + ((q.x - p.x) / (l || 1)) * r,
      y: p.y + ((q.y - p.y) / (l || 1)) * r,
    })
    const [turn, on] = [near(a, la), near(b, lb)]
    d += `${lineTo(from, turn, look)}Q${round(p.x)} ${round(p.y)} ${round(on.x)} ${round(on.y)}`
    from = on
  }
  return d + lineTo(from, points.at(-1) as Point, look)
}

const textLine = (l: SceneLine, fill: string): SvgElement[] =>
  l.runs.map((r) => {
    const font = fontTable[r.font]
    return element(
      'text',
      {
        x: round(r.rtl ? r.x + r.width : r.x),
        y: round(l.baseline),
        'font-family': font.family,
        'font-size': round(l.size),
        'font-weight': font.weight,
        fill,
        ...(r.rtl ? { direction: 'rtl' } : {}),
        'xml:space': 'preserve',
      },
      [r.text],
    )
  })

const outlinedLine = (l: SceneLine, fill: string, typesetter: Pick<Typesetter, 'outline'>): SvgElement[] =>
  l.runs.flatMap((r) =>
    r.glyphs.flatMap((g) => {
      const { path, unitsPerEm } = typesetter.outline(r.font, g.id)
      if (path === '') return []
      const s = l.size / unitsPerEm
      return [
        element('path', {
          d: path,
          fill,
          transform: `matrix(${s} 0 0 ${-s} ${round(g.x)} ${round(l.baseline + g.y)})`,
        }),
      ]
    }),
  )

/** A node, connector or note, or all that is none of these: what it is called, and its marks. */
export type ScenePart = { readonly owner: string; readonly name: string; readonly marks: readonly Mark[] }

/** The marks of one node or connector together, so that they can be pointed at, named and moved as one. */
export function partsOf(scene: Scene): ScenePart[] {
  const words = new Map(scene.nodes.map((n) => [n.id, n.text]))
  const names = new Map<string, string>([
    ...scene.nodes.map((n) => [n.id, n.text] as const),
    ...scene.links.map((l) => [l.id, linkName(words, l)] as const),
    ...scene.notes.map((n) => [n.id, n.text] as const),
  ])
  const groups = new Map<string, Mark[]>()
  for (const m of scene.marks) {
    const known = groups.get(m.owner)
    if (known) known.push(m)
    else groups.set(m.owner, [m])
  }
  return [...groups].map(([owner, marks]) => ({ owner, name: names.get(owner) ?? '', marks }))
}

export const groupOf = ({ owner, name, marks }: ScenePart, words: Words): SvgElement =>
  element(
    'g',
    owner === '' ? {} : { 'data-part': owner, role: 'img', 'aria-label': name },
    marks.flatMap((m) => elementsOf(m, words)),
  )

const linkName = (words: ReadonlyMap<string, string>, l: Scene['links'][number]): string =>
  `${words.get(l.from) ?? ''} → ${words.get(l.to) ?? ''}${l.text ? ` (${l.text})` : ''}`
