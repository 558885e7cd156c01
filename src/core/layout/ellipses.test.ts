import { failingSeeds, random } from '../testing/seededFigure'
import { CONSTRUCTIONS, ellipsesOf, isInside, isOutside, placeFor, viewOf } from './ellipses'

test.each([4, 5] as const)('%i sets have every region, and a small list finds room in each', (count) => {
  for (let mask = 1; mask < 2 ** count; mask++) {
    const sets = Array.from({ length: count }, (_, i) => i).filter((i) => mask & (1 << i))
    const list = { width: 20, height: 8 }
    const place = placeFor(CONSTRUCTIONS[count], sets, list)
    if (!place) throw new Error(`no region ${sets.join()}`)
    const width = place.needs * 1.001
    const c = place.at(width)
    const box = { x: c.x - list.width / 2, y: c.y - list.height / 2, ...list }
    ellipsesOf(CONSTRUCTIONS[count], width).forEach((e, i) =>
      expect([sets.join(), i, (sets.includes(i) ? isInside : isOutside)(viewOf(e), box)]).toEqual([
        sets.join(),
        i,
        true,
      ]),
    )
  }
})

test('inside and outside are what sampling the box says, and exclude each other', () => {
  const failing = failingSeeds(1, 600, (seed) => {
    const next = random(seed)
    const e = {
      centre: { x: next() * 50, y: next() * 50 },
      radius: { x: 5 + next() * 40, y: 5 + next() * 20 },
      tilt: next() * 180,
    }
    const box = { x: next() * 80 - 20, y: next() * 80 - 20, width: 1 + next() * 30, height: 1 + next() * 30 }
    const angle = (e.tilt * Math.PI) / 180
    const level = (x: number, y: number) => {
      const [dx, dy] = [x - e.centre.x, y - e.centre.y]
      const [u, v] = [dx * Math.cos(angle) + dy * Math.sin(angle), dy * Math.cos(angle) - dx * Math.sin(angle)]
      return Math.hypot(u / e.radius.x, v / e.radius.y)
    }
    const levels = Array.from({ length: 441 }, (_, i) =>
      level(box.x + (box.width * (i % 21)) / 20, box.y + (box.height * Math.floor(i / 21)) / 20),
    )
    const [inside, outside] = [isInside(viewOf(e), box), isOutside(viewOf(e), box)]
    if (inside && levels.some((l) => l > 1 + 1e-9)) return 'called inside'
    if (outside && levels.some((l) => l < 1 - 1e-9)) return 'called outside'
    if (!inside && levels.every((l) => l < 0.999)) return 'not called inside'
    return !outside && levels.every((l) => l > 1.35) ? 'not called outside' : null
  })
  expect(failing).toEqual([])
})
