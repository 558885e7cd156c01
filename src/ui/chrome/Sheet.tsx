'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { X } from 'lucide-react'
import type { ReactNode } from 'react'
import { useWords } from '../words/words'

type Props = {
  readonly title: string
  /** What it is for, in a sentence. */
  readonly hint: string
  /** Tailwind classes of its size. */
  readonly size: string
  readonly onClose: () => void
  readonly children: ReactNode
}

/** A sheet over the page, closed by Escape, by a click beside it, or by its button. */
export const Sheet = ({ title, hint, size, onClose, children }: Props) => {
  const t = useWords()
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-ink/25" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-5">
        <DialogPanel className={`flex w-full flex-col rounded-lg border border-rule bg-page shadow-xl ${size}`}>
          <div className="flex items-baseline gap-4 border-b border-rule px-5 py-3">
            <DialogTitle className="text-[17px] font-semibold whitespace-nowrap">{title}</DialogTitle>
            <p className="text-[13px] text-quiet">{hint}</p>
            <button
              type="button"
              className="quiet-button ml-auto self-center"
              onClick={onClose}
              aria-label={t('Close')}
              title={t('Close (Escape)')}
            >
              <X size={16} aria-hidden="true" />
            </button>
          </div>
          {children}
        </DialogPanel>
      </div>
    </Dialog>
  )
}
