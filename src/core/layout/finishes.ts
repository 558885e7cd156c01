/** What a treatment asks of an arrangement besides sizes: rows by name. Each is given the arrangement to call, with the nodes
 *  as they are or as it wants them placed, and adds what is drawn besides. */
import { centreOf, cosine, distance, nearestPlaces, overlaps, sine, union, type Box, type Point } from '../geometry'
import type { NodeId } from '../figure'
import { ordinal, standingIn, type Sized, type SizedNode } from '../measure'
import type { FinishName } from '../style'
import { arcTitles } from './arcTitles'
import { forest } from './forest'
import type { Arranged, Decor, SetWords } from './placed'
import { inFlow } from './sequence'

type Finish = (sized: Sized, arrange: (sized: Sized) => Arranged, set: SetWords) => Arranged

/** The nodes one below another, all as wide as the widest. */
function inOneColumn(sized: Sized, gap: number): Map<NodeId, Box> {
  const width = Math.max(0, ...sized.nodes.map((n) => n.width))
  let top = 0
  return new Map(
    inFlow(sized).map((n) => {
      const box = { x: 0, y: top, width, height: n.height }
      top += n.height + gap
      return [n.id, box] as const
    }),
  )
}

/** Rows of a table, with a rule before each and below the last. */
const rules: Finish = (sized) => {
  const boxes = inOneColumn(sized, 0)
  const all = union([...boxes.values()])
  const edges = [...[...boxes.values()].map((b) => b.y), all.y + all.height]
  const decor = edges.map((y): Decor => ({ kind: 'rule', from: { x: all.x, y }, to: { x: all.x + all.width, y } }))
  return { boxes, flow: 'unlinked', decor }
}

/** Stops on one line: rows run to and fro, so that the line never goes back over the words. */
const route: Finish = (sized, arrange) => {
  const arranged = arrange(sized)
  const order = inFlow(sized)
  const boxes = toAndFro(order, arranged.boxes)
  const bend = sized.style.body.size * 2
  const stops = order.map((n) => stopOf(n, boxes.get(n.id) as Box, sized))
  const all = union([...boxes.values()])
  const points: Point[] = []
  stops.forEach((p, i) => {
    const before = stops[i - 1]
    if (before && Math.abs(before.y - p.y) > 1 && Math.abs(before.x - p.x) < all.width) {
      // Around the words of the row above, outside of all of them.
      const right = before.x > centreOf(all).x
      const x = right ? all.x + all.width + bend * 0.4 : all.x - bend * 0.4
      points.push({ x, y: before.y }, { x, y: p.y })
    }
    points.push(p)
  })
  return { boxes, flow: 'unlinked', decor: [{ kind: 'route', points, bend: bend * 0.8 }] }
}

/** Beside a column of stops the line runs straight down. */
const stops: Finish = (sized) => {
  const boxes = inOneColumn(sized, sized.style.body.size * 0.5)
  const points = inFlow(sized).map((n) => stopOf(n, boxes.get(n.id) as Box, sized))
  return { boxes, flow: 'unlinked', decor: [{ kind: 'route', points, bend: 0 }] }
}

function stopOf(n: SizedNode, box: Box, sized: Sized): Point {
  const disc = standingIn(n, box, sized).plates.find((p) => p.plate === 'disc')
  return disc ? centreOf(disc.box) : centreOf(box)
}

/** Every second row the other way round. */
function toAndFro(order: readonly SizedNode[], boxes: ReadonlyMap<NodeId, Box>): Map<NodeId, Box> {
  const all = union([...boxes.values()])
  const tops: number[] = []
  const rowOf = (b: Box): number => {
    const y = centreOf(b).y
    const known = tops.findIndex((t) => Math.abs(t - y) < b.height / 2)
    return known >= 0 ? known : tops.push(y) - 1
  }
  const out = new Map<NodeId, Box>()
  for (const n of order) {
    const b = boxes.get(n.id) as Box
    out.set(n.id, rowOf(b) % 2 === 0 ? b : { ...b, x: 2 * all.x + all.width - b.x - b.width })
  }
  // Discs of a row stand on one line whatever the words below them need.
  for (const [i] of tops.entries()) {
    const row = order.filter((n) => rowOf(boxes.get(n.id) as Box) === i)
    const top = Math.min(...row.map((n) => (out.get(n.id) as Box).y))
    for (const n of row) out.set(n.id, { ...(out.get(n.id) as Box), y: top })
  }
  return out
}

