/** Arrangement `lanes` of a process: a lane for each actor, steps in the lane of whoever does them, layers as in `layered`.
 *  A step without an actor stays in the lane of the step before it. In a cell of lane and layer steps stand one after
 *  another, nearest first to where they come from. A long flow goes on in the same lanes, drawn once more beside or below. */
import { backEdges } from '../graph'
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { runsOf } from './layered/fold'
import { layered } from './layered/layered'
import { layersOf } from './layered/layers'
import type { Arranged, Decor } from './placed'

/** Free room inside a lane beside its steps, in parts of the gap between nodes: connectors run there. */
const EDGE = 0.5

export function lanes(given: Sized, direction: 'down' | 'across', order: number): Arranged {
  if (given.actors.length === 0) return layered(given, direction, order)
  const down = direction === 'down'
  const sized = withShortBars(given, down)
  const { beside, between } = sized.style.gap
  const breadth = (n: { readonly width: number; readonly height: number }) => (down ? n.width : n.height)
  const depth = (n: { readonly width: number; readonly height: number }) => (down ? n.height : n.width)
  const laneOf = lanesByStep(sized)
  const names = sized.actors
  const layers = layersInOrder(sized, laneOf)
  const cell = (layer: readonly SizedNode[], lane: number) => layer.filter((n) => laneOf.get(n.id) === lane)
  const across = (list: readonly SizedNode[]) =>
    list.reduce((s, n) => s + breadth(n), 0) + beside * Math.max(0, list.length - 1)
  const questions = new Set(sized.nodes.filter((n) => n.role === 'question').map((n) => n.id))
  const pads = names.map((_, lane) => {
    // What a question's connectors say stands inside its lane.
    const answers = sized.links.filter((l) => questions.has(l.from) && laneOf.get(l.from) === lane)
    const words = Math.max(0, ...answers.map((l) => (down ? l.label?.width : l.label?.height) ?? 0))
    return Math.max(beside * EDGE, words === 0 ? 0 : words + sized.style.body.size)
  })
  const pad = beside * EDGE
  const widths = names.map(
    (a, lane) =>
      Math.max(
        breadth(a.block) + beside * 0.5,
        ...layers.map((l) => across(cell(l, lane))),
        sized.style.body.size * 6,
      ) +
      2 * (pads[lane] as number),
  )
  const head = Math.max(0, ...names.map((a) => depth(a.block))) + beside * 0.5
  const thick = layers.map((layer) => Math.max(0, ...layer.map(depth)))
  const lengths = thick.map((t, i) => t + Math.max(between, labelRoom(sized, layers[i] as SizedNode[], down)))
  const layerIds = layers.map((l) => l.map((n) => n.id))
  const runs = runsOf(layerIds, sized.links, lengths, sized.style.fitting.fold)
  const lengthOf = (run: readonly number[]) => run.reduce((s, i) => s + (lengths[i] as number), 0)
  const length = head + 2 * pad + Math.max(...runs.map(lengthOf)) - between
  const boxes = new Map<string, Box>()
  const decor: Decor[] = []
  let first = 0
  for (const run of runs) {
    // Where a flow goes on, only the lanes it goes on in are drawn again.
    const used = [...names.keys()].filter((lane) => run.some((i) => cell(layers[i] as SizedNode[], lane).length > 0))
    for (const lane of used) {
      const width = widths[lane] as number
      let top = head + pad
      for (const i of run) {
        const own = cell(layers[i] as SizedNode[], lane)
        let aside = first + (width - across(own)) / 2
        for (const n of own) {
          const along = top + ((thick[i] as number) - depth(n)) / 2
          boxes.set(n.id, { x: down ? aside : along, y: down ? along : aside, width: n.width, height: n.height })
          aside += breadth(n) + beside
        }
        top += lengths[i] as number
      }
      const box = down ? { x: first, y: 0, width, height: length } : { x: 0, y: first, width: length, height: width }
      const header = down ? { ...box, height: head } : { ...box, width: head }
      const { block } = names[lane] as (typeof names)[number]
      decor.push({ kind: 'lane', box, header, name: { block, centre: centreIn(header) } })
      first += width
    }
    first += beside
  }
  return { boxes, flow: direction, decor }
}

/** Bars reach over lanes once all stand in their places; they take no room in their own. */
function withShortBars(sized: Sized, down: boolean): Sized {
  const short = sized.style.body.size * 2
  const nodes = sized.nodes.map((n) => (n.barOf === null ? n : down ? { ...n, width: short } : { ...n, height: short }))
  return { ...sized, nodes }
}

const centreIn = (b: Box) => ({ x: b.x + b.width / 2, y: b.y + b.height / 2 })

/** The lane of each step as an index of `actors`. */
function lanesByStep(sized: Sized): ReadonlyMap<string, number> {
  const index = new Map(sized.actors.map((a, i) => [a.name, i]))
  const first = sized.nodes.find((n) => n.actor !== null)?.actor ?? ''
  let lane = index.get(first) ?? 0
  return new Map(
    sized.nodes.map((n) => {
      if (n.actor !== null) lane = index.get(n.actor) ?? lane
      return [n.id, lane]
    }),
  )
}

/** Steps by layer; inside a layer by the mean lane of what leads to them, then as in the text. */
function layersInOrder(sized: Sized, laneOf: ReadonlyMap<string, number>): SizedNode[][] {
  const links = sized.links.filter((l) => l.from !== l.to)
  const ids = sized.nodes.map((n) => n.id)
  const back = backEdges(ids, links)
  const forward = links.filter((_, i) => !back.has(i))
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const order = new Map(ids.map((id, i) => [id, i]))
  const pull = (id: string): number => {
    const from = forward.filter((l) => l.to === id).map((l) => laneOf.get(l.from) ?? 0)
    return from.length === 0 ? 0 : from.reduce((s, x) => s + x, 0) / from.length
  }
  return layersOf(ids, forward).layers.map((layer) =>
    layer
      .flatMap((id) => node.get(id) ?? [])
      .toSorted((a, b) => pull(a.id) - pull(b.id) || (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0)),
  )
}

/** Room for the words on the connectors that leave a layer. */
function labelRoom(sized: Sized, layer: readonly SizedNode[], down: boolean): number {
  const here = new Set(layer.map((n) => n.id))
  const labels = sized.links.filter((l) => here.has(l.from)).map((l) => (down ? l.label?.height : l.label?.width) ?? 0)
  const most = Math.max(0, ...labels)
  return most === 0 ? 0 : most + sized.style.body.size * 2
}
