/** How large one node has to be for what it says, by its role, its treatment and what a person has made of it. */
import { shapes, type Box, type ShapeName, type Size } from '../geometry'
import type { Figure, FigureNode, Marked, NodeId, Trait } from '../figure'
import type { FigureStyle, FormName, NodeDress } from '../style'
import { forms } from './forms'
import type { FormRoom, Shared, Standing } from './pieceItems'
import { piecesOf, wordsOf, type Pieces } from './pieces'
import type { Sized, SizedNode } from './sized'
import type { Typesetter } from './typesetter'

/** What the sizing of a node asks of its figure. */
export type Within = {
  readonly figure: Figure
  readonly style: FigureStyle
  readonly typesetter: Typesetter
  readonly traits: ReadonlyMap<NodeId, readonly Trait[]>
  /** What a node is worth, in words; null where the figure computes nothing of the kind. */
  readonly worth: (n: FigureNode) => string | null
  /** Its place in the order, as it is written. */
  readonly numeral: (n: FigureNode) => string
  /** Whether numbers are wanted at all. */
  readonly numbered: boolean
  /** From 0 to 1, where nodes are drawn as large as they count. */
  readonly share: (n: FigureNode) => number
  /** What rules put into nodes. */
  readonly marked: ReadonlyMap<NodeId, Marked>
}

const MIN_WIDTH_IN_EM = 5
/** What has no straight sides to double has its whole outline doubled (see `dress`). */
const ROUND: readonly ShapeName[] = ['diamond', 'oval', 'circle', 'pointed', 'plain', 'onward']
/** Roles whose words stand in the middle of regions or on lines. */
const BARE = 0.35
/** Across, in parts of the size of the words, of the largest of the discs that are drawn as large as they count. */
const LARGEST = 7.5
const SMALLEST = 3.6

/** How it is dressed: as the treatment has it for its role, and for what it is in the figure. */
function dressOf(node: FigureNode, { figure, style, traits }: Within): NodeDress {
  const { treatment } = style
  const byRole = { ...treatment.node, ...treatment.roles[node.role] }
  const own = traits.get(node.id) ?? []
  const byTrait = own.reduce<NodeDress>((d, t) => ({ ...d, ...treatment.traits[t] }), byRole)
  // Words in a region or on a line of a table stand there as they are, unless the treatment speaks of them.
  const bare =
    (node.role === 'set' || node.role === 'member' || node.role === 'criterion') && !treatment.roles[node.role]
  const dress: NodeDress = bare ? { ...byTrait, form: 'centred', fill: 'none', shape: 'plain', outline: 0 } : byTrait
  const shape = shapeFor(node, figure, style, dress)
  const isRound = dress.form !== 'centred' && (shape === 'diamond' || shape === 'pill' || shape === 'oval')
  return { ...dress, shape, form: isRound ? 'centred' : dress.form }
}

/** The shape of its role, but for what its place in the figure says, and what a person has said. */
function shapeFor(node: FigureNode, figure: Figure, style: FigureStyle, dress: NodeDress): ShapeName {
  const asked = node.look?.shape
  if (asked !== undefined && Object.hasOwn(shapes, asked)) return asked as ShapeName
  const own = dress.shape ?? style.roles[node.role].shape
  // A step told by a figure of its own.
  if (node.inset && dress.form === 'centred' && ROUND.every((r) => r !== own)) return 'doubled'
  if (dress.shape !== null || figure.kind !== 'decision' || node.role === 'criterion') return own
  // As a flow it reads like a flowchart; as a tree, choices are squares.
  if (node.role === 'choice') return figure.arrangement === 'flow' ? style.roles.question.shape : own
  const ahead = Object.values(figure.links).filter((l) => l.from === node.id)
  // What is left to chance is a chance, whatever it was called; and only what ends a branch is drawn as its end.
  if (ahead.some((l) => l.probability !== undefined)) return style.roles.chance.shape
  return node.role === 'outcome' && ahead.length > 0 ? style.roles.option.shape : own
}

/** Where outlines leave little room beside words, so much of the padding is enough. */
const tightness = (shape: ShapeName, form: FormName): number =>
  form === 'centred' && ['diamond', 'plain', 'circle', 'oval'].includes(shape) ? BARE : 1

const formRoom = (
  style: FigureStyle,
  shape: ShapeName,
  dress: NodeDress,
  shared: Shared,
  figure: Pick<Figure, 'kind' | 'arrangement'>,
): FormRoom => {
  const tight = tightness(shape, dress.form)
  return {
    unit: style.body.size,
    pad: { x: style.padding.x * tight, y: style.padding.y * tight },
    centred: !dress.start && isCentred(figure),
    shared,
  }
}

/** Points are read from the start of their lines, and so is what stands in a list; elsewhere links come from all sides. */
const isCentred = (figure: Pick<Figure, 'kind' | 'arrangement'>): boolean =>
  !(figure.kind === 'points' && figure.arrangement !== 'pyramid' && figure.arrangement !== 'ring') &&
  figure.arrangement !== 'outline' &&
  figure.arrangement !== 'stacked'

