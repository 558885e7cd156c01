'use client'

import { useState } from 'react'
import { z } from 'zod/mini'
import {
  csvOf,
  dropLanguage,
  fromCsv,
  fromXliff,
  memoryOf,
  setFolioLanguage,
  setWordings,
  translations,
  xliffOf,
  type Translated,
} from '@/core/document'
import { languagesOf, readsLeft, type WordingState } from '@/core/figure'
import { figuresIn } from '../folio/useFolio'
import { useWardrobe } from '../folio/wardrobe'
import { ask } from '../send'
import { useLanguageName } from '../words/useLanguageName'
import { saveFile } from './saveFile'
import type { Work } from './work'
import { FileButton } from '../chrome/FileButton'
import { AskedPanel } from './AskedPanel'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

/** Languages that are offered by name; any other can be typed as its tag (BCP 47). */
const offered = [
  'ar',
  'bn',
  'cs',
  'da',
  'de',
  'el',
  'en',
  'es',
  'fi',
  'fr',
  'he',
  'hi',
  'it',
  'ja',
  'ko',
  'nb',
  'nl',
  'pl',
  'pt',
  'ru',
  'sv',
  'ta',
  'th',
  'tr',
  'uk',
  'zh-Hans',
  'zh-Hant',
] as const
const answer = z.object({ texts: z.array(z.nullable(z.string())), by: z.string() })
const stateNames: Readonly<Record<WordingState, Said>> = {
  missing: said('missing'),
  stale: said('its source has changed'),
  offered: said('to be looked at'),
  done: said('done'),
}

/** The figure in further languages: which it is shown in, and a table of its labels beside each other. */
export default function LanguagesPanel({ work, onClose }: { readonly work: Work; readonly onClose: () => void }) {
  const t = useWords()
  const nameOf = useLanguageName()
  const figure = work.shared.figure
  const known = languagesOf(figure)
  const [chosen, choose] = useState<string | null>(figure.shownIn ?? known[0] ?? null)
  const language = chosen !== null && (known.includes(chosen) || !offered.every((l) => l !== chosen)) ? chosen : null
  return (
    <AskedPanel name={t('Languages')} onClose={onClose}>
      <ShownIn work={work} known={known} />
      <label className="text-[13px] text-quiet">
        {t('Words in')}
        <select
          aria-label={t('Language of the table')}
          className="field mt-0.5"
          value={language ?? ''}
          onChange={(e) => choose(e.target.value || null)}
        >
          <option value="">{t('choose a language …')}</option>
          {[...new Set([...known, ...offered])]
            .filter((l) => l !== figure.language)
            .map((l) => (
              <option key={l} value={l}>
                {nameOf(l)}
                {known.includes(l) ? '' : ' (new)'}
              </option>
            ))}
        </select>
      </label>
      {language && <Tools work={work} language={language} />}
      {language && <Labels key={language} work={work} language={language} />}
    </AskedPanel>
  )
}

/** Of this figure, and of all figures of the folio. */
function ShownIn({ work, known }: { readonly work: Work; readonly known: readonly string[] }) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { shared, folio, apply } = work
  const { language: ofFolio } = useWardrobe()
  const { figure } = shared
  const own = nameOf(figure.language)
  return (
    <>
      <label className="text-[13px] text-quiet">
        {t('Show this figure in')}
        <select
          aria-label={t('Show this figure in')}
          className="field mt-0.5"
          value={figure.shownIn ?? ''}
          onChange={(e) => apply({ do: 'setFigure', set: { shownIn: e.target.value || null } })}
        >
          <option value="">
            {ofFolio
              ? t('As the folio: {ofFolio}', { ofFolio: nameOf(ofFolio) })
              : t('As it was written: {own}', { own })}
          </option>
          {ofFolio && <option value={figure.language}>{own}</option>}
          {known.map((l) => (
            <option key={l} value={l}>
              {nameOf(l)}
            </option>
          ))}
        </select>
      </label>
      {(known.length > 0 || ofFolio) && (
        <label className="text-[13px] text-quiet">
          {t('Show the whole folio in')}
          <select
            aria-label={t('Show the whole folio in')}
            className="field mt-0.5"
            value={ofFolio ?? ''}
            onChange={(e) => folio.doc.transact(() => setFolioLanguage(folio.dress, e.target.value || null), 'person')}
          >
            <option value="">{t('As it was written')}</option>
            {[...new Set([...known, ...(ofFolio ? [ofFolio] : [])])].map((l) => (
              <option key={l} value={l}>
                {nameOf(l)}
              </option>
            ))}
          </select>
        </label>
      )}
    </>
  )
}

type LanguageProps = { readonly work: Work; readonly language: string }

