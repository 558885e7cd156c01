/** What a team has agreed on for all its folios: the style that they begin in, and its words. */
import { database } from '../database'
import { roleInTeam, type Person } from '../authorize'
import { atLeast } from '../rights'
import type { Standard } from '../standard'

export async function keepTeamStandard(team: string, standard: Standard | null): Promise<void> {
  await database()
    .updateTable('team')
    .set({ standard: standard && JSON.stringify(standard) })
    .where('id', '=', team)
    .execute()
}

export async function keepGlossary(team: string, glossary: string): Promise<void> {
  await database().updateTable('team').set({ glossary }).where('id', '=', team).execute()
}

export type House = {
  readonly id: string
  readonly name: string
  /** The style that its new folios begin in. */
  readonly style: string | null
  readonly terms: readonly string[]
  /** Whether the person may change what its folios begin in. */
  readonly may: boolean
}

/** The house that a folio stands in. */
export async function houseOfFolio(folio: string, person: Person): Promise<House | null> {
  const row = await database()
    .selectFrom('folio as f')
    .innerJoin('shelf as s', 's.id', 'f.shelf_id')
    .innerJoin('team as t', 't.id', 's.team_id')
    .select(['t.id', 't.name', 't.standard', 't.glossary'])
    .where('f.id', '=', folio)
    .where('t.deleted_at', 'is', null)
    .executeTakeFirst()
  if (!row) return null
  const { id, name, standard, glossary } = row
  const style = (standard as Partial<Standard> | null)?.style ?? null
  return { id, name, style, terms: termsIn(glossary), may: atLeast(await roleInTeam(person, id), 'editor') }
}

/** “master: who commands the ship” → “master”. */
export const termsIn = (glossary: string): string[] => [
  ...new Set(
    glossary
      .split('\n')
      .map((line) => (line.split(/\s*[:–]\s/)[0] ?? '').trim())
      .filter((term) => term !== '' && term.length <= 120),
  ),
]

export async function glossaryOf(team: string): Promise<string> {
  const row = await database().selectFrom('team').select('glossary').where('id', '=', team).executeTakeFirst()
  return row?.glossary ?? ''
}
