/** A figure inside its own file, so that the file can be opened and changed here again: its JSON in the `metadata` of an SVG
 *  (SVG 1.1, 21), or in a compressed text chunk of a PNG (ISO/IEC 15948, 11.3.4.5). Reading is total over any bytes. */
import { createHash } from 'node:crypto'
import { crc32, deflateSync, inflateSync } from 'node:zlib'
import { figureSchema, type Figure } from '@/core/figure'
import { escaped } from '@/core/formats'

const KEYWORD = 'IdleCompassFigure'
const OPENING = `<metadata id="${KEYWORD}">`
/** Of a figure as JSON: the largest is a tenth of this. */
const MOST_JSON = 20_000_000

/** What goes with a file that is handed on: what the figure shows, and not the manuscript it was read from, nor what it was as
 *  another kind or inside another figure. */
export function portable({ aside: _aside, outer: _outer, ...figure }: Figure): Figure {
  const unread = <T extends object>(parts: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(parts).map(([id, part]) => [id, { ...part, source: [] }]))
  return {
    ...figure,
    passage: null,
    wasRead: { text: '', nodes: {}, links: {} },
    nodes: unread(figure.nodes),
    links: unread(figure.links),
  }
}

/** In the order of the schema, so that the same figure is the same bytes wherever it comes from. */
export const jsonOf = (figure: Figure): string => JSON.stringify(figureSchema.parse(portable(figure)))

/** What a figure shows, as a short name: another where anything of it is another but the page it is drawn for, which a file
 *  decides. */
export const versionOf = ({ shownIn: _shownIn, ...figure }: Figure): string =>
  shortHash(jsonOf({ ...figure, frame: 'free' }))
export const shortHash = (text: string): string => createHash('sha256').update(text).digest('hex').slice(0, 16)

export function insideSvg(svg: string, figure: Figure): string {
  const at = svg.indexOf('</desc>') + '</desc>'.length
  return `${svg.slice(0, at)}${OPENING}${escaped(jsonOf(figure))}</metadata>${svg.slice(at)}`
}

/** As a part of an office file. */
export const insideXml = (figure: Figure): string =>
  `<?xml version="1.0" encoding="UTF-8"?>\n<figure xmlns="urn:idle-compass:figure">${OPENING}${escaped(jsonOf(figure))}</metadata></figure>`

/** Before the first chunk of pixels. */
export function insidePng(png: Uint8Array, figure: Figure): Uint8Array {
  const data = Buffer.from(png)
  const at = chunksOf(data).find((c) => c.type === 'IDAT')?.at ?? data.length
  const text = Buffer.concat([
    Buffer.from(`${KEYWORD}\0\x01\0\0\0`, 'latin1'),
    deflateSync(Buffer.from(jsonOf(figure))),
  ])
  return new Uint8Array(Buffer.concat([data.subarray(0, at), chunk('iTXt', text), data.subarray(at)]))
}

/** The figure in a file: an SVG or PNG that was made here, or its JSON alone; null where there is none. */
export function figureInside(bytes: Uint8Array): Figure | null {
  const data = Buffer.from(bytes)
  const json =
    data.length > 8 && data.readUInt32BE(0) === PNG_SIGNATURE ? jsonInPng(data) : jsonInText(data.toString('utf8'))
  if (json === null) return null
  try {
    const checked = figureSchema.safeParse(JSON.parse(json))
    return checked.success ? checked.data : null
  } catch {
    // Not JSON: no figure.
    return null
  }
}

function jsonInText(text: string): string | null {
  const from = text.indexOf(OPENING)
  if (from < 0) return text.trimStart().startsWith('{') ? text : null
  const to = text.indexOf('</metadata>', from)
  return to < 0 ? null : unescaped(text.slice(from + OPENING.length, to))
}
const SIGNS: Readonly<Record<string, string>> = { lt: '<', gt: '>', quot: '"', amp: '&' }
const unescaped = (s: string): string => s.replace(/&(lt|gt|quot|amp);/g, (_, name: string) => SIGNS[name] ?? '')

const PNG_SIGNATURE = 0x89504e47
type Chunk = { readonly type: string; readonly at: number; readonly data: Buffer }

function chunksOf(png: Buffer): Chunk[] {
  const out: Chunk[] = []
  for (let at = 8; at + 12 <= png.length;) {
    const length = png.readUInt32BE(at)
    if (at + 12 + length > png.length) break
    out.push({ type: png.toString('latin1', at + 4, at + 8), at, data: png.subarray(at + 8, at + 8 + length) })
    at += 12 + length
  }
  return out
}

function chunk(type: string, data: Buffer): Buffer {
  const body = Buffer.concat([Buffer.from(type, 'latin1'), data])
  const [length, sum] = [Buffer.alloc(4), Buffer.alloc(4)]
  length.writeUInt32BE(data.length)
  sum.writeUInt32BE(crc32(body))
  return Buffer.concat([length, body, sum])
}

function jsonInPng(png: Buffer): string | null {
  const head = Buffer.from(`${KEYWORD}\0\x01\0\0\0`, 'latin1')
  const found = chunksOf(png).find((c) => c.type === 'iTXt' && c.data.subarray(0, head.length).equals(head))
  if (!found) return null
  try {
    return inflateSync(found.data.subarray(head.length), { maxOutputLength: MOST_JSON }).toString('utf8')
  } catch {
    // Torn, or far larger than any figure: none.
    return null
  }
}
