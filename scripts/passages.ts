/** Passages with what a careful reader drew, from the corpus of the repository and, where it stands beside, from
 *  `../shared/corpus/real/develop.jsonl`: kinds and labels, as `score-real` counts them. */
import { existsSync, readFileSync } from 'node:fs'
import type { Figure } from '@/core/figure'
import { corpus } from '@/core/testing/corpus'
import { chapters } from '@/server/demoChapters'
import { patterns } from '@/server/services/patterns'

export type Passage = {
  readonly id: string
  readonly from: 'own' | 'real'
  readonly text: string
  /** The right kind first, then others that are right too. */
  readonly kinds: readonly string[]
  /** Of nodes; null where nobody has drawn them. */
  readonly labels: readonly string[] | null
  /** Of a comparison, what is compared. */
  readonly sets?: readonly string[]
}

const REAL = '../shared/corpus/real/develop.jsonl'

export const passages = (): Passage[] => [...own(), ...kindsAlone(), ...shipped(), ...real()]

const own = (): Passage[] =>
  corpus()
    .filter((g) => g.language === 'en')
    .map((g) => ({
      id: g.id,
      from: 'own',
      text: g.text,
      kinds: g.kinds,
      labels: Object.values(g.nodes),
      sets: g.kinds[0] === 'venn' ? [...new Set(g.links.map((l) => g.nodes[l.to] ?? ''))] : [],
    }))

/** Passages of which only the kind is known: `=== kind`, then the text. */
const kindsAlone = (): Passage[] =>
  ['prose', 'lists', 'guides'].flatMap((name) =>
    readFileSync(`corpus/kinds/${name}.list`, 'utf8')
      .split(/^=== /m)
      .slice(1)
      .map((p, i): Passage => {
        const [kind = '', ...lines] = p.split('\n')
        return {
          id: `kind-${name}-${i}`,
          from: 'own',
          text: lines.join('\n').trim(),
          kinds: kind.split(',').map((k) => k.trim()),
          labels: null,
        }
      }),
  )

/** What ships and has to read as it promises: the patterns of first texts, and the chapters of the demo. */
const shipped = (): Passage[] => [
  ...Object.entries(patterns).map(([name, row]): Passage => ({
    id: `pattern-${name}`,
    from: 'own',
    text: row.text('Boarding the ferry'),
    kinds: [row.readsAs],
    labels: null,
  })),
  ...chapters.flatMap((c) =>
    c.figures.map((f): Passage => ({
      id: `chapter-${f.title}`,
      from: 'own',
      text: c.text.slice(c.text.lastIndexOf('\n', c.text.indexOf(f.from)) + 1, c.text.indexOf(f.to) + f.to.length),
      kinds: [f.kind],
      labels: null,
    })),
  ),
]

type Gold = {
  readonly steps?: readonly string[]
  readonly decisions?: readonly {
    readonly question: string
    readonly branches: readonly { readonly leads_to: string }[]
  }[]
  readonly root?: string
  readonly edges?: readonly (readonly [string, string])[]
  readonly links?: readonly (readonly [string, string, string])[]
  readonly sets?: readonly string[]
  readonly only?: Readonly<Record<string, readonly string[]>>
  readonly shared?: readonly { readonly items: readonly string[] }[]
  readonly question?: string
  readonly options?: readonly string[]
  readonly conditions?: readonly (readonly [string, string])[]
  readonly points?: readonly { readonly heading: string; readonly detail?: string }[]
}

const labelsOf = (g: Gold): string[] =>
  [
    ...(g.steps ?? []),
    ...(g.decisions ?? []).flatMap((d) => [d.question, ...d.branches.map((b) => b.leads_to)]),
    g.root ?? '',
    ...(g.edges ?? []).flat(),
    ...(g.links ?? []).flatMap(([a, , b]) => [a, b]),
    ...(g.sets ?? []),
    ...Object.values(g.only ?? {}).flat(),
    ...(g.shared ?? []).flatMap((s) => s.items),
    g.question ?? '',
    ...(g.options ?? []),
    ...(g.conditions ?? []).flat(),
    ...(g.points ?? []).flatMap((p) => [p.heading, p.detail ?? '']),
  ].filter((s) => s !== '')

