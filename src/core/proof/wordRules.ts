/** Words: said twice, missing, too many, and said otherwise than among their peers. */
import { all, rename, renameLink, type Edit } from '../document'
import type { FigureNode } from '../figure'
import { said, words } from '../words'
import { grouped, mend, plain, shortly, type FigureRule, type Found, type Looked } from './rule'

/** More is not read in a box. */
const [LONG_LABEL, LONG_LINK] = [140, 60]
/** Peers are of one mind when so many of them are. */
const [MOST, FEWEST] = [0.7, 4]

/** Where the same words twice are two things: outcomes of several chances, numbers of a table. */
const REPEATED: readonly FigureNode['role'][] = ['outcome', 'chance', 'criterion', 'connector', 'end', 'question']

/** Peers of a node that must not say the same as it does. */
function rivals(c: Looked): readonly (readonly FigureNode[])[] {
  const named = c.nodes.filter((n) => plain(n.text) !== '' && !REPEATED.includes(n.role))
  if (c.figure.kind === 'hierarchy') return grouped(named, (n) => c.into(n.id)[0]?.from ?? '')
  if (c.figure.kind === 'venn')
    return grouped(named, (n) => (n.role === 'set' ? '' : (n.memberOf ?? []).toSorted().join(' ')))
  if (c.figure.kind === 'decision') return grouped(named, (n) => c.into(n.id)[0]?.from ?? '')
  // Who does it makes a step another one.
  return grouped(named, (n) => n.actor ?? '')
}

function sameWords(c: Looked): Found[] {
  return rivals(c).flatMap((peers) =>
    grouped(peers, (n) => `${plain(n.text)}\n${plain(n.detail ?? '')}`)
      .filter((g) => g.length > 1)
      .map((g) => {
        const [first, ...others] = g as [FigureNode, ...FigureNode[]]
        return {
          parts: g.map((n) => n.id),
          says: said('“{node}” stands there {count} times.', { node: shortly(first.text), count: g.length }),
          mends: [mend(c.figure, said('Make them one'), united(c, first, others))],
        }
      }),
  )
}

/** What led to the others, and on from them, leads to and from the first. */
function united(c: Looked, first: FigureNode, others: readonly FigureNode[]): Edit {
  const gone = new Set(others.map((n) => n.id))
  const stays = (id: string) => (gone.has(id) ? first.id : id)
  const kept = new Set(
    c.links.filter((l) => !gone.has(l.from) && !gone.has(l.to)).map((l) => `${l.from} ${l.to} ${plain(l.text ?? '')}`),
  )
  const moved = c.links.flatMap((l): Edit[] => {
    if (!gone.has(l.from) && !gone.has(l.to)) return []
    const [from, to] = [stays(l.from), stays(l.to)]
    const key = `${from} ${to} ${plain(l.text ?? '')}`
    if (from === to || kept.has(key)) return [{ do: 'dropLink', id: l.id }]
    kept.add(key)
    return [{ do: 'setLink', id: l.id, set: { from, to } }]
  })
  const members = c.nodes.flatMap((n): Edit[] => {
    if (gone.has(n.id) || !n.memberOf?.some((s) => gone.has(s))) return []
    return [{ do: 'setNode', id: n.id, set: { memberOf: [...new Set(n.memberOf.map(stays))] } }]
  })
  return all(...moved, ...members, ...others.map((n): Edit => ({ do: 'dropNode', id: n.id })))
}

const shown = (n: FigureNode): boolean => n.picture !== undefined || n.icon !== undefined || n.inset !== undefined

const empty = (c: Looked): Found[] =>
  c.nodes
    .filter((n) => n.text.trim() === '' && !shown(n) && n.role !== 'connector')
    .map((n) => ({
      parts: [n.id],
      says: said('Here are no words.'),
      mends:
        c.out(n.id).length + c.into(n.id).length === 0
          ? [mend(c.figure, said('Take it out'), { do: 'dropNode', id: n.id })]
          : [],
    }))

