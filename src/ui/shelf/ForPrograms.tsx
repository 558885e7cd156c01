'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import { useCommands } from '../chrome/commands'
import { useWords } from '../words/words'

const Access = dynamic(async () => (await import('./Access')).Access)

/** The way to what programs may do. */
export function ForPrograms() {
  const t = useWords()
  const [open, setOpen] = useState(false)
  const commands = useMemo(() => [{ name: t('Access for programs: tokens'), run: () => setOpen(true) }], [t])
  useCommands(commands)
  return (
    <p className="mt-10 text-[13px]">
      <button type="button" className="quiet-button" onClick={() => setOpen(true)}>
        {t('Access for programs')}
      </button>
      {open && <Access onClose={() => setOpen(false)} />}
    </p>
  )
}
