/** The same picture with other words in one node, as they are being typed: the node grows around its middle, the others stay.
 *  Null where there is no room for that; then the figure is to be laid out. */
import { boxAround, centreOf, inflate, overlaps } from '../geometry'
import type { SizedNode } from '../measure'
import type { Placed } from './placed'

export function retyped(placed: Placed, node: SizedNode): Placed | null {
  const old = placed.nodes.find((n) => n.id === node.id)
  if (!old || old.shape !== node.shape) return null
  // It does not shrink under the hand; layout evens it out when the words are done.
  const size = { width: Math.max(old.box.width, node.width), height: Math.max(old.box.height, node.height) }
  const box = boxAround(centreOf(old.box), size)
  const gap = placed.style.gap.beside / 4
  const meets = placed.nodes.some(
    (n) => n.id !== node.id && overlaps(inflate(box, gap), n.box) && !overlaps(old.box, n.box),
  )
  if (meets) return null
  return { ...placed, nodes: placed.nodes.map((n) => (n.id === node.id ? { ...node, ...size, box } : n)) }
}
