import { plainWardrobe } from './style'
import { routedFaults } from './check'
import { hold } from './document'
import { apply } from './document'
import { svgFile } from './formats'
import { centreOf, union } from './geometry'
import { figureKinds, frameTable, frames, SMALLEST_TEXT, type Figure, type FrameName } from './figure'
import { arrangementsFor, arrangementsOf, withNodeAt, type Decor } from './layout'
import { routedFigure, sceneOf } from './pipeline'
import { propose } from './propose'
import { readText } from './reading'
import { shippedLexicon } from '@/server/lexicon'
import { reroute } from './route'
import { corpus } from './testing/corpus'
import { failingSeeds, frozen, random, seededFigure, seededOfKind } from './testing/seededFigure'
import { steps } from './testing/steps'
import { shippedTypesetter } from './testing/shippedTypesetter'

const typesetter = shippedTypesetter()
test('a figure without nodes, and of one node, is drawn in every arrangement and frame', () => {
  for (const kind of figureKinds)
    for (const { id } of arrangementsOf(kind))
      for (const frame of frames.filter((_, i) => process.env.SWEEP || i % 3 === 0))
        for (const words of [[], ['Check the moorings']]) {
          const { width, height, fit, nodes } = sceneOf(
            { ...steps(...words), kind, arrangement: id, frame },
            plainWardrobe('light'),
            typesetter,
          )
          const finite = [width, height, fit.scale, fit.dx, fit.dy].every(Number.isFinite)
          expect([kind, id, frame, nodes.length, finite]).toEqual([kind, id, frame, words.length, true])
        }
})

test('a link from a node to itself is drawn beside it, in every arrangement that draws links', () => {
  for (const kind of ['process', 'concept', 'hierarchy', 'decision'] as const)
    for (const { id } of arrangementsOf(kind)) {
      const figure = seededOfKind(kind, 3)
      const first = Object.values(figure.nodes)[0] as Figure['nodes'][string]
      const self = {
        id: 'self',
        role: 'relation' as const,
        from: first.id,
        to: first.id,
        order: 99,
        source: [],
        text: 'again',
      }
      const routed = routedFigure(
        { ...figure, arrangement: id, links: { ...figure.links, self } },
        plainWardrobe('light'),
        typesetter,
      )
      const drawn = routed.routes.find((r) => r.id === 'self')
      expect([kind, id, routedFaults(routed)]).toEqual([kind, id, []])
      expect([kind, id, drawn ? drawn.points.length > 3 : routed.flow === 'unlinked']).toEqual([kind, id, true])
    }
})

test('in every frame nearly every figure of the corpus has an arrangement with legible words, and most have it first', () => {
  const lexicon = shippedLexicon()
  const figures = corpus()
    .filter((g, i) => g.language === 'en' && g.kinds[0] !== 'none' && i % 3 === 0)
    .flatMap((g) => propose(readText(g.text, lexicon))[0]?.figure ?? [])
  // Every second frame; all of them with `SWEEP=1`.
  for (const frame of frames.filter((_, i) => process.env.SWEEP || i % 2 === 0)) {
    const least = SMALLEST_TEXT[frameTable[frame].medium] - 0.05
    const legible = (figure: Figure, arrangement: string) =>
      (sceneOf({ ...figure, arrangement, frame }, plainWardrobe('light'), typesetter).smallestText ?? least) >= least
    const first = figures.filter((f) => legible(f, arrangementsFor(f)[0]?.id ?? ''))
    const none = figures.filter((f) => !first.includes(f) && !arrangementsFor(f).some((a) => legible(f, a.id)))
    expect({ frame, enough: first.length / figures.length > 0.88, none: none.length <= figures.length * 0.02 }).toEqual(
      {
        frame,
        enough: true,
        none: true,
      },
    )
  }
})

