/** Where nodes, connectors and notes stand in the frame, for pointing and for alternatives to seeing. */
import { boxIn, pointIn, type Fit } from '../geometry'
import type { Routed } from '../route'
import type { Scene } from './picture'

/** `only` names those asked for; null for all. */
export function partPlaces(
  routed: Routed,
  fit: Fit,
  only: ReadonlySet<string> | null,
): Pick<Scene, 'nodes' | 'links' | 'notes'> {
  const bars = new Map(routed.nodes.flatMap((n) => (n.barOf === null ? [] : [[n.id, n.barOf] as const])))
  const stands = (id: string) => bars.get(id) ?? id
  const asked = (id: string) => !bars.has(id) && (only === null || only.has(id))
  return {
    nodes: routed.nodes
      .filter((n) => asked(n.id))
      .map((n) => ({
        id: n.id,
        box: boxIn(n.box, fit),
        text: n.text || (n.pieces.picture?.alt ?? ''),
        held: n.held !== null,
        inset: n.inset,
      })),
    links: routed.routes
      .filter((r) => asked(r.id))
      .map((r) => ({
        id: r.id,
        from: stands(r.from),
        to: stands(r.to),
        points: r.points.map((p) => pointIn(p, fit)),
        text: r.label?.block.text ?? '',
      })),
    notes: routed.notes
      .filter((n) => asked(n.id))
      .map((n) => ({ id: n.id, box: boxIn(n.box, fit), text: n.block.text, subject: pointIn(n.subject, fit) })),
  }
}
