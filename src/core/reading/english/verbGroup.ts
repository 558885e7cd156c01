/** The verb of a clause with its helpers: who is told, whether it is asked for, forbidden, done or only said. */
import type { Tagged } from './tag'

export type VerbGroup = {
  readonly words: readonly Tagged[]
  /** Base form of the verb that counts: "must be checked" is check. */
  readonly base: string
  readonly modal: string | null
  readonly negative: boolean
  readonly passive: boolean
  readonly imperative: boolean
  /** Told as done: past or perfect. */
  readonly told: boolean
  /** A form of be with no verb behind it. */
  readonly copula: boolean
}

const BE = /^(?:is|are|was|were|be|been|being|am|isn't|aren't|wasn't|weren't)$/
const SEMI =
  /^(?:forget|remember|need|allow|require|oblige|expect|suppose|ask|tend|continue|begin|start|try|want|help|able|due)$/

export function verbGroup(words: readonly Tagged[], f: number): { group: VerbGroup; end: number } {
  let i = f
  let main = words[f] as Tagged
  const own: Tagged[] = []
  for (; i < words.length; i++) {
    const w = words[i] as Tagged
    if (
      w.tag === 'modal' ||
      w.tag === 'aux' ||
      w.tag === 'neg' ||
      (w.tag === 'adv' && !isPhrasal(words, i)) ||
      (w.tag === 'to' && i > f && words[i + 1] !== undefined)
    ) {
      if (
        w.tag === 'to' &&
        !(own.at(-1)?.tag === 'aux' || own.at(-1)?.tag === 'modal' || own.at(-1)?.tag === 'neg' || SEMI.test(main.base))
      )
        break
      own.push(w)
      if (w.tag === 'aux' || w.tag === 'modal') main = w
      if (w.tag === 'to') main = w
    } else if (w.tag === 'verb' || (i === f && w.finite)) {
      own.push(w)
      main = w
      if (SEMI.test(w.base) && words[i + 1]?.tag === 'to') continue
      i++
      break
    } else break
  }
  if (i === f) i = f + 1
  // An adverb behind a copula belongs to what follows.
  while (own.length > 1 && own.at(-1)?.tag === 'adv') {
    own.pop()
    i--
  }
  // "The orders get printed": done to them.
  const done = words[i]
  const getsDone = main.base === 'get' && done?.form === 'ed' && done.strength !== 'rare' && done.tag !== 'det'
  if (getsDone && done) {
    own.push(done)
    main = done
    i++
  }
  const before = own.slice(0, own.indexOf(main))
  const be = before.some((w) => BE.test(w.lower))
  const have = before.some((w) => /^(?:has|have|had)$/.test(w.lower)) && !own.some((w) => w.tag === 'to')
  const modal = own.find((w) => w.tag === 'modal')?.lower ?? (own.some((w) => w.tag === 'to') ? 'must' : null)
  const first = own[0] as Tagged
  return {
    group: {
      words: own,
      base: BE.test(main.lower) ? 'be' : main.base,
      modal,
      // "Do not forget to" asks for it.
      negative:
        own.some((w) => w.tag === 'neg' || /n't$/.test(w.lower) || w.lower === 'cannot') &&
        !(own.some((w) => w.base === 'forget') && main.base !== 'forget'),
      passive: getsDone || (be && main.tag === 'verb' && main.form === 'ed'),
      imperative:
        f === firstContent(words) &&
        ((first.tag === 'verb' && (first.form === 'base' || first.base === first.lower)) ||
          // "Have it sent over"
          (first.lower === 'have' &&
            /^(?:it|them|him|her|the|a|an)$/.test(words[f + 1]?.lower ?? '') &&
            words.slice(f + 2).some((w) => w.form === 'ed')) ||
          ((first.lower === 'do' || first.lower === "don't" || first.lower === 'be') && own.length >= 1)),
      told:
        have ||
        before.some((w) => /^(?:was|were|had)$/.test(w.lower)) ||
        (main === first && main.tag === 'verb' && main.form === 'ed' && main.base !== main.lower) ||
        /^(?:was|were|had|did)$/.test(main.lower),
      copula: BE.test(main.lower),
    },
    end: i,
  }
}

const isPhrasal = (words: readonly Tagged[], i: number): boolean => words[i - 1]?.tag === 'verb'
const firstContent = (words: readonly Tagged[]): number =>
  words.findIndex((w) => w.tag !== 'adv' && w.tag !== 'neg' && w.tag !== 'mark')
