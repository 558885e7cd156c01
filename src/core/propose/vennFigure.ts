/** What two to five compared things share and what each has alone: from parallel lists, tables with ticks, or sentences. */
import type { FigureNode, NodeId } from '../figure'
import { keyOf, type CompareClaim, type Named, type ReadText } from '../reading'
import { capital, slice, spansMeet, trimmed, type Span } from '../text'
import { type Built } from './built'
import { comparedInProse, wholeSaid } from './comparedInProse'
import { clean } from './shapes'
import { comparedInSections, comparedInTable, type Compared, type Member } from './compared'
import { because } from './because'

export function vennFigure(read: ReadText): Built {
  const found = [comparedInTable(read), comparedInSections(read), fromClaims(read), comparedInProse(read)].filter(
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
      source: [n.span, ...(best.again?.[i] ?? [])],
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

/** What sentences say of things side by side. */
function fromClaims(read: ReadText): Compared | null {
  const claims = read.claims.filter((c): c is CompareClaim => c.relation === 'compare')
  const names = setNames(claims)
  if (names.length < 2 || names.length > 5) return null
  const members: Member[] = []
  const again = names.map((): Span[] => [])
  let current: Set<number> = new Set(names.keys())
  const sure = { shared: 0, own: 0 }
  for (const c of claims) {
    const named = setsOf(c, names, current)
    const told = named.size === 0 && c.how === 'own' && current.size === 1
    const sets = told ? current : named
    if (sets.size === 0) continue
    if (c.how !== 'not') current = new Set(sets)
    if (c.how === 'not') continue
    const upTo = c.members[0]?.span.start ?? 0
    if (!told && upTo > c.span.start)
      for (const i of sets) again[i]?.push(trimmed(read.text, { start: c.span.start, end: upTo }))
    for (const m of told ? wholeOf(read, c) : c.members) {
      const known = members.find((x) => x.key === m.key)
      if (known) {
        for (const s of sets) known.sets.add(s)
        known.source.push(m.span)
      } else if (m.key !== '' && !names.some((n) => n.key === m.key))
        members.push({ label: m.label, key: m.key, sets: new Set(sets), source: [m.span] })
    }
    if (told) continue
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
    again,
    members,
    score:
      sure.shared === 0
        ? Math.min(alone === names.length && members.length > 3 ? 0.65 : 0.5, score)
        : Math.min(0.96, alone === 0 ? score * 0.5 : score),
    reasons: [
      because.compared(names.length),
      because.shared(members.filter((m) => m.sets.size > 1).length, members.filter((m) => m.sets.size === 1).length),
    ],
  }
}

/** All that a clause says, for what is told of the thing spoken of last. */
function wholeOf(read: ReadText, c: CompareClaim): Named[] {
  const p = read.predications.flat().find((x) => spansMeet(x, c.span))
  if (!p) return []
  const span = wholeSaid(p)
  const label = capital(clean(slice(read.text, span)))
  return label.split(' ').length < 2 ? [] : [{ label, key: keyOf(label), span, pronoun: null }]
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
