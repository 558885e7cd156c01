/** Stage `measure`: gives each node and label its lines and its size. In: a figure and its full style. Out: shapes that
 *  hold their words, in the order of the text. Knows no position. */
import {
  crossLinks,
  expectedValues,
  linksInOrder,
  nodesInOrder,
  notesInOrder,
  placesOf,
  ranking,
  timesOf,
  twoCriteria,
  type Figure,
  type FigureKind,
  type FigureNode,
  type FigureNote,
  type LinkId,
  type NodeId,
  type NodeRole,
  type NoteId,
  type TwoCriteria,
} from '../figure'
import { shapes, type Box, type Point, type ShapeName, type Size } from '../geometry'
import type { FigureStyle, TextLook } from '../style'
import type { Line, Typesetter } from './typesetter'
import { numberIn } from '../text'

/** A line with its baseline, both relative to the middle of the block it stands in. */
export type SetLine = {
  readonly line: Line
  readonly x: number
  readonly baseline: number
  readonly size: number
  readonly strong: boolean
}
export type TextBlock = Size & { readonly lines: readonly SetLine[]; readonly text: string }

/** A picture in a node; `middle` is how far its middle lies below that of the node. */
export type SizedPicture = Size & { readonly hash: string; readonly alt: string; readonly middle: number }

export type SizedNode = Size & {
  readonly id: NodeId
  readonly role: NodeRole
  readonly shape: ShapeName
  readonly block: TextBlock
  /** How far the middle of its words lies below that of the node. */
  readonly wordsMiddle: number
  readonly picture: SizedPicture | null
  readonly held: Box | null
  /** As large as a person made it, where its words need no more: not evened with its peers. */
  readonly resized: boolean
  /** Drawn before those with less. */
  readonly lift: number
  /** Sets a member belongs to. */
  readonly memberOf: readonly NodeId[]
  /** How much it counts where areas are to scale. */
  readonly weight: number
  /** The step that a bar of parallel branches stands beside; null for what is a node of the figure. */
  readonly barOf: NodeId | null
  /** It holds a figure of its own. */
  readonly inset: boolean
  /** Who does the step; null where the text does not say. */
  readonly actor: string | null
}
export type SizedLink = {
  readonly id: LinkId
  readonly from: NodeId
  readonly to: NodeId
  /** Into, or out of, what is done at the same time as others. */
  readonly beside: boolean
  /** Joins what other links join already: no part of the backbone of a concept map. */
  readonly cross: boolean
  /** Leads to the best option of a choice. */
  readonly best: boolean
  readonly label: TextBlock | null
  /** As a person bent it, in layout px. */
  readonly heldRoute: readonly Point[] | null
}
export type SizedNote = {
  readonly id: NoteId
  readonly about: FigureNote['about']
  readonly block: TextBlock
  /** Where a person put its middle, from the middle of what it speaks of. */
  readonly off: Point | null
}
export type Sized = {
  readonly kind: FigureKind
  readonly arrangement: string
  readonly title: string
  /** What stands above and below the picture; null where nothing does. */
  readonly headline: TextBlock | null
  readonly caption: TextBlock | null
  readonly style: FigureStyle
  readonly nodes: readonly SizedNode[]
  readonly links: readonly SizedLink[]
  readonly notes: readonly SizedNote[]
  /** Everyone who does a step, in the order of the text. */
  readonly actors: readonly { readonly name: string; readonly block: TextBlock }[]
  /** When each happens, as numbers; null where not all of them say so. */
  readonly times: ReadonlyMap<NodeId, number> | null
  /** The node that a person has put in the middle. */
  readonly focus: NodeId | null
  /** Where the options of a decision stand by two criteria; null where they are not told so. */
  readonly twoCriteria: TwoCriteria | null
  /** Characters that no shipped font can show. */
  readonly missing: readonly string[]
}

/** Cap height over em of the shipped faces, within 2 %: centring by it looks right where centring the em box does not. */
const CAP_HEIGHT = 0.7
const MIN_WIDTH_IN_EM = 5

/** What a node is worth, in words; null where the figure computes nothing of the kind. */
function worthIn(figure: Figure): (n: FigureNode) => string | null {
  const { values, unit } = expectedValues(figure)
  const number = (v: number) => numberIn(figure.language, v, 2)
  const ranks = ranking(figure)
  return (n) => {
    const rank = ranks.get(n.id)
    if (rank) return `${number(rank.score)}, rank ${rank.rank}`
    const value = values.get(n.id)
    return value === undefined ? null : `= ${number(value)}${unit ? ` ${unit}` : ''}`
  }
}

/** One node alone, as it is measured among the others; null where the figure has no such node. */
export function measuredNode(figure: Figure, id: NodeId, style: FigureStyle, typesetter: Typesetter): SizedNode | null {
  const node = figure.nodes[id]
  return node ? sizedNode(node, shapeFor(node, figure, style), worthIn(figure)(node), style, typesetter) : null
}

