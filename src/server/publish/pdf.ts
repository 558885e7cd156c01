/** A folio as a PDF to be read and printed: its text set in the type of its style, figures where they stand, captions, page
 *  numbers, bookmarks, a list of figures; tagged in the order of the text (ISO 32000-1, 14.8). */
import { figuresWord, readsLeft } from '@/core/figure'
import type { Typesetter } from '@/core/measure'
import type { SceneLine } from '@/core/scene'
import type { FigureStyle } from '@/core/style'
import type { ManuscriptBlock, TableCell, Words } from '@/manuscript'
import { serverTypesetter } from '../fontFiles'
import type { Drawing } from '../files/drawing'
import { jsonOf } from '../files/inside'
import { drawFigure, figurePdf } from '../files/pdf/figurePdf'
import { drawLine, finished, inPixels, pdfDocument, points, type PdfFonts } from '../files/pdf/page'
import { readable } from '../files/pdf/pictures'
import { linesOf, type Face } from './flow'
import type { Publication, Published } from './publication'

/** px: 96 to the inch. */
const PAPER = { a4: { width: 794, height: 1123 }, letter: { width: 816, height: 1056 } } as const
const MARGIN = 94
const BODY = 14.2
const LEADING = 1.5
const SIZES = [27, 20.5, 17, 15]
const INDENT = 26

type Doc = PDFKit.PDFDocument
type Element = PDFKit.PDFStructureElement
/** Something that stands on a page as a whole. */
type Row = {
  readonly height: number
  readonly before: number
  /** The next stands on the same page. */
  readonly keep: boolean
  /** What it is in the structure, once for all rows of it. */
  readonly element: Element
  readonly tag: string
  readonly draw: (x: number, y: number) => void
  readonly bookmark?: { readonly level: number; readonly text: string }
  /** Told on which page it came to stand. */
  readonly stands?: (page: number) => void
}
type Setter = {
  readonly doc: Doc
  readonly fonts: PdfFonts
  readonly typesetter: Typesetter
  readonly style: Pick<FigureStyle, 'body' | 'heading'> | null
  readonly room: number
  readonly height: number
  readonly rtl: boolean
  readonly ink: string
  readonly publication: Publication
  readonly drawings: ReadonlyMap<string, Drawing>
  readonly pageOf: Map<number, number>
}

export async function pdfOf(publication: Publication): Promise<Uint8Array> {
  const { title, language, options, figures } = publication
  const inside = options.inside ? jsonOf : null
  if (!options.text)
    return figurePdf(
      figures.flatMap((f) => f.drawings),
      { title, background: options.background, inside },
    )
  const doc = pdfDocument(title, language)
  const whole = doc.struct('Document')
  doc.addStructure(whole)
  const setter = await setterFor(doc, publication)
  const rows = [
    ...wordRows(setter, whole, 'H1', [{ text: title, strong: true, em: false }], 0),
    ...publication.blocks.flatMap((b) => blockRows(b, setter, whole, 0)),
  ]
  const paper = PAPER[options.paper]
  const pages = paginated(rows, setter)
  if (figures.length > 1) pages.push(...listPages(setter, whole, pages))
  const mark = bookmarks(doc)
  pages.forEach((page, i) => {
    doc.addPage({ size: [points(paper.width), points(paper.height)], margin: 0 })
    for (const { row, y } of page) {
      const content = doc.markStructureContent(row.tag)
      inPixels(doc, () => row.draw(MARGIN, y))
      doc.endMarkedContent()
      row.element.add(content)
      if (row.bookmark) mark(row.bookmark)
    }
    footer(setter, i + 1, paper)
  })
  for (const f of figures)
    if (inside)
      doc.file(Buffer.from(inside(f.figure)), {
        ...{ name: `figure-${f.number}.json`, type: 'application/json', description: f.caption },
        ...{ creationDate: new Date('2000-01-01T00:00:00Z'), modifiedDate: new Date('2000-01-01T00:00:00Z') },
      })
  whole.end()
  return finished(doc)
}

