/** Kinds, parts and reporting lines in English clauses. */
import type { ChildClaim, Named } from '../claims'
import { bare, itemsOf, keyOf, mention, mentions, wordsOfClause, type Mention } from './phrases'
import { CATEGORY, hierarchyCues, type HierarchyCue } from './hierarchyCues'
import { capitalised } from './label'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { isWord } from './words'

/** Phrases inside a noun phrase: "rings, such as ...". */
const SUCH_AS =
  /\b(such as|for example|for instance|including|namely|above all|notably|especially|e\.g\.?,?|i\.e\.?,?)[,:]?\s/gi

const SAYS_SUCH_AS = new RegExp(SUCH_AS.source, 'i')

/** What a sentence's clauses say of kinds, parts and who is above whom; `subjectOf` is what the one before was about. */
export function hierarchyClaims(
  clauses: readonly Clause[],
  text: string,
  subjectOf: Named | null = null,
): ChildClaim[] {
  return [
    ...clauses.flatMap((c) => [...fromClause(c, clauses, text, subjectOf), ...counted(c, text), ...bracketed(c)]),
    ...suchAs(clauses, text),
  ]
}

const COUNT: Readonly<Record<string, number>> = { two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8 }

/** "three car ferries, Teal, Dunlin and Eider, and two boats, ...": as many names as were counted. */
function counted(c: Clause, text: string): ChildClaim[] {
  if (!c.rest.some((w) => w.text === ',')) return []
  const colon = c.rest.findIndex((w) => w.text === ':')
  const items = itemsOf(colon < 0 ? c.rest : c.rest.slice(0, colon))
  const out: ChildClaim[] = []
  const gap = (i: number): string => text.slice(items[i]?.at(-1)?.end ?? 0, items[i + 1]?.[0]?.start ?? 0)
  for (let i = 0; i < items.length; i++) {
    const item = items[i] as Tagged[]
    const n = COUNT[item[0]?.lower ?? ''] ?? Number(item[0]?.text ?? NaN)
    const names = items.slice(i + 1, i + 1 + n)
    const plural = /[^su]s$/.test(item.at(-1)?.lower ?? '') && item.length > 1 && item.length <= 4
    if (!(n >= 2 && n <= 8) || !plural || names.length < n || !/^\s*,/.test(gap(i))) continue
    const named = names.every((x, k) => x.length <= 4 && !/\ban?\s*$/.test(gap(i + k)) && !(x[0]?.tag === 'num'))
    if (!named) continue
    out.push({
      relation: 'child',
      how: 'kind',
      parent: mention(item),
      children: names.map(mention),
      rule: 'counted',
      span: { start: c.start, end: c.end },
      weight: 0.7,
    })
    i += n
  }
  return out
}

/** "glass (white, green and brown)": the kinds of what stands before the bracket. */
function bracketed(c: Clause): ChildClaim[] {
  if (c.asides.length === 0) return []
  const own = wordsOfClause(c)
  return c.asides.flatMap((aside): ChildClaim[] => {
    const items = itemsOf(aside)
    const ahead = own.filter((w) => w.end <= (aside[0]?.start ?? 0))
    const from = ahead.findLastIndex(
      (w) => w.finite || /^(?:prep|mark|conj|verb|aux)$/.test(w.tag) || w.lower === 'and',
    )
    const parent = mention(ahead.slice(from + 1))
    const plain = items.every(
      (x) =>
        x.length <= 3 &&
        !x.some((w) => w.finite || /^(?:prep|num|sub|to)$/.test(w.tag)) &&
        /^(?:noun|adj)$/.test(x.at(-1)?.tag ?? ''),
    )
    if (items.length < 2 || !plain || parent.key === '' || parent.pronoun) return []
    const span = { start: parent.span.start, end: aside.at(-1)?.end ?? c.end }
    return [
      { relation: 'child', how: 'kind', parent, children: items.map(mention), rule: 'bracketed', span, weight: 0.5 },
    ]
  })
}