/** What is offered by a service, and what comes in as a file. */
function useTranslating({ work, language }: LanguageProps) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { shared, apply, tell, folio } = work
  const { figure } = shared
  const [asking, setAsking] = useState(false)
  const offer = async () => {
    const open = translations(figure, language).filter((t) => t.state === 'missing' || t.state === 'stale')
    if (open.length === 0) return tell(t('Every label has its words in this language.'))
    setAsking(true)
    const memory = [
      ...memoryOf(
        figuresIn(folio).map((f) => f.figure),
        language,
      ),
    ]
    const body = { from: figure.language, to: language, labels: open.map((t) => t.text), memory }
    const got = await ask('POST', '/api/translations', body)
    setAsking(false)
    if ('problem' in got) return tell(got.problem)
    const { texts, by } = answer.parse(got.json)
    const given = Object.fromEntries(open.flatMap((t, i) => (texts[i] ? [[t.key, texts[i]] as const] : [])))
    const count = Object.keys(given).length
    if (count > 0) apply(setWordings(figure, language, given, true))
    tell(t('{count} of {n} labels are known to {by}. Look at each before you use it.', { count, n: open.length, by }))
  }
  const take = async (chosen: File) => {
    const text = await chosen.text()
    const read = fromXliff(text) ?? fromCsv(text)
    if (!read)
      return tell(t('This file is no table with “key” and “translation”, and no XLIFF 2.0. Nothing was changed.'))
    if (read.language && read.language !== language)
      return tell(
        t('This file is in {language}. Choose that language first; nothing was changed.', {
          language: nameOf(read.language),
        }),
      )
    apply(setWordings(figure, language, read.given))
    tell(
      t('{labels, plural, one {One label was read} other {# labels were read}}.', {
        labels: Object.keys(read.given).length,
      }),
    )
  }
  return { asking, offer, take }
}

/** Translations that are offered, and files for those who translate. */
function Tools({ work, language }: LanguageProps) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { apply, shared } = work
  const { figure } = shared
  const { asking, offer, take } = useTranslating({ work, language })
  const title = (figure.title || 'figure').replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 50)
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-2">
      <button type="button" className="text-button" disabled={asking} onClick={() => void offer()}>
        {asking ? t('Asking …') : t('Offer translations')}
      </button>
      <button
        type="button"
        className="text-button"
        onClick={() => saveFile(`${title}.${language}.csv`, 'text/csv', csvOf(figure, language))}
      >
        {t('CSV out')}
      </button>
      <button
        type="button"
        className="text-button"
        onClick={() => saveFile(`${title}.${language}.xlf`, 'application/xliff+xml', xliffOf(figure, language))}
      >
        {t('XLIFF out')}
      </button>
      <FileButton
        says={t('File in')}
        label={t('Translations as CSV or XLIFF')}
        accept=".csv,.xlf,.xliff"
        onFile={(f) => void take(f)}
      />
      {figure.wordings?.[language] && (
        <button type="button" className="text-button" onClick={() => apply(dropLanguage(figure, language))}>
          {t('Take {language} out', { language: nameOf(language) })}
        </button>
      )}
    </div>
  )
}

function Labels({ work, language }: LanguageProps) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { figure } = work.shared
  const rows = translations(figure, language)
  return (
    <ul aria-label={t('Labels in {language}', { language: nameOf(language) })} className="flex flex-col gap-3">
      {rows.map((t) => (
        <LabelRow key={t.key} row={t} work={work} language={language} />
      ))}
    </ul>
  )
}

function LabelRow({ row, work, language }: LanguageProps & { readonly row: Translated }) {
  const t = useWords()
  const nameOf = useLanguageName()
  const { figure } = work.shared
  const words = row.wording?.text ?? ''
  const say = (text: string) => work.apply(setWordings(figure, language, { [row.key]: text }))
  return (
    <li className="text-[13px]">
      <p className="text-quiet">
        {row.text}
        <span className={`ml-2 ${row.state === 'done' ? '' : 'text-brass-text'}`}>{t(stateNames[row.state])}</span>
        {row.state === 'offered' && (
          <button type="button" className="quiet-button" onClick={() => say(words)}>
            {t('It is right')}
          </button>
        )}
      </p>
      <textarea
        key={words}
        aria-label={t('{where}: {words}, in {language}', {
          where: row.where,
          words: row.text,
          language: nameOf(language),
        })}
        lang={language}
        dir={readsLeft(language) ? 'rtl' : 'ltr'}
        rows={1}
        defaultValue={words}
        className="field field-sizing-content mt-0.5 resize-none"
        onBlur={(e) => e.target.value.trim() !== words && say(e.target.value)}
        onKeyDown={(e) => e.stopPropagation()}
      />
    </li>
  )
}
