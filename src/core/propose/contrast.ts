/** Which two things a running text sets against each other. Candidates are the noun phrases that come again; what tells a
 *  pair is learned (`contrastWeights.json`, `scripts/trainContrasts.ts`): clauses about the one and clauses about the other,
 *  "A and B", "while B", the same noun behind both. */
import { keyOf, type Named, type Predication, type ReadText } from '../reading'
import { capital, contentWords, slice, type Span } from '../text'
import { logistic } from './logistic'
import weights from './contrastWeights.json' with { type: 'json' }

/** A thing that is named more than once. */
export type Candidate = {
  readonly key: string
  readonly words: readonly string[]
  readonly places: readonly Span[]
  /** Which predications have it as their subject, or go on about it. */
  readonly about: ReadonlySet<number>
}
export type Pair = {
  readonly a: Candidate
  readonly b: Candidate
  readonly features: readonly number[]
  readonly chance: number
}

/** Nouns that name nothing to be compared. */
const VAGUE =
  /^(?:thing|way|kind|sort|time|day|week|month|year|people|example|case|same|other|one|two|three|lot|part|number|term|word)$/
const MOST = 16
export const PAIR_FEATURES = [
  'bias',
  'about each',
  'about either',
  'about both',
  'joined',
  'set apart',
  'in turn',
  'share a word',
  'opposites',
  'alike told',
  'defined each',
  'titled both',
  'titled one',
  'as often',
  'often',
  'first late',
  'same shape',
  'opens paragraphs',
  'words',
] as const

/** A text as pairs are looked at in it. */
export type View = {
  readonly read: ReadText
  readonly said: readonly Predication[]
  /** Stems of the words that each predication says. */
  readonly stems: readonly (readonly string[])[]
  /** Words of the title. */
  readonly title: readonly string[]
}
export function viewOf(read: ReadText): View {
  const said = read.predications.flat().slice(0, MOST_SAID)
  const stems = said.map((p) => contentWords(read.text, p.said).map((w) => w.stem))
  const title = keyOf(read.outline.title ? slice(read.text, read.outline.title) : '').split(' ')
  return { read, said, stems, title }
}
/** What comes after so much is another passage. */
const MOST_SAID = 400
const MOST_NAMED = 1500
const MOST_KEYS = 80

/** Words that say both are meant. */
export const SHARED =
  /\b(?:both|either|neither|same|alike|share[sd]?|common|similar(?:ly)?|all three|each of (?:them|the)|beide|ambos)\b/i
/** Stand between two things that belong side by side, and between two that are held apart. */
const JOINS = {
  joined: /(?:^|\s)(?:and|or|&|und|oder|y|o)\s/i,
  apart: /(?:^|\s)(?:vs\.?|versus|than|unlike|like|whereas|while|but|not|from|to|als|que)\s/i,
}

export function candidatesIn({ read, said }: View): Candidate[] {
  const byKey = new Map<string, { words: string[]; places: Span[] }>()
  const add = (words: string[], place: Span): void => {
    const key = words.join(' ')
    const known = byKey.get(key) ?? { words, places: [] }
    known.places.push(place)
    byKey.set(key, known)
  }
  for (const p of read.phrases.slice(0, MOST_NAMED)) {
    const words = p.key.split(' ').filter((w) => w !== '')
    if (VAGUE.test(words.at(-1) ?? '')) continue
    for (let from = 0; from < words.length; from++) {
      const start = p.starts[words.length - 1 - from] ?? p.start
      add(words.slice(from), { start, end: p.end })
      if (from === 0 && words.length > 1 && p.starts.length === words.length)
        add([words[0] as string], { start: p.start, end: p.end })
    }
  }
  const all = [...byKey.values()]
    .filter((c) => c.places.length > 1)
    .toSorted((x, y) => y.places.length - x.places.length)
    .slice(0, MOST_KEYS)
  // "outlier detection" wherever "outlier" stands: the longer name.
  const kept = all.filter(
    (c) =>
      !all.some(
        (o) => o.words.length > c.words.length && o.places.length === c.places.length && holds(o.words, c.words),
      ),
  )
  return kept
    .map(({ words, places }): Candidate => ({
      key: words.join(' '),
      words,
      places,
      about: aboutOf(read, said, places),
    }))
    .toSorted((x, y) => weightOf(y) - weightOf(x) || (x.key < y.key ? -1 : 1))
    .slice(0, MOST)
}
const weightOf = (c: Candidate): number => 2 * c.about.size + c.places.length
const holds = (long: readonly string[], short: readonly string[]): boolean => short.every((w) => long.includes(w))
/** Point at nothing that was named. */
const US = /^(?:you|we|i|one)$/i
const inside = (p: Span, s: Span): boolean => p.start >= s.start && p.end <= s.end

