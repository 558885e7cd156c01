/** How fast figures are reckoned with and proved. */
import { treeOf, tornado, inputsOf, baseOf, drawnWorth, type DecisionTree } from '../src/core/decide'
import { expectedValues, type Figure } from '../src/core/figure'
import { flowOf, queueRun, runsOf, type Flow } from '../src/core/flow'
import { proveFigure, proveTogether } from '../src/core/prove'
import { propose } from '../src/core/propose'
import { random, type Quantity } from '../src/core/quantity'
import { readText } from '../src/core/reading'
import { plainWardrobe } from '../src/core/style'
import { corpus } from '../src/core/testing/corpus'
import { figureOfTree, type Grown } from '../src/core/testing/seededTree'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import { sketch } from '../src/core/testing/sketch'
import { shippedLexicon } from '../src/server/lexicon'

type Print = (what: string, ...cells: string[]) => void
type Timed = (runs: number, work: () => unknown) => number

/** A tree of so many nodes: choices and chances in turn, two ways out of each. */
function treeOfSize(nodes: number): Figure {
  const next = random(7)
  let left = nodes - 1
  const root: Grown = { role: 'choice', value: 0, arms: [] }
  const open: Grown[] = [root]
  for (let at = open.shift(); at && left >= 2; at = open.shift())
    for (const p of [0.4, 0.6]) {
      const child = { role: at.role === 'choice' ? 'chance' : 'choice', value: 0, arms: [] } as Grown
      at.arms.push({ p, to: child })
      open.push(child)
      left--
    }
  const leaves = (t: Grown): Grown =>
    t.arms.length === 0
      ? { role: 'outcome', value: Math.round(next() * 20_000) - 8000, arms: [] }
      : { ...t, arms: t.arms.map((a) => ({ p: a.p, to: leaves(a.to) })) }
  return figureOfTree(leaves(root))
}

export function reckonBench(line: Print, timed: Timed): void {
  const ms = (v: number) => `${v.toFixed(1)} ms`
  console.log('\nFigures that compute')
  const large = treeOfSize(1001)
  line(
    `a tree of ${Object.keys(large.nodes).length} nodes rolled back (aim 5)`,
    ms(timed(30, () => expectedValues(large))),
  )
  const tree = treeOf(treeOfSize(61)) as DecisionTree
  const ranges = inputsOf(tree)
    .slice(0, 30)
    .map((input) => {
      const base = baseOf(tree, input)
      return { input, interval: input.of === 'chance' ? ([0, 1] as const) : ([base - 4000, base + 4000] as const) }
    })
  line(`a tornado of ${ranges.length} inputs (aim 100)`, ms(timed(30, () => tornado(tree, ranges))))
  const wide = treeOf(treeOfSize(201)) as DecisionTree
  const open = new Map<string, Quantity>(
    [...wide.nodes.values()]
      .filter((n) => n.arms.length === 0)
      .map((n) => [n.id, { low: n.own - 900, likely: n.own, high: n.own + 1500, unit: '' }]),
  )
  line(`10,000 draws over ${wide.nodes.size} nodes (aim 300)`, ms(timed(5, () => drawnWorth(wide, open, 10_000, 1))))
  const flow = flowOf(
    sketch(
      `process; ${Array.from({ length: 30 }, (_, i) => `n${i} step Step ${i} @${i % 2 ? 'Mate' : 'Bosun'} ~ ${i + 1}–${i + 4} min${i ? `; n${i - 1}>n${i}` : ''}`).join('; ')}`,
    ),
  ) as Flow
  line('10,000 runs of a process of 30 steps', ms(timed(5, () => runsOf(flow, 10_000, 1))))
  const asked = {
    arrivals: 1 / 400,
    people: new Map<string, number>(),
    seed: 1,
    coming: 2000,
    trials: 20,
    times: 'told' as const,
  }
  line('20 trials of 2,000 comings', ms(timed(3, () => queueRun(flow, asked))))
  proofBench(line, timed)
}

function proofBench(line: Print, timed: Timed): void {
  const texts = corpus().filter((g) => g.language === 'en')
  const figures = texts
    .filter((_, i) => i % Math.floor(texts.length / 30) === 0)
    .flatMap((g) => propose(readText(g.text, shippedLexicon())).slice(0, 1))
    .map((r, i) => ({ ...r.figure, id: `f${i}` }))
    .slice(0, 30)
  const set = shippedTypesetter()
  const proof = () => {
    for (const f of figures) proveFigure(f, plainWardrobe('light'), set)
    proveTogether({
      text: texts
        .map((t) => t.text)
        .join('\n\n')
        .slice(0, 60_000),
      figures,
      passages: new Map(),
      terms: [],
    })
  }
  line(`the proof of a folio of ${figures.length} figures (aim 500)`, `${timed(5, proof).toFixed(1)} ms`)
}
