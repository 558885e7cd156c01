import { plainWardrobe } from '../style'
import { Resvg } from '@resvg/resvg-js'
import { PNG } from 'pngjs'
import { NOTHING_BROUGHT, figureFile } from '@/server/figureFile'
import { figureSchema } from '../figure'
import { sceneOf } from '../pipeline'
import { seededFigure } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { steps } from '../testing/steps'
import { escaped, svgFile } from './svg'
import { plainOptions } from '@/server/files/fileTypes'

const typesetter = shippedTypesetter()
const hostile = (text: string) => {
  const figure = seededFigure(4)
  const id = Object.keys(figure.nodes)[0] as string
  return {
    ...figure,
    title: text,
    nodes: { ...figure.nodes, [id]: { ...(figure.nodes[id] as (typeof figure.nodes)[string]), text } },
  }
}

test('words of a figure never become markup, and every file is well-formed', () => {
  const figure = hostile('<script>alert(1)</script> & "quoted" \u0000\ud800 ]]>')
  const svg = svgFile(sceneOf(figure, plainWardrobe('light'), typesetter), {
    words: { as: 'text', pictureAt: () => null, iconAt: () => null },
    background: true,
    title: figure.title,
    description: '"',
    fontFaces: '',
  })
  expect(svg).not.toContain('<script')
  expect(svg).toContain('&lt;script&gt;')
  expect(() => new Resvg(svg)).not.toThrow()
  expect(escaped('\u0001\ud800\ufffe')).toBe('')
  const plain = steps('Check')
  for (const language of ['en', 'de-CH', 'zh-Hant-TW', 'x-crew', 'und'])
    expect([language, figureSchema.safeParse({ ...plain, language }).success]).toEqual([language, true])
  for (const language of ['x" onload="1', 'en us', '', '-en', 'e', 'x'])
    expect([language, figureSchema.safeParse({ ...plain, language }).success]).toEqual([language, false])
})

test('a PNG has the size asked for, its background, and none when none is wanted', async () => {
  const figure = { ...seededFigure(4), frame: 'slide-16x9' as const }
  for (const [scale, background] of [
    [1, true],
    [2, false],
    [4, true],
  ] as const) {
    const file = await figureFile(
      figure,
      {
        ...plainOptions,
        format: 'png',
        wardrobe: plainWardrobe('light'),
        background,
        scale,
      },
      NOTHING_BROUGHT,
    )
    if ('code' in file) throw new Error(file.code)
    const png = PNG.sync.read(Buffer.from(file))
    expect([png.width, png.height]).toEqual([1280 * scale, 720 * scale])
    expect([...png.data.subarray(0, 4)]).toEqual(background ? [255, 255, 255, 255] : [0, 0, 0, 0])
  }
})

test('an SVG with text carries its fonts and asks nobody for anything', async () => {
  const file = await figureFile(
    hostile('Prüfen घाट'),
    {
      ...plainOptions,
      format: 'svg',
      words: 'text',
      wardrobe: plainWardrobe('dark'),
    },
    NOTHING_BROUGHT,
  )
  if ('code' in file) throw new Error(file.code)
  const svg = Buffer.from(file).toString('utf8')
  expect(svg).toContain('Prüfen')
  expect(svg.match(/@font-face/g)?.length).toBeGreaterThanOrEqual(2)
  expect(svg.match(/(?:href|src)\s*=|url\((?!data:)/g)).toBeNull()
})

test('a picture too large to make is refused with the numbers', async () => {
  const figure = { ...seededFigure(4), frame: 'free' as const, arrangement: 'across' }
  const many = Object.fromEntries(
    Array.from({ length: 400 }, (_, i) => [
      `m${i}`,
      { id: `m${i}`, role: 'step' as const, text: 'Load', order: i, source: [] },
    ]),
  )
  const chain = Object.fromEntries(
    Array.from({ length: 399 }, (_, i) => [
      `k${i}`,
      { id: `k${i}`, role: 'next' as const, from: `m${i}`, to: `m${i + 1}`, order: i, source: [] },
    ]),
  )
  const file = await figureFile(
    { ...figure, kind: 'process', nodes: many, links: chain },
    {
      ...plainOptions,
      format: 'png',
      wardrobe: plainWardrobe('light'),
      scale: 4,
    },
    NOTHING_BROUGHT,
  )
  expect(file).toMatchObject({ code: 'picture-too-large' })
})

test('a picture stands in its node, in the file; where it is not at hand its place is framed', async () => {
  const bare = steps('Check')
  const hash = 'a'.repeat(64)
  const figure = { ...bare, nodes: { a: { ...bare.nodes.a!, picture: { hash, width: 40, height: 20 } } } }
  const red = new PNG({ width: 40, height: 20 })
  for (let i = 0; i < red.data.length; i += 4) red.data.set([200, 20, 30, 255], i)
  const address = `data:image/png;base64,${PNG.sync.write(red).toString('base64')}`
  const reds = async (pictures: Record<string, string>) => {
    const options = {
      ...plainOptions,
      format: 'png',
      wardrobe: plainWardrobe('light'),
    } as const
    const file = await figureFile(figure, options, { pictures, fonts: {} })
    if ('code' in file) throw new Error(file.code)
    const { data } = PNG.sync.read(Buffer.from(file))
    let count = 0
    for (let i = 0; i < data.length; i += 4) if (data[i] === 200 && data[i + 1] === 20 && data[i + 2] === 30) count++
    return count
  }
  expect(await reds({ [hash]: address })).toBeGreaterThan(40 * 20 * 0.8)
  expect(await reds({})).toBe(0)
})
