/** Our connectors against those of a general connector library, on the same boxes after random moves: crossings, bends, and
 *  the time until a dragged node's connectors lie again. Words on connectors are left out, the library knows none. */
import { plainWardrobe } from '../src/core/style'
import { createRequire } from 'node:module'
import path from 'node:path'
import { AvoidLib, type Avoid } from 'libavoid-js'
import { overlaps, inflate, crossingsBetween, withoutCollinear, type Box, type Point } from '../src/core/geometry'
import { withNodeAt, type Placed } from '../src/core/layout'
import type { Typesetter } from '../src/core/measure'
import { routedFigure } from '../src/core/pipeline'
import { reroute, route } from '../src/core/route'
import { random, seededFigure } from '../src/core/testing/seededFigure'

type Line = (what: string, ...cells: string[]) => void
type Paths = readonly (readonly Point[])[]
const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / Math.max(1, list.length)
const median = (list: readonly number[]): number => list.toSorted((a, b) => a - b)[list.length >> 1] ?? 0

/** A layout with a quarter of its nodes somewhere near, none on another. */
function movedAbout(seed: number, size: number, typesetter: Typesetter): Placed {
  const figure = { ...seededFigure(seed, 'process', size), arrangement: 'down', frame: 'free' as const }
  const links = Object.fromEntries(Object.entries(figure.links).map(([id, l]) => [id, { ...l, text: undefined }]))
  const next = random(seed)
  let placed: Placed = routedFigure({ ...figure, links }, plainWardrobe('light'), typesetter)
  for (const n of placed.nodes) {
    if (next() > 0.25) continue
    const box = { ...n.box, x: n.box.x + (next() - 0.5) * 500, y: n.box.y + (next() - 0.5) * 500 }
    const free = placed.nodes.every((o) => o.id === n.id || !overlaps(inflate(o.box, 24), box))
    if (free) placed = withNodeAt(placed, n.id, box)
  }
  return placed
}

/** The library's connectors: obstacles as ours, pins at the middles of the sides, its prices at their defaults. */
function theirs(avoid: Avoid, placed: Placed) {
  const router = new avoid.Router(avoid.OrthogonalRouting as number)
  const rectangle = (b: Box) =>
    new avoid.Rectangle(new avoid.Point(b.x + b.width / 2, b.y + b.height / 2), b.width, b.height)
  const pin = 1
  const shapes = new Map(
    placed.nodes.map((n) => {
      const shape = new avoid.ShapeRef(router, rectangle(n.box))
      for (const [x, y, direction] of [
        [0.5, 0, avoid.ConnDirUp],
        [0.5, 1, avoid.ConnDirDown],
        [0, 0.5, avoid.ConnDirLeft],
        [1, 0.5, avoid.ConnDirRight],
      ] as const)
        new avoid.ShapeConnectionPin(shape, pin, x, y, true, 0, direction as never).setExclusive(false)
      return [n.id, shape] as const
    }),
  )
  const ends = (id: string) => new avoid.ConnEnd(shapes.get(id) as never, pin)
  const connectors = placed.links
    .filter((l) => l.from !== l.to)
    .map((l) => new avoid.ConnRef(router, ends(l.from), ends(l.to)))
  router.processTransaction()
  return {
    paths: (): Paths =>
      connectors.map((c) => {
        const line = c.displayRoute()
        return Array.from({ length: line.size() }, (_, i) => ({ x: line.get_ps(i).x, y: line.get_ps(i).y }))
      }),
    move: (id: string, box: Box) => {
      router.moveShape(shapes.get(id) as never, rectangle(box))
      router.processTransaction()
    },
    end: () => avoid.destroy(router),
  }
}

function judged(paths: Paths) {
  let crossings = 0
  const clean = paths.map((p) => withoutCollinear([...p]))
  clean.forEach((one, i) => {
    for (const other of clean.slice(i + 1)) crossings += crossingsBetween(one, other)
  })
  return { crossings, bends: clean.reduce((s, p) => s + Math.max(0, p.length - 2), 0) }
}

export async function connectorBench(line: Line, typesetter: Typesetter): Promise<void> {
  console.log('\nConnectors after random moves; the connector library')
  await AvoidLib.load(path.join(path.dirname(createRequire(import.meta.url).resolve('libavoid-js')), 'libavoid.wasm'))
  const avoid = AvoidLib.getInstance()
  for (const [size, count] of [
    [36, 12],
    [162, 4],
  ] as const) {
    const rows = Array.from({ length: count }, (_, i) => {
      const placed = movedAbout(300 + i, size, typesetter)
      const their = theirs(avoid, placed)
      const [own, other] = [route(placed), their]
      const node = placed.nodes[size >> 1] as Placed['nodes'][number]
      const places = Array.from({ length: 9 }, (_, k) => ({
        ...node.box,
        x: node.box.x + 200 + k * 9,
        y: node.box.y + k * 5,
      }))
      const time = (work: () => unknown) => {
        const since = performance.now()
        work()
        return performance.now() - since
      }
      const ours = places.map((box) =>
        time(() => reroute(withNodeAt(placed, node.id, box), own.routes, new Set([node.id]))),
      )
      const row = {
        links: placed.links.length,
        own: judged(own.routes.filter((r) => r.from !== r.to).map((r) => r.points)),
        other: judged(other.paths()),
        step: median(ours),
        reroute: median(places.map((box) => time(() => other.move(node.id, box)))),
      }
      other.end()
      return row
    })
    const of = (value: (r: (typeof rows)[number]) => number) => mean(rows.map(value))
    line(
      `about ${of((r) => r.links).toFixed(0)} connectors: crossings, aim not above`,
      of((r) => r.own.crossings).toFixed(1),
      of((r) => r.other.crossings).toFixed(1),
      `bends ${of((r) => r.own.bends).toFixed(0)}  ${of((r) => r.other.bends).toFixed(0)}`,
      `a drag ${of((r) => r.step).toFixed(1)} ms  ${of((r) => r.reroute).toFixed(1)} ms`,
      `${(of((r) => r.reroute) / of((r) => r.step)).toFixed(0)} times faster (aim 10 at 200)`,
    )
  }
}
