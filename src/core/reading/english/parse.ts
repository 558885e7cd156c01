/** An English sentence as clauses: who, the verb group, what; how each hangs on the one before. Read from the tree: every
 *  verb that heads a sentence, an adverbial or relative clause, a complement, or is joined to one of these, heads a clause
 *  of the words that hang on it and on no other. */
import type { Span } from '../../text'
import { floating, tagged, type Tagged } from './tag'
import { Tree, type Role } from './tree'
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
  const cut = withoutBrackets(words)
  // "(windows on the quay side)": nothing stands outside.
  const { outside, asides } = cut.outside.some(isWord) ? cut : { outside: words, asides: [] }
  const clauses = clausesOf(tagged(text, outside, lexicon))
  return withAsides(
    clauses.filter((c) => c.end > c.start),
    asides.map((a) => tagged(text, a, lexicon)),
  )
}

function withoutBrackets<W extends { readonly text: string }>(words: readonly W[]): { outside: W[]; asides: W[][] } {
  const outside: W[] = []
  const asides: W[][] = []
  let inside: W[] | null = null
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
    const [from, to] = [i === 0 ? 0 : c.start, clauses[i + 1]?.start ?? Infinity]
    const own = asides.filter((a) => (a[0]?.start ?? 0) >= from && (a[0]?.start ?? 0) < to)
    return own.length > 0 ? { ...c, asides: own } : c
  })

function clausesOf(words: readonly Tagged[]): Clause[] {
  const tree = new Tree(words)
  const heads = [...words.keys()].filter((i) => tree.roles[i])
  const members = new Map(heads.map((h) => [h, [] as number[]]))
  words.forEach((w, i) => {
    const of = tree.owner[i] as number
    if (of >= 0 && w.tag !== 'mark') members.get(of)?.push(i)
  })
  withInnerMarks(words, members, tree)
  const clauses = heads
    .filter((h) => (members.get(h) as number[]).length > 0)
    .map((h) => ({ head: h, clause: clauseOf(tree, h, members.get(h) as number[]) }))
    .sort((a, b) => (a.clause.lead ?? a.clause).start - (b.clause.lead ?? b.clause).start)
  return conditionsTogether(inherited(clauses, tree))
}

/** "If the deck is wet and the wind is strong, wait": before the comma of the main clause, what is joined is a condition too. */
const conditionsTogether = (clauses: readonly Clause[]): Clause[] => {
  const out: Clause[] = []
  clauses.forEach((c, i) => {
    const [before, next] = [out.at(-1), clauses[i + 1]]
    const joined = c.sub === null && !c.relative && c.verb !== null && /^(?:and|or)$/.test(c.joint)
    const fronted = out.length > 0 && out.every((x) => x.sub !== null)
    const mainFollows = next?.joint === ',' && next.sub === null && !next.relative && next.verb !== null
    out.push(joined && fronted && mainFollows && before ? { ...c, sub: before.sub } : c)
  })
  return out
}

/** Marks between two words of one clause are its own; what stands between two clauses joins them. */
function withInnerMarks(words: readonly Tagged[], members: ReadonlyMap<number, number[]>, tree: Tree): void {
  words.forEach((w, i) => {
    if (w.tag !== 'mark') return
    const before = tree.owner[words.findLastIndex((x, k) => k < i && x.tag !== 'mark')]
    const after = tree.owner[words.findIndex((x, k) => k > i && x.tag !== 'mark')]
    if (before !== undefined && before === after && before >= 0) members.get(before)?.push(i)
  })
  for (const m of members.values()) m.sort((a, b) => a - b)
}

function clauseOf(tree: Tree, head: number, all: readonly number[]): Clause {
  const { words } = tree
  const role = tree.roles[head] as Role
  const { sub, lead, own } = led(tree, head, role, all)
  const inClause = new Set(own)
  const at = (places: readonly number[]) => places.map((i) => words[i] as Tagged)
  const first = own.find((i) => words[i]?.tag !== 'mark') ?? head
  const base = {
    start: words[first]?.start ?? 0,
    end: words[own.findLast((i) => words[i]?.tag !== 'mark') ?? first]?.end ?? 0,
    joint: jointBefore(tree, lead ?? first),
    sub,
    lead: lead === null ? null : (words[lead] as Tagged),
    relative: role.kind === 'relative',
    asides: [],
  }
  if (!tree.verbal(head) || role.gerund || tree.fragment(head))
    return { ...base, front: [], subject: [], ownSubject: false, verb: null, rest: at(trimmed(own, words)) }
  const subject = subjectOf(tree, head, inClause)
  const { group, places } = verbGroup(words, head, subject.length > 0 || sub !== null || role.kind === 'relative')
  const verb = new Set(places)
  const begins = subject[0] !== undefined && subject[0] < (places[0] as number) ? subject[0] : (places[0] as number)
  const ofSubject = new Set(subject)
  const left = own.filter((i) => !verb.has(i) && !ofSubject.has(i))
  const front = left.filter((i) => i < begins || (i < (places[0] as number) && words[i]?.tag !== 'mark'))
  const rest = left.filter((i) => !front.includes(i))
  const finite = words[places[0] as number] as Tagged
  return {
    ...base,
    front: at(trimmed(front, words)),
    subject: at(trimmed(subject, words)),
    ownSubject: subject.length > 0,
    verb: { ...group, words: group.words.map((w) => (w === finite ? { ...w, finite: true } : w)) },
    rest: at(trimmed(rest, words)),
  }
}

