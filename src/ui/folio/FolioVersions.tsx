'use client'

import { useEffect, useState } from 'react'
import { altTextOf, type Figure } from '@/core/figure'
import { projectShared } from '@/manuscript'
import { useNotice } from '../chrome/Notice'
import { Sheet } from '../chrome/Sheet'
import { useForm } from '../people/useForm'
import { SceneView } from '../scene/SceneView'
import { useDrawn } from '../scene/useDrawn'
import { timeAgo } from '../shelf/timeAgo'
import { useLanguage, useWords } from '../words/words'
import { useMay } from './rights'
import { sinceThen, type Line } from './sinceThen'
import type { OpenFolio } from './useFolio'
import { useFolioVersion, useFolioVersions, type FolioVersion } from './useFolioVersions'

type Props = { readonly folio: OpenFolio; readonly onClose: () => void }

/** How the folio stood at earlier times: looked at beside what it says now, named, restored. */
export function FolioVersions({ folio, onClose }: Props) {
  const t = useWords()
  const tell = useNotice()
  const canEdit = useMay('edit')
  const path = `/api/folios/${folio.id}/versions`
  const { value, change } = useFolioVersions(folio.id)
  const [opened] = useState(() => new Date())
  const [chosen, choose] = useState<string | null>(null)
  useEffect(() => {
    // How it stands now is the first of them.
    if (canEdit) void change('POST', path, { name: null })
  }, [canEdit, change, path])
  const versions = value?.versions ?? []
  const shown = versions.find((v) => v.id === chosen) ?? versions[0]
  const restore = async (why: string) => {
    if (!shown || !(await change('POST', `${path}/${shown.id}/restored`, { why: why || null }))) return
    tell(t('The folio stands as it did then. How it stood before is a version, too.'))
    onClose()
  }
  return (
    <Sheet
      title={t('Versions of this folio')}
      hint={t('Words, figures and looks as they stood. One is kept every ten minutes while somebody works.')}
      size="h-full max-w-[1040px]"
      onClose={onClose}
    >
      <div className="grid min-h-0 flex-1 grid-cols-[300px_minmax(0,1fr)]">
        <ul aria-label={t('Versions')} className="flex min-h-0 flex-col gap-1 overflow-auto border-r border-rule p-3">
          {versions.map((v) => (
            <Row key={v.id} version={v} since={opened} shown={v === shown} onShow={() => choose(v.id)} />
          ))}
          {value && versions.length === 0 && <li className="p-2 text-quiet">{t('None has been kept yet.')}</li>}
        </ul>
        {shown && (
          <div className="flex min-h-0 flex-col">
            <Then key={shown.id} folio={folio} version={shown.id} />
            {canEdit && (
              <Doings
                key={`${shown.id} ${shown.name}`}
                version={shown}
                onRestore={restore}
                onName={(name) => void change('PATCH', `${path}/${shown.id}`, { name })}
              />
            )}
          </div>
        )}
      </div>
    </Sheet>
  )
}

type RowProps = {
  readonly version: FolioVersion
  readonly since: Date
  readonly shown: boolean
  readonly onShow: () => void
}

function Row({ version: v, since, shown, onShow }: RowProps) {
  const t = useWords()
  const ago = timeAgo(new Date(v.madeAt), since, useLanguage())
  return (
    <li>
      <button
        type="button"
        aria-pressed={shown}
        className={`w-full rounded border px-2.5 py-2 text-left text-[13px] ${shown ? 'border-sea bg-sea-wash' : 'border-transparent hover:border-rule'}`}
        onClick={onShow}
      >
        <span className="block text-[14px] font-semibold">{v.name ?? ago}</span>
        <span className="block text-quiet">{v.name ? `${ago}, ${v.by}` : v.by}</span>
        <span className="block text-quiet">
          {t('{figures, plural, one {# figure} other {# figures}} · {words, plural, one {# word} other {# words}}', {
            figures: v.figures,
            words: v.words,
          })}
        </span>
        {v.why !== null && (
          <span className="block text-brass-text">{v.why ? t('Restored: {why}', { why: v.why }) : t('Restored')}</span>
        )}
      </button>
    </li>
  )
}

