'use client'

import {
  Bold,
  Heading1,
  Heading2,
  Italic,
  List,
  ListOrdered,
  MessageSquareText,
  Pilcrow,
  Redo2,
  Table,
  Undo2,
  type LucideIcon,
} from 'lucide-react'
import { writing } from '../editor/keys'
import { useWords } from '../words/words'

const icons: Record<keyof typeof writing, LucideIcon> = {
  heading1: Heading1,
  heading2: Heading2,
  paragraph: Pilcrow,
  bold: Bold,
  italic: Italic,
  bullets: List,
  numbers: ListOrdered,
  table: Table,
  undo: Undo2,
  redo: Redo2,
}

type Props = {
  readonly run: (name: keyof typeof writing) => void
  readonly onRead: () => void
  readonly onRemark: () => void
}

/** The few tools of writing, quiet above the page. */
export function WritingTools({ run, onRead, onRemark }: Props) {
  const t = useWords()
  return (
    <div
      role="toolbar"
      aria-label={t('Writing')}
      className="-ml-1.5 mb-4 flex min-h-9 flex-wrap items-center gap-0.5 border-b border-rule pb-1.5"
    >
      {(Object.keys(icons) as (keyof typeof writing)[]).map((name) => {
        const Icon = icons[name]
        return (
          <button
            key={name}
            type="button"
            className="quiet-button"
            aria-label={t(writing[name].name)}
            title={`${t(writing[name].name)} (${writing[name].keys.replace('Mod', 'Ctrl').replaceAll('-', '+')})`}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => run(name)}
          >
            <Icon size={16} aria-hidden="true" />
          </button>
        )
      })}
      <RemarkTool onRemark={onRemark} />
      <button
        type="button"
        className="quiet-button ml-auto font-semibold whitespace-nowrap text-sea"
        onMouseDown={(e) => e.preventDefault()}
        onClick={onRead}
        title={t('Read the marked text, or the block at the caret (Ctrl+Enter)')}
      >
        {t('Read this passage')}
      </button>
    </div>
  )
}

/** What is said about the marked words; they stay marked meanwhile. */
export const RemarkTool = ({ onRemark, says }: Pick<Props, 'onRemark'> & { readonly says?: string }) => {
  const t = useWords()
  return (
    <button
      type="button"
      className="quiet-button"
      aria-label={t('Remark on the marked words')}
      title={t('Remark on the marked words (Ctrl+Alt+M)')}
      onMouseDown={(e) => e.preventDefault()}
      onClick={onRemark}
    >
      <MessageSquareText size={16} aria-hidden="true" />
      {says}
    </button>
  )
}
