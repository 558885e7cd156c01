/** What one can do on the bench by key and in the finder, as rows with what they apply to. */
import { isTree } from '@/core/document'
import { figureKinds, frameTable, frames, kinds, notesInOrder, placesOf } from '@/core/figure'
import type { Command } from '../chrome/keyPlaces'
import { alikeTo, nodeParts, nodesIn } from './selection'
import { toKind } from './toKind'
import type { Work } from './work'
import { said, type Said, type Tell } from '@/core/words'

/** A list that opens has nothing of its own to take back. */
const UNDOING = ['page', 'choice'] as const

type Row = Omit<Command, 'run' | 'name'> & {
  readonly name: Said | ((w: Work) => Said)
  readonly when?: (w: Work) => boolean
  readonly run: (w: Work) => void
}

const hasNodes = (w: Work) => nodesIn(w.selection).length > 0
const hasOne = (w: Work) => w.selected !== null
const isQuestion = (w: Work) => w.figure.nodes[w.selected?.id ?? '']?.role === 'question'

const neighbour = {
  right: said('A new neighbour on the right'),
  left: said('A new neighbour on the left'),
  bottom: said('A new neighbour below'),
  top: said('A new neighbour above'),
} as const
const arrowFor = { right: 'ArrowRight', left: 'ArrowLeft', bottom: 'ArrowDown', top: 'ArrowUp' } as const
const isResized = (w: Work) => nodesIn(w.selection).some((id) => w.figure.nodes[id]?.size)
const insetOf = (w: Work) => w.figure.nodes[w.selected?.id ?? '']?.inset

