import {
  isChain,
  isConnected,
  isLine,
  isWordless,
  nodesInOrder,
  twoCriteria,
  type Figure,
  type FigureKind,
} from '../figure'
import { actorsOf, weightOf, type Sized } from '../measure'
import { field } from './field'
import { lanes } from './lanes'
import { layered } from './layered/layered'
import type { Arranged, SetWords } from './placed'
import { panels } from './panels'
import { inParts } from './parts'
import { levels, pyramid } from './levels'
import { byValue, nested } from './nested'
import { organic } from './organic'
import { rays } from './rays'
import { ring } from './ring'
import { ringsByValue } from './ringsByValue'
import { rows } from './rows'
import { inFlow, ladder, quadrants, stages, timeLine } from './sequence'
import { table } from './table'
import { outline, tree } from './tree'
import { circlesToScale, scaleError, toScale } from './toScale'
import { circles } from './venn'
import { circlesWithContent, withContent } from './withContent'
import { words, type Words } from '../words'

type ArrangementRow = {
  readonly name: Words
  /** `order`: which of several orders of the same layers, 0 to 2, where the row says that it has some. */
  readonly arrange: (sized: Sized, set: SetWords, order: number) => Arranged
  /** How much wider a node may be made so that its peers are as wide as it: much where that takes no room. */
  readonly evens: number
  /** Its nodes stand for things of one kind, one as high as the other. */
  readonly alike?: true
  /** A long flow may be folded into columns or rows. */
  readonly folds?: true
  /** Its layers can stand in several orders. */
  readonly orders?: true
  /** Which way it flows, where parallel branches get bars. */
  readonly bars?: 'down' | 'across'
  /** Which way it flows, where nodes keep the places they had before an edit. */
  readonly remembers?: 'down' | 'across'
  /** Says whether it is worth offering for a figure; always when left out. */
  readonly suits?: (figure: Figure) => boolean
}

const pointRows = (s: Sized, columns: number | null): Arranged => ({
  ...rows(s, s.style.gap.beside / 2, s.style.gap.beside / 2, columns),
  flow: 'none',
})

/** The last step leads to the first. */
const isCircle = (figure: Figure): boolean =>
  isLine(figure) &&
  isBetween(figure, 3, MOST_AROUND) &&
  Object.keys(figure.links).length === Object.keys(figure.nodes).length

/** Every node stands below one other at most, and no link says more than that: places can say it. */
const isPlainTree = (figure: Figure): boolean => {
  const links = Object.values(figure.links)
  return isWordless(figure) && new Set(links.map((l) => l.to)).size === links.length
}

/** More in one ring, or beside one line, cannot be told apart. */
const MOST_AROUND = 24

/** Somebody has two children without children. */
const hasLists = (figure: Figure): boolean => {
  const links = Object.values(figure.links)
  const parents = new Set(links.map((l) => l.from))
  return [...parents].some((p) => {
    const kids = links.filter((l) => l.from === p)
    return kids.length > 1 && kids.every((k) => !parents.has(k.to))
  })
}

const isBetween = (figure: Figure, least: number, most: number): boolean => {
  const count = Object.keys(figure.nodes).length
  return count >= least && count <= most
}

const TIME =
  /\d|\b(?:day|week|month|year|hour|minute|morning|noon|evening|night|spring|summer|autumn|winter|(?:mon|tues|wednes|thurs|fri|satur|sun)day)s?\b/i
/** Most nodes say when. */
const tellsTimes = (figure: Figure): boolean => {
  const nodes = Object.values(figure.nodes)
  const branches = Object.keys(figure.links).length > 0 && !isChain(figure)
  return (
    !branches &&
    isWordless(figure) &&
    isBetween(figure, 3, MOST_AROUND) &&
    nodes.filter((n) => n.duration || TIME.test(`${n.text} ${n.detail ?? ''}`)).length > nodes.length / 2
  )
}

/** At least two options that criteria are told of, and nothing else; other connectors, which a table leaves out, say nothing. */
const hasCriteria = (figure: Figure): boolean => {
  const nodes = Object.values(figure.nodes)
  const options = nodes.filter((n) => n.role === 'option')
  const told = Object.values(figure.links).filter((l) => figure.nodes[l.to]?.role === 'criterion')
  return (
    options.length > 1 &&
    nodes.every((n) => n.role !== 'outcome' && n.role !== 'chance') &&
    told.length > 1 &&
    told.every((l) => figure.nodes[l.from]?.role === 'option') &&
    Object.values(figure.links).every((l) => told.includes(l) || !l.text)
  )
}

/** Values that can be compared as areas: of all leaves, in one unit, the largest not more than forty times the least. */
function hasLeafValues(figure: Figure): boolean {
  const led = new Set(Object.values(figure.links).map((l) => l.from))
  const leaves = Object.values(figure.nodes).filter((n) => !led.has(n.id))
  const values = leaves.flatMap((n) => n.measure?.value ?? [])
  const units = new Set(leaves.flatMap((n) => n.measure?.unit ?? []))
  if (leaves.length < 3 || values.length < leaves.length || units.size > 1) return false
  return isPlainTree(figure) && Math.min(...values) > 0 && Math.max(...values) <= 40 * Math.min(...values)
}

