/** Stage `measure`: gives each node and label its lines and its size. In: a figure and its full style. Out: shapes that
 *  hold their words, in the order of the text. Knows no position. */
import {
  crossLinks,
  expectedValues,
  huesOf,
  linksInOrder,
  markedBy,
  nodesInOrder,
  numberedFigure,
  notesInOrder,
  placesOf,
  ranking,
  timesOf,
  traitsOf,
  twoCriteria,
  type Figure,
  type FigureLink,
  type FigureNode,
  type FigureNote,
  type NodeId,
} from '../figure'
import { inFamily } from '../icons'
import { withUnit } from '../quantity'
import type { FigureStyle, TextLook } from '../style'
import { numberIn } from '../text'
import type { Shared } from './pieceItems'
import { cut, longer, sharedBy, sizedNode, type Within } from './nodeSize'
import { keyOf } from './legend'
import { ordinal } from './ordinal'
import type { Sized, SizedLink, SizedNode, SizedNote } from './sized'
import { fromStart, textBlock, type TextBlock } from './textBlock'
import type { Typesetter } from './typesetter'

/** What a node is worth, in words; null where the figure computes nothing of the kind. */
function worthIn(figure: Figure): (n: FigureNode) => string | null {
  const { values, unit } = expectedValues(figure)
  const number = (v: number) => numberIn(figure.language, v, 2)
  const ranks = ranking(figure)
  return (n) => {
    const rank = ranks.get(n.id)
    if (rank) return `${number(rank.score)}, rank ${rank.rank}`
    const value = values.get(n.id)
    return value === undefined ? null : `= ${withUnit(number(value), unit)}`
  }
}

/** The numbers at the ends of a decision. */
const worthsIn = (figure: Figure): ReadonlyMap<NodeId, number> => {
  const left = new Set(Object.values(figure.links).map((l) => l.from))
  return new Map(
    figure.kind === 'decision'
      ? nodesInOrder(figure).flatMap((n) => (n.measure && !left.has(n.id) ? [[n.id, n.measure.value] as const] : []))
      : [],
  )
}

/** How much a node counts, from 0 to 1: by links in a map, by what hangs below it, or by its number, in a tree. */
function shareIn(figure: Figure): (n: FigureNode) => number {
  const links = linksInOrder(figure)
  const counts = new Map<NodeId, number>()
  const add = (id: NodeId, by: number) => counts.set(id, (counts.get(id) ?? 0) + by)
  if (figure.kind === 'concept') for (const l of links) [l.from, l.to].forEach((id) => add(id, 1))
  else {
    const above = new Map(links.map((l) => [l.to, l.from]))
    for (const n of nodesInOrder(figure)) {
      const seen = new Set<NodeId>()
      for (let at: NodeId | undefined = n.id; at !== undefined && !seen.has(at); at = above.get(at)) {
        seen.add(at)
        add(at, n.measure?.value ?? 1)
      }
    }
  }
  const most = Math.max(1e-9, ...counts.values())
  return (n) => Math.max(0, (counts.get(n.id) ?? 0) / most)
}

function within(figure: Figure, style: FigureStyle, typesetter: Typesetter): Within {
  const order = new Map(nodesInOrder(figure).map((n, i) => [n.id, i]))
  return {
    figure,
    style,
    typesetter,
    traits: traitsOf(figure),
    worth: worthIn(figure),
    numeral: (n) => ordinal((order.get(n.id) ?? 0) + 1, style.house.numerals),
    numbered: figure.dress.numbered ?? true,
    share: shareIn(figure),
    marked: markedBy(figure),
  }
}

/** One node alone, as it is measured among the others; null where the figure has no such node. */
export function measuredNode(
  figure: Figure,
  id: NodeId,
  style: FigureStyle,
  shared: Shared,
  typesetter: Typesetter,
): SizedNode | null {
  const node = figure.nodes[id]
  if (!node) return null
  const around = within(figure, style, typesetter)
  return sizedNode(cut(node, around), shared, around)
}

