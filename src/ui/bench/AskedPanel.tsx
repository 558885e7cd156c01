import type { ReactNode } from 'react'
import { useWords } from '../words/words'

type Props = {
  /** What the panel is called to those who hear it. */
  readonly name: string
  readonly title?: string
  readonly onClose: () => void
  readonly children: ReactNode
}

/** A panel that somebody asked for, at the right of the bench; closed, it gives way to the details. */
export function AskedPanel({ name, title = name, onClose, children }: Props) {
  const t = useWords()
  return (
    <aside
      aria-label={name}
      className="flex min-h-0 flex-col gap-4 overflow-auto border-l border-rule bg-page px-4 py-4"
    >
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold">{title}</h2>
        <button type="button" className="quiet-button" onClick={onClose}>
          {t('Close')}
        </button>
      </div>
      {children}
    </aside>
  )
}
