import { switchKind } from '@/core/document'
import { kinds, type FigureKind } from '@/core/figure'
import type { Work } from './work'
import { said } from '@/core/words'

/** Shows the figure as another kind, and says that nothing is lost. */
export function toKind({ shared, apply, tell }: Work, kind: FigureKind): void {
  apply(switchKind(shared.figure, kind))
  tell(
    said('It is shown as {now} now. Nothing of the {before} is lost: it comes back when you switch back.', {
      now: said(kinds[kind].within),
      before: said(kinds[shared.figure.kind].within),
    }),
  )
}
