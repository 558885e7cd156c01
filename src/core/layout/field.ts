/** Arrangement `field` of decisions with two criteria: a cross of two axes, every option in the quarter that its criteria say,
 *  as far out as they say; what it is told by stands below it. */
import { union, type Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { frameAspect } from './frameAspect'
import type { Arranged, Decor, SetWords } from './placed'

const GROWTH = 1.06
const MOST = 60

/** An option with the words below it. */
type Group = {
  readonly option: SizedNode
  readonly cells: readonly SizedNode[]
  readonly width: number
  readonly height: number
  readonly across: number
  readonly up: number
}

export function field(sized: Sized, set: SetWords): Arranged {
  const { style, twoCriteria: two } = sized
  const gap = style.body.size
  if (!two) throw new Error('layout: a field needs options with two criteria')
  const groups = groupsOf(sized, gap * 0.4)
  const aspect = Math.min(1.8, Math.max(0.8, frameAspect(sized)))
  let half = Math.sqrt(groups.reduce((s, g) => s + g.width * g.height, 0) / aspect) * 0.6
  let corners: ReadonlyMap<string, Box> | null = null
  for (let i = 0; i < MOST && !corners; i++) {
    corners = settled(groups, half * aspect, half, gap)
    if (!corners) half *= GROWTH
  }
  const boxes = new Map<string, Box>()
  for (const g of groups) {
    const at = corners?.get(g.option.id) ?? { x: half * 3, y: boxes.size * gap, width: g.width, height: g.height }
    boxes.set(g.option.id, sizeAt(g.option, at.x + (g.width - g.option.width) / 2, at.y))
    let left = at.x + (g.width - widthOf(g.cells, gap * 0.4)) / 2
    for (const c of g.cells) {
      boxes.set(c.id, sizeAt(c, left, at.y + g.option.height + gap * 0.2))
      left += c.width + gap * 0.4
    }
  }
  const [wide, high] = [half * aspect, half]
  const [across, up] = [set(two.across, 'heading', wide), set(two.up, 'heading', wide)]
  const arrow = gap * 0.7
  const decor: Decor[] = [
    { kind: 'rule', from: { x: -wide, y: 0 }, to: { x: wide, y: 0 } },
    { kind: 'rule', from: { x: 0, y: high }, to: { x: 0, y: -high } },
    { kind: 'words', centre: { x: wide + arrow + across.width / 2, y: 0 }, block: across },
    { kind: 'words', centre: { x: 0, y: -high - arrow - up.height / 2 }, block: up },
  ]
  // What is chosen between stands above all, at the left.
  const all = union([...boxes.values(), { x: -wide, y: -high, width: 2 * wide, height: 2 * high }])
  let top = all.y - arrow - up.height - gap
  for (const n of sized.nodes) {
    if (boxes.has(n.id)) continue
    top -= n.height
    boxes.set(n.id, sizeAt(n, all.x, top))
    top -= gap
  }
  return { boxes, flow: 'unlinked', decor }
}

const sizeAt = (n: SizedNode, x: number, y: number): Box => ({ x, y, width: n.width, height: n.height })
const widthOf = (cells: readonly SizedNode[], gap: number): number => cells.reduce((s, c) => s + c.width + gap, -gap)

function groupsOf(sized: Sized, gap: number): Group[] {
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const placed = new Set<string>()
  return sized.nodes.flatMap((option) => {
    const place = sized.twoCriteria?.places.get(option.id)
    if (!place) return []
    const cells = sized.links.flatMap((l) => {
      const cell = l.from === option.id && !placed.has(l.to) ? node.get(l.to) : undefined
      if (cell?.role !== 'criterion') return []
      placed.add(cell.id)
      return [cell]
    })
    const below = Math.max(0, ...cells.map((c) => c.height + gap / 2))
    const width = Math.max(option.width, widthOf(cells, gap))
    return [{ option, cells, width, height: option.height + below, ...place }]
  })
}

/** Every group in its quarter, those that would cover each other one below the other; null where a quarter is too small. */
function settled(groups: readonly Group[], wide: number, high: number, gap: number): Map<string, Box> | null {
  const out = new Map<string, Box>()
  for (const g of groups.toSorted((a, b) => b.up - a.up)) {
    const [left, above] = [g.across < 0.5, g.up >= 0.5]
    const [x0, x1] = left ? [-wide, -gap / 2 - g.width] : [gap / 2, wide - g.width]
    const [y0, y1] = above ? [-high, -gap / 2 - g.height] : [gap / 2, high - g.height]
    if (x1 < x0 || y1 < y0) return null
    const wanted = { x: (g.across * 2 - 1) * wide - g.width / 2, y: (1 - g.up * 2) * high - g.height / 2 }
    let at: Box = {
      x: Math.min(x1, Math.max(x0, wanted.x)),
      y: Math.min(y1, Math.max(y0, wanted.y)),
      width: g.width,
      height: g.height,
    }
    for (;;) {
      const hit = [...out.values()].find(
        (b) =>
          at.x < b.x + b.width + gap / 2 &&
          b.x < at.x + at.width + gap / 2 &&
          at.y < b.y + b.height + gap / 2 &&
          b.y < at.y + at.height + gap / 2,
      )
      if (!hit) break
      at = { ...at, y: hit.y + hit.height + gap / 2 + 0.01 }
      if (at.y > y1) return null
    }
    out.set(g.option.id, at)
  }
  return out
}
