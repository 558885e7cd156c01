/** Native objects in DrawingML (ISO/IEC 29500-1, 19.3 and 20.1). Element order is that of the schema. */
import type { Box, Point } from '@/core/geometry'
import {
  escaped,
  type Geometry,
  type NativeConnector,
  type NativeLine,
  type NativeObject,
  type NativePicture,
  type NativeRun,
  type NativeShape,
  type NativeWords,
} from '@/core/formats'
import type { PathStep } from '@/core/scene'
import type { FontKey } from '@/core/style'
import type { InstalledFont } from '../installedFonts'
import { connectorGeometry } from './connectorGeometry'
import { colourXml, type ThemeColours } from './theme'
import { insetsOf, roomOf } from '../textRoom'

/** EMU in a px. */
const EMU = 9525

export type Drawing = {
  readonly theme: ThemeColours
  readonly fontOf: (key: FontKey) => InstalledFont
  readonly reach: (key: FontKey) => { readonly above: number; readonly below: number }
  /** BCP 47. */
  readonly language: string
  /** From px of the scene to px of the slide. */
  readonly fit: { readonly scale: number; readonly x: number; readonly y: number }
  /** Connectors that follow their shapes; else lines as they are drawn. */
  readonly glue: boolean
  /** The words that are the title of the slide, as a placeholder. */
  readonly isTitle: (shape: NativeShape) => boolean
  /** Keeps a picture with the slide; gives the id of its relationship. */
  readonly picture: (href: string) => string
}

/** All objects of a slide; ids from 2, as 1 is the tree itself. */
export function objectsXml(given: readonly NativeObject[], d: Drawing): string {
  // Office programs lead connectors anew when they open a file; shapes stay as they are.
  const objects = d.glue ? given : given.flatMap((o): NativeObject[] => (o.object === 'connector' ? asLines(o) : [o]))
  const ids = new Map<NativeObject, number>()
  const byPart = new Map<string, number>()
  let next = 2
  const number = (list: readonly NativeObject[]) => {
    for (const o of list) {
      ids.set(o, next)
      if (o.object === 'shape' && o.id) byPart.set(o.id, next)
      next++
      if (o.object === 'group') number(o.children)
    }
  }
  number(objects)
  const xml = (o: NativeObject): string => rows[o.object](o as never, ids.get(o) as number)
  const rows = {
    shape: (o: NativeShape, id: number) => shapeXml(o, id, d),
    picture: (o: NativePicture, id: number) => pictureXml(o, id, d),
    connector: (o: NativeConnector, id: number) => connectorXml(o, id, byPart, d),
    group: (o: Extract<NativeObject, { object: 'group' }>, id: number) => {
      const box = frameXml(around(o.children.map((c) => c.box)), d)
      const inner = box.replace('<a:off', '<a:chOff').replace('<a:ext', '<a:chExt')
      return (
        `<p:grpSp><p:nvGrpSpPr>${nameXml(id, o.name)}<p:cNvGrpSpPr/><p:nvPr/></p:nvGrpSpPr>` +
        `<p:grpSpPr><a:xfrm>${box}${inner}</a:xfrm></p:grpSpPr>${o.children.map(xml).join('')}</p:grpSp>`
      )
    },
  }
  return objects.map(xml).join('')
}

const asLines = ({ name, strokes }: NativeConnector): NativeObject[] =>
  strokes.length > 1 ? [{ object: 'group', name, children: strokes }] : [...strokes]

function around(boxes: readonly Box[]): Box {
  const [x, y] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))]
  const [right, bottom] = [Math.max(...boxes.map((b) => b.x + b.width)), Math.max(...boxes.map((b) => b.y + b.height))]
  return { x, y, width: right - x, height: bottom - y }
}

const emu = (px: number): number => Math.round(px * EMU)
const length = (px: number, d: Drawing): number => Math.max(0, emu(px * d.fit.scale))
const frameXml = (b: Box, d: Drawing): string =>
  `<a:off x="${emu(b.x * d.fit.scale + d.fit.x)}" y="${emu(b.y * d.fit.scale + d.fit.y)}"/>` +
  `<a:ext cx="${length(b.width, d)}" cy="${length(b.height, d)}"/>`
const nameXml = (id: number, name: string, about = ''): string =>
  `<p:cNvPr id="${id}" name="${escaped(named(name) || `Part ${id}`)}"${about ? ` descr="${escaped(about)}"` : ''}/>`
const named = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, 80)