/** A thinner piece of a ring has no room for words. */
const LEAST_PIECE = 0.03
function leastShare(figure: Figure): number {
  const led = new Set(Object.values(figure.links).map((l) => l.from))
  const values = Object.values(figure.nodes).flatMap((n) => (led.has(n.id) ? [] : weightOf(n)))
  return Math.min(...values) / values.reduce((sum, v) => sum + v, 0)
}

/** Circles can be drawn as large as what lies in their regions. */
const hasAreas = (figure: Figure): boolean => {
  const { count, weights } = contentOf(figure)
  return circlesToScale(count, weights) !== null
}

/** How far areas are off, in parts of the whole, where the sets of a figure are drawn to scale; null where they cannot be. */
export const areaError = (figure: Figure): number | null => {
  const { count, weights } = contentOf(figure)
  return scaleError(count, weights)
}

/** How many sets there are, and how much each member weighs in which of them. */
function contentOf(figure: Figure) {
  const sets = nodesInOrder(figure).filter((n) => n.role === 'set')
  const members = Object.values(figure.nodes).filter((n) => n.role !== 'set')
  const weights = members.map((m) => ({
    sets: sets.flatMap((s, i) => (m.memberOf?.includes(s.id) ? [i] : [])),
    weight: weightOf(m),
  }))
  return { count: sets.length, weights }
}

/** Some sets share nothing, or one has nothing of its own, and circles can show it. */
const hasEmptyRegions = (figure: Figure): boolean => {
  const { count, weights } = contentOf(figure)
  const used = new Set(weights.flatMap((w) => (w.sets.length > 0 ? [w.sets.join()] : [])))
  return (count === 2 || count === 3) && used.size < 2 ** count - 1 && circlesWithContent(count, weights) !== null
}

/** Its choices are questions: what leaves them says the answer. */
const asksQuestions = (figure: Figure): boolean => {
  const leaving = Object.values(figure.links).filter((l) => figure.nodes[l.from]?.role === 'choice')
  return leaving.length > 1 && leaving.every((l) => l.text)
}

const hasActors = (figure: Figure): boolean => actorsOf(figure).length > 1

