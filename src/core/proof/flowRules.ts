/** Processes: whether one can walk through from the start to an end, and knows at every question where to go. */
import { all, type Edit } from '../document'
import type { FigureLink, FigureNode } from '../figure'
import { componentsOf, reachable, successors, type Adjacency } from '../graph'
import { said, words } from '../words'
import { mend, plain, shortly, type FigureRule, type Found, type Looked, type Mend } from './rule'

const nextOf = (c: Looked): Adjacency =>
  successors(
    c.nodes.map((n) => n.id),
    c.links,
  )
export const asks = (n: FigureNode): boolean => n.role === 'question' || n.role === 'choice' || n.role === 'chance'
export const withRole = (c: Looked, id: string, role: FigureNode['role']): Edit => ({
  do: 'setNode',
  id,
  set: { role },
})
export const drop = (id: string): Edit => ({ do: 'dropLink', id })
export const ASKING = { kinds: ['process', 'decision'] } as const
const PROCESS = { kinds: ['process'] } as const

/** Nodes that nothing leads to, a loop back to them aside. */
function sources(c: Looked): FigureNode[] {
  const next = nextOf(c)
  return c.nodes.filter((n) => c.into(n.id).every((l) => l.from === n.id || reachable(n.id, next).has(l.from)))
}

/** Where a walk begins: what is marked as start; else what nothing leads to, or the first step where all is one circle. */
function starts(c: Looked): FigureNode[] {
  const marked = c.nodes.filter((n) => n.role === 'start')
  if (marked.length > 0) return marked
  const bare = c.nodes.filter((n) => c.into(n.id).length === 0)
  const first = c.nodes[0]
  return bare.length > 0 ? bare : first ? [first] : []
}

function unreached(c: Looked): Found[] {
  const next = nextOf(c)
  const from = starts(c)
  const seen = new Set(from.flatMap((n) => [...reachable(n.id, next)]))
  return c.nodes
    .filter((n) => !seen.has(n.id))
    .filter((n) => c.into(n.id).every((l) => seen.has(l.from) || l.from === n.id) || c.into(n.id).length === 0)
    .concat(loopsApart(c, seen, next))
    .map((n) => ({
      parts: [n.id],
      says: said('Nothing leads to “{node}”.', { node: shortly(n.text) }),
      mends: ledFromBefore(c, n),
    }))
}

/** Of every circle that no walk comes into, its first step. */
function loopsApart(c: Looked, seen: ReadonlySet<string>, next: Adjacency): FigureNode[] {
  const bare = c.nodes.filter((n) => !seen.has(n.id) && c.into(n.id).length > 0)
  const first: FigureNode[] = []
  const covered = new Set(
    c.nodes.filter((n) => !seen.has(n.id) && c.into(n.id).length === 0).flatMap((n) => [...reachable(n.id, next)]),
  )
  for (const n of bare) {
    if (covered.has(n.id)) continue
    reachable(n.id, next).forEach((id) => covered.add(id))
    first.push(n)
  }
  return first
}

/** A way from the step before it in the order of the text, where that one goes nowhere, or on to one place only. */
function ledFromBefore(c: Looked, n: FigureNode): Mend[] {
  const before = c.nodes[c.nodes.indexOf(n) - 1]
  if (!before || before.role === 'end' || asks(before)) return []
  const id = `${before.id.slice(0, 24)}-${n.id.slice(0, 24)}-led`
  if (c.figure.links[id]) return []
  const put: Edit = {
    do: 'putLink',
    link: { id, role: 'next', from: before.id, to: n.id, order: c.out(before.id).length + 1, source: [] },
  }
  // What it led to follows from the step put in between, unless that leads on already.
  const [only, more] = c.out(before.id)
  const between = only && !more && c.out(n.id).length === 0 && n.role !== 'end'
  if (only && !between) return []
  const through: Edit[] = between ? [{ do: 'setLink', id: only.id, set: { from: n.id } }] : []
  return [mend(c.figure, said('Lead to it from “{before}”', { before: shortly(before.text) }), all(...through, put))]
}

function twoStarts(c: Looked): Found[] {
  const marked = c.nodes.filter((n) => n.role === 'start')
  const from = marked.length > 0 ? marked : sources(c).filter((n) => c.into(n.id).length === 0)
  const alone = from.filter((n) => c.out(n.id).length > 0)
  if (alone.length < 2) return []
  return [
    {
      parts: alone.map((n) => n.id),
      says: said('It begins in {count} places: {names}.', {
        count: alone.length,
        names: alone.map((n) => `“${shortly(n.text)}”`),
      }),
    },
  ]
}

