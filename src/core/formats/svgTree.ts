/** Marks to SVG elements: the one table that screen and files are drawn by. Numbers are rounded here and nowhere else. */
import {
  corneredPath,
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
import type { LineEnd, Mark, PathStep, Scene, SceneLine } from '../scene'
import { fontFaceOf } from '../style'

export type SvgElement = {
  readonly tag: string
  readonly attributes: Readonly<Record<string, string | number>>
  readonly children: readonly (SvgElement | string)[]
}
/** How words are drawn: as text in the shipped fonts, or as outlines that need no font; and where pictures are found by
 *  their hash: null for one that is not at hand, whose place is then left framed and empty. */
export type Words = (
  { readonly as: 'text' } | { readonly as: 'outlines'; readonly typesetter: Pick<Typesetter, 'outline'> }
) & {
  readonly pictureAt: (hash: string) => string | null
  /** The outlines of an icon in a square of that size; null for one that is not at hand. */
  readonly iconAt: (name: string, colour: string) => Icon | { readonly href: string } | null
}
/** In a square of that size; `stroke` is the thickness of its lines, null for one whose outlines are filled. */
export type Icon = { readonly size: number; readonly paths: readonly string[]; readonly stroke: number | null }

const round = (v: number): number => Math.round(v * 100) / 100
const element = (
  tag: string,
  attributes: SvgElement['attributes'],
  children: SvgElement['children'] = [],
): SvgElement => ({ tag, attributes, children })

const placeOf = (b: Box) => ({ x: round(b.x), y: round(b.y), width: round(b.width), height: round(b.height) })
const stepOf = (s: PathStep): string =>
  `${s[0]}${s
    .slice(1)
    .map((p) => `${round((p as Point).x)} ${round((p as Point).y)}`)
    .join(' ')}`

type Line = { readonly line: string; readonly width: number; readonly dash: number }
const lineOf = ({ line, width, dash }: Line): SvgElement['attributes'] =>
  line === 'none' || width === 0
    ? {}
    : {
        stroke: line,
        'stroke-width': round(width),
        'stroke-linejoin': 'round',
        ...(dash > 0 ? { 'stroke-dasharray': `${round(dash)} ${round(dash * 0.8)}` } : {}),
      }

type Connector = Extract<Mark, { mark: 'connector' }>
/** What stands at the end of a connector; `u` is the direction it arrives in. */
const ends: Readonly<Record<LineEnd, (m: Connector, to: Point, u: Point) => SvgElement[]>> = {
  none: () => [],
  solid: (m, to, u) => (m.arrow === 0 ? [] : [element('path', { d: `${wings(m, to, u)}Z`, fill: m.line })]),
  open: (m, to, u) =>
    m.arrow === 0
      ? []
      : [
          element('path', {
            d: wings(m, to, u),
            fill: 'none',
            ...lineOf({ ...m, dash: 0 }),
            'stroke-linecap': 'round',
          }),
        ],
  dot: (m, to, u) => {
    const r = m.arrow * 0.34
    return m.arrow === 0
      ? []
      : [element('circle', { cx: round(to.x - u.x * r), cy: round(to.y - u.y * r), r: round(r), fill: m.line })]
  },
}
const wings = (m: Connector, to: Point, u: Point): string => {
  const wing = m.arrow * 0.42
  const base = { x: to.x - u.x * m.arrow, y: to.y - u.y * m.arrow }
  const points = [
    { x: base.x - u.y * wing, y: base.y + u.x * wing },
    to,
    { x: base.x + u.y * wing, y: base.y - u.x * wing },
  ]
  return `M${points.map((p) => `${round(p.x)} ${round(p.y)}`).join('L')}`
}

const draw: { [K in Mark['mark']]: (mark: Extract<Mark, { mark: K }>, words: Words) => SvgElement[] } = {
  shape: (m) => [
    element('path', {
      d: m.shape === 'roundRect' ? corneredPath(m.box, m.corner, m.radius) : shapes[m.shape].path(m.box),
      fill: m.fill,
      ...(m.opacity < 1 ? { 'fill-opacity': m.opacity } : {}),
      ...lineOf(m),
    }),
  ],
  path: (m) => [
    element('path', {
      d: m.steps.map(stepOf).join(''),
      fill: m.fill,
      ...(m.opacity < 1 ? { 'fill-opacity': m.opacity } : {}),
      ...lineOf(m),
      ...(m.line === 'none' ? {} : { 'stroke-linecap': 'round' }),
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
      ...(m.opacity < 1 ? { 'fill-opacity': m.opacity } : {}),
      ...lineOf({ ...m, dash: 0 }),
    }),
  ],
  connector: (m) => {
    const points = withoutCollinear(m.points)
    const [from, to] = [points.at(-2), points.at(-1)]
    if (!from || !to) return []
    const length = distance(to.x - from.x, to.y - from.y) || 1
    const [ux, uy] = [(to.x - from.x) / length, (to.y - from.y) / length]
    const along = (by: number): Point => ({ x: to.x - ux * by, y: to.y - uy * by })
    // A filled head begins where the line stops; an open one lets it run to the end.
    const stop = m.end === 'solid' ? along(m.arrow * 0.8) : m.end === 'dot' ? along(m.arrow * 0.3) : to
    return [
      element('path', {
        d: beside([...points.slice(0, -1), stop], m.gap)
          .map((piece) => roundedLine(piece, m))
          .join(''),
        fill: 'none',
        ...lineOf(m),
      }),
      ...ends[m.end](m, to, { x: ux, y: uy }),
    ]
  },
  icon: ({ name, box, fill }, { iconAt }) => {
    const icon = iconAt(name, fill)
    if (icon === null) return [element('rect', { ...placeOf(box), fill: 'none', stroke: fill })]
    if ('href' in icon) return [element('image', { ...placeOf(box), href: icon.href })]
    const scale = Math.round((box.width / icon.size) * 1e4) / 1e4
    const pen: SvgElement['attributes'] =
      icon.stroke === null
        ? { fill }
        : {
            fill: 'none',
            stroke: fill,
            'stroke-width': icon.stroke,
            'stroke-linecap': 'round',
            'stroke-linejoin': 'round',
          }
    return [
      element(
        'g',
        { transform: `translate(${round(box.x)} ${round(box.y)}) scale(${scale})`, ...pen },
        icon.paths.map((d) => element('path', { d })),
      ),
    ]
  },
  picture: ({ box, hash, line }, { pictureAt }) => {
    const place = placeOf(box)
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
    const font = fontFaceOf(r.font)
    return element(
      'text',
      {
        x: round(r.rtl ? r.x + r.width : r.x),
        y: round(l.baseline),
        'font-family': font.family,
        'font-size': round(l.size),
        'font-weight': font.weight,
        fill,
        ...(l.turn === 0 ? {} : { transform: `rotate(${round(l.turn)} ${round(middleOf(l))} ${round(l.baseline)})` }),
        ...(r.rtl ? { direction: 'rtl' } : {}),
        'xml:space': 'preserve',
      },
      [r.text],
    )
  })

/** Of a line, where it is turned about. */
const middleOf = ({ runs }: SceneLine): number => {
  const [first, last] = [runs[0], runs.at(-1)]
  return ((first?.x ?? 0) + (last?.x ?? 0) + (last?.width ?? 0)) / 2
}

const outlinedLine = (l: SceneLine, fill: string, typesetter: Pick<Typesetter, 'outline'>): SvgElement[] => {
  const outlines = outlinesOf(l, fill, typesetter)
  if (l.turn === 0) return outlines
  return [element('g', { transform: `rotate(${round(l.turn)} ${round(middleOf(l))} ${round(l.baseline)})` }, outlines)]
}

const outlinesOf = (l: SceneLine, fill: string, typesetter: Pick<Typesetter, 'outline'>): SvgElement[] =>
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
