/** A folio as a word-processor document (ISO/IEC 29500-1, 11: WordprocessingML) by `docx`: text as text, figures as SVG with a
 *  picture for programs that know none, captions that number themselves. */
import {
  AlignmentType,
  Bookmark,
  Document,
  HeadingLevel,
  ImageRun,
  LevelFormat,
  LineRuleType,
  Packer,
  Paragraph,
  SimpleField,
  Table,
  TableCell as Cell,
  TableOfContents,
  TableRow,
  TextRun,
  WidthType,
  type IParagraphOptions,
  type ISectionOptions,
  type ParagraphChild,
} from 'docx'
import { figuresWord, numberedFigure, readsLeft } from '@/core/figure'
import type { ManuscriptBlock, TableCell, Words } from '@/manuscript'
import { installedFont } from '../files/installedFonts'
import { zipped } from '../files/zipped'
import { jsonOf } from '../files/inside'
import { placedImages, type PlacedImage } from './placedImages'
import type { Made, Publication, Published } from './publication'
import { unzipSync } from 'fflate'

type Child = ISectionOptions['children'][number]
type Writing = {
  readonly publication: Publication
  readonly images: ReadonlyMap<string, PlacedImage>
  readonly lists: number[]
  readonly rtl: boolean
}

/** Twentieths of a point, and px of the text column. */
const PAPER = { a4: { width: 11_906, height: 16_838 }, letter: { width: 12_240, height: 15_840 } } as const
const MARGIN = 1417
const pxOfTwips = (twips: number): number => Math.floor(twips / 15)
const HEADINGS = [
  HeadingLevel.HEADING_1,
  HeadingLevel.HEADING_2,
  HeadingLevel.HEADING_3,
  HeadingLevel.HEADING_4,
] as const

export async function docxOf(publication: Publication): Promise<Made> {
  const { title, language, options, blocks, figures } = publication
  const images = await placedImages(publication, pxOfTwips(PAPER[options.paper].width - 2 * MARGIN))
  if ('code' in images) return images
  const writing: Writing = {
    publication,
    images,
    lists: [],
    rtl: readsLeft(language),
  }
  const body = options.text
    ? blocks.flatMap((b) => blockXml(b, writing, 0))
    : figures.flatMap((f) => figureXml(f, writing))
  const paper = PAPER[options.paper]
  const document = new Document({
    ...{
      title,
      creator: 'Idle Compass',
      description: title,
      styles: stylesOf(publication),
      numbering: { config: numbering(writing.lists) },
    },
    features: { updateFields: false },
    sections: [
      {
        properties: { page: { size: paper, margin: { top: MARGIN, right: MARGIN, bottom: MARGIN, left: MARGIN } } },
        children: [
          new Paragraph({ heading: HeadingLevel.TITLE, text: title, bidirectional: writing.rtl }),
          ...(body.length > 0 ? body : [new Paragraph('')]),
          ...(options.text && figures.length > 1 ? listOfFigures(publication) : []),
        ],
      },
    ],
  })
  return steady(new Uint8Array(await Packer.toBuffer(document)), publication)
}

/** The same folio gives the same bytes; and its figures lie in the file. */
function steady(file: Uint8Array, { figures, options }: Publication): Uint8Array {
  const parts: Record<string, string | Uint8Array> = { ...unzipSync(file) }
  const core = parts['docProps/core.xml']
  if (core instanceof Uint8Array)
    parts['docProps/core.xml'] = Buffer.from(core)
      .toString('utf8')
      .replace(/(<dcterms:\w+[^>]*>)[^<]*/g, '$12000-01-01T00:00:00Z')
  if (options.inside) for (const f of figures) parts[`idleCompass/figure${f.number}.json`] = jsonOf(f.figure)
  const types = parts['[Content_Types].xml']
  if (options.inside && types instanceof Uint8Array)
    parts['[Content_Types].xml'] = Buffer.from(types)
      .toString('utf8')
      .replace('<Default ', '<Default Extension="json" ContentType="application/json"/><Default ')
  return zipped(parts)
}

function stylesOf({ figures }: Publication) {
  const house = figures[0]?.drawings[0]?.style
  const name = (voice: 'heading' | 'body') => {
    const key = house?.[voice].fonts[0]
    return house && key ? installedFont(key, house.house) : { family: 'Hanken Grotesk', bold: false, italic: false }
  }
  const [heading, body] = [name('heading'), name('body')]
  const titled = (size: number, before: number) => ({
    run: { font: heading.family, bold: heading.bold, size, color: '1A1A1A' },
    paragraph: { spacing: { before, after: 120 }, keepNext: true },
  })
  return {
    default: {
      document: {
        run: { font: body.family, size: 21 },
        paragraph: { spacing: { after: 120, line: 300, lineRule: LineRuleType.AUTO } },
      },
      ...{
        title: titled(44, 0),
        heading1: titled(34, 360),
        heading2: titled(28, 280),
        heading3: titled(24, 220),
        heading4: titled(22, 180),
      },
    },
    paragraphStyles: [
      {
        id: 'Caption',
        name: 'caption',
        basedOn: 'Normal',
        next: 'Normal',
        run: { size: 18, color: '444444' },
        paragraph: { spacing: { after: 240 } },
      },
    ],
  }
}

