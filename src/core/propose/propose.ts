/** Stage `propose`: what a passage says, as figures, ranked. Reading and figure meet only here. Out: per kind a figure
 *  with its score, the reasons, and what of the passage it holds and leaves out. Lays nothing out. */
import { MAX_NODES, figureKinds, type Figure, type FigureKind, type NodeId } from '../figure'
import type { ReadText } from '../reading'
import { slice, type Span } from '../text'
import { type Built } from './built'
import { withWholeLabels } from './wholeLabels'
import { kindFeatures } from './kindFeatures'
import { kindChances, sureFeatures, sureness } from './rank'
import { conceptFigure } from './conceptFigure'
import { decisionFigure } from './decisionFigure'
import { contentOf, coverageOf, withContext, type Coverage } from './coverage'
import { quantityDoubts } from './quantityDoubts'
import { branchDoubt, type Answered, type Doubt } from './doubts'
import { hierarchyFigure } from './hierarchyFigure'
import { COUNTS_PEERS, NAMES_PEERS, pointsFigure } from './pointsFigure'
import { processFigure } from './processFigure'
import { vennFigure } from './vennFigure'
import { because } from './because'
import type { Said } from '../words'

export type Reading = {
  /** Which of a passage's readings: its kind, or a name of its own where another reader gave it. */
  readonly id: string
  readonly kind: FigureKind
  /** How likely this kind is, from 0 to 1; learned, see `rank`. 0 for what another reader gave, which is not ranked. */
  readonly score: number
  /** Sure enough to be offered without being asked. */
  readonly strong: boolean
  readonly reasons: readonly Said[]
  readonly coverage: Coverage
  readonly doubts: readonly Doubt[]
  /** Doubts that have been answered, now or before. */
  readonly answered?: readonly Answered[]
  readonly figure: Figure
  /** By whom it was read, where not by us: nodes whose words are not in the passage, and what was refused. */
  readonly other?: { readonly by: string; readonly added: readonly NodeId[]; readonly refused: readonly Said[] }
}
/** Below this a passage is not called a figure; at `STRONG` it is offered without being asked. */
export const WORTH_SHOWING = 0.31
export const STRONG = 0.7

type KindRow = { readonly build: (read: ReadText) => Built; readonly arrangement: string; readonly fewest: number }
const kindRows = {
  process: { build: buildProcess, arrangement: 'down', fewest: 2 },
  concept: { build: conceptFigure, arrangement: 'layers', fewest: 3 },
  hierarchy: { build: hierarchyFigure, arrangement: 'down', fewest: 3 },
  venn: { build: vennFigure, arrangement: 'circles', fewest: 4 },
  decision: { build: decisionFigure, arrangement: 'tree', fewest: 3 },
  points: { build: buildPoints, arrangement: 'grid', fewest: 2 },
} satisfies Record<FigureKind, KindRow>

/** The fewest nodes that make a figure of a kind. */
export const fewestOf = (kind: FigureKind): number => kindRows[kind].fewest

export const propose = (read: ReadText): Reading[] => readingsOf(read, builtOf(read))

/** What each kind makes of a passage, where it makes enough. */
export const builtOf = (read: ReadText): Map<FigureKind, Built> =>
  new Map(
    figureKinds
      .map((kind) => [kind, withWholeLabels(kindRows[kind].build(read), read.language)] as const)
      .filter(([kind, b]) => b.nodes.length >= kindRows[kind].fewest && b.nodes.length <= MAX_NODES)
      .map(([kind, b]) => [kind, withContext(read, b)] as const),
  )

export function readingsOf(read: ReadText, built: ReadonlyMap<FigureKind, Built>): Reading[] {
  const chances = kindChances(kindFeatures(read, built))
  const [title, words] = [titleOf(read), contentOf(read)]
  return [...built]
    .map(([kind, b]): Reading => {
      const coverage = coverageOf(read, b, title, words)
      const figure = figureOf(read, kind, b, title)
      const sure = sureness(sureFeatures(read, kind, chances, b, coverage))
      return {
        id: kind,
        kind,
        score: Math.round((chances.get(kind) ?? 0) * 1000) / 1000,
        strong: sure >= STRONG,
        reasons: b.reasons,
        coverage,
        doubts: [...(b.doubts ?? []), ...quantityDoubts(figure)],
        figure,
      }
    })
    .toSorted((a, b) => b.score - a.score || (a.kind < b.kind ? -1 : 1))
}