test('a figure fills its frame or stands in the middle of it, and its words are not made larger than a little', () => {
  const failing = failingSeeds(1, 50, (seed) => {
    const scene = sceneOf({ ...seededFigure(seed), frame: 'slide-16x9' }, plainWardrobe('light'), typesetter)
    const all = union(scene.nodes.map((n) => n.box))
    const inside = all.x > 0 && all.y > 0 && all.x + all.width < 1280 && all.y + all.height < 720
    const full = all.width > 1280 * 0.6 || all.height > 720 * 0.6
    return inside && (full || scene.fit.scale > 1.29) ? null : `${JSON.stringify(all)} at ${scene.fit.scale}`
  })
  expect(failing).toEqual([])
})

test('a parent stands above its children and in the middle of them, and no two subtrees cross', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const figure = { ...seededOfKind('hierarchy', seed), arrangement: 'down' }
    const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
    const middle = (id: string) =>
      centreOf((routed.nodes.find((n) => n.id === id) as (typeof routed.nodes)[number]).box)
    for (const parent of routed.nodes) {
      const children = routed.links.filter((l) => l.from === parent.id).map((l) => middle(l.to))
      const [first, last] = [children[0], children.at(-1)]
      if (!first || !last) continue
      if (children.some((c) => c.y <= middle(parent.id).y)) return `${parent.id} is not above its children`
      if (Math.abs(middle(parent.id).x - (first.x + last.x) / 2) > 0.01) return `${parent.id} is not in the middle`
      if (children.some((c, i) => i > 0 && c.x <= (children[i - 1] as typeof c).x))
        return `children of ${parent.id} out of order`
    }
    return null
  })
  expect(failing).toEqual([])
})

test('in stacked levels every node stands right below its parent and no wider, and a pyramid grows by even steps', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const routed = routedFigure(
      { ...seededOfKind('hierarchy', seed), arrangement: 'levels', frame: 'free' },
      plainWardrobe('light'),
      typesetter,
    )
    const box = (id: string) => (routed.nodes.find((n) => n.id === id) as (typeof routed.nodes)[number]).box
    for (const l of routed.links) {
      const [a, b] = [box(l.from), box(l.to)]
      if (b.x < a.x - 0.01 || b.x + b.width > a.x + a.width + 0.01) return `${l.to} reaches beyond ${l.from}`
      const between = routed.nodes.some((n) => n.box.y > a.y + 0.01 && n.box.y < b.y - 0.01)
      if (b.y <= a.y || between) return `${l.to} is not in the level below ${l.from}`
    }
    return null
  })
  expect(failing).toEqual([])
  const { nodes } = routedFigure(
    { ...seededFigure(2, 'points', 5), arrangement: 'pyramid', frame: 'free' },
    plainWardrobe('light'),
    typesetter,
  )
  const steps = nodes.slice(1).map((n, i) => n.box.width - (nodes[i] as typeof n).box.width)
  expect(new Set(steps.map((s) => s.toFixed(3))).size).toBe(1)
  expect(steps[0]).toBeGreaterThan(20)
})

/** In the ellipse, by its own axes. */
function holds(e: Extract<Decor, { kind: 'set' }>, p: { x: number; y: number }): boolean {
  const angle = (e.tilt * Math.PI) / 180
  const [dx, dy] = [p.x - e.centre.x, p.y - e.centre.y]
  const [along, across] = [dx * Math.cos(angle) + dy * Math.sin(angle), dy * Math.cos(angle) - dx * Math.sin(angle)]
  return (along / e.radius.x) ** 2 + (across / e.radius.y) ** 2 <= 1
}

/** One circle inside another. */
const isIn = (inner: Extract<Decor, { kind: 'set' }>, outer: Extract<Decor, { kind: 'set' }>): boolean =>
  Math.hypot(inner.centre.x - outer.centre.x, inner.centre.y - outer.centre.y) + inner.radius.x <= outer.radius.x

