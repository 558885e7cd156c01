'use client'

import { Sheet } from '../chrome/Sheet'
import { Download } from 'lucide-react'
import { useState } from 'react'
import { Tick } from '../chrome/Tick'
import { useTheme } from '../chrome/theme'
import type { OpenFolio } from '../folio/useFolio'
import {
  eachFormats,
  folioFormatIds,
  folioFormats,
  isUnderWay,
  keepFolioDelivery,
  lastFolioDelivery,
  placeFor,
  places,
  standsAs,
  type ExportRow,
  type FolioDelivery,
} from './folioDelivery'
import { PublicPages } from './PublicPages'
import { usePerson } from '../people/person'
import { useExports, type Exports } from './useExports'
import { useWords } from '../words/words'

type Props = { readonly folio: OpenFolio; readonly onClose: () => void }
type SetProps = { readonly delivery: FolioDelivery; readonly set: (change: Partial<FolioDelivery>) => void }

/** The whole folio taken away: where it goes, as what, and the files that were made of it. */
export function DeliverFolio({ folio, onClose }: Props) {
  const t = useWords()
  const { theme } = useTheme()
  const person = usePerson()
  const [delivery, setDelivery] = useState(() => lastFolioDelivery(folio.id, theme, person?.paper ?? 'a4'))
  const exports = useExports(folio)
  const set = (change: Partial<FolioDelivery>) => {
    const next = { ...delivery, ...change }
    setDelivery(next)
    keepFolioDelivery(folio.id, next)
  }
  return (
    <Sheet
      title={t('Deliver the folio')}
      hint={t('Its figures, or its text with the figures in their places.')}
      size="max-h-full max-w-[980px]"
      onClose={onClose}
    >
      <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] overflow-auto">
        <div className="flex flex-col gap-5 border-r border-rule px-5 py-4">
          <Places delivery={delivery} set={set} />
          <Formats delivery={delivery} set={set} />
        </div>
        <div className="flex flex-col gap-5 px-5 py-4">
          <Wishes delivery={delivery} set={set} />
          <Made folio={folio.id} exports={exports} />
          <PublicPages folio={folio} figure={null} theme={delivery.theme} />
        </div>
      </div>
      <div className="flex items-center gap-3 border-t border-rule px-5 py-3">
        <p className="text-[13px] text-quiet">{t(folioFormats[delivery.format].hint)}</p>
        <button
          type="button"
          className="button-primary ml-auto"
          disabled={exports.asking}
          onClick={() => exports.order(delivery)}
        >
          <Download size={16} aria-hidden="true" />
          {t('Make the file')}
        </button>
      </div>
    </Sheet>
  )
}

function Places({ delivery, set }: SetProps) {
  const t = useWords()
  const chosen = placeFor(delivery)
  return (
    <fieldset>
      <legend className="mb-2 text-[13px] text-quiet">{t('Where it goes')}</legend>
      <div className="grid grid-cols-2 gap-2">
        {Object.entries(places).map(([id, p]) => (
          <button
            key={id}
            type="button"
            aria-pressed={chosen === id}
            className={`rounded border px-3 py-2 text-left ${chosen === id ? 'border-sea bg-sea-wash' : 'border-rule'}`}
            onClick={() => set(p.sets)}
          >
            <span className="font-medium">{t(p.name)}</span>
            <span className="block text-[13px] text-quiet">{t(p.hint)}</span>
          </button>
        ))}
      </div>
    </fieldset>
  )
}

const Formats = ({ delivery, set }: SetProps) => {
  const t = useWords()
  return (
    <fieldset className="flex flex-col gap-1.5">
      <legend className="mb-1 text-[13px] text-quiet">{t('File')}</legend>
      {folioFormatIds.map((f) => (
        <label key={f} className="flex items-center gap-2">
          <input
            type="radio"
            name="folio-format"
            checked={delivery.format === f}
            onChange={() => set({ format: f })}
            className="self-center"
          />
          {t(folioFormats[f].name)}
        </label>
      ))}
    </fieldset>
  )
}

