'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import { useNotice } from '../chrome/Notice'
import { Tick } from '../chrome/Tick'
import { useMay } from '../folio/rights'
import type { OpenFolio } from '../folio/useFolio'
import { useDates } from '../words/dates'
import { useAsked } from '../people/useAsked'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const schema = z.object({
  pages: z.array(
    z.object({
      ...{ token: z.string(), figure: z.nullable(z.string()), title: z.string(), follows: z.boolean() },
      ...{ pageAt: z.string(), height: z.number(), seen: z.number(), seenLately: z.number() },
    }),
  ),
})
type Page = z.infer<typeof schema>['pages'][number]
type Change = ReturnType<typeof useAsked>['change']

const WAIT_MS = 5000

type Props = {
  readonly folio: OpenFolio
  /** The figure that it is of; null for the folio with its text. */
  readonly figure: string | null
  readonly theme: 'light' | 'dark'
}

/** Pages for everybody: made, copied, brought up to date, taken back. For who may publish. */
export const PublicPages = (props: Props) => (useMay('publish') ? <Pages {...props} /> : null)

function Pages({ folio, figure, theme }: Props) {
  const t = useWords()
  const tell = useNotice()
  const path = `/api/folios/${folio.id}/pages`
  const { value, change } = useAsked(path, schema)
  const [busy, setBusy] = useState(false)
  const own = value?.pages.filter((p) => p.figure === figure) ?? []
  const publish = async () => {
    setBusy(true)
    // What is shown is what the server has.
    if (await folio.connection.settled(WAIT_MS)) await change('POST', path, { figure, follows: false, theme })
    else tell(t('The last changes have not reached the server yet. Wait for “Saved” and try again.'))
    setBusy(false)
  }
  return (
    <section aria-label={t('Public page')} className="flex flex-col gap-2 text-[13px]">
      <h3 className="text-quiet">{t('Public page')}</h3>
      {own.map((p) => (
        <PublishedPage key={p.token} page={p} path={`${path}/${p.token}`} change={change} />
      ))}
      {own.length === 0 && (
        <>
          <p className="text-quiet">
            {figure === null
              ? t('The text with its figures, read-only, for whoever has the address; to be put into other pages, too.')
              : t('This figure, read-only, for whoever has the address; to be put into other pages, too.')}
          </p>
          <button type="button" className="button self-start" disabled={busy} onClick={() => void publish()}>
            {busy ? t('Publishing …') : t('Publish a page')}
          </button>
        </>
      )}
    </section>
  )
}

const seenWords = ({ seen, seenLately }: Page): Said =>
  seen === 0
    ? said('not seen yet')
    : said('seen {lately} times in thirty days, {seen} at all', { lately: seenLately, seen })

type PublishedProps = { readonly page: Page; readonly path: string; readonly change: Change }

function PublishedPage({ page, path, change }: PublishedProps) {
  const t = useWords()
  const { atTime } = useDates()
  const tell = useNotice()
  const address = `${location.origin}/public/${page.token}`
  const copy = async (words: string, says: string) => {
    await navigator.clipboard.writeText(words)
    tell(says)
  }
  const title = page.title.replace(/["&<>]/g, ' ')
  const embed = `<iframe src="${address}?embed" width="720" height="${page.height}" title="${title}" loading="lazy" style="border:0"></iframe>`
  return (
    <div className="flex flex-col gap-2 rounded border border-rule px-3 py-2">
      <a className="truncate text-sea underline" href={address} target="_blank" rel="noreferrer">
        {address}
      </a>
      <p className="text-quiet">{t('as of {time} · {seen}', { time: atTime(page.pageAt), seen: seenWords(page) })}</p>
      <Tick
        on={page.follows}
        says={t('Goes with every change')}
        onChange={(follows) => void change('PATCH', path, { follows })}
      />
      <div className="flex flex-wrap gap-1">
        <button
          type="button"
          className="button"
          onClick={() => void copy(address, t('The address is on the clipboard.'))}
        >
          {t('Copy the address')}
        </button>
        <button
          type="button"
          className="quiet-button"
          onClick={() => void copy(embed, t('The code for other pages is on the clipboard.'))}
        >
          {t('Copy for other pages')}
        </button>
        {!page.follows && (
          <button type="button" className="quiet-button" onClick={() => void change('PATCH', path, { update: true })}>
            {t('Update it now')}
          </button>
        )}
        <button type="button" className="quiet-button" onClick={() => void change('DELETE', path)}>
          {t('Take it back')}
        </button>
      </div>
    </div>
  )
}
