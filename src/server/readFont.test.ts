import { convert } from 'fontverter'
import { readFileSync } from 'node:fs'
import { plainWardrobe, type HouseStyle, houseStyles, type Wardrobe } from '@/core/style'
import { seededOfKind } from '@/core/testing/seededFigure'
import { figureFile } from './figureFile'
import { fontFile } from './fontFiles'
import { fontFrom } from './fontThread'
import { readFont } from './readFont'
import { plainOptions } from './files/fileTypes'

const ttf = readFileSync(fontFile('hand-400'))
const verdict = async (bytes: Uint8Array): Promise<string> => {
  const font = await readFont(bytes)
  return 'code' in font ? font.code : `taken as ${font.name}`
}
const read = async (bytes: Uint8Array) => {
  const font = await readFont(bytes)
  if ('code' in font) throw new Error(font.code)
  return font
}

/** The font with a number of a table changed; tables are found by the directory (OpenType 1.9, “Organization of an OpenType font”). */
function withField(font: Buffer, table: string, offset: number, value: number): Buffer {
  const out = Buffer.from(font)
  for (let i = 0; i < out.readUInt16BE(4); i++) {
    const row = 12 + 16 * i
    if (out.toString('latin1', row, row + 4) === table) out.writeUInt16BE(value, out.readUInt32BE(row + 8) + offset)
  }
  return out
}

test('a font is the same whether it comes plain or packed, and by its own name', async () => {
  const plain = await read(ttf)
  expect(plain.name).toMatch(/shantell/i)
  for (const packing of ['woff', 'woff2'] as const) {
    const unpacked = await read(await convert(ttf, packing))
    expect(unpacked.name).toBe(plain.name)
    expect((await read(unpacked.data)).hash).toBe(unpacked.hash)
  }
})

test('what is no font, is torn, lies about its size, or may not be put into files is refused', async () => {
  const woff = Buffer.from(await convert(ttf, 'woff'))
  const small = Buffer.from(woff)
  // A table that unpacks to more than it says.
  small.writeUInt32BE(Math.max(small.readUInt32BE(44 + 8) + 1, 64), 44 + 12)
  const broken = {
    words: Buffer.from('boarding list'),
    nothing: Buffer.alloc(0),
    torn: ttf.subarray(0, 4000),
    'torn and packed': woff.subarray(0, woff.length / 2),
    lying: small,
    'several fonts': Buffer.concat([Buffer.from('ttcf'), ttf.subarray(4)]),
    'no em': withField(ttf, 'head', 18, 3),
  }
  const verdicts = Object.entries(broken).map(async ([what, bytes]) => [what, await verdict(bytes)])
  expect(Object.fromEntries(await Promise.all(verdicts))).toEqual(
    Object.fromEntries(Object.keys(broken).map((what) => [what, 'font-unreadable'])),
  )
  const huge = Buffer.from(woff)
  huge.writeUInt32BE(2_000_000_000, 16)
  expect(await verdict(huge)).toBe('font-too-heavy')
  expect(await verdict(withField(ttf, 'OS/2', 8, 0x0002))).toBe('font-closed')
})

test('a thread of its own looks at it; a figure is drawn in it, and in the type pair where it is lost or lacks a character', async () => {
  const font = await fontFrom(ttf)
  if ('code' in font) throw new Error(font.code)
  const house: HouseStyle = { ...(houseStyles['chart-table'] as HouseStyle), fonts: { body: font, heading: font } }
  const wardrobe: Wardrobe = { ...plainWardrobe('light'), style: 'own-x', own: { 'own-x': house } }
  const figure = seededOfKind('points', 3)
  const [first] = Object.values(figure.nodes)
  const worded = { ...figure, nodes: { ...figure.nodes, [first?.id ?? '']: { ...first, text: 'Ramp 傾斜' } } }
  const svg = async (fonts: Record<string, Uint8Array>) => {
    const options = {
      ...plainOptions,
      format: 'svg',
      words: 'text',
      wardrobe,
    } as const
    const made = await figureFile(worded as typeof figure, options, { pictures: {}, fonts })
    if (!(made instanceof Uint8Array)) throw new Error(made.code)
    return new TextDecoder().decode(made)
  }
  const own = `Compass-Own-${font.hash.slice(0, 16)}`
  const [lost, there] = [await svg({}), await svg({ [font.hash]: font.data })]
  expect(lost).not.toContain(own)
  expect(there).toContain(`@font-face{font-family:'${own}'`)
  expect(there).toMatch(/Compass (?:Japanese|Chinese)/)
  expect(await fontFrom(Buffer.from('boarding list'))).toEqual({ code: 'font-unreadable' })
})
