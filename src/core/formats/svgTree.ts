/** Marks to SVG elements: the one table that screen and files are drawn by. Numbers are rounded here and nowhere else. */
import { shapes, withoutCollinear, type Point } from '../geometry'
import type { Typesetter } from '../measure'
import type { Mark, Scene, SceneLine } from '../scene'
import { fontTable } from '../style'

export type SvgElement = {
  readonly tag: string
  readonly attributes: Readonly<Record<string, string | number>>
  readonly children: readonly (SvgElement | string)[]
}
/** How words are drawn: as text in the shipped fonts, or as outlines that need no font. */
export type Words =
  { readonly as: 'text' } | { readonly as: 'outlines'; readonly typesetter: Pick<Typesetter, 'outline'> }

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
    const length = Math.hypot(to.x - from.x, to.y - from.y) || 1
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
        d: roundedLine([...points.slice(0, -1), neck], m.corner),
        fill: 'none',
        stroke: m.line,
        'stroke-width': round(m.width),
        'stroke-linejoin': 'round',
      }),
      element('path', { d: `M${head.map((p) => `${round(p.x)} ${round(p.y)}`).join('L')}Z`, fill: m.line }),
    ]
  },
  text: (m, words) =>
    m.lines.flatMap((l) => (words.as === 'text' ? textLine(l, m.fill) : outlinedLine(l, m.fill, words.typesetter))),
}

export const elementsOf = (mark: Mark, words: Words): SvgElement[] =>
  // The row belongs to the mark's own name, which the compiler cannot see through the union.
  (draw[mark.mark] as (m: Mark, w: Words) => SvgElement[])(mark, words)

/** A polyline whose corners are arcs of `corner` px, smaller where a stretch is short. */
function roundedLine(points: readonly Point[], corner: number): string {
  const first = points[0] as Point
  let d = `M${round(first.x)} ${round(first.y)}`
  for (let i = 1; i + 1 < points.length; i++) {
    const [a, p, b] = [points[i - 1] as Point, points[i] as Point, points[i + 1] as Point]
    const [la, lb] = [Math.hypot(a.x - p.x, a.y - p.y), Math.hypot(b.x - p.x, b.y - p.y)]
    const r = Math.min(corner, la / 2, lb / 2)
    const near = (q: Point, l: number) =>
      `${round(p.x + ((q.x - p.x) / (l || 1)) * r)} ${round(p.y + ((q.y - p.y) / (l || 1)) * r)}`
    d += `L${near(a, la)}Q${round(p.x)} ${round(p.y)} ${near(b, lb)}`
  }
  const last = points.at(-1) as Point
  return `${d}L${round(last.x)} ${round(last.y)}`
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

/** The marks of one node or connector together, so that they can be pointed at, named and moved as one. */
export function groupsOf(scene: Scene, words: Words): SvgElement[] {
  const names = new Map<string, string>([
    ...scene.nodes.map((n) => [n.id, n.text] as const),
    ...scene.links.map((l) => [l.id, linkName(scene, l)] as const),
  ])
  const groups = new Map<string, SvgElement[]>()
  for (const m of scene.marks) {
    const owner = 'owner' in m ? m.owner : ''
    groups.set(owner, [...(groups.get(owner) ?? []), ...elementsOf(m, words)])
  }
  return [...groups].map(([owner, children]) =>
    element(
      'g',
      owner === '' ? {} : { 'data-part': owner, role: 'img', 'aria-label': names.get(owner) ?? '' },
      children,
    ),
  )
}

const linkName = (scene: Scene, l: Scene['links'][number]): string => {
  const text = (id: string) => scene.nodes.find((n) => n.id === id)?.text ?? ''
  return `${text(l.from)} → ${text(l.to)}${l.text ? ` (${l.text})` : ''}`
}
