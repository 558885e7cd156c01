/** Two to five things that the author set against each other: sections with what is the same and what is not, tables with a
 *  column for each thing. Knows how such sections are called, in the languages of the packs. */
import { keyOf, type Named, type ReadText } from '../reading'
import {
  capital,
  contentWords,
  labelOf,
  lowerFirst,
  sentencesOf,
  slice,
  type Entry,
  type Span,
  type Table,
} from '../text'
import { clean, labelled, shortListIn } from './shapes'
import { cellText } from './tables'
import { because } from './because'
import type { Said } from '../words'

type Sets = {
  readonly names: readonly Named[]
  /** Where each is named again, with the words that say of which of them something holds: "only the crew". */
  readonly again?: readonly (readonly Span[])[]
  readonly members: readonly Member[]
}
/** What is said of one or several of the compared things, by their places among the names; it grows as more is read. */
export type Member = {
  readonly label: string
  readonly key: string
  readonly sets: Set<number>
  readonly source: Span[]
}
export type Compared = Sets & { readonly score: number; readonly reasons: readonly Said[] }

const MOST_SETS = 5
/** Of that many sets, with a section for every overlap of them. */
const MOST_SECTIONS = 2 ** MOST_SETS

type Told = { readonly set: number; readonly label: string; readonly span: Span }

/** Members by key, each in all the sets that name it. */
function collected(entries: readonly Told[]): Sets['members'] {
  const byKey = new Map<string, Member>()
  for (const e of entries) {
    const key = keyOf(e.label)
    const known = byKey.get(key) ?? { label: e.label, key, sets: new Set<number>(), source: [] }
    known.sets.add(e.set)
    known.source.push(e.span)
    byKey.set(key, known)
  }
  return [...byKey.values()]
}

/** Without the word that says that something holds of nothing else: "only the crew", "Summer only". */
const bareName = (name: string): string =>
  name
    .replace(/^(?:only|just|nur|solo|sólo) (\p{L})/iu, (_, x: string) => x.toUpperCase())
    .replace(/^(.*\p{L}) (?:only|alone|nur|allein|solo|sólo|solamente)$/iu, '$1')

const nameOf = (read: ReadText, span: Span): Named => ({
  label: bareName(labelled(read.text, span)),
  key: keyOf(bareName(slice(read.text, span))),
  span,
  pronoun: null,
})

