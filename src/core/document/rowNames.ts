/** How rows of the node table are named where another row refers to them: by the id they came with, by their number, by their
 *  words. And what can be wrong with what was typed into a cell, with the sentence that says what to do. */
import { type Figure, type NodeId } from '../figure'
import { outlineOf } from './outline'
import { said, type Said } from '../words'

export type FieldFault = {
  readonly fault: 'no-row' | 'circle' | 'no-set' | 'no-role' | 'no-link' | 'no-chance' | 'no-number'
  readonly words: string
}

const sentences: Record<FieldFault['fault'], (words: string) => Said> = {
  'no-row': (words) => said('No row is called “{words}”. Type the number, the id or the words of one.', { words }),
  circle: (words) => said('It cannot stand below “{words}”, which stands below it. Move that one first.', { words }),
  'no-set': (words) =>
    said('No set is called “{words}”. Add it as a row that is a set, or choose one of the sets.', { words }),
  'no-role': (words) => said('A node of this figure cannot be a “{words}”. Choose one of the list.', { words }),
  'no-link': () => said('Nothing leads to this row. Say first what it stands below.'),
  'no-chance': (words) => said('“{words}” is no chance. Type percents from 0 to 100, as in 35 %.', { words }),
  'no-number': (words) => said('“{words}” does not begin with a number. Type a value as in -4,000 £.', { words }),
}
export const faultSentence = (f: FieldFault): Said => sentences[f.fault](f.words)

/** Nodes in the order in which the outline shows them, each once: the rows of the table. */
export function rowsInOrder(f: Figure): NodeId[] {
  return [...new Set(outlineOf(f).flatMap((r) => (r.row === 'node' ? [r.id] : [])))]
}

/** What a row is called in its first column: the id that it came with, else its number. */
export function idOf(f: Figure, id: NodeId): string {
  const own = f.nodes[id]?.fields?.id
  return typeof own === 'string' && own !== '' ? own : String(rowsInOrder(f).indexOf(id) + 1)
}

const plain = (s: string): string => s.trim().toLowerCase().replace(/\s+/g, ' ')

/** The one row that is meant; null when there is none, or when the first letters of several fit. */
export function rowNamed(f: Figure, words: string): NodeId | null {
  const wanted = plain(words)
  if (wanted === '') return null
  const nodes = Object.values(f.nodes)
  // Most names are written just so; only the others are compared letter by letter.
  const given = words.trim()
  const just = nodes.find((n) => n.fields?.id === given) ?? nodes.find((n) => n.text === given)
  if (just) return just.id
  const said = nodes.map((n) => ({ id: n.id, own: plain(String(n.fields?.id ?? '')), text: plain(n.text) }))
  const exact = said.find((n) => n.own === wanted) ?? said.find((n) => n.text === wanted)
  if (exact) return exact.id
  const number = /^#?(\d+)$/.exec(wanted)
  if (number) return rowsInOrder(f)[Number(number[1]) - 1] ?? null
  const begun = said.filter((n) => n.text.startsWith(wanted))
  return begun.length === 1 && begun[0] ? begun[0].id : null
}
