/** What comes new into the figure from where one is. */
import {
  addBranch,
  addMember,
  addNote,
  addSet,
  connect,
  duplicate,
  firstNode,
  insertAfter,
  insertOn,
  insertQuestionAfter,
  regionOf,
} from '@/core/document'
import { nodesInOrder, type Figure } from '@/core/figure'
import { answersIn } from '@/core/text'
import { neighbour, type Side } from '../gestures'
import { nodeParts, nodesIn, theOne } from '../selection'
import { subjectOf } from '../subject'
import { newId } from '../newId'
import { ids, type Hands } from './hands'

export function adding({ figure, scene, apply, selection, region, select, edit }: Hands) {
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
    /** On a side of the selected node, as a thread that is clicked there. */
    addNeighbour: (side: Side) => {
      const made = scene && node !== null ? neighbour({ figure, scene, zoom: 1, newId }, node, side, null) : null
      if (!made) return
      apply(made.edit)
      begin(made.node)
    },
    ...asking(figure, apply, begin, node, node ?? (one?.kind === 'link' ? figure.links[one.id]?.from : last)),
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

function asking(
  figure: Figure,
  apply: Hands['apply'],
  begin: (id: string) => void,
  node: string | null,
  after: string | undefined,
) {
  return {
    addQuestion: () => {
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
  }
}
