/** An English sentence as clauses: who, the verb group, what; how each hangs on the one before. Built from tagged words by
 *  cutting at marks, conjunctions, subordinators and relatives and joining what has no verb of its own. No grammar tree:
 *  steps and relations need no more than this. */
import type { Span } from '../../text'
import { EITHER, tagged, type Tagged } from './tag'
import { isWord, wordsOf, type Lexicon } from './words'

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
export type Clause = Span & {
  /** What joins it to the clause before: a mark, a conjunction, or nothing at the start. */
  readonly joint: string
  /** "if", "when", "because" ...; null in a main clause. */
  readonly sub: string | null
  /** The word that `sub` is read from. */
  readonly lead: Tagged | null
  /** "who", "which", "that": says more about the last noun phrase of the clause before. */
  readonly relative: boolean
  /** A phrase in front of the subject: "At closing time,". */
  readonly front: readonly Tagged[]
  readonly subject: readonly Tagged[]
  /** False when the subject was taken over from the clause before. */
  readonly ownSubject: boolean
  readonly verb: VerbGroup | null
  readonly rest: readonly Tagged[]
  /** Words between brackets, kept apart. */
  readonly asides: readonly (readonly Tagged[])[]
}

const MOST_WORDS = 400

type Piece = {
  readonly opener: Tagged | null
  readonly sub: string | null
  readonly lead: Tagged | null
  readonly relative: boolean
  readonly words: readonly Tagged[]
}

export function parse(text: string, sentence: Span, lexicon: Lexicon): Clause[] {
  const words = wordsOf(text, sentence).slice(0, MOST_WORDS)
  if (!words.some(isWord)) return []
  const { outside, asides } = withoutBrackets(tagged(words, lexicon))
  const clauses = joined(pieces(outside))
  return withAsides(
    clauses.filter((c) => c.end > c.start),
    asides,
  )
}

function withoutBrackets(words: readonly Tagged[]): { outside: Tagged[]; asides: Tagged[][] } {
  const outside: Tagged[] = []
  const asides: Tagged[][] = []
  let inside: Tagged[] | null = null
  for (const w of words) {
    if (w.text === '(' && inside === null) inside = []
    else if (w.text === ')' && inside !== null) {
      asides.push(inside)
      inside = null
    } else (inside ?? outside).push(w)
  }
  return inside === null ? { outside, asides } : { outside: [...outside, ...inside], asides }
}

const withAsides = (clauses: readonly Clause[], asides: readonly (readonly Tagged[])[]): Clause[] =>
  clauses.map((c, i) => {
    const next = clauses[i + 1]?.start ?? Infinity
    const own = asides.filter((a) => (a[0]?.start ?? 0) >= c.start && (a[0]?.start ?? 0) < next)
    return own.length > 0 ? { ...c, asides: own } : c
  })

/** Stretches between cuts. A second finite verb after a relative or in one stretch starts a piece of its own. */
function pieces(words: readonly Tagged[]): Piece[] {
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
      const empty = now.length === 0 && sub === null
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
    if (second) {
      // "If he says no you will": the second verb takes its pronoun along.
      const at = now.findLastIndex((x) => x.tag !== 'adv')
      const subject = now[at]?.tag === 'pron' && at > 0 ? now.splice(at) : []
      close()
      opener = null
      now.push(...subject)
    }
    now.push(w)
  })
  close()
  return out
}

/** "before you start", "after loading": a clause; "after the meeting": a phrase. */
function hasVerbBeforeCut(words: readonly Tagged[], from: number): boolean {
  if (words[from]?.form === 'ing') return true
  for (let i = from; i < words.length; i++) {
    const w = words[i] as Tagged
    if (w.tag === 'mark' || w.tag === 'conj' || w.tag === 'sub') return false
    // "before departure the mate reads": a phrase, then the subject.
    const secondPhrase = words.slice(from + 1, i).some((x, k) => x.tag === 'det' && words[from + k]?.tag === 'noun')
    if (w.finite) return i > from && !secondPhrase
  }
  return false
}

type Draft = {
  words: Tagged[]
  joint: string
  sub: string | null
  lead: Tagged | null
  relative: boolean
  front: Tagged[]
  done: boolean
  interrupted: boolean
}

