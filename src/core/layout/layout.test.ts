import { plainWardrobe } from '../style'
import { backEdges } from '../graph'
import { centreOf, contains, overlaps, type Box } from '../geometry'
import { routedFigure } from '../pipeline'
import { failingSeeds, random, seededFigure, seededOfKind } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import { shippedTypesetter } from '../testing/shippedTypesetter'

const typesetter = shippedTypesetter()
const drawn = (figure: ReturnType<typeof steps>) => routedFigure(figure, plainWardrobe('light'), typesetter)
const SIX = steps(
  'Check the lines',
  'Lower the ramp',
  'Load',
  'Chock the last row of cars and lash the motorcycles',
  'Close',
  'Report',
)

test('without its back edges no seeded chart has a cycle', () => {
  const failing = failingSeeds(1, 120, (seed) => {
    const figure = seededFigure(seed)
    const ids = Object.keys(figure.nodes)
    const links = Object.values(figure.links)
    const back = backEdges(ids, links)
    const rest = links.filter((_, i) => !back.has(i))
    return backEdges(ids, rest).size === 0 ? null : 'a cycle is left'
  })
  expect(failing).toEqual([])
})

test('down the page and across, every connector but the returns leads onwards', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    for (const arrangement of ['down', 'across']) {
      const figure = { ...seededFigure(seed), kind: 'process' as const, arrangement, frame: 'free' as const }
      const routed = drawn(figure)
      const ids = routed.nodes.map((n) => n.id)
      const back = backEdges(ids, routed.links)
      const at = (id: string) => centreOf((routed.nodes.find((n) => n.id === id) as (typeof routed.nodes)[number]).box)
      const wrong = routed.links.find(
        (l, i) => !back.has(i) && (arrangement === 'down' ? at(l.to).y <= at(l.from).y : at(l.to).x <= at(l.from).x),
      )
      if (wrong) return `${arrangement}: ${wrong.from} → ${wrong.to}`
    }
    return null
  })
  expect(failing).toEqual([])
})

test('a chain runs straight: one column down, one line across, no bend in either', () => {
  for (const [arrangement, axis] of [
    ['down', 'x'],
    ['across', 'y'],
  ] as const) {
    const routed = drawn({ ...SIX, arrangement })
    const places = routed.nodes.map((n) => centreOf(n.box)[axis])
    expect(Math.max(...places) - Math.min(...places)).toBeLessThan(0.01)
    expect(routed.routes.map((r) => r.points.length)).toEqual([2, 2, 2, 2, 2])
  }
})

test('wrapped rows keep the order of the text and come close to the frame’s proportions', () => {
  const routed = drawn({ ...SIX, arrangement: 'rows', frame: 'slide-16x9' })
  const boxes = routed.nodes.map((n) => n.box)
  boxes.slice(1).forEach((b, i) => {
    const before = boxes[i] as (typeof boxes)[number]
    expect(b.x > before.x || b.y >= before.y + before.height).toBe(true)
  })
  expect(new Set(boxes.map((b) => Math.round(centreOf(b).y))).size).toBeGreaterThan(1)
})

test('points stand in equal boxes; on the ring at equal angles around the title, which nothing covers', () => {
  const points = {
    ...SIX,
    kind: 'points' as const,
    links: {},
    nodes: Object.fromEntries(Object.values(SIX.nodes).map((n) => [n.id, { ...n, role: 'point' as const }])),
  }
  for (const arrangement of ['grid', 'line', 'list', 'ring']) {
    const routed = drawn({ ...points, arrangement })
    expect(new Set(routed.nodes.map((n) => `${n.box.width} ${n.box.height}`)).size).toBe(1)
    routed.nodes.forEach((a, i) => routed.nodes.slice(i + 1).forEach((b) => expect(overlaps(a.box, b.box)).toBe(false)))
  }
  const ring = drawn({ ...points, arrangement: 'ring' })
  const core = ring.decor.find((d) => d.kind === 'words')
  const title =
    core?.kind === 'words'
      ? { x: -core.block.width / 2, y: -core.block.height / 2, width: core.block.width, height: core.block.height }
      : null
  expect(title && ring.nodes.some((n) => overlaps(n.box, title))).toBe(false)
  const top = centreOf((ring.nodes[0] as (typeof ring.nodes)[number]).box)
  expect([Math.abs(top.x) < 0.01, top.y < 0]).toEqual([true, true])
})

test('lanes hold the steps of their actor, do not overlap, and no step overlaps another', () => {
  const failing = failingSeeds(1, 61, (seed) => {
    const figure = seededFigure(seed)
    const next = random(seed + 1000)
    const names = ['Mate', 'Purser', 'Ticket office', 'Harbour master'].slice(0, 2 + Math.floor(next() * 3))
    const pick = () => names[Math.floor(next() * names.length)] as string
    const nodes = Object.fromEntries(
      Object.values(figure.nodes).map((n) => [n.id, { ...n, ...(next() < 0.7 ? { actor: pick() } : {}) }]),
    )
    for (const arrangement of ['lanes', 'lanesDown']) {
      const routed = drawn({ ...figure, kind: 'process', arrangement, nodes })
      const lanes = routed.decor.filter((d) => d.kind === 'lane')
      const actors = new Set(Object.values(nodes).flatMap((n) => ('actor' in n ? [n.actor] : [])))
      if (new Set(lanes.map((l) => l.name.block.text)).size !== actors.size)
        return `${arrangement}: ${lanes.length} lanes for ${actors.size}`
      if (actors.size === 0) continue
      const inside = (b: Box, of: Box) =>
        b.x >= of.x && b.y >= of.y && b.x + b.width <= of.x + of.width && b.y + b.height <= of.y + of.height
      for (const n of routed.nodes) {
        const own = lanes.filter((l) => inside(n.box, l.box))
        if (own.length !== 1 || lanes.some((l) => overlaps(l.header, n.box)))
          return `${arrangement}: ${n.id} in no lane`
        if (n.actor !== null && own[0]?.name.block.text !== n.actor) return `${arrangement}: ${n.id} in another's lane`
      }
      const touching = routed.nodes.some((a, i) => routed.nodes.slice(i + 1).some((b) => overlaps(a.box, b.box)))
      if (touching) return `${arrangement}: steps overlap`
    }
    return null
  })
  expect(failing).toEqual([])
})

test('nested fields hold their parent and all below it and nothing else, and lie in each other or apart', () => {
  let fields = 0
  const failing = failingSeeds(1, 120, (seed) => {
    const routed = drawn({ ...seededOfKind('hierarchy', seed), arrangement: 'nested' })
    const found = routed.decor.flatMap((d) => (d.kind === 'field' ? [d.box] : []))
    fields += found.length
    const parent = new Map(routed.links.map((l) => [l.to, l.from]))
    const parents = new Set(parent.values())
    const depth = (id: string): number => (parent.has(id) ? 1 + depth(parent.get(id) as string) : 0)
    for (const n of routed.nodes) {
      const around = found.filter((f) => contains(f, n.box)).length
      if (found.some((f) => overlaps(f, n.box) && !contains(f, n.box))) return `${n.id} across a border`
      if (around !== depth(n.id) + Number(parents.has(n.id))) return `${n.id} in ${around} fields`
    }
    const torn = found.some((f) => found.some((g) => overlaps(f, g) && !contains(f, g) && !contains(g, f)))
    return torn ? 'fields overlap' : null
  })
  expect(fields).toBeGreaterThan(300)
  expect(failing).toEqual([])
})
