/** What is said of what: the main clauses of a sentence, each with its subject and the words that say something of it. Verbs
 *  joined without a comma say it together ("begins at six and ends at nine"); reasons and remarks behind are not part of it. */
import type { Span } from '../../text'
import type { Clause } from './parse'
import type { Tagged } from './tag'

export type Predication = Span & {
  /** The phrase in front of the subject: "in winter", "unlike the bus". */
  readonly front: Span | null
  /** Null where it has none of its own: a command, a verb joined to the one before. */
  readonly subject: Span | null
  /** Only a pronoun: "they", "both". */
  readonly pointing: boolean
  /** "is", with a subject: says what it is. */
  readonly is: boolean
  /** What is said, without the subject; without "is" where nothing is denied. */
  readonly said: Span
}

/** Give the reason, or say what holds all the same: no part of what is said. */
const BESIDE = /^(?:because|since|as|although|though|even though|so that|so|while|whereas)$/

export function predicationsOf(clauses: readonly Clause[]): Predication[] {
  const out: Predication[] = []
  let open = true
  for (const [i, c] of clauses.entries()) {
    const last = out.at(-1)
    const main = !c.relative && (c.sub === null || /^(?:while|whereas|although|though)$/.test(c.sub))
    if (!main) {
      // "the goods that arrive late" goes on; ", which ..." and "because ..." do not.
      open &&= c.joint !== ',' && !(c.sub !== null && BESIDE.test(c.sub))
      if (last && open && c.start >= last.start) out[out.length - 1] = longer(last, c.end)
      continue
    }
    if (!c.verb) continue
    if (last && open && joinsOn(c, clauses[i - 1])) {
      out[out.length - 1] = longer(last, c.end)
      continue
    }
    out.push(predication(c))
    open = true
  }
  return out
}

const longer = (p: Predication, end: number): Predication => ({ ...p, end, said: { ...p.said, end } })

/** "wait, listen and ring": a verb alone before it, or no comma. */
const joinsOn = (c: Clause, before: Clause | undefined): boolean =>
  !c.ownSubject &&
  c.sub === null &&
  (/^(?:and|or|then)$/.test(c.joint) || (before?.verb !== null && before?.rest.length === 0))

function predication(c: Clause): Predication {
  const verb = c.verb as NonNullable<Clause['verb']>
  const own = c.ownSubject ? c.subject : []
  const there = own.length === 1 && own[0]?.lower === 'there'
  const plain = !verb.negative && verb.modal === null
  const withoutIs = verb.words.filter((w) => !IS.test(w.lower))
  const said =
    plain && (verb.copula || there || verb.passive) && c.rest.length + withoutIs.length > 0
      ? [...withoutIs, ...c.rest]
      : [...verb.words, ...c.rest]
  const clitics = !verb.negative && said.length > 1 && contracted(said[0]) ? 1 : 0
  return {
    start: c.start,
    end: c.end,
    front: spanOf(c.front),
    subject: there ? null : spanOf(own),
    pointing: own.every(
      (w) => (w.tag === 'pron' && !DENIES.test(w.lower)) || /^(?:both|either|all|each)$/.test(w.lower),
    ),
    is: verb.copula && own.length > 0 && !there,
    said: { start: Math.min(c.end, Math.max(c.start, spanOf(said.slice(clitics))?.start ?? c.start)), end: c.end },
  }
}

const IS = /^(?:is|are|was|were|am|be|been|['’](?:s|re|m))$/
/** "we've": a helper of which only the end is written, behind a subject that is not said again. */
const contracted = (w: Tagged | undefined): boolean => w !== undefined && w.end - w.start < w.lower.length
const DENIES = /^(?:nobody|nothing|none|neither|no-one)$/

const spanOf = (words: readonly Tagged[]): Span | null => {
  const sorted = words.toSorted((a, b) => a.start - b.start)
  const [first, last] = [sorted[0], sorted.at(-1)]
  return first && last ? { start: first.start, end: last.end } : null
}
