/** Options, what is said of each, and what comes of them with what chance, in English sentences. */
import type { Span } from '../../text'
import type { AboutClaim, CaseClaim, Claim, Named, OptionClaim } from '../claims'
import { chanceIn } from './chance'
import { contentOf } from './action'
import { capitalised } from './label'
import { bare, itemsOf, mention, wordsOfClause, named } from './phrases'
import type { Clause } from './parse'
import { tagged, type Tagged } from './tag'
import { isWord, wordsOf, type Lexicon } from './words'

const OPTIONS = /\b(?:options?|choices?|ways?|alternatives?|possibilities|offers?|candidates?|solutions?)\b/i
/** What the sentences before have put to choice. */
export type Choices = {
  of: Named | null
  options: readonly Named[]
  current: Named | null
  /** How many options were announced without their names. */
  awaited: number
}

export const noChoices = (): Choices => ({ of: null, options: [], current: null, awaited: 0 })

export function choiceClaims(
  text: string,
  sentence: Span,
  clauses: readonly Clause[],
  lexicon: Lexicon,
  state: Choices,
): Claim[] {
  const found = optionsIn(text, sentence, clauses, lexicon, state)
  const out: Claim[] = []
  if (found && state.options.length === 0) {
    state.options = found.options
    state.of = found.of ?? state.of
    if (found.options.length === 0) state.awaited = countIn(text.slice(sentence.start, sentence.end))
    if (found.options.length === 1) state.current = found.options.at(-1) ?? null
    out.push(found)
    const goesOn =
      found.options.length === 1 ||
      found.rule === 'way' ||
      found.rule === 'named-later' ||
      clauses.some((c) => chanceIn(text, c))
    if (!goesOn) return out
  } else if (found && state.options.length < 5 && /^(?:can-or|option-n|way|named-later)$/.test(found.rule)) {
    const fresh = found.options.filter((o) => !state.options.some((x) => x.key === o.key))
    state.options = [...state.options, ...fresh]
    if (fresh.length > 0) {
      state.current = fresh.at(-1) ?? state.current
      out.push({ ...found, options: fresh })
    }
    if (found.rule === 'option-n') return out
  }
  if (found && (found.rule === 'way' || found.rule === 'named-later')) state.current = found.options.at(-1) ?? null
  if (state.options.length > 0) out.push(...aboutClaims(text, clauses, lexicon, state))
  return out
}

const COUNTS = ['two', 'three', 'four', 'five']
const countIn = (said: string): number => {
  const word = COUNTS.findIndex((c) => new RegExp(`\\b${c}\\b`, 'i').test(said))
  return word < 0 ? 3 : word + 2
}

