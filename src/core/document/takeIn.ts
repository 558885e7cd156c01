import { kinds, nodesInOrder, type Figure, type FigureNode, type LinkId, type NodeId } from '../figure'
import { all, type Edit } from './edit'
import { insertAfter } from './shape'

export type Words = { readonly text: string; readonly span: { readonly start: number; readonly end: number } }

const startOf = (n: FigureNode): number => Math.min(...n.source.map((s) => s.start), Infinity)

/** Words of the passage that the figure left out, taken in where the passage says them: a step between its neighbours, an
 *  item or outcome beside the one before it, a member of the set spoken of last. */
export function takeIn(f: Figure, words: Words, ids: { node: NodeId; link: LinkId }): Edit {
  const text = words.text
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:–—-]+|[\s,;:.–—-]+$/gu, '')
    .replace(/^\p{Ll}/u, (c) => c.toLocaleUpperCase(f.language === 'und' ? 'en' : f.language))
  const nodes = nodesInOrder(f)
  const before = nodes.findLast((n) => startOf(n) <= words.span.start && n.role !== 'set') ?? nodes[0]
  const source = { do: 'setNode', id: ids.node, set: { source: [words.span] } } as const
  if (!before || f.kind === 'process') return before ? all(insertAfter(f, before.id, ids, text), source) : all()
  const role = f.kind === 'decision' ? 'criterion' : kinds[f.kind].plainRole
  const node: FigureNode = {
    id: ids.node,
    role,
    text,
    order: before.order + 0.5,
    source: [words.span],
    ...(f.kind === 'venn'
      ? {
          memberOf:
            before.memberOf ??
            nodes
              .filter((n) => n.role === 'set')
              .map((n) => n.id)
              .slice(0, 1),
        }
      : {}),
  }
  if (f.kind !== 'hierarchy' && f.kind !== 'decision') return { do: 'putNode', node }
  const above = Object.values(f.links).find((l) => l.to === before.id)
  const from = f.kind === 'decision' && before.role === 'option' ? before.id : (above?.from ?? before.id)
  const linkRole = f.kind === 'decision' ? 'weighs' : 'child'
  return all(
    { do: 'putNode', node },
    {
      do: 'putLink',
      link: {
        id: ids.link,
        role: linkRole,
        from,
        to: ids.node,
        order: (above?.order ?? 0) + 0.5,
        source: [words.span],
      },
    },
  )
}
