import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { frames, type FrameName } from '../figure'
import { centreOf } from '../geometry'
import { routedFigure } from '../pipeline'
import { matrix } from '../testing/matrix'
import { failingSeeds, random } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()

test('in a two-by-two field every option stands in the quarter that its numbers say, whatever the frame', () => {
  const failing = failingSeeds(1, 120, (seed) => {
    const next = random(seed)
    const cells = Array.from({ length: 2 + Math.floor(next() * 9) }, () => [
      Math.floor(next() * 20),
      Math.floor(next() * 20),
    ])
    const [xs, ys] = [0, 1].map((c) => cells.map((row) => row[c] as number)) as [number[], number[]]
    const frame = frames[seed % frames.length] as FrameName
    const routed = routedFigure(
      { ...matrix(cells, [1, 1]), arrangement: 'field', frame },
      plainWardrobe('light'),
      typesetter,
    )
    const faults = routedFaults(routed)
    if (faults.length > 0) return `${faults[0]?.code} ${faults[0]?.what}`
    const rules = routed.decor.flatMap((d) => (d.kind === 'rule' ? [d] : []))
    const upright = rules.find((r) => r.from.x === r.to.x)
    const level = rules.find((r) => r.from.y === r.to.y)
    const options = routed.nodes.filter((n) => n.role === 'option')
    if (!upright || !level || options.length !== cells.length) return 'no axes, or options lost'
    // Half way between the lowest and the highest told.
    const share = (list: readonly number[], v: number) =>
      (v - Math.min(...list)) / (Math.max(...list) - Math.min(...list) || Infinity)
    const wrong = options.findIndex((o, i) => {
      const c = centreOf(o.box)
      const [x, y] = [share(xs, xs[i] as number), share(ys, ys[i] as number)]
      const flat = [Math.max(...xs) === Math.min(...xs), Math.max(...ys) === Math.min(...ys)]
      return (!flat[0] && c.x > upright.from.x !== x >= 0.5) || (!flat[1] && c.y < level.from.y !== y >= 0.5)
    })
    return wrong < 0 ? null : `option ${wrong} of ${JSON.stringify(cells)}`
  })
  expect(failing).toEqual([])
})
