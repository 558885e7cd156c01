/** What programs ask for: a figure, or the best reading of a text, as a file. */
import type { z } from 'zod'
import type { Figure } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { plainWardrobe } from '@/core/style'
import { NOTHING_BROUGHT } from '../figureFile'
import { makeFigureFile } from '../figureThread'
import { plainOptions } from '../files/fileTypes'
import { readInThread } from '../imports/importThread'
import type { drawBody } from './schemas'

export async function drawnFor(body: z.infer<typeof drawBody>, signal: AbortSignal): Promise<Uint8Array | Problem> {
  const { text, figure: given, kind, theme, style, frame, arrangement, treatment, ...options } = body
  const readings = given ? [] : await readInThread({ text: text ?? '', kind }, signal)
  if ('code' in readings) return readings
  const figure = given ?? readings[0]?.figure
  if (!figure) return { code: 'no-reading', kind: kind ?? null }
  const dressed: Figure = {
    ...figure,
    ...(frame ? { frame } : {}),
    ...(arrangement ? { arrangement } : {}),
    ...(treatment ? { dress: { ...figure.dress, treatment } } : {}),
  }
  const plain = plainWardrobe(theme)
  const wardrobe = style ? { ...plain, style } : plain
  return makeFigureFile(dressed, { ...plainOptions, ...options, wardrobe }, NOTHING_BROUGHT)
}
