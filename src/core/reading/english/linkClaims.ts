/** Who does what to what in English clauses: subject, verb with its preposition, object. The pattern verb, verb and
 *  preposition, verb and words and preposition is that of Fader, Soderland, Etzioni 2011, "Identifying Relations for Open
 *  Information Extraction". */
import type { LinkClaim, Named } from '../claims'
import { joined } from './label'
import { itemsOf, mention, mentions, objectAndRest, bare } from './phrases'
import type { Clause } from './parse'
import type { Tagged } from './tag'

/** What "it", "this" and "they" stood for last. */
export type Discourse = { subject: readonly Named[]; object: readonly Named[] }

const NO_RELATION = new Set(
  'say think know believe hope look seem feel want like wish go come do try begin start stop continue happen occur live stay become get'.split(
    ' ',
  ),
)
const STATED = /^(?:that|because|since|if|when|while|whereas|although|though|so that|as|so|whenever|once|where)$/

export function linkClaims(clauses: readonly Clause[], discourse: Discourse): LinkClaim[] {
  const out: LinkClaim[] = []
  for (const c of clauses) {
    // "Plants? They clean the air": the question names what follows is about.
    if (!c.verb && clauses.length === 1 && c.rest.length <= 4)
      discourse.subject = mentions(c.rest).filter((m) => !m.pronoun)
    if (!c.verb || c.verb.imperative || (c.sub !== null && !STATED.test(c.sub))) continue
    const from = subjectsOf(c, clauses, discourse, out)
    if (from.length === 0) continue
    const told = targetsOf(c)
    const claims = told.filter((t) => t.to.length > 0)
    for (const { to, words } of claims)
      out.push({
        relation: 'link',
        from,
        to: to.map((m) => resolved(m, discourse.object[0] ?? null)),
        words,
        verb: c.verb.base,
        negative: c.verb.negative,
        rule: 'says',
        span: { start: c.start, end: c.end },
        weight: weightOf(c),
      })
    if (c.ownSubject || c.relative) discourse.subject = from
    const last = claims.at(-1)?.to.filter((m) => !m.pronoun) ?? []
    // "Carbon dioxide builds up. That makes ...": where nothing is done to anything, it is the subject.
    if (last.length > 0) discourse.object = last
    else if (c.ownSubject && !c.verb.copula) discourse.object = from
  }
  return out
}

/** What was done once, and what we or you do, is a story or a rule rather than how things hang together. */
function weightOf(c: Clause): number {
  if (c.verb?.told || c.verb?.modal === 'would') return 0.3
  return c.subject.some((w) =>
    /^(?:we|you|i|he|she|us|our|my|nobody|somebody|someone|everybody|everyone)$/.test(w.lower),
  )
    ? 0.3
    : 0.6
}
const resolved = (m: Named, to: Named | null): Named => (m.pronoun && to ? { ...to, span: m.span } : m)

function subjectsOf(c: Clause, all: readonly Clause[], d: Discourse, out: readonly LinkClaim[]): readonly Named[] {
  if (c.relative) {
    const before = all.slice(0, all.indexOf(c)).findLast((x) => !x.relative)
    if (!before) return []
    const objects = before.rest.length > 0 ? nearest(before) : null
    if (c.subject.length > 0 && c.subject[0]?.tag !== 'rel') return mentions(c.subject).filter((m) => !m.pronoun)
    return objects ? [objects] : mentions(before.subject)
  }
  if (!c.ownSubject && c.subject.length > 0) {
    const same = out.at(-1)
    return same && c.joint !== '' ? same.from : mentions(c.subject)
  }
  const list = mentions(c.subject)
  const [first] = list
  if (!first) return []
  if (!first.pronoun) return list
  if (/^(?:this|that)$/.test(first.pronoun)) return d.object.slice(0, 1)
  if (/^(?:it|they|he|she)$/.test(first.pronoun)) return d.subject
  if (/^(?:these|those)$/.test(first.pronoun)) return d.object
  return []
}

