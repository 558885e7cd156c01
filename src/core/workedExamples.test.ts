/** Twelve examples worked out by hand at Gannet Sound Ferries: each number below can be checked with pencil and paper. */
import { apply } from './document'
import {
  certaintyEquivalent,
  firstChoice,
  perfectInformation,
  riskProfiles,
  sensitivity,
  toldAbout,
  treeOf,
  type DecisionTree,
} from './decide'
import { flowOf, loads, networkOf, waitInLine, walkThrough, type Flow } from './flow'
import { byPairs, countedRegions, likeness, loopsIn, ranked, setsOfLists, surprise, treeSums, turned } from './reckon'
import { converted, quantityIn } from './quantity'
import { sketch } from './testing/sketch'

const tree = (text: string): DecisionTree => treeOf(sketch(`decision; ${text}`)) as DecisionTree
const flow = (text: string): Flow => flowOf(sketch(`process; ${text}`)) as Flow
const worth = (t: DecisionTree) => certaintyEquivalent(t, 1e12).get(t.root)

/** Sail now: 0.8 × 5,000 − 0.2 × 8,000 = 2,400. Wait: 0.5 × 4,000 + 0.5 × 1,000 = 2,500. Waiting is better by 100. */
const FOG =
  'a choice Sail now?; b chance Sail; c chance Wait; d outcome Through | 5000 £; e outcome Turned back | -8000 £; f outcome Lifts | 4000 £; g outcome Stays | 1000 £; a>b; a>c; b>d 80%; b>e 20%; c>f 50%; c>g 50%'

test('1 · fog: the mean of each option, and the better one', () => {
  const t = tree(FOG)
  expect(worth(t)).toBeCloseTo(2500, 3)
  expect(riskProfiles(t)?.best).toEqual([
    { value: 1000, chance: 0.5 },
    { value: 4000, chance: 0.5 },
  ])
})

/** 5,000 p − 8,000 (1 − p) = 2,500 where p = 10,500 / 13,000. */
test('2 · fog: from which chance of coming through it is better to sail', () => {
  const t = tree(FOG)
  const { breakEven } = sensitivity(t, { of: 'chance', link: 'l3' }, [0, 1])
  expect(breakEven).toHaveLength(1)
  expect(breakEven[0]).toBeCloseTo(10_500 / 13_000, 12)
})

/** Knowing both: through and whatever else 5,000 (0.8); turned back, then wait: 0.2 × 2,500. 4,000 + 500 − 2,500 = 2,000. Told of
 *  coming through by somebody who is right in nine of ten: said so 0.74, then 0.72/0.74 × 5,000 − 0.02/0.74 × 8,000, that is
 *  3,600 − 160 = 3,440 in all; said not 0.26: wait, 650. 4,090 − 2,500 = 1,590. */
test('3 · fog: what it is worth to know, and to be told by somebody who errs', () => {
  const t = tree(FOG)
  expect(perfectInformation(t)).toBeCloseTo(2000, 9)
  expect(toldAbout(t, 'b', 1)).toBeCloseTo(2000, 9)
  expect(toldAbout(t, 'b', 0.9)).toBeCloseTo(1590, 9)
})

/** Half 1,000, half nothing, tolerance 1,000: −1,000 ln((e⁻¹ + 1) / 2) = 379.885… */
test('4 · a raffle ticket for somebody who does not like risk', () => {
  const t = tree('a chance Raffle; b outcome Prize | 1000 £; c outcome Nothing | 0 £; a>b 50%; a>c 50%')
  expect(certaintyEquivalent(t, 1000).get('a')).toBeCloseTo(379.8854930417, 8)
  expect(firstChoice(t)).toBeNull()
})

/** The textbook line: 6 an hour come to one window that serves 10 an hour. ρ = 0.6; W_q = ρ / (μ − λ) = 0.6 / 4 h = 9 min. */
test('5 · the ticket window, M/M/1', () => {
  expect(waitInLine(6 / 60, 6, 1)).toBeCloseTo(9, 12)
})

/** Two windows, 18 an hour, 5 minutes each: a = 1.5, ρ = 0.75. Erlang C = (a²/2 / (1 − ρ)) / (1 + a + a²/2 / (1 − ρ)) = 4.5 / 7 = 9/14;
 *  W_q = 9/14 × 5 / 0.5 = 45/7 min. */
test('6 · two windows, M/M/2', () => {
  expect(waitInLine(18 / 60, 5, 2)).toBeCloseTo(45 / 7, 10)
})

/** Moor 10, then unload 40 beside fuel 25 and clean 20 after it, then load 30: 10 + max(40, 45) + 30 = 85; unloading may slip by 5. */
test('7 · turning the ferry round, the critical path', () => {
  const found = networkOf(
    flow(
      'a step Moor ~ 10 min; b step Unload ~ 40 min; c step Fuel ~ 25 min; d step Clean ~ 20 min; e step Load ~ 30 min; a>>b; a>>c; c>d; b>>e; d>>e',
    ),
  )
  expect(found?.length).toBe(85)
  expect(found?.critical).toEqual(['a', 'c', 'd', 'e'])
  expect(found?.steps.get('b')?.slack).toBe(5)
})