/** The words of the subject, by place. What stands behind a bare verb at the start is told to be done: "do B8". */
function subjectOf(tree: Tree, head: number, inClause: ReadonlySet<number>): number[] {
  const bare = /^VBP?$/.test((tree.words[head] as Tagged).pos) && !tree.has(head, /^aux/)
  const helpers = (tree.children[head] ?? []).filter((c) => /^aux/.test(tree.word(c).relation))
  const subjects = [head, ...helpers]
    .flatMap((h) => tree.children[h] ?? [])
    .filter((c) => /^(?:nsubj|nsubjpass|csubj|csubjpass|expl)$/.test(tree.word(c).relation) && !(bare && c > head))
  const taken =
    subjects.length > 0 || !/^VB[ZPD]$/.test((tree.words[head] as Tagged).pos) ? subjects : asPartOfName(tree, head)
  return taken.flatMap((c) => tree.below(c, (j) => inClause.has(j) && !floating(tree.word(j)))).sort((a, b) => a - b)
}

/** "the ship waits", read as one name: what stands before the verb is its subject. */
function asPartOfName(tree: Tree, head: number): number[] {
  const parts = (tree.children[head] ?? []).filter(
    (c) => c < head && /^(?:compound|det|amod|poss|nummod)$/.test(tree.word(c).relation),
  )
  return parts.some((c) => tree.word(c).tag === 'noun') ? parts : []
}

/** The word or words that introduce a clause, what they come to, and the words without them. */
function led(
  tree: Tree,
  head: number,
  role: Role,
  all: readonly number[],
): { sub: string | null; lead: number | null; own: number[] } {
  const { words } = tree
  const preposition = role.gerund ? (words[head] as Tagged).head : -1
  const lead = role.gerund
    ? { from: preposition, to: preposition, sub: (words[preposition] as Tagged).lower }
    : tree.leads.get(head)
  if (lead) return { sub: lead.sub, lead: lead.from, own: all.filter((i) => i < lead.from || i > lead.to) }
  // What is joined to a subordinate clause hangs as that does.
  const told = role.kind === 'sub' && words[head]?.relation !== 'conj'
  return { sub: told ? 'that' : null, lead: null, own: withoutThen(all, words) }
}

/** "then call": what merely joins. */
const withoutThen = (all: readonly number[], words: readonly Tagged[]): number[] =>
  words[all[0] ?? -1]?.lower === 'then' && all.length > 1 ? all.slice(1) : [...all]

const trimmed = (places: readonly number[], words: readonly Tagged[]): number[] => {
  const loose = (i: number | undefined) =>
    i !== undefined && words[i]?.tag === 'mark' && !/^["“”'’[\]&%€$£+#]$/.test((words[i] as Tagged).text)
  let from = 0
  let to = places.length
  while (from < to && loose(places[from])) from++
  while (to > from && loose(places[to - 1])) to--
  return places.slice(from, to)
}

/** The conjunction or else the mark before a clause. */
function jointBefore(tree: Tree, first: number): string {
  const { words } = tree
  let mark = ''
  let i = first - 1
  for (; i >= 0; i--) {
    const w = words[i] as Tagged
    if (w.lower === 'then') return 'then'
    if (w.tag === 'conj') return w.lower
    if (w.tag !== 'mark') break
    if (mark === '' && !/^["“”'’]$/.test(w.text)) mark = w.text
  }
  return i < 0 ? '' : mark
}

type Placed = { readonly head: number; readonly clause: Clause }

/** A verb without a subject of its own has that of the verb it is joined to: "checks the ramp and lowers it". */
function inherited(placed: readonly Placed[], tree: Tree): Clause[] {
  const done = new Map<number, Clause>()
  return placed.map(({ head, clause }) => {
    const from = done.get((tree.words[head] as Tagged).head)
    const joined = tree.words[head]?.relation === 'conj'
    const takes = joined && clause.verb && from?.verb && clause.subject.length === 0
    const agrees =
      takes &&
      !(
        clause.verb?.imperative &&
        !from.verb?.imperative &&
        from.verb?.modal === null &&
        from.verb.words[0]?.form !== 'base'
      )
    const participle = clause.verb?.words[0]?.form === 'ed' && from?.verb?.passive === true
    const hung: Clause =
      joined && from && tree.roles[head]?.kind === 'sub' ? { ...clause, sub: clause.sub ?? from.sub } : clause
    const own: Clause =
      takes && agrees && clause.verb && from.verb
        ? {
            ...hung,
            subject: from.subject,
            verb: {
              ...clause.verb,
              imperative: from.verb.imperative,
              passive: clause.verb.passive || participle,
              told: participle ? from.verb.told : clause.verb.told,
              modal: clause.verb.modal ?? from.verb.modal,
            },
          }
        : hung
    done.set(head, own)
    return own
  })
}
