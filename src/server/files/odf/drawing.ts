/** Native objects in ODF (OASIS OpenDocument 1.3, 10: graphic content). Lengths in points. */
import type { Box, Point } from '@/core/geometry'
import {
  escaped,
  stepsOf,
  type NativeConnector,
  type NativeLine,
  type NativeObject,
  type NativePicture,
  type NativeRun,
  type NativeShape,
  type NativeWords,
} from '@/core/formats'
import { corneredPath, shapes } from '@/core/geometry'
import type { PathStep } from '@/core/scene'
import type { FontKey } from '@/core/style'
import type { InstalledFont } from '../installedFonts'
import { insetsOf, roomOf } from '../textRoom'
import { attributes, type Styles } from './styles'

export type OdfDrawing = {
  readonly styles: Styles
  readonly fontOf: (key: FontKey) => InstalledFont
  readonly reach: (key: FontKey) => { readonly above: number; readonly below: number }
  readonly fit: { readonly scale: number; readonly x: number; readonly y: number }
  readonly glue: boolean
  /** Before the ids of shapes, so that they are unique in their file. */
  readonly prefix: string
  /** Keeps a picture with the file; gives its place in it. */
  readonly picture: (href: string) => string
}

export function odfObjects(objects: readonly NativeObject[], d: OdfDrawing): string {
  const xml = (o: NativeObject): string => {
    switch (o.object) {
      case 'shape':
        return shapeXml(o, d)
      case 'picture':
        return pictureXml(o, d)
      case 'connector':
        return d.glue ? connectorXml(o, d) : groupXml(o.name, o.strokes.map(xml))
      case 'group':
        return groupXml(o.name, o.children.map(xml))
    }
  }
  return objects.map(xml).join('')
}

const groupXml = (name: string, children: readonly string[]): string =>
  `<draw:g${attributes({ 'draw:name': escaped(name.slice(0, 80)) })}>${children.join('')}</draw:g>`

const pt = (px: number): string => `${Math.round(px * 75) / 100}pt`
const frameOf = (b: Box, { fit }: OdfDrawing): Record<string, string> => ({
  'svg:x': pt(b.x * fit.scale + fit.x),
  'svg:y': pt(b.y * fit.scale + fit.y),
  'svg:width': pt(b.width * fit.scale),
  'svg:height': pt(b.height * fit.scale),
})

/** ODF turns against the clock, in radians, about the origin, and moves what it has turned. */
function placeOf(o: Pick<NativeShape, 'box' | 'turn'>, d: OdfDrawing): Record<string, string> {
  if (o.turn === 0) return frameOf(o.box, d)
  const { 'svg:width': width = '', 'svg:height': height = '' } = frameOf(o.box, d)
  const angle = (o.turn * Math.PI) / 180
  const { scale, x, y } = d.fit
  const [w, h] = [o.box.width * scale, o.box.height * scale]
  const [cx, cy] = [o.box.x * scale + x + w / 2, o.box.y * scale + y + h / 2]
  const left = cx - (w / 2) * Math.cos(angle) + (h / 2) * Math.sin(angle)
  const top = cy - (w / 2) * Math.sin(angle) - (h / 2) * Math.cos(angle)
  return {
    ...{ 'svg:width': width, 'svg:height': height },
    'draw:transform': `rotate(${(-angle).toFixed(6)}) translate(${pt(left)} ${pt(top)})`,
  }
}

const percent = (share: number): string => `${Math.round(share * 1000) / 10}%`
const lineOf = (line: NativeLine | null, d: OdfDrawing): Record<string, string | null> =>
  line
    ? {
        'draw:stroke': line.dash > 0 ? 'dash' : 'solid',
        'draw:stroke-dash': line.dash > 0 ? 'Dashes' : null,
        'svg:stroke-width': pt(line.width * d.fit.scale),
        'svg:stroke-color': line.colour,
        'draw:stroke-linejoin': 'round',
      }
    : { 'draw:stroke': 'none' }

type Room = ReturnType<typeof insetsOf>

