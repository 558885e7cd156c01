/** Uploaded pictures: read and written anew, so that nothing but pixels is kept; stored once by the hash of their bytes. */
import { createHash } from 'node:crypto'
import sharp from 'sharp'
import type { Figure } from '@/core/figure'
import { ownIcon } from '@/core/icons'
import type { Problem } from '@/core/problem'
import { database } from './database'
import type { Pictures } from './figureFile'

export const MOST_BYTES = 12_000_000
/** What would need more than half a gigabyte while it is read. */
const MOST_PIXELS = 50_000_000
/** Of the longer side: twice what a node shows at four times its size. */
const LONGEST = 1600
const MOST_IN_FOLIO = 500
const FORMATS: readonly string[] = ['png', 'jpeg', 'webp', 'gif']

export type Picture = {
  readonly hash: string
  readonly type: 'image/png' | 'image/jpeg'
  readonly width: number
  readonly height: number
  readonly data: Buffer
}

/** A picture from bytes somebody sent: PNG where it has anything to see through, else JPEG; upright, without what a camera
 *  wrote beside the pixels. */
export async function pictureFrom(bytes: Uint8Array): Promise<Picture | Problem> {
  try {
    const read = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
    const { format, hasAlpha, width, height } = await read.metadata()
    if (!FORMATS.includes(format)) return { code: 'picture-unreadable' }
    if (width * height > MOST_PIXELS) return { code: 'picture-too-heavy', limit: MOST_BYTES }
    const sized = read.rotate().resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
    const written = hasAlpha || format === 'png' ? sized.png({ compressionLevel: 9 }) : sized.jpeg({ quality: 88 })
    const { data, info } = await written.toBuffer({ resolveWithObject: true })
    return {
      hash: createHash('sha256').update(data).digest('hex'),
      type: info.format === 'png' ? 'image/png' : 'image/jpeg',
      width: info.width,
      height: info.height,
      data,
    }
  } catch (error) {
    // What the decoder cannot read is no picture, whatever it says about it.
    return String(error).includes('pixel limit')
      ? { code: 'picture-too-heavy', limit: MOST_BYTES }
      : { code: 'picture-unreadable' }
  }
}

/** Keeps a picture for a folio; null when it is kept. */
export async function keepPicture(folio: string, picture: Picture): Promise<Problem | null> {
  const { count } = await database()
    .selectFrom('folio_picture')
    .select((e) => e.fn.countAll<string>().as('count'))
    .where('folio_id', '=', folio)
    .executeTakeFirstOrThrow()
  if (Number(count) >= MOST_IN_FOLIO) return { code: 'pictures-too-many', limit: MOST_IN_FOLIO }
  await database()
    .transaction()
    .execute(async (tx) => {
      await tx
        .insertInto('picture')
        .values(picture)
        .onConflict((c) => c.doNothing())
        .execute()
      await tx
        .insertInto('folio_picture')
        .values({ folio_id: folio, hash: picture.hash })
        .onConflict((c) => c.doNothing())
        .execute()
    })
  return null
}

/** A picture in any folio of its owner; null where there is none. A folio in the bin counts: it can be taken back. */
export async function pictureFor(owner: string, hash: string): Promise<{ type: string; data: Buffer } | null> {
  const row = await database()
    .selectFrom('picture as p')
    .innerJoin('folio_picture as h', 'h.hash', 'p.hash')
    .innerJoin('folio as f', 'f.id', 'h.folio_id')
    .select(['p.type', 'p.data'])
    .where('p.hash', '=', hash)
    .where('f.owner_id', '=', owner)
    .limit(1)
    .executeTakeFirst()
  return row ?? null
}

/** The pictures of a figure that its owner has in any folio, to be put into a file. */
export async function picturesOf(owner: string, figure: Figure): Promise<Pictures> {
  const hashes = [
    ...new Set(
      Object.values(figure.nodes).flatMap((n) => [n.picture?.hash ?? [], ownIcon(n.icon ?? '')?.hash ?? []].flat()),
    ),
  ]
  if (hashes.length === 0) return {}
  const rows = await database()
    .selectFrom('picture as p')
    .innerJoin('folio_picture as h', 'h.hash', 'p.hash')
    .innerJoin('folio as f', 'f.id', 'h.folio_id')
    .select(['p.hash', 'p.type', 'p.data'])
    .distinctOn('p.hash')
    .where('p.hash', 'in', hashes)
    .where('f.owner_id', '=', owner)
    .execute()
  return Object.fromEntries(rows.map((r) => [r.hash, `data:${r.type};base64,${r.data.toString('base64')}`]))
}
