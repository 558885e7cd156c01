/** Lists of kinds and parts without a verb of their own for it: announced, behind a colon, under a name, as a complement. */
import type { ChildClaim, Named } from '../claims'
import { ANNOUNCES, afterCategory, announcedCount, cutList, phraseText } from './hierarchyWords'
import type { Clause } from './parse'
import { bare, itemsOf, keyOf, mention, mentions, objectAndRest, wordsOfClause } from './phrases'
import { isWord } from './words'

/** "There are three types of bread: ...", "We use two families of pipette", "A bicycle has four main parts: ...". */
export function announcement(c: Clause, text: string): ChildClaim | null {
  if (c.verb?.imperative || c.verb?.negative || c.verb?.passive) return null
  const verbs = /^(?:be|exist|have|know|use|distinguish|offer|work|run|recogni[sz]e|find|see|mean)$/
  const words = c.verb ? c.rest : wordsOfClause(c)
  const said = text.slice(words[0]?.start ?? 0, words.at(-1)?.end ?? 0)
  const m = ANNOUNCES.exec(said)
  // "We sell three kinds of pass": with what they are kinds of, whatever is done with them.
  const ours = /^(?:we|you|they)$/.test(c.subject[0]?.lower ?? '') && !c.verb?.told
  if (!m || (c.verb && !verbs.test(c.verb.base) && !(m[3] && ours))) return null
  const span = { start: c.start, end: c.end }
  const at = (words[0]?.start ?? 0) + m[0].length
  const list = words.filter((w) => w.start >= at)
  const from = list.findIndex((w) => isWord(w) && !/^(?:namely|in|our|the|for)$/.test(w.lower))
  const hasList = list.some((w) => /^[:–—,]$/.test(w.text)) && from >= 0
  const children = hasList ? mentions(cutList(list.slice(list.findIndex((w) => /^[:–—,]$/.test(w.text)) + 1))) : []
  const ofStart = m[3] ? (words[0]?.start ?? 0) + m.index + m[0].length - m[3].length : -1
  const parentWords = m[3]
    ? words.filter((w) => w.start >= ofStart && w.start < at)
    : /^(?:have|mean|know|distinguish|recognise|recognize)$/.test(c.verb?.base ?? '') &&
        !/^(?:we|you|they)$/.test(c.subject[0]?.lower ?? '')
      ? c.subject
      : []
  const parent = parentWords.length > 0 ? mention(parentWords) : null
  if (!parent || parent.key === '') return null
  // "The company has three divisions. The shipping division ...": named by what they are.
  const category = m[3] ? '' : keyOf(m[0].trim().split(/\s+/).at(-1) ?? '')
  const base = { relation: 'child', how: 'kind', parent, children, rule: 'there-are', span, weight: 0.9 } as const
  const count = announcedCount(words)
  return category !== '' && children.length === 0 ? { ...base, awaits: category, ...count } : { ...base, ...count }
}

/** "There are fumes: exhaust gas, paint and acid"; "Ropes: there is mooring rope, lashing and small stuff". */
export function thereAre(c: Clause, all: readonly Clause[]): ChildClaim | null {
  if (c.subject[0]?.lower !== 'there' || !c.verb?.copula || c.verb.negative || c.verb.told) return null
  const base = { relation: 'child', how: 'kind', rule: 'there-list', span: { start: c.start, end: c.end } } as const
  // "Aft there are the stern ramp and the bike racks"
  const front = c.front.filter((w) => w.tag !== 'mark')
  const asFor = phraseText(front.slice(0, 2)) === 'as for' ? 2 : /^(?:in|within)$/.test(front[0]?.lower ?? '') ? 1 : 0
  const spoken = front.slice(asFor)
  const place =
    spoken.length > 0 && spoken.length <= 4 && /^(?:noun|det|adj)$/.test(spoken[0]?.tag ?? '') ? mention(spoken) : null
  const inside = mentions(cutList(afterCategory(c.rest)))
  if (place && place.key !== '' && inside.length > 1)
    return { ...base, parent: place, children: inside, weight: ANNOUNCES.test(phraseText(c.rest)) ? 0.8 : 0.45 }
  const colon = c.rest.findIndex((w) => w.text === ':')
  if (colon > 0 && colon <= 5) {
    const children = mentions(cutList(c.rest.slice(colon + 1)))
    const parent = mention(c.rest.slice(0, colon))
    return children.length > 1 && parent.key !== '' ? { ...base, parent, children, weight: 0.5 } : null
  }
  const before = all[all.indexOf(c) - 1]
  const topic = c.joint === ':' && before && !before.verb ? mention(before.rest) : null
  const called = all.slice(all.indexOf(c) + 1).find((x) => x.sub === 'what' && x.verb?.base === 'call')
  const children = [...mentions(cutList(c.rest)), ...(called ? mentions(called.rest) : [])]
  return topic && topic.key !== '' && children.length > 1 ? { ...base, parent: topic, children, weight: 0.7 } : null
}

