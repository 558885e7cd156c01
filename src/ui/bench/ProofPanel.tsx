'use client'

/** The proof of the figure on the bench, or of its whole folio. */
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { settingAside } from '@/core/document'
import type { Finding, Mend } from '@/core/proof'
import { nameIn } from '../folio/holders'
import { editFigure, figuresIn } from '../folio/useFolio'
import { ProofList } from '../proof/ProofList'
import { AskedPanel } from './AskedPanel'
import { useWords } from '../words/words'
import type { PanelName } from './panels'
import { partOf } from './selection'
import type { Also } from './useBench'
import type { Work } from './work'

type Props = {
  readonly work: Work
  readonly findings: readonly Finding[] | null
  readonly onPanel: (panel: PanelName) => void
}

export function ProofPanel({ work, findings, onPanel }: Props) {
  const t = useWords()
  const router = useRouter()
  const [whole, setWhole] = useState(false)
  const { folio, shared, apply, showGhost, select } = work
  const { id } = shared.figure
  const figures = figuresIn(folio).map((s) => s.figure)
  const own = findings?.filter((f) => f.figure === id) ?? null
  const others = (findings?.length ?? 0) - (own?.length ?? 0)
  const show = (f: Finding) => {
    if (f.figure !== id) return router.push(`/folio/${folio.id}/figure/${f.figure}?show=proof`)
    if (f.rule === 'drift') return onPanel('drift')
    select(f.parts.map((part) => partOf(shared.figure, part)))
  }
  const aside = (f: Finding, reason: string | null) => {
    const figure = figures.find((g) => g.id === f.figure)
    if (!figure) return
    const edit = settingAside(figure, f.key, reason)
    if (figure.id === id) apply(edit)
    else editFigure(folio, figure.id, edit)
  }
  return (
    <AskedPanel name={t('Proof')} onClose={() => onPanel('details')}>
      {figures.length > 1 && (
        <label className="flex items-center gap-2 text-[13px]">
          <input type="checkbox" checked={whole} onChange={(e) => setWhole(e.target.checked)} />
          {t('The whole folio ({others, plural, =0 {nothing else} one {one more} other {# more}})', { others })}
        </label>
      )}
      <ProofList
        mayEdit
        findings={whole ? findings : own}
        nameOf={whole ? (figure) => nameIn(figures, figures.find((f) => f.id === figure) ?? shared.figure) : null}
        onShow={show}
        onTry={(m) => showGhost(m && ghostOf(m, id))}
        onMend={(m) => mended(work, m)}
        onAside={aside}
      />
    </AskedPanel>
  )
}

const ghostOf = (m: Mend, id: string) => {
  const edit = m.edits.find((e) => e.figure === id)?.edit
  return edit ? { edit, says: m.says } : null
}

/** The figure on the bench by its own way, so that it can be undone; the others go with it, there and back. */
function mended({ folio, shared, apply }: Work, m: Mend): void {
  const here = m.edits.find((e) => e.figure === shared.figure.id)?.edit
  const others = m.edits.filter((e) => e.figure !== shared.figure.id)
  const making =
    (edits: Mend['edits']): Also =>
    () => {
      const back = edits.flatMap(({ figure, edit }) => {
        const inverse = editFigure(folio, figure, edit)
        return inverse ? [{ figure, edit: inverse }] : []
      })
      return making(back.toReversed())
    }
  apply(here ?? { do: 'all', edits: [] }, others.length > 0 ? making(others) : undefined)
}