function buildProcess(read: ReadText): Built {
  const { nodes, links, loose, questions, returns } = processFigure(read.told.body, read.answers)
  const { units, cueCount, orderedItems } = read.told
  const steps = nodes.length - questions
  // Numbers over numbers with nothing to do are chapters.
  const items = read.blocks.filter((b) => b.type === 'item')
  const short = items.every((b) => slice(read.text, b.span).split(/\s+/).length <= 3)
  const chapters = short && items.some((b) => b.ordered && b.depth > 0)
  const numbered = orderedItems >= 2 && !chapters
  const of = Math.max(1, units.length)
  const doing = units.filter((u) => u.doing || (u.ordered && !read.interpreted)).length / of
  const asked = units.filter((u) => u.asked || (u.ordered && !read.interpreted)).length / of
  let score =
    0.06 +
    0.3 * doing +
    0.16 * asked +
    0.05 * Math.min(4, cueCount) +
    (numbered ? 0.22 : 0) +
    0.025 * Math.min(6, steps) +
    (questions > 0 ? 0.07 : 0)
  if (steps < 2 && questions === 0) score *= 0.3
  if (steps < 3 && cueCount === 0 && !numbered) score *= 0.7
  if (!numbered && doing < 0.35) score *= 0.7
  const actors = new Set(nodes.map((n) => n.actor).filter(Boolean)).size
  const reasons = [
    because.stepsInOrder(steps),
    ...(questions ? [because.questions(questions)] : []),
    ...(returns ? [because.returns(returns)] : []),
    ...(numbered ? [because.numberedList] : []),
    ...(cueCount > 0 ? [because.connectives(cueCount)] : []),
    ...(actors > 0 ? [because.roles(actors)] : []),
  ]
  if (announcesSteps(read)) score += 0.12
  const side = namesPeers(read) && cueCount === 0 && (!numbered || doing < 0.4)
  if (side || (countsPeers(read) && doing < 0.5)) score -= 0.25
  const doubts = loose.flatMap((id) => branchDoubt(id, nodes, links))
  return { nodes, links, score: Math.min(0.98, score), reasons, doubts }
}

/** "Deliveries are handled like this": what follows is told in order, whoever does it. */
function announcesSteps(read: ReadText): boolean {
  const [first, second] = read.sentences
  return first !== undefined && HOW.test(read.text.slice(0, (second ?? first).end))
}
const HOW =
  /\b(?:(?:like this|as follows)[.:]|this is how|here(?: is|['’]s) how|how (?:to|we|it works)|step by step|procedure|these steps)/i

/** "Five tips for winter sailings", "Our values": what stands below is side by side, though it may be told as orders. */
function namesPeers(read: ReadText): boolean {
  const first = read.blocks[0]
  const opening = read.sentences[0]
  const title =
    first && (first.type === 'heading' || read.blocks[1]?.type === 'item')
      ? first.span
      : opening && opening.end - opening.start < 40
        ? opening
        : null
  return (title !== null && NAMES_PEERS.test(slice(read.text, title))) || countsPeers(read)
}

/** "There are three reasons to sail early." */
const countsPeers = (read: ReadText): boolean =>
  read.sentences[0] !== undefined && COUNTS_PEERS.test(slice(read.text, read.sentences[0]))

function buildPoints(read: ReadText): Built {
  const { nodes, from } = pointsFigure(read)
  const headed = nodes.filter((n) => n.detail).length / Math.max(1, nodes.length)
  const labelled = from === 'sentences' && nodes.length > 2 && headed >= 0.5
  const told = from === 'sentences' && nodes.length > 1 && namesPeers(read) ? 0.3 : 0.12
  const base = labelled ? 0.4 : from === 'entries' ? 0.5 : told
  const doing = read.told.doing / Math.max(1, read.told.units.length)
  const defined = read.claims.filter((c) => c.relation === 'link' && c.rule === 'definition' && c.verb === 'be').length
  const score =
    base +
    0.2 * headed +
    (namesPeers(read) ? 0.2 : 0) -
    (read.outline.entries.some((e) => e.from === 'heading') ? 0.1 : 0.25) * doing -
    (defined >= Math.max(2, nodes.length * 0.5) ? 0.25 : 0) -
    (read.told.orderedItems >= 2 && !namesPeers(read) ? 0.15 : 0) -
    (nodes.length > 12 ? 0.15 : 0)
  return {
    nodes,
    links: [],
    score: Math.max(0.05, score),
    reasons: [because.sideBySide(nodes.length), ...(headed > 0.5 ? [because.headed] : [])],
  }
}

/** What the author called the passage, or the line above its list. */
export function titleOf(read: ReadText): Span | null {
  const { title, opening, entries } = read.outline
  const above = opening.at(-1)
  return title ?? (entries.length > 1 && above && above.end - above.start <= LONGEST_TITLE ? above : null)
}
const LONGEST_TITLE = 120

/** A figure as data, in the plain style. */
export function figureOf(read: ReadText, kind: FigureKind, built: Built, title: Span | null): Figure {
  return {
    id: 'figure',
    kind,
    title: title
      ? slice(read.text, title)
          .replace(/\*\*|__/g, '')
          .replace(/[:：]$/, '')
          .slice(0, LONGEST_TITLE)
      : '',
    language: read.language,
    nodes: Object.fromEntries(built.nodes.map((n) => [n.id, n])),
    links: Object.fromEntries(built.links.map((l) => [l.id, l])),
    arrangement: kindRows[kind].arrangement,
    frame: 'page-column',
    houseStyle: '',
    dress: {},
    passage: { start: 0, end: read.text.length },
    wasRead: {
      text: read.text,
      nodes: Object.fromEntries(built.nodes.map((n) => [n.id, n.text])),
      links: Object.fromEntries(built.links.map((l) => [l.id, [l.from, l.to, l.text ?? '']])),
    },
  }
}
