/** What tells the kinds of passages apart, as numbers by name: how it is arranged, what its clauses and claims are, what each
 *  kind's builder found, and everyday words. The weights are learned (`kindWeights.json`, `scripts/trainKinds.ts`). */
import type { FigureKind } from '../figure'
import type { ReadText } from '../reading'
import { contentWords, labelOf, slice, type Entry } from '../text'
import type { Built } from './built'
import { contrastsIn } from './contrast'

export type Features = Readonly<Record<string, number>>

const WORD = /[\p{L}’']+/gu
/** Large counts pressed together. */
const some = (n: number): number => Math.sqrt(n) / 3

export function kindFeatures(read: ReadText, built: ReadonlyMap<FigureKind, Built>): Features {
  return {
    ...arranged(read),
    ...entered(read),
    ...tabled(read),
    ...told(read),
    ...claimed(read),
    ...builtUp(built),
    contrast: contrastsIn(read)[0]?.chance ?? 0,
    ...worded(read),
  }
}

const share = <T>(list: readonly T[], is: (x: T) => boolean): number =>
  list.length === 0 ? 0 : list.filter(is).length / list.length

function arranged({ text, outline, blocks, forms }: ReadText): Record<string, number> {
  const { entries, table } = outline
  const inner = entries.flatMap((e) => e.entries)
  const words = (e: Entry): number => slice(text, e.label).split(/\s+/).length
  const mean = entries.reduce((n, e) => n + words(e), 0) / Math.max(1, entries.length)
  const prose = blocks.filter((b) => b.type === 'paragraph')
  return {
    'outline entries': some(entries.length),
    'outline any': entries.length > 1 ? 1 : 0,
    'outline two or three': entries.length === 2 || entries.length === 3 ? 1 : 0,
    'outline inner': some(inner.length),
    'outline with inner': share(entries, (e) => e.entries.length > 0),
    'outline ordered': share(entries, (e) => e.ordered && e.number !== null),
    'outline clock': share(entries, (e) => e.ordered && e.number === null),
    'outline headings': share(entries, (e) => e.from === 'heading'),
    'outline led': share(entries, (e) => e.led),
    ...Object.fromEntries(
      ['bold', ':', '–', '→', '='].map((m) => [`outline mark ${m}`, share(entries, (e) => e.mark === m)]),
    ),
    'outline details': share(entries, (e) => e.details.length > 0),
    'outline label words': entries.length > 1 ? mean / 10 : 0,
    ...Object.fromEntries(
      (['order', 'sentence', 'name'] as const).flatMap((f) => [
        [`label ${f}`, share(entries, (e) => forms.get(e.label.start) === f)],
        [`detail ${f}`, share(entries, (e) => forms.get(e.details[0]?.start ?? -1) === f)],
        [`inner ${f}`, share(inner, (e) => forms.get(e.label.start) === f)],
      ]),
    ),
    'outline questions': share(entries, (e) => /\?/.test(slice(text, e.label))),
    'outline conditions': share(entries, (e) => /^(?:if|when|where|for)\b/i.test(slice(text, e.label))),
    'outline opens same':
      entries.length > 2 &&
      new Set(entries.map((e) => slice(text, e.label).split(/\s/)[0]?.toLowerCase())).size < entries.length / 2
        ? 1
        : 0,
    'table any': table ? 1 : 0,
    'table columns': table ? table.columns / 5 : 0,
    'table corner': table?.head && slice(text, table.head[0] ?? { start: 0, end: 0 }) === '' ? 1 : 0,
    'prose paragraphs': some(prose.length),
    'title any': outline.title ? 1 : 0,
    'title asks': outline.title && /\?\s*$/.test(slice(text, outline.title)) ? 1 : 0,
  }
}

/** What the entries are to each other: one thing handled on and on, or each by itself; asked, forbidden, explained. */
function entered({ text, outline }: ReadText): Record<string, number> {
  const own = outline.entries.map((e) => slice(text, e.label))
  const all = outline.entries.map((e) => [e.label, ...e.details].map((s) => slice(text, s)).join(' '))
  const stems = outline.entries.map((e) => new Set(contentWords(text, e.label).map((w) => w.stem)))
  const chained = stems.filter((s, i) => i > 0 && [...s].some((w) => stems[i - 1]?.has(w))).length
  return {
    'entries chained': chained / Math.max(1, own.length - 1),
    'entries pronoun': share(own, (s) => /\b(?:it|them|this|these)\b/i.test(s)),
    'entries forbid': share(own, (s) => /\b(?:never|do not|don['’]t|avoid|no|not)\b/i.test(s)),
    'entries must': share(all, (s) => /\b(?:must|should|shall|may|have to|need to|always)\b/i.test(s)),
    'entries explain': share(all, (s) => /\b(?:because|since|so that|which means|this is|helps?|makes?)\b/i.test(s)),
    'entries if': share(all, (s) => /\b(?:if|when|unless|otherwise|where)\b/i.test(s)),
    'entries then': share(all, (s) => /\b(?:then|after|before|next|until|once)\b/i.test(s)),
    'entries define': share(all, (s) => /^[^.]{0,60}\b(?:is|are|means?)\b/i.test(s)),
    'entries lists': share(all, (s) => (s.match(/,/g) ?? []).length >= 2 && s.length < 120),
    'entries numbers': share(own, (s) => /\d/.test(s)),
    'entries long': share(all, (s) => s.length > 200),
  }
}

/** Cells that say yes or no, numbers, first cells that repeat; how the columns are called. */
function tabled({ text, outline: { table } }: ReadText): Record<string, number> {
  if (!table) return {}
  const cells = table.rows.flatMap((r) => r.slice(1).map((c) => slice(text, c).trim()))
  const first = table.rows.map((r) => slice(text, r[0] ?? { start: 0, end: 0 }).trim())
  const heads = (table.head ?? []).flatMap((h) => [...slice(text, h).matchAll(WORD)].map(([w]) => w.toLowerCase()))
  return {
    'table yes': share(cells, (c) => /^(?:yes|no|x|✓|–|-)\b/i.test(c)),
    'table numbers': share(cells, (c) => /\d/.test(c)),
    'table long': share(cells, (c) => c.split(/\s+/).length > 4),
    'table lists': share(cells, (c) => c.includes(',')),
    'table repeats': new Set(first).size < first.length || first.includes('') ? 1 : 0,
    'table rows': some(table.rows.length),
    'table two columns': table.columns === 2 ? 1 : 0,
    ...Object.fromEntries(heads.map((w) => [`head ${w}`, 1])),
  }
}

function told({ told: t, sentences, text, outline }: ReadText): Record<string, number> {
  const of = Math.max(1, t.units.length)
  return {
    'told doing': share(t.units, (u) => u.doing),
    'told asked': share(t.units, (u) => u.asked),
    'told cues': t.cueCount / of,
    'told ordered': t.orderedItems >= 2 ? 1 : 0,
    'told questions': t.body.filter((s) => s.do === 'ask').length / of,
    'told units': some(of),
    'sentences asking': share(sentences, (s) => /\?$/.test(slice(text, s))),
    'sentences you': share(sentences, (s) => /\byou(?:r)?\b/i.test(slice(text, s))),
    'sentences if': share(sentences, (s) => /\b(?:if|unless|whether)\b/i.test(slice(text, s))),
    'sentences past': share(sentences, (s) => /\b(?:was|were|had|did)\b/i.test(slice(text, s))),
    'sentences is': share(sentences, (s) => /\b(?:is|are)\b/i.test(slice(text, s))),
    'sentences in the body': some(sentences.length),
    arrows: some((text.match(/->|→|=>/g) ?? []).length),
    'opening counts': outline.opening.some((s) =>
      /\b(?:two|three|four|five|six|seven|\d|several|following)\b[^.]*$/i.test(slice(text, s)),
    )
      ? 1
      : 0,
  }
}

function claimed({ claims, sentences }: ReadText): Record<string, number> {
  const of = Math.max(2, sentences.length)
  const count = (is: (c: (typeof claims)[number]) => boolean): number => Math.min(2, claims.filter(is).length / of)
  return {
    'claims child': count((c) => c.relation === 'child' && c.weight >= 0.45),
    'claims link': count((c) => c.relation === 'link'),
    'claims is': count((c) => c.relation === 'link' && c.verb === 'be'),
    'claims shared': count((c) => c.relation === 'compare' && c.how === 'shared'),
    'claims only': count(
      (c) => c.relation === 'compare' && (c.how === 'only' || c.rule === 'contrast' || c.rule === 'unlike'),
    ),
    'claims own': count((c) => c.relation === 'compare' && c.how === 'own'),
    'claims option': count((c) => c.relation === 'option'),
    'claims about': count((c) => c.relation === 'about'),
    'claims case': count((c) => c.relation === 'case'),
  }
}

function builtUp(built: ReadonlyMap<FigureKind, Built>): Record<string, number> {
  const out: Record<string, number> = {}
  for (const [kind, b] of built) {
    out[`${kind} score`] = b.score
    out[`${kind} nodes`] = some(b.nodes.length)
    out[`${kind} links`] = b.links.length / Math.max(1, b.nodes.length)
    out[`${kind} shared`] = share(b.nodes, (n) => (n.memberOf?.length ?? 0) > 1)
  }
  return out
}

const MOST_WORDS = 2000
/** Which words occur, once or more; those of the title, or of the first line, apart. */
function worded({ text, outline }: ReadText): Record<string, number> {
  const out: Record<string, number> = {}
  const words = [...text.slice(0, 20_000).matchAll(WORD)].slice(0, MOST_WORDS)
  const counts = new Map<string, number>()
  for (const [w] of words) counts.set(w.toLowerCase(), (counts.get(w.toLowerCase()) ?? 0) + 1)
  for (const [w, n] of counts) out[`word ${w}`] = Math.min(1, (60 * n) / Math.max(60, words.length))
  const title =
    outline.title ?? labelOf(text, outline.opening[0] ?? { start: 0, end: Math.min(text.length, 120) }).label
  for (const [w] of slice(text, title).matchAll(WORD)) out[`title ${w.toLowerCase()}`] = 1
  return out
}
