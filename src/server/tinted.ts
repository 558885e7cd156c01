import sharp from 'sharp'

/** A stencil in a colour (`#rrggbb`). */
export const tinted = async (png: Uint8Array, colour: string): Promise<Buffer> => {
  const alpha = await sharp(png).ensureAlpha().extractChannel('alpha').toBuffer()
  const { width, height } = await sharp(png).metadata()
  return sharp({ create: { width, height, channels: 3, background: colour } })
    .joinChannel(alpha)
    .png()
    .toBuffer()
}
