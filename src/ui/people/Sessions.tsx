'use client'

import { z } from 'zod/mini'
import { useDates } from '../words/dates'
import { useAsked } from './useAsked'
import { useWords } from '../words/words'
import { said, type Said } from '@/core/words'

const schema = z.object({
  sessions: z.array(
    z.object({ id: z.string(), browser: z.string(), from: z.string(), since: z.string(), here: z.boolean() }),
  ),
})

/** The name of a browser and its system, as far as they say so. */
function browserOf(agent: string): Said {
  const known = /(?:Edg|OPR|Firefox|Chrome|Safari)/.exec(agent)?.[0]
  const browser = known ? ({ Edg: 'Edge', OPR: 'Opera' }[known] ?? known) : said('A browser')
  const system = /(?:Windows|Macintosh|Android|iPhone|iPad|Linux)/.exec(agent)?.[0]
  return system ? said('{browser} on {system}', { browser, system }) : said('{browser}', { browser })
}

export function Sessions() {
  const t = useWords()
  const { onDay } = useDates()
  const { value, change } = useAsked('/api/account/sessions', schema)
  const others = value?.sessions.filter((s) => !s.here).length ?? 0
  return (
    <div className="flex flex-col gap-2">
      <h3 className="text-[14px] font-semibold">{t('Where you are signed in')}</h3>
      <ul className="flex flex-col gap-1 text-[14px]">
        {value?.sessions.map((s) => (
          <li key={s.id}>
            {t(browserOf(s.browser))}{' '}
            <span className="text-[13px] text-quiet">
              {t('since {day}', { day: onDay(s.since) })}
              {s.from && `, ${t('from {address}', { address: s.from })}`}
              {s.here && `, ${t('here')}`}
            </span>
          </li>
        ))}
      </ul>
      {others > 0 && (
        <button
          type="button"
          className="button self-start"
          onClick={() => void change('DELETE', '/api/account/sessions')}
        >
          {t('Sign out everywhere else')}
        </button>
      )}
    </div>
  )
}