/** The options a sentence puts, and what they are options of. */
function optionsIn(
  text: string,
  sentence: Span,
  clauses: readonly Clause[],
  lexicon: Lexicon,
  state: Choices,
): OptionClaim | null {
  const base = { relation: 'option', span: sentence } as const
  const said = text.slice(sentence.start, sentence.end)
  const words = tagged(wordsOf(text, sentence), lexicon)
  const numbered = /^(?:option|variant|plan|alternative) ?(?:\d+|[A-H]|one|two|three)\b\s*[:–—.-]?\s*/i.exec(said)
  if (numbered && numbered[0].length < said.length)
    return {
      ...base,
      of: null,
      options: [named(words.filter((w) => w.start >= sentence.start + numbered[0].length))],
      rule: 'option-n',
      weight: 0.85,
    }
  if (/\?\s*$/.test(said)) return orQuestion(base, words)
  const whether =
    /\b(?:decide|choose|choice|question|decision|know|consider|pick)\b[^.]*?\b(whether (?:to )?|between )/i.exec(said)
  if (whether) {
    const behind = words.filter((w) => w.start >= sentence.start + whether.index + whether[0].length)
    const parts = splitOr(behind, /between/.test(whether[1] as string))
    if (parts.length > 1)
      return { ...base, of: named(behind), options: parts.map(named), rule: 'whether', weight: 0.85 }
    if (parts.length === 1)
      return { ...base, of: named(parts[0] as Tagged[]), options: [], rule: 'whether', weight: 0.5 }
  }
  const many = new RegExp(`^.{0,60}?\\b(?:two|three|four|five|several|\\d) (?:\\p{L}+ )?${OPTIONS.source}`, 'iu').exec(
    said,
  )
  if (many) {
    const colon = words.findIndex((w) => /^[:–—]$/.test(w.text) && w.start >= sentence.start + many[0].length - 1)
    const end = colon < 0 ? sentence.end : (words[colon] as Tagged).start
    const about = words.filter((w) => w.start >= sentence.start + many[0].length && w.start < end)
    const options = colon < 0 ? [] : splitOr(words.slice(colon + 1), true).map(named)
    const topic = /^(?:for|to|of|between|about|with)$/.test(about[0]?.lower ?? '')
      ? about.slice(1)
      : words.filter((w) => w.start < sentence.start + many[0].length && (w.tag === 'num' || OPTIONS.test(w.text)))
    const of = named(topic)
    return {
      ...base,
      of: of.key === '' ? { label: 'Options', key: 'options', span: sentence, pronoun: null } : of,
      options: options.length > 0 ? options : [],
      rule: 'named',
      weight: 0.8,
    }
  }
  return canOr(base, clauses, said, state.of !== null) ?? namedLater(base, clauses, state)
}

/** "Should we fix the roof now or wait until next year?", "Mountains or sea this year?" */
function orQuestion(
  base: { readonly relation: 'option'; readonly span: Span },
  words: readonly Tagged[],
): OptionClaim | null {
  const first = words.findIndex((w) => !(w.tag === 'modal' || w.tag === 'aux' || w.tag === 'pron' || w.tag === 'mark'))
  const own = words.slice(Math.max(0, first)).filter((w) => w.text !== '?')
  const parts = splitOr(own, false)
  if (parts.length < 2 || parts.length > 5 || own.some((w) => w.tag === 'sub')) return null
  const lone = (parts[0] as Tagged[]).length === 1 && parts.length === 2
  // "New or used bike?": the noun belongs to both.
  const tail = (parts[1] as Tagged[]).slice(1)
  const shared =
    lone && (parts[1] as Tagged[]).length === 2 && (parts[0]?.[0]?.tag === 'adj' || tail[0]?.tag === 'noun')
  const options = shared ? [named(parts[0] as Tagged[]), named((parts[1] as Tagged[]).slice(0, 1))] : parts.map(named)
  return { ...base, of: named(own), options, rule: 'or-question', weight: 0.9 }
}

