/** Stage `propose`: what a passage says, as figures, ranked. Reading and figure meet only here. Out: per kind a figure
 *  with its score, the reasons, and what of the passage it holds and leaves out. Lays nothing out. */
import { MAX_NODES, figureKinds, type Figure, type FigureKind } from '../figure'
import type { ReadText } from '../reading'
import { slice, spansMeet } from '../text'
import { many, type Built } from './built'
import { conceptFigure } from './conceptFigure'
import { decisionFigure } from './decisionFigure'
import { coverageOf, withContext, type Coverage } from './coverage'
import { branchDoubt, type Doubt } from './doubts'
import { hierarchyFigure } from './hierarchyFigure'
import { COUNTS_PEERS, NAMES_PEERS, pointsFigure } from './pointsFigure'
import { processFigure } from './processFigure'
import { vennFigure } from './vennFigure'

export type Reading = {
  readonly kind: FigureKind
  /** From 0 to 1; hand-set and transparent, see the builders. */
  readonly score: number
  readonly reasons: readonly string[]
  readonly coverage: Coverage
  readonly doubts: readonly Doubt[]
  readonly figure: Figure
}
/** Below this a passage is not called a figure; at `STRONG` it is offered without being asked. */
export const WORTH_SHOWING = 0.31
export const STRONG = 0.6

type KindRow = { readonly build: (read: ReadText) => Built; readonly arrangement: string; readonly fewest: number }
const kindRows = {
  process: { build: buildProcess, arrangement: 'down', fewest: 2 },
  concept: { build: conceptFigure, arrangement: 'layers', fewest: 3 },
  hierarchy: { build: hierarchyFigure, arrangement: 'down', fewest: 3 },
  venn: { build: vennFigure, arrangement: 'circles', fewest: 4 },
  decision: { build: decisionFigure, arrangement: 'tree', fewest: 3 },
  points: { build: buildPoints, arrangement: 'grid', fewest: 2 },
} satisfies Record<FigureKind, KindRow>

export function propose(read: ReadText): Reading[] {
  const built = figureKinds
    .map((kind) => ({ kind, built: kindRows[kind].build(read) }))
    .filter(({ kind, built }) => built.nodes.length >= kindRows[kind].fewest && built.nodes.length <= MAX_NODES)
    .map(({ kind, built }) => ({ kind, built: withContext(read, built) }))
  const found = new Map(built.map((b) => [b.kind, b.built.score]))
  const tree = built.find((b) => b.kind === 'hierarchy')?.built ?? null
  return built
    .map(({ kind, built }) => ({
      kind,
      score: Math.round(yielding(kind, built.score - twiceTold(kind, built, tree), found, read) * 1000) / 1000,
      reasons: built.reasons,
      coverage: coverageOf(read, built),
      doubts: built.doubts ?? [],
      figure: figureOf(read, kind, built),
    }))
    .toSorted((a, b) => b.score - a.score || (a.kind < b.kind ? -1 : 1))
}

/** Links that only say what is part of what: the tree says it better, where it is one tree. */
function twiceTold(kind: FigureKind, built: Built, tree: Built | null): number {
  if (kind !== 'concept' || !tree || tree.links.length < 4) return 0
  const below = new Set(tree.links.map((l) => l.to))
  const roots = new Set(tree.links.map((l) => l.from).filter((id) => !below.has(id))).size
  if (roots > Math.max(1, tree.links.length / 4)) return 0
  const same = built.links.filter((l) =>
    l.source.some((s) => tree.links.some((t) => t.source.some((x) => spansMeet(s, x)))),
  )
  return same.length > built.links.length * 0.6 ? 0.3 : 0
}

/** Almost anything can be said as one thing acting on another, and people who act as steps; where the text compares,
 *  chooses or divides, and tells no order, that comes first. */
function yielding(kind: FigureKind, score: number, found: ReadonlyMap<FigureKind, number>, read: ReadText): number {
  const special = Math.max(found.get('venn') ?? 0, found.get('decision') ?? 0, found.get('hierarchy') ?? 0)
  const gives =
    kind === 'concept' ? 0.9 : kind === 'process' && read.told.cueCount === 0 && read.told.orderedItems < 2 ? 0.6 : 0
  return Math.max(0, score - gives * Math.max(0, special - 0.5))
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
    `${many(steps, 'step')} in order${questions ? `, ${many(questions, 'question')}` : ''}${returns ? `, ${many(returns, 'return')}` : ''}`,
    ...(numbered ? ['a numbered list'] : []),
    ...(cueCount > 0 ? [`${many(cueCount, 'connective')} such as “then” or “if”`] : []),
    ...(actors > 0 ? [`${many(actors, 'role')} who act${actors === 1 ? 's' : ''}`] : []),
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
  const base = labelled ? 0.4 : { items: 0.5, headings: 0.5, sentences: told }[from]
  const doing = read.told.doing / Math.max(1, read.told.units.length)
  const defined = read.claims.filter((c) => c.relation === 'link' && c.rule === 'definition' && c.verb === 'be').length
  const score =
    base +
    0.2 * headed +
    (namesPeers(read) ? 0.2 : 0) -
    (from === 'headings' ? 0.1 : 0.25) * doing -
    (defined >= Math.max(2, nodes.length * 0.5) ? 0.25 : 0) -
    (read.told.orderedItems >= 2 && !namesPeers(read) ? 0.15 : 0) -
    (nodes.length > 12 ? 0.15 : 0)
  const what = { items: 'items of a list', headings: 'headings', sentences: 'sentences' }[from]
  return {
    nodes,
    links: [],
    score: Math.max(0.05, score),
    reasons: [`${nodes.length} ${what}, side by side`, ...(headed > 0.5 ? ['most with a heading and a detail'] : [])],
  }
}

function figureOf(read: ReadText, kind: FigureKind, built: Built): Figure {
  const lead = read.blocks.find(
    (b, i) => b.type === 'heading' || (b.type === 'paragraph' && read.blocks[i + 1]?.type === 'item'),
  )
  return {
    id: 'figure',
    kind,
    title: lead
      ? slice(read.text, lead.span)
          .replace(/[:：]$/, '')
          .slice(0, 120)
      : '',
    language: read.language,
    nodes: Object.fromEntries(built.nodes.map((n) => [n.id, n])),
    links: Object.fromEntries(built.links.map((l) => [l.id, l])),
    arrangement: kindRows[kind].arrangement,
    frame: 'page-column',
    houseStyle: 'handbook',
    dress: { typeface: 'grotesk' },
    passage: { start: 0, end: read.text.length },
    wasRead: {
      text: read.text,
      nodes: Object.fromEntries(built.nodes.map((n) => [n.id, n.text])),
      links: Object.fromEntries(built.links.map((l) => [l.id, [l.from, l.to, l.text ?? '']])),
    },
  }
}
