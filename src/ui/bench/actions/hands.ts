/** What actions of the bench have to work with. */
import type { Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { newId } from '../newId'
import type { Editing, Selection } from '../selection'
import type { Notify } from '../../chrome/Notice'

export type Hands = {
  readonly scene: Scene | null
  readonly figure: Figure
  readonly apply: (edit: Edit) => void
  readonly selection: Selection
  readonly region: readonly string[] | null
  readonly select: (s: Selection) => void
  readonly edit: (e: Editing | null) => void
  readonly tell: Notify
}
export const ids = () => ({ node: newId(), link: newId() })