/** Bands that point on, each at the next. */
const onward: Finish = (sized, arrange) => ({ ...arrange(sized), flow: 'unlinked', decor: [] })

const RING = { inner: 0.58, growth: 1.06 }
/** A ring cut into as many segments as there are nodes, their words outside at the middle of each. */
const segments: Finish = (sized, _arrange, set) => {
  const { nodes, style } = sized
  const unit = style.body.size
  // Said over the figure, it need not be said within.
  const core = set(sized.headline ? '' : sized.title, 'heading', style.wrap.point * 0.8)
  const least = Math.max(unit * 5, distance(core.width, core.height) / 2 / RING.inner + unit * 0.6)
  const count = Math.max(1, nodes.length)
  const middle = (i: number) => (2 * Math.PI * (i + 0.5)) / count - Math.PI / 2
  for (let radius = least; ; radius *= RING.growth) {
    const boxes = new Map(
      nodes.map((n, i): readonly [NodeId, Box] => [n.id, outsideOf(radius + unit * 0.9, middle(i), n)]),
    )
    const list = [...boxes.values()]
    const clear = list.every((b, i) => list.slice(i + 1).every((o) => !overlaps(b, o)))
    if (!clear && radius < least * 60) continue
    const at = (radius * (1 + RING.inner)) / 2
    const decor = nodes.flatMap((n, i): Decor[] => [
      {
        kind: 'segment',
        of: n.id,
        centre: { x: 0, y: 0 },
        inner: radius * RING.inner,
        outer: radius,
        from: middle(i) - Math.PI / count,
        to: middle(i) + Math.PI / count,
        numeral: {
          centre: { x: cosine(middle(i)) * at, y: sine(middle(i)) * at },
          block: set(ordinal(i + 1, style.house.numerals), 'heading', unit * 4),
        },
      },
    ])
    const words: Decor[] = core.text === '' ? [] : [{ kind: 'words', centre: { x: 0, y: 0 }, block: core }]
    return { boxes, flow: 'unlinked', decor: [...decor, ...words] }
  }
}

/** A box that touches a circle around the origin from outside, in that direction. */
function outsideOf(radius: number, angle: number, n: SizedNode): Box {
  const [c, s] = [cosine(angle), sine(angle)]
  const [w, h] = [n.width / 2, n.height / 2]
  const centre = { x: c * radius + Math.sign(c) * w * Math.min(1, Math.abs(c) * 1.6), y: s * (radius + h) }
  return { x: centre.x - w, y: centre.y - h, width: n.width, height: n.height }
}

/** A head with the leaves below it is laid out as one panel, and taken apart again. */
const leafPanels: Finish = (sized, arrange) => {
  const unit = sized.style.body.size
  const pad = unit * 0.5
  const { childrenOf } = forest(sized)
  const heads = sized.nodes.filter((n) => {
    const kids = childrenOf(n)
    return kids.length > 0 && kids.every((k) => childrenOf(k).length === 0) && n.role !== 'assistant'
  })
  const panels = new Map(heads.map((n) => [n.id, panelOf(n, childrenOf(n), pad)]))
  const within = new Set([...panels.values()].flatMap((p) => p.leaves.map((l) => l.id)))
  const hidden = new Set(sized.links.filter((l) => within.has(l.to) && panels.has(l.from)).map((l) => l.id))
  const whole = sized.nodes
    .filter((n) => !within.has(n.id))
    .map((n) => {
      const p = panels.get(n.id)
      return p ? { ...n, shape: 'rect' as const, width: p.width, height: p.height } : n
    })
  const links = sized.links.filter((l) => !within.has(l.to) && !within.has(l.from))
  const arranged = arrange({ ...sized, nodes: whole, links })
  const boxes = new Map(arranged.boxes)
  const decor: Decor[] = []
  for (const [id, p] of panels) {
    const box = boxes.get(id)
    if (!box) continue
    boxes.set(id, { ...box, height: p.head })
    decor.push({ kind: 'backing', of: id, box: { ...box, y: box.y + p.head, height: box.height - p.head } })
    let top = box.y + p.head + pad
    for (const l of p.leaves) {
      boxes.set(l.id, { x: box.x + pad, y: top, width: box.width - 2 * pad, height: l.height })
      top += l.height
    }
  }
  return { ...arranged, boxes, decor: [...arranged.decor, ...decor], hidden }
}

