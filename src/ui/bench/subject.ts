/** What a note that is added now would speak of: what is selected, a region, else the whole figure. */
import type { About } from '@/core/document'
import type { Selection } from './selection'

/** Undefined where several things are selected, or a note: those have no notes. */
export function subjectOf({
  selection,
  region,
}: {
  readonly selection: Selection
  readonly region: readonly string[] | null
}): About | undefined {
  if (region) return { region }
  const [part, ...more] = selection
  if (!part) return null
  return more.length > 0 || part.kind === 'note' ? undefined : { part: part.id }
}
