/** Kinds, parts, groups and reporting lines: from the shape of the text (nested items, headings, "term: a, b" lines, tables
 *  with repeating cells) or from what its sentences say. */
import type { FigureLink, FigureNode } from '../figure'
import { countOf, type ChildClaim, type Named, type ReadText, isAssistant } from '../reading'
import { capital, countMeeting, type Span } from '../text'
import { type Built } from './built'
import { outlineTree, tableTree, type Edge, type Tree } from './outlineTree'
import { Things, unitKey, type Thing } from './named'
import { because } from './because'

export function hierarchyFigure(read: ReadText): Built {
  const trees = [outlineTree(read), tableTree(read), claimTree(read)].filter((t): t is Tree => t !== null)
  const best = trees.toSorted((a, b) => b.score - a.score)[0]
  if (!best) return { nodes: [], links: [], score: 0, reasons: [] }
  const used = new Set(best.edges.flatMap((e) => [e.from.id, e.to.id]))
  const things = best.things.list.filter((t) => used.has(t.id))
  const isLeaf = (id: string) => best.edges.some((e) => e.to.id === id) && best.edges.every((e) => e.from.id !== id)
  const nodes = things.map((t, i): FigureNode => ({
    id: t.id,
    role: isAssistant(t.label) && isLeaf(t.id) ? 'assistant' : 'item',
    text: t.label,
    order: i + 1,
    source: t.source,
  }))
  const links = best.edges.map((e, i): FigureLink => ({
    id: `l${i + 1}`,
    role: 'child',
    from: e.from.id,
    to: e.to.id,
    order: i + 1,
    source: e.source,
  }))
  return { nodes, links, score: best.score, reasons: best.reasons }
}

function depthOf(edges: readonly Edge[]): number {
  const parent = new Map(edges.map((e) => [e.to.id, e.from.id]))
  let most = 0
  for (const start of parent.keys()) {
    let depth = 0
    for (let at: string | undefined = start; at !== undefined && depth < 99; at = parent.get(at)) depth++
    most = Math.max(most, depth)
  }
  return most
}

/** What sentences say of kinds, parts and reporting lines. */
function claimTree(read: ReadText): Tree | null {
  const claims = withLaterNames(read, resolved(read.claims.filter((c): c is ChildClaim => c.relation === 'child')))
  if (claims.length === 0) return null
  const things = new Things()
  const parentOf = new Map<string, Thing>()
  const edges: Edge[] = []
  const put = (from: Thing, to: Thing, source: readonly Span[]): void => {
    if (from.id === to.id || parentOf.has(to.id)) return
    for (let at: Thing | undefined = from; at; at = parentOf.get(at.id)) if (at.id === to.id) return
    parentOf.set(to.id, from)
    edges.push({ from, to, source })
  }
  // "The bakery sells bread, rolls and cakes": three or more begin a tree, fewer only add to one.
  const strong = claims.filter(
    (c) => c.named || c.weight >= 0.45 || (/^(?:has|treats)$/.test(c.rule) && c.children.length > 2),
  )
  for (const c of strong) {
    const parent = things.take(c.parent)
    if (c.how === 'kind') things.isKind(parent)
    for (const child of c.children) put(parent, things.take(child), [c.span])
  }
  rootOfKinds(things, edges, put)
  // Weak words ("has", "is a") add to what strong ones have begun, and begin nothing.
  for (const c of claims.filter((x) => !strong.includes(x))) {
    const parent = things.find(c.parent)
    const known = parent && edges.some((e) => e.from === parent || e.to === parent)
    // "The club has an adult section and a youth section": above what has been divided.
    const above =
      c.rule === 'has' && c.children.length > 1 && c.children.some((n) => edges.some((e) => e.from === things.find(n)))
    if (!known && !above) continue
    const from = parent ?? things.take(c.parent)
    for (const child of c.children) put(from, things.take(child), [c.span])
  }
  if (edges.length < 2) return null
  const sentences = Math.max(1, read.sentences.length)
  const share =
    countMeeting(
      read.sentences,
      claims.map((c) => c.span),
    ) / sentences
  const sure = strong.filter((c) => c.weight >= 0.7).length
  const below = new Set(edges.map((e) => e.to))
  const roots = new Set(edges.map((e) => e.from).filter((t) => !below.has(t))).size
  // Pairs that hang on nothing in common are no hierarchy.
  const scattered = Math.max(0, roots / edges.length - 0.4)
  const score =
    0.2 +
    0.45 * Math.min(1, share) +
    0.08 * Math.min(4, sure) +
    (edges.length >= 4 ? 0.08 : 0) -
    0.4 * scattered +
    (claims.some((c) => c.named && c.weight >= 0.7) ? 0.12 : 0)
  const words = [...new Set(strong.map((c) => c.rule))].slice(0, 3)
  return {
    things,
    edges,
    score: sure === 0 ? score * (roots === 1 && edges.length > 4 ? 0.85 : 0.75) : Math.min(0.97, score),
    reasons: [
      because.kindsInLevels(edges.length, depthOf(edges) + 1),
      because.wordsSuchAs(words.map((w) => w.replace(/-/g, ' '))),
    ],
  }
}

