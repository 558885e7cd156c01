import { arrangementsFor, layout } from '.'
import { measure } from '../measure'
import { plainWardrobe, styleOf } from '../style'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { random } from '../testing/seededFigure'
import { sketch } from '../testing/sketch'

const set = shippedTypesetter()

/** Two to four yards of one to four boats each, every boat with its value. */
function seeded(seed: number, arrangement: string) {
  const next = random(seed)
  const kids = Array.from({ length: 2 + Math.floor(next() * 3) }, (_, i) => `k${i}`)
  const leaves = kids.flatMap((k, i) =>
    Array.from({ length: 1 + Math.floor(next() * 4) }, (_, j) => ({
      id: `l${i}x${j}`,
      k,
      value: 1 + Math.floor(next() * 30),
    })),
  )
  const figure = {
    ...sketch(
      [
        'hierarchy; r item Fleet',
        ...kids.map((k) => `${k} item Yard ${k}; r>${k}`),
        ...leaves.map((l) => `${l.id} item Boat ${l.id} | ${l.value} cars; ${l.k}>${l.id}`),
      ].join('; '),
    ),
    arrangement,
  }
  return { figure, kids, leaves }
}

test('boxes by value: every leaf’s area is as its value over the whole figure, and its words have room', () => {
  for (let seed = 1; seed <= 30; seed++) {
    const { figure, leaves } = seeded(seed, 'byValue')
    const sized = measure(figure, styleOf(figure, plainWardrobe('light')), set)
    const placed = layout(sized, set)
    const boxOf = (id: string) => placed.nodes.find((n) => n.id === id)
    const perUnit = leaves.map((l) => ((boxOf(l.id)?.box.width ?? 0) * (boxOf(l.id)?.box.height ?? 0)) / l.value)
    for (const p of perUnit) expect(Math.abs(p / (perUnit[0] ?? NaN) - 1)).toBeLessThan(1e-9)
    for (const l of leaves) {
      const own = sized.nodes.find((n) => n.id === l.id)
      expect(boxOf(l.id)?.box.width).toBeGreaterThanOrEqual((own?.width ?? Infinity) - 1e-6)
      expect(boxOf(l.id)?.box.height).toBeGreaterThanOrEqual((own?.height ?? Infinity) - 1e-6)
    }
  }
})

test('rings by value: every piece’s area is as its value over the whole figure, and its words stand within it', () => {
  let offered = 0
  for (let seed = 1; seed <= 40; seed++) {
    const { figure, kids, leaves } = seeded(seed, 'ringsByValue')
    if (!arrangementsFor(figure).some((a) => a.id === 'ringsByValue')) continue
    offered++
    const placed = layout(measure(figure, styleOf(figure, plainWardrobe('light')), set), set)
    const pieces = placed.decor.flatMap((d) => (d.kind === 'segment' ? [d] : []))
    expect(pieces.length).toBe(kids.length + leaves.length)
    const valueOf = (id: string) => leaves.filter((l) => l.id === id || l.k === id).reduce((sum, l) => sum + l.value, 0)
    const perUnit = pieces.map((p) => ((p.to - p.from) * (p.outer ** 2 - p.inner ** 2)) / valueOf(p.of))
    for (const p of perUnit) expect(Math.abs(p / (perUnit[0] ?? NaN) - 1)).toBeLessThan(1e-9)
    for (const p of pieces) {
      const box = placed.nodes.find((n) => n.id === p.of)?.box ?? { x: 0, y: 0, width: 0, height: 0 }
      // Along the sides of the box, every point lies within the piece.
      for (let i = 0; i <= 20; i++)
        for (const [x, y] of [
          [box.x + (box.width * i) / 20, box.y],
          [box.x + (box.width * i) / 20, box.y + box.height],
          [box.x, box.y + (box.height * i) / 20],
          [box.x + box.width, box.y + (box.height * i) / 20],
        ] as const) {
          const radius = Math.hypot(x, y)
          const turns = (Math.atan2(y, x) - p.from) / (2 * Math.PI)
          const within = (turns - Math.floor(turns)) * 2 * Math.PI
          expect([seed, p.of, radius >= p.inner - 1e-6, radius <= p.outer + 1e-6, within <= p.to - p.from]).toEqual([
            ...[seed, p.of, true, true, true],
          ])
        }
    }
  }
  expect(offered).toBeGreaterThan(10)
})
