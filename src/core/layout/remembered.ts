/** Lays a flow out by making room in the picture as it stood: what was there keeps its order and its places, what grew or
 *  is new pushes what lies beyond it, all by the same distance, and the gap that a removed node leaves is closed. Keeps the
 *  mental map (Misue, Eades, Lai, Sugiyama 1995, "Layout Adjustment and the Mental Map") where a layout from nothing would
 *  move most nodes. Everything is computed for a flow down the page; one across is turned. */
import { centreOf, overlaps, type Box } from '../geometry'
import type { NodeId, Places } from '../figure'
import type { Sized, SizedLink } from '../measure'
import type { Arranged } from './placed'

/** A node while places are found, turned so that the flow runs down: `along` and `aside` are those of its middle. */
type Spot = {
  readonly id: NodeId
  readonly depth: number
  readonly breadth: number
  along: number
  aside: number
  /** The column of a folded flow. */
  readonly run: number
}
const head = (s: Spot) => s.along - s.depth / 2
const foot = (s: Spot) => s.along + s.depth / 2
const near = (s: Spot) => s.aside - s.breadth / 2
const far = (s: Spot) => s.aside + s.breadth / 2
const sideBySide = (a: Spot, b: Spot, gap: number) => near(a) < far(b) + gap && near(b) < far(a) + gap

/** Gaps beside what is new, in parts of those of the style: a little tighter, so that less has to move. */
const TIGHT = 0.8
/** When more of the nodes are new, the picture as it stood is no help. */
const MOST_NEW = 0.34

/** Null where the places do not help: most is new, or something would still cover something. */
export function remembered(sized: Sized, places: Places, direction: 'down' | 'across'): Arranged | null {
  const fresh = sized.nodes.filter((n) => !places.boxes[n.id])
  if (fresh.length > sized.nodes.length * MOST_NEW) return null
  const picture = new Picture(sized, places, direction === 'down')
  picture.closeGaps(places)
  picture.holdGrown(places)
  const waiting = new Set(fresh.map((n) => n.id))
  // What hangs on nodes that have their places comes first, so that a chain of new nodes is put in link by link.
  while (waiting.size > 0) {
    const id = [...waiting].find((w) => picture.touches(w)) ?? ([...waiting][0] as NodeId)
    picture.insert(id)
    waiting.delete(id)
  }
  const boxes = picture.boxes()
  return isClear([...boxes.values()]) ? { boxes, flow: direction, decor: [], starts: picture.starts } : null
}

const isClear = (boxes: readonly Box[]): boolean =>
  boxes.every((a, i) => boxes.slice(i + 1).every((b) => !overlaps(a, b)))

class Picture {
  private readonly spots = new Map<NodeId, Spot>()
  private readonly links: readonly SizedLink[]
  readonly starts: number[]

  constructor(
    private readonly sized: Sized,
    places: Places,
    private readonly down: boolean,
  ) {
    this.starts = [...places.starts]
    this.links = sized.links.filter((l) => l.from !== l.to)
    for (const n of sized.nodes) {
      const box = places.boxes[n.id]
      if (box) this.spots.set(n.id, this.spot(n.id, this.alongOf(box), this.asideOf(box)))
    }
  }

  touches = (id: NodeId): boolean =>
    this.links.some((l) => (l.from === id && this.spots.has(l.to)) || (l.to === id && this.spots.has(l.from)))

  boxes(): Map<NodeId, Box> {
    return new Map(
      this.sized.nodes.map((n) => {
        const s = this.spots.get(n.id) as Spot
        const [x, y] = this.down ? [s.aside, s.along] : [s.along, s.aside]
        return [n.id, { x: x - n.width / 2, y: y - n.height / 2, width: n.width, height: n.height }]
      }),
    )
  }

  /** Where a removed node leaves a band without nodes, what is below moves up until only one gap is left. */
  closeGaps(places: Places): void {
    for (const [id, box] of Object.entries(places.boxes)) {
      if (this.spots.has(id)) continue
      const [depth, aside] = [this.down ? box.height : box.width, this.asideOf(box)]
      const [top, bottom] = [this.alongOf(box) - depth / 2, this.alongOf(box) + depth / 2]
      const own = this.inRun(this.runAt(aside))
      if (own.some((s) => head(s) < bottom && foot(s) > top)) continue
      const above = Math.max(...own.filter((s) => foot(s) <= top).map(foot))
      const below = Math.min(...own.filter((s) => head(s) >= bottom).map(head))
      if (!Number.isFinite(above) || !Number.isFinite(below)) continue
      this.shift(
        own.filter((s) => head(s) >= bottom),
        -(below - above - Math.max(top - above, below - bottom)),
      )
    }
  }

