import { deflateSync } from 'node:zlib'
import { unzipSync, zipSync } from 'fflate'
import sharp from 'sharp'
import { figureKinds } from '@/core/figure'
import { plainWardrobe } from '@/core/style'
import { seededOfKind } from '@/core/testing/seededFigure'
import { NOTHING_BROUGHT, figureFile, type FileOptions } from '../figureFile'
import { plainOptions } from './fileTypes'
import { figureOfCells, tableRows } from '@/core/exchange'
import { Left } from '../imports/left'
import { imported } from '../imports/readers'
import { sheetsOfXlsx } from '../imports/sheets'
import { figureInside, insideSvg, portable, versionOf } from './inside'
import { xlsxOf } from './xlsx'

const plain: FileOptions = {
  ...plainOptions,
  format: 'png',
  words: 'text',
  wardrobe: plainWardrobe('light'),
  inside: true,
}
async function made(options: Partial<FileOptions>, seed = 3) {
  const figure = { ...seededOfKind(figureKinds[seed % 6] ?? 'points', seed), frame: 'slide-16x9' as const }
  const file = await figureFile(figure, { ...plain, ...options }, NOTHING_BROUGHT)
  if ('code' in file) throw new Error(file.code)
  return { figure, file }
}

test.each(['png', 'jpeg', 'webp'] as const)(
  '%s is read by another program, in the size and for the print asked for',
  async (format) => {
    const { file } = await made({ format, scale: 1.25, dpi: 300, background: false })
    const read = await sharp(file).metadata()
    expect([read.format, read.width, read.height]).toEqual([format, 1600, 900])
    if (format !== 'webp') expect(read.density).toBe(300)
    const { data, info } = await sharp(file).raw().toBuffer({ resolveWithObject: true })
    // The corner is seen through where the format can be, and is on the ground where it cannot.
    expect([...data.subarray(0, info.channels)]).toEqual(format === 'jpeg' ? [255, 255, 255] : [0, 0, 0, 0])
  },
)

test('figures come out of their SVG and PNG files as they went in, of every kind and with every odd letter', async () => {
  for (const seed of [1, 2, 3, 4, 5, 6])
    for (const format of ['svg', 'png'] as const) {
      const { figure, file } = await made({ format, scale: 0.1 }, seed)
      expect([seed, format, figureInside(file)]).toEqual([seed, format, portable(figure)])
      const bare = await made({ format, scale: 0.1, inside: false }, seed)
      expect(figureInside(bare.file)).toBeNull()
      // What was put in changes no pixel and no mark.
      if (format === 'png') expect(await sharp(file).raw().toBuffer()).toEqual(await sharp(bare.file).raw().toBuffer())
    }
  const { figure } = await made({})
  expect(figureInside(Buffer.from(JSON.stringify(figure)))).toEqual(figure)
}, 20_000)

test('the manuscript a figure was read from does not go with its file, nor what it was as another kind', () => {
  const bare = seededOfKind('process', 2)
  const aside = { points: { title: 'Hidden', arrangement: '', nodes: {}, links: {}, became: {}, titled: '' } }
  const figure = {
    ...bare,
    aside,
    passage: { start: 0, end: 6 },
    wasRead: { text: 'Hidden words', nodes: {}, links: {} },
  }
  const svg = insideSvg('<svg><desc></desc></svg>', figure)
  expect(svg).not.toMatch(/hidden/i)
  expect(figureInside(Buffer.from(svg))).toEqual(portable(bare))
})

