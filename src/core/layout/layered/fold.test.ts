import { failingSeeds, random } from '../../testing/seededFigure'
import { runsOf } from './fold'

const chain = (count: number) => ({
  layers: Array.from({ length: count }, (_, i) => [`n${i}`]),
  links: Array.from({ length: count - 1 }, (_, i) => ({ from: `n${i}`, to: `n${i + 1}` })),
})

test('the runs are all layers in order, as many as asked for, none empty; short flows stay whole', () => {
  const failing = failingSeeds(1, 300, (seed) => {
    const next = random(seed)
    const { layers, links } = chain(2 + Math.floor(next() * 40))
    const fold = 1 + Math.floor(next() * 4)
    const lengths = layers.map(() => 20 + next() * 100)
    const more = links.concat(
      layers.slice(3).flatMap((_, i) => (next() < 0.2 ? [{ from: `n${i}`, to: `n${i + 3}` }] : [])),
    )
    const runs = runsOf(layers, more, lengths, fold)
    if (runs.flat().join() !== [...layers.keys()].join()) return 'layers lost or out of order'
    if (runs.some((r) => r.length === 0)) return 'an empty run'
    return runs.length === (layers.length < 2 * fold ? 1 : fold) ? null : `${runs.length} runs for ${fold}`
  })
  expect(failing).toEqual([])
})

test('a chain is cut into equal runs; a flow is not cut inside a branch that it can be cut beside', () => {
  const { layers, links } = chain(12)
  const even = layers.map(() => 50)
  expect(runsOf(layers, links, even, 3).map((r) => r.length)).toEqual([4, 4, 4])
  // A branch from the fifth to the eighth layer: three connectors pass between them.
  const branch = [
    { from: 'n4', to: 'n7' },
    { from: 'n4', to: 'n7' },
  ]
  const ends = runsOf(layers, [...links, ...branch], even, 2).map((r) => r.length)
  expect(ends[0]).not.toBe(6)
  expect([4, 8]).toContain(ends[0])
})
