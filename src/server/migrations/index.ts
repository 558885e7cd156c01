import type { Migration } from 'kysely'
import { foundations } from './m0001Foundations'
import { summaries } from './m0002Summaries'
import { versions } from './m0003Versions'
import { pictures } from './m0004Pictures'
import { uploads } from './m0005Uploads'
import { standard } from './m0006Standard'
import { exports } from './m0007Exports'
import { addresses } from './m0008Addresses'
import { tokens } from './m0009Tokens'
import { people } from './m0010People'
import { remarks } from './m0011Remarks'
import { shelves } from './m0012Shelves'
import { publicPages } from './m0013PublicPages'
import { ownPatterns } from './m0014Patterns'
import { folioVersions } from './m0015FolioVersions'
import { teamHouse } from './m0016TeamHouse'

/** Every migration, in order. A migration that has landed is never changed. */
export const migrations: Record<string, Migration> = {
  '0001_foundations': foundations,
  '0002_summaries': summaries,
  '0003_versions': versions,
  '0004_pictures': pictures,
  '0005_uploads': uploads,
  '0006_standard': standard,
  '0007_exports': exports,
  '0008_addresses': addresses,
  '0009_tokens': tokens,
  '0010_people': people,
  '0011_remarks': remarks,
  '0012_shelves': shelves,
  '0013_public_pages': publicPages,
  '0014_patterns': ownPatterns,
  '0015_folio_versions': folioVersions,
  '0016_team_house': teamHouse,
}
