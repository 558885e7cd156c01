/** Who does what to what in English clauses: subject, verb with its preposition, object. The pattern verb, verb and
 *  preposition, verb and words and preposition is that of Fader, Soderland, Etzioni 2011, "Identifying Relations for Open
 *  Information Extraction". */
import { BESIDE, type LinkClaim, type Named } from '../claims'
import { itemsOf, mention, mentions, named, objectAndRest, wordsOfClause } from './phrases'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { concepts, gappedOf, targetsOf, type Target } from './targets'
import type { Lexicon } from './words'

/** What "it", "this" and "they" stood for last. */
export type Discourse = { subject: readonly Named[]; object: readonly Named[] }

const STATED = /^(?:that|because|since|if|when|while|whereas|although|though|so that|as|so|whenever|once|where)$/

export function linkClaims(clauses: readonly Clause[], discourse: Discourse, lexicon: Lexicon): LinkClaim[] {
  const out: LinkClaim[] = []
  for (const c of clauses) {
    // "Plants? They clean the air": the question names what follows is about.
    if (!c.verb && clauses.length === 1 && c.rest.length <= 4)
      discourse.subject = mentions(c.rest).filter((m) => !m.pronoun)
    const turned = c.sub === 'what' ? copulaBefore(c, clauses) : null
    // "where it runs through the fairlead" says which place.
    const place = c.sub === 'where' && c.subject[0]?.tag === 'pron'
    if (!c.verb || c.verb.imperative || place || (c.sub !== null && !STATED.test(c.sub) && !turned)) continue
    // "There are three ways in. These are ...": what there is can be pointed at.
    if (c.subject[0]?.lower === 'there' && c.verb.copula)
      discourse.object = concepts(objectAndRest(c.rest).object).filter((m) => !m.pronoun)
    const from = subjectsOf(c, clauses, discourse, out)
    if (from.length === 0) continue
    const perhaps = otherwiseMeant(c, discourse, from)
    const base = {
      relation: 'link',
      ...(perhaps ? { perhaps } : {}),
      verb: c.verb.base,
      negative: c.verb.negative,
      rule: 'says',
      span: { start: c.start, end: c.end },
    } as const
    const gapped = gappedOf(c)
    // "Mistakes are what passengers complain about": what is complained about stands before.
    const told = turned?.behind
      ? [{ to: turned.subject, words: wordsOnly(c) }]
      : targetsOf({ ...c, rest: gapped.own }, lexicon)
    const asked = told.length === 0 ? clauseTarget(c, clauses) : null
    const claims = [...told, ...(asked ? [asked] : [])]
      .map((t) => ({ ...t, to: t.to.flatMap((m) => (m.pronoun ? meant(m, discourse, from) : [m])) }))
      .filter((t) => t.to.length > 0)
    for (const { to, words, receives, beside } of claims)
      out.push({ ...base, from, to, words, ...(receives ? { rule: 'receives' } : beside ? { rule: BESIDE } : {}) })
    for (const g of gapped.others) out.push({ ...base, ...g })
    // "The inspection, which the insurer pays for, ...": goes on about the inspection.
    if ((c.ownSubject && !c.relative) || (c.relative && c.subject[0]?.tag === 'rel')) discourse.subject = from
    const last = claims[0]?.to.filter((m) => !m.pronoun) ?? []
    // "Carbon dioxide builds up. That makes ...": where nothing is done to anything, it is the subject.
    if (last.length > 0 && !c.relative) discourse.object = last
    else if (c.ownSubject && !c.verb.copula) discourse.object = from
  }
  return out
}

