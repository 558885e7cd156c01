/** Kinds, parts and reporting lines in English clauses. */
import {
  announcement,
  canBe,
  copulaList,
  endsInList,
  filedUnder,
  listedBehind,
  ofThem,
  thereAre,
  topicList,
} from './hierarchyLists'
import {
  CATEGORY_PHRASE,
  ONLY_CATEGORY,
  afterCategory,
  announcedCount,
  beforeOne,
  cutList,
  phraseText,
  untilVerb,
  withoutOne,
} from './hierarchyWords'
import type { ChildClaim, Named } from '../claims'
import { bare, itemsOf, mention, mentions, wordsOfClause, type Mention } from './phrases'
import { countOf } from './counts'
import { hierarchyCues, type HierarchyCue } from './hierarchyCues'
import type { Clause } from './parse'
import type { Tagged } from './tag'
import { isWord } from './words'
import { capitalWord } from '../../text'

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

/** "three car ferries, Teal, Dunlin and Eider, and two boats, ...": as many names as were counted. */
function counted(c: Clause, text: string): ChildClaim[] {
  if (!c.rest.some((w) => w.text === ',')) return []
  const colon = c.rest.findIndex((w) => w.text === ':')
  const items = itemsOf(colon < 0 ? c.rest : c.rest.slice(0, colon))
  const out: ChildClaim[] = []
  const gap = (i: number): string => text.slice(items[i]?.at(-1)?.end ?? 0, items[i + 1]?.[0]?.start ?? 0)
  for (let i = 0; i < items.length; i++) {
    const item = items[i] as Tagged[]
    const n = countOf(item[0]?.lower ?? '') ?? 0
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
          !(k === 0 && all.length > 2 && countOf(x.key.split(' ')[0] ?? '') === all.length - 1 && x.key.includes(' ')),
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
  const ends = list.length > 0 ? list : listedBehind(c)
  return ends.length > 0 ? ends : endsInList(c, all)
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
      const child = { ...m, label: capitalWord(m.label.slice(part[0].length)), key: m.key.replace(/^with /, '') }
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

/** A claim as its examples are written. */
export const shown = (c: ChildClaim): string =>
  `${c.parent.label} > ${c.children.map((x: Mention) => x.label).join(', ')}`