/** Predications with a place in their subject or the phrase in front, and those behind them that only point back. */
function aboutOf(read: ReadText, said: readonly Predication[], places: readonly Span[]): Set<number> {
  const out = new Set<number>()
  said.forEach((p, i) => {
    const lead = [p.subject, p.front].filter((s): s is Span => s !== null)
    const named = lead.some((s) => places.some((x) => inside(x, s)))
    const us = p.subject !== null && US.test(slice(read.text, p.subject))
    const goesOn = p.pointing && !us && out.has(i - 1) && !SHARED.test(slice(read.text, p))
    if (named || goesOn) out.add(i)
  })
  return out
}

/** The two things most likely set against each other, likeliest first. */
export function pairsIn(view: View, all: readonly Candidate[] = candidatesIn(view)): Pair[] {
  // A thing is not compared with its own kind: "day ticket", "ticket".
  const apart = (a: Candidate, b: Candidate) => !holds(a.words, b.words) && !holds(b.words, a.words)
  const pairs = all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .filter((b) => apart(a, b))
      .map((b) => ({ a, b, features: pairFeatures(view, a, b) })),
  )
  return pairs
    .map((p): Pair => ({ ...p, chance: chanceOf(p.features) }))
    .toSorted((x, y) => y.chance - x.chance || (x.a.key + x.b.key < y.a.key + y.b.key ? -1 : 1))
}

/** The things a text compares, likeliest first: two, and a third that is likely with either. Empty where nothing comes again. */
export function contrastsIn(read: ReadText): readonly Contrast[] {
  const known = found.get(read)
  if (known) return known
  const view = viewOf(read)
  const all = candidatesIn(view)
  const pairs = pairsIn(view, all)
  const contrasts = pairs
    .filter((p) => p.chance >= LEAST)
    .slice(0, MOST_TRIED)
    .map((best) => ({ things: inOrder(withThird(best, pairs, all)), chance: best.chance }))
  found.set(read, contrasts)
  return contrasts
}
/** Asked for by the figure and by the features of the kind. */
const found = new WeakMap<ReadText, readonly Contrast[]>()
export type Contrast = { readonly things: readonly Candidate[]; readonly chance: number }

function withThird(best: Pair, pairs: readonly Pair[], all: readonly Candidate[]): readonly Candidate[] {
  const likely = (x: Candidate, y: Candidate) =>
    pairs.find((p) => (p.a === x && p.b === y) || (p.a === y && p.b === x))?.chance ?? 0
  const [third] = all
    .filter((c) => ![best.a, best.b].some((t) => holds(t.words, c.words) || holds(c.words, t.words)))
    .map((c) => ({ c, chance: Math.min(likely(best.a, c), likely(best.b, c)) }))
    .toSorted((x, y) => y.chance - x.chance)
  return third && third.chance > THIRD * best.chance ? [best.a, best.b, third.c] : [best.a, best.b]
}
const inOrder = (things: readonly Candidate[]): readonly Candidate[] =>
  things.toSorted((x, y) => (x.places[0]?.start ?? 0) - (y.places[0]?.start ?? 0))
const MOST_TRIED = 4
const LEAST = 0.05
const THIRD = 0.4

const upTo = (n: number, most: number): number => Math.min(n, most) / most
const yes = (b: boolean): number => (b ? 1 : 0)

