'use client'

import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogPanel,
  DialogTitle,
} from '@headlessui/react'
import { useState } from 'react'
import type { Command } from './keyPlaces'
import { recentFirst, recentNames, remember } from './recent'
import { shownKeys } from './shownKeys'
import { useWords } from '../words/words'

export function CommandFinder({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  const t = useWords()
  const [query, setQuery] = useState('')
  const [ordered] = useState(() => recentFirst(commands, recentNames()))
  const words = query.toLowerCase().split(/\s+/).filter(Boolean)
  const found = ordered.filter((c) => words.every((w) => c.name.toLowerCase().includes(w)))
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-ink/20" aria-hidden="true" />
      <div className="fixed inset-x-0 top-[12vh] flex justify-center px-4">
        <DialogPanel className="w-full max-w-[34rem] rounded-lg border border-rule bg-page shadow-xl">
          <DialogTitle className="px-4 pt-3 text-[13px] text-quiet">{t('Find a command')}</DialogTitle>
          <Combobox<Command | null>
            immediate
            value={null}
            onChange={(c) => {
              onClose()
              if (c) remember(c.name)
              c?.run()
            }}
          >
            <ComboboxInput
              autoFocus
              aria-label={t('Find a command')}
              placeholder={t('Type a few letters of what you want to do')}
              className="w-full border-b border-rule bg-transparent px-4 py-2.5 text-[16px] outline-none"
              onChange={(e) => setQuery(e.target.value)}
            />
            <ComboboxOptions static className="max-h-[50vh] overflow-auto py-1.5">
              {found.map((c) => (
                <ComboboxOption
                  key={c.name}
                  value={c}
                  className="flex justify-between gap-4 px-4 py-1.5 data-[focus]:bg-sea-wash"
                >
                  <span>{c.name}</span>
                  {c.keys && <kbd className="font-sans text-[13px] text-quiet">{shownKeys(c.keys)}</kbd>}
                </ComboboxOption>
              ))}
            </ComboboxOptions>
            {found.length === 0 && (
              <p className="px-4 pb-3 text-quiet">{t('No command has these words. Try fewer letters.')}</p>
            )}
          </Combobox>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