test.each(['circles', 'toScale', 'withContent'])(
  'in %s every member lies in all of its sets and in no other, by sampling its whole box',
  (arrangement) => {
    let members = 0
    const failing = failingSeeds(1, process.env.SWEEP ? 120 : 70, (seed) => {
      const figure = { ...seededOfKind('venn', seed), arrangement }
      if (!arrangementsFor(figure).some((a) => a.id === arrangement)) return null
      const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
      const circles = routed.decor.flatMap((d) => (d.kind === 'set' ? [d] : []))
      if (circles.length === 0) return null
      const sets = routed.nodes.filter((n) => n.role === 'set')
      for (const m of routed.nodes.filter((n) => n.role === 'member')) {
        members++
        // What a region has no room for stands outside of all, at the end of a line.
        const apart =
          (circles.length > 3 || arrangement !== 'circles') && circles.every((c) => !holds(c, centreOf(m.box)))
        for (let i = 0; i <= 8; i++)
          for (let k = 0; k <= 8; k++) {
            const p = { x: m.box.x + (m.box.width * i) / 8, y: m.box.y + (m.box.height * k) / 8 }
            const wrong = circles.findIndex(
              (c, s) => holds(c, p) !== (!apart && m.memberOf.includes(sets[s]?.id ?? '')),
            )
            if (wrong >= 0) return `${m.id} and set ${wrong}`
          }
      }
      // The title of a circle inside another stands in it, all others outside of all.
      for (const [k, s] of sets.entries()) {
        const around = circles.filter((c) => holds(c, centreOf(s.box)))
        const own = circles[k] as (typeof circles)[number]
        const isNested = circles.some((c) => c !== own && isIn(own, c))
        if (around.some((c) => c !== own && !isIn(own, c)) || (around.includes(own) && !isNested))
          return `title ${s.id}`
        if (!isNested && around.length > 0) return `title ${s.id} inside a set`
      }
      return null
    })
    expect(members).toBeGreaterThan({ circles: 300, toScale: 100, withContent: 50 }[arrangement] ?? 0)
    expect(failing).toEqual([])
  },
)

test('the same figure gives the same bytes, also when its records are shuffled', () => {
  const failing = failingSeeds(1, 25, (seed) => {
    const figure = seededFigure(seed)
    const shuffled = {
      ...figure,
      nodes: Object.fromEntries(Object.entries(figure.nodes).toReversed()),
      links: Object.fromEntries(Object.entries(figure.links).toReversed()),
    }
    const bytes = (f: typeof figure, t = typesetter) =>
      svgFile(sceneOf(f, plainWardrobe('light'), t), {
        words: { as: 'text', pictureAt: () => null, iconAt: () => null },
        background: true,
        title: '',
        description: '',
        fontFaces: '',
      })
    return bytes(figure) === bytes(shuffled) ? null : 'differs'
  })
  expect(failing).toEqual([])
})

test.each(figureKinds)(
  'of kind %s a held node stays where it was put, in every arrangement and frame, and nothing overlaps it',
  (kind) => {
    const all = arrangementsOf(kind)
    const failing = failingSeeds(1, process.env.SWEEP ? 201 : 31, (seed) => {
      const next = random(seed)
      const { id: arrangement } = all[seed % all.length] as (typeof all)[number]
      const figure = { ...seededOfKind(kind, seed), arrangement, frame: frames[seed % frames.length] as FrameName }
      const free = routedFigure(figure, plainWardrobe('light'), typesetter).nodes.filter((n) => n.barOf === null)
      const chosen = free[Math.floor(next() * free.length)] as (typeof free)[number]
      const place = { ...chosen.box, x: chosen.box.x + (next() - 0.5) * 500, y: chosen.box.y + (next() - 0.5) * 500 }
      const routed = routedFigure(
        frozen(apply(figure, hold(chosen.id, place)).figure),
        plainWardrobe('light'),
        typesetter,
      )
      const now = centreOf((routed.nodes.find((n) => n.id === chosen.id) as typeof chosen).box)
      const wanted = centreOf(place)
      if (Math.hypot(now.x - wanted.x, now.y - wanted.y) > 0.01) return `${arrangement}: ${chosen.id} moved`
      const [fault] = routedFaults(routed)
      return fault ? `${arrangement}: ${fault.code} ${fault.what}` : null
    })
    expect(failing).toEqual([])
  },
)

test('a drag leaves every other node in place and keeps connectors attached', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const routed = routedFigure(seededFigure(seed), plainWardrobe('light'), typesetter)
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
