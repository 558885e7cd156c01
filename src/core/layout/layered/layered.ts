/** Layout of a graph in layers, down the page or across it: cycles opened by depth-first search in author order, then
 *  layers, order and coordinates. Back edges take no part; the router leads them around. Own code because the layered
 *  layout library measured for this needs 40 to 110 ms for 12 nodes, this one about 1 ms, and because routing is ours. */
import { backEdges } from '../../graph'
import type { Box } from '../../geometry'
import type { Sized } from '../../measure'
import type { Arranged } from '../placed'
import { coordinates } from './coordinates'
import { runsOf } from './fold'
import { layersOf } from './layers'

/** Free width kept for a long connector between two nodes, in parts of the gap between nodes. */
const CHANNEL = 0.5
/** Free room between two columns of a folded flow: the connector from the foot of one to the head of the next runs there. */
const BETWEEN_RUNS = 1.9

export function layered(sized: Sized, direction: 'down' | 'across', order = 0): Arranged {
  const down = direction === 'down'
  const ids = sized.nodes.map((n) => n.id)
  const links = sized.links.filter((l) => l.from !== l.to)
  const back = backEdges(ids, links)
  const graph = layersOf(
    ids,
    links.filter((_, i) => !back.has(i)),
    // Where returns take part in the order, fewer of them cross the flow; where they do not, fewer steps of the flow cross.
    order === 1 ? [] : links.filter((_, i) => back.has(i)),
    order === 2,
  )
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const breadth = (id: string) => (down ? node.get(id)?.width : node.get(id)?.height) ?? 0
  const depth = (id: string) => (down ? node.get(id)?.height : node.get(id)?.width) ?? 0
  const { beside } = sized.style.gap
  const xs = coordinates(graph, (a, b) => {
    const channels = Number(graph.dummies.has(a)) + Number(graph.dummies.has(b))
    return (breadth(a) + breadth(b)) / 2 + beside * (channels ? CHANNEL * (channels === 2 ? 1 : 1.4) : 1)
  })
  const boxes = new Map<string, Box>()
  const forward = links.filter((_, i) => !back.has(i))
  const thick = graph.layers.map((layer) => Math.max(0, ...layer.map(depth)))
  const gaps = graph.layers.map((layer) => gapAfter(sized, forward, layer, down))
  const lengths = thick.map((t, i) => t + (gaps[i] as number))
  const starts: number[] = []
  let start = 0
  for (const run of runsOf(graph.layers, links, lengths, sized.style.fitting.fold)) {
    const ids = run.flatMap((i) => graph.layers[i] ?? []).filter((id) => node.has(id))
    const edge = (id: string, side: -1 | 1) => (xs.get(id) as number) + (side * breadth(id)) / 2
    const first = Math.min(...ids.map((id) => edge(id, -1)))
    starts.push(start)
    let top = 0
    for (const i of run) {
      for (const id of graph.layers[i] ?? []) {
        const n = node.get(id)
        if (!n) continue
        const [along, aside] = [top + ((thick[i] as number) - depth(id)) / 2, start + edge(id, -1) - first]
        boxes.set(id, { x: down ? aside : along, y: down ? along : aside, width: n.width, height: n.height })
      }
      top += lengths[i] as number
    }
    start += Math.max(...ids.map((id) => edge(id, 1))) - first + beside * BETWEEN_RUNS
  }
  return { boxes, flow: direction, decor: [], starts }
}

/** Room for the connectors below a layer; labels that stand in it widen it. */
function gapAfter(sized: Sized, forward: Sized['links'], layer: readonly string[], down: boolean): number {
  const here = new Set(layer)
  const labels = forward.filter((l) => here.has(l.from)).map((l) => (down ? l.label?.height : l.label?.width) ?? 0)
  const widest = Math.max(0, ...labels)
  return widest === 0 ? sized.style.gap.between : Math.max(sized.style.gap.between, widest + sized.style.body.size * 2)
}