async function setterFor(doc: Doc, publication: Publication): Promise<Setter> {
  const first = publication.figures[0]?.drawings[0]
  const paper = PAPER[publication.options.paper]
  const drawings = new Map<string, Drawing>()
  for (const f of publication.figures) {
    const [drawing] = f.drawings
    if (drawing) drawings.set(f.figure.id, await readable(drawing))
  }
  return {
    ...{ doc, publication, drawings, pageOf: new Map() },
    fonts: { bytes: publication.brought.fonts, codes: new Map() },
    typesetter: first?.typesetter ?? serverTypesetter(),
    style: first?.style ?? null,
    room: paper.width - 2 * MARGIN,
    height: paper.height - 2 * MARGIN,
    rtl: readsLeft(publication.language),
    ink: '#1a1d21',
  }
}

function faceOf({ style }: Setter, size: number, heading: boolean): Face {
  const body = style?.body.fonts ?? ['grotesk-400' as const, 'wide-400' as const]
  const strong = style?.heading.fonts ?? ['grotesk-600' as const, 'wide-400' as const]
  return heading ? { plain: strong, strong, size } : { plain: body, strong, size }
}

type WordLook = { readonly size: number; readonly before: number; readonly keep: boolean; readonly heading: boolean }
const LOOKS: Readonly<Record<string, WordLook>> = {
  H1: { size: SIZES[0] as number, before: 0, keep: true, heading: true },
  H2: { size: SIZES[1] as number, before: 30, keep: true, heading: true },
  H3: { size: SIZES[2] as number, before: 24, keep: true, heading: true },
  H4: { size: SIZES[3] as number, before: 20, keep: true, heading: true },
  P: { size: BODY, before: 10, keep: false, heading: false },
  Caption: { size: BODY * 0.87, before: 8, keep: false, heading: false },
}

/** Words as rows of one line each; the first two and the last two of a paragraph stay together. */
function wordRows(s: Setter, parent: Element, tag: string, words: Words, indent: number, centred = false): Row[] {
  const look = LOOKS[tag] ?? (LOOKS['P'] as WordLook)
  const lines = linesOf(words, faceOf(s, look.size, look.heading), s.room - indent, s.typesetter, s.rtl)
  const element = childOf(s, parent, tag)
  const text = words.map((w) => w.text).join('')
  const step = look.size * (look.heading ? 1.25 : LEADING)
  return lines.map((line, i) => ({
    ...{ element, tag, height: step, before: i === 0 ? look.before : 0 },
    keep: look.keep || (lines.length > 2 && (i === 0 || i === lines.length - 2)),
    ...(look.heading && i === 0 ? { bookmark: { level: Number(tag.slice(1)), text } } : {}),
    draw: (x, y) => drawWords(s, line, x + (s.rtl ? 0 : indent), y + step * 0.72, centred),
  }))
}

function drawWords(s: Setter, line: SceneLine, x: number, baseline: number, centred: boolean): void {
  const last = line.runs.at(-1)
  const by = x + (centred && last ? (s.room - last.x - last.width) / 2 : 0)
  const runs = line.runs.map((r) => ({ ...r, x: r.x + by, glyphs: r.glyphs.map((g) => ({ ...g, x: g.x + by })) }))
  drawLine(s.doc, { ...line, baseline, runs }, s.ink, s.typesetter, s.fonts)
}

const childOf = ({ doc }: Setter, parent: Element, tag: string): Element => {
  const element = doc.struct(tag)
  parent.add(element)
  return element
}

/** Bookmarks inside bookmarks, as headings are; each leads to the page that is being drawn. */
function bookmarks(doc: Doc): (mark: { readonly level: number; readonly text: string }) => void {
  const open: PDFKit.PDFOutline[] = [doc.outline]
  return ({ level, text }) => {
    open.length = Math.min(open.length, level)
    const parent = open.at(-1) as PDFKit.PDFOutline
    open.push(parent.addItem(text))
  }
}