function shapeXml(o: NativeShape, d: OdfDrawing): string {
  const alone = o.words !== null && !o.fill && !o.line
  const box = alone && o.words ? roomOf(o.box, o.words) : o.box
  const room = o.words ? insetsOf({ preset: 'rect', radius: 0 }, box, o.words, d.reach) : null
  const words = o.words && room ? wordsXml(o.words, room, d) : ''
  const place = {
    ...placeOf({ ...o, box }, d),
    'draw:style-name': styleOf(o, room, d),
    'draw:name': escaped(o.name.slice(0, 80)),
  }
  // Words alone are a frame of text.
  if (alone && o.id === '')
    return `<draw:frame${attributes(place)}><draw:text-box>${words}</draw:text-box></draw:frame>`
  const id = o.id ? idOf(o.id, d) : null
  return (
    `<draw:custom-shape${attributes({ ...place, 'draw:id': id, 'xml:id': id })}>` +
    `${gluePoints(o)}${words}${geometryXml(o, d)}</draw:custom-shape>`
  )
}

const NO_ROOM = { left: 0, right: 0, top: 0, bottom: 0, middle: false, wraps: true }

function styleOf({ fill, line }: NativeShape, given: Room | null, d: OdfDrawing): string {
  const room = given ?? NO_ROOM
  const inset = (px: number) => pt(px * d.fit.scale)
  return d.styles.named(
    'graphic',
    `<style:graphic-properties${attributes({
      ...{ 'draw:fill': fill ? 'solid' : 'none', 'draw:fill-color': fill?.colour ?? null },
      'draw:opacity': fill && fill.opacity < 1 ? percent(fill.opacity) : null,
      ...lineOf(line, d),
      ...{ 'draw:auto-grow-height': 'false', 'draw:auto-grow-width': 'false' },
      'fo:wrap-option': room.wraps ? 'wrap' : 'no-wrap',
      'draw:textarea-vertical-align': room.middle ? 'middle' : 'top',
      ...{ 'fo:padding-left': inset(room.left), 'fo:padding-right': inset(room.right) },
      ...{ 'fo:padding-top': inset(room.top), 'fo:padding-bottom': inset(room.bottom) },
    })}/>`,
  )
}

const idOf = (part: string, d: OdfDrawing): string =>
  `${d.prefix}${part.replace(/[^\w-]/g, (c) => `_${c.codePointAt(0)}_`)}`

/** The four in the middles of the sides are there by themselves; further ones are numbered from four. */
const OWN_SITES = 4
const gluePoints = ({ sites, box }: NativeShape): string =>
  sites
    .slice(OWN_SITES)
    .map((s, i) => {
      const x = percent((s.x - box.x - box.width / 2) / Math.max(0.01, box.width))
      const y = percent((s.y - box.y - box.height / 2) / Math.max(0.01, box.height))
      return `<draw:glue-point draw:id="${i + OWN_SITES}" svg:x="${x}" svg:y="${y}"/>`
    })
    .join('')

/** A rounded rectangle of ODF keeps its corners by formulas of its own; ours is an outline. */
const TYPES = {
  rect: 'rectangle',
  roundRect: 'non-primitive',
  ellipse: 'ellipse',
  diamond: 'diamond',
  none: 'non-primitive',
} as const

function geometryXml({ geometry, box }: NativeShape, { fit }: OdfDrawing): string {
  const unit = 100 * fit.scale
  const at = (p: Point): string => `${Math.round((p.x - box.x) * unit)} ${Math.round((p.y - box.y) * unit)}`
  const outlines = geometry.preset
    ? [{ steps: presetSteps(geometry.preset, box, geometry.radius), filled: true }]
    : geometry.outlines
  const path = outlines
    .map((o) => `${o.steps.map((s) => stepText(s, at)).join(' ')}${o.filled ? '' : ' F'} N`)
    .join(' ')
  const [width, height] = [Math.round(box.width * unit), Math.round(box.height * unit)]
  return `<draw:enhanced-geometry${attributes({
    'svg:viewBox': `0 0 ${width} ${height}`,
    'draw:type': TYPES[geometry.preset ?? 'none'],
    'draw:text-areas': `0 0 ${width} ${height}`,
    'draw:enhanced-path': path,
  })}/>`
}

const presetSteps = (preset: Exclude<keyof typeof TYPES, 'none'>, box: Box, radius: number): PathStep[] =>
  stepsOf(
    {
      rect: () => shapes.rect.path(box),
      roundRect: () => corneredPath(box, 'soft', radius),
      ellipse: () => shapes.oval.path(box),
      diamond: () => shapes.diamond.path(box),
    }[preset](),
  )

