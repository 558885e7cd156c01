/** Finds where a passage says what a label says: the words of the label, in their order, close together. */
import { slice, stemOf, turns, type Span } from '../text'
import { refusedAs } from './because'
import type { Said } from '../words'

/** Where the words stand, and the label in the forms that the passage has them in. */
export type Found = { readonly span: Span; readonly label: string }
export type NotFound = { readonly why: Said }

type Word = { readonly span: Span; readonly stem: string; readonly turns: boolean }

const WORD = /[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}]|['’](?=\p{L}))*/gu
/** Between the first and the last word of a label the passage may have this many words for each of the label's, and more. */
const SPREAD = { factor: 3, more: 12 } as const
/** "Do not load the cars": how far before its first word a label may be turned round. */
const LOOK_BACK = 3
/** Comparisons for one passage; what an honest label needs is a thousandth of it. */
const MOST_COMPARISONS = 20_000_000

const wordsOf = (text: string, within: Span): Word[] =>
  [...slice(text, within).matchAll(WORD)].map((m) => {
    const start = within.start + m.index
    return {
      span: { start, end: start + m[0].length },
      stem: stemOf(m[0]),
      turns: turns(m[0]) || /n['’]t$/i.test(m[0]),
    }
  })

/** A passage whose words are looked for again and again. A label never reaches over the border of a block. */
export class WordsInOrder {
  private readonly blocks: readonly (readonly Word[])[]
  private left = MOST_COMPARISONS

  constructor(
    private readonly text: string,
    blocks: readonly Span[],
  ) {
    this.blocks = blocks.map((b) => wordsOf(text, b))
  }

  /** The closest place; of equally close ones the first that begins at `from` or later. `whole`: the label is what is done or
   *  told, so that a "not" just before it must be in it, too. */
  find(label: string, from: number, whole: boolean): Found | NotFound {
    const wanted = wordsOf(label, { start: 0, end: label.length })
    if (wanted.length === 0) return { why: refusedAs.noWords }
    let best: readonly Word[] | null = null
    let turned = false
    for (const block of this.blocks)
      for (const [at, word] of block.entries()) {
        if (word.stem !== (wanted[0] as Word).stem) continue
        const hit = this.match(wanted, block, at)
        if (!hit) continue
        if (turnedRound(this.text, block, at, hit, whole)) turned = true
        else if (!best || isCloser(hit, best, from)) best = hit
      }
    if (best) return found(this.text, label, wanted, best)
    if (this.left <= 0) return { why: refusedAs.tooLong }
    return { why: turned ? refusedAs.turnsRound : refusedAs.otherWords }
  }

  /** The words of the block that begin at one place and spell the label; null where they do not. */
  private match(wanted: readonly Word[], block: readonly Word[], at: number): Word[] | null {
    const hit: Word[] = []
    const last = Math.min(block.length, at + wanted.length * SPREAD.factor + SPREAD.more)
    for (let i = at; i < last && hit.length < wanted.length && this.left > 0; i++, this.left--)
      if ((block[i] as Word).stem === (wanted[hit.length] as Word).stem) hit.push(block[i] as Word)
    return hit.length === wanted.length ? hit : null
  }
}

const lengthOf = (hit: readonly Word[]): number => (hit.at(-1) as Word).span.end - (hit[0] as Word).span.start

function isCloser(hit: readonly Word[], best: readonly Word[], from: number): boolean {
  const shorter = lengthOf(hit) - lengthOf(best)
  if (shorter !== 0) return shorter < 0
  return (best[0] as Word).span.start < from && (hit[0] as Word).span.start >= from
}

/** Whether the passage says the opposite, or less: a "not" or "only" among the words or before them is not in the label. */
function turnedRound(text: string, block: readonly Word[], at: number, hit: readonly Word[], whole: boolean): boolean {
  const taken = new Set(hit)
  const end = (hit.at(-1) as Word).span.end
  for (let i = at; i < block.length && (block[i] as Word).span.start < end; i++)
    if ((block[i] as Word).turns && !taken.has(block[i] as Word)) return true
  if (!whole) return false
  const start = (hit[0] as Word).span.start
  return block
    .slice(Math.max(0, at - LOOK_BACK), at)
    .some((w) => w.turns && !/[.,;:!?()\n–—]/.test(text.slice(w.span.end, start)))
}

/** The label with each of its words as the passage has it; only its punctuation is its own. */
function found(text: string, label: string, wanted: readonly Word[], hit: readonly Word[]): Found {
  const between = (start: number, end: number) => label.slice(start, end).replace(/\p{C}/gu, '').replace(/\s+/g, ' ')
  const words = wanted.map((w, i) => {
    const [own, said] = [slice(label, w.span), slice(text, (hit[i] as Word).span)]
    const before = between((wanted[i - 1] as Word | undefined)?.span.end ?? 0, w.span.start)
    return before + (own.toLowerCase() === said.toLowerCase() ? own : said)
  })
  const last = (wanted.at(-1) as Word).span.end
  const whole = words.join('') + between(last, label.length)
  return { span: { start: (hit[0] as Word).span.start, end: (hit.at(-1) as Word).span.end }, label: whole.trim() }
}
