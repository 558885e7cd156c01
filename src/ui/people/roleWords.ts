import { said } from '@/core/words'

/** Roles as one chooses them. */
export const roleWords = {
  reader: said('can read'),
  reviewer: said('can remark and propose'),
  editor: said('can edit'),
  owner: said('owns it too'),
} as const
export type RoleName = keyof typeof roleWords

/** Of whoever comes by a link. */
export const guestWords = {
  reader: said('read'),
  reviewer: said('remark and propose'),
  editor: said('edit'),
} as const
export type GuestRole = keyof typeof guestWords
