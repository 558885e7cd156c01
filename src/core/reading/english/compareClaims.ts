/** What compared things share and what each has alone, in English clauses. */
import type { CompareClaim, Named } from '../claims'
import { actionOf } from './action'
import { labelOf } from './label'
import { bare, itemsOf, keyOf, mention, mentions, objectAndRest, wordsOfClause } from './phrases'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { isWord, type Lexicon } from './words'
import { capitalWord, lowerFirst } from '../../text'

/** Verbs whose object is the thing that is shared or owned. */
const OWNING = /^(?:have|share|use|need|require|contain|include|offer|get|own|give|provide|involve)$/
const EVERY = /^(?:both|all|either|each|they)$/

/** One sentence's comparisons. `all` (no sets) means whatever the text compares. */
export function compareClaims(clauses: readonly Clause[], text: string, lexicon: Lexicon): CompareClaim[] {
  const out: CompareClaim[] = []
  for (const [i, c] of clauses.entries()) {
    if (c.sub !== null && !/^(?:while|whereas|although|though)$/.test(c.sub)) continue
    const claim = ofClause(c, clauses[i - 1] ?? null, text, lexicon)
    if (claim) out.push(claim)
  }
  return out
}

function ofClause(c: Clause, before: Clause | null, text: string, lexicon: Lexicon): CompareClaim | null {
  const base = { relation: 'compare', span: { start: c.start, end: c.end } } as const
  const { verb } = c
  if (!verb || (verb.imperative && c.subject.length === 0)) return alikeIn(c, base)
  const subject = c.relative ? [] : c.subject
  const only =
    [...c.front, ...subject].some((w) => w.lower === 'only') ||
    verb.words.some((w) => w.lower === 'only') ||
    /^(?:alone|only)$/.test(subject.at(-1)?.lower ?? '') ||
    ahead(c, text)
  // Up to the first word behind the verb, with the adverbs that belong to nobody.
  const opening = text.slice(c.start, c.rest[0]?.end ?? verb.words.at(-1)?.end ?? c.end)
  const eachOf = /^each of (?:them|these|the two)$/.test(subject.map((w) => w.lower).join(' '))
  const both =
    eachOf ||
    /\b(?:both|all(?! (?:the )?others?\b)|alike)\b/i.test(opening) ||
    (/^(?:they|either|both|all)$/.test(subject[0]?.lower ?? '') &&
      !(subject[0]?.lower === 'they' && c.sub === 'while') &&
      !/^others?$/.test(subject[1]?.lower ?? ''))
  const named = mentions(
    subject.filter((w) => !/^(?:both|all|only|alone|alike|each|three|two|of|them)$/.test(w.lower) || w.tag === 'noun'),
  ).filter((m) => !m.pronoun && !EVERY.test(m.key) && !eachOf)
  const unlike = c.front.findIndex((w) => /^(?:unlike|like)$/.test(w.lower))
  // "In summer we load salt": the sets are times or places, and all of the clause is said of them.
  const leading = c.front.length > 0 || c.joint !== 'and' ? c.front : (before?.front ?? [])
  const front = /^(?:unlike|like)$/.test(leading[0]?.lower ?? '') ? [] : leading.filter((w) => w.tag !== 'adv')
  const places = mentions(
    front.filter((w) => (w.tag !== 'prep' && !/^(?:alike|both|and|also)$/.test(w.lower)) || w.lower === 'and'),
  )
  const placed =
    (places.length > 0 && front[0]?.tag === 'prep' && !/^(?:the|a|an)$/.test(subject[0]?.lower ?? 'x')) ||
    (places.length > 0 && c.front.length === 0)
  const members = placed ? wholeOf(c, lexicon) : membersOf(c, lexicon)
  if (unlike >= 0 && c.front[unlike]?.lower === 'unlike')
    return {
      ...base,
      how: 'only',
      sets: [...named, ...mentions(c.front.slice(unlike + 1)).map((m) => ({ ...m, pronoun: 'unlike' }))],
      members,
      rule: 'unlike',
      weight: 0.9,
    }
  // "Night ferries are like day ferries": what the text compares.
  const like =
    verb.copula && !verb.negative
      ? /^(?:(?:very|much|quite|a lot|rather|just) )*(?:like|similar to|comparable (?:to|with)) /.exec(phraseOf(c.rest))
      : null
  const other = like ? mentions(upToColon(c.rest.slice(like[0].trim().split(' ').length))) : []
  if (like && named.length === 1 && other.length === 1 && !other[0]?.pronoun)
    return { ...base, how: 'shared', sets: [...named, ...other], members: [], rule: 'like', weight: 0.85 }
  // "But like freelancers they need a contract"
  const alsoThey = unlike >= 0 && c.front[unlike]?.lower === 'like' && subject[0]?.lower === 'they'
  if (alsoThey) return { ...base, how: 'shared', sets: [], members, rule: 'both', weight: 0.85 }
  const common = /\bin common\b/i.test(text.slice(c.start, c.end)) || verb.base === 'share'
  if (common && (named.length > 1 || subject.some((w) => EVERY.test(w.lower))))
    return { ...base, how: 'shared', sets: named, members, rule: 'in-common', weight: 0.9 }
  if (placed && places.length > 1) return { ...base, how: 'shared', sets: places, members, rule: 'both', weight: 0.8 }
  const same = /\b(?:the same|alike|equally)\b/i.test(text.slice(c.start, c.end))
  if (same && !verb.told && named.length > 1)
    return { ...base, how: 'shared', sets: named, members, rule: 'same', weight: 0.85 }
  // "Both tents keep the rain out": whatever the text compares.
  if (
    both &&
    named.length === 1 &&
    /^(?:both|all)$/.test(
      subject[0]?.lower ??
        text
          .slice(c.start, c.start + 4)
          .trim()
          .toLowerCase(),
    )
  )
    return { ...base, how: 'shared', sets: [], members, rule: 'both', weight: 0.85 }
  if ((both && named.length !== 1) || (named.length > 1 && listsSets(subject))) {
    const sure = both ? 0.85 : 0.4
    const says = text.slice(c.start, c.end)
    const onlyThey = subject[0]?.lower === 'they' && !/\b(?:both|all|alike|same|each|equally|too|also)\b/i.test(says)
    return {
      ...base,
      how: 'shared',
      sets: named,
      members,
      rule: both ? (onlyThey ? 'they' : 'both') : 'list',
      weight: sure,
    }
  }
  if (only && named.length === 1) return { ...base, how: 'only', sets: named, members, rule: 'only', weight: 0.8 }
  if (named.length === 0 && places.length === 0 && !subject.some((w) => w.tag === 'pron')) return null
  const contrast =
    c.sub !== null ||
    c.joint === 'but' ||
    [...c.front, ...verb.words, ...c.rest, ...subject].some((w) =>
      /^(?:however|whereas|while|instead|contrast|hand)$/.test(w.lower),
    )
  const not = verb.negative && c.rest.filter(isWord).length === 0
  const how = not ? 'not' : 'own'
  const sets = placed ? places : named.length > 0 ? named : before ? mentions(subject) : places
  return {
    ...base,
    how,
    sets,
    members: not ? [] : members,
    rule: contrast ? 'contrast' : 'own',
    weight: contrast ? 0.6 : 0.2,
  }
}

