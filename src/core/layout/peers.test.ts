import { frames, figureKinds, type FrameName } from '../figure'
import { measure } from '../measure'
import { styleOf, plainWardrobe } from '../style'
import { failingSeeds, seededOfKind } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { evened } from './peers'

const typesetter = shippedTypesetter()

test.each(figureKinds)(
  'of kind %s, peers grow by no more than they may, none shrinks, and evening twice changes nothing',
  (kind) => {
    let wider = 0
    const failing = failingSeeds(1, 80, (seed) => {
      const figure = { ...seededOfKind(kind, seed), frame: frames[seed % frames.length] as FrameName }
      const sized = measure(figure, styleOf(figure, plainWardrobe('light')), typesetter)
      const most = 1 + (seed % 5) * 0.3
      const alike = seed % 2 === 0
      const even = evened(sized, most, alike)
      for (const [i, n] of even.nodes.entries()) {
        const old = sized.nodes[i] as (typeof sized.nodes)[number]
        // Steps behind the same step are evened more.
        const limit = kind === 'process' ? Math.max(most, 1) * 2 : most
        if (n.id !== old.id || n.width < old.width || n.width > old.width * limit + 0.001)
          return `${old.id}: ${old.width} to ${n.width}`
        if (n.width > old.width) wider++
        if (!alike && n.height !== old.height) return `${n.id} has another height`
      }
      const straight = even.nodes.filter((n) => ['roundRect', 'rect', 'onward', 'plain'].includes(n.shape))
      const heights = new Set(straight.map((n) => n.height))
      if (alike && heights.size > 1) return 'nodes alike of several heights'
      const again = evened(even, most, alike).nodes.map((n) => n.width)
      return kind === 'process' || again.every((w, i) => w === even.nodes[i]?.width) ? null : 'not settled'
    })
    expect(failing).toEqual([])
    if (kind !== 'venn') expect(wider).toBeGreaterThan(20)
  },
)
