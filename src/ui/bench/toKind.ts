import { switchKind } from '@/core/document'
import { kinds, type FigureKind } from '@/core/figure'
import type { Work } from './work'

/** Shows the figure as another kind, and says that nothing is lost. */
export function toKind({ shared, apply, tell }: Work, kind: FigureKind): void {
  const name = (k: FigureKind) => kinds[k].name.toLowerCase()
  apply(switchKind(shared.figure, kind))
  tell(
    `It is a ${name(kind)} now. Nothing of the ${name(shared.figure.kind)} is lost: it comes back when you switch back.`,
  )
}