export function pairFeatures(view: View, a: Candidate, b: Candidate): number[] {
  const { read, said, title } = view
  const onlyA = [...a.about].filter((i) => !b.about.has(i))
  const onlyB = [...b.about].filter((i) => !a.about.has(i))
  const [least, most] = [Math.min(a.places.length, b.places.length), Math.max(a.places.length, b.places.length)]
  const late = Math.max(a.places[0]?.start ?? 0, b.places[0]?.start ?? 0) / Math.max(1, read.text.length)
  return [
    1,
    upTo(Math.min(onlyA.length, onlyB.length), 3),
    (onlyA.length + onlyB.length) / Math.max(1, said.length),
    upTo([...a.about].filter((i) => b.about.has(i)).length, 2),
    upTo(joinedTimes(read, a, b, JOINS.joined), 3),
    upTo(joinedTimes(read, a, b, JOINS.apart), 3),
    upTo(inTurn(onlyA, onlyB), 2),
    yes(a.words.some((w) => b.words.includes(w))),
    yes(opposed(a, b)),
    alikeTold(view, onlyA, onlyB, [...a.words, ...b.words]),
    yes([onlyA, onlyB].every((list) => list.some((i) => said[i]?.is))),
    yes(holds(title, a.words) && holds(title, b.words)),
    yes(holds(title, a.words) !== holds(title, b.words)),
    least / most,
    upTo(least, 5),
    late,
    yes(shapeOf(read, a) === shapeOf(read, b)),
    yes(opens(read, a) && opens(read, b)),
    upTo(Math.min(a.words.length, b.words.length) - 1, 1),
  ]
}

/** How often they stand beside each other, joined: "A and B", "rather than B". */
function joinedTimes({ text }: ReadText, a: Candidate, b: Candidate, by: RegExp): number {
  let times = 0
  for (const p of a.places)
    for (const q of b.places) {
      const [x, y] = p.start < q.start ? [p, q] : [q, p]
      if (y.start <= x.end || y.start - x.end > FARTHEST) continue
      const gap = slice(text, { start: x.end, end: y.start })
      if (!/[.!?;]\s/.test(gap) && by.test(`${gap} `)) times++
    }
  return times
}
const FARTHEST = 40

/** How often a clause about the one follows a clause about the other. */
function inTurn(onlyA: readonly number[], onlyB: readonly number[]): number {
  const next = (from: readonly number[], to: readonly number[]) => from.filter((i) => to.includes(i + 1)).length
  return next(onlyA, onlyB) + next(onlyB, onlyA)
}

/** "local" and "global", "privileged" and "unprivileged": one ending, or one with something in front. */
function opposed(a: Candidate, b: Candidate): boolean {
  const [x, y] = [a.words[0] as string, b.words[0] as string]
  if (x === y) return false
  const inFront = (long: string, short: string) =>
    long.endsWith(short) && long.length - short.length < 6 && short.length > 3
  return inFront(x, y) || inFront(y, x) || (x.length > 6 && y.length > 6 && x.slice(-5) === y.slice(-5))
}

/** Of the words told of the one, the share that is told of the other, too. */
function alikeTold(
  { stems }: View,
  onlyA: readonly number[],
  onlyB: readonly number[],
  own: readonly string[],
): number {
  const wordsIn = (list: readonly number[]) =>
    new Set(list.flatMap((i) => stems[i] ?? []).filter((w) => !own.includes(w)))
  const [wa, wb] = [wordsIn(onlyA), wordsIn(onlyB)]
  const both = [...wa].filter((w) => wb.has(w)).length
  return both === 0 ? 0 : both / Math.min(wa.size, wb.size)
}

const shapeOf = (read: ReadText, c: Candidate): string => {
  const words = slice(read.text, c.places.at(-1) as Span)
  return /^[\p{Lu}\d]{2,}/u.test(words)
    ? 'letters'
    : /^\p{Lu}/u.test(words)
      ? 'name'
      : /s$/.test(words)
        ? 'several'
        : 'one'
}

const opens = (read: ReadText, c: Candidate): boolean =>
  read.blocks.some((b) => c.places.some((p) => p.start >= b.span.start && p.start < b.span.start + 30))

const chanceOf = (features: readonly number[]): number =>
  logistic(
    PAIR_FEATURES.reduce(
      (n, name, k) => n + ((weights as Readonly<Record<string, number>>)[name] ?? 0) * (features[k] ?? 0),
      0,
    ),
  )

/** The name of a thing as it stands where it stands first. */
export function nameOf(read: ReadText, c: Candidate): Named {
  const span = c.places[0] as Span
  return { label: capital(slice(read.text, span)), key: keyOf(slice(read.text, span)), span, pronoun: null }
}
