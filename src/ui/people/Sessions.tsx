'use client'

import { z } from 'zod/mini'
import { onDay } from './time'
import { useAsked } from './useAsked'

const schema = z.object({
  sessions: z.array(
    z.object({ id: z.string(), browser: z.string(), from: z.string(), since: z.string(), here: z.boolean() }),
  ),
})

/** The name of a browser and its system, as far as they say so. */
function browserOf(agent: string): string {
  const browser = /(?:Edg|OPR|Firefox|Chrome|Safari)/.exec(agent)?.[0] ?? 'A browser'
  const system = /(?:Windows|Macintosh|Android|iPhone|iPad|Linux)/.exec(agent)?.[0]
  return [{ Edg: 'Edge', OPR: 'Opera' }[browser] ?? browser, system].filter(Boolean).join(' on ')
}

export function Sessions() {
  const { value, change } = useAsked('/api/account/sessions', schema)
  const others = value?.sessions.filter((s) => !s.here).length ?? 0
  return (
    <div className="flex flex-col gap-2">
      <h3 className="text-[14px] font-semibold">Where you are signed in</h3>
      <ul className="flex flex-col gap-1 text-[14px]">
        {value?.sessions.map((s) => (
          <li key={s.id}>
            {browserOf(s.browser)}{' '}
            <span className="text-[13px] text-quiet">
              since {onDay(s.since)}
              {s.from && `, from ${s.from}`}
              {s.here && ', here'}
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
          Sign out everywhere else
        </button>
      )}
    </div>
  )
}
