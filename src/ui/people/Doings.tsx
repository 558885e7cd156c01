'use client'

import { z } from 'zod/mini'
import { atTime } from './time'
import { useAsked } from './useAsked'

const schema = z.object({
  doings: z.array(z.object({ what: z.string(), at: z.string(), from: z.nullable(z.string()) })),
})

const words: Readonly<Record<string, string>> = {
  'signed-in': 'Signed in',
  'signed-out-everywhere': 'Signed out everywhere else',
  'password-changed': 'Set a new password',
  'passkey-added': 'Added a passkey',
  'passkey-removed': 'Removed a passkey',
  'account-made': 'Made the account',
  'data-taken': 'Downloaded everything',
  shared: 'Shared a folio',
  unshared: 'Took a share back',
  'link-made': 'Made a guest link',
  'link-taken-back': 'Took a guest link back',
  'guest-came': 'Came by a guest link',
  published: 'Published a page',
  unpublished: 'Took a public page back',
  'folio-deleted': 'Put a folio into the bin',
  'folio-restored': 'Took a folio out of the bin',
  'team-made': 'Made a team',
  'team-deleted': 'Deleted a team',
  'member-invited': 'Invited somebody',
  'member-joined': 'Joined a team',
  'member-changed': 'Changed a role in a team',
  'member-left': 'Somebody left a team',
}

export function Doings() {
  const { value } = useAsked('/api/account/doings', schema)
  if (!value) return <p className="text-quiet">Looking …</p>
  if (value.doings.length === 0) return <p className="text-[13px] text-quiet">Nothing yet.</p>
  return (
    <ul className="max-h-56 overflow-auto text-[13px]" tabIndex={0} aria-label="What was done">
      {value.doings.map((d, i) => (
        <li key={`${d.at} ${i}`} className="flex gap-3 border-b border-rule py-1 last:border-0">
          <span className="w-28 shrink-0 text-quiet">{atTime(d.at)}</span>
          <span>{words[d.what] ?? d.what}</span>
          {d.from && <span className="ml-auto text-quiet">{d.from}</span>}
        </li>
      ))}
    </ul>
  )
}
