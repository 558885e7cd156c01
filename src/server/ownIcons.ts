/** Icons that people bring: SVG is drawn to pixels where nothing in it can run or fetch anything, pictures are read and written
 *  anew; what is of one colour is kept as a stencil, and drawn in the colour of whatever it stands on. */
import { Resvg } from '@resvg/resvg-js'
import sharp from 'sharp'
import type { Problem } from '@/core/problem'
import { pictureFrom, type Picture } from './pictures'

/** Of the longer side: sharp at four times its size in a figure. */
const SIDE = 320
const MOST_SVG = 500_000

/** `stencil`: it is of one colour. */
export type OwnIcon = { readonly picture: Picture; readonly stencil: boolean }

export async function ownIconFrom(bytes: Uint8Array): Promise<OwnIcon | Problem> {
  const isSvg = /^\s*(?:<\?xml[\s\S]*?\?>\s*|<!--[\s\S]*?-->\s*)*<svg\b/i.test(
    Buffer.from(bytes.subarray(0, 2000)).toString(),
  )
  const pixels = isSvg ? drawnSvg(bytes) : bytes
  if (!pixels) return { code: 'picture-unreadable' }
  const read = await pictureFrom(pixels)
  if ('code' in read) return read
  const small = await sharp(read.data)
    .resize({ width: SIDE, height: SIDE, fit: 'inside', withoutEnlargement: true })
    .ensureAlpha()
    .png()
    .toBuffer()
  const picture = await pictureFrom(small)
  return 'code' in picture ? picture : { picture, stencil: await isOfOneColour(small) }
}

/** As pixels; null for what is no SVG, or has declarations that could grow without end. */
function drawnSvg(bytes: Uint8Array): Uint8Array | null {
  const text = Buffer.from(bytes).toString('utf8')
  if (bytes.length > MOST_SVG || /<!(?:DOCTYPE|ENTITY)/i.test(text)) return null
  try {
    return new Resvg(text, { fitTo: { mode: 'width', value: SIDE }, font: { loadSystemFonts: false } }).render().asPng()
  } catch {
    // What cannot be drawn is no SVG, whatever it says of itself.
    return null
  }
}

/** Colours nearer than this, of 255, are one: edges are blended. */
const NEAR = 40
/** What is hardly there says nothing of its colour. */
const SEEN = 128
const LEAST_CLEAR = 0.1

/** All that is seen is of one colour, and some of it is seen through. */
async function isOfOneColour(png: Uint8Array): Promise<boolean> {
  const { data } = await sharp(png).raw().toBuffer({ resolveWithObject: true })
  let first: readonly number[] | null = null
  let clear = 0
  for (let i = 0; i + 3 < data.length; i += 4) {
    if ((data[i + 3] ?? 0) < SEEN) {
      clear++
      continue
    }
    const colour = [data[i] ?? 0, data[i + 1] ?? 0, data[i + 2] ?? 0]
    first ??= colour
    if (colour.some((v, k) => Math.abs(v - (first?.[k] ?? 0)) > NEAR)) return false
  }
  return first !== null && clear > (data.length / 4) * LEAST_CLEAR
}