export function measure(figure: Figure, style: FigureStyle, typesetter: Typesetter): Sized {
  const { best } = expectedValues(figure)
  const worth = worthIn(figure)
  const nodes = nodesInOrder(figure).map((n) => sizedNode(n, shapeFor(n, figure, style), worth(n), style, typesetter))
  const crossing = crossLinks(figure)
  const links = linksInOrder(figure).map((l) => ({
    id: l.id,
    from: l.from,
    to: l.to,
    best: best.has(l.id),
    beside: l.role === 'beside',
    cross: crossing.has(l.id),
    // Bent for one way of drawing, as the places are.
    heldRoute: (placesOf(figure) && l.heldRoute) ?? null,
    label: l.text
      ? textBlock([{ text: l.text, look: style.label, strong: false }], style.wrap.question, typesetter)
      : null,
  }))
  const notes = notesInOrder(figure).map((n) => sizedNote(n, style, typesetter))
  const words = [
    ...Object.values(figure.nodes).map((n) => `${n.text} ${n.detail ?? ''} ${n.actor ?? ''}`),
    ...Object.values(figure.notes ?? {}).map((n) => n.text),
  ]
  return {
    kind: figure.kind,
    arrangement: figure.arrangement,
    title: figure.title,
    headline: figure.dress.titled ? lineAround(figure.title, style.heading, true, style, typesetter) : null,
    caption: lineAround(figure.caption ?? '', style.label, false, style, typesetter),
    style,
    nodes,
    links,
    notes,
    actors: actorsOf(figure).map((name) => ({
      name,
      block: textBlock([{ text: name, look: style.heading, strong: true }], style.wrap.question, typesetter),
    })),
    times: timesOf(figure),
    focus: figure.focus && figure.nodes[figure.focus] ? figure.focus : null,
    twoCriteria: twoCriteria(figure),
    missing: typesetter.missing(words.join(' '), style.body.fonts),
  }
}

/** Words around a picture run as wide as a few steps. */
const AROUND = 4
const lineAround = (
  text: string,
  look: TextLook,
  strong: boolean,
  style: FigureStyle,
  typesetter: Typesetter,
): TextBlock | null => (text === '' ? null : textBlock([{ text, look, strong }], style.wrap.step * AROUND, typesetter))

/** The number a node was given, or one: an item of a list counts as one. */
export const weightOf = (node: FigureNode): number => Math.max(0, node.measure?.value ?? 1)

/** Everyone who does a step of the figure, in the order of the text. */
export const actorsOf = (figure: Figure): readonly string[] => [
  ...new Set(nodesInOrder(figure).flatMap((n) => (n.actor ? [n.actor] : []))),
]

/** What has no straight sides to double has its whole outline doubled (see `scene`). */
const ROUND: readonly ShapeName[] = ['diamond', 'oval', 'circle', 'pointed']

/** The shape of its role, but for what its place in the figure says. */
function shapeFor(node: FigureNode, figure: Figure, style: FigureStyle): ShapeName {
  const own = style.roles[node.role].shape
  // A step told by a figure of its own.
  if (node.inset && ROUND.every((r) => r !== own)) return 'doubled'
  if (figure.kind !== 'decision' || node.role === 'criterion') return own
  // As a flow it reads like a flowchart; as a tree, choices are squares.
  if (node.role === 'choice') return figure.arrangement === 'flow' ? style.roles.question.shape : own
  const ahead = Object.values(figure.links).filter((l) => l.from === node.id)
  // What is left to chance is a chance, whatever it was called; and only what ends a branch is drawn as its end.
  if (ahead.some((l) => l.probability !== undefined)) return style.roles.chance.shape
  return node.role === 'outcome' && ahead.length > 0 ? style.roles.option.shape : own
}

/** Where outlines leave little room beside words, so much of the padding is enough. */
const tightness = (shape: ShapeName): number => (['diamond', 'plain', 'circle', 'oval'].includes(shape) ? 0.35 : 1)

/** The paragraphs of a node; `worth` is the expected value, as words. A picture says enough by itself. */
function wordsOf(node: FigureNode, worth: string | null, style: FigureStyle): Part[] {
  const point = node.role === 'point' || node.role === 'set'
  const heading = node.role === 'set' || (point && node.detail)
  const below: Part[] = [node.duration, node.detail].flatMap((text) =>
    text ? [{ text, look: style.label, strong: false }] : [],
  )
  if (worth !== null) below.push({ text: worth, look: style.heading, strong: true })
  if (node.picture && node.text === '') return below
  return [{ text: node.text || '…', look: heading ? style.heading : style.body, strong: point }, ...below]
}

