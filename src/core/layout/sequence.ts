/** Arrangements of one thing after another that are read without connectors: `stages` numbered from left to right,
 *  `timeLine` above and below a line, `ladder` rising from step to step. */
import { union, type Box, nearestPlaces } from '../geometry'
import { ordinal, type Sized, type SizedNode } from '../measure'
import { cards } from './cards'
import { closestTo, columnCounts, frameAspect } from './frameAspect'
import type { Arranged, Decor, SetWords } from './placed'
import { columnWidths } from './rows'

/** A number in a disc over each node, the discs of a row on one rule; as many rows as come closest to the frame. */
export function stages(sized: Sized, set: SetWords): Arranged {
  const { nodes, style } = sized
  const size = style.body.size
  const gap = style.gap.beside * 0.5
  const radius = size * 0.95
  const numbers = nodes.map((_, i) => set(ordinal(i + 1, style.house.numerals), 'strong', size * 4))
  const inRows = (columns: number): Arranged => {
    const boxes = new Map<string, Box>()
    const decor: Decor[] = []
    const widths = columnWidths(nodes, columns)
    let right = -gap
    const centres = widths.map((w) => (right += w + gap) - w / 2)
    let top = 0
    for (let first = 0; first < nodes.length; first += columns) {
      const row = nodes.slice(first, first + columns)
      const middles = centres.slice(0, row.length)
      const y = top + radius
      middles.slice(1).forEach((x, c) =>
        decor.push({
          kind: 'rule',
          from: { x: (middles[c] as number) + radius, y },
          to: { x: x - radius, y },
        }),
      )
      row.forEach((n, c) => {
        const x = middles[c] as number
        decor.push({ kind: 'badge', centre: { x, y }, radius, block: numbers[first + c] as (typeof numbers)[number] })
        boxes.set(n.id, { x: x - n.width / 2, y: top + 2 * radius + gap * 0.5, width: n.width, height: n.height })
      })
      top += 2 * radius + gap * 1.6 + Math.max(...row.map((n) => n.height))
    }
    return { boxes, flow: 'unlinked', decor }
  }
  const tries = columnCounts(nodes.length).map(inRows)
  return closestTo(frameAspect(sized), tries, (t) => union([...t.boxes.values()]))
}

/** Nodes in turn above and below a line, each with a stem to its place on it: to scale where all say when, evenly otherwise.
 *  A node stands as near to its place as its neighbours allow. */
export function timeLine(sized: Sized): Arranged {
  const { nodes, style } = sized
  const gap = style.gap.beside * 0.4
  const stem = style.body.size * 1.6
  const boxes = new Map<string, Box>()
  const decor: Decor[] = []
  // Neighbours stand on different sides: only every second node needs room beside the next but one.
  const step = Math.max(
    style.body.size * 3,
    ...nodes.slice(2).map((n, i) => (n.width + (nodes[i] as SizedNode).width) / 4 + gap / 2),
  )
  const marks = placesOnLine(sized, step)
  const middles = marks.slice()
  for (const side of [0, 1]) {
    const own = [...nodes.keys()].filter((i) => i % 2 === side)
    const wanted = own.map((i) => marks[i] as number)
    const rooms = own
      .slice(1)
      .map((i, k) => ((nodes[i] as SizedNode).width + (nodes[own[k] as number] as SizedNode).width) / 2 + gap)
    nearestPlaces(wanted, rooms).forEach((x, k) => (middles[own[k] as number] = x))
  }
  nodes.forEach((n, i) => {
    const above = i % 2 === 0
    const [mark, x] = [marks[i] as number, middles[i] as number]
    const foot = above ? -stem : stem
    // A stem stays upright where its node reaches over its mark.
    const reach = n.width / 2 - style.body.size * 0.8
    const end = Math.min(x + reach, Math.max(x - reach, mark))
    boxes.set(n.id, { x: x - n.width / 2, y: above ? foot - n.height : foot, width: n.width, height: n.height })
    decor.push({ kind: 'rule', from: { x: mark, y: 0 }, to: { x: end, y: foot } })
    decor.push({ kind: 'badge', centre: { x: mark, y: 0 }, radius: style.body.size * 0.28, block: null })
  })
  const extent = union([...boxes.values(), ...marks.map((x) => ({ x, y: 0, width: 0, height: 0 }))])
  const y = 0
  decor.unshift({ kind: 'rule', from: { x: extent.x, y }, to: { x: extent.x + extent.width, y } })
  return { boxes, flow: 'unlinked', decor }
}

/** Marks on the line, `step` apart in the mean. */
function placesOnLine({ nodes, times }: Sized, step: number): number[] {
  const when = nodes.map((n) => times?.get(n.id) ?? null)
  const [first, last] = [when[0] ?? 0, when.at(-1) ?? 0]
  const inOrder = when.every((t, i) => t !== null && (i === 0 || t >= (when[i - 1] ?? t)))
  if (!inOrder || last <= first) return nodes.map((_, i) => i * step)
  return when.map((t) => (((t ?? 0) - first) / (last - first)) * (nodes.length - 1) * step)
}

/** Each node a rung higher and farther right than the one before. */
export function ladder(sized: Sized): Arranged {
  const gap = sized.style.gap.beside * 0.2
  const boxes = new Map<string, Box>()
  let [left, foot] = [0, 0]
  for (const n of sized.nodes) {
    boxes.set(n.id, { x: left, y: foot - n.height, width: n.width, height: n.height })
    left += n.width * 0.45
    foot -= n.height + gap
  }
  return { boxes, flow: 'unlinked', decor: [] }
}

/** Four points in the four fields of a cross. */
export function quadrants(sized: Sized): Arranged {
  const gap = sized.style.gap.beside * 0.8
  const nodes = cards(sized, 2, 2, { width: gap, height: gap })
  const [width, height] = [Math.max(0, ...nodes.map((n) => n.width)), Math.max(0, ...nodes.map((n) => n.height))]
  const boxes = new Map(
    nodes.map((n, i): [string, Box] => [
      n.id,
      { x: (i % 2) * (width + gap), y: Math.floor(i / 2) * (height + gap), width: n.width, height: n.height },
    ]),
  )
  const all = union([...boxes.values()])
  const middle = { x: all.x + all.width / 2, y: all.y + all.height / 2 }
  const decor: Decor[] = [
    { kind: 'rule', from: { x: middle.x, y: all.y }, to: { x: middle.x, y: all.y + all.height } },
    { kind: 'rule', from: { x: all.x, y: middle.y }, to: { x: all.x + all.width, y: middle.y } },
  ]
  return { boxes, flow: 'unlinked', decor }
}

/** The nodes in the order in which links lead through them, where they form one chain or one circle; else as they stand. */
export function inFlow(sized: Sized): readonly SizedNode[] {
  const next = new Map(sized.links.map((l) => [l.from, l.to]))
  const reached = new Set(sized.links.map((l) => l.to))
  const first = sized.nodes.find((n) => !reached.has(n.id)) ?? sized.nodes[0]
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const out: SizedNode[] = []
  const seen = new Set<string>()
  for (let n = first; n && !seen.has(n.id); n = node.get(next.get(n.id) ?? '')) {
    seen.add(n.id)
    out.push(n)
  }
  return out.length === sized.nodes.length ? out : sized.nodes
}