function blockRows(b: ManuscriptBlock, s: Setter, parent: Element, indent: number): Row[] {
  switch (b.block) {
    case 'heading':
      return wordRows(s, parent, `H${Math.min(4, b.level + 1)}`, b.words, indent)
    case 'paragraph':
      return b.words.length === 0 ? [] : wordRows(s, parent, 'P', b.words, indent)
    case 'list':
      return listRows(b, s, parent, indent)
    case 'table':
      return tableRows(b.rows, s, parent)
    case 'figure': {
      const found = s.publication.figures.find((f) => f.figure.id === b.id)
      return found ? figureRows(found, s, parent) : []
    }
  }
}

function listRows(
  { first, items }: Extract<ManuscriptBlock, { block: 'list' }>,
  s: Setter,
  parent: Element,
  indent: number,
): Row[] {
  const list = childOf(s, parent, 'L')
  return items.flatMap((item, i) => {
    const entry = childOf(s, list, 'LI')
    const label = childOf(s, entry, 'Lbl')
    const mark = first === null ? '•' : `${first + i}.`
    const rows = item.flatMap((b) => blockRows(b, s, childOf(s, entry, 'LBody'), indent + INDENT))
    const [lead, ...rest] = rows
    if (!lead) return []
    const [sign] = linesOf(
      [{ text: mark, strong: false, em: false }],
      faceOf(s, BODY, false),
      s.room,
      s.typesetter,
      s.rtl,
    )
    const draw = (x: number, y: number) => {
      s.doc.endMarkedContent()
      label.add(s.doc.markStructureContent('Lbl'))
      if (sign) drawWords(s, sign, x + (s.rtl ? -indent : indent), y + BODY * LEADING * 0.72, false)
      s.doc.endMarkedContent()
      lead.element.add(s.doc.markStructureContent(lead.tag))
      lead.draw(x, y)
    }
    return [{ ...lead, before: i === 0 ? 8 : 3, draw }, ...rest]
  })
}

const PAD = 7

/** A row of a table stands on one page as a whole; one that is taller than a page goes on on the next. */
function tableRows(rows: readonly (readonly TableCell[])[], s: Setter, parent: Element): Row[] {
  const table = childOf(s, parent, 'Table')
  const columns = Math.max(1, ...rows.map((r) => r.reduce((sum, c) => sum + c.across, 0)))
  const unit = s.room / columns
  return rows.flatMap((row, index): Row[] => {
    const line = childOf(s, table, 'TR')
    let column = 0
    const cells = row.map((c) => {
      const at = column
      column += c.across
      const element = childOf(s, line, c.heading ? 'TH' : 'TD')
      const narrow: Setter = { ...s, room: unit * c.across - 2 * PAD }
      const words = c.blocks
        .flatMap((b): Words => ('words' in b ? [...b.words, { text: '\n' }] : plainOf(b)))
        .slice(0, -1)
      const face = faceOf(s, BODY * 0.93, c.heading)
      return {
        at,
        element,
        tag: c.heading ? 'TH' : 'TD',
        lines: linesOf(words, face, narrow.room, s.typesetter, s.rtl),
        wide: unit * c.across,
      }
    })
    const step = BODY * 0.93 * 1.4
    const most = Math.max(1, Math.floor((s.height - 2 * PAD) / step))
    const count = Math.max(1, ...cells.map((c) => c.lines.length))
    return Array.from({ length: Math.ceil(count / most) }, (_, part): Row => {
      const shown = (lines: readonly SceneLine[]) => lines.slice(part * most, (part + 1) * most)
      const height = Math.max(1, ...cells.map((c) => shown(c.lines).length)) * step + 2 * PAD
      const draw = (x: number, y: number) => {
        s.doc.endMarkedContent()
        for (const c of cells) {
          const left = s.rtl ? x + s.room - c.at * unit - c.wide : x + c.at * unit
          c.element.add(s.doc.markStructureContent(c.tag))
          s.doc.lineWidth(0.7).strokeColor('#b9b9b4').rect(left, y, c.wide, height).stroke()
          shown(c.lines).forEach((l, k) =>
            drawWords({ ...s, room: c.wide - 2 * PAD }, l, left + PAD, y + PAD + step * (k + 0.72), false),
          )
          s.doc.endMarkedContent()
        }
        line.add(s.doc.markStructureContent('TR'))
      }
      const first = index === 0 && part === 0
      return { element: line, tag: 'TR', height, before: first ? 12 : 0, keep: first, draw }
    })
  })
}

