import { plainWardrobe } from './style'
import { continued } from './continued'
import { routedFaults } from './check'
import { figureKinds, figureSchema, kinds, linksInOrder, nodesInOrder, type Figure } from './figure'
import { routedFigure, sceneOf } from './pipeline'
import { seededFigure, seededOfKind } from './testing/seededFigure'
import { shippedTypesetter } from './testing/shippedTypesetter'

const typesetter = shippedTypesetter()
const legible = (f: Figure) => (sceneOf(f, plainWardrobe('light'), typesetter).smallestText ?? 12) >= 11.95
const own = (f: Figure) => nodesInOrder(f).filter((n) => n.role !== 'connector')

test('a process too long for a slide is cut into figures that can be read: every step once, every link inside one or through a pair of connectors', () => {
  let cut = 0
  for (let seed = 1; seed <= (process.env.SWEEP ? 24 : 9); seed++) {
    const figure: Figure = { ...seededFigure(seed, 'process', 30), arrangement: 'down', frame: 'slide-16x9' }
    const parts = continued(figure, legible)
    if (!parts) continue
    cut++
    for (const p of parts) {
      expect(figureSchema.safeParse(p).success).toBe(true)
      expect(legible(p)).toBe(true)
      expect([seed, routedFaults(routedFigure(p, plainWardrobe('light'), typesetter))]).toEqual([seed, []])
    }
    expect(parts.flatMap((p) => own(p).map((n) => n.id)).toSorted()).toEqual(Object.keys(figure.nodes).toSorted())
    const partWith = (id: string) => parts.find((p) => p.nodes[id]) as Figure
    for (const l of linksInOrder(figure)) {
      const from = partWith(l.from)
      const drawn = Object.values(from.links).find((o) => o.id === l.id)
      const end = from.nodes[drawn?.to ?? '']
      if (end?.role !== 'connector') {
        expect([seed, l.id, drawn?.to]).toEqual([seed, l.id, l.to])
        continue
      }
      // The letter is met again in the part it names, where it leads on to the same step.
      const [letter, part] = end.text.split(' → ') as [string, string]
      const there = parts[Number(part) - 1] as Figure
      const into = nodesInOrder(there).find((n) => n.role === 'connector' && n.text === letter)
      expect(Object.values(there.links).some((o) => o.from === into?.id && o.to === l.to)).toBe(true)
      expect(drawn?.text).toBe(l.text)
    }
  }
  expect(cut).toBeGreaterThan(6)
})

test('points are dealt out, a hierarchy keeps its top in each part, and what cannot be cut is left', () => {
  const points: Figure = seededFigure(3, 'points', 16)
  const two = continued(points, (p) => Object.keys(p.nodes).length <= 9)
  expect(two?.map((p) => Object.keys(p.nodes).length)).toEqual([8, 8])
  const tree = seededOfKind('hierarchy', 12)
  const whole = Object.keys(tree.nodes).length
  const parts = continued(tree, (p) => Object.keys(p.nodes).length < whole * 0.8)
  const [top] = nodesInOrder(tree)
  expect(parts?.length).toBeGreaterThan(1)
  for (const p of parts ?? []) expect(p.nodes[top?.id ?? '']).toBeDefined()
  for (const kind of figureKinds)
    if (!kinds[kind].continues) expect(continued(seededOfKind(kind, 5), () => true)).toBeNull()
  expect(continued(points, () => false)).toBeNull()
})
