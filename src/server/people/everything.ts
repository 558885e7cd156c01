/** All that somebody has here as one file of open formats: texts, figures as data and pictures, what they brought, and what is
 *  known of them. */
import { strToU8 } from 'fflate'
import { plainOptions } from '../files/fileTypes'
import { zipped } from '../files/zipped'
import { broughtFor } from '../brought'
import { database } from '../database'
import { freshProjection } from '../folioDocument'
import { makeFigureFile } from '../figureThread'
import { log } from '../log'
import { doingsOf } from './audit'
import { meOf } from './accounts'

const nameFor = (words: string): string => words.replace(/[^\p{L}\p{N}]+/gu, '-').slice(0, 60) || 'folio'
const json = (value: unknown): Uint8Array => strToU8(`${JSON.stringify(value, null, 2)}\n`)

export async function everythingOf(person: string): Promise<Uint8Array> {
  const folios = await database()
    .selectFrom('folio')
    .select('id')
    .where('owner_id', '=', person)
    .orderBy('created_at')
    .execute()
  const parts: Record<string, Uint8Array> = {
    'account.json': json(await meOf(person)),
    'doings.json': json(await doingsOf(person)),
  }
  for (const [i, { id }] of folios.entries()) Object.assign(parts, await folioParts(person, id, i + 1))
  for (const { hash, type, data } of await uploadsIn(folios.map((f) => f.id)))
    parts[`brought/${hash}.${type.split('/')[1]?.replace(/\W.*/, '') ?? 'bin'}`] = new Uint8Array(data)
  return zipped(parts)
}

async function folioParts(person: string, id: string, number: number): Promise<Record<string, Uint8Array>> {
  const at = `folios/${String(number).padStart(3, '0')}`
  try {
    const { title, text, figures, dress, order } = await freshProjection(id)
    const folder = `${at}-${nameFor(title)}`
    const parts: Record<string, Uint8Array> = { [`${folder}/manuscript.md`]: strToU8(text) }
    const wardrobe = { theme: 'light' as const, ...dress, order }
    for (const [i, { anchor: _anchor, ...figure }] of figures.entries()) {
      const name = `${folder}/figure-${i + 1}-${nameFor(figure.title)}`
      parts[`${name}.json`] = json(figure)
      const svg = await makeFigureFile(
        figure,
        { ...plainOptions, format: 'svg', wardrobe },
        await broughtFor(person, figure, wardrobe),
      )
      if (!('code' in svg)) parts[`${name}.svg`] = svg
    }
    return parts
  } catch (error) {
    // One that cannot be read any more keeps nobody from the others, and is told of.
    log.error({ folio: id, error: String(error) }, 'a folio could not be given out')
    return { [`${at}-cannot-be-read.txt`]: strToU8(`This folio cannot be read: ${id}\n`) }
  }
}

const uploadsIn = (folios: readonly string[]) =>
  folios.length === 0
    ? Promise.resolve([])
    : database()
        .selectFrom('upload as u')
        .innerJoin('folio_upload as h', 'h.hash', 'u.hash')
        .select(['u.hash', 'u.type', 'u.data'])
        .distinctOn('u.hash')
        .where('h.folio_id', 'in', [...folios])
        .execute()