function fromClause(c: Clause, all: readonly Clause[], text: string, subjectOf: Named | null): ChildClaim[] {
  if (c.sub !== null && c.sub !== 'while' && c.sub !== 'whereas') return []
  const announced = announcement(c, text) ?? thereAre(c, all) ?? topicList(c) ?? filedUnder(c) ?? ofThem(c) ?? canBe(c)
  if (announced) return [announced]
  const { verb } = c
  if (!verb || verb.negative || verb.imperative) return []
  const behindText = text.slice(c.rest[0]?.start ?? 0, c.rest.at(-1)?.end ?? 0).toLowerCase()
  for (const cue of hierarchyCues) {
    if (
      !cue.verb.test(verb.base) ||
      (cue.voice === 'passive' && !verb.passive) ||
      (cue.voice === 'active' && verb.passive)
    )
      continue
    const m = cue.behind.exec(behindText)
    // "made of steel" says what it is made from, "made up of" what its parts are.
    if (!m || c.rest.length === 0 || (verb.base === 'make' && !m[0].startsWith('up'))) continue
    const from = (c.rest[0]?.start ?? 0) + m[0].length
    const raw = c.rest.filter((w) => w.start >= from)
    // "the yard, which Pete looks after": what is looked after stands before.
    const gap = c.relative && raw.length === 0 && c.subject.some((w) => w.tag === 'noun') && cue.parent === 'before'
    const behind = gap ? antecedent(c, all) : afterCategory(raw)
    const subject = c.relative && !gap ? antecedent(c, all) : objectOrSubject(c)
    if (behind.length === 0 || subject.length === 0) continue
    // "Each division is headed by a director" names nobody.
    if (cue.how === 'heads' && /^(?:each|every)$/.test(subject[0]?.lower ?? '')) continue
    const announced = announcedBy(c, cue, cue.parent === 'before' ? behind : raw, subject)
    if (announced) return nestedParts(announced)
    const parentWords = cue.parent === 'before' ? subject : behind
    const childWords = cue.parent === 'before' ? behind : subject
    const parents = mentions(cutList(pointsBack(parentWords) ? subjectBefore(c, all) : parentWords))
    const children = mentions(
      cutList(childWords === behind && behind.length < raw.length ? withoutOne(childWords) : beforeOne(childWords)),
    )
      .filter((x) => !x.pronoun || cue.parent === 'behind')
      // "two tracks, general and technical": as many as were counted.
      .filter(
        (x, k, all) =>
          !(k === 0 && all.length > 2 && COUNT[x.key.split(' ')[0] ?? ''] === all.length - 1 && x.key.includes(' ')),
      )
    const [parent] = parents
    if (!parent || /^\d/.test(parent.key) || children.length === 0 || (parents.length > 1 && children.length > 1))
      continue
    const wantsList =
      (cue.weight < 0.5 && !/^(?:treats|is-about)$/.test(cue.name)) || /^(?:divides|comes-as)$/.test(cue.name)
    const weak = wantsList && children.length < 2 && !/^(?:two|three|four|five|six|\d)/.test(children[0]?.key ?? '')
    if (weak) continue
    const each = parents.length > 1 ? parents : [parent]
    const runs = cue.parent === 'before' && verb.base === 'run' ? staffOf(childWords) : null
    if (runs) {
      const one = { relation: 'child', parent, rule: 'leads', span: { start: c.start, end: c.end } } as const
      return [
        { ...one, how: 'heads', children: [runs.parent], weight: 0.75 },
        { ...one, how: 'reports', children: runs.children, weight: 0.6 },
      ]
    }
    const staff = cue.parent === 'behind' && parents.length === 1 ? staffOf(parentWords) : null
    if (staff) {
      const span = { start: c.start, end: c.end }
      const one = { relation: 'child', how: 'reports', parent: staff.parent, rule: cue.name, span } as const
      return [
        { ...one, how: cue.how, children, weight: cue.weight },
        { ...one, children: staff.children, weight: 0.6 },
      ]
    }
    const middle = cue.parent === 'before' ? middleOf(raw) : null
    const base = {
      relation: 'child',
      rule: cue.name,
      span: { start: c.start, end: c.end },
      weight: cue.weight,
    } as const
    return each.flatMap((p) =>
      middle
        ? [
            { ...base, how: cue.how, parent: p, children: [middle] },
            ...nestedParts({ ...base, how: cue.how, parent: middle, children }),
          ]
        : nestedParts({ ...base, how: cue.how, parent: p, children }),
    )
  }
  const list = copulaList(c, all, subjectOf)
  return list.length > 0 ? list : endsInList(c, all)
}

