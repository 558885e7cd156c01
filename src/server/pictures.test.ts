import sharp from 'sharp'
import { pictureFrom } from './pictures'

const made = (width: number, height: number, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background: { r: 20, g: 90, b: 110, alpha: 0.5 } } })

test('pictures are written anew: upright, no larger than needed, without what a camera wrote, the same bytes the same hash', async () => {
  const photo = await made(4000, 1000)
    .withMetadata({ orientation: 6 })
    .withExif({ IFD0: { Artist: 'Somebody' } })
    .jpeg()
    .toBuffer()
  expect(photo.includes('Somebody')).toBe(true)
  const picture = await pictureFrom(photo)
  if ('code' in picture) throw new Error(picture.code)
  expect([picture.type, picture.width, picture.height]).toEqual(['image/jpeg', 400, 1600])
  expect(picture.data.includes('Somebody')).toBe(false)
  expect(await pictureFrom(photo)).toEqual(picture)
  const clear = await pictureFrom(await made(30, 20, 4).webp().toBuffer())
  expect(clear).toMatchObject({ type: 'image/png', width: 30, height: 20 })
})

test('what is no picture is refused with what to do: words, a torn file, a drawing with a script, a bomb of pixels', async () => {
  const png = await made(200, 200).png().toBuffer()
  const svg = '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'
  for (const bytes of [Buffer.from('boarding list'), png.subarray(0, 300), Buffer.from(svg), Buffer.alloc(0)])
    expect(await pictureFrom(bytes)).toEqual({ code: 'picture-unreadable' })
  const bomb = await made(9000, 9000).png().toBuffer()
  expect(await pictureFrom(bomb)).toMatchObject({ code: 'picture-too-heavy' })
})