/** "We can hold the party in the garden or in the hall", "It can keep them ... Or it can rent ...". */
function canOr(
  base: { readonly relation: 'option'; readonly span: Span },
  clauses: readonly Clause[],
  said: string,
  announced: boolean,
): OptionClaim | null {
  const mains = clauses.filter((c) => c.sub === null && !c.relative && c.verb)
  const [first] = mains
  const opened = /^or\b/i.test(said) || announced
  if (!first?.verb || !/^(?:can|could|may|might|must)$/.test(first.verb.modal ?? '') || (first.verb.passive && !opened))
    return null
  const alternatives = mains.filter((c) => c === first || c.joint === 'or')
  const phrase = (c: Clause): Tagged[] => {
    const head = c.verb?.words.at(-1) as Tagged
    const stop = c.rest.findIndex((w) => w.text === ',' || w.text === ';' || w.tag === 'sub')
    return [head, ...(stop < 0 ? c.rest : c.rest.slice(0, stop))]
  }
  if (alternatives.length > 1)
    return {
      ...base,
      of: named(alternatives.flatMap((c, i) => [...(i > 0 ? [orWord(c)] : []), ...phrase(c)])),
      options: alternatives.map((c, i) => named(i > 0 ? withNoun(phrase(c), phrase(first)) : phrase(c))),
      rule: 'can-or',
      weight: 0.7,
    }
  const object = phrase(first)
  const parts = splitOr(object, false)
  if (parts.length === 2 && /^(?:we|you|i|they|it)$/.test(first.subject[0]?.lower ?? '')) {
    const [one, two] = parts as [Tagged[], Tagged[]]
    const place = two[0]?.tag === 'prep' ? one.findIndex((w) => w.lower === two[0]?.lower) : -1
    const options = place >= 0 ? [named(one.slice(place + 1)), named(two.slice(1))] : [named(one), named(two)]
    return { ...base, of: named(object), options, rule: 'can-or', weight: 0.6 }
  }
  return opened ? { ...base, of: null, options: [named(object)], rule: 'can-or', weight: 0.7 } : null
}
/** "... between two vaccines. Vaccine A costs ...": an option that is named as the text goes on. */
function namedLater(
  base: { readonly relation: 'option'; readonly span: Span },
  clauses: readonly Clause[],
  state: Choices,
): OptionClaim | null {
  if (state.of === null || state.options.length >= Math.max(2, state.awaited)) return null
  const head = singleHead(state.of.key)
  const subject = clauses.find((c) => c.sub === null && c.verb)?.subject ?? []
  const m = mention(subject)
  const words = m.key.split(' ')
  const hasHead = words.length > 1 && (words[0] === head || words.at(-1) === head)
  const definite = state.awaited > 0 && subject[0]?.lower === 'the' && words.length > 1
  if (m.pronoun || !(hasHead || definite) || state.options.some((o) => o.key === m.key)) return null
  // "The one in Kelby": another of what the first option is.
  const noun = state.options[0]?.label.split(' ')[0]
  const option = noun ? { ...m, label: m.label.replace(/^One\b/, noun) } : m
  return { ...base, of: null, options: [option], rule: 'named-later', weight: 0.7 }
}
const singleHead = (key: string): string => key.split(' ').at(-1) ?? ''
const orWord = (c: Clause): Tagged => ({
  start: c.start,
  end: c.start,
  text: 'or',
  lower: 'or',
  tag: 'conj',
  base: 'or',
  form: null,
  strength: null,
  finite: false,
})

function splitOr(words: readonly Tagged[], list: boolean): Tagged[][] {
  const stop = words.findIndex((w) => /^[;–—?!.]$/.test(w.text))
  const own = stop < 0 ? words : words.slice(0, stop)
  if (list) return itemsOf(own).filter((p) => p.some(isWord))
  const out: Tagged[][] = [[]]
  for (const w of own) {
    if (w.lower === 'or') out.push([])
    else (out.at(-1) as Tagged[]).push(w)
  }
  return out
    .map((p, i) => (i > 0 ? withNoun(p, out[0] as Tagged[]) : p))
    .map((p) => bare(p).filter((w, i) => !(i === 0 && (w.tag === 'to' || w.tag === 'sub'))))
    .filter((p) => p.some(isWord))
}

/** "buy a van or rent one": the van. */
function withNoun(words: readonly Tagged[], first: readonly Tagged[]): Tagged[] {
  const at = words.findIndex((w) => w.lower === 'one')
  const noun = first.findLast((w) => w.tag === 'noun')
  return at >= 0 && noun && words[at + 1]?.tag !== 'noun'
    ? [
        ...words.slice(0, at),
        { ...noun, start: words[at]?.start ?? 0, end: words[at]?.end ?? 0 },
        ...words.slice(at + 1),
      ]
    : [...words]
}

