/** Hierarchies, concept maps and Venn diagrams: what their shape says and cannot mean. */
import { all, type Edit } from '../document'
import type { FigureLink, FigureNode } from '../figure'
import { componentsOf, reachable, successors } from '../graph'
import { said, words } from '../words'
import { grouped, mend, plain, shortly, type FigureRule, type Found, type Looked } from './rule'

const name = (c: Looked, id: string): string => shortly(c.figure.nodes[id]?.text ?? '')
const quoted = (nodes: readonly FigureNode[]): string[] => nodes.map((n) => `“${shortly(n.text)}”`)
const ids = (c: Looked): string[] => c.nodes.map((n) => n.id)
const childLinks = (c: Looked, id: string): FigureLink[] => c.out(id).filter((l) => l.role === 'child')
const HIERARCHY = { kinds: ['hierarchy'] } as const
const CONCEPT = { kinds: ['concept'] } as const
const VENN = { kinds: ['venn'] } as const

function circles(c: Looked): Found[] {
  const part = componentsOf(ids(c), successors(ids(c), c.links))
  return grouped(c.nodes, (n) => part.get(n.id))
    .filter((g) => g.length > 1)
    .map((g) => ({
      parts: g.map((n) => n.id),
      says: said('{names}: each stands above the other.', { names: quoted(g) }),
    }))
}

function twoParents(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const above = c.into(n.id).filter((l) => l.role === 'child' && l.from !== n.id)
    if (new Set(above.map((l) => l.from)).size < 2) return []
    return [
      {
        parts: [n.id, ...above.map((l) => l.id)],
        says: said('“{node}” stands below {parents}.', {
          node: shortly(n.text),
          parents: above.map((l) => `“${name(c, l.from)}”`),
        }),
        mends: above.map((keep) =>
          mend(
            c.figure,
            said('Only below “{parent}”', { parent: name(c, keep.from) }),
            all(...above.filter((l) => l.from !== keep.from).map((l): Edit => ({ do: 'dropLink', id: l.id }))),
          ),
        ),
      },
    ]
  })
}

function severalRoots(c: Looked): Found[] {
  const roots = c.nodes.filter((n) => c.into(n.id).length === 0)
  if (roots.length < 2) return []
  return [
    { parts: roots.map((n) => n.id), says: said('Nothing stands above all of it: {names}.', { names: quoted(roots) }) },
  ]
}

function onlyChildren(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const [only, more] = childLinks(c, n.id)
    const child = c.figure.nodes[only?.to ?? '']
    // One may report to somebody alone; a thing is not divided into one part.
    if (!only || more || !child || child.role === 'assistant' || c.grammar?.namesPerson(child.text)) return []
    return [
      {
        parts: [n.id, child.id],
        says: said('“{parent}” is divided into one part, “{child}”.', {
          parent: shortly(n.text),
          child: shortly(child.text),
        }),
        mends: lifted(c, n, only),
      },
    ]
  })
}

/** The child beside its parent, where that has a parent. */
function lifted(c: Looked, parent: FigureNode, link: FigureLink) {
  const above = c.into(parent.id)[0]
  if (!above) return []
  const edit: Edit = { do: 'setLink', id: link.id, set: { from: above.from } }
  return [mend(c.figure, said('Put “{child}” beside it', { child: name(c, link.to) }), edit)]
}

/** How a label is made: a command, a thing done (“loading”), a sentence, or a name. */
function formOf(c: Looked, n: FigureNode): string | null {
  const words = n.text.trim().split(/\s+/)
  // “Lowering the ramp”; “bagging methods” are a name.
  const doing = /^\p{L}{3,}ing(?:$|\s+(?:the|a|an|its|our|your|in|on|up|down|out|off|with|to|for|from)\b)/iu
  if (doing.test(n.text.trim()) && c.figure.language.startsWith('en')) return 'doing'
  if (/[?]$/.test(n.text.trim())) return 'question'
  return c.grammar?.beginsWithVerb(n.text) === true && words.length > 1 ? 'command' : 'name'
}

