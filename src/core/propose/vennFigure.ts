/** What two to five compared things share and what each has alone: from parallel lists, tables with ticks, or sentences. */
import type { FigureNode, NodeId } from '../figure'
import { keyOf, type CompareClaim, type Named, type ReadText } from '../reading'
import { slice, spansMeet, termOf, type Block, type Span } from '../text'
import { many, type Built } from './built'
import { labelled, listIn } from './shapes'

type Sets = {
  readonly names: readonly Named[]
  readonly members: readonly {
    readonly label: string
    readonly key: string
    readonly sets: ReadonlySet<number>
    readonly source: readonly Span[]
  }[]
}
type Compared = Sets & { readonly score: number; readonly reasons: readonly string[] }

export function vennFigure(read: ReadText): Built {
  const found = [fromTable(read), fromLists(read), fromTerms(read), fromClaims(read)].filter(
    (x): x is Compared => x !== null,
  )
  const best = found.toSorted((a, b) => b.score - a.score)[0]
  if (!best) return { nodes: [], links: [], score: 0, reasons: [] }
  const setId = (i: number): NodeId => `s${i + 1}`
  const nodes: FigureNode[] = [
    ...best.names.map((n, i): FigureNode => ({
      id: setId(i),
      role: 'set',
      text: n.label,
      order: i + 1,
      source: [n.span],
    })),
    ...best.members.map((m, i): FigureNode => ({
      id: `n${i + 1}`,
      role: 'member',
      text: m.label,
      order: best.names.length + i + 1,
      memberOf: [...m.sets].toSorted((a, b) => a - b).map(setId),
      source: m.source,
    })),
  ]
  return { nodes, links: [], score: best.score, reasons: best.reasons }
}

/** Members by key, each in all the sets that name it. */
function collected(
  entries: readonly { readonly set: number; readonly label: string; readonly span: Span }[],
): Sets['members'] {
  const byKey = new Map<string, { label: string; key: string; sets: Set<number>; source: Span[] }>()
  for (const e of entries) {
    const key = keyOf(e.label)
    const known = byKey.get(key) ?? { label: e.label, key, sets: new Set<number>(), source: [] }
    known.sets.add(e.set)
    known.source.push(e.span)
    byKey.set(key, known)
  }
  return [...byKey.values()]
}

const TICK = /^(?:x|✓|✔|☑|✅|●|•|yes|y|ja|sí|si|oui|both)$/iu
const CROSS = /^(?:|no|n|-|–|—|✗|✘|❌|○|nein|non)$/iu

/** A table whose cells say yes or no. */
function fromTable(read: ReadText): Compared | null {
  const rows = read.blocks.filter((b) => b.type === 'row')
  const [head, ...body] = rows
  if (!head || body.length < 2) return null
  const sets = head.cells.slice(1)
  const cell = (r: Block, i: number): string => (r.cells[i] ? slice(read.text, r.cells[i] as Span).trim() : '')
  if (
    sets.length < 2 ||
    sets.length > 5 ||
    body.some((r) => sets.some((_, i) => !TICK.test(cell(r, i + 1)) && !CROSS.test(cell(r, i + 1))))
  )
    return null
  const entries = body.flatMap((r) =>
    sets.flatMap((_, i) =>
      TICK.test(cell(r, i + 1)) && r.cells[0]
        ? [{ set: i, label: labelled(read.text, r.cells[0]), span: r.cells[0] }]
        : [],
    ),
  )
  const names = sets.map((s) => nameOf(read, s))
  return {
    names,
    members: collected(entries),
    score: 0.85,
    reasons: ['a table of yes and no', many(names.length, 'set')],
  }
}
const nameOf = (read: ReadText, span: Span): Named => ({
  label: labelled(read.text, span),
  key: keyOf(slice(read.text, span)),
  span,
  pronoun: null,
})