/** Lists inside a cell as lines. */
function plainOf(b: ManuscriptBlock): Words {
  if (b.block === 'list')
    return b.items.flatMap((item) => [
      { text: '• ', strong: false, em: false },
      ...item.flatMap((x): Words => ('words' in x ? x.words : plainOf(x))),
      { text: '\n' } as const,
    ])
  return []
}

function figureRows({ figure, number, caption }: Published, s: Setter, parent: Element): Row[] {
  const d = s.drawings.get(figure.id)
  if (!d) return []
  const element = s.doc.struct('Figure', { alt: d.description, title: d.shown.title, lang: d.shown.language })
  parent.add(element)
  const scale = Math.min(1, s.room / d.scene.width, (s.height - 60) / d.scene.height)
  const [width, height] = [d.scene.width * scale, d.scene.height * scale]
  const draw = (x: number, y: number) => {
    s.doc.save()
    s.doc.translate(x + (s.room - width) / 2, y).scale(scale)
    drawFigure(s.doc, d, s.fonts, s.publication.options.background)
    s.doc.restore()
  }
  const stands = (page: number) => void s.pageOf.set(number, page)
  const words = [{ text: caption, strong: false, em: false }]
  return [
    { element, tag: 'Figure', height, before: 18, keep: true, draw, stands },
    ...wordRows(s, parent, 'Caption', words, 0, true).map((r, i, all) =>
      i === all.length - 1 ? { ...r, height: r.height + 10 } : r,
    ),
  ]
}

type Page = { readonly row: Row; readonly y: number }[]

/** Rows on pages; those that are to stay together go on together. */
function paginated(rows: readonly Row[], { height }: Pick<Setter, 'height'>): Page[] {
  const pages: Page[] = [[]]
  let y = MARGIN
  for (let i = 0; i < rows.length;) {
    let end = i + 1
    while (rows[end - 1]?.keep && end < rows.length) end++
    const group = rows.slice(i, end)
    const tall = group.reduce((sum, r, k) => sum + r.height + (k === 0 && y === MARGIN ? 0 : r.before), 0)
    if (y > MARGIN && y + tall > MARGIN + height && group[0]) {
      // What together is taller than a page begins where it stands.
      if (tall <= height || y + group[0].height > MARGIN + height) {
        pages.push([])
        y = MARGIN
      }
    }
    for (const row of group) {
      const before = y === MARGIN ? 0 : row.before
      if (y + before + row.height > MARGIN + height && y > MARGIN) {
        pages.push([])
        y = MARGIN
      } else y += before
      pages.at(-1)?.push({ row, y })
      y += row.height
    }
    i = end
  }
  return pages
}

/** Figures with their pages: known only when all else stands. */
function listPages(s: Setter, parent: Element, pages: readonly Page[]): Page[] {
  const toc = childOf(s, parent, 'TOC')
  const heading = wordRows(s, parent, 'H2', [{ text: figuresWord(s.publication.language), strong: true, em: false }], 0)
  pages.forEach((page, i) => page.forEach(({ row }) => row.stands?.(i)))
  const rows = s.publication.figures.flatMap((f): Row[] => {
    const page = (s.pageOf.get(f.number) ?? 0) + 1
    return wordRows(
      s,
      childOf(s, toc, 'TOCI'),
      'P',
      [{ text: `${f.caption}  ·  ${page}`, strong: false, em: false }],
      0,
    )
  })
  return paginated([...heading, ...rows], s)
}

function footer(s: Setter, page: number, paper: { readonly width: number; readonly height: number }): void {
  const [line] = linesOf(
    [{ text: String(page), strong: false, em: false }],
    faceOf(s, 11, false),
    200,
    s.typesetter,
    false,
  )
  // Page numbers are no part of the text.
  s.doc.markContent('Artifact', { type: 'Pagination' })
  inPixels(s.doc, () => {
    if (line) drawWords({ ...s, room: paper.width - 2 * MARGIN }, line, MARGIN, paper.height - MARGIN / 2, true)
  })
  s.doc.endMarkedContent()
}
