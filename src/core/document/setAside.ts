/** Faults that somebody leaves as they are. */
import type { Figure } from '../figure'
import type { Edit } from './edit'

/** Puts a fault aside for a reason, or takes it back among the others where the reason is null. */
export function settingAside(figure: Figure, key: string, reason: string | null): Edit {
  const { [key]: _was, ...others } = figure.setAside ?? {}
  const now = reason === null ? others : { ...others, [key]: reason }
  return { do: 'setFigure', set: { setAside: Object.keys(now).length > 0 ? now : null } }
}
