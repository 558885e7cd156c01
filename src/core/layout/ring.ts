/** Arrangement `ring` of points and of processes that end where they began: nodes at equal angles on an ellipse around
 *  the title, starting at the top, clockwise.
 *  The ellipse is as small as it can be with no two nodes, and no node and the title, closer than the gap. */
import { boxAround, inflate, overlaps, type Box, cosine, sine } from '../geometry'
import type { Sized } from '../measure'
import { frameAspect } from './frameAspect'
import type { Arranged, SetWords } from './placed'
import { spreadForWords } from './straightLabels'

const GROWTH = 1.04

export function ring(sized: Sized, set: SetWords): Arranged {
  // Said over the figure, it need not be said within.
  const core = set(sized.headline ? '' : sized.title, 'heading', sized.style.wrap.point)
  const gap = sized.style.gap.beside / 2
  const stretch = Math.min(1.7, Math.max(0.8, frameAspect(sized)))
  const centre = { x: 0, y: 0 }
  const middle = inflate(boxAround(centre, core), gap)
  let radius = Math.max(40, ...sized.nodes.map((n) => Math.max(n.width / stretch, n.height))) / 2
  for (;;) {
    const boxes = sized.nodes.map((n, i): readonly [string, Box] => {
      const angle = (2 * Math.PI * i) / sized.nodes.length - Math.PI / 2
      return [n.id, boxAround({ x: cosine(angle) * radius * stretch, y: sine(angle) * radius }, n)]
    })
    const clear = boxes.every(
      ([, b], i) =>
        !overlaps(b, middle) &&
        boxes.slice(i + 1).every(([, other]) => !overlaps(inflate(b, gap / 2), inflate(other, gap / 2))),
    )
    if (clear || sized.nodes.length < 2)
      return {
        boxes: spreadForWords(sized, new Map(boxes)),
        flow: 'ring',
        decor: [
          ...(sized.links.length > 0
            ? []
            : [{ kind: 'ring' as const, centre, radius: { x: radius * stretch, y: radius } }]),
          { kind: 'words', centre, block: core },
        ],
      }
    radius *= GROWTH
  }
}
