/** What a clause's verb reaches: its objects, with the words that lead to them. */
import type { Named } from '../claims'
import { joined } from './label'
import { bare, itemsOf, mention, mentions, objectAndRest } from './phrases'
import type { Clause } from './parse'
import type { Lexicon } from './words'
import type { Tagged } from './tag'
import { capital } from '../../text'

export type Target = {
  readonly to: readonly Named[]
  readonly words: string
  /** Who it is done for, beside what is done. */
  readonly receives?: true
  /** Named behind the object: "carries the post to the island". */
  readonly beside?: true
}

const NO_RELATION = new Set(
  'say think know believe hope look seem feel want like wish go come do try begin start stop continue happen occur live stay become get'.split(
    ' ',
  ),
)
/** Hangs the sentence on the one before and says nothing of the relation. */
const CONNECTIVE =
  /^(?:therefore|thus|hence|however|then|now|so|too|again|instead|always|often|sometimes|soon|only|even|here|there|just|still|already)$/
const QUANTITY =
  /^(?:exactly |at least |at most |up to |about )?(?:(?:one|two|three|four|five|six|seven|eight|nine|ten|\d+|a few|several)(?: (?:or|to) (?:more|two|three|four|several|many|\d+))?|(?:hundreds|thousands|dozens|lots|plenty|a lot|a number|a couple|most|some|many|all|both|each) of)\s+(?=\p{L})/iu
const TAKES = /^(?:get|receive|take|buy|order|collect|obtain|borrow)$/
const GIVES = /^(?:cost|give|bring|save|earn|tell|teach|show|send|lend|offer|grant|promise|ask|pay)$/
const HOLDS = /^(?:make|keep|render|leave|get|set|turn|hold)$/

/** A list of concepts: how many there are of each is no part of its name. */
export const concepts = (words: readonly Tagged[]): Named[] =>
  mentions(joinedCounts(words)).map((m) =>
    withoutQuantity(
      /^every(?:one|body|thing)$/.test(m.pronoun ?? '') ? { ...m, key: m.pronoun ?? '', pronoun: null } : m,
    ),
  )

/** "one or more tickets" is one thing. */
const joinedCounts = (words: readonly Tagged[]): readonly Tagged[] =>
  words.filter((w, i) => {
    const [a, b] = [words[i - 1], words[i + 1]]
    const counted = /^(?:or|to)$/.test(w.lower) && a?.tag === 'num' && (b?.tag === 'num' || b?.lower === 'more')
    const next = words[i + 1]?.lower
    const first = w.tag === 'num' && /^(?:or|to)$/.test(next ?? '') && /^(?:more|\d.*)$/.test(words[i + 2]?.lower ?? '')
    const more = w.lower === 'more' && words[i - 1]?.lower === 'or' && words[i - 2]?.tag === 'num'
    return !counted && !first && !more
  })

function withoutQuantity(m: Named): Named {
  const at = QUANTITY.exec(m.label)
  if (!at) return m
  const label = m.label.slice(at[0].length)
  const key = m.key.slice(m.key.length - m.key.split(' ').slice(at[0].trim().split(' ').length).join(' ').length)
  return key === '' || /^(?:thing|way|reason)s?$/i.test(label) ? m : { ...m, label: capital(label), key }
}

/** The objects of a clause with the words that lead to them: "gives orders to the helmsman" gives two. */
export function targetsOf(c: Clause, lexicon: Lexicon): readonly Target[] {
  const verb = c.verb as NonNullable<Clause['verb']>
  const takes = verb.base === 'get' && (c.rest[0]?.tag === 'det' || c.rest.some((w) => w.lower === 'from'))
  const led = c.rest.find((w) => w.tag !== 'adv')?.lower ?? ''
  // "come mostly from late sailings", "have to do with the weather"
  const leads = /^(?:up|from|to|in|out|into|down)$/.test(led) || (verb.base === 'do' && led === 'with')
  if (NO_RELATION.has(verb.base) && !takes && !leads) return []
  const { prep, object, tail } = objectAndRest(c.rest)
  const adverb = c.rest.filter(
    (w, i) => w.tag === 'adv' && i === 0 && !/ly$/.test(w.lower) && !CONNECTIVE.test(w.lower),
  )
  const says = joined([
    ...verb.words.filter((w) => w.tag !== 'adv' || w.lower === 'also'),
    ...adverb,
    ...prep,
  ]).toLowerCase()
  if (verb.copula) return complementOf(c, object, prep, says, lexicon)
  // "depends on whether": nothing named.
  if (mentions(object).length === 0) return []
  const [particle] = tail
  const verbless = object.findIndex((w, i) => i > 0 && w.form === 'base' && w.strength === 'only')
  if (verbless > 0)
    return [
      { to: concepts(object.slice(0, verbless)), words: `${says} ${joined(object.slice(verbless)).toLowerCase()}` },
    ]
  const second = particle?.tag === 'prep' ? objectAndRest(tail) : null
  const towards =
    second !== null && prep.length === 0 && /^(?:to|with|from|into|against|for)$/.test(particle?.lower ?? '')
  const vague = /^(?:little|much|nothing|something|a lot|more|less)$/.test(
    bare(object)
      .map((w) => w.lower)
      .join(' '),
  )
  if (second && towards && (verb.base === 'give' || vague))
    return [
      { to: concepts(second.object), words: `${says} ${joined([...bare(object), ...second.prep]).toLowerCase()}` },
    ]
  // "passes complaints on to the purser": who gets them counts as well.
  const handed = new RegExp(TAKES.test(verb.base) ? '^from$' : '^to$').test(second?.prep.at(-1)?.lower ?? '')
  const person = second && handed ? mention(second.object) : null
  const also: Target[] =
    second && second.prep.length > 0
      ? [
          {
            to: concepts(second.object),
            words: `${says} ${joined([...bare(object), ...second.prep]).toLowerCase()}`,
            ...(person && lexicon.actors.has(person.key.split(' ').at(-1) ?? '')
              ? { receives: true }
              : { beside: true }),
          },
        ]
      : []
  // "four things: carbon, air and water": what is announced stands behind the colon.
  const listed = tail[0]?.text === ':' && !tail.some((w) => w.finite) ? concepts(tail.slice(1)) : []
  if (listed.length > 1) return [{ to: listed, words: says }]
  // "make it gusty", "improves it further"
  const [it, ...how] = object
  // "costs us trust"
  if (/^(?:me|us|you|him|her|them)$/.test(it?.lower ?? '') && GIVES.test(verb.base) && how.at(-1)?.tag === 'noun')
    return [{ to: concepts(how), words: says }]
  if (it?.tag === 'pron' && how.length > 0 && !how.some((w) => w.tag === 'conj' || w.text === ','))
    return [{ to: concepts([it]), words: HOLDS.test(verb.base) ? `${says} ${joined(how).toLowerCase()}` : says }]
  const state = HOLDS.test(verb.base) ? stateOf(object, lexicon) : null
  if (state) return [{ to: concepts(state.thing), words: `${says} ${joined(state.state).toLowerCase()}` }]
  const [doing, what] = object
  // "works by blocking adenosine", "is used for lifting boats"
  if (/^(?:by|for)$/.test(prep.at(-1)?.lower ?? '') && doing?.form === 'ing' && what && itemsOf(object).length === 1)
    return [{ to: concepts(object.slice(1)), words: `${says} ${doing.lower}` }]
  return [{ to: concepts(object), words: says }, ...also]
}

