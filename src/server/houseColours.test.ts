import { strToU8, zipSync } from 'fflate'
import sharp from 'sharp'
import { shadeOf } from '@/core/style'
import { houseColours } from './houseColours'

const logo = (svg: string) => sharp(Buffer.from(svg)).png().toBuffer()
const theme = (accents: readonly string[]) =>
  `<a:theme><a:clrScheme name="Gannet"><a:dk1><a:sysClr val="windowText" lastClr="000000"/></a:dk1>${accents
    .map((c, i) => `<a:accent${i + 1}><a:srgbClr val="${c}"/></a:accent${i + 1}>`)
    .join('')}</a:clrScheme></a:theme>`
const zip = (files: Record<string, string>) =>
  zipSync(Object.fromEntries(Object.entries(files).map(([k, v]) => [k, strToU8(v)])))

test('the colours of a logo come out, large and strong ones first, without its white and black', async () => {
  const picture = await logo(
    '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="200"><rect width="300" height="200" fill="#fff"/><rect width="180" height="120" fill="#0a5c66"/><circle cx="230" cy="150" r="40" fill="#c8452d"/><path d="M0 180h300v20H0z" fill="#000"/></svg>',
  )
  const found = await houseColours(picture)
  const hues = Array.isArray(found) ? found.map((c: string) => Math.round(shadeOf(c)?.[2] ?? -1)) : []
  expect(hues).toHaveLength(2)
  expect(Math.abs((hues[0] ?? 0) - (shadeOf('#0a5c66')?.[2] ?? 0))).toBeLessThan(8)
  expect(Math.abs((hues[1] ?? 0) - (shadeOf('#c8452d')?.[2] ?? 0))).toBeLessThan(8)
})

test('the accents of a slide or text theme, and the fills of an OpenDocument, in their order', async () => {
  const slides = zip({ 'ppt/theme/theme1.xml': theme(['1F5C66', 'B0812E', 'A5523C']) })
  expect(await houseColours(slides)).toEqual(['#1f5c66', '#b0812e', '#a5523c'])
  expect(await houseColours(zip({ 'word/theme/theme1.xml': theme(['4E7A51']) }))).toEqual(['#4e7a51'])
  const styles =
    '<s draw:fill-color="#4e7a51"/><s draw:fill-color="#a5523c"/><s draw:fill-color="#4e7a51"/><s draw:fill-color="#ffffff"/>'
  expect(await houseColours(zip({ 'styles.xml': styles }))).toEqual(['#4e7a51', '#a5523c'])
})

test('what is neither, what is broken and what lies about its size has no colours, and says what would', async () => {
  const none = { code: 'colours-none' }
  expect(await houseColours(strToU8('no picture'))).toEqual(none)
  expect(await houseColours(strToU8('PK\u0003\u0004 broken'))).toEqual(none)
  expect(await houseColours(zip({ 'other.xml': theme(['1F5C66']) }))).toEqual(none)
  // A theme of five million letters, packed into a few thousand.
  expect(await houseColours(zip({ 'ppt/theme/theme1.xml': ' '.repeat(5_000_000) + theme(['1F5C66']) }))).toEqual(none)
})
