/** Figures as word processors take them: outlined SVG, since they load no fonts from a picture, and a PNG for those that know
 *  no SVG. */
import type { Problem } from '@/core/problem'
import { fileFormats } from '../files/formats'
import { plainOptions } from '../files/fileTypes'
import type { Publication } from './publication'

/** `width` and `height` in CSS px, as they stand in the column. */
export type PlacedImage = {
  readonly svg: string
  readonly png: Uint8Array
  readonly width: number
  readonly height: number
}

/** By the figure's id; no wider than `room` px. */
export async function placedImages(
  { figures, options }: Publication,
  room: number,
): Promise<ReadonlyMap<string, PlacedImage> | Problem> {
  const out = new Map<string, PlacedImage>()
  for (const { figure, drawings } of figures) {
    const [drawing] = drawings
    if (!drawing) continue
    const png = await fileFormats.png.make(drawing, { ...plainOptions, background: options.background, scale: 1.25 })
    if ('code' in png) return png
    const { width, height } = drawing.scene
    const scale = Math.min(1, room / width)
    const svg = await drawing.svg('outlines', options.background)
    out.set(figure.id, { svg, png, width: width * scale, height: height * scale })
  }
  return out
}