/** What it said, beside what is said now: lines that are not there any more, and lines that have come since. */
function Then({ folio, version }: { readonly folio: OpenFolio; readonly version: string }) {
  const t = useWords()
  const then = useFolioVersion(folio.id, version)
  const [now] = useState(() => projectShared(folio.manuscript).text)
  if (!then) return <p className="flex-1 p-5 text-quiet">{t('Looking it up …')}</p>
  const lines = sinceThen(then.text, now)
  return (
    <div className="min-h-0 flex-1 overflow-auto px-6 py-5" tabIndex={0} aria-label={t('What it said')} role="region">
      <h3 className="mb-3 font-serif text-[22px] font-semibold">{then.title}</h3>
      {lines.every((l) => l.is === 'same') && (
        <p className="mb-3 text-[13px] text-quiet">{t('The same words as now.')}</p>
      )}
      {lines.map((l, i) => (
        <LineView key={i} line={l} />
      ))}
      {then.figures.length > 0 && (
        <div className="mt-5 grid grid-cols-3 gap-3">
          {then.figures.map((f) => (
            <Picture key={f.id} figure={f} />
          ))}
        </div>
      )}
    </div>
  )
}

function LineView({ line }: { readonly line: Line }) {
  const t = useWords()
  if (line.is === 'left out')
    return (
      <p className="my-1 text-[13px] text-quiet">
        {t('… {lines, plural, one {one line that is the same} other {# lines that are the same}} …', {
          lines: line.lines,
        })}
      </p>
    )
  const look = { same: '', then: 'bg-brass/15', since: 'text-quiet line-through' }[line.is]
  const heading = /^#{1,6}\s+(.*)$/.exec(line.text)?.[1]
  const says = { same: null, then: t('Not there any more:'), since: t('Come since:') }[line.is]
  return (
    <p
      className={`font-serif text-[15px] leading-relaxed whitespace-pre-wrap ${heading ? 'mt-2 font-semibold' : ''} ${look}`}
    >
      {says && <span className="sr-only">{says} </span>}
      {heading ?? line.text}
    </p>
  )
}

function Picture({ figure }: { readonly figure: Figure }) {
  const { scene } = useDrawn(figure)
  return (
    <figure className="rounded border border-rule p-2">
      {scene && <SceneView scene={scene} label={altTextOf(figure)} className="h-28 w-full" />}
      <figcaption className="mt-1 truncate text-[13px] text-quiet">{figure.title}</figcaption>
    </figure>
  )
}

type DoingsProps = {
  readonly version: FolioVersion
  readonly onName: (name: string) => void
  readonly onRestore: (why: string) => Promise<void>
}

/** Naming it, and restoring it with the reason, which is kept for those who wonder. */
function Doings({ version, onName, onRestore }: DoingsProps) {
  const t = useWords()
  const naming = useForm(async ({ name }) => {
    if (name?.trim()) onName(name.trim())
    return null
  })
  const restoring = useForm(async ({ why }) => {
    await onRestore(why?.trim() ?? '')
    return null
  })
  return (
    <div className="flex gap-6 border-t border-rule px-6 py-3">
      <form className="flex w-64 gap-2" onSubmit={naming.onSubmit}>
        <input
          className="field"
          name="name"
          aria-label={t('Name of the version')}
          placeholder={t('Name of the version')}
          defaultValue={version.name ?? ''}
          maxLength={120}
        />
        <button type="submit" className="button" disabled={naming.busy}>
          {t('Name it')}
        </button>
      </form>
      <form className="flex flex-1 gap-2" onSubmit={restoring.onSubmit}>
        <input
          className="field"
          name="why"
          aria-label={t('Why it is restored')}
          placeholder={t('Why? (kept with it)')}
          maxLength={300}
        />
        <button type="submit" className="button-primary" disabled={restoring.busy}>
          {t('Restore')}
        </button>
      </form>
    </div>
  )
}
