/** `npm run train`, second half: learns which kind a passage is (`kindWeights.json`) from the passages of `passages.ts`:
 *  softmax regression with an L2 penalty, full batches, Nesterov's momentum; then how sure a first reading is (right kind,
 *  and nodes of .7), by logistic regression over held-out chances. Prints five-fold cross-validation; the same input gives
 *  the same weights. */
import { writeFileSync } from 'node:fs'
import { figureKinds } from '@/core/figure'
import { kindFeatures, type Features } from '@/core/propose/kindFeatures'
import { logistic } from '@/core/propose/logistic'
import { builtOf, readingsOf } from '@/core/propose/propose'
import { SURE_FEATURES, sureFeatures } from '@/core/propose/rank'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { foldOf, nodeScore, passages, variantsOf, type Passage } from './passages'

const classes = [...figureKinds, 'none'] as const
/** Words are features when so many passages have them, and words of titles when so many have. */
const FEWEST = { word: 10, title: 4 }
const PENALTY = { word: 1.5, title: 4, other: 1 }
/** Of a passage that lacks its first or its last lines. */
const VARIANT_WEIGHT = 0.3
const ROUNDS = 600

type Case = {
  readonly passage: Passage
  readonly features: Features
  readonly target: readonly number[]
  readonly weight: number
  readonly fold: number
}

function targetOf(kinds: readonly string[]): number[] {
  const right = kinds.filter((k) => (classes as readonly string[]).includes(k))
  return classes.map((k) =>
    k === right[0] ? (right.length > 1 ? 0.65 : 1) : right.includes(k) ? 0.35 / (right.length - 1) : 0,
  )
}

type Model = { readonly names: readonly string[]; readonly weights: readonly Float64Array[] }

function namesIn(cases: readonly Case[]): string[] {
  const count = new Map<string, number>()
  for (const c of cases) for (const f of Object.keys(c.features)) count.set(f, (count.get(f) ?? 0) + 1)
  return [...count]
    .filter(
      ([f, n]) =>
        n >=
        (f.startsWith('word ') ? FEWEST.word : f.startsWith('title ') ? FEWEST.title : f.startsWith('head ') ? 3 : 5),
    )
    .map(([f]) => f)
    .toSorted()
}

function softmax(z: readonly number[]): number[] {
  const most = Math.max(...z)
  const e = z.map((v) => Math.exp(v - most))
  const sum = e.reduce((a, b) => a + b, 0)
  return e.map((v) => v / sum)
}

function train(cases: readonly Case[]): Model {
  const names = namesIn(cases)
  const at = new Map(names.map((n, i) => [n, i]))
  const rows = cases.map((c) =>
    Object.entries(c.features).flatMap(([n, v]) => (at.has(n) && v !== 0 ? [[at.get(n) as number, v] as const] : [])),
  )
  const penalty = names.map((n) =>
    n.startsWith('word ') ? PENALTY.word : n.startsWith('title ') ? PENALTY.title : PENALTY.other,
  )
  const D = names.length + 1
  const weights = classes.map(() => new Float64Array(D))
  const speed = classes.map(() => new Float64Array(D))
  const total = cases.reduce((n, c) => n + c.weight, 0)
  const rate = 0.05
  for (let round = 0; round < ROUNDS; round++) {
    const slope = classes.map(() => new Float64Array(D))
    const ahead = weights.map((w, k) => w.map((v, i) => v + 0.9 * (speed[k] as Float64Array)[i]!))
    cases.forEach((c, r) => {
      const row = rows[r] as (readonly [number, number])[]
      const p = softmax(ahead.map((w) => row.reduce((s, [i, v]) => s + (w[i] as number) * v, w[D - 1] as number)))
      p.forEach((v, k) => {
        const d = (v - (c.target[k] as number)) * c.weight
        const g = slope[k] as Float64Array
        for (const [i, x] of row) g[i]! += d * x
        g[D - 1]! += d
      })
    })
    weights.forEach((w, k) => {
      const [g, s, a] = [slope[k], speed[k], ahead[k]] as Float64Array[]
      for (let i = 0; i < D; i++) {
        const gradient = (g![i]! + (i < D - 1 ? (penalty[i] as number) * a![i]! : 0)) / total
        s![i] = 0.9 * s![i]! - rate * gradient * 4
        w[i]! += s![i]!
      }
    })
  }
  return { names, weights }
}

function chances(model: Model, features: Features): number[] {
  const z = model.weights.map((w) => w.at(-1) as number)
  model.names.forEach((n, i) => {
    const v = features[n]
    if (v) model.weights.forEach((w, k) => (z[k]! += (w[i] as number) * v))
  })
  return softmax(z)
}

