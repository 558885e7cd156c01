'use client'

import { Download } from 'lucide-react'
import { useState } from 'react'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useNotice } from '../chrome/Notice'
import { Tick } from '../chrome/Tick'
import { useTheme } from '../chrome/theme'
import type { OpenFolio } from '../folio/useFolio'
import { outlineItem, pictureItem } from './copied'
import { PublicPages } from '../deliver/PublicPages'
import { PictureAddress } from './PictureAddress'
import {
  CM_PER_INCH,
  formatIds,
  formats,
  groups,
  keepDelivery,
  lastDelivery,
  queryFor,
  scaleFor,
  type Delivery,
} from './delivery'
import { useWords } from '../words/words'
import { said } from '@/core/words'
import { usePerson } from '../people/person'

const WAIT_MS = 5000

type PanelProps = { readonly folio: OpenFolio; readonly figure: Figure; readonly scene: Scene | null }

/** The figure taken away: just what the bench shows, as a file or on the clipboard. */
export function DeliverPanel({ folio, figure, scene }: PanelProps) {
  const t = useWords()
  const { theme: shown } = useTheme()
  const [delivery, setDelivery] = useState(() => ({ ...lastDelivery(folio.id, shown), theme: shown }))
  const set = (change: Partial<Delivery>) => {
    const next = { ...delivery, ...change }
    setDelivery(next)
    keepDelivery(folio.id, next)
  }
  const { busy, download, copy, copyOutline } = useDelivering(folio, figure, scene, delivery)
  const format = formats[delivery.format]
  return (
    <aside aria-label={t('Deliver')} className="flex min-h-0 flex-col border-l border-rule bg-page">
      <div className="flex min-h-0 flex-1 flex-col gap-4 overflow-auto px-4 py-4">
        <h2 className="font-semibold">{t('Deliver this figure')}</h2>
        <Formats delivery={delivery} set={set} kind={figure.kind} />
        {format.raster && <Size delivery={delivery} set={set} scene={scene} />}
        {format.group === 'data' && <Behind format={delivery.format} />}
        {format.group !== 'data' && <Theme delivery={delivery} set={set} />}
        {delivery.format !== 'jpeg' && format.group !== 'data' && (
          <Tick on={delivery.background} says={t('With background')} onChange={(background) => set({ background })} />
        )}
        {format.holds && (
          <Tick on={delivery.inside} says={t('Can be opened here again')} onChange={(inside) => set({ inside })} />
        )}
        <ForPages {...{ folio, figure }} theme={delivery.theme} />
      </div>
      <div className="flex flex-col gap-2 border-t border-rule px-4 py-3">
        <button type="button" className="button-primary justify-center" disabled={busy} onClick={download}>
          <Download size={16} aria-hidden="true" />
          {busy ? t('Making the file …') : t('Download')}
        </button>
        <div className="grid grid-cols-2 gap-2">
          <button type="button" className="button justify-center px-1 whitespace-nowrap" disabled={busy} onClick={copy}>
            {t('Copy picture')}
          </button>
          <button
            type="button"
            className="button justify-center px-1 whitespace-nowrap"
            disabled={busy}
            onClick={copyOutline}
          >
            {t('Copy outline')}
          </button>
        </div>
      </div>
    </aside>
  )
}

/** The server draws what it has, so what is here has to be there first. */
type ForPagesProps = Pick<PanelProps, 'folio' | 'figure'> & { readonly theme: 'light' | 'dark' }

/** Shown elsewhere as it is: as a picture, as a page. */
const ForPages = ({ folio, figure, theme }: ForPagesProps) => (
  <>
    <PictureAddress folio={folio.id} figure={figure.id} />
    <PublicPages folio={folio} figure={figure.id} theme={theme} />
  </>
)

function useDelivering(folio: OpenFolio, figure: Figure, scene: Scene | null, delivery: Delivery) {
  const t = useWords()
  const tell = useNotice()
  const [busy, setBusy] = useState(false)
  const fetchFile = async (d: Delivery): Promise<Blob> => {
    if (!(await folio.connection.settled(WAIT_MS)))
      throw new Error(t('The last changes have not reached the server yet. Wait for “Saved” and try again.'))
    const address = `/api/folios/${folio.id}/figures/${figure.id}/file?${queryFor(d, scene?.width ?? 1)}`
    const response = await fetch(address)
    if (!response.ok) throw new Error(String(((await response.json()) as { title?: string }).title ?? response.status))
    return response.blob()
  }
  const during = async (work: () => Promise<void>) => {
    setBusy(true)
    try {
      await work()
    } catch (error) {
      tell(
        error instanceof TypeError
          ? t('The server cannot be reached. Downloads need it; your work is kept here meanwhile.')
          : error instanceof Error
            ? error.message
            : String(error),
      )
    }
    setBusy(false)
  }
  const download = () =>
    during(async () => {
      const url = URL.createObjectURL(await fetchFile(delivery))
      const link = document.createElement('a')
      link.href = url
      link.download = `${(figure.title || 'figure').replace(/[^\p{L}\p{N}]+/gu, '-')}.${formats[delivery.format].extension}`
      link.click()
      URL.revokeObjectURL(url)
    })
  const copied = (item: () => ClipboardItem, says: string) =>
    during(async () => {
      if (!navigator.clipboard?.write)
        throw new Error(t('This browser lets pages copy only over a secure address. Download the file instead.'))
      await navigator.clipboard.write([item()])
      tell(says)
    })
  const copy = () =>
    copied(
      () =>
        pictureItem(fetchFile({ ...delivery, format: 'png', inside: false }), () =>
          fetchFile({ ...delivery, format: 'svg-outlines', inside: false }),
        ),
      t('The picture is on the clipboard.'),
    )
  const copyOutline = () =>
    copied(
      () => outlineItem(fetchFile({ ...delivery, format: 'md' }).then((blob) => blob.text())),
      t('The outline is on the clipboard.'),
    )
  return { busy, download: () => void download(), copy: () => void copy(), copyOutline: () => void copyOutline() }
}

