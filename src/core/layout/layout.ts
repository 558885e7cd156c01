/** Stage `layout`: gives each sized node a box. In: sized nodes and links in the order of the text. Out: no two nodes
 *  overlap, held nodes stand where they were put, and others stay at the `places` of the picture before where there are
 *  any. Draws no connectors. */
import type { Box } from '../geometry'
import type { NodeId, Places } from '../figure'
import { textBlock, type Sized, type Typesetter } from '../measure'
import { arrangementRow } from './arrangements'
import { barred, stretched } from './bars'
import { makeRoom } from './makeRoom'
import { evened } from './peers'
import { finishes } from './finishes'
import type { Flow, Placed, SetWords } from './placed'
import { remembered } from './remembered'

export function layout(measured: Sized, typesetter: Typesetter, places: Places | null = null, order = 0): Placed {
  const row = arrangementRow(measured.kind, measured.arrangement)
  if (!row) throw new Error(`layout: kind ${measured.kind} has no arrangement`)
  const even = evened(measured, row.evens, row.alike ?? false)
  const sized = row.bars ? barred(even, row.bars) : even
  const asItStood =
    row.remembers && places && !sized.style.treatment.finish ? remembered(sized, places, row.remembers) : null
  const set: SetWords = (text, look, room) => textBlock([{ text, look: sized.style[look] }], room, typesetter)
  const { finish } = sized.style.treatment
  const arrange = (s: Sized) => row.arrange(s, set, order)
  const arranged = asItStood ?? (finish ? finishes[finish](sized, arrange, set) : arrange(sized))
  const long = row.bars ? stretched(sized, arranged.boxes, row.bars) : arranged.boxes
  const boxes = makeRoom(sized.nodes, long, sized.style.gap.beside / 2)
  return {
    ...sized,
    flow: sized.style.connector.form === 'straight' ? straightened(arranged.flow) : arranged.flow,
    decor: arranged.decor,
    links: arranged.hidden ? sized.links.filter((l) => !arranged.hidden?.has(l.id)) : sized.links,
    starts: arranged.starts ?? [],
    nodes: sized.nodes.map((n) => {
      const box = boxes.get(n.id)
      if (!box) throw new Error(`layout: arrangement ${row.id} did not place ${n.id}`)
      const placed = { ...n, box, width: box.width, height: box.height }
      return arranged.heads?.has(n.id) ? { ...placed, shape: 'plain' } : placed
    }),
  }
}

/** Where places alone say what belongs together there is nothing to straighten; a list hangs on its rule, and a ring is round. */
const straightened = (flow: Flow): Flow =>
  flow === 'unlinked' || flow === 'outline' || flow === 'ring' ? flow : 'straight'

/** The same picture with one node elsewhere: what a drag shows before it is dropped. */
export const withNodeAt = (placed: Placed, id: NodeId, box: Box): Placed => ({
  ...placed,
  nodes: placed.nodes.map((n) => (n.id === id ? { ...n, box: { ...box, width: n.width, height: n.height } } : n)),
})
