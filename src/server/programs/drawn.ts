/** What programs ask for: readings of a text, a figure as a file. */
import type { z } from 'zod'
import type { Figure, FigureKind } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { propose, type Reading } from '@/core/propose'
import { readText } from '@/core/reading'
import { plainWardrobe } from '@/core/style'
import { cleanText } from '@/manuscript'
import { NOTHING_BROUGHT } from '../figureFile'
import { makeFigureFile } from '../figureThread'
import { plainOptions } from '../files/fileTypes'
import { shippedLexicon } from '../lexicon'
import type { drawBody } from './schemas'

export const readingsOf = (text: string, kind: FigureKind | undefined): Reading[] =>
  propose(readText(cleanText(text), shippedLexicon())).filter((r) => kind === undefined || r.kind === kind)

export async function drawnFor(body: z.infer<typeof drawBody>): Promise<Uint8Array | Problem> {
  const { text, figure: given, kind, theme, style, frame, arrangement, treatment, ...options } = body
  const figure = given ?? readingsOf(text ?? '', kind)[0]?.figure
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
