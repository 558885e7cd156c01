/** What programs may ask and are told: the schemas that the routes check by, and that the description is made of. */
import { z } from 'zod'
import { figureKinds, figureSchema, frames } from '@/core/figure'
import { houseStyles } from '@/core/style'
import { formatNames } from '../files/fileTypes'

const MAX_TEXT = 400_000
const kind = z.enum(figureKinds)
const format = z.enum(formatNames)
const styles = Object.keys(houseStyles) as [string, ...string[]]

export const readBody = z.object({
  text: z.string().min(1).max(MAX_TEXT).describe('Plain text or Markdown.'),
  kind: kind.optional().describe('Only readings as this kind.'),
})
export const readAnswer = z.object({
  readings: z.array(
    z.object({
      kind,
      score: z.number().describe('From 0 to 1.'),
      reasons: z.array(z.string()),
      figure: z.unknown().describe('After the published schema of figures.'),
    }),
  ),
})

export const drawBody = z
  .object({
    text: z.string().min(1).max(MAX_TEXT).optional().describe('Read, and its best reading drawn.'),
    figure: z.optional(figureSchema),
    kind: kind.optional(),
    format: format.default('svg'),
    frame: z.enum(frames).optional(),
    arrangement: z.string().max(32).optional(),
    treatment: z.string().max(32).optional(),
    style: z.enum(styles).optional(),
    theme: z.enum(['light', 'dark']).default('light'),
    background: z.boolean().default(true),
    scale: z.number().min(0.1).max(4).default(1),
    dpi: z.number().min(36).max(2400).nullable().default(null),
    words: z.enum(['text', 'outlines']).default('outlines'),
    glue: z.boolean().default(true).describe('Connectors of slides follow their shapes.'),
    inside: z.boolean().default(true).describe('The file can be opened here again.'),
  })
  .refine((b) => (b.text === undefined) !== (b.figure === undefined), 'either a text or a figure')

export const convertQuery = z.object({
  to: format.describe('What the file becomes.'),
  name: z.string().max(200).default('file').describe('What the file is called, with its ending.'),
})
