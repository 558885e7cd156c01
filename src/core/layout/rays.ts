/** Arrangement `rays`: what a figure turns on in the middle, what hangs on it around it, ring by ring. Each branch has a
 *  sector as wide as its share of the ends; rings are ellipses of the frame's proportions, as close as nodes allow.
 *  Radial drawing of trees as in Di Battista, Eades, Tamassia, Tollis 1999, "Graph Drawing", section 3.1.3. */
import { boxAround, inflate, overlaps, type Box, cosine, sine } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { forest, forestAround, type Forest } from './forest'
import { frameAspect } from './frameAspect'
import type { Arranged, Decor, SetWords } from './placed'
import { spreadForWords } from './straightLabels'
import { tree } from './tree'

type Seat = { readonly node: SizedNode; readonly ring: number; readonly angle: number }

const GROWTH = 1.05
/** Beyond this many nodes no ring is small enough to be seen as one. */
const MOST = 150

/** Around the title, around the one root of a hierarchy, or around the concept that was chosen or has the most links. */
export function rays(sized: Sized, set: SetWords, directed: boolean): Arranged {
  if (sized.nodes.length === 0 || sized.nodes.length > MOST) return tree(sized, 'across')
  const around = directed
    ? forest(sized)
    : forestAround(sized, sized.nodes.find((n) => n.id === sized.focus) ?? busiest(sized))
  const alone = around.roots.length === 1
  const title = alone ? null : set(sized.title, 'heading', sized.style.wrap.question)
  const seats = seatsOf(around, alone ? 0 : 1)
  const gap = sized.style.gap.beside * 0.4
  const room = Math.max(0, ...sized.links.map((l) => l.label?.width ?? 0)) * 0.9
  const stretch = Math.min(1.6, Math.max(0.8, frameAspect(sized)))
  const core = title ? inflate(boxAround({ x: 0, y: 0 }, title), gap) : null
  let step = Math.max(...sized.nodes.map((n) => n.height), 1) + gap + room
  for (;;) {
    const boxes = seats.map(({ node, ring, angle }): readonly [string, Box] => [
      node.id,
      boxAround({ x: cosine(angle) * ring * step * stretch, y: sine(angle) * ring * step }, node),
    ])
    if (seats.length < 2 || isClear(boxes, core, gap)) {
      const decor: Decor[] = title ? [{ kind: 'words', centre: { x: 0, y: 0 }, block: title }] : []
      return { boxes: spreadForWords(sized, new Map(boxes)), flow: 'straight', decor }
    }
    step *= GROWTH
  }
}

function isClear(boxes: readonly (readonly [string, Box])[], core: Box | null, gap: number): boolean {
  const grown = boxes.map(([, b]) => inflate(b, gap / 2))
  return grown.every((b, i) => !(core && overlaps(b, core)) && grown.every((o, k) => k <= i || !overlaps(b, o)))
}

/** The concept with the most links; of several the first in the text. */
function busiest(sized: Sized): SizedNode {
  const count = (id: string) => sized.links.filter((l) => l.from === id || l.to === id).length
  return sized.nodes.reduce((best, n) => (count(n.id) > count(best.id) ? n : best), sized.nodes[0] as SizedNode)
}

/** Ring and angle of every node, clockwise from the top, in the order of the text. */
function seatsOf({ roots, childrenOf }: Forest, firstRing: number): Seat[] {
  const ends = (n: SizedNode): number =>
    Math.max(
      1,
      childrenOf(n).reduce((s, c) => s + ends(c), 0),
    )
  const out: Seat[] = []
  const seat = (n: SizedNode, ring: number, start: number, sweep: number): void => {
    out.push({ node: n, ring, angle: start + sweep / 2 })
    let at = start
    const whole = childrenOf(n).reduce((s, c) => s + ends(c), 0)
    for (const c of childrenOf(n)) {
      const share = (sweep * ends(c)) / whole
      seat(c, ring + 1, at, share)
      at += share
    }
  }
  const whole = roots.reduce((s, r) => s + ends(r), 0)
  let at = -Math.PI / 2 - (firstRing === 0 && roots[0] ? Math.PI / Math.max(1, childrenOf(roots[0]).length) : 0)
  for (const r of roots) {
    const share = (2 * Math.PI * ends(r)) / whole
    seat(r, firstRing, at, share)
    at += share
  }
  return out
}
