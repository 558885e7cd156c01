import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { frames, type FrameName } from '../figure'
import { routedFigure } from '../pipeline'
import { failingSeeds, random } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { steps } from '../testing/steps'

const typesetter = shippedTypesetter()

test('on a time line marks stand to scale, and every node hangs on its own mark', () => {
  const failing = failingSeeds(1, 80, (seed) => {
    const next = random(seed)
    const minutes: number[] = [360]
    while (minutes.length < 3 + (seed % 9)) minutes.push((minutes.at(-1) as number) + Math.floor(1 + next() ** 3 * 120))
    const clock = (m: number) => `${Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}`
    const figure = {
      ...steps(...minutes.map((m) => `${clock(m)} ${'check the lines and call '.repeat(1 + Math.floor(next() * 3))}`)),
      arrangement: 'timeLine',
      frame: frames[seed % frames.length] as FrameName,
    }
    const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
    const faults = routedFaults(routed).filter((f) => f.code !== 'rule-through-node')
    if (faults.length > 0) return `${faults[0]?.code} ${faults[0]?.what}`
    const marks = routed.decor.flatMap((d) => (d.kind === 'badge' ? [d.centre.x] : []))
    const length = (marks.at(-1) as number) - (marks[0] as number)
    const whole = (minutes.at(-1) as number) - (minutes[0] as number)
    const off = marks.findIndex(
      (x, i) => Math.abs((x - (marks[0] as number)) / length - ((minutes[i] as number) - 360) / whole) > 1e-9,
    )
    if (off >= 0) return `mark ${off} is not to scale`
    const stems = routed.decor.flatMap((d) => (d.kind === 'rule' && d.from.y === 0 && d.to.y !== 0 ? [d] : []))
    const loose = routed.nodes.findIndex((n, i) => {
      const stem = stems[i]
      return !stem || stem.to.x < n.box.x || stem.to.x > n.box.x + n.box.width || stem.from.x !== marks[i]
    })
    return loose < 0 ? null : `node ${loose} does not hang on its mark`
  })
  expect(failing).toEqual([])
})
