import { deflateSync } from 'node:zlib'
import sharp from 'sharp'
import { figureKinds } from '@/core/figure'
import { plainWardrobe } from '@/core/style'
import { seededOfKind } from '@/core/testing/seededFigure'
import { NOTHING_BROUGHT, figureFile, type FileOptions } from '../figureFile'
import { formatNames, plainOptions } from './fileTypes'
import { figureInside, insideSvg, portable } from './inside'

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

test.each(formatNames.filter((f) => f !== 'svg'))(
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