function sizedNode(
  node: FigureNode,
  shape: ShapeName,
  worth: string | null,
  style: FigureStyle,
  typesetter: Typesetter,
): SizedNode {
  const padding = { x: style.padding.x * tightness(shape), y: style.padding.y * tightness(shape) }
  const inside = node.size && shapes[shape].room({ x: 0, y: 0, ...node.size })
  const room = inside ? inside.width - 2 * padding.x : roomFor(node, shape, style)
  const block = textBlock(wordsOf(node, worth, style), room, typesetter)
  const most = inside ? { width: room, height: inside.height - 2 * padding.y - block.height } : style.picture
  const content = withPicture(node, block, most, style.body.size)
  const least = inside ? 0 : style.body.size * MIN_WIDTH_IN_EM * tightness(shape)
  const around = shapes[shape].around({
    width: Math.max(content.width, least) + 2 * padding.x,
    height: content.height + 2 * padding.y,
  })
  return {
    id: node.id,
    role: node.role,
    shape,
    block,
    wordsMiddle: content.wordsMiddle,
    picture: content.picture,
    held: node.held ?? null,
    memberOf: node.memberOf ?? [],
    weight: weightOf(node),
    actor: node.actor ?? null,
    inset: node.inset !== undefined,
    barOf: null,
    ...handSize(node, around),
  }
}

/** As large as a person made it, where its words need no more. */
const handSize = ({ size, lift }: FigureNode, words: Size): Size & Pick<SizedNode, 'resized' | 'lift'> => ({
  resized: size !== undefined,
  lift: lift ?? 0,
  width: Math.max(words.width, size?.width ?? 0),
  height: Math.max(words.height, size?.height ?? 0),
})

/** Of the size of the words, between a picture and the words below it. */
const BELOW_PICTURE = 0.4

/** The words of a node below its picture, as large as it may be, and no larger than it is. */
function withPicture(
  { picture }: FigureNode,
  block: TextBlock,
  most: Size,
  unit: number,
): Size & Pick<SizedNode, 'picture' | 'wordsMiddle'> {
  if (!picture) return { width: block.width, height: block.height, wordsMiddle: 0, picture: null }
  const wished = Math.min(1, most.width / picture.width, most.height / picture.height)
  const scale = Math.max(wished, unit / Math.max(picture.width, picture.height))
  const [width, height] = [picture.width * scale, picture.height * scale]
  const gap = block.lines.length > 0 ? unit * BELOW_PICTURE : 0
  const below = block.height + gap
  return {
    width: Math.max(width, block.width),
    height: height + below,
    wordsMiddle: (height + gap) / 2,
    picture: { hash: picture.hash, alt: picture.alt ?? '', width, height, middle: -below / 2 },
  }
}

/** A remark in the margin: its lines begin below each other. */
function sizedNote(note: FigureNote, style: FigureStyle, typesetter: Typesetter): SizedNote {
  const room = style.wrap.step * longer(note.text.length)
  const block = textBlock([{ text: note.text || '…', look: style.label, strong: false }], room, typesetter)
  const fromRight = block.lines[0]?.line.runs.every((r) => r.rtl) ?? false
  const x = (width: number) => (fromRight ? block.width / 2 - width : -block.width / 2)
  const lines = block.lines.map((l) => ({ ...l, x: x(l.line.width) }))
  return { id: note.id, about: note.about, off: note.off ?? null, block: { ...block, lines } }
}

/** Longer words get a wider shape, so that none becomes a tower. */
function roomFor(node: FigureNode, shape: ShapeName, style: FigureStyle): number {
  const base = shape === 'diamond' ? style.wrap.question : node.role === 'point' ? style.wrap.point : style.wrap.step
  const letters = node.text.length + (node.detail?.length ?? 0)
  return base * longer(letters)
}
const longer = (letters: number): number => Math.min(4, Math.max(1, Math.sqrt(letters / 60)))

type Part = { readonly text: string; readonly look: TextLook; readonly strong: boolean }

/** Paragraphs under each other, each line centred. */
export function textBlock(parts: readonly Part[], room: number, typesetter: Typesetter): TextBlock {
  const set = parts.map((p) => ({ ...p, lines: typesetter.paragraph(p.text, p.look.fonts, p.look.size, room) }))
  const heightOf = (s: (typeof set)[number]) => s.lines.length * s.look.size * s.look.leading
  const between = (parts[0]?.look.size ?? 0) * 0.3
  const height = set.reduce((sum, s) => sum + heightOf(s), 0) + between * (set.length - 1)
  const width = Math.max(0, ...set.flatMap((s) => s.lines.map((l) => l.width)))
  let top = -height / 2
  const lines: SetLine[] = []
  for (const s of set) {
    const step = s.look.size * s.look.leading
    s.lines.forEach((line, i) => {
      const baseline = top + step * (i + 0.5) + (s.look.size * CAP_HEIGHT) / 2
      lines.push({ line, x: -line.width / 2, baseline, size: s.look.size, strong: s.strong })
    })
    top += heightOf(s) + between
  }
  return { width, height, lines, text: parts.map((p) => p.text).join(' ') }
}
