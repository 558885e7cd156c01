import { failingSeeds, random } from '../testing/seededFigure'
import { circlesToScale, lens, type Weight } from './toScale'

const SIDE = 500

/** Areas by region in parts of their sum, by asking every point of a fine net. */
function sampled(circles: NonNullable<ReturnType<typeof circlesToScale>>): Map<string, number> {
  const hits = new Array<number>(2 ** circles.length).fill(0)
  for (let i = 0; i < SIDE; i++)
    for (let k = 0; k < SIDE; k++) {
      let region = 0
      circles.forEach(({ centre, radius }, n) => {
        const [dx, dy] = [(i + 0.5) / SIDE - centre.x, (k + 0.5) / SIDE - centre.y]
        if (dx * dx + dy * dy < radius.x * radius.x) region |= 1 << n
      })
      hits[region]!++
    }
  const all = SIDE * SIDE - (hits[0] as number)
  return new Map(
    hits.flatMap((n, region): [string, number][] =>
      region > 0 && n > 0 ? [[circles.flatMap((_, i) => (region & (1 << i) ? [i] : [])).join(), n / all]] : [],
    ),
  )
}

function off(weights: readonly Weight[], circles: NonNullable<ReturnType<typeof circlesToScale>>): number {
  const whole = weights.reduce((s, w) => s + w.weight, 0)
  const areas = sampled(circles)
  const keys = new Set([...areas.keys(), ...weights.map((w) => w.sets.join())])
  const wanted = (key: string) => weights.filter((w) => w.sets.join() === key).reduce((s, w) => s + w.weight, 0) / whole
  return Math.max(...[...keys].map((key) => Math.abs((areas.get(key) ?? 0) - wanted(key))))
}

test('two sets are always to scale: with something in common, with nothing, and one inside the other', () => {
  const failing = failingSeeds(1, 25, (seed) => {
    const next = random(seed)
    const some = () => Math.ceil(next() * 30)
    const weights: Weight[] = [
      { sets: [0], weight: some() },
      ...(seed % 5 === 0 ? [] : [{ sets: [1], weight: some() }]),
      ...(seed % 5 === 1 ? [] : [{ sets: [0, 1], weight: some() }]),
    ]
    const circles = circlesToScale(2, weights)
    return circles && off(weights, circles) < 0.01 ? null : JSON.stringify(weights)
  })
  expect(failing).toEqual([])
})

test('three sets are to scale, or not drawn so: no region is off by more than a hundredth of the whole', () => {
  let drawn = 0
  const failing = failingSeeds(1, 400, (seed) => {
    const next = random(seed)
    const weights = [[0], [1], [2], [0, 1], [0, 2], [1, 2], [0, 1, 2]].flatMap((sets): Weight[] => {
      const weight = Math.floor(next() * 12)
      return weight > 0 ? [{ sets, weight }] : []
    })
    const circles = circlesToScale(3, weights)
    if (!circles || drawn >= 12) return null
    drawn++
    return off(weights, circles) < 0.011 ? null : JSON.stringify(weights)
  })
  expect(drawn).toBe(12)
  expect(failing).toEqual([])
})

test('what no two circles can share, and one set alone, is not drawn to scale', () => {
  const impossible: Weight[] = [
    { sets: [0, 1], weight: 5 },
    { sets: [0, 2], weight: 5 },
    { sets: [1, 2], weight: 5 },
    { sets: [0], weight: 100 },
  ]
  expect(circlesToScale(3, impossible)).toBeNull()
  expect(circlesToScale(1, [{ sets: [0], weight: 3 }])).toBeNull()
  expect(circlesToScale(2, [{ sets: [0], weight: 3 }])).toBeNull()
})

test('the lens of two circles: whole when one is inside, nothing when apart, and by the known value of two unit circles', () => {
  expect(lens(3, 1, 1)).toBeCloseTo(Math.PI)
  expect(lens(1, 1, 2)).toBe(0)
  expect(lens(1, 1, 1)).toBeCloseTo((2 * Math.PI) / 3 - Math.sqrt(3) / 2, 12)
})
