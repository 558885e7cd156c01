'use client'

import { Tab, TabGroup, TabList, TabPanel, TabPanels } from '@headlessui/react'
import { ArrowDown, ArrowUp, IndentDecrease, IndentIncrease, Redo2, Trash2, Undo2 } from 'lucide-react'
import { memo } from 'react'
import { kinds } from '@/core/figure'
import { InstructionField } from './InstructionField'
import { ManuscriptView } from './ManuscriptView'
import { Outline } from './Outline'
import { nodesIn } from './selection'
import { NodeTable } from './table/NodeTable'
import type { Work } from './work'
import { useWords } from '../words/words'
import { said, words } from '@/core/words'

/** The figure in words, each with what brings it, and where keys go then: the row of what is selected, the table, the
 *  passage. A table needs more room than an outline. */
export const views = [
  {
    name: words('Outline'),
    show: words('Show the figure as outline'),
    columns: 'grid-cols-[292px_minmax(0,1fr)_var(--panel)]',
    first: '[data-outline] [aria-current=true], [data-outline] [data-row]',
    Shown: Outline,
  },
  {
    name: words('Table'),
    show: words('Show the figure as table'),
    columns: 'grid-cols-[minmax(480px,44%)_minmax(0,1fr)_var(--panel)]',
    first: '[data-node-table]',
    Shown: NodeTable,
  },
  {
    name: words('Manuscript'),
    show: words('Show the figure as manuscript'),
    columns: 'grid-cols-[340px_minmax(0,1fr)_var(--panel)]',
    first: '[role=tabpanel]',
    Shown: ManuscriptView,
  },
] as const

type WordsProps = { readonly work: Work; readonly view: number; readonly onView: (view: number) => void }

/** The figure in words: as an outline, as rows, or as the passage it was read from. */
export const WordsPanel = memo(function WordsPanel({ work, view, onView }: WordsProps) {
  const t = useWords()
  return (
    <section aria-label={t('The figure in words')} className="flex min-h-0 flex-col border-r border-rule bg-page">
      <TabGroup selectedIndex={view} onChange={onView} className="flex min-h-0 flex-1 flex-col">
        <TabList aria-label={t('View')} className="flex gap-4 border-b border-rule px-4 pt-3">
          {views.map((v) => (
            <Tab
              key={v.name}
              className="-mb-px border-b-2 border-transparent pb-2 text-[14px] text-quiet hover:text-ink data-[selected]:border-needle data-[selected]:font-semibold data-[selected]:text-ink"
            >
              {t(v.name)}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="min-h-0 flex-1">
          {views.map(({ name, Shown }) => (
            <TabPanel key={name} className={`h-full overflow-auto pt-2 ${Shown === NodeTable ? '' : 'pb-2'}`}>
              <Shown work={work} />
            </TabPanel>
          ))}
        </TabPanels>
      </TabGroup>
      <InstructionField work={work} />
      <Toolbar work={work} />
    </section>
  )
})

function Toolbar({ work }: { work: Work }) {
  const t = useWords()
  const { figure, actions, edits, selection } = work
  const nothing = nodesIn(selection).length === 0
  return (
    <div
      role="toolbar"
      aria-label={t('Change the outline')}
      className="flex flex-wrap items-center gap-1 border-t border-rule px-3 py-2"
    >
      <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addStep} title="Alt+S">
        {t('Add {noun}', { noun: said(kinds[figure.kind].noun) })}
      </button>
      {figure.kind === 'process' && (
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addQuestion} title="Alt+Q">
          {t('Add question')}
        </button>
      )}
      {figure.kind === 'venn' && (
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addSet}>
          {t('Add set')}
        </button>
      )}
      <span className="flex-1" />
      <Tool label={t('Undo')} keys="Ctrl+Z" Icon={Undo2} disabled={!edits.canUndo} run={edits.undo} />
      <Tool label={t('Redo')} keys="Ctrl+Shift+Z" Icon={Redo2} disabled={!edits.canRedo} run={edits.redo} />
      <span className="flex w-full items-center gap-1">
        <Tool label={t('Move up')} keys="Alt+↑" Icon={ArrowUp} disabled={nothing} run={() => actions.shift(-1)} />
        <Tool label={t('Move down')} keys="Alt+↓" Icon={ArrowDown} disabled={nothing} run={() => actions.shift(1)} />
        <Tool label={t('Outdent')} keys="Alt+←" Icon={IndentDecrease} disabled={nothing} run={actions.outdent} />
        <Tool label={t('Indent')} keys="Alt+→" Icon={IndentIncrease} disabled={nothing} run={actions.indent} />
        <span className="flex-1" />
        <Tool
          label={t('Remove')}
          keys="Delete"
          Icon={Trash2}
          disabled={selection.length === 0}
          run={actions.removeSelected}
        />
      </span>
    </div>
  )
}

function Tool({
  label,
  keys,
  Icon,
  disabled,
  run,
}: {
  label: string
  keys: string
  Icon: typeof Undo2
  disabled: boolean
  run: () => void
}) {
  return (
    <button
      type="button"
      className="quiet-button"
      aria-label={label}
      title={`${label} (${keys})`}
      disabled={disabled}
      onClick={run}
    >
      <Icon size={16} aria-hidden="true" />
    </button>
  )
}
