'use client'

import { nanoid } from 'nanoid'
import { useCallback, useMemo } from 'react'
import {
  addBranch,
  connect,
  indent,
  insertAfter,
  insertOn,
  insertQuestionAfter,
  moveBy,
  outdent,
  release,
  releaseAll,
  remove,
  tidy,
  type Edit,
} from '@/core/document'
import { kinds, nodesInOrder, type Figure } from '@/core/figure'
import { answersIn } from '@/core/text'
import type { Selected } from './selection'

export type BenchActions = ReturnType<typeof useActions>

/** What one can do to the figure from here, each as one edit. */
export function useActions(
  figure: Figure,
  apply: (edit: Edit) => void,
  selected: Selected,
  select: (s: Selected) => void,
  edit: (s: Selected) => void,
  tell: (text: string) => void,
) {
  const ids = useCallback(() => ({ node: nanoid(8), link: nanoid(8) }), [])
  return useMemo(() => {
    const node = selected?.kind === 'node' ? selected.id : null
    const last = nodesInOrder(figure).at(-1)?.id
    const begin = (id: string) => {
      const made: Selected = { kind: 'node', id }
      select(made)
      edit(made)
    }
    const orTell = (e: Edit | null, why: string) => (e ? apply(e) : tell(why))
    return {
      addStep: () => {
        const made = ids()
        if (selected?.kind === 'link') apply(insertOn(figure, selected.id, made, ''))
        else if (node ?? last) apply(insertAfter(figure, (node ?? last) as string, made, ''))
        else
          apply({
            do: 'putNode',
            node: { id: made.node, role: kinds[figure.kind].plainRole, text: '', order: 1, source: [] },
          })
        begin(made.node)
      },
      addQuestion: () => {
        const after = node ?? (selected?.kind === 'link' ? figure.links[selected.id]?.from : last)
        if (after === undefined) return
        const made = { node: nanoid(8), yes: nanoid(8), no: nanoid(8), step: nanoid(8), back: nanoid(8) }
        apply(insertQuestionAfter(figure, after, made, { question: '', step: answersIn(figure.language).then }))
        begin(made.node)
      },
      addBranch: () => {
        if (!node) return
        const made = ids()
        apply(addBranch(figure, node, made, { answer: answersIn(figure.language).otherwise, step: '' }))
        begin(made.node)
      },
      connectTo: (to: string) => node && apply(connect(figure, node, to, nanoid(8))),
      removeSelected: () => {
        if (!selected) return
        apply(selected.kind === 'node' ? remove(figure, selected.id) : { do: 'dropLink', id: selected.id })
        select(null)
      },
      shift: (by: -1 | 1) =>
        node && orTell(moveBy(figure, node, by), by < 0 ? 'It is the first already.' : 'It is the last already.'),
      indent: () =>
        node &&
        orTell(
          indent(figure, node, nanoid(8)),
          figure.kind === 'process'
            ? 'Only a step right below a question can go into its branch.'
            : `There is no ${kinds[figure.kind].noun} above to put it under.`,
        ),
      outdent: () =>
        node &&
        orTell(
          outdent(figure, node, ids()),
          figure.kind === 'process'
            ? 'This step is not inside a branch that meets the flow again.'
            : figure.kind === 'points'
              ? 'This point has no detail to make a point of.'
              : `This ${kinds[figure.kind].noun} is at the top already.`,
        ),
      release: () => node && apply(release(node)),
      releaseAll: () => apply(releaseAll(figure)),
      tidy: () => apply(tidy(figure)),
    }
  }, [figure, apply, selected, select, edit, tell, ids])
}