/** Lists under two or more names, with items that are the same. */
function fromLists(read: ReadText): Compared | null {
  const groups: { name: Block; items: Block[] }[] = []
  for (const [i, b] of read.blocks.entries()) {
    const next = read.blocks[i + 1]
    const named =
      b.type !== 'row' &&
      next?.type === 'item' &&
      (b.type !== 'item' || next.depth > b.depth) &&
      slice(read.text, b.span).length <= 60
    if (named) groups.push({ name: b, items: [] })
    else if (b.type === 'item') groups.at(-1)?.items.push(b)
  }
  if (groups.length < 2 || groups.length > 5 || groups.some((g) => g.items.length === 0)) return null
  const entries = groups.flatMap((g, set) =>
    g.items.map((b) => ({ set, label: labelled(read.text, b.span), span: b.span })),
  )
  const members = collected(entries)
  const shared = members.filter((m) => m.sets.size > 1).length
  if (shared === 0) return null
  const versus = /\b(?:vs\.?|versus|or|and|compared)\b/i.test(slice(read.text, (read.blocks[0] as Block).span))
    ? 0.08
    : 0
  return {
    names: groups.map((g) => nameOf(read, g.name.span)),
    members,
    score: 0.72 + 0.05 * Math.min(3, shared) + versus,
    reasons: [`lists under ${groups.length} names`, `${many(shared, 'item')} in more than one`],
  }
}

const SHARED =
  /^(?:both|all(?: three| four)?|common|in common|shared|together|the same|beide|gemeinsam|ambos|los dos|en común)$/iu

/** "City: theatre, late shops", "Village: quiet", "Both: schools". */
function fromTerms(read: ReadText): Compared | null {
  const rows = read.blocks.flatMap((b) => {
    const term = b.type === 'item' || b.type === 'paragraph' ? termOf(read.text, b.span) : null
    return term ? [{ ...term, items: listIn(read.text, term.rest) }] : []
  })
  const shared = rows.filter((r) => SHARED.test(slice(read.text, r.term)))
  const own = rows.filter((r) => !shared.includes(r))
  if (shared.length === 0 || own.length < 2 || own.length > 5) return null
  const entries = [
    ...shared.flatMap((r) =>
      r.items.flatMap((s) => own.map((_, set) => ({ set, label: labelled(read.text, s), span: s }))),
    ),
    ...own.flatMap((r, set) => r.items.map((s) => ({ set, label: labelled(read.text, s), span: s }))),
  ]
  return {
    names: own
      .map((r) => nameOf(read, r.term))
      .map((n) => ({
        ...n,
        label: n.label.replace(/^(?:only|just|nur|solo) (\p{L})/iu, (_, x: string) => x.toUpperCase()),
      })),
    members: collected(entries),
    score: 0.82,
    reasons: ['a line of what is shared', many(own.length, 'set')],
  }
}

/** What sentences say of things side by side. */
function fromClaims(read: ReadText): Compared | null {
  const claims = read.claims.filter((c): c is CompareClaim => c.relation === 'compare')
  const names = setNames(claims)
  if (names.length < 2 || names.length > 5) return null
  const members: { label: string; key: string; sets: Set<number>; source: Span[] }[] = []
  let current: Set<number> = new Set(names.keys())
  const sure = { shared: 0, own: 0 }
  for (const c of claims) {
    const sets = setsOf(c, names, current)
    if (sets.size === 0) continue
    if (c.how !== 'not') current = sets
    if (c.how === 'not') continue
    for (const m of c.members) {
      const known = members.find((x) => x.key === m.key)
      if (known) {
        for (const s of sets) known.sets.add(s)
        known.source.push(m.span)
      } else if (m.key !== '' && !names.some((n) => n.key === m.key))
        members.push({ label: m.label, key: m.key, sets: new Set(sets), source: [m.span] })
    }
    // A plain sentence on one of the things says half as surely that it is that one's own.
    if (c.weight >= 0.5) sure[sets.size > 1 ? 'shared' : 'own'] += 1
    else if (sets.size === 1 && sure.shared > 0) sure.own += 0.5
  }
  const alone = names.filter((_, i) => members.some((m) => m.sets.size === 1 && m.sets.has(i))).length
  const shared = members.some((m) => m.sets.size > 1)
  if (members.length < 2 || (!shared && sure.own < 2)) return null
  const share =
    read.sentences.filter((s) => claims.some((c) => spansMeet(s, c.span) && setsOf(c, names, new Set()).size > 0))
      .length / Math.max(1, read.sentences.length)
  const score =
    0.1 +
    0.14 * Math.min(3, sure.shared) +
    0.12 * Math.min(3, sure.own) +
    0.25 * share +
    (shared && alone === names.length ? 0.15 : 0)
  return {
    names,
    members,
    score:
      sure.shared === 0
        ? Math.min(alone === names.length && members.length > 3 ? 0.65 : 0.5, score)
        : Math.min(0.96, alone === 0 ? score * 0.5 : score),
    reasons: [
      `${many(names.length, 'set')} compared`,
      `${members.filter((m) => m.sets.size > 1).length} shared, ${members.filter((m) => m.sets.size === 1).length} in one alone`,
    ],
  }
}