const turnOf = (degrees: number): string => {
  const turn = Math.round((((degrees % 360) + 360) % 360) * 60_000)
  return turn === 0 ? '' : ` rot="${turn}"`
}
const lineXml = (line: NativeLine | null, d: Drawing, ends = ''): string => {
  if (!line) return '<a:ln><a:noFill/></a:ln>'
  const dashes =
    line.dash > 0
      ? `<a:custDash><a:ds d="${inWidths(line.dash, line)}" sp="${inWidths(line.dash * 0.8, line)}"/></a:custDash>`
      : ''
  return `<a:ln w="${length(line.width, d)}"><a:solidFill>${colourXml(line.colour, d.theme)}</a:solidFill>${dashes}<a:round/>${ends}</a:ln>`
}
const inWidths = (dash: number, line: NativeLine): number => Math.round((dash / line.width) * 100_000)

function shapeXml(o: NativeShape, id: number, d: Drawing): string {
  const fill = o.fill
    ? `<a:solidFill>${colourXml(o.fill.colour, d.theme, o.fill.opacity)}</a:solidFill>`
    : '<a:noFill/>'
  const isText = o.words !== null && !o.fill && !o.line
  const isTitle = d.isTitle(o)
  // Words alone are given room for fonts that are somewhat wider.
  const { box, words } = isText && o.words ? { box: roomOf(o.box, o.words), words: o.words } : o
  return (
    `<p:sp><p:nvSpPr>${nameXml(id, o.name)}<p:cNvSpPr${isText && !isTitle ? ' txBox="1"' : ''}/>` +
    `<p:nvPr>${isTitle ? '<p:ph type="title"/>' : ''}</p:nvPr></p:nvSpPr>` +
    `<p:spPr><a:xfrm${turnOf(o.turn)}>${frameXml(box, d)}</a:xfrm>${geometryXml(o, d)}${fill}${lineXml(o.line, d)}</p:spPr>` +
    `${wordsXml(o, box, words, d)}</p:sp>`
  )
}

function geometryXml({ geometry, box, sites }: NativeShape, d: Drawing): string {
  if (geometry.preset === null) return customXml(geometry, box, sites, d)
  const share = Math.round((geometry.radius / Math.max(0.01, Math.min(box.width, box.height))) * 100_000)
  const adjust = geometry.preset === 'roundRect' ? `<a:gd name="adj" fmla="val ${Math.min(50_000, share)}"/>` : ''
  return `<a:prstGeom prst="${geometry.preset}"><a:avLst>${adjust}</a:avLst></a:prstGeom>`
}

function customXml(
  { outlines }: Extract<Geometry, { preset: null }>,
  box: Box,
  sites: readonly Point[],
  d: Drawing,
): string {
  const at = (p: Point): string => `<a:pt x="${length(p.x - box.x, d)}" y="${length(p.y - box.y, d)}"/>`
  const share = (v: number, whole: number) => Math.round((v / Math.max(0.01, whole)) * 100_000)
  // Places on the outline as shares of the box, so that they go with it.
  const guides = sites.map(
    (s, i) =>
      `<a:gd name="x${i}" fmla="*/ w ${share(s.x - box.x, box.width)} 100000"/><a:gd name="y${i}" fmla="*/ h ${share(s.y - box.y, box.height)} 100000"/>`,
  )
  const places = sites.map((_, i) => `<a:cxn ang="0"><a:pos x="x${i}" y="y${i}"/></a:cxn>`)
  const paths = outlines.map(
    (o) =>
      `<a:path w="${length(box.width, d)}" h="${length(box.height, d)}"${o.filled ? '' : ' fill="none"'}>${o.steps.map((s) => stepXml(s, at)).join('')}</a:path>`,
  )
  return (
    `<a:custGeom><a:avLst/><a:gdLst>${guides.join('')}</a:gdLst><a:ahLst/><a:cxnLst>${places.join('')}</a:cxnLst>` +
    `<a:rect l="l" t="t" r="r" b="b"/><a:pathLst>${paths.join('')}</a:pathLst></a:custGeom>`
  )
}

function stepXml(step: PathStep, at: (p: Point) => string): string {
  if (step[0] === 'Z') return '<a:close/>'
  if (step[0] === 'C') return `<a:cubicBezTo>${at(step[1])}${at(step[2])}${at(step[3])}</a:cubicBezTo>`
  const tag = step[0] === 'M' ? 'moveTo' : 'lnTo'
  return `<a:${tag}>${at(step[1])}</a:${tag}>`
}

const ALIGN = { left: 'l', centre: 'ctr', right: 'r' } as const