/** "Prints can be framed or unframed". */
export function canBe(c: Clause): ChildClaim | null {
  const { verb } = c
  if (!verb || !/^(?:can|may)$/.test(verb.modal ?? '') || (!verb.copula && !verb.passive) || verb.negative) return null
  const words = [...(verb.passive ? verb.words.slice(-1) : []), ...c.rest]
  const or = words.findIndex((w) => w.lower === 'or')
  if (or < 1 || words.length > 6 || words.some((w) => w.tag === 'prep')) return null
  const parent = mention(c.subject)
  const base = {
    relation: 'child',
    how: 'kind',
    rule: 'can-be',
    span: { start: c.start, end: c.end },
    weight: 0.3,
  } as const
  return parent.key === '' || parent.pronoun ? null : { ...base, parent, children: mentions(words) }
}

/** "Four voices: sopranos, altos, tenors, basses": a name and three or more things behind a colon. */
export function topicList(c: Clause): ChildClaim | null {
  if (c.verb || c.sub !== null || c.relative) return null
  const colon = c.rest.findIndex((w) => /^[:=]$/.test(w.text))
  const parent = colon > 0 && colon <= 5 && c.rest[0]?.tag !== 'prep' ? mention(c.rest.slice(0, colon)) : null
  const items = colon > 0 ? mentions(cutList(c.rest.slice(colon + 1))) : []
  const short = items.every((m) => m.label.split(' ').length <= 4)
  if (!parent || parent.key === '' || items.length < 2 || !short) return null
  return {
    relation: 'child',
    how: 'kind',
    parent,
    children: items,
    rule: 'colon-list',
    span: { start: c.start, end: c.end },
    weight: 0.5,
  }
}

/** "Under gifts we file mugs and scarves", "Under her are two mates", "Among the slow ones we have ballads". */
export function filedUnder(c: Clause): ChildClaim | null {
  const [first] = c.front
  const { verb } = c
  const offered = verb && /^(?:suggest|have|use|need|offer|recommend|carry|keep|be)$/.test(verb.base) && !verb.told
  const ours = /^(?:we|you|they|there)$/.test(c.subject[0]?.lower ?? '')
  // "By fasteners we mean screws", "In the drawers you will find tools and glue"
  const meant = first?.lower === 'by' && verb?.base === 'mean'
  const found = first?.lower === 'in' && verb?.base === 'find'
  const forThem = ours && ((first?.lower === 'for' && offered) || meant || found)
  if (!first || !verb || verb.imperative || !(forThem || /^(?:under|below|beneath|among|amongst)$/.test(first.lower)))
    return null
  const range = c.rest.findIndex((w) => w.lower === 'from')
  const children = mentions(
    range >= 0 && range <= 1
      ? c.rest.slice(range + 1).map((w) => (w.lower === 'to' ? { ...w, lower: 'and', tag: 'conj' as const } : w))
      : cutList(c.rest),
  )
  const parent = mention(c.front.slice(1).filter((w) => w.tag !== 'mark'))
  const turned = c.subject.length === 0 && (verb.copula || verb.base === 'come')
  return (parent.key !== '' || parent.pronoun) &&
    (turned ? children.length > 0 : !parent.pronoun && children.length > 1)
    ? {
        relation: 'child',
        how: turned ? 'reports' : 'kind',
        parent,
        children,
        rule: 'under',
        span: { start: c.start, end: c.end },
        weight: forThem ? 0.45 : 0.6,
      }
    : null
}

/** "Of the gulls, two kinds stay": some of them. */
export function ofThem(c: Clause): ChildClaim | null {
  const [first, second] = c.front
  if (first?.lower !== 'of' || second?.tag !== 'det' || !c.verb) return null
  const parent = mention(c.front.slice(1).filter((w) => w.tag !== 'mark'))
  const children = mentions(cutList(c.subject)).filter((x) => !x.pronoun)
  if (parent.key === '' || children.length === 0 || c.front.some((w) => w.text === ',' && w !== c.front.at(-1)))
    return null
  const span = { start: c.start, end: c.end }
  return { relation: 'child', how: 'kind', parent, children, rule: 'of-them', span, weight: 0.5 }
}

/** "offers five berths for visitors: ...": the several things that stand before the colon are those behind it. */
export function listedBehind(c: Clause): ChildClaim[] {
  const colon = c.rest.findIndex((w) => w.text === ':')
  if (!c.verb || c.verb.negative || colon < 1) return []
  const { object } = objectAndRest(c.rest.slice(0, colon))
  const several = bare(object).some((w) => /^NNP?S$/.test(w.pos) && w.tag === 'noun')
  const children = mentions(cutList(c.rest.slice(colon + 1)))
  const short = children.every((m) => !m.pronoun && m.label.split(' ').length <= 6)
  const parent = mention(object.filter((w) => w.lower !== 'following'))
  if (!several || children.length < 2 || !short || parent.key === '' || parent.pronoun) return []
  const span = { start: c.start, end: c.end }
  return [{ relation: 'child', how: 'kind', parent, children, rule: 'listed', span, weight: 0.5 }]
}

