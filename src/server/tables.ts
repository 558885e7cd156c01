import type { ColumnType, Generated } from 'kysely'

type Time = ColumnType<Date, Date | undefined, Date>
/** bigint arrives as a string from the driver. */
type Big = ColumnType<string, string | number, string | number>

export type Tables = {
  account: {
    id: string
    name: string
    created_at: Time
    /** What new folios are dressed in. */
    standard: ColumnType<unknown, string | null | undefined, string | null>
  }
  session: { id: string; account_id: string; created_at: Time; expires_at: Date }
  shelf: { id: string; owner_id: string; name: string; created_at: Time }
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
    figure: ColumnType<unknown, string, string>
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
