/** Words that were changed in a figure, put into the manuscript they came from. */
import type { Figure, FigureLink, FigureNode, NodeId } from '../figure'
import type { Span } from '../text'
import { all, type Edit } from './edit'

const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/** `span` of the text that the figure was read from becomes `words`; `edit` makes the figure know it. */
export type Written = { readonly span: Span; readonly words: string; readonly edit: Edit }

/** What putting a node's words into its text would change; null where the node did not stand there in these very words
 *  before (it was made of several places, or worded otherwise), or where nothing would change. */
export function intoManuscript(f: Figure, id: NodeId): Written | null {
  const node = f.nodes[id]
  const was = f.wasRead.nodes[id]
  const [span] = node?.source ?? []
  if (!node || was === undefined || !span || node.source.length !== 1 || was === node.text || node.text === '')
    return null
  const old = f.wasRead.text.slice(span.start, span.end)
  const lead = old.length - old.trimStart().length
  const tail = /[\s.,;:!?]*$/u.exec(old)?.[0].length ?? 0
  if (plain(old) !== plain(was)) return null
  const inner = { start: span.start + lead, end: span.end - tail }
  const words = likeCase(old.trimStart(), node.text.replace(/[.]+$/u, ''))
  return { span: inner, words, edit: known(f, id, inner, words) }
}

/** A label begins with a capital; in the middle of a sentence its words need not. */
const likeCase = (old: string, words: string): string =>
  /^\p{Ll}/u.test(old) && /^\p{Lu}\p{Ll}/u.test(words) ? words.replace(/^./u, (c) => c.toLowerCase()) : words

function known(f: Figure, id: NodeId, span: Span, words: string): Edit {
  const by = words.length - (span.end - span.start)
  const moved = (s: Span): Span => ({
    start: s.start >= span.end ? s.start + by : s.start,
    end: s.end >= span.end ? s.end + by : s.end,
  })
  const source = (part: FigureNode | FigureLink) => part.source.map(moved)
  const text = f.wasRead.text.slice(0, span.start) + words + f.wasRead.text.slice(span.end)
  const wasRead = { ...f.wasRead, text, nodes: { ...f.wasRead.nodes, [id]: f.nodes[id]?.text ?? '' } }
  return all(
    ...Object.values(f.nodes).map((n): Edit => ({ do: 'setNode', id: n.id, set: { source: source(n) } })),
    ...Object.values(f.links).map((l): Edit => ({ do: 'setLink', id: l.id, set: { source: source(l) } })),
    { do: 'setFigure', set: { wasRead, passage: f.passage && moved(f.passage) } },
  )
}

/** The nodes whose words an edit changes. */
export function reworded(edit: Edit): NodeId[] {
  if (edit.do === 'all') return edit.edits.flatMap(reworded)
  return edit.do === 'setNode' && typeof edit.set.text === 'string' ? [edit.id] : []
}
