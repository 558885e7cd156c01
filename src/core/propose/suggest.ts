/** Passages of a whole manuscript that surely read as a figure: sections by their headings, or lists and paragraphs inside one.
 *  Never two that overlap, never over the border of a section; a section of sections only where none of them reads by
 *  itself. */
import { readText, type Lexicon } from '../reading'
import { partsOf, readableBlocks, type Block, type Part, type Span } from '../text'
import type { FigureKind } from '../figure'
import { propose } from './propose'

export type Suggestion = { readonly span: Span; readonly kind: FigureKind; readonly score: number }

/** No section that is longer is one figure. */
const LONGEST = 6_000
const FEWEST_NODES = 3

type Found = Pick<Suggestion, 'kind' | 'score'> | null

/** Reads whole manuscripts, one after the other, as somebody writes: a passage that stood in the text before is not read again. */
export function createSuggest(lexicon: Lexicon): (text: string) => Suggestion[] {
  let before: ReadonlyMap<string, Found> = new Map()
  return (text) => {
    const now = new Map<string, Found>()
    const found = suggestions(text, (passage) => {
      const known = before.has(passage) ? before.get(passage) : now.get(passage)
      const read = known === undefined ? readOf(passage, lexicon) : known
      now.set(passage, read)
      return read
    })
    before = now
    return found
  }
}

function readOf(passage: string, lexicon: Lexicon): Found {
  const best = propose(readText(passage, lexicon))[0]
  return best?.strong && Object.keys(best.figure.nodes).length >= FEWEST_NODES
    ? { kind: best.kind, score: best.score }
    : null
}

function suggestions(text: string, read: (passage: string) => Found): Suggestion[] {
  const offered = (blocks: readonly Block[]): Suggestion[] => {
    const [first, last] = [blocks[0], blocks.at(-1)]
    if (!first || !last || last.span.end - first.span.start > LONGEST) return []
    const span = lineStart(text, { start: first.span.start, end: last.span.end })
    const found = read(text.slice(span.start, span.end))
    return found ? [{ span, ...found }] : []
  }
  const inPart = (part: Part): Suggestion[] => {
    const below = part.parts.flatMap(inPart)
    if (below.length > 0) return [...inBlocks(part.blocks), ...below]
    const whole = part.heading ? offered(allBlocks(part)) : []
    return whole.length > 0 ? whole : inBlocks(part.blocks)
  }
  const inBlocks = (blocks: readonly Block[]): Suggestion[] => {
    const together = offered(blocks)
    return together.length > 0 ? together : groups(blocks).length > 1 ? groups(blocks).flatMap(offered) : []
  }
  return inPart(partsOf(text, readableBlocks(text))).toSorted((a, b) => a.span.start - b.span.start)
}

const allBlocks = (part: Part): Block[] => [
  ...(part.heading ? [part.heading] : []),
  ...part.blocks,
  ...part.parts.flatMap(allBlocks),
]

/** The span from the start of its first line, so that a list marker belongs to it. */
const lineStart = (text: string, s: Span): Span => ({ start: text.lastIndexOf('\n', s.start - 1) + 1, end: s.end })

/** A list with the line above it; each paragraph that stands by itself; a table. */
function groups(blocks: readonly Block[]): Block[][] {
  const out: Block[][] = []
  for (const [i, b] of blocks.entries()) {
    const last = out.at(-1)
    const before = last?.at(-1)
    const joins =
      b.type !== 'paragraph' && (before?.type === b.type || (before?.type === 'paragraph' && isAbove(blocks, i)))
    if (joins) last?.push(b)
    else out.push([b])
  }
  return out
}
/** The paragraph before a list announces it. */
const isAbove = (blocks: readonly Block[], i: number): boolean => {
  const above = blocks[i - 1]
  return above !== undefined && above.span.end - above.span.start <= 200
}