const phraseOf = (words: readonly Tagged[]): string => words.map((w) => w.lower).join(' ')
const upToColon = (words: readonly Tagged[]): readonly Tagged[] => {
  const colon = words.findIndex((w) => w.text === ':')
  return colon < 0 ? words : words.slice(0, colon)
}

/** "A and B, C and D": the subject names the things side by side. */
const listsSets = (subject: readonly Tagged[]): boolean =>
  subject.some((w) => w.lower === 'and') && itemsOf(subject).length <= 5

/** "Only tutors give marks": the word in front was taken for a fronted adverb. */
const ahead = (c: Clause, text: string): boolean =>
  /\bonly\s*$/i.test(text.slice(Math.max(0, c.start - 8), c.start)) || /^only\b/i.test(text.slice(c.start, c.start + 5))

/** "Both: quick, cheap": no verb, but a word that says so. */
function alikeIn(
  c: Clause,
  base: { readonly relation: 'compare'; readonly span: { start: number; end: number } },
): CompareClaim | null {
  const words = wordsOfClause(c)
  const colon = words.findIndex((w) => w.text === ':')
  if (colon < 0 || !words.slice(0, colon).some((w) => /^(?:both|common|alike|shared)$/.test(w.lower))) return null
  return { ...base, how: 'shared', sets: [], members: mentions(words.slice(colon + 1)), rule: 'both', weight: 0.7 }
}

