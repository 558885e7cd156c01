'use client'

import { Search } from 'lucide-react'
import Link from 'next/link'
import { useMemo, useState } from 'react'
import { plainWardrobe } from '@/core/style'
import { useTheme } from '../chrome/theme'
import { TopLine } from '../chrome/TopLine'
import { DrawnText } from '../scene/DrawnText'
import { guide, pagesWith, type GuidePage, type GuidePart } from './guide'
import { useWords } from '../words/words'

/** A page of the guide, with the others at its side. Printed, it is the page alone. */
export function GuideView({ page }: { readonly page: GuidePage }) {
  const t = useWords()
  const [asked, setAsked] = useState('')
  const at = guide.findIndex((p) => p.id === page.id)
  const next = guide[at + 1]
  return (
    <>
      <div className="print:hidden">
        <TopLine
          crumbs={[
            { text: t('Shelf'), href: '/' },
            { text: t('Guide'), href: null },
          ]}
        />
      </div>
      <main className="mx-auto grid w-full max-w-[1000px] flex-1 grid-cols-[220px_minmax(0,1fr)] items-start gap-10 px-6 py-8 print:block">
        <nav aria-label={t('Pages of the guide')} className="sticky top-4 flex flex-col gap-3 print:hidden">
          <label className="relative">
            <Search size={16} aria-hidden="true" className="absolute top-2 left-2.5 text-quiet" />
            <input
              className="field pl-8"
              type="search"
              aria-label={t('Search the guide')}
              placeholder={t('Words')}
              value={asked}
              onChange={(e) => setAsked(e.target.value)}
            />
          </label>
          <Pages asked={asked} page={page} />
          <button type="button" className="quiet-button self-start" onClick={() => window.print()}>
            {t('Print this page')}
          </button>
        </nav>
        <article>
          <h1 className="mb-4 font-serif text-[32px] leading-tight font-semibold">{t(page.title)}</h1>
          {page.parts.map((part) => (
            <Part key={part.heading.says} part={part} />
          ))}
          {next && (
            <Link href={`/help/${next.id}`} className="button print:hidden">
              {t('Next: {title}', { title: next.title })}
            </Link>
          )}
        </article>
      </main>
    </>
  )
}

function Part({ part }: { readonly part: GuidePart }) {
  const t = useWords()
  const { theme } = useTheme()
  const wardrobe = useMemo(() => plainWardrobe(theme), [theme])
  return (
    <section className="mb-8">
      <h2 className="mb-1 text-[19px] font-semibold">{t(part.heading)}</h2>
      {part.words.map((w) => (
        <p key={w.says} className="mb-2 max-w-[42rem] font-serif text-[17px] leading-relaxed">
          {t(w)}
        </p>
      ))}
      {part.figure && (
        <figure className="mt-4 grid grid-cols-[minmax(0,1fr)_minmax(0,1.7fr)] items-center gap-5 rounded-lg border border-rule bg-page p-4">
          <pre className="font-serif text-[15px] leading-relaxed whitespace-pre-wrap">{t(part.figure.text)}</pre>
          <DrawnText
            figure={null}
            text={t(part.figure.text)}
            kind={part.figure.kind}
            wardrobe={wardrobe}
            className="h-56"
          />
          <figcaption className="col-span-2 text-[13px] text-quiet">{t(part.figure.caption)}</figcaption>
        </figure>
      )}
    </section>
  )
}

function Pages({ asked, page }: { readonly asked: string; readonly page: GuidePage }) {
  const t = useWords()
  const found = pagesWith(asked, t)
  if (found.length === 0) return <p className="text-[13px] text-quiet">{t('No page has all of these words.')}</p>
  return (
    <ul className="text-[14px]">
      {found.map((p) => (
        <li key={p.id}>
          <Link
            href={`/help/${p.id}`}
            aria-current={p.id === page.id ? 'page' : undefined}
            className={`block rounded px-2 py-1 ${p.id === page.id ? 'bg-sea-wash font-semibold' : 'hover:bg-sea-wash/60'}`}
          >
            {t(p.title)}
          </Link>
        </li>
      ))}
    </ul>
  )
}
