/** What one can say of a node, each a row: how it reads as words and what typing other words changes. Details, node table and
 *  the copying of rows all go by these rows. */
import {
  kinds,
  measureWords,
  roleNames,
  type Figure,
  type FigureKind,
  type FigureLink,
  type FigureNode,
  type NodeId,
} from '../figure'
import { all, type Change, type Edit } from './edit'
import { chanceIn, valueIn, withChance, withoutChance } from './quantities'
import { idOf, rowNamed, type FieldFault } from './rowNames'
import { setsOf } from './regions'
import { linksFrom, linksTo, rename, renameLink } from './shape'
import { isBelow, moveBelow } from './treeShape'
import { own, said, type Said, type Words } from '../words'

type NewId = () => string
export type Written = Edit | FieldFault

export type Field = {
  readonly id: string
  /** At the head of its column and beside its field. */
  readonly label: Said
  /** What it is, whole, for those who do not see where it stands. */
  readonly says: Said
  readonly hint?: Said
  readonly kinds: readonly FigureKind[]
  /** For which nodes it means something; for all, unless told. */
  readonly suits?: (f: Figure, node: FigureNode) => boolean
  /** The values to choose from, where there are so few. */
  readonly choices?: (f: Figure) => readonly string[]
  /** What those values are called, where they are not somebody’s own words. */
  readonly called?: Readonly<Record<string, Words>>
  /** Names other nodes, so that what is not found can be mended. */
  readonly refers?: true
  readonly read: (f: Figure, node: FigureNode) => string
  readonly write: (f: Figure, node: FigureNode, words: string, newId: NewId) => Written
}

const EVERY: readonly FigureKind[] = ['process', 'concept', 'hierarchy', 'venn', 'decision', 'points']

const set = (node: FigureNode, change: Change<FigureNode>): Edit => ({ do: 'setNode', id: node.id, set: change })
const incoming = (f: Figure, node: FigureNode): FigureLink | undefined => linksTo(f, node.id)[0]
const wordsOf = (f: Figure, id: NodeId): string => f.nodes[id]?.text || idOf(f, id)

const fieldRows = [
  {
    id: 'text',
    label: said('Words'),
    says: said('Words of the node'),
    kinds: EVERY,
    read: (_f, n) => n.text,
    write: (_f, n, words) => rename(n.id, words),
  },
  {
    id: 'role',
    label: said('Is a'),
    says: said('Role of the node'),
    kinds: ['process', 'hierarchy', 'venn', 'decision'],
    choices: (f) => kinds[f.kind].nodeRoles,
    called: roleNames,
    read: (_f, n) => n.role,
    write: (f, n, words) => {
      const role = kinds[f.kind].nodeRoles.find((r) => r === words.trim().toLowerCase())
      return role ? set(n, { role }) : { fault: 'no-role', words }
    },
  },
  {
    id: 'parent',
    label: said('Below'),
    says: said('What it stands below'),
    hint: said('at the top'),
    kinds: ['hierarchy', 'decision'],
    refers: true,
    read: (f, n) => unresolved(n) ?? (incoming(f, n) ? wordsOf(f, incoming(f, n)?.from ?? '') : ''),
    write: (f, n, words, newId) => {
      const own = incoming(f, n)
      const settled = all(settle(n))
      if (words === '') return all(settled, own ? { do: 'dropLink', id: own.id } : null)
      const parent = rowNamed(f, words)
      if (!parent) return { fault: 'no-row', words }
      if (own?.from === parent) return settled
      if (isBelow(f, parent, n.id)) return { fault: 'circle', words }
      return all(settled, moveBelow(f, n.id, parent, newId()))
    },
  },
  {
    id: 'next',
    label: said('Leads to'),
    says: said('What it leads to, as in “yes: Load the cars; no: Wait”'),
    hint: said('nothing'),
    kinds: ['process', 'concept'],
    refers: true,
    read: (f, n) =>
      [
        ...linksFrom(f, n.id).map((l) => `${l.text ? `${l.text}: ` : ''}${wordsOf(f, l.to)}`),
        ...(unresolved(n) === null ? [] : [unresolved(n)]),
      ].join('; '),
    write: leadTo,
  },
  {
    id: 'link',
    label: said('Link words'),
    says: said('Words of the link that leads to it'),
    kinds: ['hierarchy', 'decision'],
    suits: (f, n) => incoming(f, n) !== undefined,
    read: (f, n) => withoutChance(incoming(f, n)?.text ?? ''),
    write: (f, n, words) => {
      const link = incoming(f, n)
      if (!link) return words === '' ? all() : { fault: 'no-link', words }
      // A chance stands in the words, too, and stays.
      const { probability = null } = link
      return probability === null
        ? renameLink(link.id, words)
        : { do: 'setLink', id: link.id, set: withChance({ ...link, text: words }, probability) }
    },
  },
  {
    id: 'chance',
    label: said('Chance'),
    says: said('Chance in percent'),
    hint: said('none'),
    kinds: ['decision'],
    suits: (f, n) => incoming(f, n) !== undefined,
    read: (f, n) => {
      const p = incoming(f, n)?.probability
      return p === undefined ? '' : `${Math.round(p * 1e4) / 100}%`
    },
    write: (f, n, words) => {
      const [link, chance] = [incoming(f, n), chanceIn(words)]
      if (words !== '' && chance === null) return { fault: 'no-chance', words }
      if (!link) return words === '' ? all() : { fault: 'no-link', words }
      return { do: 'setLink', id: link.id, set: withChance(link, chance) }
    },
  },
  {
    id: 'value',
    label: said('Value'),
    says: said('What it brings, less than nothing for a loss'),
    hint: said('none'),
    kinds: ['decision'],
    suits: (_f, n) => n.role !== 'choice',
    read: (_f, n) => (n.measure ? measureWords(n.measure) : ''),
    write: (_f, n, words) => {
      const measure = valueIn(words)
      return words !== '' && measure === null ? { fault: 'no-number', words } : set(n, { measure })
    },
  },
  {
    id: 'actor',
    label: said('Who'),
    says: said('Who does it'),
    hint: said('not said'),
    kinds: ['process'],
    suits: (_f, n) => n.role !== 'question',
    read: (_f, n) => n.actor ?? '',
    write: (_f, n, words) => set(n, { actor: words || null }),
  },
  {
    id: 'duration',
    label: said('Takes'),
    says: said('How long it takes, as in 20 minutes'),
    hint: said('not said'),
    kinds: ['process', 'points'],
    read: (_f, n) => n.duration ?? '',
    write: (_f, n, words) => set(n, { duration: words || null }),
  },
  {
    id: 'sets',
    label: said('In'),
    says: said('The sets it lies in, parted by commas'),
    hint: said('in none'),
    kinds: ['venn'],
    suits: (_f, n) => n.role !== 'set',
    refers: true,
    read: (f, n) =>
      setsOf(f)
        .flatMap((s) => (n.memberOf?.includes(s.id) ? [s.text] : []))
        .join(', '),
    write: (f, n, words) => {
      const named = words.split(/\s*[,;]\s*/).filter(Boolean)
      const sets = named.map((w) => rowNamed(f, w))
      const lost = sets.findIndex((id) => id === null || f.nodes[id]?.role !== 'set')
      return lost >= 0
        ? { fault: 'no-set', words: named[lost] ?? '' }
        : all(settle(n), set(n, { memberOf: sets.flatMap((id) => id ?? []) }))
    },
  },
  {
    id: 'detail',
    label: said('Detail'),
    says: said('Detail under the words'),
    kinds: EVERY,
    suits: (_f, n) => n.role !== 'set',
    read: (_f, n) => n.detail ?? '',
    write: (_f, n, words) => set(n, { detail: words || null }),
  },
] as const satisfies readonly Field[]

