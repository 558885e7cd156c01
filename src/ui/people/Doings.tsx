'use client'

import { z } from 'zod/mini'
import { useDates } from '../words/dates'
import { useAsked } from './useAsked'
import { useWords } from '../words/words'
import { own, said, type Said } from '@/core/words'

const schema = z.object({
  doings: z.array(z.object({ what: z.string(), at: z.string(), from: z.nullable(z.string()) })),
})

const words: Readonly<Record<string, Said>> = {
  'signed-in': said('Signed in'),
  'signed-out-everywhere': said('Signed out everywhere else'),
  'password-changed': said('Set a new password'),
  'passkey-added': said('Added a passkey'),
  'passkey-removed': said('Removed a passkey'),
  'account-made': said('Made the account'),
  'data-taken': said('Downloaded everything'),
  shared: said('Shared a folio'),
  unshared: said('Took a share back'),
  'link-made': said('Made a guest link'),
  'link-taken-back': said('Took a guest link back'),
  'guest-came': said('Came by a guest link'),
  published: said('Published a page'),
  unpublished: said('Took a public page back'),
  'folio-deleted': said('Put a folio into the bin'),
  'folio-restored': said('Took a folio out of the bin'),
  'team-made': said('Made a team'),
  'team-deleted': said('Deleted a team'),
  'member-invited': said('Invited somebody'),
  'member-joined': said('Joined a team'),
  'member-changed': said('Changed a role in a team'),
  'member-left': said('Somebody left a team'),
}

export function Doings() {
  const t = useWords()
  const { atTime } = useDates()
  const { value } = useAsked('/api/account/doings', schema)
  if (!value) return <p className="text-quiet">{t('Looking …')}</p>
  if (value.doings.length === 0) return <p className="text-[13px] text-quiet">{t('Nothing yet.')}</p>
  return (
    <ul className="max-h-56 overflow-auto text-[13px]" tabIndex={0} aria-label={t('What was done')}>
      {value.doings.map((d, i) => (
        <li key={`${d.at} ${i}`} className="flex gap-3 border-b border-rule py-1 last:border-0">
          <span className="w-28 shrink-0 text-quiet">{atTime(d.at)}</span>
          <span>{t(words[d.what] ?? own(d.what))}</span>
          {d.from && <span className="ml-auto text-quiet">{d.from}</span>}
        </li>
      ))}
    </ul>
  )
}
