/** Passages of a whole manuscript that read strongly as a figure: lists with their lead-in, paragraphs, and the prose of
 *  a section taken together. Never two that overlap. */
import { readText, type Lexicon } from '../reading'
import { readableBlocks, type Block, type Span } from '../text'
import type { FigureKind } from '../figure'
import { STRONG, propose } from './propose'

export type Suggestion = { readonly span: Span; readonly kind: FigureKind; readonly score: number }

const LONGEST = 12_000

export function suggest(text: string, lexicon: Lexicon): Suggestion[] {
  const out: Suggestion[] = []
  for (const section of sections(readableBlocks(text))) {
    const parts = groups(section)
    const prose =
      parts.length > 1 && parts.every((g) => g.every((b) => b.type === 'paragraph'))
        ? [section.filter((b) => b.type !== 'heading')]
        : []
    for (const group of [...prose, ...parts]) {
      const span = { start: (group[0] as Block).span.start, end: (group.at(-1) as Block).span.end }
      if (span.end - span.start > LONGEST || out.some((o) => o.span.start < span.end && span.start < o.span.end))
        continue
      const best = propose(readText(text.slice(span.start, span.end), lexicon))[0]
      if (best && best.score >= STRONG && Object.keys(best.figure.nodes).length >= 3)
        out.push({ span: lineStart(text, span), kind: best.kind, score: best.score })
    }
  }
  return out.toSorted((a, b) => a.span.start - b.span.start)
}

/** The span from the start of its first line, so that a list marker belongs to it. */
const lineStart = (text: string, s: Span): Span => ({ start: text.lastIndexOf('\n', s.start - 1) + 1, end: s.end })

function sections(blocks: readonly Block[]): Block[][] {
  const out: Block[][] = [[]]
  for (const b of blocks) {
    if (b.type === 'heading') out.push([])
    ;(out.at(-1) as Block[]).push(b)
  }
  return out
}

function groups(section: readonly Block[]): Block[][] {
  const out: Block[][] = []
  for (const b of section) {
    if (b.type === 'heading' || b.type === 'row') continue
    const last = out.at(-1)
    if (b.type === 'item' && last?.at(-1)?.type === 'item') last.push(b)
    else out.push([b])
  }
  return out
}
