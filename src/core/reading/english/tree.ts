/** The tree of a sentence cut into clauses: which word heads one, which clause each word belongs to, what introduces it. */
import type { Tagged } from './tag'

/** Words that introduce a clause together, and what they come to. */
const LEADS: readonly (readonly [RegExp, string])[] = [
  [/^as soon as /, 'as soon'],
  [/^as long as /, 'as long'],
  [/^in case /, 'in case'],
  [/^even if /, 'even if'],
  [/^even though /, 'though'],
  [/^only (?:if|when) /, 'if'],
  [/^so that /, 'so that'],
  [/^provided that /, 'provided that'],
  [/^should /, 'if'],
]
/** What introduces a clause: the places of its first and last word, and what they come to. */
export type Lead = { readonly from: number; readonly to: number; readonly sub: string }

/** How a clause hangs on another. */
export type Role = { readonly kind: 'main' | 'sub' | 'relative'; readonly gerund: boolean }
const MAIN: Role = { kind: 'main', gerund: false }
const SUB: Role = { kind: 'sub', gerund: false }
const RELATIVE: Role = { kind: 'relative', gerund: false }

/** What is known of a word that may head a clause. */
type Seen = {
  /** The role of the word it belongs to. */
  readonly above: Role | undefined
  /** A verb, joined to a verb. */
  readonly joined: boolean
  readonly verbal: boolean
  /** With a subject, a helper or an ending of its own: no participle, no infinitive. */
  readonly finite: boolean
  readonly infinitive: boolean
  /** "shows the channel clear": said of something, without a verb. */
  readonly verbless: boolean
  /** A subordinator or a question word opens it. */
  readonly opened: boolean
  /** It stands before what it belongs to, with a mark between. */
  readonly ahead: boolean
  /** A semicolon, a colon or a dash stands between it and what it belongs to. */
  readonly apart: boolean
  /** "where", "when" say more about a place or a time. */
  readonly place: boolean
  /** What it belongs to is a preposition of time: "before leaving". */
  readonly timed: boolean
}
const beside = (s: Seen): Role | undefined => (s.verbal && s.finite ? MAIN : undefined)
/** Which relations head clauses, and how these hang. */
const ROLES: Readonly<Record<string, (s: Seen) => Role | undefined>> = {
  ROOT: () => MAIN,
  conj: (s) => (s.joined && !s.infinitive ? s.above : undefined),
  relcl: (s) => (s.infinitive ? undefined : s.place ? SUB : RELATIVE),
  advcl: (s) => (s.infinitive ? undefined : s.opened ? SUB : s.finite ? MAIN : undefined),
  ccomp: (s) =>
    (s.infinitive || s.verbless) && !s.opened ? undefined : !s.opened && (s.ahead || s.apart) ? MAIN : SUB,
  acl: (s) => (s.opened && s.finite ? SUB : undefined),
  pcomp: (s) => (s.timed && s.above === undefined ? { kind: 'sub', gerund: !s.finite } : undefined),
  parataxis: beside,
  dep: beside,
  intj: beside,
  meta: beside,
}

/** The tree with the places of each word's children at hand. */
export class Tree {
  readonly children: readonly (readonly number[])[]
  /** Role of each word that heads a clause; undefined for all others. */
  readonly roles: readonly (Role | undefined)[]
  /** The clause each word belongs to, by its head; -1 for what joins clauses. */
  readonly owner: readonly number[]
  /** What introduces a clause, by its head. */
  readonly leads: ReadonlyMap<number, Lead>

  constructor(readonly words: readonly Tagged[]) {
    const children: number[][] = words.map(() => [])
    words.forEach((w, i) => w.head !== i && children[w.head]?.push(i))
    this.children = children
    const roles: (Role | undefined)[] = words.map(() => undefined)
    // From the root down, since what is joined has the role of what it is joined to.
    const seen = new Set<number>()
    const visit = (i: number): void => {
      if (seen.has(i)) return
      seen.add(i)
      roles[i] = this.roleOf(i, roles)
      for (const c of children[i] ?? []) visit(c)
    }
    words.forEach((w, i) => w.head === i && visit(i))
    this.roles = roles
    const owner = words.map((_, i) => this.ownerOf(i))
    this.leads = this.introduced(owner)
    this.owner = owner
  }

  /** A subordinator introduces the clause of the word behind it, and a conjunction joins clauses where one begins behind it,
   *  wherever the tree hangs them. Puts both where they belong in `owner`. */
  private introduced(owner: number[]): Map<number, Lead> {
    const leads = new Map<number, Lead>()
    const firstOf = new Map<number, number>()
    this.words.forEach((w, i) => {
      const of = owner[i] as number
      const begins = !/^(?:mark|conj|sub|adv)$/.test(w.tag) || of === i
      if (begins && !firstOf.has(of)) firstOf.set(of, i)
    })
    const next = (i: number, skipped: RegExp) =>
      this.words.findIndex(
        (x, k) => k > i && (!skipped.test(x.tag) || (x.tag === 'adv' && this.roles[k] !== undefined)),
      )
    this.words.forEach((w, i) => {
      if (w.tag === 'conj') {
        const behind = next(i, /^(?:mark|adv|sub|conj)$/)
        const begins = behind >= 0 && firstOf.get(owner[behind] as number) === behind
        if (begins && owner[behind] !== owner[i - 1]) owner[i] = -1
      }
      if (w.tag !== 'sub' || this.word(w.head).relation === 'csubj') return
      const behind = next(i, /^(?:mark|adv|sub)$/)
      const of = behind < 0 ? -1 : (owner[behind] as number)
      if (of < 0 || leads.has(of) || this.roles[of]?.kind === 'relative' || firstOf.get(of) !== behind) return
      const lead = this.leadAt(i)
      leads.set(of, lead)
      owner.fill(of, lead.from, i + 1)
    })
    return leads
  }

