/** How figures of each kind and size come out: time and what a picture is judged by, as means over seeded figures in a slide
 *  frame; and the crossings of the layered layout library at its defaults on the same graphs. */
import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js'
import { bendsOf, crossingsOf } from '../src/core/check'
import { figureKinds, type Figure, type FigureKind } from '../src/core/figure'
import { crossingsBetween, segments, union, type Point } from '../src/core/geometry'
import { arrangementsFor, layout } from '../src/core/layout'
import { measure, type Typesetter } from '../src/core/measure'
import { routedFigure, sceneOf } from '../src/core/pipeline'
import type { Routed } from '../src/core/route'
import { styleOf, plainWardrobe } from '../src/core/style'
import { random, seededFigure, seededOfKind } from '../src/core/testing/seededFigure'

type Line = (what: string, ...cells: string[]) => void
const mean = (list: readonly number[]): number => list.reduce((s, x) => s + x, 0) / Math.max(1, list.length)

/** Seeded figures of about this size. */
function figuresOf(kind: FigureKind, size: number, count: number): Figure[] {
  const out: Figure[] = []
  for (let seed = 1; out.length < count && seed < 4000; seed++) {
    const figure = seededOfKind(kind, seed)
    const first = arrangementsFor(figure)[0]
    if (first && Math.abs(Object.keys(figure.nodes).length - size) <= size * 0.12)
      out.push({ ...figure, arrangement: first.id, frame: 'slide-16x9' })
  }
  return out
}

function row(figure: Figure, typesetter: Typesetter) {
  sceneOf(figure, plainWardrobe('light'), typesetter)
  const since = performance.now()
  const scene = sceneOf(figure, plainWardrobe('light'), typesetter)
  const time = performance.now() - since
  const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
  const all = union(scene.nodes.map((n) => n.box))
  const length = mean(
    scene.links.map((l) => segments(l.points).reduce((s, [a, b]) => s + Math.hypot(a.x - b.x, a.y - b.y), 0)),
  )
  return {
    time,
    crossings: crossingsOf(routed),
    bends: bendsOf(routed) / Math.max(1, routed.routes.length),
    length,
    aspect: Math.abs(Math.log(all.width / Math.max(1, all.height) / (scene.width / scene.height))),
    text: scene.smallestText ?? 0,
    fill: Math.max(all.width / scene.width, all.height / scene.height),
  }
}

/** Crossings of the library's routes for the same boxes and labels. */
async function libraryCrossings(routed: Routed): Promise<number> {
  const graph: ElkNode = await new ELK().layout({
    id: 'root',
    layoutOptions: { 'elk.algorithm': 'layered', 'elk.direction': 'DOWN', 'elk.edgeRouting': 'ORTHOGONAL' },
    children: routed.nodes.map(({ id, width, height }) => ({ id, width, height })),
    edges: routed.links.map((l) => ({
      id: l.id,
      sources: [l.from],
      targets: [l.to],
      labels: l.label ? [{ text: 'x', width: l.label.width, height: l.label.height }] : [],
    })),
  })
  const routes = (graph.edges ?? []).map((e) =>
    (e.sections ?? []).flatMap((s): Point[] => [s.startPoint, ...(s.bendPoints ?? []), s.endPoint]),
  )
  let count = 0
  routes.forEach((one, i) => {
    for (const other of routes.slice(i + 1)) count += crossingsBetween(one, other)
  })
  return count
}

/** Questions all of whose answers leave by different tips. */
function conventional(routed: Routed): { of: number; good: number } {
  const questions = routed.nodes.filter((n) => n.role === 'question')
  const good = questions.filter((q) => {
    const starts = routed.routes.filter((r) => r.from === q.id).map((r) => JSON.stringify(r.points[0]))
    return new Set(starts).size === starts.length
  })
  return { of: questions.length, good: good.length }
}

