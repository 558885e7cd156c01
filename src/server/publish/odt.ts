/** A folio as an ODF text (OASIS OpenDocument 1.3): text as text, figures as SVG with a picture for programs that know none. */
import { figuresWord, numberedFigure, readsLeft } from '@/core/figure'
import { escaped } from '@/core/formats'
import type { ManuscriptBlock, TableCell, Words } from '@/manuscript'
import { insideXml } from '../files/inside'
import { installedFont } from '../files/installedFonts'
import { spaced } from '../files/odf/drawing'
import { odfFile, officeXml } from '../files/odf/package'
import { attributes, createStyles, type Styles } from '../files/odf/styles'
import { placedImages, type PlacedImage } from './placedImages'
import type { Made, Publication, Published } from './publication'

/** pt. */
const PAPER = { a4: { width: 595, height: 842 }, letter: { width: 612, height: 792 } } as const
const MARGIN = 71

type Writing = {
  readonly publication: Publication
  readonly styles: Styles
  readonly images: ReadonlyMap<string, PlacedImage>
  readonly tables: { count: number }
}

export async function odtOf(publication: Publication): Promise<Made> {
  const { title, language, options, blocks, figures } = publication
  const images = await placedImages(publication, (PAPER[options.paper].width - 2 * MARGIN) / 0.75)
  if ('code' in images) return images
  const w: Writing = { publication, styles: createStyles(), images, tables: { count: 0 } }
  const body = options.text ? blocks.map((b) => blockXml(b, w)).join('') : figures.map((f) => figureXml(f, w)).join('')
  const list = options.text && figures.length > 1 ? listOfFigures(publication) : ''
  const sequence =
    '<text:sequence-decls><text:sequence-decl text:display-outline-level="0" text:name="Figure"/></text:sequence-decls>'
  const text = `<office:text>${sequence}<text:p text:style-name="Title">${escaped(title)}</text:p>${body}${list}</office:text>`
  return odfFile({
    ...{ kind: 'text', title, language, pictures: picturesOf(figures, images) },
    content: officeXml(
      'content',
      `<office:automatic-styles>${w.styles.xml()}${LISTS}</office:automatic-styles><office:body>${text}</office:body>`,
    ),
    styles: stylesXml(publication),
    inside: options.inside
      ? Object.fromEntries(figures.map((f) => [`Figures/figure${f.number}.xml`, insideXml(f.figure)]))
      : {},
  })
}

/** Where the two pictures of a figure lie in the file. */
const partsOf = (number: number) => ({ svg: `Pictures/figure${number}.svg`, png: `Pictures/figure${number}.png` })

function picturesOf(
  figures: readonly Published[],
  images: ReadonlyMap<string, PlacedImage>,
): ReadonlyMap<string, string> {
  const out = new Map<string, string>()
  for (const { figure, number } of figures) {
    const image = images.get(figure.id)
    if (!image) continue
    const [svg, png] = [Buffer.from(image.svg).toString('base64'), Buffer.from(image.png).toString('base64')]
    out.set(`data:image/svg+xml;base64,${svg}`, partsOf(number).svg)
    out.set(`data:image/png;base64,${png}`, partsOf(number).png)
  }
  return out
}

const LEVELS = Array.from({ length: 10 }, (_, i) => i + 1)
const indented = (level: number) =>
  `<style:list-level-properties text:list-level-position-and-space-mode="label-alignment"><style:list-level-label-alignment text:label-followed-by="listtab" fo:text-indent="-14pt" fo:margin-left="${18 * level}pt"/></style:list-level-properties>`
const LISTS =
  `<text:list-style style:name="Bullets">${LEVELS.map((l) => `<text:list-level-style-bullet text:level="${l}" text:bullet-char="${'•–·'[(l - 1) % 3]}">${indented(l)}</text:list-level-style-bullet>`).join('')}</text:list-style>` +
  `<text:list-style style:name="Numbers">${LEVELS.map((l) => `<text:list-level-style-number text:level="${l}" style:num-format="1" style:num-suffix=".">${indented(l)}</text:list-level-style-number>`).join('')}</text:list-style>` +
  '<style:style style:name="Cell" style:family="table-cell"><style:table-cell-properties fo:border="0.5pt solid #b9b9b4" fo:padding="4pt"/></style:style>'

