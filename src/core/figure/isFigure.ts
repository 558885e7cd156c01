import { type Figure } from './figure'
import { figureKinds, frames } from './vocabulary'

const isRecord = (v: unknown): v is Record<string, unknown> => v !== null && typeof v === 'object' && !Array.isArray(v)
const isPart = (v: unknown): boolean => isRecord(v) && typeof v.order === 'number' && Array.isArray(v.source)

/** Whether the editor can hold this without stumbling. The page asks this alone, because the full schema would weigh a
 *  tenth of its script; worker, server and command line check against `figureSchema` before they use a figure. */
export const isFigure = (v: unknown): v is Figure =>
  isRecord(v) &&
  typeof v.id === 'string' &&
  typeof v.title === 'string' &&
  figureKinds.some((k) => k === v.kind) &&
  frames.some((f) => f === v.frame) &&
  isRecord(v.dress) &&
  isRecord(v.wasRead) &&
  typeof v.wasRead.text === 'string' &&
  isRecord(v.nodes) &&
  Object.values(v.nodes).every((n) => isPart(n) && isRecord(n) && typeof n.text === 'string') &&
  isRecord(v.links) &&
  Object.values(v.links).every(isPart)
