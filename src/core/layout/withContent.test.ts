import { areasOf, type Weight } from './toScale'
import { circlesWithContent } from './withContent'

/** Every way in which so many sets can have something in some of their regions, none of them empty. */
function patterns(count: number): Weight[][] {
  const regions = Array.from({ length: 2 ** count - 1 }, (_, k) =>
    [...Array(count).keys()].filter((i) => (k + 1) & (1 << i)),
  )
  return Array.from({ length: 2 ** regions.length - 1 }, (_, p) =>
    regions.filter((_, r) => (p + 1) & (1 << r)).map((sets) => ({ sets, weight: 1 })),
  ).filter((list) => [...Array(count).keys()].every((i) => list.some((w) => w.sets.includes(i))))
}

test('two sets can always be drawn with just their regions, three in most of the ways that circles allow', () => {
  const drawn = [2, 3].map(
    (count) =>
      patterns(count).filter((weights, i) => {
        // Every second of three sets: the search is slow where there is nothing to find.
        if (count === 3 && i % 2 === 1) return false
        const circles = circlesWithContent(count, weights)
        if (!circles) return false
        const areas = areasOf(circles.map(({ centre, radius }) => ({ ...centre, r: radius.x })))
        const whole = [...areas.values()].reduce((s, a) => s + a, 0)
        const there = [...areas].filter(([, a]) => a / whole > 0.002).map(([key]) => key)
        // What is drawn is right, whichever it is.
        expect(there.toSorted()).toEqual(weights.map((w) => w.sets.join()).toSorted())
        return true
      }).length,
  )
  expect(drawn[0]).toBe(5)
  expect(drawn[1]).toBeGreaterThanOrEqual(27)
})
