/** A scene as native objects. Each mark becomes one; words go into the shape they stand on, and what belongs to one node is
 *  one group. */
import {
  corneredPath,
  cosine,
  distance,
  overlaps,
  portOf,
  shapes,
  sides,
  sine,
  withoutCollinear,
  type Box,
  type Point,
} from '../../geometry'
import type { Mark, PathStep, Scene } from '../../scene'
import { elementsOf, partsOf, type ScenePart, type Words } from '../svgTree'
import {
  presetSites,
  type Geometry,
  type Glue,
  type NativeConnector,
  type NativeLine,
  type NativeObject,
  type NativePicture,
  type NativeShape,
  type Preset,
} from './objects'
import { boxOfSteps, stepsOf } from './steps'
import { boxOfWords, wordsOf, type Reach } from './words'

type Of<K extends Mark['mark']> = Extract<Mark, { mark: K }>
export type NativeOptions = Reach & Pick<Words, 'pictureAt' | 'iconAt'>

/** How far, in px, a connector may end beside a site of its shape and still be glued to that. */
const NEAR = 1.5

export function nativeObjects(scene: Scene, options: NativeOptions): NativeObject[] {
  const ends = endsByNode(scene)
  const bodies = new Map<string, NativeShape>()
  const isLink = new Set(scene.links.map((l) => l.id))
  const boxes = new Map(scene.nodes.map((n) => [n.id, n.box]))
  const drawn = partsOf(scene).map((part) => {
    if (isLink.has(part.owner)) return part
    const objects = partObjects(part, options)
    const box = boxes.get(part.owner)
    return box ? withBody(part, objects, box, ends.get(part.owner) ?? [], bodies) : grouped(part, objects, false)
  })
  return drawn.flatMap((d): NativeObject[] => (Array.isArray(d) ? d : linkObjects(d, scene, bodies, options)))
}

function endsByNode(scene: Scene): ReadonlyMap<string, readonly Point[]> {
  const out = new Map<string, Point[]>()
  const add = (id: string, p: Point | undefined) => p && out.set(id, [...(out.get(id) ?? []), p])
  for (const l of scene.links) {
    add(l.from, l.points[0])
    add(l.to, l.points.at(-1))
  }
  return out
}

type Piece = NativeShape | NativePicture

const grouped = (part: ScenePart, objects: readonly Piece[], isNode: boolean): NativeObject[] =>
  isNode && objects.length > 1 ? [{ object: 'group', name: part.name, children: objects }] : [...objects]

/** The shape that stands for a node, with places to glue to: its own, or an unseen one as large as the node. */
function withBody(
  part: ScenePart,
  objects: readonly Piece[],
  box: Box,
  ends: readonly Point[],
  bodies: Map<string, NativeShape>,
): NativeObject[] {
  const fits = (o: Piece): o is NativeShape =>
    o.object === 'shape' && o.turn === 0 && sides.every((s) => near(portOf(o.box, s), portOf(box, s), 4))
  const candidates = objects.filter(fits)
  const found = candidates.findLast((o) => o.words) ?? candidates.findLast((o) => o.fill) ?? candidates.at(-1)
  const all = found ? [...objects] : [unseen(box), ...objects]
  const body = glued({ ...(found ?? unseen(box)), id: part.owner, name: part.name }, ends)
  all[found ? all.indexOf(found) : 0] = body
  bodies.set(part.owner, body)
  return grouped(part, found || ends.length > 0 ? all : objects, true)
}

const unseen = (box: Box): NativeShape => ({
  ...{ object: 'shape', id: '', name: '', box, turn: 0, geometry: { preset: 'rect', radius: 0 } },
  ...{ sites: [], fill: null, line: null, words: null },
})

const near = (a: Point, b: Point, least = NEAR): boolean => distance(a.x - b.x, a.y - b.y) <= least

