'use client'

import { useEffect, useState } from 'react'
import { compared, difference, type Compared } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { computeAside } from '@/workers/client'
import { useWardrobe } from '../folio/wardrobe'
import { SceneView } from '../scene/SceneView'
import { timeAgo } from '../shelf/timeAgo'
import { useVersions, type Version } from './useVersions'
import type { Work } from './work'
import { AskedPanel } from './AskedPanel'
import { useLanguage, useWords } from '../words/words'
import { said, type Said } from '@/core/words'

/** Earlier versions of the figure, each with its picture: to compare with the figure on the stage, to name, to restore. */
export function VersionsPanel({ work, onClose }: { work: Work; onClose: () => void }) {
  const t = useWords()
  const { figure } = work.shared
  const { versions, problem, keep, rename } = useVersions(work.folio.id, figure.id)
  const [shown, setShown] = useState<string | null>(null)
  const [opened] = useState(() => new Date())
  const [restored, setRestored] = useState(false)
  const { compare } = work
  const leave = () => {
    compare(null)
    onClose()
  }
  useEffect(() => () => compare(null), [compare])
  return (
    <AskedPanel name={t('Versions')} onClose={leave}>
      <NameIt label={t('Keep this one as')} onName={(name) => void keep(name)} />
      {restored && <WhyRestored onWhy={(why) => void keep(null, why).then(() => setRestored(false))} />}
      <Looked problem={problem} count={versions?.length ?? null} />
      <ul className="flex flex-col gap-3">
        {versions?.map((v) => (
          <Row
            key={v.id}
            version={v}
            since={opened}
            now={figure}
            shown={shown === v.id}
            onCompare={() => {
              setShown(shown === v.id ? null : v.id)
              compare(shown === v.id ? null : v.figure)
            }}
            onRestore={() => {
              compare(null)
              setShown(null)
              setRestored(true)
              work.apply(difference(figure, { ...v.figure, places: v.figure.places }))
              work.tell(t('The figure stands as it did then. Undo takes it back.'))
            }}
            onRename={(name) => void rename(v.id, name)}
          />
        ))}
      </ul>
    </AskedPanel>
  )
}

/** What is said instead of a list. */
function Looked({ problem, count }: { readonly problem: string | null; readonly count: number | null }) {
  const t = useWords()
  if (problem)
    return (
      <p role="alert" className="text-[13px] text-needle">
        {problem}
      </p>
    )
  if (count === null) return <p className="text-quiet">{t('Looking them up …')}</p>
  if (count > 0) return null
  return <p className="text-[13px] text-quiet">{t('None yet. One is kept every few minutes while somebody works.')}</p>
}

/** Kept with the version, for those who wonder. */
const WhyRestored = ({ onWhy }: { readonly onWhy: (name: string) => void }) => {
  const t = useWords()
  return <NameIt label={t('Why was it restored?')} onName={onWhy} />
}

type RowProps = {
  readonly version: Version
  /** When the list was opened. */
  readonly since: Date
  readonly now: Figure
  readonly shown: boolean
  readonly onCompare: () => void
  readonly onRestore: () => void
  readonly onRename: (name: string) => void
}

function Row({ version: v, since, now: figure, shown, onCompare, onRestore, onRename }: RowProps) {
  const t = useWords()
  const language = useLanguage()
  const scene = usePicture(v.figure)
  const [naming, setNaming] = useState(false)
  const differs = compared(v.figure, figure)
  return (
    <li className={`rounded-md border p-2 text-[13px] ${shown ? 'border-needle' : 'border-rule'}`}>
      {scene ? <SceneView scene={scene} label="" className="h-24 w-full" /> : <span className="block h-24" />}
      <p className="mt-1 font-semibold">{v.name ?? timeAgo(new Date(v.madeAt), since, language)}</p>
      <p className="text-quiet">
        {v.name ? `${timeAgo(new Date(v.madeAt), since, language)}, ` : ''}
        {v.by} · {t(sumOf(differs))}
      </p>
      {v.why && <p className="text-brass-text">{t('Restored: {why}', { why: v.why })}</p>}
      <div className="mt-1.5 flex flex-wrap gap-1">
        <button type="button" className="button h-7! px-2! text-[13px]!" aria-pressed={shown} onClick={onCompare}>
          {shown ? t('Stop comparing') : t('Compare')}
        </button>
        <button type="button" className="quiet-button" onClick={onRestore}>
          {t('Restore')}
        </button>
        <button type="button" className="quiet-button" onClick={() => setNaming(!naming)}>
          {t('Name it')}
        </button>
      </div>
      {naming && (
        <NameIt
          label={t('Name of the version')}
          onName={(name) => {
            setNaming(false)
            onRename(name)
          }}
        />
      )}
    </li>
  )
}

/** What has come since, in a few words. */
function sumOf(c: Compared): Said {
  const parts = [
    [c.added.length, said('{count} added', { count: c.added.length })],
    [c.gone.length, said('{count} removed', { count: c.gone.length })],
    [c.changed.length, said('{count} changed', { count: c.changed.length })],
    [c.moved.length, said('{count} moved', { count: c.moved.length })],
  ] as const
  const some = parts.flatMap(([count, says]) => (count > 0 ? [says] : []))
  return some.length > 0 ? said('since then {some}', { some }) : said('as it is now')
}

function NameIt({ label, onName }: { label: string; onName: (name: string) => void }) {
  const t = useWords()
  const [name, setName] = useState('')
  return (
    <form
      className="flex gap-1"
      onSubmit={(e) => {
        e.preventDefault()
        if (name.trim()) onName(name.trim())
        setName('')
      }}
    >
      <input
        aria-label={label}
        placeholder={label}
        maxLength={120}
        value={name}
        className="field h-8! min-w-0 flex-1"
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
      <button type="submit" className="button h-8! px-2.5!" disabled={name.trim() === ''}>
        {t('Keep')}
      </button>
    </form>
  )
}

function usePicture(figure: Figure): Scene | null {
  const wardrobe = useWardrobe()
  const [scene, setScene] = useState<Scene | null>(null)
  useEffect(() => {
    let current = true
    computeAside()
      .draw(figure, wardrobe)
      .then(
        (s) => current && setScene(s),
        (error: unknown) => console.error('version', error),
      )
    return () => {
      current = false
    }
  }, [figure, wardrobe])
  return scene
}