const YES = /^(?:x|✓|✔|☑|✅|●|•|yes|y|ja|sí|si|oui|both)(?:$|[,;.!–-]|\s*\()/iu
const NO = /^(?:|no|n|-|–|—|✗|✘|❌|○|nein|non|none|n\/a)(?:$|[,;.!]|\s*\()/iu

/** A table with a column, or a row, for each thing. What all cells of a line agree on is shared. */
export function comparedInTable(read: ReadText): Compared | null {
  const { table } = read.outline
  const turned = table && (table.head === null || table.columns - 1 > MOST_SETS) ? transposed(table) : table
  if (!turned?.head || turned.columns < 3 || turned.columns - 1 > MOST_SETS || turned.rows.length < 2) return null
  const { text } = read
  const sets = turned.head.slice(1)
  const judged = turned.rows.flatMap((r) => sets.map((_, i) => cellText(text, r[i + 1])))
  const plain = judged.filter((c) => YES.test(c) || NO.test(c)).length / judged.length
  const said = turned.rows.flatMap((r) => rowSays(text, r, sets.length))
  const members = collected([...said, ...alsoShared(read, sets.length)])
  if (members.length < 2) return null
  const shared = members.filter((m) => m.sets.size > 1).length
  const corner = cellText(text, turned.head[0]) === ''
  return {
    names: sets.map((s) => nameOf(read, s)),
    members,
    score: plain > 0.95 ? 0.85 : 0.3 + (corner ? 0.2 : 0) + 0.3 * plain + (shared > 0 ? 0.15 : 0),
    reasons: [plain > 0.95 ? because.yesAndNo : because.comparingTable, because.sets(sets.length)],
  }
}

function rowSays(text: string, row: readonly Span[], sets: number): Told[] {
  const [first] = row
  if (!first) return []
  const name = labelled(text, first)
  const values = Array.from({ length: sets }, (_, i) => cellText(text, row[i + 1]))
  const span = (i: number): Span => row[i + 1] ?? first
  const same = new Set(values.map((v) => v.toLowerCase())).size === 1
  const [value = ''] = values
  if (same && value === '') return []
  if (same) {
    const label = YES.test(value) ? name : `${name}: ${lowerFirst(value)}`
    return values.map((_, set) => ({ set, label, span: span(set) }))
  }
  // "Lift: no" says something where the others say more than yes.
  const onlyYesOrNo = values.every((v) => YES.test(v) || NO.test(v))
  return values.flatMap((v, set) => {
    if (YES.test(v)) return [{ set, label: name, span: span(set) }]
    if (onlyYesOrNo || v === '' || (NO.test(v) && values.some((o) => YES.test(o)))) return []
    return [{ set, label: `${name}: ${v}`, span: span(set) }]
  })
}

/** "Both need a pilot": a line outside the table. */
function alsoShared(read: ReadText, sets: number): Told[] {
  const { opening, closing } = read.outline
  return [...opening, ...closing]
    .flatMap((s) => sentencesOf(read.text, s))
    .filter((s) => BOTH_DO.test(slice(read.text, s)))
    .flatMap((s) => Array.from({ length: sets }, (_, set) => ({ set, label: sharedLabel(read.text, s), span: s })))
}
const BOTH_DO = /^(?:both|all (?:three|four|of them)|beide|alle|ambos|ambas)\s/iu
const sharedLabel = (text: string, s: Span): string =>
  capital(
    labelled(text, s).replace(/^(?:they )?(?:both|all(?: three| four| of them)?|beide|alle|ambos|ambas)\s+/iu, ''),
  )

const transposed = (t: Table): Table | null => {
  const rows = t.head ? [t.head, ...t.rows] : t.rows
  if (rows.length - 1 > MOST_SETS || t.columns < 3) return t.head ? t : null
  const turned = Array.from({ length: t.columns }, (_, c) => rows.map((r) => r[c] ?? (r.at(-1) as Span)))
  return { head: turned[0] ?? null, rows: turned.slice(1), columns: rows.length }
}

const SHARED =
  /\b(?:both|all (?:three|four)|common|shared?|similar(?:ity|ities)?|the same|alike|together|beides?|gemeinsam\p{L}*|ambos|común|comparten)\b/iu
const APART = /\b(?:differences?|differ|different|unlike|apart|unterschiede?|diferencias?)\b/iu
const VERSUS = /\b(?:vs\.?|versus|or|oder|and|und|y|o|compared?|differences?|side by side|which)\b/iu

/** Sections (or items with items) for each thing, and perhaps one for what they share. */
export function comparedInSections(read: ReadText): Compared | null {
  const { text, outline } = read
  const words = (e: Entry): string => slice(text, e.label)
  const entries = outline.entries.flatMap((e) => (APART.test(words(e)) && e.entries.length > 1 ? e.entries : [e]))
  if (entries.length > MOST_SECTIONS) return null
  const stems = new Map(entries.map((e) => [e, stemsIn(words(e))] as const))
  const named = (e: Entry, among: readonly Entry[]) =>
    namedIn(
      stems.get(e) ?? new Set(),
      among.map((o) => stems.get(o) ?? new Set()),
    )
  const shared = entries.filter(
    (e) => (SHARED.test(words(e)) && words(e).split(/\s+/).length <= 7) || named(e, entries).length > 1,
  )
  const own = entries.filter((e) => !shared.includes(e))
  // Of which things a shared section tells: of those it names, else of all.
  const setsOf = (e: Entry) => (named(e, own).length > 1 ? named(e, own) : own.map((_, set) => set))
  const said = own.map((e) => saidIn(text, e))
  if (own.length < 2 || own.length > MOST_SETS || said.some((list) => list.length === 0)) return null
  const members = collected([
    ...own.flatMap((_, set) => (said[set] as Span[][]).map((spans) => memberOf(text, spans, set))),
    ...shared.flatMap((e) =>
      saidIn(text, e).flatMap((spans) =>
        setsOf(e).map((set) => ({
          ...memberOf(text, spans, set),
          label: sharedLabel(text, spans[0] as Span),
        })),
      ),
    ),
  ])
  const inSeveral = members.filter((m) => m.sets.size > 1).length
  const title = outline.title ? slice(text, outline.title) : ''
  const score =
    shared.length > 0
      ? 0.84
      : inSeveral > 0
        ? 0.72 + 0.05 * Math.min(3, inSeveral) + (VERSUS.test(title) ? 0.08 : 0)
        : opposed(text, own)
          ? 0.6 + (VERSUS.test(title) ? 0.1 : 0)
          : own.length === 2 && VERSUS.test(title)
            ? 0.5
            : 0.15
  return {
    names: own.map((e) => nameOf(read, e.label)),
    members,
    score,
    reasons: [
      shared.length > 0 ? because.sectionOfShared : because.listsUnder(own.length),
      ...(inSeveral > 0 ? [because.inSeveral(inSeveral)] : []),
    ],
  }
}

const stemsIn = (name: string): ReadonlySet<string> => {
  const bare = bareName(name)
  return new Set(contentWords(bare, { start: 0, end: bare.length }).map((w) => w.stem))
}

/** The names, by place, whose words all stand in a longer one: "Deck crew" and "Shore crew" in "Both deck crew and shore crew". */
const namedIn = (words: ReadonlySet<string>, names: readonly ReadonlySet<string>[]): number[] =>
  names.flatMap((own, i) => (own.size > 0 && own.size < words.size && [...own].every((s) => words.has(s)) ? [i] : []))

/** Each says something of the same things: "Focus", "Time", "Role" under both. */
function opposed(text: string, own: readonly Entry[]): boolean {
  const keys = own.map((e) => new Set(e.entries.filter((x) => x.led).map((x) => keyOf(slice(text, x.label)))))
  const [first, ...others] = keys
  return first !== undefined && first.size > 1 && others.every((k) => [...first].filter((x) => k.has(x)).length > 1)
}

/** What is said of one thing, piece by piece: its entries, the list behind its name, or the sentences. */
function saidIn(text: string, e: Entry): Span[][] {
  if (e.entries.length > 0) return e.entries.map((x) => (x.led ? [x.label, ...x.details.slice(0, 1)] : [x.label]))
  const [first] = e.details
  const list = first && e.details.length === 1 ? shortListIn(text, first, 5) : null
  if (list) return list.map((s) => [s])
  return e.details.flatMap((d) => sentencesOf(text, d)).map((s) => [labelOf(text, s).label])
}

const memberOf = (text: string, spans: readonly Span[], set: number): Told => ({
  set,
  label: spans.length > 1 ? spans.map((s) => clean(slice(text, s))).join(': ') : labelled(text, spans[0] as Span),
  span: { start: (spans[0] as Span).start, end: (spans.at(-1) as Span).end },
})
