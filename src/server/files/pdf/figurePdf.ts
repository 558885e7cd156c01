import { elementsOf } from '@/core/formats'
import type { Figure } from '@/core/figure'
import type { Drawing } from '../drawing'
import { readable } from './pictures'
import { drawElement, drawLine, finished, inPixels, pdfDocument, points, type PdfFonts } from './page'

export type PdfOptions = {
  readonly title: string
  readonly background: boolean
  /** A figure as JSON, to be attached; null for none. */
  readonly inside: ((figure: Figure) => string) | null
}

/** Figures as a PDF, each on a page of its own size: tagged, with bookmarks. */
export async function figurePdf(drawings: readonly Drawing[], options: PdfOptions): Promise<Uint8Array> {
  const [first] = drawings
  if (!first) throw new Error('a PDF needs a figure')
  const doc = pdfDocument(options.title, first.shown.language)
  const fonts: PdfFonts = { bytes: Object.assign({}, ...drawings.map((d) => d.fonts)), codes: new Map() }
  const whole = doc.struct('Document')
  doc.addStructure(whole)
  for (const [i, d] of drawings.entries()) {
    const { width, height } = d.scene
    doc.addPage({ size: [points(width), points(height)], margin: 0 })
    doc.outline.addItem(d.shown.title || `${i + 1}`)
    const readied = await readable(d)
    whole.add(figureStructure(doc, readied, fonts, options.background))
    if (options.inside)
      doc.file(Buffer.from(options.inside(d.figure)), {
        ...{ name: `figure-${i + 1}.json`, type: 'application/json', description: d.shown.title },
        ...{ creationDate: new Date('2000-01-01T00:00:00Z'), modifiedDate: new Date('2000-01-01T00:00:00Z') },
      })
  }
  whole.end()
  return finished(doc)
}

/** A figure where the page's px begin, with what it shows in words. */
export function figureStructure(
  doc: PDFKit.PDFDocument,
  d: Drawing,
  fonts: PdfFonts,
  background: boolean,
): PDFKit.PDFStructureElement {
  return doc.struct('Figure', { alt: d.description, title: d.shown.title, lang: d.shown.language }, [
    () => inPixels(doc, () => drawFigure(doc, d, fonts, background)),
  ])
}

export function drawFigure(doc: PDFKit.PDFDocument, d: Drawing, fonts: PdfFonts, background: boolean): void {
  const { scene, images, typesetter } = d
  if (background && !scene.open) doc.rect(0, 0, scene.width, scene.height).fill(scene.background)
  for (const mark of scene.marks)
    if (mark.mark === 'text') for (const line of mark.lines) drawLine(doc, line, mark.fill, typesetter, fonts)
    else for (const e of elementsOf(mark, { as: 'text', ...images })) drawElement(doc, e)
}
