/** A folio: what its figures and its text have to say of each other. */
import { all, rename, type Edit } from '../document'
import {
  figureNumberWords,
  labelsOf,
  languagesOf,
  wordingState,
  type Figure,
  type FigureId,
  type FigureNode,
} from '../figure'
import { said, words, type Words } from '../words'
import { grouped, mend, plain, shortly, type Found, type Looked, type Severity } from './rule'

/** A folio as a proof looks at it: its text, and its figures in the order of the text. */
export type Folio = {
  readonly text: string
  readonly figures: readonly Looked[]
  /** What the words say now that each figure was read from; null where they are gone. */
  readonly passages: ReadonlyMap<FigureId, string | null>
  /** What its passage reads as now, of the same kind; null where nobody has read it. */
  readonly readAs?: (figure: FigureId) => Figure | null
  /** What a glossary explains. */
  readonly terms: readonly string[]
}
export type FolioFound = Found & {
  /** Null for what is wrong with the text. */
  readonly figure: FigureId | null
  /** What it is about, where parts do not say it. */
  readonly about?: string
}
export type FolioRule = {
  readonly id: string
  readonly name: Words
  readonly severity: Severity
  readonly find: (folio: Folio) => readonly FolioFound[]
}

const mentions = (folio: Folio): ReadonlySet<number> => {
  const names = [...new Set(folio.figures.flatMap((c) => figureNumberWords(c.figure.language)))]
  if (names.length === 0) return new Set()
  const pattern = new RegExp(
    `(?:${names.join('|')})\\s+(\\d{1,3})(?:\\s*(?:[–-]|and|und|,)\\s*(\\d{1,3}))?(?![\\p{L}\\d])`,
    'giu',
  )
  return new Set(
    [...folio.text.matchAll(pattern)].flatMap(([, a, b]) =>
      [a, b].flatMap((n) => (n === undefined ? [] : [Number(n)])),
    ),
  )
}

/** Where a text speaks of its figures by number, it speaks of all of them. */
function unmentioned(folio: Folio): FolioFound[] {
  const spokenOf = mentions(folio)
  if (spokenOf.size === 0) return []
  return folio.figures.flatMap((c, i) =>
    spokenOf.has(i + 1)
      ? []
      : [
          {
            figure: c.figure.id,
            parts: [],
            says: said('The text does not speak of figure {number}.', { number: i + 1 }),
          },
        ],
  )
}

const figureless = (folio: Folio): FolioFound[] =>
  folio.figures.length === 0
    ? []
    : [...mentions(folio)]
        .filter((n) => n > folio.figures.length || n === 0)
        .map((number) => ({
          figure: null,
          parts: [],
          about: String(number),
          says: said('The text speaks of figure {number}; there are {count}.', { number, count: folio.figures.length }),
        }))

/** Some figures of a folio with a line that the others lack. */
const lacking =
  (field: 'title' | 'caption' | 'sourceLine' | 'altText', say: (n: number) => ReturnType<typeof said>) =>
  (folio: Folio): FolioFound[] => {
    const bare = folio.figures.filter((c) => !c.figure[field]?.trim())
    if (folio.figures.length < 3 || bare.length === 0 || bare.length * 2 >= folio.figures.length) return []
    return bare.map((c) => ({ figure: c.figure.id, parts: [], says: say(folio.figures.length - bare.length) }))
  }

const drifted = (folio: Folio): FolioFound[] =>
  folio.figures.flatMap(({ figure }) => {
    const now = folio.passages.get(figure.id)
    if (figure.passage === null || now === undefined) return []
    if (now === null)
      return [{ figure: figure.id, parts: [], says: said('The words it was read from are no longer in the text.') }]
    const { start, end } = figure.passage
    if (plain(now) === plain(figure.wasRead.text.slice(start, end))) return []
    return [{ figure: figure.id, parts: [], says: said('The text has changed since it was read.') }]
  })

