/** Cuts a tagged sentence at marks, conjunctions, subordinators and relatives. */
import { nounPhraseStart } from './secondVerbs'
import { EITHER, type Tagged } from './tag'

export type Piece = {
  readonly opener: Tagged | null
  readonly sub: string | null
  readonly lead: Tagged | null
  readonly relative: boolean
  readonly words: readonly Tagged[]
}

/** Stretches between cuts. A second finite verb after a relative or in one stretch starts a piece of its own. */
export function pieces(words: readonly Tagged[]): Piece[] {
  const out: Piece[] = []
  let now: Tagged[] = []
  let opener: Tagged | null = null
  let sub: string | null = null
  let lead: Tagged | null = null
  let relative = false
  const close = () => {
    if (now.length > 0 || sub !== null) out.push({ opener, sub, lead, relative, words: now })
    now = []
    sub = null
    lead = null
    relative = false
  }
  words.forEach((w, i) => {
    const cuts = w.tag === 'mark' ? !/^["“”'’[\]/&%€$£+=#]$/.test(w.text) : w.tag === 'conj'
    if (cuts) {
      // "twice and only then switch on the heater"
      if (w.lower === 'then' && now.length === 1 && now[0]?.lower === 'only') now = []
      const empty = now.length === 0 && sub === null && !now.some((x) => x.lower === 'means')
      close()
      if (!empty || opener === null || w.tag === 'conj') opener = w
      return
    }
    const either = EITHER.has(w.lower) && (w.tag === 'prep' || w.tag === 'sub') && hasVerbBeforeCut(words, i + 1)
    if (w.tag === 'sub' || w.tag === 'rel' || either) {
      const multi =
        /^(?:soon|long|case|that)$/.test(words[i + 1]?.lower ?? '') && /^(?:as|in|so|provided)$/.test(w.lower)
      const continuing = sub !== null && now.length === 0
      if (!continuing) {
        const joint = now.length > 0 ? null : opener
        close()
        opener = joint
        sub =
          w.tag === 'rel' ? null : w.lower === 'should' ? 'if' : multi ? `${w.lower} ${words[i + 1]?.lower}` : w.lower
        lead = w
        relative = w.tag === 'rel'
      }
      if (w.tag === 'rel') now.push(w)
      return
    }
    if (
      sub !== null &&
      now.length === 0 &&
      /^(?:soon|long|case|that|as)$/.test(w.lower) &&
      /^(?:as|in|so|provided)\b/.test(sub)
    )
      return
    const second = w.finite && now.some((x) => x.finite)
    const gap = second && sub === null && !relative ? reducedRelative(now) : 0
    if (gap > 0) {
      // "Parcels nobody picks up are sent back": a relative clause without its pronoun.
      const clause = now.splice(gap)
      out.push(
        { opener, sub, lead, relative, words: now },
        { opener: null, sub: null, lead: null, relative: true, words: clause },
      )
      opener = null
      now = [w]
      return
    }
    if (second) {
      // "If he says no you will": the second verb takes its pronoun along.
      const at = now.findLastIndex((x) => x.tag !== 'adv')
      const phrase = sub === null ? -1 : nounPhraseStart(now, now.findIndex((x) => x.finite) + 1, now.length)
      // "Whoever takes it writes a ticket": what is taken.
      const taken = (now[0]?.lower === 'whoever' || (relative && w.form === 's')) && now[at - 1]?.finite === true
      const name = sub !== null && at > 1 && /^\p{Lu}\p{Ll}/u.test(now[at]?.text ?? '') && now[at - 1]?.finite === true
      const subject = name
        ? now.splice(at)
        : now[at]?.tag === 'pron' && at > 0 && !taken
          ? now.splice(at)
          : phrase > 0
            ? now.splice(phrase)
            : []
      close()
      opener = null
      now.push(...subject)
    }
    now.push(w)
  })
  close()
  return out
}

/** Where in "parcels nobody picks up" the relative clause begins; 0 when there is none. */
function reducedRelative(words: readonly Tagged[]): number {
  const at = words.findIndex(
    (w, i) => i > 0 && w.tag === 'pron' && SUBJECT.test(w.lower) && words[i - 1]?.tag === 'noun',
  )
  return at > 0 && words[at + 1]?.finite && !words.slice(0, at).some((w) => w.finite || w.tag === 'prep') ? at : 0
}
const SUBJECT = /^(?:we|you|they|i|he|she|it|nobody|somebody|someone)$/

/** "before you start", "after loading": a clause; "after the meeting": a phrase. */
function hasVerbBeforeCut(words: readonly Tagged[], from: number): boolean {
  if (words[from]?.form === 'ing') {
    // "before starting they put out the signs": a phrase, then the subject.
    const verb = words.findIndex((w, i) => i > from && (w.finite || w.tag === 'mark'))
    return !(words[verb]?.finite === true && SUBJECT.test(words[verb - 1]?.lower ?? ''))
  }
  // "After that it goes to the police"
  if (/^(?:that|this)$/.test(words[from]?.lower ?? '') && /^(?:pron|det)$/.test(words[from + 1]?.tag ?? ''))
    return false
  for (let i = from; i < words.length; i++) {
    const w = words[i] as Tagged
    if (w.tag === 'mark' || w.tag === 'conj' || w.tag === 'sub') return false
    // "before departure the mate reads": a phrase, then the subject.
    // "after the second firing you will": likewise.
    const secondPhrase = words
      .slice(from + 1, i)
      .some(
        (x, k) => (x.tag === 'det' || (x.tag === 'pron' && SUBJECT.test(x.lower))) && words[from + k]?.tag === 'noun',
      )
    if (w.finite) return i > from && !secondPhrase
  }
  return false
}