function mixedForms(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const children = childLinks(c, n.id).flatMap((l) => c.figure.nodes[l.to] ?? [])
    const sizes = grouped(children, (m) => formOf(c, m)).toSorted((a, b) => b.length - a.length)
    const odd = sizes.slice(1).flat()
    if (children.length < 4 || odd.length === 0 || odd.length * 3 > children.length) return []
    return [
      {
        parts: odd.map((m) => m.id),
        says: said('Below “{parent}”, {names} {count, plural, one {is} other {are}} of another sort than the rest.', {
          parent: shortly(n.text),
          names: quoted(odd),
          count: odd.length,
        }),
      },
    ]
  })
}

/** How a text says what it divides by: links of one parent that say different things divide it twice. */
function mixedDivisions(c: Looked): Found[] {
  return c.nodes.flatMap((n) => {
    const by = childLinks(c, n.id).filter((l) => plain(l.text ?? '') !== '')
    const kinds = new Set(by.map((l) => plain(l.text ?? '')))
    if (kinds.size < 2 || by.length === kinds.size || by.length < childLinks(c, n.id).length) return []
    return [
      {
        parts: [n.id, ...by.map((l) => l.id)],
        says: said('“{parent}” is divided in several ways at once: {ways}.', {
          parent: shortly(n.text),
          ways: [...kinds],
        }),
      },
    ]
  })
}

const DEEPER = 3
function unevenDepth(c: Looked): Found[] {
  const depth = new Map<string, number>()
  const walk = (id: string, at: number): void => {
    if (depth.has(id)) return
    depth.set(id, at)
    childLinks(c, id).forEach((l) => walk(l.to, at + 1))
  }
  c.nodes.filter((n) => c.into(n.id).length === 0).forEach((n) => walk(n.id, 0))
  const leaves = c.nodes.filter((n) => childLinks(c, n.id).length === 0 && depth.has(n.id))
  const depths = leaves.map((n) => depth.get(n.id) ?? 0)
  const [least, most] = [Math.min(...depths), Math.max(...depths)]
  if (leaves.length < 4 || most - least < DEEPER) return []
  const deepest = leaves.filter((n) => depth.get(n.id) === most)
  return [
    {
      parts: deepest.map((n) => n.id),
      says: said(
        'Some branches end after {least, plural, one {one level} other {# levels}}, “{node}” is on level {most}.',
        {
          least: least + 1,
          most: most + 1,
          node: shortly(deepest[0]?.text ?? ''),
        },
      ),
    },
  ]
}

const unlinked = (c: Looked): Found[] =>
  c.links.length === 0
    ? []
    : c.nodes
        .filter((n) => c.out(n.id).length + c.into(n.id).length === 0)
        .map((n) => ({
          parts: [n.id],
          says: said('“{node}” is linked to nothing.', { node: shortly(n.text) }),
          mends: [mend(c.figure, said('Take it out'), { do: 'dropNode', id: n.id })],
        }))

function inPieces(c: Looked): Found[] {
  const both = [...c.links, ...c.links.map((l) => ({ from: l.to, to: l.from }))]
  const next = successors(ids(c), both)
  const seen = new Set<string>()
  const pieces = c.nodes.flatMap((n) => {
    if (seen.has(n.id)) return []
    const piece = reachable(n.id, next)
    piece.forEach((id) => seen.add(id))
    return piece.size > 1 ? [[...piece]] : []
  })
  if (pieces.length < 2) return []
  const heads = pieces.map((p) => p[0] ?? '')
  return [
    {
      parts: heads,
      says: said('It falls into {count} pieces that nothing ties together, around {names}.', {
        count: pieces.length,
        names: heads.map((id) => `“${name(c, id)}”`),
      }),
    },
  ]
}

