import { apply } from '../document'
import { random } from '../quantity'
import { sketch } from '../testing/sketch'
import { argumentsIn, balanceOf, turningPoint, type Figure } from '.'
import { ranking } from './ranking'

/** Options, each with arguments for and against it, of weights from 0 to 5. */
function seeded(seed: number): Figure {
  const next = random(seed)
  const parts = Array.from({ length: 1 + Math.floor(next() * 3) }, (_, o) => [
    `o${o} option Option ${o}`,
    `r>o${o}`,
    ...Array.from({ length: 1 + Math.floor(next() * 4) }, (_, i) => [
      `a${o}${i} criterion Argument ${o}${i}`,
      `o${o}>a${o}${i} ${next() < 0.5 ? 'Pro' : 'against'}`,
    ]).flat(),
  ])
  const f = sketch(`decision; r choice Which?; ${parts.flat().join('; ')}`)
  const nodes = Object.values(f.nodes).map((n) =>
    n.role === 'criterion' ? { ...n, fields: { weight: Math.floor(next() * 6) } } : n,
  )
  return { ...f, nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) }
}

test('what counts for an option and against it: the best wins, and at a turning point it is just as good as another', () => {
  let turned = 0
  for (let seed = 1; seed <= 200; seed++) {
    const f = seeded(seed)
    const sides = argumentsIn(f) ?? []
    expect(sides.length).toBeGreaterThan(0)
    const ranks = ranking(f)
    for (const w of sides) expect(ranks.get(w.option.id)?.score).toBe(balanceOf(w))
    for (const w of sides)
      for (const a of w.arguments) {
        const weight = turningPoint(sides, a)
        if (weight === null) continue
        turned++
        const other = argumentsIn(
          apply(f, { do: 'setNode', id: a.node.id, set: { fields: { weight } } }).figure,
        ) as typeof sides
        const [own, ...rest] = other.toSorted((x) => (x.option.id === w.option.id ? -1 : 1)).map(balanceOf)
        expect(own).toBe(Math.max(...rest))
      }
  }
  expect(turned).toBeGreaterThan(100)
})

test('options that are told by other things than for and against are no such figure', () => {
  expect(argumentsIn(sketch('decision; o option Wait; a criterion 5; o>a Cost'))).toBeNull()
  expect(argumentsIn(sketch('process; a step Wait'))).toBeNull()
  expect(ranking(sketch('decision; o option Wait; a criterion Dry; o>a Pro')).size).toBe(0)
})