const rows: readonly Row[] = [
  { name: said('Undo'), keys: 'Mod+Z', at: UNDOING, run: (w) => w.edits.undo() },
  { name: said('Redo'), keys: 'Mod+Shift+Z', at: UNDOING, run: (w) => w.edits.redo() },
  { name: said('Redo (other keys)'), keys: 'Mod+Y', at: UNDOING, run: (w) => w.edits.redo() },
  {
    name: (w) => said(kinds[w.figure.kind].add),
    keys: 'Alt+S',
    run: (w) => w.actions.addStep(),
  },
  {
    name: said('Add a question with its branches'),
    keys: 'Alt+Q',
    when: (w) => w.figure.kind === 'process',
    run: (w) => w.actions.addQuestion(),
  },
  { name: said('Add an answer'), keys: 'Alt+A', when: isQuestion, run: (w) => w.actions.addBranch() },
  {
    name: (w) => (w.selection.length > 0 || w.region ? said('Add a note about it') : said('Add a note to the figure')),
    keys: 'Alt+N',
    run: (w) => w.actions.addNote(),
  },
  {
    name: said('Go to the next note'),
    keys: 'Alt+Shift+N',
    when: (w) => Object.keys(w.figure.notes ?? {}).length > 0,
    run: (w) => {
      const ids = notesInOrder(w.figure).map((n) => n.id)
      const id = ids[(ids.indexOf(w.selected?.id ?? '') + 1) % ids.length]
      if (id !== undefined) w.select([{ kind: 'note', id }])
    },
  },
  { name: said('Add a set'), when: (w) => w.figure.kind === 'venn', run: (w) => w.actions.addSet() },
  {
    name: said('Remove what is selected'),
    keys: 'Delete',
    when: (w) => w.selection.length > 0,
    run: (w) => w.actions.removeSelected(),
  },
  {
    name: said('Change the words'),
    keys: 'F2',
    when: hasOne,
    run: (w) => w.selected && w.edit({ part: w.selected, where: 'stage' }),
  },
  { name: said('Move up'), keys: 'Alt+ArrowUp', when: hasNodes, run: (w) => w.actions.shift(-1) },
  { name: said('Move down'), keys: 'Alt+ArrowDown', when: hasNodes, run: (w) => w.actions.shift(1) },
  { name: said('Indent'), keys: 'Alt+ArrowRight', when: hasNodes, run: (w) => w.actions.indent() },
  { name: said('Outdent'), keys: 'Alt+ArrowLeft', when: hasNodes, run: (w) => w.actions.outdent() },
  ...(['right', 'left', 'bottom', 'top'] as const).map((side): Row => ({
    name: neighbour[side],
    keys: `Mod+${arrowFor[side]}`,
    when: (w) => w.selected?.kind === 'node' && w.figure.kind !== 'venn',
    run: (w) => w.actions.addNeighbour(side),
  })),
  {
    name: said('Link it to another'),
    keys: 'Alt+L',
    when: (w) => w.selected?.kind === 'node' && (w.figure.kind === 'process' || w.figure.kind === 'concept'),
    run: () => document.querySelector<HTMLElement>('[data-link-to]')?.focus(),
  },
  { name: said('Double what is selected'), keys: 'Mod+D', when: hasNodes, run: (w) => w.actions.double() },
  {
    name: (w) => (isQuestion(w) ? said('Make it a step') : said('Make it a question')),
    keys: 'Alt+Shift+Q',
    when: (w) => w.figure.kind === 'process' && hasNodes(w),
    run: (w) => w.actions.askOrTell(),
  },
  {
    name: said('Let the two change places'),
    when: (w) => nodesIn(w.selection).length === 2,
    run: (w) => w.actions.swap(),
  },
  {
    name: said('Select everything'),
    keys: 'Mod+A',
    run: (w) => w.select(nodeParts(Object.keys(w.figure.nodes))),
  },
  {
    name: said('Select all of the same role'),
    when: (w) => alike(w, 'role').length > 1,
    run: (w) => w.select(nodeParts(alike(w, 'role'))),
  },
  {
    name: said('Select the whole branch'),
    when: (w) => isTree(w.figure) && alike(w, 'branch').length > 1,
    run: (w) => w.select(nodeParts(alike(w, 'branch'))),
  },
  { name: said('Make an inset of what is selected'), keys: 'Alt+I', when: hasNodes, run: (w) => w.insets.make() },
  {
    name: said('Open the inset'),
    keys: 'Alt+Enter',
    when: (w) => insetOf(w) !== undefined,
    run: (w) => w.insets.open(insetOf(w) ?? ''),
  },
  { name: said('Dissolve the inset'), when: (w) => insetOf(w) !== undefined, run: (w) => w.insets.dissolve() },
  { name: said('Back to the figure that holds this one'), keys: 'Alt+Shift+Enter', run: (w) => w.insets.back() },
  { name: said('Wider'), keys: 'Alt+Shift+ArrowRight', when: hasNodes, run: (w) => w.actions.grow({ x: 1, y: 0 }) },
  { name: said('Narrower'), keys: 'Alt+Shift+ArrowLeft', when: hasNodes, run: (w) => w.actions.grow({ x: -1, y: 0 }) },
  { name: said('Higher'), keys: 'Alt+Shift+ArrowDown', when: hasNodes, run: (w) => w.actions.grow({ x: 0, y: 1 }) },
  { name: said('Less high'), keys: 'Alt+Shift+ArrowUp', when: hasNodes, run: (w) => w.actions.grow({ x: 0, y: -1 }) },
  { name: said('As large as its words'), when: isResized, run: (w) => w.actions.toWords() },
  { name: said('To the front'), keys: 'Alt+PageUp', when: hasNodes, run: (w) => w.actions.lift('front') },
  { name: said('To the back'), keys: 'Alt+PageDown', when: hasNodes, run: (w) => w.actions.lift('back') },
  { name: said('Release from where it is held'), when: hasNodes, run: (w) => w.actions.release() },
  {
    name: said('Tidy: lay the figure out afresh'),
    keys: 'Alt+T',
    when: (w) => placesOf(w.figure) !== null,
    run: (w) => w.actions.tidy(),
  },
  ...figureKinds.map((kind): Row => ({
    name: said('Show it as: {name}', { name: said(kinds[kind].name) }),
    when: (w) => w.figure.kind !== kind,
    run: (w) => toKind(w, kind),
  })),
  ...frames.map((frame): Row => ({
    name: said('Made for: {name}', { name: said(frameTable[frame].name) }),
    when: (w) => w.figure.frame !== frame,
    run: (w) => w.apply({ do: 'setFigure', set: { frame } }),
  })),
  { name: said('Tidy only what is selected'), when: hasNodes, run: (w) => w.actions.tidySelected() },
]

const alike = (w: Work, by: string): readonly string[] =>
  w.selected?.kind === 'node' ? (alikeTo(w.figure, w.selected.id).find((a) => a.by === by)?.ids ?? []) : []

export const benchCommands = (work: Work, t: Tell): Command[] =>
  rows
    .filter((r) => r.when?.(work) ?? true)
    .map((r) => ({
      name: t('says' in r.name ? r.name : r.name(work)),
      ...(r.keys === undefined ? {} : { keys: r.keys }),
      ...(r.at === undefined ? {} : { at: r.at }),
      run: () => r.run(work),
    }))