/** The compared things: those that stand side by side, apart by "only", "unlike" or a contrast. */
function setNames(claims: readonly CompareClaim[]): Named[] {
  const names: Named[] = []
  const add = (n: Named) => {
    if (n.key !== '' && !names.some((x) => same(x.key, n.key)) && names.length < 6) names.push({ ...n, pronoun: null })
  }
  const strong = claims.filter((c) => c.weight >= 0.8 && c.how === 'shared' && c.sets.length > 1)
  for (const c of strong) c.sets.forEach(add)
  if (names.length < 2)
    for (const c of claims.filter((x) => x.rule === 'unlike' || (x.weight >= 0.4 && x.sets.length > 1)))
      c.sets.forEach(add)
  if (names.length < 2)
    for (const c of claims.filter((x) => x.rule === 'contrast' || x.rule === 'only'))
      c.sets.filter((n) => !n.pronoun).forEach(add)
  const [both, they] = ['both', 'they'].map((rule) => claims.filter((c) => c.rule === rule && c.sets.length === 0))
  if (names.length < 2 && (both?.length || they?.length)) {
    // "Both shout": the two things that the other sentences are about.
    const subjects = claims.filter((c) => c.how === 'own').flatMap((c) => c.sets.filter((n) => !n.pronoun))
    const named = subjects.filter(
      (n) => !/\b(?:people|nobody|everybody|somebody|one|you|we|whatever|what|anything)\b/.test(n.key),
    )
    const enough = both?.length || named.length > 2
    if (enough && new Set(named.map((n) => n.key)).size === 2) named.forEach(add)
  }
  if (names.length <= 2 || !both?.some((c) => c.weight > 0.8)) return names
  // "Both ferries take cars": two things are compared, whatever else is spoken of.
  const told = (n: Named) => claims.filter((c) => c.sets.some((s) => same(s.key, n.key))).length
  const two = new Set(names.toSorted((a, b) => told(b) - told(a)).slice(0, 2))
  return names.filter((n) => two.has(n))
}
const same = (a: string, b: string): boolean =>
  a === b || a.endsWith(` ${b}`) || b.endsWith(` ${a}`) || a.startsWith(`${b} `) || b.startsWith(`${a} `)

function setsOf(c: CompareClaim, names: readonly Named[], current: ReadonlySet<number>): Set<number> {
  const named = c.sets.filter((s) => s.pronoun !== 'unlike')
  const hit = (n: Named) => names.findIndex((x) => x.key === n.key)
  const near = (n: Named) => (hit(n) >= 0 ? hit(n) : names.findIndex((x) => same(x.key, n.key)))
  const pointing = named.length === 1 && named[0]?.pronoun
  if (c.how === 'shared') {
    // "Freelancers have no fixed hours. They pay their own insurance."
    const [last] = current
    if (c.rule === 'they' && current.size === 1 && /[^su]s$/i.test(names[last ?? 0]?.label ?? ''))
      return new Set(current)
    const listed = named.map(near).filter((i) => i >= 0)
    return listed.length > 1 ? new Set(listed) : new Set(names.keys())
  }
  if (pointing)
    return /^(?:they|both|these)$/.test(named[0]?.pronoun ?? '')
      ? new Set(current)
      : new Set(current.size === 1 ? current : [])
  return new Set(named.map(near).filter((i) => i >= 0))
}