const stepText = (step: PathStep, at: (p: Point) => string): string =>
  step[0] === 'Z' ? 'Z' : `${step[0]} ${(step.slice(1) as Point[]).map(at).join(' ')}`

const ALIGN = { left: 'left', centre: 'center', right: 'right' } as const

function wordsXml(words: NativeWords, room: ReturnType<typeof insetsOf>, d: OdfDrawing): string {
  return words.paragraphs
    .map((p, i) => {
      const style = d.styles.named(
        'paragraph',
        `<style:paragraph-properties${attributes({
          'fo:text-align': ALIGN[words.align],
          'fo:line-height': percent(room.spacing[i] ?? 1),
          'fo:margin-top': pt(Math.max(0, room.before[i] ?? 0) * d.fit.scale),
          'style:writing-mode': words.rtl ? 'rl-tb' : 'lr-tb',
        })}/>`,
      )
      return `<text:p text:style-name="${style}">${p.runs.map((r) => runXml(r, d)).join('')}</text:p>`
    })
    .join('')
}

function runXml(r: NativeRun, d: OdfDrawing): string {
  const { family, bold, italic } = d.fontOf(r.font)
  const size = pt(r.size * d.fit.scale)
  const all: Record<string, string> = { 'fo:color': r.colour }
  for (const suffix of ['', '-asian', '-complex']) {
    const own = suffix ? 'style' : 'fo'
    all[`${own}:font-family${suffix}`] = escaped(`'${family}'`)
    all[`${own}:font-size${suffix}`] = size
    all[`${own}:font-weight${suffix}`] = bold ? 'bold' : 'normal'
    all[`${own}:font-style${suffix}`] = italic ? 'italic' : 'normal'
  }
  const style = d.styles.named('text', `<style:text-properties${attributes(all)}/>`)
  return `<text:span text:style-name="${style}">${spaced(r.text)}</text:span>`
}
/** Spaces at an end would be taken for the layout of the file. */
export const spaced = (text: string): string => escaped(text).replace(/^ | $| (?= )/g, '<text:s/>')

function pictureXml(o: NativePicture, d: OdfDrawing): string {
  return `<draw:frame${attributes({ ...frameOf(o.box, d), 'draw:name': escaped(o.name.slice(0, 80)) })}><draw:image xlink:href="${d.picture(o.href)}" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/><svg:desc>${escaped(o.name)}</svg:desc></draw:frame>`
}

const MARKERS = { solid: 'Solid', open: 'Open', dot: 'Dot', none: null } as const
/** How wide a head is to its length, as it is drawn. */
const WIDTH = { solid: 0.84, open: 0.84, dot: 0.68, none: 0 } as const

function connectorXml(o: NativeConnector, d: OdfDrawing): string {
  const style = d.styles.named(
    'graphic',
    `<style:graphic-properties${attributes({
      ...{ 'draw:fill': 'none', ...lineOf(o.line, d) },
      'draw:marker-end': o.arrow > 0 ? MARKERS[o.end] : null,
      'draw:marker-end-width': o.arrow > 0 ? pt(o.arrow * WIDTH[o.end] * d.fit.scale) : null,
      'draw:marker-end-center': o.end === 'dot' ? 'false' : null,
    })}/>`,
  )
  const [start, end] = [o.points[0], o.points.at(-1)]
  if (!start || !end) return ''
  const at = (p: Point, n: 1 | 2) => ({
    [`svg:x${n}`]: pt(p.x * d.fit.scale + d.fit.x),
    [`svg:y${n}`]: pt(p.y * d.fit.scale + d.fit.y),
  })
  return `<draw:connector${attributes({
    'draw:style-name': style,
    'draw:name': escaped(o.name.slice(0, 80)),
    'draw:type': o.points.length === 2 ? 'line' : 'standard',
    ...{ ...at(start, 1), ...at(end, 2) },
    'draw:start-shape': o.from ? idOf(o.from.id, d) : null,
    'draw:start-glue-point': o.from ? glueOf(o.from.site) : null,
    'draw:end-shape': o.to ? idOf(o.to.id, d) : null,
    'draw:end-glue-point': o.to ? glueOf(o.to.site) : null,
  })}><svg:desc>${escaped(o.name)}</svg:desc></draw:connector>`
}
/** Ours go against the clock from the top, those of ODF with it. */
const CLOCKWISE = [0, 3, 2, 1]
const glueOf = (site: number): number => CLOCKWISE[site] ?? site
