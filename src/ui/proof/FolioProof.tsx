'use client'

import { ListChecks } from 'lucide-react'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { settingAside } from '@/core/document'
import type { Finding, Mend } from '@/core/proof'
import { useCommands } from '../chrome/commands'
import { useNotice } from '../chrome/Notice'
import { Sheet } from '../chrome/Sheet'
import { nameIn } from '../folio/holders'
import { useMay } from '../folio/rights'
import { editFigure, figuresIn, type OpenFolio } from '../folio/useFolio'
import { useWords } from '../words/words'
import { ProofList } from './ProofList'
import { openIn, useProof } from './useProof'

/** Says on the folio's page how much the proof has found, and opens it. */
export function FolioProof({ folio }: { readonly folio: OpenFolio }) {
  const t = useWords()
  const tell = useNotice()
  const router = useRouter()
  const mayEdit = useMay('edit')
  const findings = useProof(folio)
  const [open, setOpen] = useState(false)
  const count = openIn(findings)
  useCommands([{ name: t('Proof: what is wrong with the figures'), keys: 'Alt+O', run: () => setOpen(true) }])
  const figures = figuresIn(folio).map((s) => s.figure)
  const change = (edits: Mend['edits']): Mend['edits'] =>
    edits.flatMap(({ figure, edit }) => {
      const inverse = editFigure(folio, figure, edit)
      return inverse ? [{ figure, edit: inverse }] : []
    })
  const mend = (m: Mend) => {
    const back = change(m.edits)
    tell(t('Mended: {what}', { what: m.says }), { label: t('Take it back'), run: () => void change(back.toReversed()) })
  }
  const aside = (f: Finding, reason: string | null) => {
    const figure = figures.find((g) => g.id === f.figure)
    if (figure) change([{ figure: figure.id, edit: settingAside(figure, f.key, reason) }])
  }
  return (
    <>
      <button type="button" className="button" aria-keyshortcuts="Alt+O" onClick={() => setOpen(true)}>
        <ListChecks size={16} aria-hidden="true" />
        {t('Proof')}
        {count > 0 && ` (${count})`}
      </button>
      {open && (
        <Sheet
          title={t('Proof')}
          hint={t('What is wrong with the figures, and with figures and text together.')}
          size="max-h-[80vh] max-w-[640px]"
          onClose={() => setOpen(false)}
        >
          <div className="flex min-h-0 flex-col gap-4 overflow-auto px-5 py-4">
            <ProofList
              {...{ findings, mayEdit }}
              nameOf={(id) => {
                const figure = figures.find((f) => f.id === id)
                return (figure && nameIn(figures, figure)) || t('Figure')
              }}
              onShow={(f) =>
                router.push(`/folio/${folio.id}/figure/${f.figure}?show=${f.rule === 'drift' ? 'drift' : 'proof'}`)
              }
              onMend={mend}
              onAside={aside}
            />
          </div>
        </Sheet>
      )}
    </>
  )
}
