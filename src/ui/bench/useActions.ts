'use client'

import { nanoid } from 'nanoid'
import { useMemo } from 'react'
import {
  addBranch,
  addMember,
  addNote,
  addSet,
  all,
  apply as applied,
  asQuestion,
  changePlaces,
  connect,
  duplicate,
  firstNode,
  indent,
  insertAfter,
  insertOn,
  insertQuestionAfter,
  moveBy,
  outdent,
  regionOf,
  lifted,
  release,
  resize,
  releaseAll,
  removeAll,
  tidy,
  type Boxes,
  type Edit,
} from '@/core/document'
import { kinds, nodesInOrder, type Figure } from '@/core/figure'
import type { Point } from '@/core/geometry'
import { answersIn } from '@/core/text'
import { subjectOf } from './subject'
import { nodeParts, nodesIn, theOne, type Editing, type Selection } from './selection'

export type BenchActions = ReturnType<typeof useActions>

/** A step by which a node is made larger, in px of the layout. */
const GROWS = 12

type Hands = {
  /** Where the nodes stand, in px of the layout. */
  readonly boxes: Boxes | null
  readonly figure: Figure
  readonly apply: (edit: Edit) => void
  readonly selection: Selection
  readonly region: readonly string[] | null
  readonly select: (s: Selection) => void
  readonly edit: (e: Editing | null) => void
  readonly tell: (text: string) => void
}
const newId = (): string => nanoid(8)
const ids = () => ({ node: newId(), link: newId() })

/** What one can do to the figure from here, each as one edit. */
export function useActions(hands: Hands) {
  const { figure, boxes, apply, selection, region, select, edit, tell } = hands
  return useMemo(
    () => ({
      ...adding({ figure, boxes, apply, selection, region, select, edit, tell }),
      ...moving({ figure, boxes, apply, selection, region, select, edit, tell }),
    }),
    [figure, boxes, apply, selection, region, select, edit, tell],
  )
}

function adding({ figure, apply, selection, region, select, edit }: Hands) {
  const one = theOne(selection)
  const node = one?.kind === 'node' ? one.id : null
  const last = nodesInOrder(figure).at(-1)?.id
  const begin = (id: string) => {
    select(nodeParts([id]))
    edit({ part: { kind: 'node', id }, where: 'stage' })
  }
  const member = (sets: readonly string[]) => {
    const id = newId()
    apply(addMember(figure, id, sets, ''))
    begin(id)
  }
  return {
    addNote: () => {
      const id = newId()
      apply(addNote(id, subjectOf({ selection, region }) ?? null, ''))
      select([{ kind: 'note', id }])
      edit({ part: { kind: 'note', id }, where: 'stage' })
    },
    addMember: member,
    addSet: () => {
      const id = newId()
      apply(addSet(figure, id, ''))
      begin(id)
    },
    addStep: () => {
      const known = node === null ? undefined : figure.nodes[node]
      if (region) return member(region)
      if (figure.kind === 'venn' && known?.role === 'member') return member(regionOf(figure, known))
      const made = ids()
      if (one?.kind === 'link') apply(insertOn(figure, one.id, made, ''))
      else if (node ?? last) apply(insertAfter(figure, (node ?? last) as string, made, ''))
      else apply(firstNode(figure, made.node, ''))
      begin(made.node)
    },
    addQuestion: () => {
      const after = node ?? (one?.kind === 'link' ? figure.links[one.id]?.from : last)
      if (after === undefined) return
      const made = { node: newId(), yes: newId(), no: newId(), step: newId(), back: newId() }
      apply(insertQuestionAfter(figure, after, made, { question: '', step: answersIn(figure.language).then }))
      begin(made.node)
    },
    addBranch: () => {
      if (node === null) return
      const made = ids()
      apply(addBranch(figure, node, made, { answer: answersIn(figure.language).otherwise, step: '' }))
      begin(made.node)
    },
    connectTo: (to: string) => {
      if (node !== null) apply(connect(figure, node, to, newId()))
    },
    double: () => {
      const { edit: made, made: twins } = duplicate(figure, nodesIn(selection), newId)
      apply(made)
      select(nodeParts(twins))
    },
  }
}

function moving({ figure, boxes, apply, selection, select, tell }: Hands) {
  const nodes = nodesIn(selection)
  const { noun } = kinds[figure.kind]
  /** Each of the selected in turn; what cannot be done to any of them is told. */
  const each = (order: readonly string[], make: (f: Figure, id: string) => Edit | null, why: string) => {
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
        by < 0 ? 'It is the first already.' : 'It is the last already.',
      ),
    indent: () =>
      each(
        nodes,
        (f, id) => indent(f, id, newId()),
        figure.kind === 'process'
          ? 'Only a step right below a question can go into its branch.'
          : `There is no ${noun} above to put it under.`,
      ),
    outdent: () =>
      each(
        nodes,
        (f, id) => outdent(f, id, ids()),
        figure.kind === 'process'
          ? 'This step is not inside a branch that meets the flow again.'
          : figure.kind === 'points'
            ? 'This point has no detail to make a point of.'
            : `This ${noun} is at the top already.`,
      ),
    swap: () => {
      const [a, b] = nodes
      if (a !== undefined && b !== undefined && nodes.length === 2) apply(changePlaces(figure, a, b))
    },
    askOrTell: () =>
      each(
        nodes,
        (f, id) => (f.kind === 'process' ? asQuestion(f, id, f.nodes[id]?.role !== 'question') : null),
        'Only a step of a process can be a question.',
      ),
    /** Larger or smaller by a step, sideways or upright. */
    grow: (by: Point) =>
      apply(
        all(
          ...nodes.map((id): Edit | null => {
            const box = figure.nodes[id]?.size ?? boxes?.[id]
            return box ? resize(id, { width: box.width + by.x * GROWS, height: box.height + by.y * GROWS }) : null
          }),
        ),
      ),
    toWords: () => apply(all(...nodes.map((id) => resize(id, null)))),
    lift: (to: 'front' | 'back') => apply(lifted(figure, nodes, to)),
    release: () => apply(all(...nodes.map(release))),
    releaseAll: () => apply(releaseAll(figure)),
    tidy: () => apply(tidy(figure)),
    tidySelected: () =>
      apply(
        figure.places
          ? all(...nodes.map(release), {
              do: 'setFigure',
              set: { places: { ...figure.places, boxes: withoutKeys(figure.places.boxes, nodes) } },
            })
          : all(...nodes.map(release)),
      ),
  }
}

const withoutKeys = <T>(record: Readonly<Record<string, T>>, keys: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => !keys.includes(k)))