/** Members that the text puts into other sets than the figure does; sets and members are known by their words. */
const otherwise = (folio: Folio): FolioFound[] =>
  folio.figures.flatMap(({ figure, nodes }) => {
    const read = figure.kind === 'venn' ? (folio.readAs?.(figure.id) ?? null) : null
    if (!read) return []
    const named = (f: Figure, n: FigureNode | undefined) =>
      (n?.memberOf ?? []).map((s) => plain(f.nodes[s]?.text ?? '')).toSorted()
    const setOf = new Map(nodes.filter((n) => n.role === 'set').map((n) => [plain(n.text), n.id]))
    return nodes.flatMap((n): FolioFound[] => {
      const there = Object.values(read.nodes).find((m) => m.role === 'member' && plain(m.text) === plain(n.text))
      const sets = named(read, there)
      if (n.role !== 'member' || !there || sets.some((s) => !setOf.has(s))) return []
      if (sets.join('|') === named(figure, n).join('|')) return []
      const memberOf = [...setOf].flatMap(([words, id]) => (sets.includes(words) ? [id] : []))
      return [
        {
          figure: figure.id,
          parts: [n.id],
          says: said('“{member}”: the text puts it into {sets}.', {
            member: shortly(n.text),
            sets: memberOf.map((id) => `“${shortly(figure.nodes[id]?.text ?? '')}”`),
          }),
          mends: [mend(figure, said('As the text has it'), { do: 'setNode', id: n.id, set: { memberOf, held: null } })],
        },
      ]
    })
  })

const untranslated = (folio: Folio): FolioFound[] =>
  folio.figures.flatMap(({ figure }) =>
    languagesOf(figure).flatMap((language) => {
      const open = labelsOf(figure).filter((l) => ['missing', 'stale'].includes(wordingState(figure, language, l)))
      if (open.length === 0) return []
      const parts = open.flatMap((l) => /^[nl]:([^:]+)/.exec(l.key)?.[1] ?? [])
      return [
        {
          figure: figure.id,
          parts: [...new Set(parts)],
          about: language,
          says: said(
            '{count, plural, one {One label is} other {# labels are}} not yet in the language “{language}”, or of other words now.',
            {
              count: open.length,
              language,
            },
          ),
        },
      ]
    }),
  )

/** A name in a figure: a node that is a thing, or who acts. */
type Name = {
  readonly words: string
  readonly figure: FigureId
  readonly part: string
  readonly set: (words: string) => Edit
}
const THINGS: readonly FigureNode['role'][] = ['concept', 'item', 'set', 'member', 'option', 'assistant']

const namesIn = ({ figure, nodes }: Looked): Name[] =>
  nodes.flatMap((n) => [
    ...(THINGS.includes(n.role) && n.text.trim().split(/\s+/).length <= 4
      ? [{ words: n.text.trim(), figure: figure.id, part: n.id, set: (text: string) => rename(n.id, text) }]
      : []),
    ...(n.actor?.trim()
      ? [
          {
            words: n.actor.trim(),
            figure: figure.id,
            part: n.id,
            set: (actor: string): Edit => ({ do: 'setNode', id: n.id, set: { actor } }),
          },
        ]
      : []),
  ])

/** Names are of one thing where they differ in capitals, hyphens, spaces, an article, or a plural. */
const sameThing = (name: string): string =>
  plain(name)
    .replace(/^(?:the|a|an|der|die|das|ein|eine) /, '')
    .replace(/ /g, '')
    .replace(/(?<=[^s\W]{3})s$/u, '')

/** The same but for the first letter, which a sentence may have raised, is the same name. */
const asWritten = (name: string): string => name.slice(0, 1).toLowerCase() + name.slice(1)

function twoNames(folio: Folio): FolioFound[] {
  const names = folio.figures.flatMap(namesIn)
  return grouped(names, (n) => sameThing(n.words)).flatMap((group): FolioFound[] => {
    const ways = grouped(group, (n) => asWritten(n.words)).toSorted((a, b) => b.length - a.length)
    const [most, ...others] = ways
    if (!most || others.length === 0 || sameThing(most[0]?.words ?? '') === '') return []
    const odd = others.flat()
    return [
      {
        figure: odd[0]?.figure ?? null,
        parts: odd.filter((n) => n.figure === odd[0]?.figure).map((n) => n.part),
        about: sameThing(most[0]?.words ?? ''),
        says: said('One thing under {count} names: {names}.', {
          count: ways.length,
          names: ways.map((w) => `“${shortly(w[0]?.words ?? '')}”`),
        }),
        mends: ways.map((w) => calledEverywhere(group, w[0]?.words ?? '')),
      },
    ]
  })
}

