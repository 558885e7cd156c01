/** What the server says of a folio's shares: checked before it is shown. */
import { z } from 'zod/mini'
import { said, type Said } from '@/core/words'

const role = z.enum(['reader', 'reviewer', 'editor', 'owner'])

export const sharingSchema = z.object({
  people: z.array(z.object({ id: z.string(), name: z.string(), email: z.nullable(z.string()), role })),
  invitations: z.array(z.object({ id: z.string(), email: z.nullable(z.string()), role, ends_at: z.string() })),
  links: z.array(
    z.object({
      ...{ id: z.string(), token: z.string(), name: z.string(), role, locked: z.boolean() },
      ...{ endsAt: z.nullable(z.string()), takenBackAt: z.nullable(z.string()) },
      guests: z.array(z.object({ name: z.string(), since: z.string() })),
    }),
  ),
  doings: z.array(
    z.object({ what: z.string(), at: z.string(), link: z.nullable(z.string()), by: z.nullable(z.string()) }),
  ),
})
export type Sharing = z.infer<typeof sharingSchema>
export type SharedLink = Sharing['links'][number]

/** Good still, over, or taken back. */
export function stateOf({ endsAt, takenBackAt }: SharedLink, now: number): 'good' | 'over' | 'taken-back' {
  if (takenBackAt !== null) return 'taken-back'
  return endsAt !== null && Date.parse(endsAt) <= now ? 'over' : 'good'
}

/** What was done through shares, in words. */
export const doingWords: Readonly<Record<string, Said>> = {
  shared: said('shared it'),
  unshared: said('took a share back'),
  'link-made': said('made a guest link'),
  'link-taken-back': said('took a guest link back'),
  'guest-came': said('came by a guest link'),
  'link-refused': said('Somebody gave a wrong password at a link'),
  'member-invited': said('invited somebody'),
  published: said('published it'),
  unpublished: said('took the public page back'),
  'folio-deleted': said('put it into the bin'),
  'folio-restored': said('took it out of the bin'),
  remarked: said('remarked'),
  edited: said('changed it'),
}
