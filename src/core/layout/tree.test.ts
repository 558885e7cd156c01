import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { frames, type Figure, type FrameName } from '../figure'
import { centreOf } from '../geometry'
import { routedFigure } from '../pipeline'
import { failingSeeds, random, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()

/** A tree some of whose leaves are assistants. */
function staff(seed: number): Figure {
  const next = random(seed)
  const figure = seededOfKind('hierarchy', seed)
  const links = Object.values(figure.links)
  const isLeaf = (id: string) => links.some((l) => l.to === id) && links.every((l) => l.from !== id)
  const nodes = Object.values(figure.nodes).map((n) =>
    isLeaf(n.id) && next() < 0.4 ? { ...n, role: 'assistant' as const } : n,
  )
  return { ...figure, nodes: Object.fromEntries(nodes.map((n) => [n.id, n])) }
}

test.each(['down', 'stacked'])(
  '%s: assistants stand beside the line below their head, above those who are in it, and hang on the line',
  (arrangement) => {
    let seen = 0
    const failing = failingSeeds(1, 121, (seed) => {
      const figure = { ...staff(seed), arrangement, frame: frames[seed % frames.length] as FrameName }
      const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
      const faults = routedFaults(routed)
      if (faults.length > 0) return `${faults[0]?.code} ${faults[0]?.what}`
      const node = (id: string) => routed.nodes.find((n) => n.id === id) as (typeof routed.nodes)[number]
      for (const l of routed.links) {
        const [head, helper] = [node(l.from), node(l.to)]
        if (helper.role !== 'assistant') continue
        seen++
        const line = centreOf(head.box).x
        if (helper.box.y < head.box.y + head.box.height) return `${helper.id} is not below its head`
        if (helper.box.x < line && helper.box.x + helper.box.width > line) return `${helper.id} stands on the line`
        const inLine = routed.links
          .filter((o) => o.from === l.from && node(o.to).role !== 'assistant')
          .map((o) => node(o.to))
        if (inLine.some((n) => n.box.y < helper.box.y + helper.box.height)) return `${helper.id} is not above the line`
      }
      return null
    })
    expect(failing).toEqual([])
    expect(seen).toBeGreaterThan(200)
  },
)
