/** Uploaded pictures: read and written anew, so that nothing but pixels is kept; stored once by the hash of their bytes. */
import { createHash } from 'node:crypto'
import sharp from 'sharp'
import type { Problem } from '@/core/problem'

export const MOST_BYTES = 12_000_000
/** What would need more than half a gigabyte while it is read. */
const MOST_PIXELS = 50_000_000
/** Of the longer side: twice what a node shows at four times its size. */
const LONGEST = 1600
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