/** The ways to lay each kind out, first the one taken when nobody chose. */
export const arrangements = {
  process: {
    down: {
      orders: true,
      name: words('Down the page'),
      evens: 2.2,
      bars: 'down',
      arrange: (s, _set, order) => layered(s, 'down', order),
      folds: true,
      remembers: 'down',
    },
    across: {
      orders: true,
      name: words('Across'),
      evens: 1.25,
      bars: 'across',
      arrange: (s, _set, order) => layered(s, 'across', order),
      folds: true,
      remembers: 'across',
    },
    lanes: {
      name: words('Lanes by actor'),
      evens: 1.25,
      bars: 'across',
      arrange: (s, _set, order) => lanes(s, 'across', order),
      folds: true,
      suits: hasActors,
    },
    lanesDown: {
      name: words('Lanes down'),
      evens: 2.2,
      bars: 'down',
      arrange: (s, _set, order) => lanes(s, 'down', order),
      folds: true,
      suits: hasActors,
    },
    rows: {
      name: words('Wrapped rows'),
      evens: 1.6,
      alike: true,
      arrange: (s) => rows(s, s.style.gap.between, s.style.gap.between),
      suits: isChain,
    },
    ring: {
      name: words('Ring'),
      evens: 2.2,
      arrange: (s, set) => ring({ ...s, nodes: inFlow(s) }, set),
      suits: isCircle,
    },
    stages: {
      name: words('Numbered stages'),
      evens: 3,
      alike: true,
      arrange: (s, set) => stages({ ...s, nodes: inFlow(s) }, set),
      suits: (f) => isChain(f) && isWordless(f),
    },
    timeLine: {
      name: words('Time line'),
      evens: 1.6,
      alike: true,
      arrange: (s) => timeLine({ ...s, nodes: inFlow(s) }),
      suits: tellsTimes,
    },
  },
  points: {
    grid: { name: words('Grid'), evens: Infinity, alike: true, arrange: (s) => pointRows(s, null) },
    line: { name: words('Side by side'), evens: Infinity, alike: true, arrange: (s) => pointRows(s, s.nodes.length) },
    list: { name: words('One below another'), evens: Infinity, alike: true, arrange: (s) => pointRows(s, 1) },
    ring: {
      name: words('Ring'),
      evens: Infinity,
      alike: true,
      arrange: (s, set) => ring(s, set),
      suits: (f) => isBetween(f, 2, MOST_AROUND),
    },
    stages: { name: words('Numbered'), evens: Infinity, alike: true, arrange: (s, set) => stages(s, set) },
    ladder: {
      name: words('Ladder'),
      evens: Infinity,
      alike: true,
      arrange: (s) => ladder(s),
      suits: (f) => isBetween(f, 3, 8),
    },
    pyramid: {
      name: words('Pyramid'),
      evens: Infinity,
      alike: true,
      arrange: (s) => pyramid(s),
      suits: (f) => isBetween(f, 3, 8),
    },
    quadrants: {
      name: words('Four fields'),
      evens: Infinity,
      alike: true,
      arrange: (s) => (s.nodes.length === 4 ? quadrants(s) : pointRows(s, null)),
      suits: (f) => isBetween(f, 4, 4),
    },
    timeLine: {
      name: words('Time line'),
      evens: Infinity,
      alike: true,
      arrange: (s) => timeLine(s),
      suits: tellsTimes,
    },
  },
  concept: {
    layers: {
      name: words('Layers'),
      evens: 1.4,
      arrange: (s, _set, order) => inParts(s, (p) => layered(p, 'down', order)),
      remembers: 'down',
    },
    across: {
      name: words('Across'),
      evens: 1.4,
      arrange: (s, _set, order) => inParts(s, (p) => layered(p, 'across', order)),
      remembers: 'across',
    },
    organic: { name: words('Organic'), evens: 1.2, arrange: (s) => organic(s) },
    rays: { name: words('Rays'), evens: 1.2, arrange: (s, set) => rays(s, set, false), suits: isConnected },
  },
  hierarchy: {
    down: { name: words('Down the page'), evens: 1.5, arrange: (s) => tree(s, 'down') },
    across: { name: words('Across'), evens: 3, arrange: (s) => tree(s, 'across') },
    stacked: { name: words('Stacked leaves'), evens: 2, arrange: (s) => tree(s, 'down', true), suits: hasLists },
    outline: { name: words('Indented list'), evens: 3, arrange: (s) => outline(s) },
    byValue: { name: words('Boxes by value'), evens: 0, arrange: (s) => byValue(s), suits: hasLeafValues },
    ringsByValue: {
      name: words('Rings by value'),
      evens: 0,
      arrange: (s) => ringsByValue(s),
      suits: (f) => hasLeafValues(f) && leastShare(f) >= LEAST_PIECE,
    },
    nested: { name: words('Nested boxes'), evens: 3, arrange: (s) => nested(s), suits: isPlainTree },
    levels: {
      name: words('Stacked levels'),
      evens: 1,
      arrange: (s) => levels(s),
      suits: (f) => isPlainTree(f) && isBetween(f, 2, 14),
    },
    rays: { name: words('Rays'), evens: 1.2, arrange: (s, set) => rays(s, set, true) },
  },
  venn: {
    circles: { name: words('Circles'), evens: 1, arrange: (s) => circles(s) },
    toScale: { name: words('To scale'), evens: 1, arrange: (s) => toScale(s), suits: hasAreas },
    withContent: {
      name: words('Regions with content'),
      evens: 1,
      arrange: (s) => withContent(s),
      suits: hasEmptyRegions,
    },
    panels: { name: words('Panels'), evens: 1, arrange: (s) => panels(s) },
  },
  decision: {
    tree: { name: words('Across'), evens: 3, arrange: (s) => tree(s, 'across') },
    down: { name: words('Down the page'), evens: 1.4, arrange: (s) => tree(s, 'down') },
    flow: {
      name: words('Flow'),
      evens: 2.2,
      orders: true,
      arrange: (s, _set, order) => layered(s, 'down', order),
      folds: true,
      remembers: 'down',
      suits: asksQuestions,
    },
    table: { name: words('Table'), evens: 3, arrange: (s, set) => table(s, set), suits: hasCriteria },
    field: {
      name: words('Two-by-two field'),
      evens: 3,
      arrange: (s, set) => (s.twoCriteria ? field(s, set) : tree(s, 'across')),
      suits: (f) => twoCriteria(f) !== null,
    },
  },
} satisfies Record<FigureKind, Record<string, ArrangementRow>>

export const arrangementsOf = (kind: FigureKind): readonly (ArrangementRow & { readonly id: string })[] =>
  Object.entries<ArrangementRow>(arrangements[kind]).map(([id, row]) => ({ id, ...row }))

/** Those worth offering for a figure. */
export const arrangementsFor = (figure: Figure): ReturnType<typeof arrangementsOf> =>
  arrangementsOf(figure.kind).filter((a) => a.suits?.(figure) ?? true)

/** The row of an arrangement; a name the kind does not have means the kind's first. Null when the kind has none. */
export function arrangementRow(kind: FigureKind, name: string): (ArrangementRow & { readonly id: string }) | null {
  const rows = arrangementsOf(kind)
  return rows.find((r) => r.id === name) ?? rows[0] ?? null
}
