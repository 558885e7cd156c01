/** `draw` and `convert`: figures into files. */
import path from 'node:path'
import { figureKinds, frames, type Figure, type FrameName } from '@/core/figure'
import { arrangementsOf } from '@/core/layout'
import { STANDARD_STYLE, houseStyles, plainWardrobe, treatmentsFor, type Wardrobe } from '@/core/style'
import { formatNames, plainOptions, type FormatName } from '@/server/files/fileTypes'
import { NOTHING_BROUGHT, figureFile } from '@/server/figureFile'
import { Unusable, oneOf, type Options, type Streams } from './call'
import { figuresOf, matched, outputFor, write } from './sources'

/** What files are also called. */
const ALSO: Readonly<Record<string, FormatName>> = { jpg: 'jpeg', gv: 'dot', markdown: 'md' }

export function formatOf(output: string): FormatName {
  const ending = path.extname(output).slice(1).toLowerCase()
  return ALSO[ending] ?? oneOf('format', ending || (output === '-' ? 'svg' : ''), formatNames) ?? 'svg'
}

export const wardrobeOf = (options: Options): Wardrobe => ({
  ...plainWardrobe(options.dark ? 'dark' : 'light'),
  style: oneOf('style', options.style, Object.keys(houseStyles)) ?? STANDARD_STYLE,
})

/** As the options want it. */
export function dressed(figure: Figure, options: Options): Figure {
  const frame = oneOf<FrameName>('frame', options.frame, frames)
  const known = arrangementsOf(figure.kind).map((a) => a.id)
  const arrangement = oneOf('arrangement', options.arrangement, known)
  const arranged = { ...figure, ...(frame ? { frame } : {}), ...(arrangement ? { arrangement } : {}) }
  const treatment = oneOf(
    'treatment',
    options.treatment,
    treatmentsFor(arranged).map((t) => t.id),
  )
  return treatment ? { ...arranged, dress: { ...arranged.dress, treatment } } : arranged
}

export async function draw(files: readonly string[], options: Options, streams: Streams): Promise<void> {
  const output = options.output as string
  const format = formatOf(output)
  const scale = Number(options.scale ?? 1)
  if (!(scale >= 0.1 && scale <= 4))
    throw new Unusable({ code: 'unknown-option', option: 'scale', given: String(options.scale), allowed: ['0.1 to 4'] })
  const kind = oneOf('kind', options.kind, figureKinds)
  const wardrobe = wardrobeOf(options)
  for (const file of matched(files)) {
    const figures = await figuresOf(file, kind)
    // Of several figures in one file each is written where the pattern has a place for its number.
    const wanted = output.includes('{number}') ? figures : figures.slice(0, 1)
    for (const [i, given] of wanted.entries()) {
      const figure = dressed(given, options)
      if (Object.values(figure.nodes).some((n) => n.picture))
        streams.stderr.write('Pictures are kept in the folio, not in the figure’s JSON: their places are left empty.\n')
      const made = await figureFile(
        figure,
        {
          ...{ ...plainOptions, format, wardrobe, scale, words: 'text', inside: true },
          ...{ background: !options.transparent, glue: !options.fixed },
        },
        NOTHING_BROUGHT,
      )
      if ('code' in made) throw new Unusable(made)
      write(outputFor(output, file, i), made, streams)
    }
  }
}
