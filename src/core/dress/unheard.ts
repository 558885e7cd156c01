/** What a person has set on a part and cannot show, dressed as it is: found by trying whether any value of it would. */
import type { LookFields } from '../figure'
import type { PlacedNode } from '../layout'
import type { Routed } from '../route'
import { connectorMarks } from './connectorMarks'
import type { Mark } from './mark'
import { nodeMarks } from './nodeMarks'

type Field = keyof LookFields
/** Two values of each that look different wherever they look like anything. */
const probes: { readonly [K in Field]?: readonly [LookFields[K], LookFields[K]] } = {
  fill: ['#b00020', '#0020b0'],
  line: ['#b00020', '#0020b0'],
  thickness: [2, 6],
  dashed: [true, false],
  opacity: [0.3, 0.8],
  align: ['start', 'middle'],
  ends: ['dot', 'none'],
}

/** By part, the fields of its look that do not show. */
export function unheardLooks(routed: Routed): Readonly<Record<string, readonly Field[]>> {
  const nodes = routed.nodes.map(
    (n) => [n.id, unheard(n.look, (look) => nodeMarks({ ...n, look }, routed), n)] as const,
  )
  const links = routed.links.flatMap((l) => {
    const route = routed.routes.find((r) => r.id === l.id)
    if (!route || Object.keys(l.look).length === 0) return []
    const drawn = (look: LookFields): readonly Mark[] => {
      const other = { ...routed, links: routed.links.map((k) => (k.id === l.id ? { ...k, look } : k)) }
      return [connectorMarks(other, [route], new Set())(route)]
    }
    return [[l.id, unheard(l.look, drawn, null)] as const]
  })
  return Object.fromEntries([...nodes, ...links].filter(([, fields]) => fields.length > 0))
}

function unheard(look: LookFields, drawn: (look: LookFields) => readonly Mark[], node: PlacedNode | null): Field[] {
  return (Object.keys(look) as Field[]).filter((field) => {
    // A shape is seen by its surface alone.
    if (field === 'shape')
      return node !== null && !drawn(look).some((m) => m.mark === 'shape' && m.shape === node.shape)
    const [one, other] = probes[field] ?? []
    if (one === undefined) return false
    return JSON.stringify(drawn({ ...look, [field]: one })) === JSON.stringify(drawn({ ...look, [field]: other }))
  })
}
