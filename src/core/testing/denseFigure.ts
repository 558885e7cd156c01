import type { Figure } from '../figure'
import { random, seededOfKind } from './seededFigure'

/** A concept map in which everything is linked with many others: more than any layout makes readable. */
export function denseFigure(nodes: number, links: number): Figure {
  const next = random(nodes)
  const ids = Array.from({ length: nodes }, (_, i) => `n${i}`)
  const any = () => ids[Math.floor(next() * nodes)] as string
  return {
    ...seededOfKind('concept', 1),
    id: 'dense',
    arrangement: 'layers',
    nodes: Object.fromEntries(
      ids.map((id, i) => [id, { id, role: 'concept' as const, text: `Concept ${i}`, order: i, source: [] }]),
    ),
    links: Object.fromEntries(
      Array.from({ length: links }, (_, i) => [
        `l${i}`,
        { id: `l${i}`, role: 'relation' as const, from: any(), to: any(), order: i, source: [] },
      ]),
    ),
  }
}