function long(c: Looked): Found[] {
  const nodes = c.nodes.filter((n) => n.text.length > LONG_LABEL)
  const links = c.links.filter((l) => (l.text ?? '').length > LONG_LINK)
  return [
    ...nodes.map((n) => ({
      parts: [n.id],
      says: said('“{node}” has {count} letters: too many to take in at a glance.', {
        node: shortly(n.text),
        count: n.text.length,
      }),
    })),
    ...links.map((l) => ({
      parts: [l.id],
      says: said('The link “{words}” has {count} letters: too many for a line.', {
        words: shortly(l.text ?? ''),
        count: (l.text ?? '').length,
      }),
    })),
  ]
}

/** Nodes that a reader takes for one sort. */
const peerRoles: readonly FigureNode['role'][] = [
  'step',
  'concept',
  'item',
  'member',
  'set',
  'option',
  'point',
  'outcome',
]
const peers = (c: Looked): readonly (readonly FigureNode[])[] =>
  peerRoles.map((role) => c.nodes.filter((n) => n.role === role && n.text.trim() !== ''))

/** Those among peers that are otherwise than most; nothing where there is no custom. Null is neither. */
function oddOnes(
  list: readonly FigureNode[],
  is: (n: FigureNode) => boolean | null,
): { readonly odd: readonly FigureNode[]; readonly custom: boolean } | null {
  const told = list.flatMap((n) => {
    const answer = is(n)
    return answer === null ? [] : [{ n, answer }]
  })
  const yes = told.filter((t) => t.answer).length
  const custom = yes * 2 > told.length
  const odd = told.filter((t) => t.answer !== custom)
  if (told.length < FEWEST || odd.length === 0 || odd.length > told.length * (1 - MOST)) return null
  return { odd: odd.map((o) => o.n), custom }
}

/** A first letter that has a case, and is not of a name written in capitals or like iPad. */
function begins(n: FigureNode): boolean | null {
  const [first = '', second = ''] = n.text.trim()
  if (first.toLowerCase() === first.toUpperCase() || (second !== '' && /\p{Lu}/u.test(second))) return null
  return first === first.toUpperCase()
}
const turned = (text: string, upper: boolean): string =>
  (upper ? text.slice(0, 1).toUpperCase() : text.slice(0, 1).toLowerCase()) + text.slice(1)

function capitals(c: Looked): Found[] {
  return peers(c).flatMap((list) => {
    const found = oddOnes(list, begins)
    if (!found) return []
    const { odd, custom } = found
    // Among small letters a capital may be that of a name.
    const sure = custom ? odd : []
    if (sure.length === 0) return []
    return [
      {
        parts: sure.map((n) => n.id),
        says: said('{names}: begins with a small letter, the others with a capital.', {
          names: sure.map((n) => `“${shortly(n.text)}”`),
        }),
        mends: [mend(c.figure, said('With a capital'), all(...sure.map((n) => rename(n.id, turned(n.text, true)))))],
      },
    ]
  })
}

function fullStops(c: Looked): Found[] {
  return peers(c).flatMap((list) => {
    const found = oddOnes(list, (n) => /[^.]\.$/.test(n.text.trim()))
    if (!found || found.custom) return []
    return [
      {
        parts: found.odd.map((n) => n.id),
        says: said('{names}: ends with a full stop, and the others do not.', {
          names: found.odd.map((n) => `“${shortly(n.text)}”`),
        }),
        mends: [
          mend(
            c.figure,
            said('Without it'),
            all(...found.odd.map((n) => rename(n.id, n.text.trim().replace(/\.$/, '')))),
          ),
        ],
      },
    ]
  })
}

function verbs(c: Looked): Found[] {
  const { grammar } = c
  if (!grammar) return []
  const found = oddOnes(
    c.nodes.filter((n) => n.role === 'step'),
    (n) => grammar.beginsWithVerb(n.text),
  )
  if (!found?.custom) return []
  return found.odd.map((n) => ({
    parts: [n.id],
    says: said('“{node}” does not begin with what is done, as the other steps do.', { node: shortly(n.text) }),
  }))
}

