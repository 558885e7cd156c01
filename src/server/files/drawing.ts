import type { Figure } from '@/core/figure'
import type { Words } from '@/core/formats'
import type { Typesetter } from '@/core/measure'
import type { Scene } from '@/core/scene'
import type { FigureStyle, Wardrobe } from '@/core/style'

/** A figure as it is drawn: what every format is made of. */
export type Drawing = {
  readonly figure: Figure
  /** In the language it is shown in. */
  readonly shown: Figure
  readonly scene: Scene
  readonly style: FigureStyle
  readonly wardrobe: Wardrobe
  readonly typesetter: Typesetter
  readonly images: Pick<Words, 'pictureAt' | 'iconAt'>
  /** Its alt text. */
  readonly description: string
  /** The bytes of fonts that somebody brought, by hash. */
  readonly fonts: Readonly<Record<string, Uint8Array>>
  readonly svg: (words: 'text' | 'outlines', background: boolean) => Promise<string>
}

/** The words it was read from, where it was read. */
export const passageOf = ({ shown: { passage, wasRead } }: Pick<Drawing, 'shown'>): string =>
  passage ? wasRead.text.slice(passage.start, passage.end).trim() : ''
