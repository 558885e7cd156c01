/** A packed file from outside, unpacked with bounds on everything a bomb would need: number, size, total, ratio, names. Buffers
 *  are as large as the file declares, so that what lies about its size cannot grow. */
import { unzipSync } from 'fflate'

export class UnsoundZip extends Error {}

const MAX_ENTRIES = 20_000
const MAX_ENTRY = 120_000_000
const MAX_TOTAL = 260_000_000
/** Beyond a size that nobody minds. */
const MAX_RATIO = 200
const SMALL = 4_000_000

const SIGNATURE = [0x50, 0x4b, 0x03, 0x04]
export const isZip = (bytes: Uint8Array): boolean => SIGNATURE.every((b, i) => bytes[i] === b)

/** The parts whose names are wanted. Throws `UnsoundZip` with what is wrong. */
export function unzipped(bytes: Uint8Array, wanted: (name: string) => boolean): Readonly<Record<string, Uint8Array>> {
  let entries = 0
  let total = 0
  try {
    return unzipSync(bytes, {
      filter: ({ name, size, originalSize }) => {
        if (++entries > MAX_ENTRIES) throw new UnsoundZip(`more than ${MAX_ENTRIES} parts`)
        if (/(?:^|[/\\])\.\.(?:[/\\]|$)|^[/\\]|^[a-z]:/i.test(name))
          throw new UnsoundZip('a part that leads out of the file')
        if (!wanted(name)) return false
        if (size > originalSize * 1.1 + 1024) throw new UnsoundZip('a part that lies about its size')
        if (originalSize > MAX_ENTRY) throw new UnsoundZip('a part far larger than any document')
        if (originalSize > SMALL && originalSize / Math.max(1, size) > MAX_RATIO)
          throw new UnsoundZip('a part packed to swell')
        total += originalSize
        if (total > MAX_TOTAL) throw new UnsoundZip('more than any document holds')
        return true
      },
    })
  } catch (error) {
    if (error instanceof UnsoundZip) throw error
    throw new UnsoundZip('it is broken')
  }
}

export const textPart = (parts: Readonly<Record<string, Uint8Array>>, name: string): string | null => {
  const part = parts[name]
  return part ? decodedXml(part) : null
}

/** XML says by its first bytes when it is UTF-16. */
export function decodedXml(bytes: Uint8Array): string {
  const encoding =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : 'utf-8'
  return new TextDecoder(encoding).decode(bytes)
}
