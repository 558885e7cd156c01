/** Stage `layout`: gives each sized node a box. In: sized nodes and links in the order of the text. Out: no two nodes
 *  overlap, held nodes stand where they were put, and others stay at the `places` of the picture before where there are
 *  any. Draws no connectors. */
import type { Box } from '../geometry'
import type { NodeId, Places } from '../figure'
import { textBlock, type Sized, type Typesetter } from '../measure'
import { arrangementRow } from './arrangements'
import { makeRoom } from './makeRoom'
import type { Flow, Placed } from './placed'
import { remembered } from './remembered'

export function layout(sized: Sized, typesetter: Typesetter, places: Places | null = null): Placed {
  const row = arrangementRow(sized.kind, sized.arrangement)
  if (!row) throw new Error(`layout: kind ${sized.kind} has no arrangement`)
  const asItStood = row.remembers && places ? remembered(sized, places, row.remembers) : null
  const arranged =
    asItStood ??
    row.arrange(sized, (text, look, room) =>
      textBlock([{ text, look: sized.style[look], strong: look === 'heading' }], room, typesetter),
    )
  const boxes = makeRoom(sized.nodes, arranged.boxes, sized.style.gap.beside / 2)
  return {
    ...sized,
    flow: sized.style.connector.form === 'straight' ? straightened(arranged.flow) : arranged.flow,
    decor: arranged.decor,
    starts: arranged.starts ?? [],
    nodes: sized.nodes.map((n) => {
      const box = boxes.get(n.id)
      if (!box) throw new Error(`layout: arrangement ${row.id} did not place ${n.id}`)
      return arranged.heads?.has(n.id) ? { ...n, box, shape: 'plain' } : { ...n, box }
    }),
  }
}

/** Where places alone say what belongs together there is nothing to straighten; a list hangs on its rule. */
const straightened = (flow: Flow): Flow => (flow === 'unlinked' || flow === 'outline' ? flow : 'straight')

/** The same picture with one node elsewhere: what a drag shows before it is dropped. */
export const withNodeAt = (placed: Placed, id: NodeId, box: Box): Placed => ({
  ...placed,
  nodes: placed.nodes.map((n) => (n.id === id ? { ...n, box: { ...box, width: n.width, height: n.height } } : n)),
})