/** "Objectives describe what learners can do": what is described is said in a clause. */
function clauseTarget(c: Clause, all: readonly Clause[]): Target | null {
  const next = all[all.indexOf(c) + 1]
  if (!c.verb || !next || !/^(?:what|how|whether)$/.test(next.sub ?? '') || next.joint === ',' || c.rest.length > 0)
    return null
  if (!/^(?:describe|measure|determine|decide|show|explain|define|influence|affect|say)$/.test(c.verb.base)) return null
  const words = [...(next.lead ? [next.lead] : []), ...wordsOfClause(next).filter((w) => w !== next.lead)]
  const to = named(words)
  return words.length > 8 ? null : { to: [to], words: c.verb.words.map((w) => w.lower).join(' ') }
}

const wordsOnly = (c: Clause): string =>
  [...(c.verb?.words ?? []), ...(c.rest.length === 1 ? c.rest.filter((w) => w.tag === 'prep') : [])]
    .map((w) => w.lower)
    .join(' ')

/** "Gusts are what makes mooring difficult": the clause that the one with "what" is said of. */
function copulaBefore(
  c: Clause,
  all: readonly Clause[],
): { readonly subject: readonly Named[]; readonly behind: boolean } | null {
  const before = all[all.indexOf(c) - 1]
  if (!before?.verb?.copula || before.rest.some((w) => w.tag === 'noun')) return null
  const subject = concepts(before.subject).filter((m) => !m.pronoun)
  return subject.length > 0 ? { subject, behind: c.subject.length > 0 } : null
}

const isPlural = (list: readonly Named[]): boolean =>
  list.length > 1 ||
  /(?:[^su]s|people|children|men|crew|staff)$/i.test(
    (list[0]?.label ?? '').split(/ (?:of|in|for|with|to|from) /)[0] ?? '',
  )

/** What a pronoun behind the verb stands for: the last thing named of its number that is not the subject. */
function meant(m: Named, d: Discourse, from: readonly Named[]): readonly Named[] {
  if (!/^(?:it|them|this|that|these|those|him|her)$/.test(m.pronoun ?? '')) return []
  const plural = /^(?:them|these|those)$/.test(m.pronoun ?? '')
  const other = (list: readonly Named[]) => list.length > 0 && !list.some((x) => from.some((f) => f.key === x.key))
  const found = other(d.object) && isPlural(d.object) === plural ? d.object : []
  return found.map((x) => ({ ...x, span: m.span }))
}

/** "The winch turns the drum. It needs grease.": what else of its number "it" could be. */
function otherwiseMeant(c: Clause, d: Discourse, from: readonly Named[]): LinkClaim['perhaps'] | null {
  const word = c.ownSubject && c.subject.length === 1 && !c.relative ? (c.subject[0]?.lower ?? '') : ''
  if (!/^(?:it|they)$/.test(word)) return null
  const [other, ...more] = [d.subject, d.object].filter(
    (list) => list.length === 1 && isPlural(list) === (word === 'they') && !from.some((f) => f.key === list[0]?.key),
  )
  return other?.[0] && more.length === 0 && from.length === 1 ? { word, from: other[0] } : null
}