  /** A node that has grown pushes what would come too close: below it down, beside it aside. */
  holdGrown(places: Places): void {
    for (const spot of [...this.spots.values()]) {
      const old = places.boxes[spot.id] as Box
      const [depth, breadth] = this.down ? [old.height, old.width] : [old.width, old.height]
      const [deeper, wider] = [spot.depth - depth, spot.breadth - breadth]
      if (deeper > 0.5) {
        this.shift(this.fromRowOf(spot), this.lackAbove(spot, deeper / 2))
        this.shift(this.below(spot.run, foot(spot) - deeper / 2, spot), this.lackBelow(spot, deeper / 2))
      }
      if (wider > 0.5) this.widen(spot, wider / 2)
    }
  }

  private lackAbove(spot: Spot, by: number): number {
    const wanted = this.gap()
    const over = this.inRun(spot.run).filter((s) => foot(s) <= head(spot) + by + 0.5 && sideBySide(s, spot, 0))
    const room = head(spot) - Math.max(-Infinity, ...over.map(foot))
    return Math.min(by, Math.max(0, wanted - room))
  }

  private lackBelow(spot: Spot, by: number): number {
    const wanted = this.gap()
    const under = this.inRun(spot.run).filter((s) => head(s) >= foot(spot) - by - 0.5 && sideBySide(s, spot, 0))
    const room = Math.min(Infinity, ...under.map(head)) - foot(spot)
    return Math.min(by, Math.max(0, wanted - room))
  }

  private widen(spot: Spot, by: number): void {
    const wanted = this.sized.style.gap.beside * TIGHT
    const beside = this.inRun(spot.run).filter((s) => s !== spot && head(s) < foot(spot) && foot(s) > head(spot))
    const after = beside.filter((s) => s.aside > spot.aside)
    const before = beside.filter((s) => s.aside < spot.aside)
    const right = Math.min(by, wanted - (Math.min(Infinity, ...after.map(near)) - far(spot)))
    const left = Math.min(by, wanted - (near(spot) - Math.max(-Infinity, ...before.map(far))))
    if (right > 0) {
      const first = Math.min(...after.map((s) => s.aside))
      this.aside(
        [...this.spots.values()].filter((s) => s.aside >= first),
        right,
      )
      this.starts.forEach((x, i) => i > spot.run && (this.starts[i] = x + right))
    }
    if (left > 0) {
      const last = Math.max(...before.map((s) => s.aside))
      this.aside(
        [...this.spots.values()].filter((s) => s.aside <= last),
        -left,
      )
      this.starts.forEach((x, i) => i <= spot.run && (this.starts[i] = x - left))
    }
  }

  /** Gives a new node a place between what leads to it and what it leads to. */
  insert(id: NodeId): void {
    const before = this.ends(this.links.filter((l) => l.to === id).map((l) => l.from))
    const after = this.ends(this.links.filter((l) => l.from === id).map((l) => l.to))
    const from = this.leadingTo(before, after)
    const to = after.find((s) => !from || head(s) >= foot(from)) ?? (from ? undefined : after[0])
    const run = from?.run ?? to?.run ?? Math.max(0, this.starts.length - 1)
    const own = this.inRun(run)
    const last = Math.max(0, ...own.map(foot))
    const wanted = [from, to].flatMap((s) => (s && s.run === run ? [s.aside] : []))
    // Straight below the one, straight above the other.
    const spot = this.spot(id, 0, wanted[0] ?? this.middleOf(own), run)
    const room = from && to ? head(to) - foot(from) : from || !to ? Infinity : 0
    const tight = room < spot.depth + 2 * this.sized.style.gap.between ? TIGHT : 1
    const [above, below] = [this.gap(tight, from && [from.id, id]), this.gap(tight, to && [id, to.id])]
    const top = from ? foot(from) + above : to ? head(to) : last + above
    spot.along = this.levelWith(own, top + spot.depth / 2)
    const cut = from ? foot(from) : to ? head(to) : last
    const moving = this.below(run, cut, spot)
    const lackAt = (aside: number): number => {
      spot.aside = aside
      const hindered = moving.filter((s) => s === to || sideBySide(s, spot, this.sized.style.gap.beside * TIGHT * 0.5))
      return Math.max(0, ...hindered.map((s) => foot(spot) + (s === to ? below : this.gap(tight)) - head(s)))
    }
    const staying = own.filter((s) => !moving.includes(s) && foot(s) > top && head(s) < foot(spot))
    const asides = this.freeAsides(spot, staying, wanted)
    const best = asides
      .map((aside) => ({ aside, lack: lackAt(aside) }))
      .map((c) => ({ ...c, cost: c.lack * 0.5 + wanted.reduce((sum, w) => sum + Math.abs(w - c.aside), 0) }))
      .toSorted((a, b) => a.cost - b.cost || a.aside - b.aside)[0] as { aside: number; lack: number }
    spot.aside = best.aside
    this.shift(moving, best.lack)
    this.spots.set(id, spot)
    this.makeRoomAtEnd(spot, run)
  }

