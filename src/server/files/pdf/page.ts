/** A page of a PDF (ISO 32000-1) by `pdfkit`, drawn on in px: marks as paths, words as the glyphs they were shaped to. */
import PDFDocument from 'pdfkit'
import { readFileSync } from 'node:fs'
import type { SvgElement } from '@/core/formats'
import type { Typesetter } from '@/core/measure'
import type { SceneLine } from '@/core/scene'
import { isShippedFont, ownFontHash, type FontKey } from '@/core/style'
import { fontFile } from '../../fontFiles'

/** What of pdfkit's fonts is used here and is not in its types; the version is pinned for it. */
type Subsetted = {
  readonly id: string
  readonly scale: number
  readonly font: { getGlyph: (id: number) => { readonly advanceWidth: number } }
  readonly subset: { readonly glyphs: number[] }
  readonly unicode: number[][]
  readonly widths: number[]
  readonly ref: () => unknown
}
type Inner = PDFKit.PDFDocument & {
  readonly _font: Subsetted
  readonly page: { readonly fonts: Record<string, unknown> }
  readonly addContent: (operators: string) => unknown
}

const POINTS = 0.75
const n = (v: number): string => String(Math.round(v * 1e4) / 1e4)

/** Fonts of one document, and the code of each glyph that stands for certain characters. */
export type PdfFonts = {
  readonly bytes: Readonly<Record<string, Uint8Array>>
  readonly codes: Map<string, number>
}

export function pdfDocument(title: string, language: string): PDFKit.PDFDocument {
  return new PDFDocument({
    autoFirstPage: false,
    tagged: true,
    pdfVersion: '1.7',
    lang: language,
    displayTitle: true,
    // The same figures are the same bytes.
    info: {
      Title: title,
      Creator: 'Idle Compass',
      Producer: 'Idle Compass',
      CreationDate: new Date('2000-01-01T00:00:00Z'),
    },
  })
}

export const finished = (doc: PDFKit.PDFDocument): Promise<Uint8Array> =>
  new Promise((resolve, reject) => {
    const chunks: Uint8Array[] = []
    doc.on('data', (chunk: Uint8Array) => chunks.push(chunk))
    doc.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))))
    doc.on('error', reject)
    doc.end()
  })

/** From here on, lengths are px. */
export const inPixels = (doc: PDFKit.PDFDocument, draw: () => void): void => {
  doc.save()
  doc.scale(POINTS)
  draw()
  doc.restore()
}
export const points = (px: number): number => px * POINTS

/** Elements of the one table of marks. */
export function drawElement(doc: PDFKit.PDFDocument, e: SvgElement, given: SvgElement['attributes'] = {}): void {
  const a = { ...given, ...e.attributes }
  const at = (name: string): number => Number(a[name] ?? 0)
  doc.save()
  if (typeof e.attributes['transform'] === 'string') transform(doc, e.attributes['transform'])
  if (e.tag === 'g') {
    const { transform: _done, ...own } = a
    for (const child of e.children) if (typeof child !== 'string') drawElement(doc, child, own)
  } else if (e.tag === 'image')
    doc.image(String(a['href']), at('x'), at('y'), {
      fit: [at('width'), at('height')],
      align: 'center',
      valign: 'center',
    })
  else if (outline(doc, e.tag, a, at)) paint(doc, a)
  doc.restore()
}

function outline(
  doc: PDFKit.PDFDocument,
  tag: string,
  a: SvgElement['attributes'],
  at: (name: string) => number,
): boolean {
  if (tag === 'path' && a['d']) doc.path(String(a['d']))
  else if (tag === 'rect') doc.rect(at('x'), at('y'), at('width'), at('height'))
  else if (tag === 'circle') doc.circle(at('cx'), at('cy'), at('r'))
  else if (tag === 'ellipse') doc.ellipse(at('cx'), at('cy'), at('rx'), at('ry'))
  else return false
  return true
}

function paint(doc: PDFKit.PDFDocument, a: SvgElement['attributes']): void {
  const fill = a['fill'] === undefined || a['fill'] === 'none' ? null : String(a['fill'])
  const stroke = a['stroke'] === undefined ? null : String(a['stroke'])
  if (fill) doc.fillColor(fill, Number(a['fill-opacity'] ?? 1))
  if (stroke) {
    doc.strokeColor(stroke).lineWidth(Number(a['stroke-width'] ?? 1))
    doc.lineJoin(a['stroke-linejoin'] === 'round' ? 'round' : 'miter')
    doc.lineCap(a['stroke-linecap'] === 'round' ? 'round' : 'butt')
    const dash = a['stroke-dasharray']
    if (dash !== undefined) {
      const [on = 1, off = 1] = String(dash).split(' ').map(Number)
      doc.dash(on, { space: off })
    }
  }
  if (fill && stroke) doc.fillAndStroke()
  else if (fill) doc.fill()
  else if (stroke) doc.stroke()
}

