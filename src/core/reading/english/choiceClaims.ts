/** Options, what is said of each, and what comes of them with what chance, in English sentences. */
import { capitalWord, type Span } from '../../text'
import type { AboutClaim, CaseClaim, Claim, Named } from '../claims'
import { chanceIn } from './chance'
import { contentOf } from './action'
import { itemsOf, wordsOfClause, named } from './phrases'
import { countIn, noChoices, optionsIn, type Choices } from './options'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { wordsOf, type Lexicon } from './words'

/** Characters after which a choice is over: about a page. */
const FORGETS = 2500

export function choiceClaims(
  text: string,
  sentence: Span,
  clauses: readonly Clause[],
  lexicon: Lexicon,
  state: Choices,
): Claim[] {
  // What was put to choice pages ago is no longer spoken of.
  if (sentence.start - state.seen > FORGETS) Object.assign(state, noChoices())
  const found = optionsIn(text, sentence, clauses, lexicon, state)
  if (found) state.seen = sentence.end
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
        ofChance: false,
        rule: 'chance',
        span: { start: when.start, end: c.end },
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
    if (c.relative || mains.includes(c))
      out.push(...told(c, option, known !== null, followsChance(out.at(-1), c) && !known))
  }
  return out
}
/** What stands behind a chance in its sentence comes of it, unless it is set against it. */
const followsChance = (last: AboutClaim | undefined, c: Clause): boolean =>
  last !== undefined &&
  (last.probability !== null || last.ofChance) &&
  !/^(?:but|yet|while|whereas)$/.test(c.sub ?? c.joint)
const before = (all: readonly Clause[], c: Clause): Clause => all[Math.max(0, all.indexOf(c) - 1)] as Clause

function ownWords(o: Named, lexicon: Lexicon, state: Choices): ReadonlySet<string> {
  const found = state.ownWords.get(o)
  if (found) return found
  const words = contentOf(wordsOf(o.label, { start: 0, end: o.label.length }), lexicon).map((w) => w.replace(/s$/, ''))
  const made = new Set(words)
  state.ownWords.set(o, made)
  return made
}

/** The option a clause is about: its subject, the phrase or condition in front of it; by the words only that option has. */
function optionOf(c: Clause, lexicon: Lexicon, state: Choices): Named | null {
  const words =
    c.sub === 'if' || c.sub === 'when'
      ? [...c.subject, ...(c.verb?.words ?? []), ...c.rest]
      : [...c.front, ...(c.ownSubject ? c.subject : []), ...(c.verb ? [] : c.rest.slice(0, 4))]
  const content = new Set(contentOf(words, lexicon).map((w) => w.replace(/s$/, '')))
  const all = state.options.map((o) => ({ o, words: ownWords(o, lexicon, state) }))
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
    // "a 70% chance that the fog lifts", where "lifts" was taken for a noun: what is behind is told all the same.
    const from = of
      ? span.start + of.index + of[0].length
      : words.find((w) => w.tag === 'sub' && w.lower === 'that' && w.start >= chance.span.end && w.end <= span.end)?.end
    const behind = from === undefined ? [] : words.filter((w) => w.start >= from && w.end <= span.end)
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
        ofChance: false,
        rule: 'chance',
        span: { start: c.start, end: Math.max(c.end, outcome.span.end) },
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
function told(c: Clause, option: Named, bySubject: boolean, ofChance: boolean): AboutClaim[] {
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
      text: { ...label, label: capitalWord(label.label) },
      criterion: '',
      probability: null,
      estimated: false,
      ofChance,
      rule: 'said-of',
      span: { start: c.start, end: c.end },
    }))
}