function stylesXml({ figures, options, language }: Publication): string {
  const house = figures[0]?.drawings[0]?.style
  const name = (voice: 'heading' | 'body') => {
    const key = house?.[voice].fonts[0]
    return escaped(house && key ? installedFont(key, house.house).family : 'Hanken Grotesk')
  }
  const font = (family: string, size: number, more = '') =>
    `<style:text-properties${attributes({ 'fo:font-family': `'${family}'`, 'style:font-family-asian': `'${family}'`, 'style:font-family-complex': `'${family}'`, 'fo:font-size': `${size}pt` })}${more}/>`
  const paragraph = (id: string, space: string, text: string, more = '') =>
    `<style:style style:name="${id}" style:family="paragraph"${id === 'Standard' ? '' : ' style:parent-style-name="Standard"'}${more}><style:paragraph-properties ${space}/>${text}</style:style>`
  const [heading, body] = [name('heading'), name('body')]
  const rtl = readsLeft(language)
  const paper = PAPER[options.paper]
  return officeXml(
    'styles',
    `<office:styles>${[
      paragraph(
        'Standard',
        `fo:margin-bottom="6pt" fo:line-height="125%" style:writing-mode="${rtl ? 'rl-tb' : 'lr-tb'}"`,
        font(body, 10.5),
      ),
      paragraph('Title', 'fo:margin-bottom="12pt" fo:keep-with-next="always"', font(heading, 22)),
      ...[17, 14, 12, 11].map((size, i) =>
        paragraph(
          `Heading_20_${i + 1}`,
          'fo:margin-top="14pt" fo:margin-bottom="5pt" fo:keep-with-next="always"',
          font(heading, size),
          ` style:default-outline-level="${i + 1}" style:display-name="Heading ${i + 1}"`,
        ),
      ),
      paragraph('Figure', 'fo:text-align="center" fo:margin-top="8pt" fo:keep-with-next="always"', font(body, 10.5)),
      paragraph('Caption', 'fo:text-align="center" fo:margin-bottom="12pt"', font(body, 9, ' fo:color="#444444"')),
    ].join(
      '',
    )}<style:style style:name="Strong" style:family="text"><style:text-properties fo:font-weight="bold" style:font-weight-asian="bold" style:font-weight-complex="bold"/></style:style>` +
      '<style:style style:name="Em" style:family="text"><style:text-properties fo:font-style="italic"/></style:style>' +
      '<style:style style:name="StrongEm" style:family="text"><style:text-properties fo:font-weight="bold" fo:font-style="italic"/></style:style></office:styles>' +
      `<office:automatic-styles><style:page-layout style:name="Page"><style:page-layout-properties fo:page-width="${paper.width}pt" fo:page-height="${paper.height}pt" fo:margin-top="${MARGIN}pt" fo:margin-bottom="${MARGIN}pt" fo:margin-left="${MARGIN}pt" fo:margin-right="${MARGIN}pt"/></style:page-layout></office:automatic-styles>` +
      '<office:master-styles><style:master-page style:name="Standard" style:page-layout-name="Page"/></office:master-styles>',
  )
}

const wordsXml = (words: Words): string =>
  words
    .map((w) => {
      if (!('strong' in w)) return '<text:line-break/>'
      const style = `${w.strong ? 'Strong' : ''}${w.em ? 'Em' : ''}`
      return style ? `<text:span text:style-name="${style}">${spaced(w.text)}</text:span>` : spaced(w.text)
    })
    .join('')

