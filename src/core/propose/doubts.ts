/** Places where the words can be taken in two ways. The figure holds the first reading; each option is a change that is
 *  ready to be applied. */
import type { Edit } from '../document'
import type { FigureLink, FigureNode, NodeId } from '../figure'
import { capital, lowerFirst } from '../text'
import { own, said, type Said } from '../words'

export type Doubt = {
  readonly id: string
  readonly question: Said
  /** Nodes and links it is about. */
  readonly about: readonly string[]
  readonly options: readonly { readonly label: Said; readonly edit: Edit }[]
}

/** A question with the answer that was given to it. */
export type Answered = { readonly question: Said; readonly label: Said }

export const asItIs: Edit = { do: 'all', edits: [] }

/** "If it is red, wait. Tell the bridge.": is the bridge told in any case, or only then? */
export function branchDoubt(id: NodeId, nodes: readonly FigureNode[], links: readonly FigureLink[]): Doubt[] {
  const step = nodes.find((n) => n.id === id)
  const skipping = links.find((l) => l.to === id && nodes.find((n) => n.id === l.from)?.role === 'question')
  const question = nodes.find((n) => n.id === skipping?.from)
  const after = links.filter((l) => l.from === id)
  if (!step || !skipping || !question || after.length > 1) return []
  const taken = links.find((l) => l.from === question.id && l.id !== skipping.id)?.text ?? 'so'
  const [next] = after
  const only: Edit = next
    ? { do: 'setLink', id: skipping.id, set: { to: next.to } }
    : { do: 'dropLink', id: skipping.id }
  return [
    {
      id: `branch-${id}`,
      question: said('“{question}” Is “{step}” done in any case?', { question: question.text, step: step.text }),
      about: [id, skipping.id],
      options: [
        { label: said('In any case'), edit: asItIs },
        { label: said('Only if {taken}', { taken }), edit: only },
      ],
    },
  ]
}

/** "The winch turns the drum. It needs grease.": which of them? */
export const pronounDoubt = (
  link: FigureLink,
  word: string,
  taken: FigureNode,
  other: FigureNode,
  to: string,
): Doubt => ({
  id: `pronoun-${link.id}`,
  question: said('“{sentence}”: what is “{word}”?', {
    sentence: `${capital(word)} ${link.text ?? ''} ${lowerFirst(to)}`,
    word,
  }),
  about: [link.id, taken.id, other.id],
  options: [
    { label: own(taken.text), edit: asItIs },
    { label: own(other.text), edit: { do: 'setLink', id: link.id, set: { from: other.id } } },
  ],
})

/** "Mould" and "mould growth": perhaps one thing. Different heads are never made one without asking. */
export function mergeDoubts(
  nodes: readonly FigureNode[],
  links: readonly FigureLink[],
  keyOf: (text: string) => string,
): Doubt[] {
  const keys = nodes.map((n) => ({ n, words: keyOf(n.text).split(' ') }))
  // A longer name that begins or ends with the whole of a shorter one: found by first and last word.
  const byWord = new Map<string, typeof keys>()
  for (const k of keys)
    for (const w of new Set([k.words[0], k.words.at(-1)])) if (w) byWord.set(w, [...(byWord.get(w) ?? []), k])
  const linked = new Set(links.map((l) => `${l.from} ${l.to}`))
  const out: Doubt[] = []
  for (const short of keys) {
    if (out.length >= MOST_MERGES) break
    if (short.words.join('').length < 3 || byWord.size > MOST_NAMES) continue
    for (const long of byWord.get(short.words.at(-1) ?? '') ?? []) {
      const inside =
        short.words.length < long.words.length &&
        (short.words.every((w, k) => long.words[k] === w) || short.words.at(-1) === long.words.at(-1))
      if (!inside || linked.has(`${short.n.id} ${long.n.id}`) || linked.has(`${long.n.id} ${short.n.id}`)) continue
      if (out.length < MOST_MERGES) out.push(mergeDoubt(short.n, long.n, links))
    }
  }
  return out
}
/** More questions than these nobody answers; a map of more names than these wants no merging by hand. */
const MOST_MERGES = 3
const MOST_NAMES = 400

const mergeDoubt = (short: FigureNode, long: FigureNode, links: readonly FigureLink[]): Doubt => ({
  id: `merge-${short.id}-${long.id}`,
  question: said('Are “{short}” and “{long}” the same?', { short: short.text, long: long.text }),
  about: [short.id, long.id],
  options: [
    { label: said('Two things'), edit: asItIs },
    { label: said('The same'), edit: merged(short.id, long.id, links) },
  ],
})

const merged = (from: NodeId, into: NodeId, links: readonly FigureLink[]): Edit => ({
  do: 'all',
  edits: [
    ...links
      .filter((l) => l.from === from || l.to === from)
      .map((l): Edit => ({ do: 'setLink', id: l.id, set: l.from === from ? { from: into } : { to: into } })),
    { do: 'dropNode', id: from },
  ],
})