/** "Fixed costs stay the same: insurance, dues, salaries": what is said of a thing ends in a list of what it takes in. */
export function endsInList(c: Clause, all: readonly Clause[]): ChildClaim[] {
  if (!c.verb || c.verb.imperative || c.sub !== null || c.relative) return []
  // "... stay the same whether we sail or not: ..."
  const next = all[all.indexOf(c) + 1]
  const { rest } = next && next.sub !== null && next === all.at(-1) ? next : c
  const colon = rest.findIndex((w) => w.text === ':')
  if (colon < 0 || rest.some((w) => w.finite)) return []
  const children = mentions(cutList(rest.slice(colon + 1)))
  const parent = mention(c.subject)
  const short = children.every((m) => !m.pronoun && m.label.split(' ').length <= 4)
  if (children.length < 2 || !short || parent.key === '' || parent.pronoun) return []
  const span = { start: c.start, end: c.end }
  return [{ relation: 'child', how: 'kind', parent, children, rule: 'ends-in-list', span, weight: 0.3 }]
}

const EXAMPLE =
  /^(?:also )?(?:the |an? |some |two |good |typical |common |usual |well-known |main )*(?:examples?|(?:usual|typical|common|best known|most common) ones?)$/

/** "The shop's range is books, prints and gifts", "Consumables are tips, tubes and plates". */
export function copulaList(c: Clause, all: readonly Clause[], subjectOf: Named | null): ChildClaim[] {
  if (
    !c.verb?.copula ||
    c.verb.negative ||
    c.verb.told ||
    c.subject.length === 0 ||
    c.sub !== null ||
    c.subject[0]?.lower === 'there'
  )
    return []
  const colon = c.rest.findIndex((w) => w.text === ':')
  const duty = /^(?:also )?responsible for /.exec(phraseText(c.rest))
  const things =
    duty ??
    /^(?:(?:things|something|anything|everything|stuff|mostly|mainly|basically) )+(?:like |from )?/.exec(
      phraseText(c.rest),
    )
  const skip = things ? things[0].trim().split(' ').length : 0
  const before = all.slice(0, all.indexOf(c)).findLast((x) => x.sub === null && !x.relative && x.subject.length > 0)
  if (EXAMPLE.test(phraseText(c.rest))) {
    const parent = before ? mention(before.subject) : subjectOf
    const children = mentions(c.subject)
    return parent && !parent.pronoun && children.every((x) => !x.pronoun)
      ? [
          {
            relation: 'child',
            how: 'kind',
            parent,
            children,
            rule: 'examples',
            span: { start: c.start, end: c.end },
            weight: 0.6,
          },
        ]
      : []
  }
  // "is the smallest, with costumes and photographs"
  const withAt = c.rest.findIndex((w, i) => w.lower === 'with' && c.rest[i - 1]?.text === ',')
  const has = withAt > 0 ? mentions(cutList(c.rest.slice(withAt + 1))) : []
  if (has.length > 1 && c.rest.slice(0, withAt).every((w) => w.tag !== 'noun' || w.form !== 's'))
    return [
      {
        relation: 'child',
        how: 'part',
        parent: mention(c.subject),
        children: has,
        rule: 'has',
        span: { start: c.start, end: c.end },
        weight: 0.3,
      },
    ]
  const items = mentions(cutList(colon >= 0 ? c.rest.slice(colon + 1) : c.rest.slice(skip)))
  const phrases = itemsOf(cutList(colon >= 0 ? c.rest.slice(colon + 1) : c.rest.slice(skip)))
  const plain = phrases.filter((p) => p.at(-1)?.tag === 'noun' && p.at(-1)?.form !== 'ed').length
  const plainNouns = plain === phrases.length || (phrases.length > 2 && plain * 2 > phrases.length)
  const subject = mention(c.subject)
  const pointing = /^(?:these|those|they|that|this)$/.test(c.subject[0]?.lower ?? '')
  const one = items.length === 1 && /^(?:a|an)$/.test(c.rest[0]?.lower ?? '')
  const base = { relation: 'child', how: 'kind', span: { start: c.start, end: c.end } } as const
  if (one && plainNouns && items[0] && !subject.pronoun)
    return [{ ...base, parent: items[0], children: [subject], rule: 'is-a', weight: 0.3 }]
  if (
    items.length === 1 &&
    plainNouns &&
    c.subject.length > 0 &&
    items[0] &&
    /^(?:and|or)$/.test(c.subject.find((w) => w.tag === 'conj')?.lower ?? '')
  )
    return [{ ...base, parent: items[0], children: mentions(c.subject), rule: 'is-a', weight: 0.3 }]
  // "Prints are small, medium or large"
  const either =
    c.rest.some((w) => w.lower === 'or') &&
    phrases.length > 1 &&
    phrases.every((p) => p.length <= 2 && !p.some((w) => w.tag === 'prep' || w.finite))
  if (items.length > 1 && !plainNouns && either && !subject.pronoun)
    return [{ ...base, parent: subject, children: items, rule: 'is-or', weight: 0.4 }]
  if (items.length < 2 || !plainNouns) return []
  return [
    {
      ...base,
      parent: subject,
      children: items,
      rule: pointing ? 'these-are' : 'is-list',
      weight: pointing ? 0.8 : items.length > 2 ? 0.6 : 0.45,
    },
  ]
}