/** What clauses say of the options known so far. */
function aboutClaims(
  text: string,
  clauses: readonly Clause[],
  lexicon: Lexicon,
  state: Choices,
): (AboutClaim | CaseClaim)[] {
  const out: AboutClaim[] = []
  const used = new Set<Clause>()
  const mains = clauses.filter((c) => (c.sub === null || c.sub === 'while' || c.sub === 'whereas') && !c.relative)
  for (const c of clauses) {
    // What a "that" clause speaks of is no new topic.
    const topic = c.sub === null || c.sub === 'if' || c.sub === 'when' || mains.includes(c)
    const known = topic && !c.relative ? optionOf(c, lexicon, state) : null
    if (known) state.current = known
    const option = state.current
    // "Downside: you are tied in": a name for what follows.
    const names = c.verb === null && clauses[clauses.indexOf(c) + 1]?.joint === ':'
    if (!option || used.has(c) || names) continue
    if (c.sub !== null && !mains.includes(c) && !(c.sub === 'that' && chanceIn(text, before(clauses, c)))) continue
    const chance = chanceIn(text, {
      start: c.start,
      end: clauses.filter((x) => x.start > c.start).at(0)?.start ?? c.end,
    })
    const when = before(clauses, c)
    if (chance && c.relative && when.sub === 'if' && c.verb?.base === 'have') {
      // "If it rains, which has a probability of 0.3, ..."
      const outcome = clauseLabel(when)
      out.push({
        relation: 'about',
        option,
        text: outcome,
        criterion: '',
        probability: chance.probability,
        estimated: chance.estimated,
        rule: 'chance',
        span: { start: when.start, end: c.end },
        weight: 0.9,
      })
      continue
    }
    if (chance && (!c.relative || c.verb?.base !== 'have')) {
      const behind = clauses[clauses.indexOf(c) + 1]
      if (behind && saysWhat(behind) && behind.sub === null) used.add(behind)
      out.push(...chances(text, c, clauses, option))
      continue
    }
    const puts =
      mains.includes(c) &&
      state.options.some((o) => o.span.start >= c.start && o.span.end <= c.end) &&
      state.awaited > 0 &&
      c.verb?.modal !== null
    if ((c.sub !== null && !mains.includes(c)) || puts) continue
    if (c.relative || mains.includes(c)) out.push(...told(c, option, known !== null))
  }
  return out
}
const before = (all: readonly Clause[], c: Clause): Clause => all[Math.max(0, all.indexOf(c) - 1)] as Clause

/** The option a clause is about: its subject, the phrase or condition in front of it; by the words only that option has. */
function optionOf(c: Clause, lexicon: Lexicon, state: Choices): Named | null {
  const words =
    c.sub === 'if' || c.sub === 'when'
      ? [...c.subject, ...(c.verb?.words ?? []), ...c.rest]
      : [...c.front, ...(c.ownSubject ? c.subject : []), ...(c.verb ? [] : c.rest.slice(0, 4))]
  const content = new Set(contentOf(words, lexicon).map((w) => w.replace(/s$/, '')))
  const own = (o: Named) =>
    new Set(contentOf(wordsOf(o.label, { start: 0, end: o.label.length }), lexicon).map((w) => w.replace(/s$/, '')))
  const all = state.options.map((o) => ({ o, words: own(o) }))
  const scored = all.map(({ o, words: mine }) => {
    const unique = [...mine].filter((w) => all.every((x) => x.o === o || !x.words.has(w)))
    const [head] = mine
    const byHead = head !== undefined && unique.includes(head) && content.has(head)
    return { o, hits: unique.filter((w) => content.has(w)).length + (byHead ? 0.5 : 0) }
  })
  const best = scored.toSorted((a, b) => b.hits - a.hits)
  const [first, second] = best
  return first && first.hits > 0 && first.hits > (second?.hits ?? 0) ? first.o : null
}