function Wishes({ delivery, set }: SetProps) {
  const t = useWords()
  const format = folioFormats[delivery.format]
  return (
    <fieldset className="flex flex-col gap-2.5">
      <legend className="mb-1 text-[13px] text-quiet">{t('As you like it')}</legend>
      {format.text && <Tick on={delivery.text} says={t('With the manuscript')} onChange={(text) => set({ text })} />}
      {!format.text && !format.many && (
        <Tick on={delivery.text} says={t('With a slide for the title')} onChange={(text) => set({ text })} />
      )}
      {delivery.format !== 'html' && (
        <label className="text-[13px] text-quiet">
          {t('Colours')}
          <select
            className="field mt-0.5"
            value={delivery.theme}
            onChange={(e) => set({ theme: e.target.value === 'dark' ? 'dark' : 'light' })}
          >
            <option value="light">{t('Light')}</option>
            <option value="dark">{t('Dark')}</option>
          </select>
        </label>
      )}
      {format.pages && (
        <label className="text-[13px] text-quiet">
          {t('Paper')}
          <select
            className="field mt-0.5"
            value={delivery.paper}
            onChange={(e) => set({ paper: e.target.value === 'letter' ? 'letter' : 'a4' })}
          >
            <option value="a4">A4</option>
            <option value="letter">{t('Letter')}</option>
          </select>
        </label>
      )}
      {format.many && <Many delivery={delivery} set={set} />}
      <Tick
        on={delivery.background}
        says={t('Figures with background')}
        onChange={(background) => set({ background })}
      />
      {!format.many && delivery.format !== 'html' && (
        <Tick
          on={delivery.reframe}
          says={t('Figures drawn for the page they go on')}
          onChange={(reframe) => set({ reframe })}
        />
      )}
      {format.glue && (
        <Tick on={delivery.glue} says={t('Connectors follow their shapes')} onChange={(glue) => set({ glue })} />
      )}
      <Tick on={delivery.inside} says={t('Figures can be opened here again')} onChange={(inside) => set({ inside })} />
    </fieldset>
  )
}

const Many = ({ delivery, set }: SetProps) => {
  const t = useWords()
  return (
    <>
      <label className="text-[13px] text-quiet">
        {t('Each figure as')}
        <select
          className="field mt-0.5"
          value={delivery.each}
          onChange={(e) => set({ each: eachFormats.find((f) => f === e.target.value) ?? 'png' })}
        >
          {eachFormats.map((f) => (
            <option key={f} value={f}>
              {f.toUpperCase()}
            </option>
          ))}
        </select>
      </label>
      <label className="text-[13px] text-quiet">
        {t('Called')}
        <input
          className="field mt-0.5"
          value={delivery.naming}
          maxLength={120}
          onChange={(e) => e.target.value && set({ naming: e.target.value })}
        />
        <span className="mt-0.5 block">
          {t('{names} stand for what is said of each.', {
            names: '{number} {title} {kind} {folio} {theme} {language}',
          })}
        </span>
      </label>
    </>
  )
}

function Made({ folio, exports }: { readonly folio: string; readonly exports: Exports }) {
  const t = useWords()
  return (
    <section aria-label={t('Files of this folio')}>
      <h3 className="mb-2 text-[13px] text-quiet">{t('Files of this folio')}</h3>
      {exports.rows.length === 0 && (
        <p className="text-[13px] text-quiet">
          {t('None yet. What you ask for is made by the server and stays here.')}
        </p>
      )}
      <ul className="flex flex-col gap-1.5" aria-live="polite">
        {exports.rows.map((r) => (
          <Row key={r.id} row={r} folio={folio} onDrop={() => exports.drop(r.id)} />
        ))}
      </ul>
    </section>
  )
}

const time = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

function Row({ row, folio, onDrop }: { readonly row: ExportRow; readonly folio: string; readonly onDrop: () => void }) {
  const t = useWords()
  const name = row.format.toUpperCase()
  return (
    <li className="flex items-center gap-3 rounded border border-rule px-3 py-1.5 text-[13px]">
      <span className="min-w-0 flex-1">
        <span className="font-medium">{name}</span> · {time.format(new Date(row.askedAt))}
        <span className={`block ${row.state === 'failed' ? 'text-needle' : 'text-quiet'}`}>{t(standsAs(row))}</span>
        {isUnderWay(row) && (
          <progress
            className="h-1 w-full"
            max={Math.max(1, row.total)}
            value={row.done}
            aria-label={t('{name}, how far', { name })}
          />
        )}
      </span>
      {row.state === 'done' && (
        <a className="text-sea underline" href={`/api/folios/${folio}/exports/${row.id}`} download>
          {t('Fetch')}
        </a>
      )}
      <button type="button" className="quiet-button" onClick={onDrop}>
        {isUnderWay(row) ? t('Stop') : t('Remove')}
      </button>
    </li>
  )
}
