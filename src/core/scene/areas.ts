/** Where things can be put in a picture besides on nodes: the circles and panels of sets, the lanes of actors. */
import type { NodeId } from '../figure'
import { type Box, type Point, boxIn, pointIn, type Fit } from '../geometry'
import type { Routed } from '../route'

export type Area =
  /** What lies in it lies in the set; `tilt` in degrees, clockwise. */
  | {
      readonly area: 'set'
      readonly set: NodeId
      readonly centre: Point
      readonly radius: Point
      readonly tilt: number
    }
  /** What lies in it lies in just these sets. */
  | { readonly area: 'panel'; readonly sets: readonly NodeId[]; readonly box: Box }
  | { readonly area: 'lane'; readonly actor: string; readonly box: Box }

export function areasOf(routed: Routed, fit: Fit): readonly Area[] {
  const sets = routed.nodes.filter((n) => n.role === 'set').map((n) => n.id)
  const named = (indices: readonly number[]) => indices.flatMap((i) => sets[i] ?? [])
  return routed.decor.flatMap((d): Area[] => {
    if (d.kind === 'lane') return [{ area: 'lane', actor: d.name.block.text, box: boxIn(d.box, fit) }]
    if (d.kind === 'panel') return [{ area: 'panel', sets: named(d.sets), box: boxIn(d.box, fit) }]
    const [set] = d.kind === 'set' ? named([d.tint]) : []
    if (d.kind !== 'set' || set === undefined) return []
    const radius = { x: d.radius.x * fit.scale, y: d.radius.y * fit.scale }
    return [{ area: 'set', set, centre: pointIn(d.centre, fit), radius, tilt: d.tilt }]
  })
}
