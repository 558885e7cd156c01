/** What moves parts of the figure among each other, or takes them out. */
import {
  all,
  apply as applied,
  asQuestion,
  changePlaces,
  indent,
  moveBy,
  outdent,
  removeAll,
  type Edit,
} from '@/core/document'
import { kinds, type Figure } from '@/core/figure'
import { nodesIn } from '../selection'
import { newId } from '../newId'
import { ids, type Hands } from './hands'
import { said, type Said } from '@/core/words'

export function moving({ figure, apply, selection, select, tell }: Hands) {
  const nodes = nodesIn(selection)
  const noun = said(kinds[figure.kind].noun)
  /** Each of the selected in turn; what cannot be done to any of them is told. */
  const each = (order: readonly string[], make: (f: Figure, id: string) => Edit | null, why: Said) => {
    let now = figure
    const edits = order.flatMap((id) => {
      const made = make(now, id)
      if (made) now = applied(now, made).figure
      return made ?? []
    })
    if (edits.length > 0) apply(all(...edits))
    else if (order.length > 0) tell(why)
  }
  return {
    removeSelected: () => {
      if (selection.length === 0) return
      const links = selection.flatMap((p): Edit[] =>
        p.kind === 'node' ? [] : [{ do: p.kind === 'link' ? 'dropLink' : 'dropNote', id: p.id }],
      )
      apply(all(...links, removeAll(applied(figure, all(...links)).figure, nodes)))
      select([])
    },
    shift: (by: -1 | 1) =>
      each(
        by < 0 ? nodes : nodes.toReversed(),
        (f, id) => moveBy(f, id, by),
        by < 0 ? said('It is the first already.') : said('It is the last already.'),
      ),
    indent: () =>
      each(
        nodes,
        (f, id) => indent(f, id, newId()),
        figure.kind === 'process'
          ? said('Only a step right below a question can go into its branch.')
          : said('There is no {noun} above to put it under.', { noun }),
      ),
    outdent: () =>
      each(
        nodes,
        (f, id) => outdent(f, id, ids()),
        figure.kind === 'process'
          ? said('This step is not inside a branch that meets the flow again.')
          : figure.kind === 'points'
            ? said('This point has no detail to make a point of.')
            : said('This {noun} is at the top already.', { noun }),
      ),
    swap: () => {
      const [a, b] = nodes
      if (a !== undefined && b !== undefined && nodes.length === 2) apply(changePlaces(figure, a, b))
    },
    askOrTell: () =>
      each(
        nodes,
        (f, id) => (f.kind === 'process' ? asQuestion(f, id, f.nodes[id]?.role !== 'question') : null),
        said('Only a step of a process can be a question.'),
      ),
  }
}