/** "makes the soil less acid": a thing and the state it is brought to. */
function stateOf(
  object: readonly Tagged[],
  lexicon: Lexicon,
): { thing: readonly Tagged[]; state: readonly Tagged[] } | null {
  const last = object.at(-1)
  const adjective =
    last?.tag === 'adj' || (lexicon.adjectives.has(last?.lower ?? '') && !/ing$/.test(last?.lower ?? ''))
  if (!last || !adjective || object.length < 2 || object.some((w) => w.tag === 'conj' || w.text === ',')) return null
  let from = object.length - 1
  while (from > 0 && /^(?:less|more|very|too|so|quite)$/.test((object[from - 1] as Tagged).lower)) from--
  const before = object[from - 1]
  return before && (before.tag === 'noun' || before.tag === 'pron')
    ? { thing: object.slice(0, from), state: object.slice(from) }
    : null
}

function complementOf(
  c: Clause,
  object: readonly Tagged[],
  prep: readonly Tagged[],
  says: string,
  lexicon: Lexicon,
): readonly Target[] {
  // "The biggest cost is fuel"
  const only =
    object.length === 1 &&
    c.subject[0]?.lower === 'the' &&
    !lexicon.adjectives.has(object[0]?.lower ?? '') &&
    object[0]?.form === null
  const nominal = /^(?:a|an|the|one|part)$/.test(object[0]?.lower ?? '') || prep.length > 0 || only
  const of = c.rest.findIndex((w) => w.lower === 'of')
  if (/^(?:part|kind|type|form|example|factor|cause|result|source|sign)$/.test(bare(object)[0]?.lower ?? '') && of > 0)
    return [{ to: concepts(c.rest.slice(of + 1)), words: `${says} ${joined(c.rest.slice(0, of + 1)).toLowerCase()}` }]
  return nominal && object.at(-1)?.tag === 'noun' ? [{ to: concepts(object), words: says }] : []
}

export type Gapped = { readonly from: readonly Named[]; readonly to: readonly Named[]; readonly words: string }

/** "Carbon comes from leaves, nitrogen from kitchen scraps": the verb is said once. */
export function gappedOf(c: Clause): { readonly own: readonly Tagged[]; readonly others: readonly Gapped[] } {
  const { prep, object } = objectAndRest(c.rest)
  const [p] = prep
  if (!c.verb || !p || prep.length !== 1) return { own: c.rest, others: [] }
  const start = c.rest.indexOf(object[0] as Tagged)
  const groups: Tagged[][] = [[]]
  c.rest.slice(Math.max(0, start)).forEach((w) => {
    if (w.text === ',' || w.text === ';') groups.push([])
    else (groups.at(-1) as Tagged[]).push(w)
  })
  const [, ...later] = groups
  const others: Gapped[] = []
  for (const g of later) {
    const at = g.findIndex((w) => w.lower === p.lower)
    const subject = g.slice(g.slice(0, Math.max(0, at)).findLastIndex((w) => w.tag === 'conj') + 1, Math.max(0, at))
    if (
      at < 1 ||
      !subject.some((w) => w.tag === 'noun') ||
      subject.length === 0 ||
      subject.some((w) => w.tag === 'prep') ||
      g.some((w) => w.finite)
    )
      continue
    const words = joined([...c.verb.words.filter((w) => w.tag !== 'adv'), p]).toLowerCase()
    others.push({ from: concepts(subject), to: concepts(g.slice(at + 1)), words })
  }
  const first = later.find((g) => g.some((w, i) => i > 0 && w.lower === p.lower))?.[0]
  return { own: others.length > 0 && first ? c.rest.slice(0, c.rest.indexOf(first)) : c.rest, others }
}