function endlessLoops(c: Looked): Found[] {
  const next = nextOf(c)
  const part = componentsOf(
    c.nodes.map((n) => n.id),
    next,
  )
  const groups = new Map<number, FigureNode[]>()
  for (const n of c.nodes) {
    const p = part.get(n.id)
    if (p !== undefined) groups.set(p, [...(groups.get(p) ?? []), n])
  }
  return [...groups.values()]
    .filter((g) => g.length > 1 || c.out(g[0]?.id ?? '').some((l) => l.to === g[0]?.id))
    .filter((g) => g.every((n) => c.out(n.id).every((l) => g.some((m) => m.id === l.to))))
    .map((g) => ({
      parts: g.map((n) => n.id),
      says: said('Whoever comes to “{node}” never gets out again: the loop has no exit.', {
        node: shortly(g[0]?.text ?? ''),
      }),
    }))
}

/** Where a figure marks its ends, a step that just stops is no end. */
function deadEnds(c: Looked): Found[] {
  if (!c.nodes.some((n) => n.role === 'end')) return []
  return c.nodes
    .filter((n) => n.role === 'step' && c.out(n.id).length === 0 && c.into(n.id).length > 0)
    .map((n) => ({
      parts: [n.id],
      says: said('“{node}” leads nowhere, and is no end.', { node: shortly(n.text) }),
      mends: [mend(c.figure, said('Make it an end'), withRole(c, n.id, 'end'))],
    }))
}

function neverJoined(c: Looked): Found[] {
  const next = nextOf(c)
  return c.nodes.flatMap((n) => {
    const beside = c.out(n.id).filter((l) => l.role === 'beside')
    if (beside.length < 2) return []
    const [first, ...others] = beside.map((l) => reachable(l.to, next))
    const common = [...(first ?? [])].some((id) => others.every((o) => o.has(id)))
    if (common) return []
    return [
      {
        parts: [n.id, ...beside.map((l) => l.to)],
        says: said('What runs at the same time after “{node}” is never joined again.', { node: shortly(n.text) }),
      },
    ]
  })
}

function idleActors(c: Looked): Found[] {
  const actors = [...new Set(c.nodes.flatMap((n) => (n.actor ? [n.actor] : [])))]
  if (actors.length < 2) return []
  return actors.flatMap((actor) => {
    const own = c.nodes.filter((n) => n.actor === actor)
    if (own.some((n) => n.role !== 'start' && n.role !== 'connector')) return []
    return [{ parts: own.map((n) => n.id), says: said('{actor} is named, and has nothing to do.', { actor }) }]
  })
}

/** A handful without an actor among many that have one. */
function withoutActor(c: Looked): Found[] {
  const doing = c.nodes.filter((n) => n.role === 'step')
  const bare = doing.filter((n) => !n.actor)
  if (doing.length < 4 || bare.length === 0 || bare.length * 4 > doing.length) return []
  return [
    {
      parts: bare.map((n) => n.id),
      says: said(
        '{count, plural, one {One step does} other {# steps do}} not say who acts, as the others do: {names}.',
        { count: bare.length, names: bare.map((n) => `“${shortly(n.text)}”`) },
      ),
    },
  ]
}

function unaskedBranches(c: Looked): Found[] {
  return c.nodes
    .filter((n) => n.role === 'step' || n.role === 'start')
    .filter((n) => new Set(c.out(n.id).flatMap((l) => (l.role === 'next' ? l.to : []))).size > 1)
    .map((n) => ({
      parts: [n.id, ...c.out(n.id).map((l) => l.id)],
      says: said('“{node}” goes on in {count} ways, and nothing says which.', {
        node: shortly(n.text),
        count: c.out(n.id).length,
      }),
      mends: [
        mend(
          c.figure,
          said('They run at the same time'),
          all(...c.out(n.id).map((l): Edit => ({ do: 'setLink', id: l.id, set: { role: 'beside' } }))),
        ),
      ],
    }))
}

function endsThatGoOn(c: Looked): Found[] {
  return c.nodes
    .filter((n) => (n.role === 'end' || n.role === 'outcome') && c.out(n.id).length > 0)
    .filter((n) => n.role === 'end' || c.out(n.id).length > 1)
    .map((n) => ({
      parts: [n.id],
      says: said('“{node}” is an end, and the process goes on from it.', { node: shortly(n.text) }),
      mends: n.role === 'end' ? [mend(c.figure, said('Make it a step'), withRole(c, n.id, 'step'))] : [],
    }))
}

function toThemselves(c: Looked): Found[] {
  return c.links
    .filter((l) => l.from === l.to)
    .map((l) => ({
      parts: [l.id],
      says: said('“{node}” leads to itself.', { node: shortly(c.figure.nodes[l.from]?.text ?? '') }),
      mends: [mend(c.figure, said('Take the link out'), drop(l.id))],
    }))
}