/** Its preset where connectors end at the sites of that; else an outline with sites where they end. */
function glued(shape: NativeShape, ends: readonly Point[]): NativeShape {
  const { geometry, box } = shape
  const own = geometry.preset ? sitesOf(geometry.preset, box) : sitesOf('rect', box)
  const further = ends.filter((e) => !own.some((s) => near(s, e)))
  if (geometry.preset && further.length === 0) return { ...shape, sites: own }
  const sites = [...own]
  for (const e of further) if (!sites.some((s) => near(s, e, 0.5))) sites.push(e)
  return { ...shape, geometry: geometry.preset ? outlined(geometry, box) : geometry, sites }
}

const sitesOf = (preset: Preset, b: Box): Point[] =>
  presetSites[preset].map(([x, y]) => ({ x: b.x + x * b.width, y: b.y + y * b.height }))

function outlined({ preset, radius }: Extract<Geometry, { preset: Preset }>, box: Box): Geometry {
  const paths: Readonly<Record<Preset, () => string>> = {
    rect: () => shapes.rect.path(box),
    roundRect: () => corneredPath(box, 'soft', radius),
    ellipse: () => shapes.oval.path(box),
    diamond: () => shapes.diamond.path(box),
  }
  return { preset: null, outlines: [{ steps: stepsOf(paths[preset]()), filled: true }] }
}

/** A node, a note, or what is none: a shape for each mark, with the words that stand on it. */
function partObjects(part: ScenePart, options: NativeOptions): Piece[] {
  const on = wordsByShape(part.marks, options)
  return part.marks.flatMap((m): Piece[] => {
    if (m.mark === 'text') return on.loose.has(m) ? textBoxes(part, m, options) : []
    const pieces = pieceOf(m, part, options)
    const words = on.byShape.get(m)
    const [shape] = pieces
    return words && shape?.object === 'shape' ? [{ ...shape, words: wordsOf(words, shape.box, options) }] : pieces
  })
}

/** For each shape the words on it, as far as they can be one text; the others stand in boxes of their own. */
function wordsByShape(marks: readonly Mark[], options: NativeOptions) {
  const byShape = new Map<Mark, Of<'text'>[]>()
  const loose = new Set<Mark>()
  marks.forEach((m, at) => {
    if (m.mark !== 'text') return
    const shape = m.lines.every((l) => l.turn === 0) ? shapeUnder(m, at, marks, options) : null
    if (!shape) return void loose.add(m)
    const together = [...(byShape.get(shape) ?? []), m]
    if (wordsOf(together, boxOfMark(shape), options)) byShape.set(shape, together)
    else loose.add(m)
  })
  return { byShape, loose }
}

function shapeUnder(m: Of<'text'>, at: number, marks: readonly Mark[], options: NativeOptions): Mark | null {
  const words = boxOfWords(m.lines, options)
  const holds = (b: Box) =>
    b.x - 2 <= words.x &&
    b.y - 2 <= words.y &&
    b.x + b.width + 2 >= words.x + words.width &&
    b.y + b.height + 2 >= words.y + words.height
  for (let i = at - 1; i >= 0; i--) {
    const under = marks[i] as Mark
    if (under.mark === 'text') continue
    const isSurface =
      (under.mark === 'shape' || under.mark === 'ellipse' || under.mark === 'path') && under.fill !== 'none'
    if (isSurface) {
      if (holds(boxOfMark(under)) && !(under.mark === 'ellipse' && under.tilt !== 0)) return under
      // Words would come to lie under what stands in between.
      if (overlaps(boxOfMark(under), words)) return null
    } else if (under.mark === 'path' && overlaps(boxOfMark(under), words)) return null
  }
  return null
}

function boxOfMark(m: Mark): Box {
  if (m.mark === 'path') return boxOfSteps(m.steps)
  if (m.mark === 'ellipse')
    return { x: m.centre.x - m.radius.x, y: m.centre.y - m.radius.y, width: 2 * m.radius.x, height: 2 * m.radius.y }
  return 'box' in m ? m.box : { x: 0, y: 0, width: 0, height: 0 }
}

