'use client'

import dynamic from 'next/dynamic'
import { useMemo } from 'react'
import type { Span } from '@/core/text'
import type { Marks } from '../editor/Editor'
import type { writing } from '../editor/keys'
import { partsOfPlace } from '../remarks/FolioRemarksAside'
import type { FolioRemarks } from '../remarks/useFolioRemarks'
import { useMay } from './rights'
import type { OpenFolio } from './useFolio'
import { RemarkTool, WritingTools } from './WritingTools'
import { useWords } from '../words/words'

/** Fetched when somebody asks for it: with all that a style is made of. */
const DressFolio = dynamic(async () => (await import('../dress/DressFolio')).DressFolio)
const DeliverFolio = dynamic(async () => (await import('../deliver/DeliverFolio')).DeliverFolio)
const FolioVersions = dynamic(async () => (await import('./FolioVersions')).FolioVersions)
const ShareFolio = dynamic(async () => (await import('../people/ShareFolio')).ShareFolio)

/** Places of a passage as places of the manuscript. */
export const fromPassage = (spans: readonly Span[], passage: Span): Span[] =>
  spans.map((s) => ({ start: s.start + passage.start, end: s.end + passage.start }))

type Marked = {
  readonly lit: readonly Span[] | null
  readonly remark: readonly Span[]
  readonly passage: Span | null
  /** What the shown reading leaves out, as places of the passage. */
  readonly listed: readonly { readonly span: Span }[] | null
  readonly remarked: readonly Span[]
}

/** What is marked in the manuscript: what the pointer is on, else what is said there, else what a reading left out. */
export const useMarks = ({ lit, remark, passage, listed, remarked }: Marked): Marks =>
  useMemo(() => {
    const left =
      passage && listed
        ? fromPassage(
            listed.map((l) => l.span),
            passage,
          )
        : []
    return { read: passage, lit: lit ?? (remark.length > 0 ? remark : left), remarked }
  }, [lit, remark, passage, listed, remarked])

/** The part of a figure that the pointer is on in the list of remarks. */
export const litInFigure = ({ litPart }: FolioRemarks) =>
  litPart && { figure: litPart.figure, parts: partsOfPlace(litPart) }

export type SheetName = 'dress' | 'deliver' | 'share' | 'versions' | null

export const Sheets = ({ folio, open, onClose }: { folio: OpenFolio; open: SheetName; onClose: () => void }) => (
  <>
    {open === 'dress' && <DressFolio folio={folio} onClose={onClose} />}
    {open === 'deliver' && <DeliverFolio folio={folio} onClose={onClose} />}
    {open === 'versions' && <FolioVersions folio={folio} onClose={onClose} />}
    {open === 'share' && <ShareFolio folio={folio.id} onClose={onClose} />}
  </>
)

type ToolsProps = {
  readonly write: (name: keyof typeof writing) => void
  readonly onRead: () => void
  readonly onRemark: () => void
}

/** The tools of writing, or what is left of them for who may remark. */
export function Tools({ write, onRead, onRemark }: ToolsProps) {
  const t = useWords()
  const [canEdit, canRemark] = [useMay('edit'), useMay('remark')]
  if (canEdit) return <WritingTools run={write} onRead={onRead} onRemark={onRemark} />
  return canRemark ? (
    <p className="-mt-1 mb-3">
      <RemarkTool onRemark={onRemark} says={t('Remark on the marked words')} />
    </p>
  ) : null
}