/** Longer words get a wider shape, so that none becomes a tower. */
function roomFor(node: FigureNode, shape: ShapeName, style: FigureStyle): number {
  const base = shape === 'diamond' ? style.wrap.question : node.role === 'point' ? style.wrap.point : style.wrap.step
  return base * longer(node.text.length + (node.detail?.length ?? 0))
}
export const longer = (letters: number): number => Math.min(4, Math.max(1, Math.sqrt(letters / 60)))

/** A node's pieces, and how it is dressed: what does not depend on the others. */
export type Cut = { readonly node: FigureNode; readonly dress: NodeDress; readonly pieces: Pieces }

export function cut(node: FigureNode, within: Within): Cut {
  const { style, typesetter } = within
  const dress = dressOf(node, within)
  const shape = dress.shape ?? 'rect'
  const form = forms[dress.form]
  const pad = { x: style.padding.x * tightness(shape, dress.form), y: style.padding.y * tightness(shape, dress.form) }
  const inside = node.size && shapes[shape].room({ x: 0, y: 0, ...node.size })
  const width = inside ? inside.width - 2 * pad.x : roomFor(node, shape, style)
  const asked = {
    dress,
    room: Math.max(style.body.size, width),
    worth: within.worth(node),
    numeral: form.shows.numeral && within.numbered ? within.numeral(node) : null,
    largeNumeral: form.shows.numeral === 'large',
    // Lanes say who.
    showsActor: form.shows.actor && !within.figure.arrangement.startsWith('lanes'),
    picture: style.picture,
    marked: within.marked.get(node.id) ?? null,
  }
  const first = piecesOf(node, asked, style, typesetter)
  if (!inside || !first.picture) return { node, dress, pieces: first }
  // A picture gets what its words leave of the size that a person has made.
  const around = form.size({ ...first, picture: null }, formRoom(style, shape, dress, NOTHING_SHARED, within.figure))
  const left = inside.height - around.height - style.body.size * 0.4
  const picture = { width, height: Math.max(style.body.size, left) }
  return { node, dress, pieces: piecesOf(node, { ...asked, picture }, style, typesetter) }
}

const NOTHING_SHARED: Shared = { heading: { width: 0, height: 0 }, numeral: 0, actor: 0, measure: 0 }

/** What the nodes of a figure share, so that their parts stand on common lines. */
export function sharedBy(cuts: readonly Cut[]): Shared {
  const most = (size: (p: Pieces) => number | undefined) => Math.max(0, ...cuts.map((c) => size(c.pieces) ?? 0))
  return {
    heading: { width: most((p) => p.heading?.width), height: most((p) => p.heading?.height) },
    numeral: most((p) => p.numeral?.width),
    actor: most((p) => p.actor?.width),
    measure: most((p) => p.measure?.width),
  }
}

export function sizedNode({ node, dress, pieces }: Cut, shared: Shared, within: Within): SizedNode {
  const { style, figure } = within
  const shape = dress.shape ?? 'rect'
  const f = formRoom(style, shape, dress, shared, figure)
  const content = forms[dress.form].size(pieces, f)
  const least =
    node.size || dress.fill === 'none'
      ? 0
      : style.body.size * MIN_WIDTH_IN_EM * tightness(shape, dress.form) + 2 * f.pad.x
  const words = shapes[shape].around({ width: Math.max(content.width, least), height: content.height })
  const around = dress.sizedBy === 'words' ? words : atLeast(words, style.body.size * acrossFor(within.share(node)))
  return {
    id: node.id,
    role: node.role,
    shape,
    dress,
    pieces,
    text: wordsOf(pieces),
    look: node.look ?? {},
    held: node.held ?? null,
    memberOf: node.memberOf ?? [],
    weight: weightOf(node),
    actor: node.actor ?? null,
    inset: node.inset !== undefined,
    barOf: null,
    resized: node.size !== undefined,
    lift: node.lift ?? 0,
    width: Math.max(around.width, node.size?.width ?? 0),
    height: Math.max(around.height, node.size?.height ?? 0),
  }
}

/** The room that the words of a node take by themselves, where nothing is drawn around them. */
export function wordsSize(n: SizedNode, sized: Pick<Sized, 'style' | 'shared' | 'kind' | 'arrangement'>): Size {
  if (n.dress.form !== 'centred') return n
  const f = formRoom(sized.style, n.shape, n.dress, sized.shared, sized)
  const { width, height } = forms.centred.size(n.pieces, f)
  return { width: width - 2 * f.pad.x, height: height - 2 * f.pad.y }
}

/** Where the pieces of a node stand in its box. */
export const standingIn = (
  n: SizedNode,
  box: Box,
  sized: Pick<Sized, 'style' | 'shared' | 'kind' | 'arrangement'>,
): Standing =>
  forms[n.dress.form].stand(
    n.pieces,
    shapes[n.shape].room(box),
    formRoom(sized.style, n.shape, n.dress, sized.shared, sized),
  )

/** Areas, not diameters, are in proportion. */
const acrossFor = (share: number): number => SMALLEST + (LARGEST - SMALLEST) * Math.sqrt(share)
const atLeast = (s: Size, across: number): Size => ({
  width: Math.max(s.width, across),
  height: Math.max(s.height, across),
})

/** The number a node was given, or one: an item of a list counts as one. */
export const weightOf = (node: FigureNode): number => Math.max(0, node.measure?.value ?? 1)