/** Joins pieces without a verb to their neighbours, as subject, object or fronted phrase. */
function joined(list: readonly Piece[]): Clause[] {
  const drafts: Draft[] = []
  const verbIn = (p: Piece) => p.words.findIndex((w) => w.finite)
  const laterMain = (k: number) =>
    list
      .slice(k + 1)
      .some(
        (p) =>
          p.sub === null && !p.relative && verbIn(p) >= 0 && (p.opener?.text === ',' || p.opener?.lower === 'then'),
      )
  list.forEach((p, k) => {
    const f = verbIn(p)
    const current = drafts.at(-1)
    const joint = p.opener?.lower ?? ''
    if (p.sub !== null || p.relative) {
      drafts.push({
        words: [...p.words],
        joint,
        sub: p.sub,
        lead: p.lead,
        relative: p.relative,
        front: [],
        done: f >= 0,
        interrupted: false,
      })
      return
    }
    const open = (front: Tagged[] = []) =>
      drafts.push({
        words: [...p.words],
        joint,
        sub: null,
        lead: null,
        relative: false,
        front,
        done: f >= 0,
        interrupted: false,
      })
    if (!current) {
      open()
      return
    }
    const hard = /^[;:–—.→=!?]$/.test(joint)
    if (f >= 0) {
      const pending = drafts.findLast((d) => !d.relative && !d.done)
      const between = pending ? drafts.slice(drafts.indexOf(pending) + 1) : []
      if (pending && !hard && pending.sub === null && between.every((d) => d.relative || d.sub !== null)) {
        if (
          f === 0 &&
          /^(?:,|and|or|)$/.test(joint) &&
          between.every((d) => d.relative) &&
          !isFront(pending.words) &&
          (between.length > 0 || pending.interrupted)
        ) {
          // "The bosun, who holds the licence, plans ...": the verb of the subject before the relative.
          pending.words.push(...p.words)
          pending.done = true
          return
        }
        if (between.length === 0 && isFront(pending.words) && joint === ',') {
          drafts.pop()
          open([...pending.front, ...pending.words])
          return
        }
        if (between.length === 0 && (joint === 'and' || joint === 'or' || joint === ',' || joint === 'nor') && f > 0) {
          pending.words.push(p.opener as Tagged, ...p.words)
          pending.done = true
          return
        }
        if (between.length === 0 && joint === '') {
          pending.words.push(...p.words)
          pending.done = true
          return
        }
      }
      if (
        pending &&
        pending.sub !== null &&
        pending === current &&
        !hard &&
        joint !== ',' &&
        joint !== 'then' &&
        joint !== ''
      ) {
        // "if wind and swell are high"
        pending.words.push(p.opener as Tagged, ...p.words)
        pending.done = true
        return
      }
      const insideSub =
        current.sub !== null &&
        current.done &&
        (joint === 'and' || joint === 'or') &&
        drafts.slice(0, -1).every((d) => d.sub !== null || !d.done) &&
        laterMain(k)
      drafts.push({
        words: [...p.words],
        joint,
        sub: insideSub ? current.sub : null,
        lead: null,
        relative: false,
        front: [],
        done: true,
        interrupted: false,
      })
      return
    }
    if (hard && joint !== ':') open()
    else if (current.sub !== null && current.done && joint === ',' && drafts.every((d) => d.sub !== null)) open()
    else if (current.relative && joint === ',' && current.done) open()
    else if (current.sub !== null && current.done && joint === 'or' && list[k + 1]?.sub === current.sub) open()
    else if (!current.done && joint === ',' && isFront(p.words) && !isFront(current.words)) {
      // "Yeast bread, in contrast, rises": a phrase between subject and verb.
      current.front.push(...p.words)
      current.interrupted = true
    } else {
      if (p.opener) current.words.push(p.opener)
      current.words.push(...p.words)
    }
  })
  return inherited(drafts.map(clauseOf))
}

const TIMES =
  /^(?:day|days|week|weeks|month|months|year|years|morning|evening|night|afternoon|hour|hours|minute|minutes|monday|tuesday|wednesday|thursday|friday|saturday|sunday|lunchtime|time|spring|summer|autumn|winter|once|next|today)$/
/** "At closing time", "To join the club", "Every morning", "However": no subject. */
function isFront(words: readonly Tagged[]): boolean {
  const first = words.find((w) => w.tag !== 'mark')
  if (!first) return true
  return (
    first.tag === 'prep' ||
    first.tag === 'to' ||
    first.tag === 'adv' ||
    first.tag === 'neg' ||
    first.form === 'ing' ||
    (first.form === 'ed' && first.base !== first.lower && first.tag !== 'verb') ||
    words.every((w) => w.tag === 'adv') ||
    TIMES.test(words.at(-1)?.lower ?? '')
  )
}

const NO_VERB = { front: [], ownSubject: false, verb: null } as const

