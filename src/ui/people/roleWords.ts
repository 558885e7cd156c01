/** Roles as one chooses them. */
export const roleWords = {
  reader: 'can read',
  reviewer: 'can remark and propose',
  editor: 'can edit',
  owner: 'owns it too',
} as const
export type RoleName = keyof typeof roleWords

/** Of whoever comes by a link. */
export const guestWords = { reader: 'read', reviewer: 'remark and propose', editor: 'edit' } as const
export type GuestRole = keyof typeof guestWords