/** "there is a 30% chance that it leaks", "a 25% chance of salt water and a 15% chance of a dry hole". */
function chances(text: string, c: Clause, clauses: readonly Clause[], option: Named): AboutClaim[] {
  const out: AboutClaim[] = []
  const words = wordsOfClause(c)
  const end = words.at(-1)?.end ?? c.end
  const parts = text
    .slice(c.start, end)
    .split(/(?=\b(?:a|an|the) (?:about |roughly )?\d+(?:\.\d+)?\s?(?:%|per ?cent))/i)
  let at = c.start
  for (const part of parts) {
    const span = { start: at, end: at + part.length }
    at = span.end
    const chance = chanceIn(text, span)
    if (!chance) continue
    const of = /\b(?:chance|probability|risk|likelihood|possibility)\s+(?:of|for)\s+/i.exec(
      text.slice(span.start, span.end),
    )
    const that = clauses[clauses.indexOf(c) + 1]
    const clauseBehind = that && saysWhat(that) && part === parts.at(-1) ? that : null
    const behind = of ? words.filter((w) => w.start >= span.start + of.index + of[0].length && w.end <= span.end) : []
    // "the risk of loss is below 1%": up to the verb.
    const verb = behind.findIndex((w) => w.finite)
    const ofWords = verb > 0 ? behind.slice(0, verb) : behind
    const outcome = clauseBehind
      ? clauseLabel(clauseBehind)
      : ofWords.length > 0
        ? named(ofWords)
        : rest(words, chance.span)
    if (outcome.key !== '')
      out.push({
        relation: 'about',
        option,
        text: { ...outcome, pronoun: null },
        criterion: '',
        probability: chance.probability,
        estimated: chance.estimated,
        rule: 'chance',
        span: { start: c.start, end: Math.max(c.end, outcome.span.end) },
        weight: chance.estimated ? 0.5 : 0.9,
      })
  }
  return out
}
/** "a chance that it leaks", "a chance it leaks". */
const saysWhat = (c: Clause): boolean =>
  c.sub === 'that' || (c.sub === null && !c.relative && c.joint === '' && c.verb !== null)

/** "fails in about 5 percent of years": the verb. */
const rest = (words: readonly Tagged[], chance: Span): Named => {
  const ahead = words.filter((w) => w.end <= chance.start && w.tag !== 'pron' && w.tag !== 'rel' && w.tag !== 'conj')
  const stop = ahead.findLastIndex((w) => w.tag === 'prep' || w.lower === 'below' || w.lower === 'there')
  return named(stop > 0 ? ahead.slice(0, stop) : ahead)
}
function clauseLabel(c: Clause): Named {
  const pronoun = c.subject.length === 1 && c.subject[0]?.tag === 'pron'
  const words = [
    ...(pronoun ? [] : c.subject),
    ...(c.verb?.words.filter((w) => w.tag !== 'aux' || c.verb?.copula === false) ?? []).filter((w) => w.tag !== 'aux'),
    ...c.rest,
  ]
  return named(words)
}

/** A plain statement about an option: its cost, what it has, what it does. */
function told(c: Clause, option: Named, bySubject: boolean): AboutClaim[] {
  const { verb } = c
  const words = verb
    ? [
        ...(bySubject || /^(?:it|they|this|that|there|which)$/.test(c.subject[0]?.lower ?? '')
          ? []
          : c.ownSubject
            ? c.subject
            : []),
        ...(verb.copula && (bySubject || c.subject.every((w) => w.tag === 'pron')) ? [] : verb.words),
        ...c.rest,
      ]
    : bySubject
      ? c.rest.slice(1)
      : c.rest
  const own = words.filter((w) => w.tag !== 'rel')
  const owning = verb && /^(?:have|mean|offer)$/.test(verb.base) && bySubject && !verb.negative
  const parts = owning ? itemsOf(c.rest) : [own]
  return parts
    .map(named)
    .filter((label) => label.key !== '')
    .map((label) => ({
      relation: 'about',
      option,
      text: { ...label, label: capitalised(label.label) },
      criterion: '',
      probability: null,
      estimated: false,
      rule: 'said-of',
      span: { start: c.start, end: c.end },
      weight: 0.4,
    }))
}