/** A block of words by itself; turned lines one by one. */
function textBoxes(part: ScenePart, m: Of<'text'>, options: NativeOptions): NativeShape[] {
  const whole = m.lines.every((l) => l.turn === 0) ? wordsOf([m], null, options) : null
  const blocks = whole ? [m] : m.lines.map((l) => ({ ...m, lines: [l] }))
  return blocks.flatMap((b): NativeShape[] => {
    const words = wordsOf([b], null, options)
    if (!words) return []
    const box = boxOfWords(b.lines, options)
    const turn = b.lines[0]?.turn ?? 0
    return [
      { ...unseen(turn === 0 ? box : aboutBaseline(box, words.firstBaseline, turn)), name: part.name, turn, words },
    ]
  })
}

/** Lines turn about the middle of their baseline, shapes about the middle of their box. */
function aboutBaseline(box: Box, baseline: number, turn: number): Box {
  const angle = (turn * Math.PI) / 180
  const arm = box.y + box.height / 2 - baseline
  return { ...box, x: box.x - sine(angle) * arm, y: box.y + (cosine(angle) - 1) * arm }
}

const lineOf = ({ line, width, dash }: { line: string; width: number; dash: number }): NativeLine | null =>
  line === 'none' || width === 0 ? null : { colour: line, width, dash }
const fillOf = ({ fill, opacity }: { fill: string; opacity: number }) =>
  fill === 'none' ? null : { colour: fill, opacity }

/** Shapes that have a preset, and its radius. */
const presetOf = (m: Of<'shape'>): Extract<Geometry, { preset: Preset }> | null => {
  const most = Math.min(m.box.width, m.box.height) / 2
  if (m.shape === 'rect') return { preset: 'rect', radius: 0 }
  if (m.shape === 'pill') return { preset: 'roundRect', radius: most }
  if (m.shape === 'circle' || m.shape === 'oval') return { preset: 'ellipse', radius: 0 }
  if (m.shape === 'diamond') return { preset: 'diamond', radius: 0 }
  if (m.shape !== 'roundRect') return null
  if (m.corner === 'square' || m.radius === 0) return { preset: 'rect', radius: 0 }
  return m.corner === 'soft' || m.corner === 'round' ? { preset: 'roundRect', radius: Math.min(m.radius, most) } : null
}

/** Of outlines in several strokes, only the first is filled. */
function custom(steps: readonly PathStep[]): Geometry {
  const second = steps.findIndex((s, i) => i > 0 && s[0] === 'M')
  const closed = steps.findIndex((s) => s[0] === 'Z')
  if (second < 0 || closed < 0 || steps.findLastIndex((s) => s[0] === 'Z') > second)
    return { preset: null, outlines: [{ steps, filled: true }] }
  return {
    preset: null,
    outlines: [
      { steps: steps.slice(0, second), filled: true },
      { steps: steps.slice(second), filled: false },
    ],
  }
}

function pieceOf(m: Exclude<Mark, Of<'text'>>, part: ScenePart, options: NativeOptions): Piece[] {
  const base = { ...unseen(boxOfMark(m)), name: part.name }
  switch (m.mark) {
    case 'shape': {
      const preset = presetOf(m)
      const path = m.shape === 'roundRect' ? corneredPath(m.box, m.corner, m.radius) : shapes[m.shape].path(m.box)
      if (path === '') return []
      return [{ ...base, geometry: preset ?? custom(stepsOf(path)), fill: fillOf(m), line: lineOf(m) }]
    }
    case 'ellipse':
      return [
        {
          ...{ ...base, turn: m.tilt, geometry: { preset: 'ellipse', radius: 0 } },
          ...{ fill: fillOf(m), line: lineOf({ ...m, dash: 0 }) },
        },
      ]
    case 'path':
      return [{ ...base, geometry: custom(m.steps), fill: fillOf(m), line: lineOf(m) }]
    case 'picture': {
      const href = options.pictureAt(m.hash)
      return href
        ? [{ object: 'picture', name: part.name, box: m.box, href }]
        : [{ ...base, line: lineOf({ ...m, width: 1, dash: 0 }) }]
    }
    case 'icon':
      return iconPieces(m, part, options)
    case 'connector':
      return strokesOf(m, part)
  }
}

