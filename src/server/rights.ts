/** What may be done to what, by whom: the one table that `authorize` goes by, printed by `npm run rights`. */

/** From the least to the most: each may what those before it may. */
export const roles = ['reader', 'reviewer', 'editor', 'owner'] as const
export type Role = (typeof roles)[number]
/** Somebody with an account, somebody here by a guest link, or the one person of the local start. */
export type AccountKind = 'member' | 'guest' | 'demo'

type Right = {
  readonly least: Role
  /** Also for whoever is here by a guest link of that role. */
  readonly guests: boolean
  readonly means: string
}

export const folioRights = {
  read: { least: 'reader', guests: true, means: 'see the folio, its versions and who is here; make files of it' },
  copy: { least: 'reader', guests: false, means: 'put a copy onto a shelf of one’s own' },
  remark: { least: 'reviewer', guests: true, means: 'remark and propose, answer, resolve' },
  edit: { least: 'editor', guests: true, means: 'change manuscript, figures and looks; restore versions' },
  publish: { least: 'editor', guests: false, means: 'give out public pages and addresses of pictures' },
  share: { least: 'owner', guests: false, means: 'invite people, make and take back guest links' },
  delete: { least: 'owner', guests: false, means: 'put into the bin, take back, move to another shelf' },
} as const satisfies Record<string, Right>
export type FolioAction = keyof typeof folioRights

export const teamRights = {
  'see team': { least: 'reader', guests: false, means: 'see members and shelves' },
  'add to team': { least: 'editor', guests: false, means: 'put folios and shelves there' },
  'run team': { least: 'owner', guests: false, means: 'invite, change roles, rename, delete' },
} as const satisfies Record<string, Right>
export type TeamAction = keyof typeof teamRights

/** What concerns nobody's folio: one's own account, and work that keeps nothing. */
export const ownRights = {
  'own account': { guests: false, means: 'own settings, sign-ins, tokens, shelves, new folios' },
  work: { guests: true, means: 'read files, draft, translate, find colours; nothing is kept' },
} as const
export type OwnAction = keyof typeof ownRights

export const atLeast = (role: Role | null, least: Role): boolean =>
  role !== null && roles.indexOf(role) >= roles.indexOf(least)
