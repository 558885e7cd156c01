/** Peers with a heading and a line of detail: what the author set side by side, or else the sentences. */
import type { FigureNode } from '../figure'
import type { ReadText } from '../reading'
import { capital, labelsOf, sentencesOf, slice, spansMeet, trimmed, type Entry, type Span, type Table } from '../text'
import { clean } from './shapes'
import { cellsWithNames } from './tables'

type Point = { readonly text: string; readonly detail: string; readonly source: readonly Span[] }
export type Points = { readonly nodes: readonly FigureNode[]; readonly from: 'entries' | 'sentences' }

const PEER_NAMES =
  'tips?|rules?|hints?|reasons?|benefits?|principles?|values|advantages?|facts?|ideas?|mistakes|myths|lessons|guidelines|promises|strengths|qualities|habits|tipps?|regeln|gründe|werte|consejos?|reglas|razones|valores'
/** "Five tips for winter sailings", "Our values": what follows stands side by side. */
export const NAMES_PEERS = new RegExp(`^(?:why|warum)\\b|\\b(?:${PEER_NAMES})\\b`, 'iu')
/** "for three good reasons" */
export const COUNTS_PEERS = new RegExp(
  `\\b(?:two|three|four|five|six|several|some|a few|\\d) (?:\\p{L}+ ){0,2}(?:${PEER_NAMES})\\b`,
  'iu',
)

export function pointsFigure(read: ReadText): Points {
  const { entries, table } = read.outline
  const points =
    entries.length >= 2
      ? entries.map((e) => pointOf(read.text, e))
      : table
        ? fromRows(read.text, table)
        : fromSentences(read)
  const nodes = points
    .filter((p) => p.text !== '')
    .map((p, i): FigureNode => ({
      id: `n${i + 1}`,
      role: 'point',
      text: p.text,
      order: i + 1,
      source: p.source,
      ...(p.detail ? { detail: p.detail } : {}),
    }))
  return { nodes, from: entries.length >= 2 || table ? 'entries' : 'sentences' }
}

/** An entry with all that is said below it as its detail. */
function pointOf(text: string, e: Entry): Point {
  const below = (x: Entry): Span[] => [x.label, ...x.details, ...x.entries.flatMap(below)]
  const rows = e.table ? e.table.rows.map((r) => cellsWithNames(text, e.table as Table, r)) : []
  const inner = [
    ...e.entries.map((x) =>
      [x.label, ...x.details].map((s) => clean(slice(text, s))).join(x.mark === ':' ? ': ' : ' – '),
    ),
    ...rows,
  ]
  const details = e.details.map((s) => clean(slice(text, s)))
  return {
    text: clean(slice(text, e.label)),
    detail: joined([joined(details, '. '), inner.join('; ')], ' '),
    source: [e.label, ...e.details, ...e.entries.flatMap(below), ...(e.table?.rows.flat() ?? [])],
  }
}

const joined = (parts: readonly string[], by: string): string =>
  parts
    .filter((p) => p !== '')
    .map((p, i, all) => (i < all.length - 1 && /[.!?:]$/.test(p) ? `${p} ` : i < all.length - 1 ? p + by : p))
    .join('')
    .replace(/\s+/g, ' ')
    .trim()

const fromRows = (text: string, table: Table): Point[] =>
  table.rows.map((row) => ({
    text: clean(slice(text, row[0] as Span)),
    detail: cellsWithNames(text, table, row),
    source: row,
  }))

function fromSentences(read: ReadText): Point[] {
  const paragraphs = read.blocks.filter((b) => b.type === 'paragraph' || b.type === 'item').map((b) => b.span)
  const spans = paragraphs.flatMap((s) => sentencesOf(read.text, s)).map((s) => trimmed(read.text, s))
  const told = counted(read, spans) ?? fragments(read, spans)
  if (told) return told
  const peers = paragraphs.length >= 3 && paragraphs.length * 1.5 < spans.length ? paragraphs : spans
  return labelsOf(read.text, peers).map((l, i) => ({
    text: clean(slice(read.text, l.label)),
    detail: joined(
      l.details.map((s) => clean(slice(read.text, s))),
      '. ',
    ),
    source: [peers[i] as Span],
  }))
}

/** "There are three reasons. First, ... Second, ...": each with all that is said up to the next. */
function counted(read: ReadText, spans: readonly Span[]): Point[] | null {
  const [opening, ...rest] = spans
  if (!opening || !COUNTS_PEERS.test(slice(read.text, opening)) || rest.length < 2) return null
  const starts = rest.filter((s) => ORDINAL.test(slice(read.text, s)))
  const out: Point[] = []
  for (const s of rest) {
    const words = capital(clean(slice(read.text, s).replace(ORDINAL, '')))
    const last = out.at(-1)
    if (last && starts.length > 1 && !starts.includes(s))
      out[out.length - 1] = {
        ...last,
        detail: [last.detail, words].filter(Boolean).join('. '),
        source: [...last.source, s],
      }
    else out.push({ text: words, detail: '', source: [s] })
  }
  return out
}
const ORDINAL =
  /^(?:first|second|third|fourth|fifth|last)(?:ly)?(?: of all)?,\s+|^(?:another|finally|then),?\s+|^one (?:is|reason is)(?: that)?\s+/i

/** "The view. You pass two lighthouses.": a few words, then what is said of them. */
function fragments(read: ReadText, spans: readonly Span[]): Point[] | null {
  const isName = (s: Span | undefined): boolean =>
    s !== undefined &&
    slice(read.text, s).split(/\s+/).length <= 4 &&
    /\p{L}\.$/u.test(slice(read.text, s)) &&
    !read.told.units.some((u) => u.doing && spansMeet(u.span, s))
  const names = spans.filter((s, i) => isName(s) && spans[i + 1] !== undefined && !isName(spans[i + 1]))
  if (names.length < 3) return null
  const out: Point[] = []
  for (const s of spans) {
    const last = out.at(-1)
    if (names.includes(s)) out.push({ text: clean(slice(read.text, s)), detail: '', source: [s] })
    else if (last)
      out[out.length - 1] = {
        ...last,
        detail: [last.detail, clean(slice(read.text, s))].filter(Boolean).join('. '),
        source: [...last.source, s],
      }
  }
  return out
}