/** A check that one car in five fails and goes round again: 1 / 0.8 = 1.25 checks of 4 min, and 1.25 − 1 repairs of 20 min: 5 + 5 = 10.
 *  With E N = 1.25, Var N = 0.2 / 0.64 = 0.3125 rounds of 24 min but for the last: Var = 24² × 0.3125 = 180. */
test('8 · the lashing check that goes round again', () => {
  const f = flow(
    'a step Check ~ 4 min; q question Tight?; b step Tighten ~ 20 min; d step Sail; a>q; q>d yes 80%; q>b no 20%; b>a',
  )
  const walk = walkThrough(f)
  expect(walk?.visits.get('a')).toBeCloseTo(1.25, 12)
  expect(walk?.time?.mean).toBeCloseTo(10, 12)
  expect(walk?.time?.variance).toBeCloseTo(180, 9)
})

/** 12 cars an hour: the purser 12 × 4 = 48 min of 60, 80 %; two hands 12 × 9 = 108 of 120, 90 %: they hold all up. */
test('9 · who is busiest at boarding', () => {
  const f = flow(
    'a step Check @Purser ~ 4 min; b step Lead aboard @Deck hands ~ 6 min; c step Lash @Deck hands ~ 3 min; a>b; b>c',
  )
  const walk = walkThrough(f)
  const found = walk && loads(f, walk, 12 / 60, new Map([['Deck hands', 2]]))
  expect(found?.map((l) => [l.actor, Math.round(l.busy * 1000) / 1000])).toEqual([
    ['Deck hands', 0.9],
    ['Purser', 0.8],
  ])
})

/** First aid 4, fire 4, both 2: Jaccard 2/6. Of 8 hands: two or more in both by chance: (C(4,2)C(4,2) + C(4,3)C(4,1) + 1) / C(8,4) = 53/70. */
test('10 · who is trained: two lists', () => {
  let count = 0
  const lists = [
    ['First aid', 'Fire'],
    ['Ana', 'Cai'],
    ['Ben', 'Dot'],
    ['Cai', 'Eli'],
    ['Dot', 'Fay'],
  ]
  const edit = setsOfLists(sketch('venn'), lists, () => `n${++count}`)
  const f = edit ? apply(sketch('venn'), edit).figure : sketch('venn')
  const regions = countedRegions(f)
  expect(regions.map((r) => r.count)).toEqual([2, 2, 2])
  expect(likeness(regions, 'n1', 'n2')).toBeCloseTo(2 / 6, 12)
  expect(surprise(8, 4, 4, 2)).toBeCloseTo(53 / 70, 12)
})

/** Safety three times as important as price, five times as comfort, price three times as comfort: λ = 3.0385, ratio 0.033; weights .637, .258,
 *  .105. The night boat: safe 1, cheap 0, comfortable 1; the day boat 0, 1, 0: .742 to .258; safety may fall until .105/(.258 + .105) of the rest
 *  outweighs it: 1 × t + .289 (1 − t) = .711 (1 − t), t = .297. */
test('11 · which boat: criteria compared two by two', () => {
  const found = byPairs(3, (i, k) => (i === 0 ? (k === 1 ? 3 : 5) : 3))
  expect(found?.weights.map((w) => Math.round(w * 1000) / 1000)).toEqual([0.637, 0.258, 0.105])
  expect(found?.ratio).toBeCloseTo(0.033, 3)
  const safe = turned([9, 6], false)
  const cheap = turned([40, 25], true)
  const soft = turned([8, 3], false)
  const marks = [0, 1].map((o) => [safe[o] ?? 0, cheap[o] ?? 0, soft[o] ?? 0])
  const result = ranked(marks, found?.weights ?? [])
  expect(result.best).toBe(0)
  expect(result.holds[0]?.[0]).toBeCloseTo(0.297, 3)
})

/** 60 + 40 cars and 20: 120 in all, the large boats 100/120. A loop of delay and complaints feeds itself; one and a half hours are 90 min. */
test('12 · the fleet summed up, a loop told, a time turned', () => {
  const sums = treeSums(
    sketch(
      'hierarchy; a item Fleet; b item Large; c item Teal | 60 cars; d item Tern | 40 cars; e item Skua | 20 cars; a>b; a>e; b>c; b>d',
    ),
  )
  expect(sums?.rows[1]).toMatchObject({ id: 'b', sum: 100, children: 2 })
  expect(sums?.rows[1]?.share).toBeCloseTo(100 / 120, 12)
  expect(loopsIn(sketch('concept; a concept Delay; b concept Complaints; a>b causes; b>a lengthen'))[0]?.is).toBe(
    'reinforcing',
  )
  expect(converted(quantityIn('1.5 h') ?? { low: 0, likely: 0, high: 0, unit: '' }, 'min')?.likely).toBe(90)
})
