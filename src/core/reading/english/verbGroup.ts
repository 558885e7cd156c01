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
const HELPER = /^(?:aux|auxpass|neg)$/
/** Verbs and states that hand on to the next verb: "needs to be checked" is about checking. */
const SEMI =
  /^(?:forget|remember|need|allow|require|oblige|expect|suppose|ask|tend|continue|begin|start|try|want|help|able|due|have|get)$/

/** The words of the group by place, in order, and the verb that counts. Follows "to": "is allowed to use". */
function groupPlaces(words: readonly Tagged[], head: number): { readonly places: number[]; readonly main: number } {
  const places = new Set<number>()
  let main = head
  for (let k = 0; k < 4; k++) {
    places.add(main)
    words.forEach((w, i) => {
      if (w.head === main && i < main && HELPER.test(w.relation)) places.add(i)
      // "isn't", "are not": behind a form of be.
      if (w.head === main && i > main && w.relation === 'neg') places.add(i)
    })
    const next = handedOn(words, main)
    if (next < 0) break
    main = next
  }
  const from = Math.min(...places)
  const to = Math.max(...places)
  // Adverbs inside the group: "is then checked".
  for (let i = from; i < to; i++) if (words[i]?.tag === 'adv') places.add(i)
  // "is able to lift": what stands between belongs to it.
  if (main !== head) for (let i = head; i < main; i++) if (words[i]?.tag !== 'mark') places.add(i)
  return { places: [...places].sort((a, b) => a - b), main }
}

/** The verb behind "to" that this one hands on to; -1 for none. */
function handedOn(words: readonly Tagged[], at: number): number {
  const w = words[at] as Tagged
  const state = BE.test(w.lower) ? words.findIndex((x) => x.head === at && x.relation === 'acomp') : -1
  const from = state >= 0 ? state : at
  if (!SEMI.test((words[from] as Tagged).base)) return -1
  const next = words.findIndex((x, i) => i > from && x.head === from && x.relation === 'xcomp')
  const to = words.findIndex((x) => x.head === next && x.tag === 'to')
  // "want the crew to know": somebody else does it.
  return next > from && to > from && words.slice(from + 1, to).every((x) => x.tag === 'adv' || x.tag === 'neg')
    ? next
    : -1
}

export function verbGroup(
  all: readonly Tagged[],
  head: number,
  hasSubject: boolean,
): { group: VerbGroup; places: number[] } {
  const { places, main: at } = groupPlaces(all, head)
  const plain = all[at] as Tagged
  const main: Tagged = plain.tag === 'aux' || plain.tag === 'modal' ? plain : { ...plain, tag: 'verb' }
  const words = places.map((i) => (i === at ? main : (all[i] as Tagged)))
  const before = words.filter((w) => w !== main)
  const be = before.some((w) => BE.test(w.lower))
  const got = before.some((w) => w.base === 'get' && w.relation === 'auxpass')
  const have = before.some((w) => /^(?:has|have|had)$/.test(w.lower)) && !words.some((w) => w.tag === 'to')
  const first = words.find((w) => w.tag !== 'adv' && w.tag !== 'neg') ?? main
  return {
    places,
    group: {
      words,
      base: BE.test(main.lower) ? 'be' : main.base,
      modal: words.find((w) => w.tag === 'modal')?.lower ?? (words.some((w) => w.tag === 'to') ? 'must' : null),
      // "Do not forget to" asks for it.
      negative:
        words.some((w) => w.tag === 'neg' || /n't$/.test(w.lower) || w.lower === 'cannot') &&
        !(words.some((w) => w.base === 'forget') && main.base !== 'forget'),
      passive: got || (be && main.form === 'ed' && main.pos !== 'VBD'),
      imperative: !hasSubject && (first.pos === 'VB' || first.pos === 'VBP' || /^(?:do|don't|be)$/.test(first.lower)),
      told:
        have ||
        before.some((w) => /^(?:was|were|had)$/.test(w.lower)) ||
        (first === main && main.pos === 'VBD') ||
        /^(?:was|were|had|did)$/.test(main.lower),
      copula: BE.test(main.lower),
    },
  }
}