test('nothing is found in what holds no figure, is torn, or would grow without end', async () => {
  const { file } = await made({ format: 'png', scale: 0.1 })
  const { file: svg } = await made({ format: 'svg' })
  const bomb = Buffer.concat([
    Buffer.from('IdleCompassFigure\0\x01\0\0\0', 'latin1'),
    deflateSync(Buffer.alloc(60_000_000, 32)),
  ])
  const length = Buffer.alloc(4)
  length.writeUInt32BE(bomb.length)
  const bombed = Buffer.concat([
    Buffer.from(file.subarray(0, 33)),
    length,
    Buffer.from('iTXt'),
    bomb,
    Buffer.alloc(4),
    Buffer.from(file.subarray(33)),
  ])
  const wrong: Uint8Array[] = [
    Buffer.alloc(0),
    Buffer.from('boarding list'),
    Buffer.from('{"id": 1}'),
    file.subarray(0, 60),
    svg.subarray(0, 700),
    bombed,
    Buffer.from('<svg><metadata id="IdleCompassFigure">{&quot;id&quot;:</metadata></svg>'),
  ]
  expect(wrong.map((bytes) => figureInside(bytes))).toEqual(wrong.map(() => null))
})

test('figures come out of office files, PDFs and data as they went in', async () => {
  for (const seed of [1, 2, 3, 4, 5, 6])
    for (const format of ['pptx', 'odp', 'pdf', 'json'] as const) {
      const { figure, file } = await made({ format }, seed)
      const found = await imported(`deck.${format}`, file)
      if ('code' in found) throw new Error(found.code)
      expect([seed, format, found.as, 'figures' in found && found.figures]).toEqual([
        seed,
        format,
        'figures',
        [portable(figure)],
      ])
      // Which version it was is known wherever the file is brought back to.
      expect(found.placed).toEqual([{ id: figure.id, version: versionOf(figure), title: figure.title }])
      const { file: again } = await made({ format }, seed)
      expect([format, Buffer.compare(Buffer.from(file), Buffer.from(again))]).toEqual([format, 0])
    }
}, 60_000)

test('a slide that was taken into another deck is known by its tag', async () => {
  const { figure, file } = await made({ format: 'pptx' })
  const parts = Object.entries(unzipSync(file)).filter(([name]) => !name.startsWith('customXml/'))
  const found = await imported('other.pptx', zipSync(Object.fromEntries(parts)))
  if ('code' in found) throw new Error(found.code)
  expect(found.placed).toEqual([{ id: figure.id, version: versionOf(figure), title: '' }])
})

test('the table of a figure goes through a spreadsheet and back, and is no formula on the way', async () => {
  const bare = seededOfKind('process', 5)
  const [first] = Object.values(bare.nodes)
  if (!first) throw new Error('no node')
  const figure = { ...bare, nodes: { ...bare.nodes, [first.id]: { ...first, text: '=HYPERLINK("x")' } } }
  for (const format of ['xlsx', 'csv'] as const) {
    const file = await figureFile(figure, { ...plain, format }, NOTHING_BROUGHT)
    if ('code' in file) throw new Error(file.code)
    const found = await imported(`crew.${format}`, file)
    if ('code' in found || !('figures' in found)) throw new Error('no figure')
    expect([format, Object.values(found.figures[0]?.nodes ?? {}).map((n) => n.text)]).toEqual([
      format,
      Object.values(figure.nodes)
        .toSorted((a, b) => a.order - b.order)
        .map((n) => n.text),
    ])
    if (format === 'csv') expect(Buffer.from(file).toString()).not.toMatch(/(?:^|,)"?=HYPER/m)
  }
})

/** `SWEEP=1` takes 300. */
const SPREADSHEETS = process.env.SWEEP ? 300 : 90
test('figures of all kinds come back out of their spreadsheet as they went in', async () => {
  const left = new Left()
  for (let seed = 1; seed <= SPREADSHEETS; seed++) {
    const figure = seededOfKind(figureKinds[seed % 6] ?? 'points', seed)
    const [sheet] = await sheetsOfXlsx(await xlsxOf({ Figure: tableRows(figure) }), left)
    const back = figureOfCells(sheet?.rows ?? [])
    expect([seed, back && tableRows(back)]).toEqual([seed, tableRows(figure)])
  }
}, 60_000)
