/** A font that somebody brings, looked at: OTF, TTF, WOFF or WOFF2 of one font, whose tables hold together, which has letters, and
 *  which its maker lets into files. Out: the same font unpacked (OpenType, ISO/IEC 14496-22), by which name. Runs in a thread of
 *  its own (`fontThread`), since a font is a program of a kind. */
import { Blob, Buffer as Letters, Face, Font, shape } from 'harfbuzzjs'
import { convert } from 'fontverter'
import { createHash } from 'node:crypto'
import { inflateSync } from 'node:zlib'
import type { Problem } from '@/core/problem'

export const MOST_FONT_BYTES = 12_000_000
/** Unpacked. */
const MOST_UNPACKED = 30_000_000

export type BroughtFont = { readonly hash: string; readonly name: string; readonly data: Uint8Array }

const unreadable: Problem = { code: 'font-unreadable' }

export async function readFont(bytes: Uint8Array): Promise<BroughtFont | Problem> {
  try {
    const packed = Buffer.from(bytes)
    if (unpackedSize(packed) > MOST_UNPACKED) return { code: 'font-too-heavy', limit: MOST_FONT_BYTES }
    const data = new Uint8Array(await convert(packed, 'sfnt'))
    return faultIn(data) ?? { hash: createHash('sha256').update(data).digest('hex'), name: nameOf(data), data }
  } catch {
    // What the decoders cannot read is no font, whatever it says of itself.
    return unreadable
  }
}

/** How large it says, and is seen, to be when unpacked (WOFF, W3C 2012, §3 and §4). Throws where a table is larger than it says. */
function unpackedSize(file: Buffer): number {
  const signature = file.toString('latin1', 0, 4)
  if (signature !== 'wOFF' && signature !== 'wOF2') return file.length
  const total = file.readUInt32BE(16)
  if (signature === 'wOF2' || total > MOST_UNPACKED) return total
  const tables = Array.from({ length: file.readUInt16BE(12) }, (_, i) => 44 + 20 * i)
  return tables.reduce((sum, at) => {
    const [from, packed, whole] = [4, 8, 12].map((o) => file.readUInt32BE(at + o)) as [number, number, number]
    if (whole > MOST_UNPACKED) return whole
    if (packed < whole) inflateSync(file.subarray(from, from + packed), { maxOutputLength: whole })
    return sum + whole
  }, 0)
}

const NEEDED = ['cmap', 'head', 'hhea', 'hmtx', 'maxp', 'name']
/** Bits of `fsType` (OS/2 table): restricted, not to be cut down to what is used, pictures only. */
const CLOSED = 0x0002 | 0x0100 | 0x0200

function faultIn(data: Uint8Array): Problem | null {
  const face = new Face(new Blob(data))
  const table = (tag: string) => face.referenceTable(tag) ?? new Uint8Array()
  if (NEEDED.some((t) => table(t).length === 0) || face.collectUnicodes().length === 0) return unreadable
  const head = table('head')
  const unitsPerEm = head.length < 20 ? 0 : new DataView(head.buffer, head.byteOffset).getUint16(18)
  if (unitsPerEm < 16 || unitsPerEm > 16_384) return unreadable
  const os2 = table('OS/2')
  const fsType = os2.length > 9 ? new DataView(os2.buffer, os2.byteOffset).getUint16(8) : 0
  if (fsType & CLOSED) return { code: 'font-closed', name: nameOf(data) }
  return drawsAll(face) ? null : unreadable
}

/** Some of its letters can be set, and have outlines or none without a fault. */
function drawsAll(face: Face): boolean {
  const font = new Font(face)
  const codes = face.collectUnicodes()
  const some = Array.from({ length: 200 }, (_, i) => codes[Math.floor((i * codes.length) / 200)] ?? 32)
  const letters = new Letters()
  letters.addText(String.fromCodePoint(...some.filter((c) => c < 0xd800 || c > 0xdfff)))
  letters.guessSegmentProperties()
  shape(font, letters)
  const widths = letters.getGlyphPositions().map((p) => p.xAdvance)
  for (const { codepoint } of letters.getGlyphInfos()) font.glyphToPath(codepoint)
  return widths.some((w) => w > 0) && widths.every((w) => Number.isFinite(w))
}

/** Family and weight as the font tells them (name 4, else 1). */
function nameOf(data: Uint8Array): string {
  const face = new Face(new Blob(data))
  const named = [4, 1].map((id) =>
    face
      .getName(id, 'en')
      .replace(/[\p{C}<>"'\\]/gu, '')
      .trim(),
  )
  return (named.find((n) => n !== '') ?? 'Font without a name').slice(0, 120)
}