/** "is run by Karin with a cashier and a bookkeeper": who works for her. */
function staffOf(words: readonly Tagged[]): { readonly parent: Named; readonly children: readonly Named[] } | null {
  const at = words.findIndex(
    (w, i) => i > 0 && w.lower === 'with' && /^(?:a|an|two|three|four|her|his)$/.test(words[i + 1]?.lower ?? ''),
  )
  return at > 0 ? { parent: mention(words.slice(0, at)), children: mentions(words.slice(at + 1)) } : null
}

/** "covers safety: drills and equipment": a level between the two. */
function middleOf(words: readonly Tagged[]): Named | null {
  const colon = words.findIndex((w) => w.text === ':')
  const head = bare(words.slice(0, Math.max(0, colon)))
  const named = head.length > 0 && head.length <= 3 && head.every((w) => w.tag === 'noun' || w.tag === 'adj')
  const says = head.map((w) => w.lower).join(' ')
  return named && !CATEGORY_PHRASE.test(says) && !/things?$/.test(says) ? mention(head) : null
}

/** "support, with four technicians, and development": what an item has is below it. */
function nestedParts(claim: ChildClaim): ChildClaim[] {
  const own: Named[] = []
  const nested: ChildClaim[] = []
  for (const m of claim.children) {
    const parent = own.at(-1)
    const part = /^with (?:an? |the )?/i.exec(m.label)
    if (!part || !parent) own.push(m)
    else {
      const child = { ...m, label: capitalised(m.label.slice(part[0].length)), key: m.key.replace(/^with /, '') }
      nested.push({ ...claim, how: 'part', parent, children: [child] })
    }
  }
  return [{ ...claim, children: own }, ...nested]
}

/** "Vehicles we divide into cars and vans": what is divided stands before the one who divides. */
const objectOrSubject = (c: Clause): readonly Tagged[] =>
  c.front[0] && /^(?:noun|det|adj)$/.test(c.front[0].tag) && /^(?:we|you|they|i)$/.test(c.subject[0]?.lower ?? '')
    ? c.front
    : c.subject.filter((w) => w.tag !== 'rel')

/** "belong to this group": what the sentence has just spoken of. */
const pointsBack = (words: readonly Tagged[]): boolean =>
  /^(?:to )?(?:this|that|these|those) \p{L}+$/u.test(phraseText(words))
const subjectBefore = (c: Clause, all: readonly Clause[]): readonly Tagged[] =>
  all.slice(0, all.indexOf(c)).findLast((x) => x.sub === null && x.ownSubject && x.subject.length > 0)?.subject ?? []

/** "Two departments answer to her: nursing and diagnostics", "Waste falls into four categories.": the names stand behind
 *  the colon, or in the sentence that follows. */
function announcedBy(
  c: Clause,
  cue: HierarchyCue,
  behind: readonly Tagged[],
  subject: readonly Tagged[],
): ChildClaim | null {
  const base = {
    relation: 'child',
    how: cue.how,
    rule: cue.name,
    span: { start: c.start, end: c.end },
    weight: cue.weight,
  } as const
  if (cue.parent === 'before') {
    const [parent] = mentions(subject)
    return parent && !parent.pronoun && ONLY_CATEGORY.test(phraseText(behind))
      ? { ...base, parent, children: [], ...announcedCount(behind) }
      : null
  }
  const colon = behind.findIndex((w) => /^[:–—]$/.test(w.text))
  if (colon < 1 || !ONLY_CATEGORY.test(phraseText(subject))) return null
  return { ...base, parent: mention(behind.slice(0, colon)), children: mentions(cutList(behind.slice(colon + 1))) }
}
const announcedCount = (words: readonly Tagged[]): { announced?: number } => {
  const num = words.find((w) => w.tag === 'num')
  const n = COUNT[num?.lower ?? ''] ?? Number(num?.text ?? NaN)
  return n >= 2 ? { announced: n } : {}
}
const phraseText = (words: readonly Tagged[]): string => words.map((w) => w.lower).join(' ')
const ANNOUNCES = new RegExp(
  `^(?:with |between |one of )?(?:the )?((?:two|three|four|five|six|seven|eight|\\d+|several|different|various|many|a few|following|main|basic|broad|important|big|major|distinct) )+(?:\\p{L}+ ){0,2}?${CATEGORY}\\b( of ([^:–—,;.]+))?`,
  'iu',
)
const CATEGORY_PHRASE = new RegExp(`^(?:the |an? )?(?:\\p{L}+ ){0,3}${CATEGORY}$`, 'iu')
const COUNTED_CATEGORY = new RegExp(`^(?:two|three|four|five|six|several|\\d+) (?:\\p{L}+ ){0,2}${CATEGORY}$`, 'iu')
const ONLY_CATEGORY = new RegExp(
  `^(?:one of )?(?:the |these |an? )?(?:two|three|four|five|six|seven|eight|several|many|\\d+) (?:\\p{L}+ ){0,2}${CATEGORY}$`,
  'iu',
)

