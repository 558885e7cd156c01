import { plainWardrobe } from './style'
import { routedFaults } from './check'
import { frames, type FigureKind, type FrameName } from './figure'
import { arrangementsOf } from './layout'
import { routedFigure } from './pipeline'
import { failingSeeds, seededFigure } from './testing/seededFigure'
import { shippedTypesetter } from './testing/shippedTypesetter'
import { unsoundSeeds } from './testing/sound'

const typesetter = shippedTypesetter()

test.each<FigureKind>(['process'])(
  'over seeded figures of kind %s in all arrangements, frames and forms of connectors: no node overlaps, words inside their shapes and off each other, connectors attached and clear of foreign nodes and words; a second drawing is the first to the byte',
  (kind) => expect(unsoundSeeds(kind, typesetter)).toEqual([]),
)

test('processes of 48 to 60 steps are sound in every arrangement and frame', () => {
  const all = arrangementsOf('process')
  const failing = failingSeeds(1, process.env.SWEEP ? 33 : 20, (seed) => {
    const { id } = all[seed % all.length] as (typeof all)[number]
    const frame = frames[seed % frames.length] as FrameName
    const figure = { ...seededFigure(seed, 'process', 48 + (seed % 13)), arrangement: id, frame }
    const faults = routedFaults(routedFigure(figure, plainWardrobe('light'), typesetter))
    return faults.length > 0 ? `${id}, ${frame}: ${faults[0]?.code} ${faults[0]?.what}` : null
  })
  expect(failing).toEqual([])
})
