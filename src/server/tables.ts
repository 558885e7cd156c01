import type { ColumnType, Generated } from 'kysely'
import type { AccountKind, Role } from './rights'

type Time = ColumnType<Date, Date | undefined, Date>
/** bigint arrives as a string from the driver. */
type Big = ColumnType<string, string | number, string | number>

export type Tables = {
  /** `kind` is member, guest (here by a guest link) or demo (the person of the local start). */
  account: {
    id: string
    name: string
    kind: ColumnType<AccountKind, AccountKind | undefined, AccountKind>
    email: string | null
    email_verified: Generated<boolean>
    image: string | null
    created_at: Time
    changed_at: Time
    /** What new folios are dressed in. */
    standard: ColumnType<unknown, string | null | undefined, string | null>
    settings: ColumnType<unknown, string | null | undefined, string | null>
  }
  session: {
    id: string
    account_id: string
    token: string
    created_at: Time
    changed_at: Time
    expires_at: Date
    ip_address: string | null
    user_agent: string | null
  }
  passkey: {
    /** That of the credential. */
    id: string
    account_id: string
    name: string
    public_key: Buffer
    counter: Big
    transports: ColumnType<unknown, string | null, string | null>
    made_at: Time
    used_at: Date | null
  }
  installation: { name: string; value: string }
  team: {
    id: string
    name: string
    made_at: Time
    deleted_at: Date | null
    /** What new folios on its shelves begin in. */
    standard: ColumnType<unknown, string | null | undefined, string | null>
    glossary: ColumnType<string, string | undefined, string>
  }
  team_member: { team_id: string; account_id: string; role: Role; made_at: Time }
  folio_share: { folio_id: string; account_id: string; role: Role; made_by: string; made_at: Time }
  /** Into a team or to a folio; `hash` is that of its token, which is sent once. */
  invitation: {
    id: string
    hash: string
    email: string | null
    role: Role
    team_id: string | null
    folio_id: string | null
    made_by: string
    made_at: Time
    ends_at: Date
    used_at: Date | null
  }
  guest_link: {
    id: string
    folio_id: string
    token: string
    role: Role
    name: string
    password: string | null
    ends_at: Date | null
    made_by: string
    made_at: Time
    taken_back_at: Date | null
  }
  guest_visit: { link_id: string; account_id: string; made_at: Time }
  mail: {
    id: string
    recipient: string
    subject: string
    words: string
    made_at: Time
    sent_at: Date | null
    attempts: Generated<number>
  }
  /** What was done, kept for those it concerns. */
  audit: {
    id: string
    made_at: Time
    account_id: string | null
    folio_id: string | null
    team_id: string | null
    link_id: string | null
    what: string
    about: ColumnType<unknown, string | null, string | null>
    came_from: string | null
  }
  /** The first of a thread has a place; `state` is that of its thread. */
  remark: {
    id: string
    folio_id: string
    thread_id: string
    figure_id: string | null
    author_id: string | null
    author_name: string
    words: string
    place: ColumnType<unknown, string | null, string | null>
    proposal: ColumnType<unknown, string | null, string | null>
    mentions: ColumnType<unknown, string | undefined, string>
    state: ColumnType<string, string | undefined, string>
    settled_by: string | null
    settled_at: Date | null
    made_at: Time
    changed_at: Date | null
  }
  /** `page` is the HTML as it was made at `sequence`; `follows` says that it is made anew with every change. */
  public_page: {
    token: string
    folio_id: string
    figure_id: string | null
    made_by: string | null
    made_at: Time
    taken_back_at: Date | null
    follows: boolean
    theme: string
    title: string
    page: Buffer
    sequence: Big
    page_at: Time
    /** Of the first figure, in px, where it is 720 px wide. */
    height: number
  }
  worked_pattern: {
    id: string
    owner_id: string
    team_id: string | null
    name: string
    task: string
    words: string
    figures: ColumnType<unknown, string, string>
    made_at: Time
  }
  public_view: { token: string; day: Date; count: number }
  favourite: { account_id: string; folio_id: string; at: Time }
  opened: { account_id: string; folio_id: string; at: Time }
  /** A paragraph, or the words of a figure. */
  folio_words: { folio_id: string; place: number; figure_id: string | null; words: string; vector: Generated<string> }
  digest: { folio_id: string; account_id: string; sent_at: Time }
  /** Of a person, or of a team; at most one level below another. */
  shelf: {
    id: string
    owner_id: string
    name: string
    created_at: Time
    team_id: string | null
    parent_id: string | null
  }
  folio: {
    id: string
    shelf_id: string
    owner_id: string
    created_at: Time
    changed_at: Time
    deleted_at: Date | null
    /** Sequence of the newest update. */
    sequence: Generated<string>
    /** Title, text and figures as of `projected_sequence`, for exports. */
    projection: ColumnType<unknown, string | null, string | null>
    /** What the shelf shows of the projection. */
    summary: ColumnType<unknown, string | null | undefined, string | null>
    projected_sequence: Big
    /** Updates beside the newest snapshot, and their bytes. */
    loose_updates: Generated<number>
    loose_bytes: ColumnType<string, number | undefined, number>
  }
  folio_update: { folio_id: string; sequence: Big; data: Buffer; created_at: Time }
  /** A figure as it stood at some time; `figure` is its JSON. */
  figure_version: {
    id: string
    folio_id: string
    figure_id: string
    made_at: Time
    made_by: string
    name: string | null
    /** Why it was restored. */
    why: string | null
    figure: ColumnType<unknown, string, string>
  }
  /** Whole folios as they stood: the shared document, and what a list shows of it. */
  folio_version: {
    id: string
    folio_id: string
    made_at: Time
    made_by: string
    name: string | null
    why: string | null
    state: Buffer
    hash: string
    summary: ColumnType<unknown, string, string>
  }
  /** Pictures and fonts that people brought, by the hash of what is stored. */
  upload: {
    hash: string
    type: string
    width: number | null
    height: number | null
    name: string | null
    data: Buffer
    made_at: Time
  }
  /** `hash` is that of the token, which is shown once. */
  access_token: {
    id: string
    account_id: string
    name: string
    hash: string
    scopes: ColumnType<unknown, string, string>
    made_at: Time
    used_at: Date | null
    taken_back_at: Date | null
  }
  picture_address: {
    token: string
    folio_id: string
    figure_id: string
    made_by: string
    made_at: Time
    taken_back_at: Date | null
  }
  /** A folio made into a file: `state` is waiting, working, done, failed or stopped. */
  export_job: {
    id: string
    folio_id: string
    asked_by: string
    name: string
    format: string
    options: ColumnType<unknown, string, string>
    state: ColumnType<string, string | undefined, string>
    done: Generated<number>
    total: Generated<number>
    problem: ColumnType<unknown, string | undefined, string>
    file: ColumnType<Buffer | null, Buffer | undefined, Buffer | null>
    asked_at: Time
    beat_at: Time
  }
  folio_upload: { folio_id: string; hash: string }
  folio_snapshot: { folio_id: string; sequence: Big; data: Buffer; created_at: Time }
}