function blockXml(b: ManuscriptBlock, w: Writing): string {
  switch (b.block) {
    case 'heading': {
      const level = Math.min(4, b.level)
      return `<text:h text:style-name="Heading_20_${level}" text:outline-level="${level}">${wordsXml(b.words)}</text:h>`
    }
    case 'paragraph':
      return `<text:p text:style-name="Standard">${wordsXml(b.words)}</text:p>`
    case 'figure': {
      const found = w.publication.figures.find((f) => f.figure.id === b.id)
      return found ? figureXml(found, w) : ''
    }
    case 'list': {
      const start = (i: number) =>
        i === 0 && b.first !== null && b.first !== 1 ? ` text:start-value="${b.first}"` : ''
      return `<text:list text:style-name="${b.first === null ? 'Bullets' : 'Numbers'}">${b.items
        .map((item, i) => `<text:list-item${start(i)}>${item.map((x) => blockXml(x, w)).join('')}</text:list-item>`)
        .join('')}</text:list>`
    }
    case 'table':
      return tableXml(b.rows, w)
  }
}

function tableXml(rows: readonly (readonly TableCell[])[], w: Writing): string {
  const columns = Math.max(1, ...rows.map((r) => r.reduce((sum, c) => sum + c.across, 0)))
  const cell = (c: TableCell) => {
    const span = attributes({
      'table:number-columns-spanned': c.across > 1 ? c.across : null,
      'table:number-rows-spanned': c.down > 1 ? c.down : null,
    })
    return `<table:table-cell table:style-name="Cell" office:value-type="string"${span}>${c.blocks.map((b) => blockXml(b, w)).join('') || '<text:p/>'}</table:table-cell>`
  }
  const xml = rows.map((r) => `<table:table-row>${r.map(cell).join('')}</table:table-row>`)
  const heading = rows[0]?.every((c) => c.heading) && rows.length > 1 ? 1 : 0
  const head = heading ? `<table:table-header-rows>${xml[0]}</table:table-header-rows>` : ''
  w.tables.count++
  return `<table:table table:name="Table${w.tables.count}"><table:table-column table:number-columns-repeated="${columns}"/>${head}${xml.slice(heading).join('')}</table:table>`
}

function figureXml({ figure, number, caption, drawings }: Published, w: Writing): string {
  const image = w.images.get(figure.id)
  const drawing = drawings[0]
  if (!image || !drawing) return ''
  const numbered = numberedFigure(drawing.shown.language, number)
  const link = (href: string) =>
    `<draw:image xlink:href="${href}" xlink:type="simple" xlink:show="embed" xlink:actuate="onLoad"/>`
  const frame = attributes({
    ...{ 'draw:name': `Figure ${number}`, 'text:anchor-type': 'as-char' },
    ...{ 'svg:width': `${(image.width * 0.75).toFixed(2)}pt`, 'svg:height': `${(image.height * 0.75).toFixed(2)}pt` },
  })
  const sequence = `<text:sequence text:ref-name="refFigure${number}" text:name="Figure" text:formula="ooow:Figure+1" style:num-format="1">${number}</text:sequence>`
  return (
    `<text:p text:style-name="Figure"><draw:frame${frame}>${link(partsOf(number).svg)}${link(partsOf(number).png)}<svg:title>${escaped(drawing.shown.title || numbered)}</svg:title><svg:desc>${escaped(drawing.description)}</svg:desc></draw:frame></text:p>` +
    `<text:p text:style-name="Caption">${spaced(numbered.replace(/\d+$/, ''))}${sequence}${spaced(caption.slice(numbered.length))}</text:p>`
  )
}

const listOfFigures = ({ figures, language }: Publication): string =>
  `<text:illustration-index text:name="Figures"><text:illustration-index-source text:caption-sequence-name="Figure" text:caption-sequence-format="text"><text:index-title-template text:style-name="Heading_20_1">${escaped(figuresWord(language))}</text:index-title-template></text:illustration-index-source>` +
  `<text:index-body><text:index-title text:name="FiguresHead"><text:p text:style-name="Heading_20_1">${escaped(figuresWord(language))}</text:p></text:index-title>${figures.map((f) => `<text:p text:style-name="Standard">${escaped(f.caption)}</text:p>`).join('')}</text:index-body></text:illustration-index>`
