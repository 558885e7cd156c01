import type { FrameName } from './vocabulary'
import { words, type Words } from '../words'

type FrameRow = {
  readonly name: Words
  /** CSS px; null where the figure decides. */
  readonly width: number | null
  readonly height: number | null
  readonly medium: 'slide' | 'paper'
  /** How much a small figure may grow to fill it. Figures that share a text column share its size of words; a slide or a
   *  full page belongs to one figure, which may fill it better, by whole steps of `GROWTH_STEP`. */
  readonly growth: number
}

/** Words that have grown come in few sizes, so that the figures of a folio match where they can. */
export const GROWTH_STEP = 0.1

/** Targets a figure is made for. A 16:9 slide is 1280 px wide, so that 1 px is 0.75 pt on it; a page column is the text
 *  width of A4 with 25 mm margins (160 mm); full pages are A4 less those margins. */
export const frameTable = {
  'slide-16x9': { name: words('Slide 16:9'), width: 1280, height: 720, medium: 'slide', growth: 1.6 },
  'slide-4x3': { name: words('Slide 4:3'), width: 960, height: 720, medium: 'slide', growth: 1.6 },
  'page-column': { name: words('Page column'), width: 605, height: null, medium: 'paper', growth: 1 },
  'page-portrait': { name: words('Full page'), width: 605, height: 933, medium: 'paper', growth: 1.4 },
  'page-landscape': { name: words('Full page, landscape'), width: 933, height: 605, medium: 'paper', growth: 1.4 },
  square: { name: words('Square'), width: 1080, height: 1080, medium: 'slide', growth: 1.6 },
  'portrait-4x5': { name: words('Portrait 4:5'), width: 1080, height: 1350, medium: 'slide', growth: 1.6 },
  free: { name: words('As large as it needs'), width: null, height: null, medium: 'paper', growth: 1 },
} satisfies Record<FrameName, FrameRow>

/** The smallest text that can be read on the medium, in pt. */
export const SMALLEST_TEXT = { slide: 12, paper: 8 } as const

/** 1 CSS px is 0.75 pt. */
export const POINTS_PER_PX = 0.75
