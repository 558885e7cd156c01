import { nodesInOrder, type Figure, type FigureNode, type LinkId, type NodeId } from '../figure'
import { all, type Edit } from './edit'
import { insertAfter } from './shape'
import { capital } from '../text'

export type Words = { readonly text: string; readonly span: { readonly start: number; readonly end: number } }

const startOf = (n: FigureNode): number => Math.min(...n.source.map((s) => s.start), Infinity)

/** Words of the passage that the figure left out, taken in where the passage says them: a step between its neighbours, an
 *  item or outcome beside the one before it, a member of the set spoken of last. */
export function takeIn(f: Figure, words: Words, ids: { node: NodeId; link: LinkId }): Edit {
  const bare = words.text.replace(/\s+/g, ' ').replace(/^[\s,;:–—-]+|[\s,;:.–—-]+$/gu, '')
  const text = capital(bare, f.language)
  const nodes = nodesInOrder(f)
  const before = nodes.findLast((n) => startOf(n) <= words.span.start && n.role !== 'set') ?? nodes[0]
  return before
    ? all(insertAfter(f, before.id, ids, text), { do: 'setNode', id: ids.node, set: { source: [words.span] } })
    : all()
}
