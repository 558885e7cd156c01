/** Words of an English sentence as a tree: what each is, which it belongs to, and how. The network and its tables come from
 *  `scripts/syntax/export.py`; this runs it in plain TypeScript, with the same result to the bit on every machine. */
import { hash64 } from './murmur'
import { createParser, type Parse } from './parser'
import { remembered } from './remembered'
import { piecesOf } from './tokens'
import type { Spelling } from './vectors'
import { weightsOf, type Weights } from './weights'

export type Node = {
  /** Part of speech, as in the Penn Treebank: NN, VBZ, IN ... */
  readonly tag: string
  /** The word it belongs to, by place; itself for a root. */
  readonly head: number
  /** How it belongs there, in the style of ClearNLP: nsubj, dobj, advcl ...; ROOT for a root. */
  readonly relation: string
}
/** One node for each of the words, which stand at these places of the text. */
export type Syntax = (text: string, words: readonly { readonly start: number; readonly end: number }[]) => Node[]

/** Counted up whenever `public/syntax/english.bin` is made anew: browsers keep each edition for good. */
export const EDITION = 1

/** Sentences, and norms of words, that are remembered at most: a text under the pen is read again and again. */
const MOST_KEPT = { sentences: 10_000, norms: 20_000 }

/** Throws `UnreadableWeights` for a file that is cut or damaged. */
export function createSyntax(file: Uint8Array): Syntax {
  const weights = weightsOf(file)
  const parse = createParser(weights)
  const sentences = remembered<Parse>(MOST_KEPT.sentences)
  const norms = remembered<string>(MOST_KEPT.norms)
  return (text, words) => {
    const tokens: Spelling[] = []
    const wordOf: number[] = []
    words.forEach((w, i) => {
      const pieces = piecesOf(text.slice(w.start, w.end))
      for (const p of pieces) {
        const split = pieces.length > 1 || touches(words, i)
        const norm = norms(`${split ? '+' : ' '}${p.text}`, () => normOf(weights, p.text, split))
        tokens.push({ text: p.text, norm, spaced: isSpace(text[w.start + p.end]) })
        wordOf.push(i)
      }
    })
    if (tokens.length === 0) return []
    const key = tokens.map((t) => t.text + (t.spaced ? ' ' : '\u0000')).join('')
    return wordsAgain(
      sentences(key, () => parse(tokens)),
      wordOf,
      words.length,
    )
  }
}

const isSpace = (c: string | undefined): boolean => c !== undefined && /\s/.test(c)
/** "it" and "'s" are two words already. */
const touches = (words: readonly { readonly start: number; readonly end: number }[], i: number): boolean =>
  words[i - 1]?.end === words[i]?.start || words[i + 1]?.start === words[i]?.end

const CLITICS = /^(?:n['’]t|['’](?:s|re|ve|ll|d|m)|ca|wo|sha)$/i
function normOf(weights: Weights, text: string, split: boolean): string {
  const clitic = split && CLITICS.test(text) ? weights.clitics[text] : undefined
  if (clitic !== undefined) return clitic
  const [low, high] = hash64(text, 1)
  const key = high.toString(16).padStart(8, '0') + low.toString(16).padStart(8, '0')
  return weights.norms[key] ?? weights.marks[text] ?? text.toLowerCase()
}

/** Nodes of pieces as nodes of words: a word is what its first piece is that belongs to another word. */
function wordsAgain({ tags, heads, labels }: Parse, wordOf: readonly number[], count: number): Node[] {
  const nodes: Node[] = new Array(count)
  wordOf.forEach((word, piece) => {
    const head = wordOf[heads[piece] as number] as number
    const root = heads[piece] === piece
    if (nodes[word] !== undefined || (head === word && !root)) return
    nodes[word] = { tag: tags[piece] as string, head, relation: labels[piece] as string }
  })
  return nodes
}
