/** Every file that leaves, opened by programs that are not ours; every file that comes in, made by such. */
import assert from 'node:assert/strict'
import { existsSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { after, before, test } from 'node:test'
import sharp from 'sharp'
import { below, cellsOfCsv, elements, tableRows, xmlOf } from '../src/core/exchange'
import { figureKinds } from '../src/core/figure'
import { plainWardrobe } from '../src/core/style'
import { seededOfKind } from '../src/core/testing/seededFigure'
import { NOTHING_BROUGHT, drawingOf, figureFile } from '../src/server/figureFile'
import type { Drawing } from '../src/server/files/drawing'
import { plainOptions } from '../src/server/files/fileTypes'
import { fileFormats } from '../src/server/files/formats'
import { figureOdp } from '../src/server/files/odf/figureOdp'
import { figurePdf } from '../src/server/files/pdf/figurePdf'
import { figureDeck } from '../src/server/files/pptx/figureDeck'
import { imported } from '../src/server/imports/readers'
import { published } from '../src/server/publish'
import { docxOf } from '../src/server/publish/docx'
import { odtOf } from '../src/server/publish/odt'
import {
  plainPublication,
  type Publication,
  type PublishOptions,
  type Published,
} from '../src/server/publish/publication'
import { handbook } from './handbook'
import { hostileFiles } from './hostileFiles'
import { officeFaults } from './officeParts'
import * as other from './otherPrograms'
import { sixtyFigures } from './sixtyFigures'

/** Half of the slide: what differs there is seen. */
const [WIDTH, HEIGHT] = [640, 360]
/** Of the pixels: what other programs set otherwise than we do, edges apart. */
const MOST = { pptx: 0.03, odp: 0.03, pdf: 0.002, docx: 0.01 }

const names: string[] = []
const drawings: Drawing[] = []
const ours: Uint8Array[] = []
const bytesOf = (made: Uint8Array | object): Uint8Array => {
  if (made instanceof Uint8Array) return made
  throw new Error(JSON.stringify(made))
}

before(async () => {
  for (const { figure, wardrobe, name } of sixtyFigures()) {
    const drawing = await drawingOf(figure, wardrobe, NOTHING_BROUGHT)
    names.push(name)
    drawings.push(drawing)
    ours.push(bytesOf(await fileFormats.png.make(drawing, { ...plainOptions, scale: 0.5 })))
  }
  const options = { title: 'Sixty', inside: null }
  writeFileSync(other.at('deck.pptx'), figureDeck(drawings, { ...options, glue: false }))
  writeFileSync(other.at('deck.odp'), figureOdp(drawings, { ...options, title: 'Sixty', glue: false }))
  writeFileSync(other.at('figures.pdf'), await figurePdf(drawings, { ...options, background: true }))
})
after(() => rmSync(other.work, { recursive: true, force: true }))

async function compared(pdf: string, most: number): Promise<void> {
  other.pdfPages(pdf, WIDTH, HEIGHT)
  const far: string[] = []
  for (const [i, png] of ours.entries()) {
    const share = await other.difference(png, other.pagePath(pdf, i + 1, ours.length), WIDTH, HEIGHT)
    if (share > most) far.push(`${names[i]}: ${(share * 100).toFixed(2)} %`)
  }
  assert.deepEqual(far, [])
}

test('60 figures as PDF are the same picture, their words in order, every font inside, tagged', async () => {
  await compared('figures.pdf', MOST.pdf)
  assert.match(other.pdfInfo('figures.pdf'), /Tagged:\s+yes/)
  const fonts = other.pdfFonts('figures.pdf')
  assert.ok(fonts.length > 3)
  for (const line of fonts) assert.match(line, /yes yes yes\s+\d+\s+0$/, line)
  const words = other.pdfText('figures.pdf').split('\f')
  for (const [i, d] of drawings.entries()) {
    const page = (words[i] ?? '').replace(/\s+/g, '')
    for (const n of d.scene.nodes)
      for (const line of linesOf(d, n.id)) assert.ok(page.includes(line), `${names[i]}: “${line}” is not in the text`)
  }
})
const linesOf = ({ scene }: Drawing, id: string): string[] =>
  scene.marks.flatMap((m) =>
    m.mark === 'text' && m.owner === id && m.lines.every((l) => l.turn === 0)
      ? m.lines.map((l) => l.text.replace(/\s+/g, ''))
      : [],
  )

test('60 figures as slides, PPTX and ODP, are the same picture in another program', async () => {
  other.converted(['deck.pptx'], 'pdf')
  await compared('deck.pdf', MOST.pptx)
  other.converted(['deck.odp'], 'pdf')
  await compared('deck.pdf', MOST.odp)
})

test('the parts of slides and documents are as the standard asks, and every connector names shapes and sites', async () => {
  const glued = figureDeck(drawings, { title: 'Sixty', glue: true, inside: null })
  const found = officeFaults(glued)
  assert.deepEqual(found.faults, [])
  const links = drawings.reduce((sum, d) => sum + d.scene.links.length, 0)
  assert.deepEqual([found.connectors, found.glued], [links, links])
  assert.deepEqual(
    officeFaults(bytesOf(await published(await handbook(), 'docx', OPTIONS, () => undefined))).faults,
    [],
  )
})

test('connectors stay glued in another program, and follow the shape that is moved there', async () => {
  const { figure, wardrobe } =
    sixtyFigures().find((f) => f.figure.kind === 'process' && !/drawn/.test(f.name)) ?? assert.fail()
  const drawing = await drawingOf(figure, { ...plainWardrobe('light'), style: wardrobe.style }, NOTHING_BROUGHT)
  writeFileSync(other.at('glued.pptx'), figureDeck([drawing], { title: 'Glued', glue: true, inside: null }))
  other.converted(['glued.pptx'], 'fodp')
  const flat = readFileSync(other.at('glued.fodp'), 'utf8')
  const connectors = connectorsOf(flat)
  assert.equal(connectors.length, drawing.scene.links.length)
  for (const c of connectors) assert.ok(c['draw:start-shape'] && c['draw:end-shape'], 'glued at both ends')
  // The shape that the first connector leads to, three centimetres down.
  const moved = connectors[0]?.['draw:end-shape'] ?? ''
  const tag =
    new RegExp(`<draw:custom-shape[^>]*(?:xml:id|draw:id)="${moved}"[^>]*>`).exec(flat)?.[0] ?? assert.fail('no shape')
  const lower = tag.replace(/svg:y="([\d.]+)cm"/, (_, y: string) => `svg:y="${(Number(y) + 3).toFixed(3)}cm"`)
  assert.notEqual(lower, tag)
  writeFileSync(other.at('moved.fodp'), flat.replace(tag, lower))
  other.converted(['moved.fodp'], 'odp')
  other.converted(['moved.odp'], 'fodp')
  const after = connectorsOf(readFileSync(other.at('moved.fodp'), 'utf8'))
  const y = (list: typeof after, i: number) => Number.parseFloat(list[i]?.['svg:y2'] ?? 'NaN')
  const followed = connectors.flatMap((c, i) => (c['draw:end-shape'] === moved ? [y(after, i) - y(connectors, i)] : []))
  assert.ok(followed.length > 0 && followed.every((by) => Math.abs(by - 3) < 0.2), `followed by ${followed.join()} cm`)
})
const connectorsOf = (flat: string): Readonly<Record<string, string>>[] =>
  [...below(xmlOf(flat.replace(/<!DOCTYPE[^>]*>/, '')))].filter((e) => e.name === 'connector').map((e) => e.attributes)

const OPTIONS: PublishOptions = { ...plainPublication, inside: false }

/** Two on a page of A4, in a column of 604 px. */
const IN_TEXT = { count: process.env.SWEEP ? 60 : 10, width: 604, height: 340, page: { width: 794, height: 1123 } }

test('figures in documents, DOCX and ODT, are the same picture in another program, with their captions', async () => {
  const { count, width, height, page } = IN_TEXT
  const figures = drawings.slice(0, count).map((d, i): Published => {
    const number = i + 1
    return { figure: d.figure, number, caption: `Figure ${number}. ${d.shown.title}`, drawings: [d] }
  })
  const [content, options] = [await handbook(), { ...OPTIONS, text: false }]
  const publication: Publication = { ...content, title: 'Sixty', language: 'en', blocks: [], figures, options }
  writeFileSync(other.at('doc.docx'), bytesOf(await docxOf(publication)))
  writeFileSync(other.at('doc.odt'), bytesOf(await odtOf(publication)))
  const wanted = await Promise.all(ours.slice(0, count).map((png) => sharp(png).resize(width, height).png().toBuffer()))
  const far: string[] = []
  for (const format of ['docx', 'odt']) {
    other.converted([`doc.${format}`], 'pdf')
    other.pdfPages('doc.pdf', page.width, page.height)
    const captions = other
      .pdfWords('doc.pdf')
      .filter((w, i, all) => w.text === 'Figure' && /^\d+\.$/.test(all[i + 1]?.text ?? ''))
    assert.equal(captions.length, count, `${format}: every figure has its caption`)
    const pages = Math.max(...captions.map((c) => c.page))
    // The figure ends a little above its caption, and the next ones as far as the first, but for a px.
    let gaps = Array.from({ length: 15 }, (_, gap) => gap)
    for (const [i, png] of wanted.entries()) {
      const caption = captions[i] ?? assert.fail()
      const shares = new Map<number, number>()
      for (const gap of gaps) {
        const area = {
          ...{
            left: Math.round((page.width - width) / 2),
            top: Math.max(0, Math.round((caption.y * 4) / 3) - gap - height),
          },
          ...{ width, height },
        }
        const shown = await sharp(other.pagePath('doc.pdf', caption.page, pages))
          .extract(area)
          .png()
          .toBuffer()
        shares.set(gap, await other.difference(png, shown, width, height))
      }
      const share = Math.min(...shares.values())
      const best = [...shares].find(([, s]) => s === share)?.[0] ?? 0
      gaps = [best - 1, best, best + 1]
      if (share > MOST.docx) far.push(`${format} ${names[i]}: ${(share * 100).toFixed(2)} %`)
    }
  }
  assert.deepEqual(far, [])
})

test('data is valid by the schemas of its standards, and read by other programs', async () => {
  for (const kind of figureKinds)
    for (const seed of [1, 2, 3]) {
      const figure = seededOfKind(kind, seed)
      const made = async (format: 'graphml' | 'opml' | 'dot' | 'bpmn') => {
        const name = `${kind}${seed}.${format}`
        writeFileSync(
          other.at(name),
          bytesOf(
            await figureFile(figure, { ...plainOptions, wardrobe: plainWardrobe('light'), format }, NOTHING_BROUGHT),
          ),
        )
        return name
      }
      other.validByDtd(await made('graphml'), path.resolve('e2e/schemas/graphml.dtd'))
      const drawn = other.readByDot(await made('dot'))
      assert.equal(drawn.match(/^node /gm)?.length, Object.keys(figure.nodes).length)
      assert.equal(drawn.match(/^edge /gm)?.length ?? 0, Object.keys(figure.links).length)
      const opml = xmlOf(readFileSync(other.at(await made('opml')), 'utf8'))
      assert.deepEqual(
        [opml.name, opml.attributes['version'], elements(opml).map((e) => e.name)],
        ['opml', '2.0', ['head', 'body']],
      )
      for (const e of below(opml)) if (e.name === 'outline') assert.notEqual(e.attributes['text'], undefined)
      if (kind === 'process')
        other.validXml(await made('bpmn'), path.resolve('node_modules/bpmn-moddle/resources/bpmn/xsd/BPMN20.xsd'))
    }
})

test('a handbook written in another program is read: headings, lists in lists, tables, strong words', async () => {
  const content = await handbook()
  const bare = { ...content, figures: [], blocks: content.blocks.filter((b) => b.block !== 'figure') }
  writeFileSync(other.at('book.odt'), bytesOf(await published(bare, 'odt', OPTIONS, () => undefined)))
  for (const to of ['docx:MS Word 2007 XML', 'rtf', 'html:HTML (StarWriter)', 'pdf']) other.converted(['book.odt'], to)
  for (const name of ['book.odt', 'book.docx', 'book.rtf', 'book.html', 'book.pdf']) {
    const read = await imported(name, readFileSync(other.at(name)))
    assert.ok('as' in read && read.as === 'text', `${name}: ${JSON.stringify(read).slice(0, 200)}`)
    const lines = read.markdown.split('\n')
    const has = (pattern: RegExp) =>
      assert.ok(
        lines.some((l) => pattern.test(l)),
        `${name} has no ${pattern}:\n${read.markdown.slice(0, 1500)}`,
      )
    has(/^#+ Before the passengers come$/)
    has(/^1\. Check the moorings/)
    has(/^ +[-1]\.? .*bow line/)
    has(/^- Food/)
    if (name !== 'book.pdf') has(/^\| *Post *\| *Count *\|$/)
    if (name !== 'book.pdf') has(/\*\*Never\*\* leave the ramp/)
    else has(/Never leave the ramp/)
  }
})

test('a table leaves as a spreadsheet that another program reads cell by cell, and comes back from its formats', async () => {
  const { figure } = sixtyFigures(4).find((f) => f.figure.kind === 'process') ?? assert.fail()
  const wardrobe = plainWardrobe('light')
  const file = bytesOf(await figureFile(figure, { ...plainOptions, wardrobe, format: 'xlsx' }, NOTHING_BROUGHT))
  writeFileSync(other.at('table.xlsx'), file)
  // Fields by commas, text in quotes, UTF-8.
  other.converted(['table.xlsx'], 'csv:Text - txt - csv (StarCalc):44,34,76')
  assert.deepEqual(cellsOfCsv(readFileSync(other.at('table.csv'), 'utf8')), tableRows(figure))
  other.converted(['table.xlsx'], 'ods')
  const words = Object.values(figure.nodes)
    .map((n) => n.text)
    .toSorted()
  for (const name of ['table.csv', 'table.ods']) {
    const read = await imported(name, readFileSync(other.at(name)))
    assert.ok('as' in read && read.as === 'figures', `${name}: ${JSON.stringify(read).slice(0, 200)}`)
    assert.deepEqual(
      Object.values(read.figures[0]?.nodes ?? {})
        .map((n) => n.text)
        .toSorted(),
      words,
    )
  }
})

/** What stands in files that come with other programs of Debian; one that is not on this machine is passed over. */
const SHIPPED: readonly (readonly [file: string, holds: RegExp])[] = [
  ...[
    'Beehive',
    'Freshes',
    'Grey_Elegant',
    'Piano',
    'Progress',
    'Vivid',
    'Candy',
    'Focus',
    'Inspiration',
    'Metropolis',
  ].map((name) => [`template/common/presnt/${name}.otp`, /^## /m] as const),
  ...['1simple', '2elegant', '3modern', '4classic', '5blue', '6orange', '7red', '8green', '9colorful', '10grey'].map(
    (name) => [`template/common/wizard/agenda/aw-${name}.ott`, /\|/] as const,
  ),
  ...[
    'bus-elegant_l',
    'bus-modern_l',
    'bus-office_l',
    'off-elegant_l',
    'off-modern_l',
    'off-office_l',
    'pri-mail_l',
    'pri-marine_l',
  ].map((name) => [`template/common/wizard/letter/${name}.ott`, /\S/] as const),
]

test('files that come with other programs are read, as far as they are here', async () => {
  const wrong: string[] = []
  let read = 0
  for (const [name, holds] of SHIPPED) {
    const file = path.join('/usr/lib/libreoffice/share', name)
    if (!existsSync(file)) continue
    const found = await imported(path.basename(file), readFileSync(file))
    read++
    if (!('as' in found) || found.as !== 'text' || !holds.test(found.markdown))
      wrong.push(`${name}: ${JSON.stringify(found).slice(0, 160)}`)
  }
  assert.ok(read > 10, `${read} of them are here`)
  // All others: text, or the sentence that there is none.
  const folder = '/usr/lib/libreoffice/share/template'
  const all = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((f) => /\.ot[tp]$/.test(f))
  for (const name of all) {
    const found = await imported(path.basename(name), readFileSync(path.join(folder, name)))
    if ('code' in found ? found.code !== 'import-empty' : found.as !== 'text')
      wrong.push(`${name}: ${JSON.stringify(found).slice(0, 160)}`)
  }
  assert.deepEqual(wrong, [])
})

test('60 hostile files: each refused or cleaned with a sentence, none over its time or memory', async () => {
  const files = hostileFiles()
  assert.ok(files.length >= 60, `${files.length}`)
  const { importedInThread } = await import('../src/server/imports/importThread')
  const { sentenceOf } = await import('../src/core/problem')
  const wrong: string[] = []
  const memory = process.memoryUsage().rss
  await Promise.all(
    [0, 1].map(async (lane) => {
      for (const [i, { name, bytes, clean }] of files.entries()) {
        if (i % 2 !== lane) continue
        const since = performance.now()
        const read = await importedInThread({ name, bytes })
        const seconds = (performance.now() - since) / 1000
        if (seconds > 20) wrong.push(`${name}: ${seconds.toFixed(1)} s`)
        if ('code' in read) {
          if (sentenceOf(read).length < 30) wrong.push(`${name}: ${sentenceOf(read)}`)
        } else if (!clean) wrong.push(`${name} was taken as ${read.as}`)
        else if (clean !== true && !JSON.stringify(read).match(clean))
          wrong.push(`${name}: ${JSON.stringify(read).slice(0, 160)}`)
      }
    }),
  )
  assert.deepEqual(wrong, [])
  const grown = process.memoryUsage().rss - memory
  // 500 MB for each of the two that are read at a time.
  assert.ok(grown < 1_000_000_000, `${Math.round(grown / 1e6)} MB more than before`)
})
