import { layout } from '.'
import { measure } from '../measure'
import { plainWardrobe, styleOf } from '../style'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { random } from '../testing/seededFigure'
import { sketch } from '../testing/sketch'

const set = shippedTypesetter()

test('boxes by value: every leaf’s area is as its value over the whole figure, and its words have room', () => {
  for (let seed = 1; seed <= 30; seed++) {
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
      arrangement: 'byValue',
    }
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