function twice(c: Looked): Found[] {
  const key = (l: FigureLink) => `${l.from}\n${l.to}\n${plain(l.text ?? '')}`
  const seen = new Map<string, FigureLink>()
  return c.links.flatMap((l) => {
    const before = seen.get(key(l))
    if (!before) seen.set(key(l), l)
    if (!before || l.from === l.to) return []
    return [
      {
        parts: [before.id, l.id],
        says: said('“{from}” leads to “{to}” twice.', {
          from: shortly(c.figure.nodes[l.from]?.text ?? ''),
          to: shortly(c.figure.nodes[l.to]?.text ?? ''),
        }),
        mends: [mend(c.figure, said('Keep one of them'), drop(l.id))],
      },
    ]
  })
}

export const START = 'process; s start Ferry in sight; a step Lower the ramp; s>a; '
export const flowRules: readonly FigureRule[] = [
  {
    ...{ id: 'unreached', name: words('A step that nothing leads to'), severity: 'error', ...PROCESS },
    find: unreached,
    fires: `${START} b step Load the cars; d step Count the cars; e step Report; a>b; d>e; e>d`,
    quiet: `${START} b step Load the cars; d step Count the cars; a>b; b>d; d>b`,
  },
  {
    ...{ id: 'two-starts', name: words('Two starts'), severity: 'warning', ...PROCESS },
    find: twoStarts,
    fires: 'process; a step Lower the ramp; b step Open the gate; d step Load; a>d; b>d',
    quiet: 'process; a step Lower the ramp; b step Open the gate; d step Load; a>b; b>d; d>a',
  },
  {
    ...{ id: 'endless-loop', name: words('A loop with no exit'), severity: 'error', ...PROCESS },
    find: endlessLoops,
    fires: `${START} b step Load; d step Count; a>b; b>d; d>b`,
    quiet: `${START} b step Load; d question All on?; e step Sail; a>b; b>d; d>b no; d>e yes`,
  },
  {
    ...{ id: 'dead-end', name: words('A step that leads nowhere'), severity: 'warning', ...PROCESS },
    find: deadEnds,
    fires: `${START} q question Full?; b step Wait; e end Sail; a>q; q>b no; q>e yes`,
    quiet: `${START} q question Full?; b step Wait; e end Sail; a>q; q>b no; q>e yes; b>q`,
  },
  {
    ...{ id: 'never-joined', name: words('Parallel work that is never joined'), severity: 'warning', ...PROCESS },
    find: neverJoined,
    fires: `${START} b step Load; d step Fuel; e step Sail; a>>b; a>>d; b>e`,
    quiet: `${START} b step Load; d step Fuel; e step Sail; a>>b; a>>d; b>>e; d>>e`,
  },
  {
    ...{ id: 'idle-actor', name: words('An actor without a step'), severity: 'warning', ...PROCESS },
    find: idleActors,
    fires: 'process; s start Begin @Mate; a step Load @Bosun; s>a',
    quiet: 'process; s start Begin @Bosun; a step Load @Bosun; b step Count @Mate; s>a; a>b',
  },
  {
    ...{ id: 'no-actor', name: words('A step without an actor'), severity: 'note', ...PROCESS },
    find: withoutActor,
    fires: `${START.replace('ramp', 'ramp @Bosun')} b step Load @Bosun; d step Count @Mate; e step Sail @Mate; g step Report; a>b; b>d; d>e; e>g`,
    quiet: `${START} b step Load; d step Count; e step Sail @Mate; g step Report; a>b; b>d; d>e; e>g`,
  },
  {
    ...{
      id: 'branch-without-question',
      name: words('A step that goes on in two ways'),
      severity: 'warning',
      ...PROCESS,
    },
    find: unaskedBranches,
    fires: `${START} b step Load; d step Fuel; a>b; a>d`,
    quiet: `${START} b step Load; d step Fuel; a>>b; a>>d`,
  },
  {
    ...{ id: 'end-goes-on', name: words('An end that goes on'), severity: 'error', ...ASKING },
    find: endsThatGoOn,
    fires: `${START} b end Sail; d step Report; a>b; b>d`,
    quiet: `${START} b step Sail; d end Report; a>b; b>d`,
  },
  {
    ...{ id: 'to-itself', name: words('A link to itself'), severity: 'error' },
    find: toThemselves,
    fires: `${START} b step Load; a>b; b>b`,
    quiet: `${START} b step Load; a>b`,
  },
  {
    ...{ id: 'linked-twice', name: words('The same link twice'), severity: 'warning' },
    find: twice,
    fires: `${START} b step Load; a>b; a>b`,
    quiet: `${START} b step Load; a>b; b>a`,
  },
]
