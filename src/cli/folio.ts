/** `folio`: a manuscript with its figures as one document, or the figures of Markdown files beside them. */
import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { newSharedFigure } from '@/core/document'
import { figureKinds, type Figure, type FigureKind } from '@/core/figure'
import { anchorOf, nodesFromText, projectShared, sharedNodes } from '@/manuscript'
import { plainOptions } from '@/server/files/fileTypes'
import { figureInside, versionOf } from '@/server/files/inside'
import { NOTHING_BROUGHT, figureFile } from '@/server/figureFile'
import { published } from '@/server/publish'
import { contentOf } from '@/server/publish/content'
import { plainPublication } from '@/server/publish/publication'
import { publicationFormatNames } from '@/server/publish/publicationTypes'
import { SHARED, newDocument } from '@/server/soundUpdate'
import { Unusable, oneOf, type Options, type Streams } from './call'
import { dressed, formatOf, wardrobeOf } from './draw'
import { markedFigures, withoutMarks, type MarkedFigure } from './markedFigures'
import { matched, outputFor, readingsOf, textOf, write } from './sources'

export async function folio(files: readonly string[], options: Options, streams: Streams): Promise<number> {
  const names = matched(files)
  if (options.figures) return figuresBeside(names, options, streams)
  const output = options.output as string
  const ending = path.extname(output).slice(1).toLowerCase()
  const format = oneOf('format', ending || (output === '-' ? 'html' : ''), publicationFormatNames) ?? 'html'
  const paper = oneOf('paper', options.paper, ['a4', 'letter'] as const) ?? 'a4'
  for (const file of names) {
    const made = await published(await folioOf(file, options), format, { ...plainPublication, paper }, () => undefined)
    if ('code' in made) throw new Unusable(made)
    write(outputFor(output, file), made, streams)
  }
  return 0
}

/** A folio of a file: its text, and the figures that are marked in it. */
async function folioOf(file: string, options: Options) {
  const text = await textOf(file)
  const doc = newDocument()
  const bare = withoutMarks(text)
  const plain = file === '-' ? 'Folio' : path.basename(file).replace(/\.[^.]+$/, '')
  doc.getMap(SHARED.head).set('title', /^# (.+)$/m.exec(bare)?.[1]?.trim() ?? plain)
  const manuscript = doc.getXmlFragment(SHARED.manuscript)
  manuscript.insert(0, sharedNodes(nodesFromText(bare)))
  const projection = projectShared(manuscript)
  for (const marked of markedFigures(text)) {
    const figure = drawnFrom(marked, options)
    const shared = newSharedFigure(figure)
    // Behind the words it was read from.
    const first = marked.text.split('\n').find((l) => l.trim() !== '') ?? ''
    const words = first
      .replace(/^[\s#>*+\-\d.)]+/, '')
      .trim()
      .slice(0, 40)
    const at = words ? projection.text.indexOf(words) : -1
    if (at >= 0) shared.set('anchor', anchorOf(projection, { start: at, end: at + words.length }))
    doc.getMap(SHARED.figures).set(figure.id, shared)
  }
  const content = contentOf(doc, options.dark ? 'dark' : 'light', NOTHING_BROUGHT)
  return { ...content, wardrobe: { ...content.wardrobe, ...wardrobeOf(options), order: content.wardrobe.order } }
}

function drawnFrom({ text, kind, title, file }: MarkedFigure, options: Options): Figure {
  const known = oneOf<FigureKind>('kind', kind ?? options.kind, figureKinds)
  const best = readingsOf(text, known)[0]
  if (!best) throw new Unusable({ code: 'no-reading', kind: known })
  return dressed(
    { ...best.figure, id: file.replace(/\W/g, '-').slice(0, 60) || 'figure', title: title ?? best.figure.title },
    options,
  )
}

/** Draws the figures that are marked in Markdown files, each into its own file beside; `--check` only says which of these are
 *  not what the text says any more. Out: the exit status. */
async function figuresBeside(names: readonly string[], options: Options, streams: Streams): Promise<number> {
  let stale = 0
  for (const name of names) {
    for (const marked of markedFigures(await textOf(name))) {
      const to = path.join(path.dirname(name), marked.file)
      const figure = drawnFrom(marked, options)
      const wrong = options.check ? driftOf(to, figure) : null
      if (options.check) {
        if (!wrong) continue
        stale++
        streams.stderr.write(`${name}:${marked.line}: ${marked.file} ${wrong}. Run the same without --check.\n`)
        continue
      }
      const format = formatOf(to)
      const wardrobe = wardrobeOf(options)
      const made = await figureFile(
        figure,
        { ...plainOptions, format, wardrobe, words: 'text', inside: true },
        NOTHING_BROUGHT,
      )
      if ('code' in made) throw new Unusable(made)
      write(to, made, streams)
      streams.stdout.write(`${to}\n`)
    }
  }
  return stale > 0 ? 1 : 0
}

/** Why a file is not of the figure; null where it is. */
function driftOf(file: string, figure: Figure): string | null {
  if (!existsSync(file)) return 'is not there'
  const inside = figureInside(new Uint8Array(readFileSync(file)))
  if (!inside) return 'holds no figure'
  return versionOf(inside) === versionOf(figure) ? null : 'is not what the text says any more'
}
