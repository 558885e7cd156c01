/** `npm run train`, first half: learns what tells two things that a text compares (`contrastWeights.json`) from the passages of
 *  `passages.ts`: logistic regression over pairs of phrases with an L2 penalty, full batches. The right pairs and the wrong ones
 *  of a passage weigh the same. Prints five-fold cross-validation; the same input gives the same weights. */
import { writeFileSync } from 'node:fs'
import { pairsIn, nameOf, PAIR_FEATURES, viewOf } from '@/core/propose/contrast'
import { logistic } from '@/core/propose/logistic'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { foldOf, likeness, passages, wordsOf, type Passage } from './passages'

const PENALTY = 0.5
const ROUNDS = 800

type Row = { readonly features: readonly number[]; readonly right: boolean }
type Case = { readonly passage: Passage; readonly rows: readonly Row[]; readonly fold: number; readonly sets: boolean }

const lexicon = shippedLexicon()

function caseOf(passage: Passage): Case {
  const read = readText(passage.text, lexicon)
  const gold = (passage.sets ?? []).map(wordsOf)
  const meant = (label: string) =>
    gold.map((g, i) => ({ i, like: likeness(g, wordsOf(label)) })).toSorted((x, y) => y.like - x.like)[0]
  const rows = pairsIn(viewOf(read)).map((p): Row => {
    const [a, b] = [meant(nameOf(read, p.a).label), meant(nameOf(read, p.b).label)]
    return { features: p.features, right: (a?.like ?? 0) > 0 && (b?.like ?? 0) > 0 && a?.i !== b?.i }
  })
  return { passage, rows, fold: foldOf(passage.id), sets: gold.length > 1 }
}

const at = (w: readonly number[], f: readonly number[]): number => f.reduce((z, x, k) => z + x * (w[k] ?? 0), 0)

function train(cases: readonly Case[]): number[] {
  let weights = PAIR_FEATURES.map(() => 0)
  let speed = PAIR_FEATURES.map(() => 0)
  const rows = cases.flatMap((c) => {
    const right = c.rows.filter((r) => r.right).length
    return c.rows.map((r) => ({ ...r, weight: r.right ? 1 / right : 1 / (c.rows.length - right) }))
  })
  for (let round = 0; round < ROUNDS; round++) {
    const slope = weights.map((w, k) => (k === 0 ? 0 : PENALTY * w))
    for (const { features, right, weight } of rows) {
      const d = (logistic(at(weights, features)) - (right ? 1 : 0)) * weight
      features.forEach((x, k) => (slope[k]! += d * x))
    }
    speed = speed.map((s, k) => 0.9 * s - (0.5 / cases.length) * slope[k]!)
    weights = weights.map((w, k) => w + speed[k]!)
  }
  return weights
}

function report(name: string, cases: readonly Case[], weightsFor: (c: Case) => readonly number[]): void {
  const compared = cases.filter((c) => c.sets)
  const best = (c: Case) => c.rows.toSorted((x, y) => at(weightsFor(c), y.features) - at(weightsFor(c), x.features))[0]
  const found = compared.filter((c) => best(c)?.right).length
  const there = compared.filter((c) => c.rows.some((r) => r.right)).length
  console.log(
    `${name}: ${found} of ${compared.length} comparisons with the right two first; they are candidates in ${there}`,
  )
  const chance = (list: readonly Case[]) =>
    list.reduce((n, c) => n + logistic(at(weightsFor(c), best(c)?.features ?? [-1])), 0) / Math.max(1, list.length)
  console.log(
    `  mean chance of the best: ${chance(compared).toFixed(2)}, elsewhere ${chance(cases.filter((c) => !c.sets)).toFixed(2)}`,
  )
}

const cases = passages()
  .filter((p) => p.labels !== null)
  .map(caseOf)
const held = [0, 1, 2, 3, 4].map((k) => train(cases.filter((c) => c.fold !== k)))
for (const from of ['own', 'real'] as const)
  report(
    `${from}, held out`,
    cases.filter((c) => c.passage.from === from),
    (c) => held[c.fold] as number[],
  )
const weights = train(cases)
report('all, trained on', cases, () => weights)
writeFileSync(
  'src/core/propose/contrastWeights.json',
  JSON.stringify(Object.fromEntries(PAIR_FEATURES.map((f, k) => [f, Math.round(weights[k]! * 1e4) / 1e4])), null, 2) +
    '\n',
)
