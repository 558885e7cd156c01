/** What a figure needs of what people brought, to be made into a file. */
import type { Figure } from '@/core/figure'
import { ownIcon } from '@/core/icons'
import { broughtBy, houseOf, type Wardrobe } from '@/core/style'
import type { Brought } from './figureFile'
import { uploadsOf } from './uploads'

/** Of what the person finds in any folio that they may read. */
export async function broughtFor(person: string, figure: Figure, wardrobe: Wardrobe): Promise<Brought> {
  const { logo, fonts } = broughtBy(houseOf(figure, wardrobe))
  const named = Object.values(figure.nodes).flatMap((n) => [n.picture?.hash, ownIcon(n.icon ?? '')?.hash])
  const hashes = [...named, logo].filter((h) => typeof h === 'string')
  const [pictures, files] = await Promise.all([
    uploadsOf(person, 'image', [...new Set(hashes)]),
    uploadsOf(person, 'font', fonts),
  ])
  return {
    pictures: Object.fromEntries(pictures.map((r) => [r.hash, `data:${r.type};base64,${r.data.toString('base64')}`])),
    fonts: Object.fromEntries(files.map((r) => [r.hash, new Uint8Array(r.data)])),
  }
}
