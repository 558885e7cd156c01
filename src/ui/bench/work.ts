/** What every part of the bench works with: the figure, what is selected, and the one way to change it. */
import type { Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import type { OpenFolio, SharedFigure } from '../folio/useFolio'
import type { Editing, Selected, Selection } from './selection'
import type { BenchActions } from './useActions'
import type { Apply, Edits, Picture } from './useBench'
import type { Insets } from './useInsets'
import type { PictureActions } from './usePictures'
import type { Notify } from '../chrome/Notice'
import type { Said } from '@/core/words'

/** What would come of an edit, shown on the stage before it is made. */
export type Ghost = { readonly edit: Edit; readonly says: Said }

export type Work = {
  readonly folio: OpenFolio
  readonly shared: SharedFigure
  readonly figure: Figure
  readonly scene: Scene | null
  readonly picture: Picture
  readonly selection: Selection
  /** The one part that is selected, where it is one. */
  readonly selected: Selected
  readonly select: (s: Selection) => void
  /** The region that is selected, by its sets. */
  readonly region: readonly string[] | null
  readonly selectRegion: (sets: readonly string[] | null) => void
  readonly editing: Editing | null
  readonly edit: (e: Editing | null) => void
  readonly apply: Apply
  /** Shows words as they are being typed, without keeping them. */
  readonly draft: (edit: Edit | null) => void
  readonly ghost: Ghost | null
  readonly showGhost: (ghost: Ghost | null) => void
  /** An earlier version that the figure on the stage is compared with. */
  readonly compared: Figure | null
  readonly compare: (earlier: Figure | null) => void
  readonly actions: BenchActions
  readonly insets: Insets
  readonly pictures: PictureActions
  readonly edits: Edits
  readonly tell: Notify
}