function iconPieces(m: Of<'icon'>, part: ScenePart, { iconAt }: NativeOptions): Piece[] {
  const icon = iconAt(m.name, m.fill)
  if (!icon) return [{ ...unseen(m.box), line: { colour: m.fill, width: 1, dash: 0 } }]
  if ('href' in icon) return [{ object: 'picture', name: part.name, box: m.box, href: icon.href }]
  const scale = m.box.width / icon.size
  const outlines = icon.paths.map((d) => ({ steps: stepsOf(d, scale, m.box), filled: icon.stroke === null }))
  const line = icon.stroke === null ? null : { colour: m.fill, width: icon.stroke * scale, dash: 0 }
  const fill = icon.stroke === null ? { colour: m.fill, opacity: 1 } : null
  return [{ ...unseen(m.box), name: part.name, geometry: { preset: null, outlines }, fill, line }]
}

const strokeSteps = (m: Of<'connector'>): PathStep[] =>
  stepsOf(String(elementsOf(m, NO_WORDS)[0]?.attributes['d'] ?? 'M0 0'))
const NO_WORDS: Words = { as: 'text', pictureAt: () => null, iconAt: () => null }

/** A connector as shapes that follow nothing: its line, and its head. */
const strokesOf = (m: Of<'connector'>, part: ScenePart): NativeShape[] =>
  elementsOf(m, NO_WORDS).flatMap((e): NativeShape[] => {
    const { d, fill, cx, cy, r } = e.attributes
    const head = { fill: { colour: m.line, opacity: 1 }, line: null }
    if (e.tag === 'circle') {
      const [x, y, radius] = [Number(cx), Number(cy), Number(r)]
      const box = { x: x - radius, y: y - radius, width: 2 * radius, height: 2 * radius }
      return [{ ...unseen(box), name: part.name, geometry: { preset: 'ellipse', radius: 0 }, ...head }]
    }
    if (typeof d !== 'string') return []
    const steps = stepsOf(d)
    const filled = fill !== 'none' && fill !== undefined
    const geometry: Geometry = { preset: null, outlines: [{ steps, filled }] }
    const drawn = { ...unseen(boxOfSteps(steps)), name: part.name, geometry }
    return [filled ? { ...drawn, ...head } : { ...drawn, line: lineOf(m) }]
  })

/** A connector between nodes, then the words that stand on it. */
function linkObjects(
  part: ScenePart,
  scene: Scene,
  bodies: ReadonlyMap<string, NativeShape>,
  options: NativeOptions,
): NativeObject[] {
  const link = scene.links.find((l) => l.id === part.owner)
  const at = part.marks.findIndex((m) => m.mark === 'connector' || (m.mark === 'path' && m.fill === 'none'))
  const line = part.marks[at]
  if (!link || !line || (line.mark !== 'connector' && line.mark !== 'path')) return partObjects(part, options)
  const points = withoutCollinear(link.points)
  const glue = (id: string, end: Point | undefined): Glue | null => {
    const body = bodies.get(id)
    if (!body || !end) return null
    const far = body.sites.map((s) => distance(s.x - end.x, s.y - end.y))
    return { id, site: far.indexOf(Math.min(...far)) }
  }
  const connector: NativeConnector = {
    object: 'connector',
    id: link.id,
    name: part.name,
    from: glue(link.from, points[0]),
    to: glue(link.to, points.at(-1)),
    points,
    steps: line.mark === 'connector' ? strokeSteps({ ...line, end: 'none' }) : line.steps,
    strokes:
      line.mark === 'connector'
        ? strokesOf(line, part)
        : pieceOf(line, part, options).filter((p): p is NativeShape => p.object === 'shape'),
    line: { colour: line.line, width: line.width, dash: line.dash },
    end: line.mark === 'connector' && line.arrow > 0 ? line.end : 'none',
    arrow: line.mark === 'connector' ? line.arrow : 0,
  }
  return [connector, ...partObjects({ ...part, marks: part.marks.toSpliced(at, 1) }, options)]
}