function subjectsOf(c: Clause, all: readonly Clause[], d: Discourse, out: readonly LinkClaim[]): readonly Named[] {
  if (c.relative) {
    const before = all.slice(0, all.indexOf(c)).findLast((x) => !x.relative)
    if (!before) return []
    if (c.subject.length > 0 && c.subject[0]?.tag !== 'rel') return concepts(c.subject).filter((m) => !m.pronoun)
    // "Security is a contractor who reports to ...": said of security.
    const complement = before.verb?.copula && /^(?:a|an)$/.test(before.rest[0]?.lower ?? '')
    if (complement && before.rest.every((w) => w.tag !== 'prep') && before.ownSubject)
      return subjectsOf(before, all, d, out)
    const objects = before.rest.length > 0 ? nearest(before) : null
    // "set the boats sideways, which makes berthing harder": what the singular verb does not agree with is not its subject.
    const disagrees =
      objects && c.verb?.words[0]?.form === 's' && c.subject[0]?.lower === 'which' && isPlural([objects])
    return objects && !disagrees ? [objects] : concepts(before.subject)
  }
  const turned = c.sub === 'what' && c.subject.length === 0 ? copulaBefore(c, all) : null
  if (turned) return turned.subject
  if (!c.ownSubject && c.subject.length > 0) {
    const same = out.at(-1)
    return same && c.joint !== '' ? same.from : concepts(c.subject)
  }
  const list = doing(c.subject) ?? concepts(c.subject)
  const [first] = list
  if (!first) return []
  if (!first.pronoun) return list
  // "A config is a set of rules. This is a ...": what is told further of what is spoken of.
  const further = c.verb?.copula && /^(?:an?|the)$/.test(c.rest[0]?.lower ?? '') && d.subject.length === 1
  if (/^(?:this|that)$/.test(first.pronoun)) return further ? d.subject : d.object.slice(0, 1)
  if (/^(?:it|he|she)$/.test(first.pronoun))
    return isPlural(d.subject) && d.object.length === 1 && !isPlural(d.object) ? d.object : d.subject
  if (first.pronoun === 'they') return !isPlural(d.subject) && isPlural(d.object) ? d.object : d.subject
  if (/^(?:these|those)$/.test(first.pronoun)) return d.object
  return []
}

/** "Closing the bins and the gaps": one thing that is done, not three. */
function doing(words: readonly Tagged[]): readonly Named[] | null {
  const [first, second] = words
  const ends = words.filter((w, i) => i > 0 && words[i - 1]?.tag === 'conj')
  if (first?.form !== 'ing' || second?.tag !== 'det' || ends.length === 0 || ends.some((w) => w.form === 'ing'))
    return null
  return [mention(words.map((w) => (w.tag === 'conj' ? { ...w, lower: 'with', tag: 'noun' as const } : w)))]
}

/** The noun phrase that a relative pronoun follows. */
function nearest(before: Clause): Named | null {
  const { object, tail } = objectAndRest(before.rest)
  const noun = tail.findIndex((w) => w.tag !== 'prep')
  const phrase = noun > 0 ? tail.slice(noun) : object
  const last = itemsOf(phrase).at(-1)
  return last ? mention(last) : null
}

/** "Fender: a cushion that protects the hull": a term, what it is, and what is said of it. */
export function definitionClaims(term: Named, clauses: readonly Clause[], lexicon: Lexicon): LinkClaim[] {
  const [first] = clauses
  if (!first) return []
  const span = { start: term.span.start, end: clauses.at(-1)?.end ?? first.end }
  const base = { relation: 'link', span, negative: false } as const
  const genus = first.verb === null ? first.rest : reducedRelative(first)
  const out: LinkClaim[] = []
  const what = mention(genus)
  if (what.key !== '' && what.key !== term.key)
    out.push({ ...base, from: [term], to: [what], words: 'is', verb: 'be', rule: 'definition' })
  for (const c of clauses) {
    if (!c.verb || (c === first && genus.length > 0)) continue
    const place = c.subject[0]?.lower === 'who' || c.subject[0]?.lower === 'which' || c.subject[0]?.lower === 'that'
    const from =
      c.relative && place && c.subject.length === 1
        ? [term]
        : concepts(c.subject.filter((w) => w.tag !== 'rel')).map((m) => (m.pronoun ? term : m))
    for (const { to, words, receives } of targetsOf(c, lexicon))
      out.push({
        ...base,
        from,
        to,
        words,
        verb: c.verb.base,
        rule: receives ? 'receives' : 'definition',
        span: { start: c.start, end: c.end },
      })
  }
  return out
}

/** "the money a department may spend": what stands before the second determiner. */
function reducedRelative(c: Clause): readonly Tagged[] {
  const words = [...c.front, ...c.subject]
  const at = words.findIndex((w, i) => w.tag === 'det' && /^(?:noun|pron)$/.test(words[i - 1]?.tag ?? ''))
  return at > 0 ? words.slice(0, at) : []
}