  /** What the subordinator at `i` introduces a clause with: itself, or "as soon as" about it. */
  private leadAt(i: number): Lead {
    for (const from of [i - 2, i - 1, i].filter((k) => k >= 0)) {
      const said = this.words
        .slice(from, i + 2)
        .map((w) => `${w.lower} `)
        .join('')
      const [row, found] = LEADS.map((l) => [l, l[0].exec(said)?.[0]] as const).find(([, x]) => x !== undefined) ?? []
      if (row && found) return { from, to: from + found.trim().split(' ').length - 1, sub: row[1] }
    }
    return { from: i, to: i, sub: this.word(i).lower }
  }

  word(i: number): Tagged {
    return this.words[i] as Tagged
  }
  has(i: number, relation: RegExp): boolean {
    return (this.children[i] ?? []).some((c) => relation.test(this.word(c).relation))
  }
  /** All that hangs on a word, itself included, in order. */
  below(i: number, within: (j: number) => boolean = () => true): number[] {
    const out: number[] = []
    const seen = new Set<number>()
    const visit = (j: number): void => {
      if (seen.has(j) || !within(j)) return
      seen.add(j)
      out.push(j)
      this.children[j]?.forEach(visit)
    }
    visit(i)
    return out.sort((a, b) => a - b)
  }

  verbal(i: number): boolean {
    const { pos } = this.word(i)
    return /^(?:VB|MD)/.test(pos) || this.has(i, /^(?:nsubj|nsubjpass|auxpass)$/)
  }
  /** "Ramp raised at dusk", "waiting for the tide": a participle that no helper and no subject makes a sentence. */
  fragment(i: number): boolean {
    const { pos, relation } = this.word(i)
    return relation === 'ROOT' && /^VB[NG]$/.test(pos) && !this.has(i, /^(?:aux|auxpass|nsubj|nsubjpass|expl)$/)
  }
  private finite(i: number): boolean {
    const { pos } = this.word(i)
    if (this.infinitive(i)) return false
    return /^(?:VB|VBP|VBZ|VBD|MD)$/.test(pos) || this.has(i, /^(?:nsubj|nsubjpass|aux|auxpass|expl)$/)
  }
  private infinitive(i: number): boolean {
    return (this.children[i] ?? []).some((c) => this.word(c).tag === 'to')
  }
  /** Whether a subordinator or a question word opens what hangs on a word, clauses of their own aside. */
  private opened(i: number): boolean {
    const own = this.below(
      i,
      (j) => j === i || !/^(?:advcl|relcl|ccomp|acl|conj|parataxis)$/.test(this.word(j).relation),
    )
    const first = own.find((j) => !/^(?:mark|adv|conj)$/.test(this.word(j).tag)) ?? i
    return first < i && this.word(first).tag === 'sub'
  }

  private roleOf(i: number, roles: readonly (Role | undefined)[]): Role | undefined {
    const w = this.word(i)
    const above = roles[w.head]
    return ROLES[w.relation]?.({
      above,
      joined: this.verbal(i) && this.verbal(w.head),
      finite: this.finite(i),
      verbal: this.verbal(i),
      infinitive: this.infinitive(i),
      verbless: !/^(?:VB|MD)/.test(w.pos) && !this.has(i, /^(?:aux|auxpass|cop)$/),
      opened: this.opened(i),
      ahead: i < w.head && this.markBetween(i, w.head, /./),
      apart: this.markBetween(i, w.head, /^[;:–—]$/),
      place: this.children[i]?.some((c) => /^(?:where|when)$/.test(this.word(c).lower)) ?? false,
      timed: /^(?:before|after|until|since|while|when)$/.test(this.word(w.head).lower),
    })
  }
  private markBetween(a: number, b: number, mark: RegExp): boolean {
    return this.words.slice(Math.min(a, b), Math.max(a, b)).some((w) => w.tag === 'mark' && mark.test(w.text))
  }

  private ownerOf(i: number): number {
    const w = this.word(i)
    // "and" between two clauses, and the marks about it, belong to neither.
    if (w.tag === 'conj' && this.joinsClauses(i)) return -1
    for (let at = i, k = 0; k <= this.words.length; k++) {
      if (this.roles[at]) return at
      // The preposition of "before leaving" introduces the clause.
      const gerund = (this.children[at] ?? []).find((c) => this.word(c).relation === 'pcomp' && this.roles[c])
      if (at === i && gerund !== undefined) return gerund
      at = this.word(at).head
    }
    return this.words.findIndex((_, at) => this.roles[at] !== undefined)
  }
  private joinsClauses(i: number): boolean {
    const { head } = this.word(i)
    if (!this.roles[head]) return false
    const next = (this.children[head] ?? []).filter((c) => c > i)
    return i < head || next.some((c) => this.roles[c] !== undefined && this.word(c).relation === 'conj')
  }
}