/** Words that say the contrary of each other, by their stems. */
const CONTRARIES: readonly (readonly [RegExp, RegExp])[] = [
  [/\b(?:increas|rais|grow|strengthen|improv|speed)/i, /\b(?:decreas|reduc|lower|weaken|worsen|slow|cut)/i],
  [/\b(?:caus|lead|enabl|allow|permit|trigger|requir|need)/i, /\b(?:prevent|stop|block|forbid|hinder|avoid|exclud)/i],
  [/\b(?:includ|contain|has|have|with)\b/i, /\b(?:exclud|lack|without)/i],
  [/\b(?:before|precedes)\b/i, /\b(?:after|follows)\b/i],
]
const DENIED = /\b(?:not|never|no longer|cannot|doesn['’]t|does not|don['’]t|isn['’]t|nicht|nie|kein\w*)\b/i
/** A relation that cannot hold both ways. */
const ONE_WAY =
  /\b(?:part of|consists? of|contains?|includes?|reports? to|is an?|kind of|belongs? to|before|after|above|below|owns?|leads? to)\b/i

function contrary(a: string, b: string): boolean {
  const [bareA, bareB] = [a, b].map((t) => plain(t.replace(DENIED, ' ')))
  if (DENIED.test(a) !== DENIED.test(b) && bareA !== '' && alike(bareA ?? '', bareB ?? '')) return true
  return CONTRARIES.some(([x, y]) => (x.test(a) && y.test(b)) || (y.test(a) && x.test(b)))
}
/** “causes” and “cause”. */
const alike = (a: string, b: string): boolean => a.replace(/s\b/g, '') === b.replace(/s\b/g, '')

function contradictions(c: Looked): Found[] {
  return c.links.flatMap((l, i) =>
    c.links.slice(0, i).flatMap((m) => {
      const [a, b] = [l.text ?? '', m.text ?? '']
      const same = l.from === m.from && l.to === m.to
      const back = l.from === m.to && l.to === m.from
      const wrong =
        (same && contrary(a, b)) || (back && l.from !== l.to && ONE_WAY.test(a) && alike(plain(a), plain(b)))
      if (!wrong) return []
      return [
        {
          parts: [m.id, l.id],
          says: said('“{from}” {first} “{to}”, and “{from2}” {second} “{to2}”: both cannot be.', {
            from: name(c, m.from),
            first: b,
            to: name(c, m.to),
            from2: name(c, l.from),
            second: a,
            to2: name(c, l.to),
          }),
        },
      ]
    }),
  )
}

const setsOf = (c: Looked) => c.nodes.filter((n) => n.role === 'set')
const membersOf = (c: Looked) => c.nodes.filter((n) => n.role === 'member')

function emptySets(c: Looked): Found[] {
  const members = membersOf(c)
  if (members.length === 0) return []
  return setsOf(c)
    .filter((s) => s.measure === undefined && !members.some((m) => m.memberOf?.includes(s.id)))
    .map((s) => ({ parts: [s.id], says: said('Nothing lies in “{set}”.', { set: shortly(s.text) }) }))
}

function emptyOverlaps(c: Looked): Found[] {
  const [sets, members] = [setsOf(c), membersOf(c)]
  if (members.length === 0 || sets.some((s) => s.measure !== undefined) || sets.length > 3) return []
  const apart = sets.flatMap((a, i) =>
    sets
      .slice(0, i)
      .filter((b) => !members.some((m) => m.memberOf?.includes(a.id) && m.memberOf.includes(b.id)))
      .map((b) => [b, a] as const),
  )
  return apart.map(([a, b]) => ({
    parts: [a.id, b.id],
    says: said('Nothing is said of what “{a}” and “{b}” have in common.', { a: shortly(a.text), b: shortly(b.text) }),
  }))
}

const nowhere = (c: Looked): Found[] =>
  membersOf(c)
    .filter((m) => !(m.memberOf ?? []).some((s) => c.figure.nodes[s]?.role === 'set'))
    .map((m) => ({ parts: [m.id], says: said('“{member}” lies in no set.', { member: shortly(m.text) }) }))

const CREW = 'hierarchy; a item Crew; b item Deck; d item Engine; a>b; a>d; '
const WIND = 'concept; a concept Wind; b concept Waves; d concept Delay; a>b raises; '
const BOATS = 'venn; a set Night boat; b set Day boat; '
export const shapeRules: readonly FigureRule[] = [
  {
    ...{ id: 'circle', name: words('A hierarchy that goes in a circle'), severity: 'error', ...HIERARCHY },
    find: circles,
    fires: `${CREW} d>a`,
    quiet: `${CREW} e item Cadet; b>e`,
  },
  {
    ...{ id: 'two-parents', name: words('Two parents'), severity: 'warning', ...HIERARCHY },
    find: twoParents,
    fires: `${CREW} e item Cadet; f item Hand; b>e; b>f; d>e`,
    quiet: `${CREW} e item Cadet; f item Hand; b>e; b>f`,
  },
  {
    ...{ id: 'several-roots', name: words('Nothing above all'), severity: 'warning', ...HIERARCHY },
    find: severalRoots,
    fires: `${CREW} e item Shore staff`,
    quiet: `${CREW} e item Catering; a>e`,
  },
  {
    ...{ id: 'only-child', name: words('An only child'), severity: 'note', ...HIERARCHY },
    find: onlyChildren,
    fires: `${CREW} e item Fuel pump; d>e`,
    quiet: `${CREW} e item Cadet; f item Hand; b>e; b>f`,
  },
  {
    ...{ id: 'mixed-forms', name: words('Items of different sorts'), severity: 'note', ...HIERARCHY },
    find: mixedForms,
    fires: `${CREW} e item Galley; f item Lowering the ramp; a>e; a>f`,
    quiet: `${CREW} e item Galley; f item Ramp; a>e; a>f`,
  },
  {
    ...{ id: 'mixed-division', name: words('Divided in several ways at once'), severity: 'warning', ...HIERARCHY },
    find: mixedDivisions,
    fires: 'hierarchy; a item Boats; b item Night; d item Day; e item Small; a>b by hour; a>d by hour; a>e by size',
    quiet: 'hierarchy; a item Boats; b item Night; d item Day; e item Dawn; a>b by hour; a>d by hour; a>e by hour',
  },
  {
    ...{ id: 'uneven-depth', name: words('Branches of very different depth'), severity: 'note', ...HIERARCHY },
    find: unevenDepth,
    fires: `${CREW} e item Bosun; f item Hand; g item Cadet; h item Cook; i item Guest; a>h; a>i; b>e; e>f; f>g`,
    quiet: `${CREW} e item Bosun; f item Hand; h item Cook; i item Guest; a>h; a>i; b>e; b>f`,
  },
  {
    ...{ id: 'unlinked', name: words('A concept linked to nothing'), severity: 'warning', ...CONCEPT },
    find: unlinked,
    fires: WIND,
    quiet: `${WIND} b>d causes`,
  },
  {
    ...{ id: 'in-pieces', name: words('A map in pieces'), severity: 'note', ...CONCEPT },
    find: inPieces,
    fires: `${WIND} e concept Fuel; d>e costs`,
    quiet: `${WIND} e concept Fuel; d>e costs; b>d causes`,
  },
  {
    ...{ id: 'contradiction', name: words('Links that contradict each other'), severity: 'error', ...CONCEPT },
    find: contradictions,
    fires: `${WIND} b>d causes; b>d prevents`,
    quiet: `${WIND} b>d causes; d>b follows`,
  },
  {
    ...{ id: 'empty-set', name: words('A set with nothing in it'), severity: 'warning', ...VENN },
    find: emptySets,
    fires: `${BOATS} m member Cabins # a`,
    quiet: `${BOATS} m member Cabins # a; n member Sun deck # b`,
  },
  {
    ...{ id: 'empty-overlap', name: words('An overlap with nothing in it'), severity: 'note', ...VENN },
    find: emptyOverlaps,
    fires: `${BOATS} m member Cabins # a; n member Sun deck # b`,
    quiet: `${BOATS} m member Cabins # a; n member Ramp # a b`,
  },
  {
    ...{ id: 'in-no-set', name: words('A member of no set'), severity: 'error', ...VENN },
    find: nowhere,
    fires: `${BOATS} m member Cabins # a; n member Ramp #`,
    quiet: `${BOATS} m member Cabins # a; n member Ramp # a b`,
  },
]
