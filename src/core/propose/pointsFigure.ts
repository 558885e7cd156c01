/** Peers with a heading and a line of detail: the top items of a list, headings with their text, or sentences. */
import type { FigureNode } from '../figure'
import type { ReadText } from '../reading'
import { capital, sentencesOf, slice, spansMeet, termOf, trimmed, type Block, type Span } from '../text'

type Point = { readonly text: string; readonly detail: string; readonly source: readonly Span[] }
export type Points = { readonly nodes: readonly FigureNode[]; readonly from: 'items' | 'headings' | 'sentences' }

const MOST_HEADING_WORDS = 9
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
  const items = read.blocks.filter((b) => b.type === 'item')
  const headings = read.blocks.filter((b) => b.type === 'heading')
  const from = items.length >= 2 ? 'items' : headings.length >= 2 ? 'headings' : 'sentences'
  const points =
    from === 'items' ? fromItems(read.text, items) : from === 'headings' ? fromHeadings(read) : fromSentences(read)
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
  return { nodes, from }
}

function fromItems(text: string, items: readonly Block[]): Point[] {
  const top = items.reduce((least, b) => Math.min(least, b.depth), Infinity)
  const out: { readonly head: Point; readonly below: Span[] }[] = []
  for (const b of items) {
    if (b.depth === top) out.push({ head: headed(text, b.span), below: [] })
    else out.at(-1)?.below.push(b.span)
  }
  return out.map(({ head, below }) => ({
    ...head,
    detail: [head.detail, ...below.map((s) => clean(slice(text, s)))].filter((d) => d !== '').join('; '),
    source: [...head.source, ...below],
  }))
}

/** "Heading: the rest", "Heading – the rest"; or the whole as heading. */
function headed(text: string, span: Span): Point {
  const words = slice(text, span)
  const named = termOf(text, span)
  if (named) return { text: clean(slice(text, named.term)), detail: clean(slice(text, named.rest)), source: [span] }
  const first = /^(.{8,80}?[.!?])\s+(?=\p{Lu})/su.exec(words)
  if (first && words.split(/\s+/).length > MOST_HEADING_WORDS)
    return { text: clean(first[1] as string), detail: clean(words.slice(first[0].length)), source: [span] }
  return { text: clean(words), detail: '', source: [span] }
}

function fromHeadings(read: ReadText): Point[] {
  const out: Point[] = []
  for (const b of read.blocks) {
    if (b.type === 'heading') out.push({ text: clean(slice(read.text, b.span)), detail: '', source: [b.span] })
    const last = out.at(-1)
    if (b.type === 'paragraph' && last && last.detail === '')
      out[out.length - 1] = { ...last, detail: clean(slice(read.text, b.span)), source: [...last.source, b.span] }
  }
  return out
}

function fromSentences(read: ReadText): Point[] {
  const spans = read.blocks
    .filter((b) => b.type === 'paragraph' || b.type === 'item')
    .flatMap((b) => sentencesOf(read.text, b.span))
    .map((s) => trimmed(read.text, s))
  return counted(read, spans) ?? fragments(read, spans) ?? spans.map((s) => headed(read.text, s))
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

const clean = (s: string): string =>
  s
    .replace(/\*\*|__/g, '')
    .replace(/\s+/g, ' ')
    .replace(/[.;。]$/u, '')
    .trim()
    .slice(0, 1500)