function wordlessLinks(c: Looked): Found[] {
  const bare = c.links.filter((l) => !l.text?.trim())
  // In a map whose links have no words at all, none is missing.
  if (bare.length === c.links.length) return []
  return bare.map((l) => ({
    parts: [l.id],
    says: said('The link from “{from}” to “{to}” has no words.', {
      from: shortly(c.figure.nodes[l.from]?.text ?? ''),
      to: shortly(c.figure.nodes[l.to]?.text ?? ''),
    }),
  }))
}

function doubledSpaces(c: Looked): Found[] {
  const nodes = c.nodes.filter((n) => /\S {2,}\S|\b(\p{L}{2,}) \1\b/iu.test(n.text))
  const once = (text: string) => text.replace(/(\S) {2,}(?=\S)/g, '$1 ').replace(/\b(\p{L}{2,}) \1\b/giu, '$1')
  const links = c.links.filter((l) => l.text && once(l.text) !== l.text)
  return [
    ...nodes.map((n) => ({ part: n.id, text: n.text, edit: rename(n.id, once(n.text)) })),
    ...links.map((l) => ({ part: l.id, text: l.text ?? '', edit: renameLink(l.id, once(l.text ?? '')) })),
  ].map(({ part, text, edit }) => ({
    parts: [part],
    says: said('“{words}”: a word or a space stands there twice.', { words: shortly(text) }),
    mends: [mend(c.figure, said('Once'), edit)],
  }))
}

const LIST = 'points; a point Ropes; b point Chocks; d point Fenders; '
const FLOW = 'process; a step Lower the ramp; b step Load the cars; d step Count them; '
const CHAIN = 'a>b; b>d; d>e'
export const wordRules: readonly FigureRule[] = [
  {
    ...{ id: 'same-words', name: words('The same words twice'), severity: 'warning' },
    find: sameWords,
    fires: `${FLOW} e step Lower the ramp; ${CHAIN}`,
    quiet: `${FLOW} e step Raise the ramp; ${CHAIN}`,
  },
  {
    ...{ id: 'no-words', name: words('A node without words'), severity: 'error' },
    find: empty,
    fires: `${FLOW} e step; ${CHAIN}`,
    quiet: `${FLOW} e step Sail; ${CHAIN}`,
  },
  {
    ...{ id: 'long-label', name: words('Too many words'), severity: 'note' },
    find: long,
    fires: `${LIST} e point ${'Ropes of every length '.repeat(8).trim()}`,
    quiet: `${LIST} e point ${'Ropes of every length '.repeat(4).trim()}`,
  },
  {
    ...{ id: 'capitals', name: words('Capitals that differ'), severity: 'note' },
    find: capitals,
    fires: `${LIST} e point boat hooks`,
    quiet: `${LIST} e point Boat hooks`,
  },
  {
    ...{ id: 'full-stops', name: words('Full stops that differ'), severity: 'note' },
    find: fullStops,
    fires: `${LIST} e point Boat hooks.`,
    quiet: `${LIST} e point Boat hooks`,
  },
  {
    ...{
      id: 'verb-first',
      name: words('A step that does not begin with a verb'),
      severity: 'note',
      kinds: ['process'],
    },
    find: verbs,
    fires: `${FLOW} e step Departure of the ferry; ${CHAIN}`,
    quiet: `${FLOW} e step Close the gate; ${CHAIN}`,
  },
  {
    ...{ id: 'link-without-words', name: words('A link without words'), severity: 'warning', kinds: ['concept'] },
    find: wordlessLinks,
    fires: 'concept; a concept Wind; b concept Waves; d concept Delay; a>b raises; b>d',
    quiet: 'concept; a concept Wind; b concept Waves; d concept Delay; a>b raises; b>d causes',
  },
  {
    ...{ id: 'twice-written', name: words('A word or a space twice'), severity: 'note' },
    find: doubledSpaces,
    fires: `${LIST} e point Boat hooks for for the crew`,
    quiet: `${LIST} e point Boat hooks for the crew`,
  },
]