function panelOf(head: SizedNode, leaves: readonly SizedNode[], pad: number) {
  return {
    leaves,
    head: head.height,
    width: Math.max(head.width, ...leaves.map((l) => l.width + 2 * pad)),
    height: head.height + leaves.reduce((s, l) => s + l.height, 0) + 2 * pad,
  }
}

/** A band behind every level. */
const levelBands: Finish = (sized, arrange) => {
  const arranged = arrange(sized)
  const across = arranged.flow === 'treeAcross'
  const { roots, childrenOf } = forest(sized)
  const levels: Box[][] = []
  const gather = (list: readonly SizedNode[], level: number): void => {
    for (const n of list) {
      const box = arranged.boxes.get(n.id)
      if (box) (levels[level] ??= []).push(box)
      gather(childrenOf(n), level + 1)
    }
  }
  gather(roots, 0)
  const all = union([...arranged.boxes.values()])
  const pad = sized.style.body.size
  const bands = levels.map(union)
  const apart = bands.every((b, i) => {
    const next = bands[i + 1]
    return !next || (across ? b.x + b.width <= next.x : b.y + b.height <= next.y)
  })
  const decor = !apart
    ? []
    : bands.map((b, level): Decor => ({
        kind: 'levelBand',
        level,
        box: across
          ? { x: b.x - pad * 0.6, y: all.y - pad, width: b.width + pad * 1.2, height: all.height + 2 * pad }
          : { x: all.x - pad, y: b.y - pad * 0.6, width: all.width + 2 * pad, height: b.height + pad * 1.2 },
      }))
  return { ...arranged, decor: [...decor, ...arranged.decor] }
}

/** Lengths in parts of the size of the words. */
const BARS = { room: 9, high: 1.5, gap: 1.2 }
/** Beside the ends of a tree, what each is worth as a bar; all on one scale, from one zero. */
const outcomeBars: Finish = (sized, arrange, set) => {
  const arranged = arrange(sized)
  const unit = sized.style.body.size
  const ends = sized.nodes.flatMap((n) => {
    const box = arranged.boxes.get(n.id)
    const worth = sized.worths.get(n.id)
    return box && worth !== undefined ? [{ n, box, worth }] : []
  })
  if (ends.length === 0) return arranged
  const [least, most] = [Math.min(0, ...ends.map((e) => e.worth)), Math.max(0, ...ends.map((e) => e.worth))]
  const scale = (BARS.room * unit) / Math.max(1e-9, most - least)
  const all = union([...arranged.boxes.values()])
  const named = ends.map((e) => ({ ...e, block: set(e.n.pieces.value?.text ?? `${e.worth}`, 'label', unit * 12) }))
  const before = Math.max(0, ...named.filter((e) => e.worth < 0).map((e) => e.block.width + unit * 0.6))
  const zero = all.x + all.width + BARS.gap * unit - least * scale + before
  // Ends of different levels may stand nearly beside each other: their bars make room.
  const rows = named.toSorted((a, b) => centreOf(a.box).y - centreOf(b.box).y || (a.n.id < b.n.id ? -1 : 1))
  const ys = nearestPlaces(
    rows.map((e) => centreOf(e.box).y),
    rows.slice(1).map(() => BARS.high * unit * 1.15),
  )
  const bars = rows.map((e, i): Decor => {
    const y = ys[i] as number
    const [x1, x2] = [zero + Math.min(0, e.worth * scale), zero + Math.max(0, e.worth * scale)]
    const box = { x: x1, y: y - (BARS.high * unit) / 2, width: Math.max(1, x2 - x1), height: BARS.high * unit }
    const x = e.worth < 0 ? x1 - unit * 0.4 - e.block.width / 2 : x2 + unit * 0.4 + e.block.width / 2
    return { kind: 'bar', of: e.n.id, box, good: e.worth >= 0, name: { centre: { x, y }, block: e.block } }
  })
  const [top, foot] = [Math.min(...ys) - unit * 1.3, Math.max(...ys) + unit * 1.3]
  const axis: Decor = { kind: 'rule', from: { x: zero, y: top }, to: { x: zero, y: foot } }
  return { ...arranged, decor: [...arranged.decor, ...bars, axis] }
}

export const finishes: Readonly<Record<FinishName, Finish>> = {
  rules,
  route,
  stops,
  onward,
  segments,
  leafPanels,
  levelBands,
  outcomeBars,
  arcTitles,
}
