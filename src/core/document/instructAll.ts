/** Several instructions typed at once: each sentence is understood on the figure as the ones before it leave it. */
import type { Figure } from '../figure'
import { said } from '../words'
import { all, apply } from './edit'
import { understand, type Drawable, type NewId, type Understanding } from './instruct'

/** Sentences and lines, but for what stands between quotation marks. */
export function instructionsIn(words: string): string[] {
  const out: string[] = []
  let now = ''
  let quoted = false
  for (const c of words) {
    if (/["“”]/.test(c)) quoted = c === '“' ? true : c === '”' ? false : !quoted
    if (!quoted && /[.;\n]/.test(c) && !/\d$/.test(now)) {
      out.push(now)
      now = ''
    } else now += c
  }
  return [...out, now].map((s) => s.trim()).filter(Boolean)
}

export type Meant = {
  /** The ways to take the whole; the likeliest first. */
  readonly ways: readonly Understanding[]
  /** The sentence that meant nothing here; null when all did. */
  readonly lost: string | null
}

/** What one or several instructions mean. Of several, each is taken in its likeliest way. */
export function understandAll(f: Figure, words: string, newId: NewId, drawable: Drawable): Meant {
  const sentences = instructionsIn(words)
  const [only] = sentences
  if (sentences.length === 1 && only !== undefined) {
    const ways = understand(f, only, newId, drawable)
    return { ways, lost: ways.length === 0 ? only : null }
  }
  let now = f
  const taken: Understanding[] = []
  for (const sentence of sentences) {
    const [way] = understand(now, sentence, newId, drawable)
    if (!way) return { ways: [], lost: sentence }
    taken.push(way)
    now = apply(now, way.edit).figure
  }
  const [first, ...more] = taken.map((t) => t.says)
  if (!first) return { ways: [], lost: null }
  const says = more.reduce((before, next) => said('{before}; {next}', { before, next }), first)
  return { ways: [{ says, edit: all(...taken.map((t) => t.edit)) }], lost: null }
}
