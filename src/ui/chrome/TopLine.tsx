'use client'

import Link from 'next/link'
import type { ReactNode } from 'react'
import { useCommandFinder } from './commands'
import { PersonMenu } from '../people/PersonMenu'
import { ThemeSwitch } from './ThemeSwitch'
import { TOP_TOOLS } from './TopTools'
import { Wordmark } from './Wordmark'
import { useWords } from '../words/words'

export type Crumb = { readonly text: string; readonly href: string | null }
export type StageLink = {
  readonly name: string
  /** What waits there. */
  readonly count?: number
  readonly href?: string
  readonly onClick?: () => void
  readonly current: boolean
}

/** The single line at the top: where one is, whether it is saved, and the stages of the work. */
export function TopLine({
  crumbs,
  status,
  stages,
}: {
  crumbs: readonly Crumb[]
  status?: ReactNode
  stages?: readonly StageLink[]
}) {
  const t = useWords()
  const openFinder = useCommandFinder()
  return (
    <header className="flex h-[46px] shrink-0 items-center gap-3 border-b border-rule bg-paper px-5">
      <Wordmark />
      <nav aria-label={t('Where you are')} className="flex min-w-0 items-center gap-2 text-quiet">
        {crumbs.map((c, i) => (
          <span key={`${i} ${c.text}`} className="flex min-w-0 items-center gap-2">
            {i > 0 && <span aria-hidden="true">/</span>}
            {c.href ? (
              <Link href={c.href} className="truncate hover:text-ink">
                {c.text}
              </Link>
            ) : (
              <span className="truncate font-semibold text-ink" aria-current="page">
                {c.text}
              </span>
            )}
          </span>
        ))}
      </nav>
      {status}
      <div className="flex-1" />
      <div id={TOP_TOOLS} className="flex items-center gap-2" />
      {stages && <Stages stages={stages} />}
      <button
        type="button"
        className="button ml-3 whitespace-nowrap"
        onClick={openFinder}
        aria-keyshortcuts="Control+K"
      >
        {t('Find a command')}
      </button>
      <ThemeSwitch />
      <PersonMenu />
    </header>
  )
}

function Stages({ stages }: { stages: readonly StageLink[] }) {
  const t = useWords()
  return (
    <nav aria-label={t('Stages')} className="flex h-full items-stretch gap-6">
      {stages.map((s) => {
        const look = `flex items-center border-b-2 pt-0.5 ${
          s.current ? 'border-needle font-bold text-ink' : 'border-transparent text-quiet hover:text-ink'
        }`
        return s.href ? (
          <Link key={s.name} href={s.href} className={look} aria-current={s.current ? 'step' : undefined}>
            {s.name}
          </Link>
        ) : (
          <button
            key={s.name}
            type="button"
            className={look}
            aria-current={s.current ? 'step' : undefined}
            onClick={s.onClick}
          >
            {s.name}
            {!!s.count && ` (${s.count})`}
          </button>
        )
      })}
    </nav>
  )
}
