/** An English sentence as clauses: who, the verb group, what; how each hangs on the one before. Built from tagged words by
 *  cutting at marks, conjunctions, subordinators and relatives and joining what has no verb of its own. No grammar tree:
 *  steps and relations need no more than this. */
import { TIMES, frontEnd, isFront } from './front'
import type { Span } from '../../text'
import { pieces, type Piece } from './pieces'
import { tagged, type Tagged } from './tag'
import { verbGroup, type VerbGroup } from './verbGroup'
import { isWord, wordsOf, type Lexicon } from './words'

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
        // "how many meals to cook"
        done: f >= 0 || (/^(?:how|what|where|whether)$/.test(p.sub ?? '') && p.words.some((w) => w.tag === 'to')),
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
    if (f === 0 && current.relative && current.done && /^(?:and|or)$/.test(joint)) {
      // "which costs 600 and fails at times": the relative goes on.
      drafts.push({
        words: [...p.words],
        joint,
        sub: null,
        lead: null,
        relative: true,
        front: [],
        done: true,
        interrupted: false,
      })
      return
    }
    if (f >= 0) {
      const pending = drafts.findLast((d) => !d.relative && !d.done)
      const between = pending ? drafts.slice(drafts.indexOf(pending) + 1) : []
      if (pending && !hard && pending.sub === null && between.every((d) => d.relative || d.sub !== null)) {
        // "The final module, Emergencies, includes": a name between marks.
        const marks = pending.words.filter((w) => w.tag === 'mark' || w.tag === 'conj')
        if (
          f === 0 &&
          joint === ',' &&
          between.length === 0 &&
          marks.length === 1 &&
          marks[0]?.text === ',' &&
          p.words[0]?.form === 's' &&
          pending.words[0]?.tag === 'det'
        )
          pending.interrupted = true
        if (
          f === 0 &&
          /^(?:,|and|or|)$/.test(joint) &&
          between.every((d) => d.relative) &&
          !isFront(pending.words) &&
          (between.length > 0 || pending.interrupted)
        ) {
          // "The bosun, who holds the licence, plans ...": the verb of the subject before the relative.
          const name = pending.words.findIndex((w) => w.text === ',')
          // "The third group, galley gear, is ...": the name says which.
          const ordinal = pending.words.slice(0, Math.max(0, name)).some((w) => ORDINAL.test(w.lower))
          if (name > 0) pending.words.splice(ordinal ? 0 : name, ordinal ? name + 1 : pending.words.length)
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
    // "..., everything else by post": another case, though its verb is left out.
    const others =
      /^(?:everything|anything|everyone|the|all|others)$/.test(p.words[0]?.lower ?? '') &&
      (p.words[0]?.lower !== 'the' || /^(?:rest|others?)$/.test(p.words[1]?.lower ?? '')) &&
      p.words.length > 2 &&
      /^(?:else|others?|rest|by|to|in|with)$/.test(p.words[1]?.lower ?? '')
    if ((hard && joint !== ':') || (joint === ',' && others && current.done)) open()
    else if (current.sub !== null && current.done && joint === ',' && drafts.every((d) => d.sub !== null)) open()
    else if (current.relative && joint === ',' && current.done) open()
    else if (current.sub !== null && current.done && joint === 'or' && list[k + 1]?.sub === current.sub) open()
    else if (
      !current.done &&
      joint === ',' &&
      isFront(p.words) &&
      !isFront(current.words) &&
      list.slice(k + 1).some((x) => verbIn(x) >= 0)
    ) {
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

const ORDINAL = /^(?:first|second|third|fourth|fifth|last|final|other|next)$/

function clauseOf({ words, joint, sub, lead, relative, front }: Draft): Clause {
  const from = (front[0] ?? words[0])?.start ?? 0
  const to = words.at(-1)?.end ?? 0
  const f = words.findIndex((w) => w.finite)
  const base = { start: from, end: to, joint, sub, lead, relative, asides: [] }
  if (f < 0)
    return {
      start: from,
      end: to,
      joint,
      sub,
      lead,
      relative,
      asides: [],
      front,
      subject: [],
      ownSubject: false,
      verb: null,
      rest: words,
    }
  const { group, end } = verbGroup(words, f)
  const ahead = words.slice(0, f)
  // "At eight unlock the door": an order, and the phrase says when.
  const [opening, v] = [ahead[0], words[f]]
  const ordered =
    sub === null &&
    (opening?.tag === 'prep' ||
      (/^(?:next|every|each|this)$/.test(opening?.lower ?? '') && TIMES.test(ahead.at(-1)?.lower ?? ''))) &&
    v?.tag === 'verb' &&
    v.form === 'base' &&
    /^(?:noun|num)$/.test(ahead.at(-1)?.tag ?? '') &&
    !/[^su]s$/.test(ahead.at(-1)?.lower ?? '')
  // "Under her are the ticket office and the yard": the subject stands behind.
  const turned =
    sub === null &&
    /^(?:under|below|beneath|above|behind|among|amongst|in|on|at|inside)$/.test(opening?.lower ?? '') &&
    /^(?:be|come|stand|lie|hang|sit)$/.test(group.base) &&
    ahead.at(-1)?.lower !== 'there' &&
    ahead.slice(1).every((w) => /^(?:det|adj|num|pron)$/.test(w.tag) || (w.tag === 'noun' && w.form !== 'ing')) &&
    /^(?:det|num|pron)$/.test(ahead[1]?.tag ?? '') &&
    /^(?:det|num|noun|adj)$/.test(words[end]?.tag ?? '')
  const cut = ordered || turned ? ahead.length : frontEnd(ahead)
  // "Anything with glaze on the foot we grind off", "Vehicles we divide into ...": the object stands in front.
  const last = ahead.at(-1)
  const objectFirst =
    sub === null &&
    cut === 0 &&
    ahead.length > 1 &&
    last?.tag === 'pron' &&
    /^(?:we|you|they|i|there)$/.test(last.lower) &&
    /^(?:noun|pron|det|adj|num)$/.test(opening?.tag ?? '') &&
    /^(?:noun|adj)$/.test(ahead.at(-2)?.tag ?? '')
  if (objectFirst)
    return { ...base, ...withObjectFirst(ahead, group, words.slice(end)), front: [...front, ...ahead.slice(0, -1)] }
  const inverted = ahead.length === 0 && sub === null && (words[f]?.tag === 'modal' || words[f]?.tag === 'aux')
  return {
    ...base,
    front: [...front, ...ahead.slice(0, cut)],
    subject: ahead.slice(cut).filter(
      (w, i, all) =>
        w.tag !== 'adv' &&
        // "anyone not on the list"
        (w.tag !== 'neg' || (i > 0 && all[i + 1]?.tag === 'prep')) &&
        !(w.tag === 'rel' && i === 0 && all.length > 1),
    ),
    ownSubject: ahead.slice(cut).some((w) => w.tag !== 'adv' && w.tag !== 'neg') || inverted,
    verb: {
      ...group,
      imperative: group.imperative || ordered,
      negative:
        group.negative ||
        ahead.some((w) => w.lower === 'no' || w.lower === 'nobody' || w.lower === 'nothing' || w.tag === 'neg'),
    },
    rest: words.slice(end),
  }
}

const withObjectFirst = (ahead: readonly Tagged[], verb: VerbGroup, rest: readonly Tagged[]) => ({
  subject: ahead.slice(-1),
  ownSubject: true,
  verb,
  rest,
})

/** A verb without a subject of its own has the one before: "checks the ramp and lowers it". */
function inherited(clauses: readonly Clause[]): Clause[] {
  const out: Clause[] = []
  for (const c of clauses) {
    const from = out.findLast((x) => x.sub === null && !x.relative && x.verb !== null)
    // "Whoever takes it writes a ticket"
    const whoever = out.at(-1)
    const free = whoever?.relative && /^(?:whoever|anyone who)$/.test(whoever.subject[0]?.lower ?? '') ? whoever : null
    if (free && c.verb && c.sub === null && !c.relative && c.subject.length === 0 && c.joint === '') {
      out.push({ ...c, subject: free.subject.slice(0, 1), ownSubject: true })
      continue
    }
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