const BULLETS = ['•', '–', '·']
const numbering = (lists: readonly number[]) => [
  {
    reference: 'bullets',
    levels: Array.from({ length: 9 }, (_, level) => ({
      ...{ level, format: LevelFormat.BULLET, text: BULLETS[level % 3] as string, alignment: AlignmentType.LEFT },
      style: { paragraph: { indent: { left: 360 * (level + 1), hanging: 280 } } },
    })),
  },
  ...lists.map((start, i) => ({
    reference: `numbers${i}`,
    levels: Array.from({ length: 9 }, (_, level) => ({
      start,
      ...{ level, format: LevelFormat.DECIMAL, text: `%${level + 1}.`, alignment: AlignmentType.LEFT },
      style: { paragraph: { indent: { left: 400 * (level + 1), hanging: 360 } } },
    })),
  })),
]

const runs = (words: Words): ParagraphChild[] =>
  words.map((w) =>
    'strong' in w ? new TextRun({ text: w.text, bold: w.strong, italics: w.em }) : new TextRun({ break: 1 }),
  )

function blockXml(b: ManuscriptBlock, w: Writing, level: number): Child[] {
  const paragraph = (words: Words, more: IParagraphOptions = {}) =>
    new Paragraph({ ...more, children: runs(words), bidirectional: w.rtl })
  switch (b.block) {
    case 'heading':
      return [paragraph(b.words, { heading: HEADINGS[Math.min(b.level, HEADINGS.length) - 1] })]
    case 'paragraph':
      return [paragraph(b.words, level > 0 ? { indent: { left: 400 * level } } : {})]
    case 'figure': {
      const found = w.publication.figures.find((f) => f.figure.id === b.id)
      return found ? figureXml(found, w) : []
    }
    case 'list': {
      const reference = b.first === null ? 'bullets' : `numbers${w.lists.push(b.first) - 1}`
      return b.items.flatMap((item) =>
        item.flatMap((inner, i) =>
          i === 0 && inner.block === 'paragraph'
            ? [paragraph(inner.words, { numbering: { reference, level: Math.min(8, level) } })]
            : blockXml(inner, w, level + 1),
        ),
      )
    }
    case 'table':
      return [tableXml(b.rows, w), new Paragraph('')]
  }
}

const tableXml = (rows: readonly (readonly TableCell[])[], w: Writing): Table =>
  new Table({
    width: { size: 100, type: WidthType.PERCENTAGE },
    visuallyRightToLeft: w.rtl,
    rows: rows.map(
      (row) =>
        new TableRow({
          tableHeader: row.length > 0 && row.every((c) => c.heading),
          children: row.map((c) => {
            const inner = c.blocks
              .flatMap((b) => blockXml(b, w, 0))
              .filter((x) => x instanceof Paragraph || x instanceof Table)
            return new Cell({
              ...{ columnSpan: c.across, rowSpan: c.down, margins: { top: 60, bottom: 60, left: 100, right: 100 } },
              children: inner.length > 0 ? inner : [new Paragraph('')],
            })
          }),
        }),
    ),
  })

function figureXml({ figure, number, caption, drawings }: Published, w: Writing): Child[] {
  const image = w.images.get(figure.id)
  const drawing = drawings[0]
  if (!image || !drawing) return []
  const before = numberedFigure(drawing.shown.language, number).replace(/\d+$/, '')
  const numbered = numberedFigure(drawing.shown.language, number)
  return [
    new Paragraph({
      ...{ keepNext: true, alignment: AlignmentType.CENTER },
      spacing: { before: 200, line: 240, lineRule: LineRuleType.AUTO },
      children: [
        new ImageRun({
          ...{ type: 'svg', data: Buffer.from(image.svg), fallback: { type: 'png', data: Buffer.from(image.png) } },
          transformation: { width: Math.round(image.width), height: Math.round(image.height) },
          altText: { title: figure.title || numbered, description: drawing.description, name: `Figure ${number}` },
        }),
      ],
    }),
    new Paragraph({
      ...{ style: 'Caption', alignment: AlignmentType.CENTER, bidirectional: w.rtl },
      children: [
        new Bookmark({
          id: `figure${number}`,
          children: [new TextRun(before), new SimpleField(' SEQ Figure \\* ARABIC ', String(number))],
        }),
        new TextRun(caption.slice(numbered.length)),
      ],
    }),
  ]
}

function listOfFigures({ figures, language }: Publication): Child[] {
  return [
    new Paragraph({ heading: HeadingLevel.HEADING_1, text: figuresWord(language) }),
    new TableOfContents('Figures', {
      captionLabel: 'Figure',
      hyperlink: true,
      cachedEntries: figures.map((f) => ({ title: f.caption, level: 1, href: `figure${f.number}` })),
    }),
  ]
}