/** What data leaves behind. */
const Behind = ({ format }: Pick<Delivery, 'format'>) => {
  const t = useWords()
  return (
    <p className="text-[13px] text-quiet">
      {format === 'json'
        ? t('Nothing stays behind.')
        : t('The figure’s words, links and numbers. Looks, places, notes, pictures and translations stay behind.')}
    </p>
  )
}

type SetProps = { readonly delivery: Delivery; readonly set: (change: Partial<Delivery>) => void }

const Theme = ({ delivery, set }: SetProps) => {
  const t = useWords()
  return (
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
  )
}

/** By what they are for; what one is good for is said of the one that is chosen. */
const Formats = ({ delivery, set, kind }: SetProps & { readonly kind: Figure['kind'] }) => {
  const t = useWords()
  return (
    <label className="text-[13px] text-quiet">
      {t('File')}
      <select
        className="field mt-0.5"
        value={delivery.format}
        onChange={(e) => set({ format: formatIds.find((f) => f === e.target.value) ?? 'png' })}
      >
        {(Object.keys(groups) as (keyof typeof groups)[]).map((group) => (
          <optgroup key={group} label={t(groups[group])}>
            {formatIds
              .filter((f) => formats[f].group === group && (f !== 'bpmn' || kind === 'process'))
              .map((f) => (
                <option key={f} value={f}>
                  {t(formats[f].name)}
                </option>
              ))}
          </optgroup>
        ))}
      </select>
      <span className="mt-1 block">{t(formats[delivery.format].hint)}</span>
    </label>
  )
}

const sizes = [
  ['times', said('As a multiple')],
  ['pixels', said('By width in pixels')],
  ['print', said('By width in print')],
] as const

const round = (length: number): number => Math.round(length * 100) / 100

function Size({ delivery, set, scene }: SetProps & { readonly scene: Scene | null }) {
  const t = useWords()
  const scale = scene ? scaleFor(delivery, scene.width) : 1
  return (
    <fieldset className="flex flex-col gap-2 text-[13px] text-quiet">
      <legend className="mb-1">{t('Size')}</legend>
      <select
        aria-label={t('How the size is said')}
        className="field"
        value={delivery.size}
        onChange={(e) => set({ size: sizes.find(([s]) => s === e.target.value)?.[0] ?? 'times' })}
      >
        {sizes.map(([value, name]) => (
          <option key={value} value={value}>
            {t(name)}
          </option>
        ))}
      </select>
      {delivery.size === 'times' && (
        <select
          aria-label={t('Times')}
          className="field"
          value={delivery.times}
          onChange={(e) => set({ times: Number(e.target.value) })}
        >
          {[1, 2, 3, 4].map((s) => (
            <option key={s} value={s}>
              {s}x
            </option>
          ))}
        </select>
      )}
      {delivery.size === 'pixels' && (
        <Amount
          says={t('pixels')}
          value={delivery.pixels}
          range={[16, 20_000]}
          onChange={(pixels) => set({ pixels })}
        />
      )}
      {delivery.size === 'print' && <PrintSize delivery={delivery} set={set} />}
      {scene && (
        <span>
          {t('{width} × {height} pixels', {
            width: Math.round(scene.width * scale),
            height: Math.round(scene.height * scale),
          })}
        </span>
      )}
    </fieldset>
  )
}

/** How wide on paper, in the lengths one thinks in, and how fine. */
function PrintSize({ delivery, set }: SetProps) {
  const t = useWords()
  const inches = usePerson()?.units === 'in'
  return (
    <span className="grid grid-cols-2 gap-2">
      <Amount
        says={inches ? t('inches') : t('cm')}
        value={inches ? round(delivery.cm / CM_PER_INCH) : delivery.cm}
        range={inches ? [0.2, 78] : [0.5, 200]}
        onChange={(length) => set({ cm: inches ? round(length * CM_PER_INCH) : length })}
      />
      <Amount says={t('dots to the inch')} value={delivery.dpi} range={[36, 2400]} onChange={(dpi) => set({ dpi })} />
    </span>
  )
}

type AmountProps = {
  readonly says: string
  readonly value: number
  readonly range: readonly [least: number, most: number]
  readonly onChange: (value: number) => void
}

/** A number; what is out of range is not taken, and goes back when the field is left. */
const Amount = ({ says, value, range: [least, most], onChange }: AmountProps) => (
  <label>
    <input
      key={value}
      type="number"
      aria-label={says}
      className="field"
      min={least}
      max={most}
      step="any"
      defaultValue={value}
      onBlur={(e) => {
        const next = Number(e.target.value)
        if (next >= least && next <= most) onChange(next)
        else e.target.value = String(value)
      }}
      onKeyDown={(e) => {
        e.stopPropagation()
        if (e.key === 'Enter') e.currentTarget.blur()
      }}
    />
    {says}
  </label>
)