  /** The lowest of what leads to a new node, but for what comes back from below all that follows. */
  private leadingTo(before: readonly Spot[], after: readonly Spot[]): Spot | undefined {
    const onward = before.filter((b) => after.length === 0 || after.some((a) => head(a) >= foot(b)))
    const lowest = onward.reduce<Spot | undefined>((low, b) => (!low || foot(b) > foot(low) ? b : low), undefined)
    return lowest ?? before[0]
  }

  /** In line with a node of a neighbouring branch that stands at nearly the same height. */
  private levelWith(own: readonly Spot[], along: number): number {
    const reach = this.sized.style.gap.between * (1 - TIGHT)
    const level = own.map((s) => s.along).filter((a) => a >= along - 0.01 && a - along <= reach)
    return level.length > 0 ? Math.min(...level) : along
  }

  /** The next column of a folded flow gives way to what is put in at the side of this one. */
  private makeRoomAtEnd(spot: Spot, run: number): void {
    const gap = this.sized.style.gap.beside * TIGHT
    const later = [...this.spots.values()].filter((s) => s.run > run)
    const lack = far(spot) + gap - Math.min(Infinity, ...later.map(near))
    if (lack <= 0) return
    this.aside(later, lack)
    this.starts.forEach((x, i) => i > run && (this.starts[i] = x + lack))
  }

  /** Places as near as can be to those wanted at which a node comes close to none of `staying`. */
  private freeAsides(spot: Spot, staying: readonly Spot[], wanted: readonly number[]): number[] {
    const gap = this.sized.style.gap.beside * TIGHT
    const half = spot.breadth / 2 + gap
    const isFree = (x: number) => staying.every((s) => x <= near(s) - half + 0.01 || x >= far(s) + half - 0.01)
    const tries = [...wanted, spot.aside, ...staying.flatMap((s) => [near(s) - half, far(s) + half])]
    return tries.filter(isFree)
  }

  private ends = (ids: readonly NodeId[]): Spot[] => ids.flatMap((id) => this.spots.get(id) ?? [])

  /** Free room between two nodes, one below the other; words between them want more. */
  private gap(part = TIGHT, ends?: readonly [NodeId, NodeId] | false): number {
    const { between } = this.sized.style.gap
    const label = ends ? this.links.find((l) => l.from === ends[0] && l.to === ends[1])?.label : null
    const words = label ? (this.down ? label.height : label.width) + this.sized.style.body.size * 2 : 0
    return Math.max(between * part, words)
  }

  private spot(id: NodeId, along: number, aside: number, run = this.runAt(aside)): Spot {
    const n = this.sized.nodes.find((m) => m.id === id) as Sized['nodes'][number]
    const [depth, breadth] = this.down ? [n.height, n.width] : [n.width, n.height]
    return { id, depth, breadth, along, aside, run }
  }

  private inRun = (run: number): Spot[] => [...this.spots.values()].filter((s) => s.run === run)
  private middleOf = (spots: readonly Spot[]): number =>
    spots.length === 0 ? 0 : (Math.min(...spots.map(near)) + Math.max(...spots.map(far))) / 2

  /** What lies wholly below a line, and whatever has its middle no higher than the first of that: so the order in which
   *  things stand below each other stays when all of it moves. */
  private below(run: number, line: number, but: Spot): Spot[] {
    const own = this.inRun(run).filter((s) => s !== but)
    const first = Math.min(Infinity, ...own.filter((s) => head(s) >= line - 0.5).map((s) => s.along))
    return own.filter((s) => s.along >= first - 0.01)
  }

  /** A node, those level with it, and all below: a row stays a row. */
  private fromRowOf = (spot: Spot): Spot[] => this.inRun(spot.run).filter((s) => s.along >= spot.along - 0.5)

  private shift(spots: readonly Spot[], by: number): void {
    for (const s of spots) s.along += by
  }

  private aside(spots: readonly Spot[], by: number): void {
    for (const s of spots) s.aside += by
  }

  private alongOf = (b: Box): number => (this.down ? centreOf(b).y : centreOf(b).x)
  private asideOf = (b: Box): number => (this.down ? centreOf(b).x : centreOf(b).y)
  private runAt = (aside: number): number =>
    Math.max(
      0,
      this.starts.findLastIndex((x) => x <= aside),
    )
}