export function measure(figure: Figure, style: FigureStyle, typesetter: Typesetter): Sized {
  const around = within(figure, style, typesetter)
  const cuts = nodesInOrder(figure).map((n) => cut(n, around))
  const shared = sharedBy(cuts)
  const words = [
    ...Object.values(figure.nodes).map((n) => `${n.text} ${n.detail ?? ''} ${n.actor ?? ''}`),
    ...Object.values(figure.notes ?? {}).map((n) => n.text),
  ]
  return {
    kind: figure.kind,
    arrangement: figure.arrangement,
    title: figure.title,
    headline: figure.dress.titled ? lineAround(figure.title, style.title, style, typesetter) : null,
    caption: lineAround(captionOf(figure, style), style.label, style, typesetter),
    sourceLine: lineAround(figure.sourceLine ?? '', style.small, style, typesetter),
    style,
    nodes: cuts.map((c) => sizedNode(c, shared, around)),
    links: sizedLinks(figure, style, typesetter),
    notes: notesInOrder(figure).map((n) => sizedNote(n, style, typesetter)),
    shared,
    legend: keyOf(figure, style.colouring).map(({ name, hue, icon, full }) => ({
      ...{ hue, full },
      icon: icon === null ? null : inFamily(icon, style.house.icons),
      block: textBlock([{ text: name, look: style.label }], style.wrap.point, typesetter),
    })),
    hues: huesOf(figure, style.colouring),
    worths: worthsIn(figure),
    actors: actorsOf(figure).map((name) => ({
      name,
      block: textBlock([{ text: name, look: style.strong }], style.wrap.question, typesetter),
    })),
    times: timesOf(figure),
    focus: figure.focus && figure.nodes[figure.focus] ? figure.focus : null,
    twoCriteria: twoCriteria(figure),
    missing: typesetter.missing(words.join(' '), style.body.fonts),
  }
}

function sizedLinks(figure: Figure, style: FigureStyle, typesetter: Typesetter): SizedLink[] {
  const { best } = expectedValues(figure)
  const crossing = crossLinks(figure)
  const label = (l: FigureLink) =>
    l.text ? textBlock([{ text: l.text, look: style.label }], style.wrap.question, typesetter) : null
  return linksInOrder(figure).map((l) => ({
    id: l.id,
    from: l.from,
    to: l.to,
    best: best.has(l.id),
    beside: l.role === 'beside',
    cross: crossing.has(l.id),
    // Bent for one way of drawing, as the places are.
    heldRoute: (placesOf(figure) && l.heldRoute) ?? null,
    look: l.look ?? {},
    label: label(l),
  }))
}

/** The number, where it is told, before the caption; before the title where the figure has neither caption nor title above. */
function captionOf(figure: Figure, { number }: FigureStyle): string {
  if (number === null) return figure.caption ?? ''
  const said = figure.caption ?? (figure.dress.titled ? '' : figure.title)
  return [numberedFigure(figure.language, number), said].filter((s) => s !== '').join('. ')
}

/** Words around a picture run as wide as a few steps. */
const AROUND = 4
const lineAround = (text: string, look: TextLook, style: FigureStyle, typesetter: Typesetter): TextBlock | null =>
  text === '' ? null : textBlock([{ text, look }], style.wrap.step * AROUND, typesetter)

/** Everyone who does a step of the figure, in the order of the text. */
export const actorsOf = (figure: Figure): readonly string[] => [
  ...new Set(nodesInOrder(figure).flatMap((n) => (n.actor ? [n.actor] : []))),
]

/** A remark in the margin: its lines begin below each other. */
function sizedNote(note: FigureNote, style: FigureStyle, typesetter: Typesetter): SizedNote {
  const room = style.wrap.step * longer(note.text.length)
  const block = fromStart(textBlock([{ text: note.text || '…', look: style.label }], room, typesetter))
  return { id: note.id, about: note.about, off: note.off ?? null, block }
}