function calledEverywhere(group: readonly Name[], name: string) {
  const wrong = group.filter((n) => asWritten(n.words) !== asWritten(name))
  const capital = (n: Name) => (/^\p{Lu}/u.test(n.words) ? name.slice(0, 1).toUpperCase() + name.slice(1) : name)
  return {
    says: said('Call it “{name}” everywhere', { name }),
    edits: grouped(wrong, (n) => n.figure).map((own) => ({
      figure: own[0]?.figure ?? '',
      edit: all(...own.map((n) => n.set(capital(n)))),
    })),
  }
}

/** Known to everybody, so that no text explains them. */
const COMMON = new Set(
  'UK EU USA US UN OK TV PC IT ID AM PM GPS PDF CSV HTML URL USB VAT CEO HR FAQ DIY DNA LED CCTV ATM PIN SMS VIP ASAP RSVP BBC NHS I A II III IV VI VII VIII IX XI XII SOS UTC GMT BC AD NW NE SW SE NO YES AND OR NOT IF THEN ELSE STOP GO ON OFF IN OUT TO DO A4 KPI API'.split(
    ' ',
  ),
)

function unexplained(folio: Folio): FolioFound[] {
  const known = new Set([...COMMON, ...folio.terms])
  const told = new Set<string>()
  return folio.figures.flatMap(({ figure, nodes, links }) => {
    const texts = [...nodes.map((n) => [n.id, n.text] as const), ...links.map((l) => [l.id, l.text ?? ''] as const)]
    const found = texts.flatMap(([id, text]) =>
      // In a label all in capitals every word looks like one.
      text === text.toUpperCase()
        ? []
        : [...text.matchAll(/(?<![\p{L}\d])(\p{Lu}{2,5})s?(?![\p{L}\d])/gu)].map((m) => ({ id, short: m[1] ?? '' })),
    )
    return grouped(found, (f) => f.short).flatMap((of): FolioFound[] => {
      const short = of[0]?.short ?? ''
      if (known.has(short) || told.has(short) || isExplained(short, `${folio.text}\n${figure.wasRead.text}`)) return []
      told.add(short)
      return [
        {
          figure: figure.id,
          parts: [...new Set(of.map((f) => f.id))],
          about: short,
          says: said('“{short}” is explained nowhere.', { short }),
        },
      ]
    })
  })
}

/** “Estimated time of arrival (ETA)”, “ETA (estimated …)”, “ETA: …”, “ETA means …”, or the words it is made of in a row. */
function isExplained(short: string, text: string): boolean {
  if (
    new RegExp(`\\(${short}s?\\)|\\b${short}s?\\s*(?:\\(|:|=|–|—|means|stands for|is short for|steht für)`, 'u').test(
      text,
    )
  )
    return true
  const initials = [...short]
    .map((letter) => `${letter}\\p{L}+`)
    .join('[\\s-]+(?:of |the |and |for |to |der |die |und )*')
  return new RegExp(`(?<!\\p{L})${initials}`, 'iu').test(text)
}

export const folioRules: readonly FolioRule[] = [
  { id: 'drift', name: words('Text and figure differ'), severity: 'warning', find: drifted },
  { id: 'text-otherwise', name: words('A member elsewhere than in the text'), severity: 'warning', find: otherwise },
  { id: 'not-mentioned', name: words('A figure that the text does not mention'), severity: 'note', find: unmentioned },
  { id: 'no-such-figure', name: words('A figure is mentioned that is not there'), severity: 'error', find: figureless },
  {
    id: 'translation',
    name: words('A translation that is missing or out of date'),
    severity: 'warning',
    find: untranslated,
  },
  {
    ...{ id: 'no-title', name: words('A figure without title'), severity: 'note' },
    find: lacking('title', (n) => said('No title, where {n} other figures have one.', { n })),
  },
  {
    ...{ id: 'no-caption', name: words('A figure without caption'), severity: 'note' },
    find: lacking('caption', (n) => said('No caption, where {n} other figures have one.', { n })),
  },
  {
    ...{ id: 'no-source', name: words('A figure without its source'), severity: 'note' },
    find: lacking('sourceLine', (n) => said('No source, where {n} other figures name theirs.', { n })),
  },
  {
    ...{ id: 'no-alt-text', name: words('A figure without alt text of its own'), severity: 'note' },
    find: lacking('altText', (n) =>
      said('Only the alt text that is made of itself, where {n} other figures have their own.', { n }),
    ),
  },
  { id: 'two-names', name: words('One thing under two names'), severity: 'note', find: twoNames },
  { id: 'unexplained', name: words('An abbreviation that nothing explains'), severity: 'note', find: unexplained },
]