/** "Paid leave includes ... Unpaid leave includes ...": what all the names end with is above them. */
function rootOfKinds(
  things: Things,
  edges: readonly Edge[],
  put: (from: Thing, to: Thing, source: readonly Span[]) => void,
): void {
  const below = new Set(edges.map((e) => e.to))
  const roots = [...new Set(edges.map((e) => e.from))].filter((t) => !below.has(t))
  const [head, ...others] = new Set(roots.map((t) => t.key.split(' ').at(-1) as string))
  if (roots.length < 2 || others.length > 0 || !head || roots.some((t) => !t.key.includes(' '))) return
  const [first] = roots as [Thing]
  const word = first.label.split(' ').at(-1) as string
  const span = first.source[0] as Span
  const root = things.take({ label: capital(word), key: head, span, pronoun: null })
  for (const t of roots) put(root, t, t.source.slice(0, 1))
}

/** "We use two families of pipette. Air pipettes ...": kinds that are announced, and named as the text goes on: by the
 *  word for what they are, or else as what the sentences behind divide further, when they are as many as were said. */
function withLaterNames(read: ReadText, claims: readonly ChildClaim[]): (ChildClaim & { named?: true })[] {
  return claims.map((c, i) => {
    const counted = c.children.length === 1 ? COUNTED.exec(c.children[0]?.key ?? '') : null
    if ((c.children.length > 0 && !counted) || claims[i + 1]?.rule === 'these-are') return c
    const head = counted?.[2] ?? c.awaits ?? (c.parent.key.split(' ').at(-1) as string)
    const count = counted ? (countOf(counted[1] as string) ?? 0) : c.announced
    const later = distinct(
      read.claims
        .filter((x) => x.span.start >= c.span.end)
        .flatMap((x) =>
          x.relation === 'child' ? [x.parent] : x.relation === 'link' ? x.from : x.relation === 'compare' ? x.sets : [],
        )
        .filter(
          (n) =>
            n.key.endsWith(` ${head}`) ||
            (n.key.endsWith(head) && n.key.length > head.length + 2) ||
            ((counted !== null || c.awaits !== undefined) && n.key.startsWith(`${head} `)),
        ),
    )
    if (later.length > 0 && (!counted || (later.length > 1 && later.length <= (count ?? 0))))
      return { ...c, children: later, named: true }
    // "... two camps. Regulars come every week. Helpers come for events.": what the sentences are about.
    const about = distinct(
      read.claims
        .filter((x) => x.relation === 'compare' && x.rule === 'own' && x.span.start >= c.span.end)
        .flatMap((x) => (x.relation === 'compare' ? x.sets : [])),
    )
    if (about.length === count && about.length > 1 && about.every((n) => /[^su]s$/.test(n.label)))
      return { ...c, children: about, named: true }
    const behind = claims.slice(i + 1).filter((x) => x.children.length > 0)
    const inside = new Set(behind.flatMap((x) => x.children.map((n) => n.key)))
    const tops = distinct(behind.map((x) => x.parent)).filter((n) => !inside.has(n.key) && n.key !== c.parent.key)
    const most = count ?? 0
    return tops.length > 1 && tops.length <= most && tops.length >= most - 1 ? { ...c, children: tops, named: true } : c
  })
}
const COUNTED = /^(two|three|four|five|six|seven|eight|\d+) (?:\S+ ){0,2}?(\S+)$/
const distinct = (list: readonly Named[]): Named[] =>
  list.filter((n, k) => !n.pronoun && list.findIndex((m) => m.key === n.key) === k)

/** Pointing words by what they point at; a unit and its head in the order the rest of the text asks for. */
function resolved(claims: readonly ChildClaim[]): ChildClaim[] {
  const out: ChildClaim[] = []
  for (const c of claims) {
    const before = out.at(-1) ?? null
    const back = (n: Named): Named | null => {
      if (!n.pronoun) return n
      if (!before) return null
      return /^(?:she|he|her|him|it|this)$/.test(n.pronoun) || before.children.length === 0
        ? before.parent
        : (before.children.at(-1) as Named)
    }
    const parent = /^(?:these|those|they)$/.test(c.parent.pronoun ?? '') && before ? before.parent : back(c.parent)
    if (!parent) continue
    const children = c.children.map(back).filter((n): n is Named => n !== null)
    out.push({ ...c, parent, children })
  }
  const isChild = (key: string) =>
    out.some((c) => c.how !== 'heads' && c.children.some((n) => unitKey(n.key) === unitKey(key)))
  return out.flatMap((c): ChildClaim[] => {
    if (c.how !== 'heads') return [c]
    const [child] = c.children
    const isUnit = c.children.length === 1 && child !== undefined
    // "The events committee is chaired by the mate": below it, where it is itself below something.
    if (isUnit && c.rule === 'led-by' && isChild(child.key))
      return [{ ...c, parent: child, children: [c.parent], how: 'reports' }]
    const whole =
      isUnit &&
      !isChild(child.key) &&
      !out.some((x) => x !== c && x.children.some((n) => n.key === child.key)) &&
      WHOLE.test(child.key)
    return whole ? [] : [{ ...c, how: 'reports' }]
  })
}
const WHOLE =
  /\b(?:club|school|clinic|company|association|museum|ship|office|line|charity|firm|hospital|organi[sz]ation|society|choir|ferry)$/