const lexicon = shippedLexicon()
const all = passages()
const reads = all.map((p) => readText(p.text, lexicon))
const builts = reads.map((r) => builtOf(r))
const cases: Case[] = all.map((passage, i) => ({
  passage,
  features: kindFeatures(reads[i]!, builts[i]!),
  target: targetOf(passage.kinds),
  weight: 1,
  fold: foldOf(passage.id),
}))
/** The same passages with less about them: what they are does not hang on a title or a last line. */
const variants: Case[] = all.flatMap((passage, i) =>
  variantsOf(passage.text).map((text) => {
    const read = readText(text, lexicon)
    return { ...cases[i]!, features: kindFeatures(read, builtOf(read)), weight: VARIANT_WEIGHT }
  }),
)
console.log(`${all.length} passages, ${all.filter((p) => p.from === 'real').length} by others`)

const held: number[][] = []
for (let fold = 0; fold < 5; fold++) {
  const model = train([...cases, ...variants].filter((c) => c.fold !== fold))
  cases.forEach((c, i) => {
    if (c.fold === fold) held[i] = chances(model, c.features)
  })
}
const right = (i: number): boolean => {
  const p = held[i] as number[]
  const best = classes[p.indexOf(Math.max(...p.slice(0, -1)))] as string
  return all[i]!.kinds.includes(best)
}
for (const from of ['own', 'real'] as const) {
  const of = all.map((_, i) => i).filter((i) => all[i]!.from === from && all[i]!.kinds[0] !== 'none')
  const loss =
    of.reduce((n, i) => n - Math.log(cases[i]!.target.reduce((s, t, k) => s + (t > 0 ? held[i]![k]! : 0), 0)), 0) /
    of.length
  console.log(`${from}: kind right in ${(of.filter(right).length / of.length).toFixed(3)}, loss ${loss.toFixed(3)}`)
  for (const k of figureKinds) {
    const own = of.filter((i) => all[i]!.kinds[0] === k)
    console.log(`  ${k.padEnd(10)} ${own.length}  ${(own.filter(right).length / Math.max(1, own.length)).toFixed(2)}`)
  }
}

/** How sure: over held-out chances, for the reading that would come first. */
const sure = all.map((p, i) => {
  const order = classes.map((k, n) => [k, held[i]![n]!] as const).filter(([k]) => k !== 'none' && builts[i]!.has(k))
  const [best] = order.toSorted((a, b) => b[1] - a[1])
  if (!best || p.labels === null) return null
  const kind = best[0] as (typeof figureKinds)[number]
  const { figure, coverage } = readingsOf(reads[i]!, builts[i]!).find((r) => r.kind === kind)!
  const good = p.kinds.includes(kind) && nodeScore(p.labels, figure) >= 0.7
  return {
    x: sureFeatures(
      reads[i]!,
      kind,
      new Map(classes.map((k, n) => [k, held[i]![n]!])),
      builts[i]!.get(kind)!,
      coverage,
    ),
    good,
    fold: cases[i]!.fold,
    from: p.from,
  }
})
type Sure = NonNullable<(typeof sure)[number]>
function learnSure(of: readonly Sure[]): number[] {
  const w = SURE_FEATURES.map(() => 0)
  for (let round = 0; round < 3000; round++) {
    const g = w.map((v) => 0.5 * v)
    for (const s of of) {
      const z = w.reduce((n, v, k) => n + v * s.x[k]!, 0)
      const d = (logistic(z) - (s.good ? 1 : 0)) * (s.from === 'own' ? 0.3 : 1)
      g.forEach((_, k) => (g[k]! += d * s.x[k]!))
    }
    w.forEach((_, k) => (w[k]! -= (0.5 * g[k]!) / of.length))
  }
  return w
}
const known = sure.filter((s): s is Sure => s !== null)
const scored = [0, 1, 2, 3, 4].flatMap((fold) => {
  const w = learnSure(known.filter((x) => x.fold !== fold))
  return known
    .filter((x) => x.fold === fold)
    .map((s) => ({ s, p: logistic(w.reduce((n, v, k) => n + v * s.x[k]!, 0)) }))
})
for (const from of ['own', 'real'] as const) {
  const of = scored.filter((x) => x.s.from === from)
  console.log(`${from}: good ${(of.filter((x) => x.s.good).length / of.length).toFixed(2)}`)
  for (const t of [0.3, 0.4, 0.5, 0.6, 0.7, 0.8]) {
    const above = of.filter((x) => x.p >= t)
    console.log(
      `  above ${t}: ${above.length} of ${of.length}, good ${(above.filter((x) => x.s.good).length / Math.max(1, above.length)).toFixed(2)}`,
    )
  }
}

const model = train([...cases, ...variants])
const round = (v: number): number => Math.round(v * 1000) / 1000
writeFileSync(
  'src/core/propose/kindWeights.json',
  JSON.stringify({
    notes: 'Made by npm run train; see scripts/trainKinds.ts. Columns: ' + classes.join(', '),
    kinds: Object.fromEntries([
      ...model.names
        .map((n, i) => [n, model.weights.map((w) => round(w[i]!))] as const)
        .filter(([, row]) => row.some((v) => Math.abs(v) >= 0.02)),
      ['bias', model.weights.map((w) => round(w.at(-1)!))],
    ]),
    sure: Object.fromEntries(learnSure(known).map((w, k) => [SURE_FEATURES[k]!, round(w)])),
  }),
)
