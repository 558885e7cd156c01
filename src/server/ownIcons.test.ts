import sharp from 'sharp'
import { ownIconFrom } from './ownIcons'
import { tinted } from './tinted'

const svg = (inner: string, more = '') =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 40" ${more}>${inner}</svg>`)

test('an SVG of one colour becomes a stencil, which takes the colour of its place; one of two colours stays as it is', async () => {
  const one = await ownIconFrom(svg('<path d="M2 30L20 4L38 30Z" fill="#7a1f5c"/>'))
  const two = await ownIconFrom(
    svg('<path d="M2 30L20 4L38 30Z" fill="#7a1f5c"/><circle cx="8" cy="8" r="5" fill="#f2b134"/>'),
  )
  if ('code' in one || 'code' in two) throw new Error('unreadable')
  expect([one.stencil, two.stencil]).toEqual([true, false])
  const { data } = await sharp(await tinted(one.picture.data, '#0a5c66'))
    .raw()
    .toBuffer({ resolveWithObject: true })
  const seen = new Set<string>()
  for (let i = 0; i < data.length; i += 4)
    if ((data[i + 3] ?? 0) > 250) seen.add([data[i], data[i + 1], data[i + 2]].join())
  expect([...seen]).toEqual(['10,92,102'])
})

test('scripts and addresses in an SVG do nothing, and what is no picture, or would grow, is refused', async () => {
  const hostile = await ownIconFrom(
    svg(
      '<script>alert(1)</script><image href="file:///etc/passwd" width="40" height="40"/><path d="M0 0h20v20z"/>',
      'onload="x()"',
    ),
  )
  expect(hostile).toMatchObject({ stencil: true, picture: { type: 'image/png' } })
  const refused = { code: 'picture-unreadable' }
  expect(await ownIconFrom(Buffer.from('no picture'))).toEqual(refused)
  expect(await ownIconFrom(Buffer.from(`<!DOCTYPE svg [<!ENTITY a "b">]>${svg('&a;').toString()}`))).toEqual(refused)
  expect(
    await ownIconFrom(
      Buffer.from(`<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><!ENTITY a "b"></svg>`),
    ),
  ).toEqual(refused)
  expect(await ownIconFrom(svg(`<path d="${'M0 0h1'.repeat(120_000)}"/>`))).toEqual(refused)
})