/** A clause told of a time or a place: what there is, or what happens then. */
function wholeOf(c: Clause, lexicon: Lexicon): Named[] {
  const verb = c.verb as NonNullable<Clause['verb']>
  if (c.subject[0]?.lower === 'there')
    return itemsOf(c.rest)
      .map(thing)
      .filter((m) => m.key !== '')
  if (c.subject.every((w) => w.tag === 'pron')) return membersOf({ ...c, subject: [] }, lexicon)
  if (verb.copula && !c.rest.some((w) => w.tag === 'adj' || lexicon.adjectives.has(w.lower)))
    return itemsOf(c.rest)
      .map(thing)
      .filter((m) => m.key !== '')
  const words = [...c.subject, ...verb.words.filter((w) => w.tag !== 'aux'), ...c.rest]
  return [named(labelOf(words), { start: words[0]?.start ?? c.start, end: words.at(-1)?.end ?? c.end })]
}

/** The predicate as members: the things that are had, or what is done or is so. */
function membersOf(c: Clause, lexicon: Lexicon): Named[] {
  const verb = c.verb as NonNullable<Clause['verb']>
  const rest = c.rest.filter((w, i) => !(w.lower === 'both' || w.lower === 'all' || w.lower === 'alike') || i > 1)
  if (OWNING.test(verb.base) && !verb.passive) {
    const colon = rest.findIndex((w) => /^[:—–]$/.test(w.text))
    const list = colon >= 0 ? rest.slice(colon + 1) : rest
    const common = list.findIndex((w, i) => w.lower === 'in' && list[i + 1]?.lower === 'common')
    const listed = common >= 0 && colon < 0 ? list.slice(0, common) : list
    if (!verb.negative)
      return itemsOf(listed)
        .map(thing)
        .filter((m) => m.key !== '' && !COUNTED.test(m.label))
  }
  if (verb.copula || /^(?:look|seem)$/.test(verb.base)) {
    const colon = rest.findIndex((w) => /^[:—–]$/.test(w.text))
    const list =
      colon >= 0 && c.rest.slice(0, 4).some((w) => /^(?:alike|similar|same)$/.test(w.lower))
        ? rest.slice(colon + 1)
        : rest
    return itemsOf(list)
      .map(thing)
      .filter((m) => m.key !== '')
      .map((m) => (verb.negative ? { ...m, label: `Not ${lowerFirst(m.label)}` } : m))
  }
  const head = verb.words.at(-1) as Tagged
  const span = { start: verb.words[0]?.start ?? c.start, end: rest.at(-1)?.end ?? head.end }
  if (verb.passive) return [named(labelOf([head, ...rest]), span)]
  const { prep, object, tail } = objectAndRest(rest)
  const objects = itemsOf(object)
  // "closes the bow door and the ramp": two things done.
  if (objects.length > 1 && tail.length === 0 && prep.length === 0 && object.some((w) => w.tag === 'det')) {
    const each = objects.map((o) =>
      named(labelOf([{ ...head, text: verb.base, lower: verb.base }, ...o]), {
        start: o[0]?.start ?? span.start,
        end: o.at(-1)?.end ?? span.end,
      }),
    )
    return verb.negative ? each.map((m) => ({ ...m, label: `Do not ${m.label.toLowerCase()}` })) : each
  }
  const action = actionOf(
    { ...c, front: [], subject: [], rest, verb: { ...verb, imperative: true, words: [head], told: false } },
    lexicon,
  )
  return [named(action.label, span)]
}
const COUNTED =
  /^(?:(?:two|three|four|several|many|a lot of|some|few|\d+) (?:things?|points?|features?)|things?|much|a lot|lot)$/i

const thing = (words: readonly Tagged[]): Named => {
  const own = bare(words)
  const m = mention(own)
  return { ...m, label: capitalWord(m.label), pronoun: null }
}
const named = (label: string, span: { start: number; end: number }): Named => ({
  label,
  key: keyOf(label),
  span,
  pronoun: null,
})
