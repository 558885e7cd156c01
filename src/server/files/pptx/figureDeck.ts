import type { Figure } from '@/core/figure'
import { nativeObjects } from '@/core/formats'
import type { Mark, Scene } from '@/core/scene'
import type { FontKey } from '@/core/style'
import { passageOf, type Drawing } from '../drawing'
import { versionOf } from '../inside'
import { installedFont } from '../installedFonts'
import { deckFile, type Slide } from './deck'

export type DeckOptions = {
  readonly title: string
  readonly glue: boolean
  /** Puts a figure into the file; null for none. */
  readonly inside: ((figure: Figure) => string) | null
  /** The deck begins with a slide that has its title. */
  readonly titled?: boolean
}

/** Figures as slides of one deck: of the size of the first, in the theme of its style. */
export function figureDeck(drawings: readonly Drawing[], options: DeckOptions): Uint8Array {
  const [first] = drawings
  if (!first) throw new Error('a deck needs a figure')
  const { style, scene, shown, typesetter } = first
  const name = (key: FontKey | undefined) => installedFont(key ?? 'grotesk-400', style.house)
  return deckFile({
    ...{ title: options.title, language: shown.language, width: scene.width, height: scene.height },
    ...{ style: style.house.name, palette: style.palette, glue: options.glue, reach: typesetter.reach },
    fonts: { heading: name(style.heading.fonts[0]), body: name(style.body.fonts[0]) },
    slides: [
      ...(options.titled ? [titleSlide(first, options.title)] : []),
      ...drawings.map((d) => slideOf(d, options)),
    ],
  })
}

function slideOf(d: Drawing, { inside }: DeckOptions): Slide {
  const { scene, style, shown, typesetter, images, description } = d
  return {
    ...{
      title: shown.title,
      width: scene.width,
      height: scene.height,
      language: shown.language,
      palette: style.palette,
    },
    notes: [description, ...(passageOf(d) ? ['', passageOf(d)] : [])],
    ground: scene.open ? null : scene.background,
    objects: nativeObjects(scene, { reach: typesetter.reach, ...images }),
    fontOf: (key) => installedFont(key, style.house),
    inside: inside ? inside(d.figure) : null,
    tag: { id: d.figure.id, version: versionOf(d.figure) },
  }
}

function titleSlide(first: Drawing, title: string): Slide {
  const { scene, style, shown, typesetter } = first
  const size = 44
  const lines = typesetter.paragraph(title, style.heading.fonts, size, scene.width * 0.8)
  const pitch = size * 1.25
  const top = (scene.height - lines.length * pitch) / 2
  const mark: Mark = {
    ...{ mark: 'text', owner: '', fill: style.palette.ink },
    lines: lines.map((l, i) => ({
      ...{ text: l.text, after: l.after, size, turn: 0, baseline: top + pitch * (i + 0.72) },
      runs: l.runs.map((r) => ({ ...r, x: r.x + (scene.width - l.width) / 2 })),
    })),
  }
  const page: Scene = { ...scene, marks: [mark], nodes: [], links: [], notes: [] }
  return {
    ...{ title, width: scene.width, height: scene.height, language: shown.language, palette: style.palette },
    ...{ notes: [], ground: style.palette.ground, inside: null, tag: null },
    objects: nativeObjects(page, { reach: typesetter.reach, pictureAt: () => null, iconAt: () => null }),
    fontOf: (key) => installedFont(key, style.house),
  }
}
