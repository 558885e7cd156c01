import { routedFaults } from './check'
import { hold } from './document'
import { apply } from './document'
import { svgFile } from './formats'
import { centreOf } from './geometry'
import { withNodeAt } from './layout'
import { routedFigure, sceneOf } from './pipeline'
import { reroute } from './route'
import { failingSeeds, frozen, random, seededFigure } from './testing/seededFigure'
import { shippedTypesetter } from './testing/shippedTypesetter'

const typesetter = shippedTypesetter()
const SEEDS = 320

test('over seeded figures: no node overlaps, words inside their shapes, connectors attached, straight and clear of foreign nodes', () => {
  const failing = failingSeeds(1, SEEDS, (seed) => {
    const faults = routedFaults(routedFigure(frozen(seededFigure(seed)), 'light', typesetter))
    return faults.length
      ? faults
          .slice(0, 3)
          .map((f) => `${f.code} ${f.what}`)
          .join(', ')
      : null
  })
  expect(failing).toEqual([])
})

test('the same figure gives the same bytes, also when its records are shuffled', () => {
  const failing = failingSeeds(1, 40, (seed) => {
    const figure = seededFigure(seed)
    const shuffled = {
      ...figure,
      nodes: Object.fromEntries(Object.entries(figure.nodes).toReversed()),
      links: Object.fromEntries(Object.entries(figure.links).toReversed()),
    }
    const bytes = (f: typeof figure, t = typesetter) =>
      svgFile(sceneOf(f, 'light', t), {
        words: { as: 'text' },
        background: true,
        title: '',
        description: '',
        fontFaces: '',
      })
    return bytes(figure) === bytes(shuffled) ? null : 'differs'
  })
  expect(failing).toEqual([])
})

test('held nodes stay where they were put and nothing overlaps them', () => {
  const failing = failingSeeds(1, 80, (seed) => {
    const next = random(seed)
    let figure = seededFigure(seed)
    const first = routedFigure(figure, 'light', typesetter)
    const chosen = first.nodes.filter(() => next() < 0.1).slice(0, 1)
    const places = chosen.map((n) => ({
      ...n.box,
      x: n.box.x + (next() - 0.5) * 500,
      y: n.box.y + (next() - 0.5) * 500,
    }))
    chosen.forEach((n, i) => {
      figure = apply(figure, hold(n.id, places[i] as (typeof places)[number])).figure
    })
    const routed = routedFigure(frozen(figure), 'light', typesetter)
    const moved = chosen.filter((n, i) => {
      const now = centreOf((routed.nodes.find((m) => m.id === n.id) as (typeof routed.nodes)[number]).box)
      const wanted = centreOf(places[i] as (typeof places)[number])
      return Math.hypot(now.x - wanted.x, now.y - wanted.y) > 0.01
    })
    const faults = routedFaults(routed)
    return moved.length || faults.length
      ? `${moved.map((m) => m.id).join()} ${faults
          .slice(0, 3)
          .map((f) => `${f.code} ${f.what}`)
          .join(', ')}`
      : null
  })
  expect(failing).toEqual([])
})

test('a drag leaves every other node in place and keeps connectors attached', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const routed = routedFigure(seededFigure(seed), 'light', typesetter)
    const n = routed.nodes[seed % routed.nodes.length] as (typeof routed.nodes)[number]
    const bottom = Math.max(...routed.nodes.map((m) => m.box.y + m.box.height))
    const dragged = reroute(withNodeAt(routed, n.id, { ...n.box, y: bottom + 200 }), routed.routes, new Set([n.id]))
    const others = dragged.nodes.some((m) => m.id !== n.id && m.box !== routed.nodes.find((o) => o.id === m.id)?.box)
    const faults = routedFaults(dragged)
    return others || faults.length
      ? faults
          .slice(0, 3)
          .map((f) => `${f.code} ${f.what}`)
          .join(', ')
      : null
  })
  expect(failing).toEqual([])
})