/** The three that the table of marks writes. */
function transform(doc: PDFKit.PDFDocument, list: string): void {
  for (const [, name, values = ''] of list.matchAll(/(\w+)\(([^)]*)\)/g)) {
    const [a = 0, b = 0, c = 0] = values
      .trim()
      .split(/[\s,]+/)
      .map(Number)
    if (name === 'translate') doc.translate(a, b)
    else if (name === 'scale') doc.scale(a)
    else if (name === 'rotate') doc.rotate(a, { origin: [b, c] })
  }
}

/** A line of shaped words. */
export function drawLine(
  doc: PDFKit.PDFDocument,
  line: SceneLine,
  colour: string,
  typesetter: Pick<Typesetter, 'characters'>,
  fonts: PdfFonts,
): void {
  const [first, last] = [line.runs[0], line.runs.at(-1)]
  if (!first || !last) return
  doc.save()
  if (line.turn !== 0) doc.rotate(line.turn, { origin: [(first.x + last.x + last.width) / 2, line.baseline] })
  doc.fillColor(colour)
  for (const run of line.runs) {
    chooseFont(doc, run.font, fonts)
    const inner = doc as Inner
    const font = inner._font
    inner.page.fonts[font.id] ??= font.ref()
    const characters = typesetter.characters(run)
    inner.addContent(`BT /${font.id} ${n(line.size)} Tf`)
    for (const piece of pieces(run.glyphs)) {
      const [start] = piece
      if (!start) continue
      inner.addContent(`1 0 0 -1 ${n(start.x)} ${n(line.baseline + start.y)} Tm`)
      inner.addContent(`[${shown(piece, characters, font, run.font, line.size, fonts)}] TJ`)
    }
    inner.addContent('ET')
  }
  doc.restore()
}

type Placed = { readonly id: number; readonly x: number; readonly y: number; readonly index: number }

/** Glyphs of one height, one after the other. */
function pieces(glyphs: SceneLine['runs'][number]['glyphs']): Placed[][] {
  const out: Placed[][] = []
  glyphs.forEach((g, index) => {
    const last = out.at(-1)
    if (last?.[0] && Math.abs(last[0].y - g.y) < 0.01) last.push({ ...g, index })
    else out.push([{ ...g, index }])
  })
  return out
}

/** Codes with the corrections that put each glyph where it was set. */
function shown(
  piece: readonly Placed[],
  characters: readonly string[],
  font: Subsetted,
  key: FontKey,
  size: number,
  { codes }: PdfFonts,
): string {
  let pen = piece[0]?.x ?? 0
  return piece
    .map((g) => {
      const text = characters[g.index] ?? ''
      const code = codeOf(g.id, text, font, key, codes)
      const move = ((g.x - pen) / size) * 1000
      pen = g.x + ((font.widths[code] ?? 0) / 1000) * size
      return `${Math.abs(move) > 0.5 ? `${n(-move)} ` : ''}<${code.toString(16).padStart(4, '0')}>`
    })
    .join('')
}

/** One code for each glyph and what it stands for: the same glyph may be the shape of several letters. */
function codeOf(id: number, text: string, font: Subsetted, key: FontKey, codes: Map<string, number>): number {
  const name = `${key} ${id} ${text}`
  const known = codes.get(name)
  if (known !== undefined) return known
  const code = font.subset.glyphs.push(id) - 1
  font.widths[code] = font.font.getGlyph(id).advanceWidth * font.scale
  font.unicode[code] = [...text].map((c) => c.codePointAt(0) as number)
  codes.set(name, code)
  return code
}

function chooseFont(doc: PDFKit.PDFDocument, key: FontKey, { bytes, codes }: PdfFonts): void {
  const registered = `registered ${key}`
  if (!codes.has(registered)) {
    const data = isShippedFont(key) ? readFileSync(fontFile(key)) : bytes[ownFontHash(key) ?? '']
    if (!data) throw new Error(`words are set in ${key}, which is not at hand`)
    doc.registerFont(key, Buffer.from(data))
    codes.set(registered, 1)
  }
  doc.font(key)
}
