/** A folio drawn for a file: its blocks, and its figures in their order with their numbers. */
import { SMALLEST_TEXT, frameTable, numberedFigure, type Figure, type FrameName } from '@/core/figure'
import { continued } from '@/core/continued'
import type { Problem } from '@/core/problem'
import { sceneOf } from '@/core/pipeline'
import type { Scene } from '@/core/scene'
import type { Wardrobe } from '@/core/style'
import { plainWords, type ManuscriptBlock } from '@/manuscript'
import { drawingOf, type Brought } from '../figureFile'
import type { Drawing } from '../files/drawing'

/** What a folio holds, as plain data. */
export type FolioContent = {
  readonly title: string
  readonly language: string
  readonly blocks: readonly ManuscriptBlock[]
  readonly figures: readonly Figure[]
  readonly wardrobe: Wardrobe
  readonly brought: Brought
}

export type PublishOptions = {
  /** With the manuscript, or figures alone. */
  readonly text: boolean
  readonly background: boolean
  readonly paper: 'a4' | 'letter'
  readonly glue: boolean
  readonly inside: boolean
  /** Figures in the frame of the place they go to; else each in its own. */
  readonly reframe: boolean
  /** Of many files: the format of each, and how they are called. */
  readonly each: 'svg' | 'png' | 'jpeg' | 'webp' | 'pdf' | 'pptx' | 'odp'
  readonly naming: string
  readonly scale: number
  readonly dpi: number | null
}

/** As a folio is written where nothing is said. */
export const plainPublication: PublishOptions = {
  ...{ text: true, background: true, paper: 'a4', glue: true, inside: true, reframe: true },
  ...{ each: 'png', naming: '{number} {title}', scale: 2, dpi: null },
}

export type Published = {
  readonly figure: Figure
  readonly number: number
  /** “Figure 3. Title”, in the language of the figure. */
  readonly caption: string
  /** More than one where it is too much for one frame. */
  readonly drawings: readonly Drawing[]
}
export type Publication = Omit<FolioContent, 'figures'> & {
  readonly figures: readonly Published[]
  readonly options: PublishOptions
}
export type Medium = 'document' | 'deck' | 'page' | 'files'

/** Told after each figure; throwing ends the work. */
export type Progress = (done: number, of: number) => void

/** Frames that a medium has room for, the first of which others are put in. */
const roomFor: Readonly<Record<Medium, readonly FrameName[]>> = {
  document: ['page-column', 'page-portrait', 'page-landscape', 'square', 'free'],
  deck: ['slide-16x9'],
  page: [],
  files: [],
}

export async function publicationOf(
  content: FolioContent,
  medium: Medium,
  options: PublishOptions,
  progress: Progress,
): Promise<Publication> {
  const figures: Published[] = []
  for (const figure of inOrder(content)) {
    const number = figures.length + 1
    const shown = framed(figure, options.reframe ? roomFor[medium] : [])
    const drawing = await drawingOf(shown, content.wardrobe, content.brought)
    const drawings = medium === 'deck' ? await legible(drawing, content) : [drawing]
    figures.push({ figure, number, caption: captionOf(drawing, number), drawings })
    progress(number, content.figures.length)
  }
  return { ...content, blocks: withoutTitle(content), figures, options }
}

/** The title stands above: a first heading that says the same would say it twice. */
function withoutTitle({ blocks, title }: FolioContent): readonly ManuscriptBlock[] {
  const [first, ...rest] = blocks
  return first?.block === 'heading' && plainWords(first.words).trim() === title.trim() ? rest : blocks
}

function inOrder({ figures, wardrobe }: FolioContent): readonly Figure[] {
  const place = new Map(wardrobe.order.map((id, i) => [id, i]))
  return figures.toSorted((a, b) => (place.get(a.id) ?? Infinity) - (place.get(b.id) ?? Infinity))
}

const framed = (figure: Figure, frames: readonly FrameName[]): Figure =>
  frames.length === 0 || frames.includes(figure.frame) ? figure : { ...figure, frame: frames[0] as FrameName }

const captionOf = ({ shown }: Drawing, number: number): string =>
  [numberedFigure(shown.language, number), shown.title].filter(Boolean).join('. ')

const isLegible = (figure: Figure, { smallestText }: Scene): boolean =>
  smallestText === null || smallestText >= SMALLEST_TEXT[frameTable[figure.frame].medium] - 0.05

/** As continued figures where its words would be too small, as far as a cut helps. */
async function legible(drawing: Drawing, { wardrobe, brought }: FolioContent): Promise<readonly Drawing[]> {
  const { figure, scene, typesetter } = drawing
  if (isLegible(figure, scene)) return [drawing]
  const parts = continued(figure, (part) => isLegible(part, sceneOf(part, wardrobe, typesetter)))
  if (!parts) return [drawing]
  const drawn: Drawing[] = []
  for (const part of parts) drawn.push(await drawingOf(part, wardrobe, brought))
  return drawn
}

export type Made = Uint8Array | Problem