/** The noun phrase that a relative pronoun follows. */
function nearest(before: Clause): Named | null {
  const { object, tail } = objectAndRest(before.rest)
  const phrase = tail.length > 0 && tail[0]?.tag === 'prep' ? tail.slice(1) : object
  const last = itemsOf(phrase).at(-1)
  return last ? mention(last) : null
}

/** The objects of a clause with the words that lead to them: "gives orders to the helmsman" gives two. */
function targetsOf(c: Clause): { to: readonly Named[]; words: string }[] {
  const verb = c.verb as NonNullable<Clause['verb']>
  if (NO_RELATION.has(verb.base) && !/^(?:up|from|to|in|out|into|down)$/.test(c.rest[0]?.lower ?? '')) return []
  const { prep, object, tail } = objectAndRest(c.rest)
  const adverb = c.rest.filter((w, i) => w.tag === 'adv' && i === 0 && !/ly$/.test(w.lower))
  const says = joined([
    ...verb.words.filter((w) => w.tag !== 'adv' || w.lower === 'also'),
    ...adverb,
    ...prep,
  ]).toLowerCase()
  if (verb.copula) {
    const nominal = /^(?:a|an|the|one|part)$/.test(object[0]?.lower ?? '') || prep.length > 0
    const of = c.rest.findIndex((w) => w.lower === 'of')
    if (
      /^(?:part|kind|type|form|example|factor|cause|result|source|sign)$/.test(bare(object)[0]?.lower ?? '') &&
      of > 0
    )
      return [{ to: mentions(c.rest.slice(of + 1)), words: `${says} ${joined(c.rest.slice(0, of + 1)).toLowerCase()}` }]
    return nominal && object.at(-1)?.tag === 'noun' ? [{ to: mentions(object), words: says }] : []
  }
  const to = mentions(object)
  // "depends on whether": nothing named.
  if (to.length === 0) return []
  const [particle] = tail
  const verbless = object.findIndex((w, i) => i > 0 && w.form === 'base' && w.strength === 'only')
  if (verbless > 0)
    return [
      { to: mentions(object.slice(0, verbless)), words: `${says} ${joined(object.slice(verbless)).toLowerCase()}` },
    ]
  if (
    particle?.tag === 'prep' &&
    prep.length === 0 &&
    /^(?:to|with|from|into|against|for)$/.test(particle.lower) &&
    verb.base === 'give'
  ) {
    const second = objectAndRest(tail)
    return [{ to: mentions(second.object), words: `${says} ${joined([...bare(object), particle]).toLowerCase()}` }]
  }
  return [{ to, words: says }]
}

/** "Fender: a cushion that protects the hull": a term, what it is, and what is said of it. */
export function definitionClaims(term: Named, clauses: readonly Clause[]): LinkClaim[] {
  const [first] = clauses
  if (!first) return []
  const span = { start: term.span.start, end: clauses.at(-1)?.end ?? first.end }
  const base = { relation: 'link', span, weight: 0.8, negative: false } as const
  const genus =
    first.verb === null ? first.rest : [...first.front, ...first.subject, ...(first.verb?.words ?? []), ...first.rest]
  const out: LinkClaim[] = []
  const what = mention(first.verb === null ? genus : [])
  if (what.key !== '' && what.key !== term.key)
    out.push({ ...base, from: [term], to: [what], words: 'is', verb: 'be', rule: 'definition' })
  for (const c of clauses) {
    if (!c.verb || (!c.relative && c !== first)) continue
    const place = c.subject[0]?.lower === 'who' || c.subject[0]?.lower === 'which' || c.subject[0]?.lower === 'that'
    const from =
      c.relative && place && c.subject.length === 1
        ? [term]
        : mentions(c.subject.filter((w: Tagged) => w.tag !== 'rel'))
    for (const { to, words } of targetsOf(c))
      out.push({
        ...base,
        from,
        to,
        words,
        verb: c.verb.base,
        rule: 'definition',
        span: { start: c.start, end: c.end },
      })
  }
  return out
}
