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

export const VIEWS = ['Outline', 'Table', 'Manuscript'] as const
const shown: Record<(typeof VIEWS)[number], (p: { work: Work }) => React.ReactNode> = {
  Outline,
  Table: NodeTable,
  Manuscript: ManuscriptView,
}

type WordsProps = { readonly work: Work; readonly view: number; readonly onView: (view: number) => void }

/** The figure in words: as an outline, as rows, or as the passage it was read from. */
export const WordsPanel = memo(function WordsPanel({ work, view, onView }: WordsProps) {
  return (
    <section aria-label="The figure in words" className="flex min-h-0 flex-col border-r border-rule bg-page">
      <TabGroup selectedIndex={view} onChange={onView} className="flex min-h-0 flex-1 flex-col">
        <TabList aria-label="View" className="flex gap-4 border-b border-rule px-4 pt-3">
          {VIEWS.map((v) => (
            <Tab
              key={v}
              className="-mb-px border-b-2 border-transparent pb-2 text-[14px] text-quiet hover:text-ink data-[selected]:border-needle data-[selected]:font-semibold data-[selected]:text-ink"
            >
              {v}
            </Tab>
          ))}
        </TabList>
        <TabPanels className="min-h-0 flex-1">
          {VIEWS.map((v) => {
            const Shown = shown[v]
            return (
              <TabPanel key={v} className={`h-full overflow-auto pt-2 ${v === 'Table' ? '' : 'pb-2'}`}>
                <Shown work={work} />
              </TabPanel>
            )
          })}
        </TabPanels>
      </TabGroup>
      <InstructionField work={work} />
      <Toolbar work={work} />
    </section>
  )
})

function Toolbar({ work }: { work: Work }) {
  const { figure, actions, edits, selection } = work
  const nothing = nodesIn(selection).length === 0
  return (
    <div
      role="toolbar"
      aria-label="Change the outline"
      className="flex flex-wrap items-center gap-1 border-t border-rule px-3 py-2"
    >
      <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addStep} title="Alt+S">
        {`Add ${kinds[figure.kind].noun}`}
      </button>
      {figure.kind === 'process' && (
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addQuestion} title="Alt+Q">
          Add question
        </button>
      )}
      {figure.kind === 'venn' && (
        <button type="button" className="button h-7! px-2! text-[13px]!" onClick={actions.addSet}>
          Add set
        </button>
      )}
      <span className="flex-1" />
      <Tool label="Undo" keys="Ctrl+Z" Icon={Undo2} disabled={!edits.canUndo} run={edits.undo} />
      <Tool label="Redo" keys="Ctrl+Shift+Z" Icon={Redo2} disabled={!edits.canRedo} run={edits.redo} />
      <span className="flex w-full items-center gap-1">
        <Tool label="Move up" keys="Alt+↑" Icon={ArrowUp} disabled={nothing} run={() => actions.shift(-1)} />
        <Tool label="Move down" keys="Alt+↓" Icon={ArrowDown} disabled={nothing} run={() => actions.shift(1)} />
        <Tool label="Outdent" keys="Alt+←" Icon={IndentDecrease} disabled={nothing} run={actions.outdent} />
        <Tool label="Indent" keys="Alt+→" Icon={IndentIncrease} disabled={nothing} run={actions.indent} />
        <span className="flex-1" />
        <Tool
          label="Remove"
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