function wordsXml({ geometry }: NativeShape, box: Box, words: NativeWords | null, d: Drawing): string {
  if (!words) return '<p:txBody><a:bodyPr/><a:lstStyle/><a:p><a:endParaRPr/></a:p></p:txBody>'
  const room = insetsOf(geometry, box, words, d.reach)
  const paragraphs = words.paragraphs.map((p, i) => {
    const spacing = room.spacing[i] ?? 1
    const before = room.before[i] ?? 0
    return (
      `<a:p><a:pPr algn="${ALIGN[words.align]}"${words.rtl ? ' rtl="1"' : ''}>` +
      `<a:lnSpc><a:spcPct val="${Math.round(spacing * 100_000)}"/></a:lnSpc>` +
      `<a:spcBef><a:spcPts val="${Math.max(0, Math.round(before * d.fit.scale * 75))}"/></a:spcBef></a:pPr>` +
      `${p.runs.map((r) => runXml(r, d)).join('')}</a:p>`
    )
  })
  return (
    `<p:txBody><a:bodyPr wrap="${room.wraps ? 'square' : 'none'}" lIns="${length(room.left, d)}" tIns="${length(room.top, d)}" ` +
    `rIns="${length(room.right, d)}" bIns="${length(room.bottom, d)}" anchor="${room.middle ? 'ctr' : 't'}" rtlCol="0"><a:noAutofit/></a:bodyPr>` +
    `<a:lstStyle/>${paragraphs.join('')}</p:txBody>`
  )
}

function runXml(r: NativeRun, d: Drawing): string {
  const { family, bold, italic } = d.fontOf(r.font)
  const face = escaped(family)
  const size = Math.max(100, Math.round(r.size * d.fit.scale * 75))
  return (
    `<a:r><a:rPr lang="${escaped(d.language)}" sz="${size}"${bold ? ' b="1"' : ' b="0"'}${italic ? ' i="1"' : ''}>` +
    `<a:solidFill>${colourXml(r.colour, d.theme)}</a:solidFill>` +
    `<a:latin typeface="${face}"/><a:ea typeface="${face}"/><a:cs typeface="${face}"/></a:rPr><a:t>${escaped(r.text)}</a:t></a:r>`
  )
}

function pictureXml(o: NativePicture, id: number, d: Drawing): string {
  return (
    `<p:pic><p:nvPicPr>${nameXml(id, o.name, o.name)}<p:cNvPicPr><a:picLocks noChangeAspect="1"/></p:cNvPicPr><p:nvPr/></p:nvPicPr>` +
    `<p:blipFill><a:blip r:embed="${d.picture(o.href)}"/><a:stretch><a:fillRect/></a:stretch></p:blipFill>` +
    `<p:spPr><a:xfrm>${frameXml(o.box, d)}</a:xfrm><a:prstGeom prst="rect"><a:avLst/></a:prstGeom></p:spPr></p:pic>`
  )
}

const ENDS = { solid: 'triangle', open: 'arrow', dot: 'oval', none: 'none' } as const
/** Line widths that a small, a middling and a large head are long. */
const HEADS = [
  [2, 'sm'],
  [3, 'med'],
  [5, 'lg'],
] as const

function endXml({ end, arrow, line }: NativeConnector): string {
  if (end === 'none' || arrow === 0) return ''
  const wanted = end === 'dot' ? arrow * 0.68 : arrow
  const size = HEADS.toSorted(
    ([a], [b]) => Math.abs(a * line.width - wanted) - Math.abs(b * line.width - wanted),
  )[0]?.[1]
  return `<a:tailEnd type="${ENDS[end]}" w="${size}" len="${size}"/>`
}

function connectorXml(o: NativeConnector, id: number, byPart: ReadonlyMap<string, number>, d: Drawing): string {
  const glue = (tag: string, end: NativeConnector['from']): string => {
    const shape = end && byPart.get(end.id)
    return shape === undefined || shape === null ? '' : `<a:${tag} id="${shape}" idx="${end?.site ?? 0}"/>`
  }
  const properties = `<p:nvCxnSpPr>${nameXml(id, o.name, o.name)}<p:cNvCxnSpPr>${glue('stCxn', o.from)}${glue('endCxn', o.to)}</p:cNvCxnSpPr><p:nvPr/></p:nvCxnSpPr>`
  return `<p:cxnSp>${properties}<p:spPr>${routeXml(o, d)}${lineXml(o.line, d, endXml(o))}</p:spPr></p:cxnSp>`
}

/** As a preset where one draws its route; else as it is drawn. */
function routeXml(o: NativeConnector, d: Drawing): string {
  const g = connectorGeometry(o.points)
  if (!g) {
    const places = o.steps.flatMap(([, ...p]) => p as readonly Point[])
    const box = around(places.map((p) => ({ ...p, width: 0, height: 0 })))
    return `<a:xfrm>${frameXml(box, d)}</a:xfrm>${customXml({ preset: null, outlines: [{ steps: o.steps, filled: false }] }, box, [], d)}`
  }
  const adjusts = g.adjusts.map((v, i) => `<a:gd name="adj${i + 1}" fmla="val ${v}"/>`).join('')
  const flips = `${g.flipX ? ' flipH="1"' : ''}${g.flipY ? ' flipV="1"' : ''}`
  return `<a:xfrm${turnOf(g.turn)}${flips}>${frameXml(g, d)}</a:xfrm><a:prstGeom prst="${g.preset}"><a:avLst>${adjusts}</a:avLst></a:prstGeom>`
}
