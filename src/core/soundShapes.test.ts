import type { FigureKind } from './figure'
import { shippedTypesetter } from './testing/shippedTypesetter'
import { unsoundSeeds } from './testing/sound'

const typesetter = shippedTypesetter()

test.each<FigureKind>(['concept', 'hierarchy', 'venn', 'decision', 'points'])(
  'over seeded figures of kind %s in all arrangements, frames and forms of connectors: no node overlaps, words inside their shapes and off each other, connectors attached and clear of foreign nodes and words; a second drawing is the first to the byte',
  (kind) => expect(unsoundSeeds(kind, typesetter)).toEqual([]),
)