export async function layoutBench(line: Line, typesetter: Typesetter): Promise<void> {
  console.log('\nPictures in a slide frame, means over seeded figures in the first arrangement')
  for (const kind of figureKinds)
    for (const size of kind === 'venn' || kind === 'points' ? [6, 12] : [12, 30, 48]) {
      const rows = figuresOf(kind, size, 8).map((f) => row(f, typesetter))
      if (rows.length === 0) continue
      const of = (key: keyof (typeof rows)[number], digits: number) => mean(rows.map((r) => r[key])).toFixed(digits)
      line(
        `${kind}, about ${size} nodes`,
        `${of('time', 1)} ms`,
        `${of('crossings', 1)} crossings`,
        `${of('bends', 2)} bends a link of ${of('length', 0)} px`,
        `aspect off by ${of('aspect', 2)}`,
        `${of('text', 1)} pt`,
        `fills ${of('fill', 2)}`,
      )
    }
  for (const size of [30, 60]) {
    const seeds = [1000, 2000, 3000].flatMap((first) => Array.from({ length: 20 }, (_, i) => first + i))
    const drawn = seeds.map((seed) =>
      routedFigure(
        { ...seededFigure(seed, 'process', size), arrangement: 'down', frame: 'free' },
        plainWardrobe('light'),
        typesetter,
      ),
    )
    const theirs: number[] = []
    for (const r of drawn) theirs.push(await libraryCrossings(r))
    const tips = drawn.map(conventional)
    const warmed = drawn.slice(0, 9).map((_, i) => {
      const figure = { ...seededFigure(1000 + i, 'process', size), arrangement: 'down', frame: 'free' as const }
      const since = performance.now()
      sceneOf(figure, plainWardrobe('light'), typesetter)
      return performance.now() - since
    })
    const [good, of] = [mean(tips.map((t) => t.good)), mean(tips.map((t) => t.of))]
    line(
      `crossings, processes of ${size} nodes; the layout library`,
      mean(drawn.map(crossingsOf)).toFixed(2),
      mean(theirs).toFixed(2),
      `${mean(warmed).toFixed(0)} ms to scene`,
      `answers by different tips in ${((100 * good) / Math.max(1, of)).toFixed(0)} % of questions (aim 90 %)`,
    )
  }
  const warm = (work: () => unknown): string => {
    const times = Array.from({ length: 9 }, () => {
      const since = performance.now()
      work()
      return performance.now() - since
    })
    return `${(times.toSorted((a, b) => a - b)[4] as number).toFixed(1)} ms`
  }
  const sized = measure(wideTree(1000), styleOf(wideTree(1000), plainWardrobe('light')), typesetter)
  line(
    'layout of a hierarchy of 1,000 nodes (aim 20 ms)',
    warm(() => layout(sized, typesetter)),
  )
  const five = Array.from({ length: 60 }, (_, i) => seededOfKind('venn', i + 1)).find(
    (f) => Object.values(f.nodes).filter((n) => n.role === 'set').length === 5,
  ) as Figure
  line(
    'five sets to scene (aim 150 ms)',
    warm(() => sceneOf({ ...five, arrangement: 'circles' }, plainWardrobe('light'), typesetter)),
  )
}

/** A hierarchy whose nodes have few children near the top and leaves far below. */
function wideTree(count: number): Figure {
  const next = random(5)
  const base = seededOfKind('hierarchy', 1)
  const words = ['Deck crew', 'Shore office of the harbour', 'Bridge', 'Purser and the cage']
  const nodes = Array.from({ length: count }, (_, i) => ({
    id: `n${i}`,
    role: 'item' as const,
    text: words[i % words.length] as string,
    order: i,
    source: [],
  }))
  const links = nodes.slice(1).map((n, i) => ({
    id: `l${i}`,
    role: 'child' as const,
    from: `n${Math.floor(next() * Math.min(i + 1, 120 + i / 4))}`,
    to: n.id,
    order: i,
    source: [],
  }))
  return {
    ...base,
    arrangement: 'down',
    frame: 'free',
    nodes: Object.fromEntries(nodes.map((n) => [n.id, n])),
    links: Object.fromEntries(links.map((l) => [l.id, l])),
  }
}
