import sharp from 'sharp'
import type { Drawing } from '../drawing'

/** The two codings that PDF takes as they are. */
const TAKEN = /^data:image\/(?:png|jpeg);/

/** A drawing whose pictures a PDF can hold: others written anew as PNG. */
export async function readable(d: Drawing): Promise<Drawing> {
  const again = new Map<string, string>()
  const look = async (href: string | null | undefined) => {
    if (!href || TAKEN.test(href) || again.has(href)) return
    const png = await sharp(Buffer.from(href.slice(href.indexOf(',') + 1), 'base64'))
      .png()
      .toBuffer()
    again.set(href, `data:image/png;base64,${png.toString('base64')}`)
  }
  for (const m of d.scene.marks) {
    if (m.mark === 'picture') await look(d.images.pictureAt(m.hash))
    if (m.mark !== 'icon') continue
    const icon = d.images.iconAt(m.name, m.fill)
    if (icon && 'href' in icon) await look(icon.href)
  }
  if (again.size === 0) return d
  const { pictureAt, iconAt } = d.images
  return {
    ...d,
    images: {
      pictureAt: (hash) => {
        const href = pictureAt(hash)
        return href && (again.get(href) ?? href)
      },
      iconAt: (name, colour) => {
        const icon = iconAt(name, colour)
        return icon && 'href' in icon ? { href: again.get(icon.href) ?? icon.href } : icon
      },
    },
  }
}
