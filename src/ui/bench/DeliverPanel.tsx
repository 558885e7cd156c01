'use client'

import { Download } from 'lucide-react'
import { useState } from 'react'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { useNotice } from '../chrome/Notice'
import { useTheme } from '../chrome/theme'
import type { OpenFolio } from '../folio/useFolio'

type Format = 'png' | 'svg-text' | 'svg-outlines'
const formats: Record<Format, { name: string; hint: string; query: string }> = {
  png: { name: 'PNG picture', hint: 'for anything that takes pictures', query: 'format=png' },
  'svg-text': {
    name: 'SVG with text',
    hint: 'text stays text, its fonts are inside; for the web',
    query: 'format=svg&words=text',
  },
  'svg-outlines': {
    name: 'SVG as outlines',
    hint: 'needs no font; for word processors and slides',
    query: 'format=svg&words=outlines',
  },
}
const WAIT_MS = 5000

/** The figure taken away: just what the bench shows, as a file or on the clipboard. */
export function DeliverPanel({ folio, figure, scene }: { folio: OpenFolio; figure: Figure; scene: Scene | null }) {
  const tell = useNotice()
  const { theme: shown } = useTheme()
  const [format, setFormat] = useState<Format>('png')
  const [scale, setScale] = useState(2)
  const [theme, setTheme] = useState(shown)
  const [background, setBackground] = useState(true)
  const [busy, setBusy] = useState(false)
  const address = (f: Format) =>
    `/api/folios/${folio.id}/figures/${figure.id}/file?${formats[f].query}&theme=${theme}&background=${background ? 'yes' : 'no'}&scale=${scale}`

  /** The server draws what it has, so what is here has to be there first. */
  const fetchFile = async (f: Format): Promise<Blob> => {
    if (!(await folio.connection.settled(WAIT_MS)))
      throw new Error('The last changes have not reached the server yet. Wait for “Saved” and try again.')
    const response = await fetch(address(f))
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
          ? 'The server cannot be reached. Downloads need it; your work is kept here meanwhile.'
          : error instanceof Error
            ? error.message
            : String(error),
      )
    }
    setBusy(false)
  }
  const download = () =>
    during(async () => {
      const url = URL.createObjectURL(await fetchFile(format))
      const link = document.createElement('a')
      link.href = url
      link.download = `${(figure.title || 'figure').replace(/[^\p{L}\p{N}]+/gu, '-')}.${format === 'png' ? 'png' : 'svg'}`
      link.click()
      URL.revokeObjectURL(url)
    })
  const copy = () =>
    during(async () => {
      if (!navigator.clipboard?.write)
        throw new Error('This browser lets pages copy pictures only over a secure address. Download the PNG instead.')
      await navigator.clipboard.write([new ClipboardItem({ 'image/png': fetchFile('png') })])
      tell('The picture is on the clipboard.')
    })

  const pixels = scene ? `${Math.round(scene.width * scale)} × ${Math.round(scene.height * scale)} pixels` : ''
  return (
    <aside
      aria-label="Deliver"
      className="flex min-h-0 flex-col gap-4 overflow-auto border-l border-rule bg-page px-4 py-4"
    >
      <h2 className="font-semibold">Deliver this figure</h2>
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 text-[13px] text-quiet">File</legend>
        {(Object.keys(formats) as Format[]).map((f) => (
          <label key={f} className="flex gap-2">
            <input
              type="radio"
              name="format"
              checked={format === f}
              onChange={() => setFormat(f)}
              className="mt-1 accent-sea"
            />
            <span>
              {formats[f].name}
              <span className="block text-[13px] text-quiet">{formats[f].hint}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {format === 'png' && (
        <label className="text-[13px] text-quiet">
          Size
          <select className="field mt-0.5" value={scale} onChange={(e) => setScale(Number(e.target.value))}>
            {[1, 2, 3, 4].map((s) => (
              <option key={s} value={s}>
                {s}x
              </option>
            ))}
          </select>
          <span className="mt-1 block">{pixels}</span>
        </label>
      )}
      <label className="text-[13px] text-quiet">
        Colours
        <select
          className="field mt-0.5"
          value={theme}
          onChange={(e) => setTheme(e.target.value === 'dark' ? 'dark' : 'light')}
        >
          <option value="light">Light</option>
          <option value="dark">Dark</option>
        </select>
      </label>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={background}
          onChange={(e) => setBackground(e.target.checked)}
          className="accent-sea"
        />
        With background
      </label>
      <button type="button" className="button-primary justify-center" disabled={busy} onClick={() => void download()}>
        <Download size={16} aria-hidden="true" />
        {busy ? 'Making the file …' : 'Download'}
      </button>
      <button type="button" className="button justify-center" disabled={busy} onClick={() => void copy()}>
        Copy as PNG
      </button>
    </aside>
  )
}