export type FieldId = (typeof fieldRows)[number]['id']

/** Names that fields of a row's own may not have: the id it came with, and a name that leads nowhere. */
const RESERVED: readonly string[] = ['id', 'unresolved']

/** A column that somebody added, kept with the nodes. */
const ownField = (name: string): Field => ({
  id: `own ${name}`,
  label: own(name),
  says: own(name),
  kinds: EVERY,
  read: (_f, n) => String(n.fields?.[name] ?? ''),
  write: (_f, n, words) => {
    const { [name]: _old, ...rest } = n.fields ?? {}
    return set(n, { fields: words === '' ? rest : { ...rest, [name]: words } })
  },
})
export const ownColumns = (f: Figure): string[] =>
  [...new Set(Object.values(f.nodes).flatMap((n) => Object.keys(n.fields ?? {})))]
    .filter((name) => !RESERVED.includes(name))
    .toSorted()

/** The fields of a kind of figure, and the columns that were added to this one. */
export const fieldsOf = (f: Figure): readonly Field[] => [
  ...fieldRows.filter((row) => (row.kinds as readonly FigureKind[]).includes(f.kind)),
  ...ownColumns(f).map(ownField),
]
export const fieldOf = (id: FieldId): Field => fieldRows.find((r) => r.id === id) as Field
export const ownFieldOf = ownField

export const suits = (f: Figure, field: Field, node: FigureNode): boolean => field.suits?.(f, node) ?? true
export const isFault = (w: Written): w is FieldFault => 'fault' in w

/** A name that this row came with and that leads to no row. */
export const unresolved = (n: FigureNode): string | null => {
  const name = n.fields?.unresolved
  return typeof name === 'string' && name !== '' ? name : null
}
/** Forgets a name that led nowhere; null where there is none. */
export function settle(n: FigureNode): Edit | null {
  if (unresolved(n) === null) return null
  const { unresolved: _name, ...fields } = n.fields ?? {}
  return set(n, { fields })
}

/** "yes: Load the cars; no: Wait": a link for each, those that are there already kept with all they are. */
function leadTo(f: Figure, n: FigureNode, words: string, newId: NewId): Written {
  const wanted: { readonly to: NodeId; readonly text: string }[] = []
  for (const part of words.split(/\s*;\s*/).filter(Boolean)) {
    const [, text = '', name = part] = /^([^:]+):\s+(.+)$/.exec(part) ?? []
    const whole = rowNamed(f, part)
    const to = whole ?? rowNamed(f, name)
    if (!to) return { fault: 'no-row', words: name }
    wanted.push({ to, text: whole ? '' : text })
  }
  const old = linksFrom(f, n.id)
  const kept = wanted.map((w) => old.find((l) => l.to === w.to))
  const role = kinds[f.kind].linkRoles[0] ?? 'next'
  const edits = [
    ...old.flatMap((l): Edit[] => (kept.includes(l) ? [] : [{ do: 'dropLink', id: l.id }])),
    // They leave in the order in which they are named.
    ...wanted.map(({ to, text }, i): Edit => {
      const known = kept[i]
      if (known) return { do: 'setLink', id: known.id, set: { text: text || null, order: i + 1 } }
      const words = text ? { text } : {}
      return { do: 'putLink', link: { id: newId(), role, from: n.id, to, order: i + 1, source: [], ...words } }
    }),
  ]
  return all(settle(n), ...edits)
}
