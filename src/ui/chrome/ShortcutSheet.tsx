'use client'

import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import type { Command } from './keyPlaces'
import { shownKeys } from './shownKeys'
import { useWords } from '../words/words'

/** Every key that means something here, beside what it does. */
export function ShortcutSheet({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  const t = useWords()
  const rows = commands.filter((c) => c.keys !== undefined)
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-ink/20" aria-hidden="true" />
      <div className="fixed inset-x-0 top-[8vh] flex justify-center px-4">
        <DialogPanel className="max-h-[84vh] w-full max-w-[46rem] overflow-auto rounded-lg border border-rule bg-page p-5 shadow-xl">
          <DialogTitle className="mb-3 font-semibold">{t('Shortcuts')}</DialogTitle>
          <dl className="columns-2 gap-8">
            {rows.map((c) => (
              <div key={c.name} className="flex break-inside-avoid justify-between gap-4 border-b border-rule py-1.5">
                <dt>{c.name}</dt>
                <dd className="whitespace-nowrap text-quiet">
                  <kbd className="font-sans text-[13px]">{shownKeys(c.keys ?? '')}</kbd>
                </dd>
              </div>
            ))}
          </dl>
          <p className="mt-3 text-[13px] text-quiet">
            {t(
              'Keys typed into a field are the field’s. On the stage, arrows walk from node to node; just type to change words.',
            )}
          </p>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
