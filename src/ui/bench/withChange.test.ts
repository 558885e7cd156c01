import { plainWardrobe } from '@/core/style'
import { withNodeAt } from '@/core/layout'
import { routedFigure } from '@/core/pipeline'
import { reroute } from '@/core/route'
import { scene, sceneChange } from '@/core/scene'
import { failingSeeds, random, seededFigure } from '@/core/testing/seededFigure'
import { shippedTypesetter } from '@/core/testing/shippedTypesetter'
import { withChange } from './withChange'

const typesetter = shippedTypesetter()
const byOwner = (s: ReturnType<typeof scene>) =>
  Object.fromEntries([...new Set(s.marks.map((m) => m.owner))].map((o) => [o, s.marks.filter((m) => m.owner === o)]))

test('a picture with what a drag changed is the picture as it would be drawn, and keeps what did not change', () => {
  const wrong = failingSeeds(0, 30, (seed) => {
    const f = seededFigure(seed, 'process')
    const note = { id: 'note', text: 'Ask first', about: { part: 'n1' } }
    const before = routedFigure({ ...f, notes: { note }, caption: 'As it is done' }, plainWardrobe('light'), typesetter)
    const next = random(seed)
    const node = before.nodes.filter((n) => n.barOf === null)[Math.floor(next() * 3)]
    if (!node) return null
    const to = { ...node.box, x: node.box.x + (next() - 0.5) * 200, y: node.box.y + (next() - 0.5) * 200 }
    const now = reroute(withNodeAt(before, node.id, to), before.routes, new Set([node.id]))
    const drawn = scene(before)
    const change = sceneChange(before, now, drawn.fit)
    const [shown, whole] = [withChange(drawn, change), scene(now, drawn)]
    const kept = Object.entries(byOwner(drawn)).filter(([o]) => !change.owners.includes(o))
    if (kept.some(([o, marks]) => byOwner(shown)[o]?.some((m, i) => m !== marks[i]))) return 'something is made anew'
    // Title and caption stay where they stand; jumps over what is dragged are drawn when it is let go.
    const captionOf = (s: typeof shown) => s.marks.findLast((m) => m.mark === 'text' && m.owner === '')
    if (JSON.stringify(captionOf(shown)) !== JSON.stringify(captionOf(drawn))) return 'the caption is not where it was'
    const flat = (s: typeof shown) => {
      const bare = { ...s, marks: s.marks.filter((m) => m !== captionOf(s)) }
      return JSON.stringify([byOwner(bare), s.nodes, s.links, s.notes], (k, v: unknown) => (k === 'hops' ? [] : v))
    }
    return flat(shown) === flat(whole) ? null : 'it differs'
  })
  expect(wrong).toEqual([])
})