function real(): Passage[] {
  if (!existsSync(REAL)) return []
  return readFileSync(REAL, 'utf8')
    .split('\n')
    .filter((l) => l.trim() !== '')
    .map((l) => JSON.parse(l) as { id: string; text: string; kind: string; also?: string[]; gold: Gold })
    .map((c) => ({
      id: c.id,
      from: 'real',
      text: c.text,
      kinds: [c.kind, ...(c.also ?? [])],
      labels: labelsOf(c.gold),
      sets: c.gold.sets ?? [],
    }))
}

/** Which of so many parts a passage is held out in; depends on its id alone. */
export const foldOf = (id: string, folds = 5): number =>
  [...id].reduce((h, c) => Math.imul(h ^ (c.codePointAt(0) as number), 0x01000193) >>> 0, 0x811c9dc5) % folds

/** A text without its first line and without its last quarter; of one paragraph, without so many sentences. */
export function variantsOf(text: string): string[] {
  const lines = text.split('\n')
  const full = lines.filter((l) => l.trim() !== '').length
  const parts = full > 3 ? lines : text.split(/(?<=[.!?])\s+/)
  const glue = full > 3 ? '\n' : ' '
  const count = parts.filter((l) => l.trim() !== '').length
  if (count < 4) return []
  const first = parts.findIndex((l) => l.trim() !== '')
  let seen = 0
  const kept = parts.filter((l) => l.trim() === '' || seen++ < Math.ceil(count * 0.75))
  return [parts.slice(first + 1).join(glue), kept.join(glue)].map((t) => t.trim())
}

const STOP = new Set(
  'a an and are as at be been but by can could did do does for from had has have he her his i if in into is it its may might must my no not of on or our she should so than that the their them then there these they this those to was we were what when which who will with would you your'.split(
    ' ',
  ),
)
export const wordsOf = (s: string): Set<string> => {
  const all =
    s
      .toLowerCase()
      .replace(/[’']/g, '')
      .match(/[\p{L}\p{N}]+/gu) ?? []
  const content = all.filter((w) => !STOP.has(w))
  return new Set(
    (content.length > 0 ? content : all).map((w) => (w.length > 3 && /[^s]s$/.test(w) ? w.slice(0, -1) : w)),
  )
}
export function likeness(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  const shared = [...a].filter((w) => b.has(w)).length
  if (shared === 0) return 0
  const jaccard = shared / (a.size + b.size - shared)
  if (jaccard >= 0.5) return jaccard
  return shared === Math.min(a.size, b.size) && shared / Math.max(a.size, b.size) >= 0.2 ? jaccard : 0
}

/** F1 of a figure's labels against those of the gold, one to one, best pairs first. */
export function nodeScore(gold: readonly string[], figure: Figure): number {
  const drawn = Object.values(figure.nodes).flatMap((n) =>
    n.detail && figure.kind === 'points' ? [n.text, n.detail] : [n.text],
  )
  const arms = figure.kind === 'decision' ? Object.values(figure.links).flatMap((l) => l.text ?? []) : []
  const distinct = (list: readonly string[]) => [
    ...new Map(list.map((s) => [[...wordsOf(s)].toSorted().join(' '), wordsOf(s)])).values(),
  ]
  const [g, d] = [distinct(gold), distinct([...drawn, ...arms])]
  const pairs = g
    .flatMap((a, i) => d.map((b, j) => ({ i, j, like: likeness(a, b) })))
    .filter((p) => p.like > 0)
    .toSorted((a, b) => b.like - a.like || a.i - b.i || a.j - b.j)
  const [usedG, usedD] = [new Set<number>(), new Set<number>()]
  for (const p of pairs)
    if (!usedG.has(p.i) && !usedD.has(p.j)) {
      usedG.add(p.i)
      usedD.add(p.j)
    }
  return g.length + d.length === 0 ? 0 : (2 * usedG.size) / (g.length + d.length)
}