function clauseOf({ words, joint, sub, lead, relative, front }: Draft): Clause {
  const span = { start: (front[0] ?? words[0])?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  const f = words.findIndex((w) => w.finite)
  const base = { ...span, joint, sub, lead, relative, asides: [] }
  if (f < 0) return { ...base, ...NO_VERB, front, subject: [], rest: words }
  const { group, end } = verbGroup(words, f)
  const ahead = words.slice(0, f)
  const cut = frontEnd(ahead)
  const inverted = ahead.length === 0 && sub === null && (words[f]?.tag === 'modal' || words[f]?.tag === 'aux')
  return {
    ...base,
    front: [...front, ...ahead.slice(0, cut)],
    subject: ahead
      .slice(cut)
      .filter((w, i, all) => w.tag !== 'adv' && w.tag !== 'neg' && !(w.tag === 'rel' && i === 0 && all.length > 1)),
    ownSubject: ahead.slice(cut).some((w) => w.tag !== 'adv' && w.tag !== 'neg') || inverted,
    verb: {
      ...group,
      negative:
        group.negative ||
        ahead.some((w) => w.lower === 'no' || w.lower === 'nobody' || w.lower === 'nothing' || w.tag === 'neg'),
    },
    rest: words.slice(end),
  }
}

/** "Half an hour before departure the mate": the subject begins at the last determiner that follows a time or a place. */
function frontEnd(ahead: readonly Tagged[]): number {
  if (
    !isFront(ahead.slice(0, 1)) &&
    !/^(?:every|each|half|two|this|that)$/.test(ahead[0]?.lower ?? '') &&
    !TIMES.test(ahead[0]?.lower ?? '')
  )
    return 0
  if (ahead.every((w) => w.tag === 'adv')) return ahead.length
  const pron = ahead.findLastIndex((w, i) => i > 0 && w.tag === 'pron' && ahead[i - 1]?.tag !== 'prep')
  if (pron > 0) return pron
  const det = ahead.findLastIndex(
    (w, i) =>
      i > 1 &&
      w.tag === 'det' &&
      ahead[i - 1]?.tag !== 'prep' &&
      ahead[i - 1]?.tag !== 'conj' &&
      ahead[i - 1]?.tag !== 'mark',
  )
  if (det > 0) return det
  const adverbs = ahead.findIndex((w) => w.tag !== 'adv' && w.tag !== 'neg')
  if (adverbs > 0) return ahead[adverbs]?.tag === 'prep' ? ahead.length : adverbs
  const plain = ahead.findIndex(
    (w, i) => i > 1 && ahead[i - 1]?.tag === 'noun' && TIMES.test((ahead[i - 1] as Tagged).lower),
  )
  return plain > 0 ? plain : ahead[0]?.tag === 'prep' ? 0 : 0
}

const BE = /^(?:is|are|was|were|be|been|being|am|isn't|aren't|wasn't|weren't)$/
const SEMI =
  /^(?:forget|remember|need|allow|require|oblige|expect|suppose|ask|tend|continue|begin|start|try|want|help|able|due)$/

function verbGroup(words: readonly Tagged[], f: number): { group: VerbGroup; end: number } {
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
        !own.some((w) => w.base === 'forget'),
      passive: be && main.tag === 'verb' && main.form === 'ed',
      imperative:
        f === firstContent(words) &&
        ((first.tag === 'verb' && (first.form === 'base' || first.base === first.lower)) ||
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

/** A verb without a subject of its own has the one before: "checks the ramp and lowers it". */
function inherited(clauses: readonly Clause[]): Clause[] {
  const out: Clause[] = []
  for (const c of clauses) {
    const from = out.findLast((x) => x.sub === null && !x.relative && x.verb !== null)
    const takes =
      c.verb !== null &&
      c.sub === null &&
      !c.relative &&
      c.subject.length === 0 &&
      from !== undefined &&
      /^(?:and|or|but|then|,|nor|yet)$/.test(c.joint)
    const agrees =
      takes &&
      !(
        c.verb?.imperative &&
        !from.verb?.imperative &&
        from.verb?.modal === null &&
        !(from.verb?.words[0]?.form === 'base')
      )
    if (!takes || !agrees || from.verb === null || c.verb === null) out.push(c)
    else
      out.push({
        ...c,
        subject: from.subject,
        verb: {
          ...c.verb,
          imperative: from.verb.imperative,
          passive: c.verb.passive || (from.verb.passive && c.verb.words[0]?.form === 'ed'),
          told: from.verb.passive && c.verb.words[0]?.form === 'ed' ? from.verb.told : c.verb.told,
          modal: c.verb.modal ?? from.verb.modal,
        },
      })
  }
  return out
}
