/** What a rule of the proof is: a row that finds one sort of fault in a figure, in its picture, or in a folio. */
import type { Edit } from '../document'
import { linksInOrder, nodesInOrder, type Figure, type FigureId, type FigureKind } from '../figure'
import type { FigureLink, FigureNode, LinkId, NodeId } from '../figure'
import type { Said, Words } from '../words'

/** An error is wrong for every reader; a warning most likely; a note is worth a look. */
export const severities = ['error', 'warning', 'note'] as const
export type Severity = (typeof severities)[number]

/** What puts a fault right: what to do to which figure. Nearly always the one it was found in. */
export type Mend = {
  readonly says: Said
  readonly edits: readonly { readonly figure: FigureId; readonly edit: Edit }[]
}

/** A fault as a rule tells it. */
export type Found = {
  /** The nodes and links it is about; none for the figure as a whole. */
  readonly parts: readonly (NodeId | LinkId)[]
  readonly says: Said
  readonly mends?: readonly Mend[]
}

/** A figure ready to be looked at from all sides. */
export type Looked = {
  readonly figure: Figure
  readonly nodes: readonly FigureNode[]
  readonly links: readonly FigureLink[]
  readonly out: (id: NodeId) => readonly FigureLink[]
  readonly into: (id: NodeId) => readonly FigureLink[]
  readonly grammar: Grammar | null
}

/** What is known of the language of a figure's words. */
export type Grammar = {
  /** Whether a label begins with a verb as a command does; null where that cannot be told. */
  readonly beginsWithVerb: (label: string) => boolean | null
  /** Whether a label names somebody by what they do. */
  readonly namesPerson: (label: string) => boolean
}

export type Rule<Subject = Looked> = {
  readonly id: string
  readonly name: Words
  readonly severity: Severity
  /** The kinds it makes sense for; all where nothing is said. */
  readonly kinds?: readonly FigureKind[]
  readonly find: (subject: Subject) => readonly Found[]
}

/** A rule about the figure alone, with a figure in which it finds something and one in which it does not, as they are written
 *  in `testing/sketch`. */
export type FigureRule = Rule & { readonly fires: string; readonly quiet: string }

/** `languageGrammar` knows the language of the figure; null where nobody does. */
export function lookedAt(figure: Figure, grammar: Grammar | null): Looked {
  const links = linksInOrder(figure)
  const by = (end: 'from' | 'to') => {
    const map = new Map<NodeId, FigureLink[]>()
    for (const l of links) map.set(l[end], [...(map.get(l[end]) ?? []), l])
    return (id: NodeId): readonly FigureLink[] => map.get(id) ?? []
  }
  return { figure, nodes: nodesInOrder(figure), links, out: by('from'), into: by('to'), grammar }
}

/** A mend within the figure itself. */
export const mend = (figure: Figure, says: Said, edit: Edit): Mend => ({ says, edits: [{ figure: figure.id, edit }] })

/** Labels compare by their letters and digits. */
export const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** As a fault names a part: not longer than a line. */
export const shortly = (words: string): string => (words.length > 48 ? `${words.slice(0, 46).trimEnd()} …` : words)

/** Those that belong together, in the order of the first of each. */
export function grouped<T>(list: readonly T[], by: (t: T) => unknown): T[][] {
  const groups = new Map<unknown, T[]>()
  for (const t of list) {
    const key = by(t)
    const group = groups.get(key)
    if (group) group.push(t)
    else groups.set(key, [t])
  }
  return [...groups.values()]
}