/** "There are three types of bread: ...", "We use two families of pipette", "A bicycle has four main parts: ...". */
function announcement(c: Clause, text: string): ChildClaim | null {
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
function thereAre(c: Clause, all: readonly Clause[]): ChildClaim | null {
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
function canBe(c: Clause): ChildClaim | null {
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
function topicList(c: Clause): ChildClaim | null {
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
function filedUnder(c: Clause): ChildClaim | null {
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
function ofThem(c: Clause): ChildClaim | null {
  const [first, second] = c.front
  if (first?.lower !== 'of' || second?.tag !== 'det' || !c.verb) return null
  const parent = mention(c.front.slice(1).filter((w) => w.tag !== 'mark'))
  const children = mentions(cutList(c.subject)).filter((x) => !x.pronoun)
  if (parent.key === '' || children.length === 0 || c.front.some((w) => w.text === ',' && w !== c.front.at(-1)))
    return null
  const span = { start: c.start, end: c.end }
  return { relation: 'child', how: 'kind', parent, children, rule: 'of-them', span, weight: 0.5 }
}

/** "Fixed costs stay the same: insurance, dues, salaries": what is said of a thing ends in a list of what it takes in. */
function endsInList(c: Clause, all: readonly Clause[]): ChildClaim[] {
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
function copulaList(c: Clause, all: readonly Clause[], subjectOf: Named | null): ChildClaim[] {
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

/** "one for the fair and one for the concerts": what each of them is for. */
const withoutOne = (words: readonly Tagged[]): readonly Tagged[] =>
  words.filter(
    (w, i) =>
      !(w.lower === 'one' && /^(?:for|in|on|at)$/.test(words[i + 1]?.lower ?? '')) &&
      !(/^(?:for|in|on|at)$/.test(w.lower) && words[i - 1]?.lower === 'one'),
  )

/** "two mates, one for each watch": says more about them. */
const beforeOne = (words: readonly Tagged[]): readonly Tagged[] => {
  const at = words.findIndex(
    (w, i) => i > 1 && w.lower === 'one' && /^(?:for|in|on|at)$/.test(words[i + 1]?.lower ?? ''),
  )
  return at > 0 ? words.slice(0, at) : words
}

/** What stands behind "two sections:" or "three groups". */
function afterCategory(words: readonly Tagged[]): readonly Tagged[] {
  const colon = words.findIndex((w) => /^[:–—]$/.test(w.text))
  const head = words.slice(0, colon < 0 ? words.length : colon)
  const isCategory = CATEGORY_PHRASE.test(head.map((w) => w.text).join(' '))
  if (colon >= 0 && (isCategory || head.length <= (head[0]?.tag === 'num' ? 7 : 4))) return words.slice(colon + 1)
  // "has lessons on ropes and knots"
  const topics = head.findIndex((w) => /^(?:on|about|for)$/.test(w.lower))
  if (
    topics > 0 &&
    /^(?:lessons|sections|chapters|articles|units|pages|topics|parts|courses|modules)$/.test(
      head[topics - 1]?.lower ?? '',
    )
  )
    return head.slice(topics + 1)
  const comma = words.findIndex((w) => w.text === ',')
  const first = words
    .slice(0, comma < 0 ? words.length : comma)
    .map((w) => w.text)
    .join(' ')
  if (comma > 0 && COUNTED_CATEGORY.test(first)) return words.slice(comma + 1)
  return words
}

/** A list up to the next thing that is no part of it. */
function cutList(words: readonly Tagged[]): readonly Tagged[] {
  const list = bare(words)
  const end = list.findIndex(
    (w, i) => i > 0 && (w.finite || w.tag === 'sub' || w.tag === 'to' || /^(?:such|including|namely)$/.test(w.lower)),
  )
  const cut = end > 0 ? list.slice(0, end) : list
  return bare(cut.filter((w, i) => !(w.lower === 'but' && cut[i + 1]?.lower === 'also')))
}

function antecedent(c: Clause, all: readonly Clause[]): readonly Tagged[] {
  const before = all.slice(0, all.indexOf(c)).findLast((x) => !x.relative)
  if (!before) return []
  const from = before.rest.findLastIndex((w) => w.tag === 'prep' || w.tag === 'conj' || w.tag === 'mark')
  const words = before.rest.length > 0 ? before.rest.slice(from + 1) : before.subject
  return words.filter((w) => w.tag !== 'adv')
}

function suchAs(clauses: readonly Clause[], text: string): ChildClaim[] {
  const from = clauses[0]?.start ?? 0
  if (!SAYS_SUCH_AS.test(text.slice(from, clauses.at(-1)?.end ?? from))) return []
  const words = clauses
    .flatMap(wordsOfClause)
    .toSorted((a, b) => a.start - b.start)
    .filter((w, i, all) => i === 0 || w.start !== all[i - 1]?.start)
  const [first, last] = [words[0], words.at(-1)]
  if (!first || !last) return []
  const span = { start: first.start, end: last.end }
  const out: ChildClaim[] = []
  for (const m of text.slice(span.start, span.end).matchAll(SUCH_AS)) {
    const at = span.start + m.index
    const ahead = words.filter((w) => w.end <= at)
    const trimmed = ahead.slice(0, ahead.findLastIndex(isWord) + 1)
    const start = trimmed.findLastIndex(
      (w, i) =>
        i < trimmed.length - 1 &&
        (w.tag === 'prep' ||
          w.tag === 'verb' ||
          w.tag === 'aux' ||
          w.tag === 'conj' ||
          (w.tag === 'mark' && w.text !== '"') ||
          (w.finite && w.tag !== 'noun')),
    )
    const named = mention(trimmed.slice(start + 1))
    const owner = clauses.find(
      (c) =>
        c.start <= named.span.start &&
        c.end >= named.span.end &&
        c.verb &&
        /^(?:offer|have|provide|run|sell|keep|use)$/.test(c.verb.base),
    )
    const vague = /^(?:several|various|different|many|some|a few|a number)\b/i.test(
      phraseText(trimmed.slice(start + 1)),
    )
    const children = mentions(untilVerb(words.filter((w) => w.start >= at + m[0].length)))
    // "Bends join two ropes, for example the sheet bend": kinds of what the clause is about.
    const about =
      clauses.find((c) => c.start <= at && c.ownSubject && c.subject.length > 0 && !c.relative)?.subject ?? []
    const head = (key: string) => key.split(' ').at(-1)
    const ofSubject =
      about.length > 0 && children.length > 0 && children.every((x) => head(x.key) === head(mention(about).key))
    const parent = ofSubject
      ? mention(about)
      : vague && owner && owner.subject.length > 0
        ? mention(owner.subject)
        : named
    if (parent.key !== '' && !parent.pronoun && children.length > 0)
      out.push({
        relation: 'child',
        how: 'kind',
        parent,
        children,
        rule: 'such-as',
        span: { start: parent.span.start, end: children.at(-1)?.span.end ?? span.end },
        weight: 0.5,
      })
  }
  return out
}

/** The items that an inserted list has before the sentence goes on. */
function untilVerb(words: readonly Tagged[]): readonly Tagged[] {
  const verb = words.findIndex((w) => w.finite || w.tag === 'sub' || w.tag === 'rel' || /^[;:–—]$/.test(w.text))
  if (verb < 0) return words
  const cut = words.slice(0, verb)
  const comma = cut.findLastIndex((w) => w.text === ',')
  return comma > 0 && (words[verb] as Tagged).finite ? cut.slice(0, comma) : cut
}

/** A claim as its examples are written. */
export const shown = (c: ChildClaim): string =>
  `${c.parent.label} > ${c.children.map((x: Mention) => x.label).join(', ')}`
