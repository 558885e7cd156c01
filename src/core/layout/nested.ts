/** Arrangement `nested` of hierarchies: every parent a field that holds its children, its own words at the head. Children
 *  stand in rows; of the numbers of columns the one is taken whose field comes closest to the frame's proportions. */
import type { Box, Size } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import { forest } from './forest'
import { closestTo, columnCounts, frameAspect } from './frameAspect'
import type { Arranged, Decor } from './placed'

type Nest = Size & {
  /** Boxes and fields from the nest's own top left corner. */
  readonly boxes: readonly (readonly [string, Box])[]
  readonly fields: readonly { readonly box: Box; readonly level: number }[]
}

export const nested = (sized: Sized): Arranged => inFields(sized, (n) => n)

/** How wide a box by value is to its height. */
const BROAD = 2

/** Arrangement `byValue`: the same with the box of every leaf as large as its value, all in one proportion, so that areas can be
 *  compared over the whole figure; as small as their words allow. */
export function byValue(sized: Sized): Arranged {
  const { childrenOf } = forest(sized)
  const leaves = sized.nodes.filter((n) => childrenOf(n).length === 0 && n.weight > 0)
  const room = (n: SizedNode): number => Math.max((n.width * n.width) / BROAD, n.height * n.height * BROAD) / n.weight
  const perUnit = Math.max(0, ...leaves.map(room))
  return inFields(sized, (n) => {
    const area = n.weight * perUnit
    return leaves.includes(n) ? { width: Math.sqrt(area * BROAD), height: Math.sqrt(area / BROAD) } : n
  })
}

/** `leafSize` is how large a box without children is. */
function inFields(sized: Sized, leafSize: (n: SizedNode) => Size): Arranged {
  const { roots, childrenOf } = forest(sized)
  const pad = sized.style.body.size * 0.8
  const aspect = frameAspect(sized)
  const nestOf = (n: SizedNode, level: number): Nest => {
    const kids = childrenOf(n).map((c) => nestOf(c, level + 1))
    const { width: w, height: h } = kids.length === 0 ? leafSize(n) : n
    const own: Box = { x: 0, y: 0, width: w, height: h }
    if (kids.length === 0) return { ...own, boxes: [[n.id, own]], fields: [] }
    const inner = packed(kids, pad, aspect * 1.1)
    const width = Math.max(n.width, inner.width) + 2 * pad
    const height = n.height + inner.height + 3 * pad
    const inside = moved(inner, (width - inner.width) / 2, n.height + 2 * pad)
    return {
      width,
      height,
      boxes: [[n.id, { ...own, x: (width - n.width) / 2, y: pad }], ...inside.boxes],
      fields: [{ box: { x: 0, y: 0, width, height }, level }, ...inside.fields],
    }
  }
  const whole = packed(
    roots.map((r) => nestOf(r, 0)),
    pad * 1.5,
    aspect,
  )
  const decor = whole.fields.map(({ box, level }): Decor => ({
    kind: 'field',
    box,
    tint: level % 2 === 0 ? 0 : null,
    level: sized.style.colouring === 'level' ? level : null,
  }))
  const heads = new Set(sized.nodes.filter((n) => childrenOf(n).length > 0).map((n) => n.id))
  return { boxes: new Map(whole.boxes), flow: 'unlinked', decor, heads }
}

const moved = (n: Nest, dx: number, dy: number): Nest => {
  const by = (b: Box): Box => ({ ...b, x: b.x + dx, y: b.y + dy })
  return {
    ...n,
    boxes: n.boxes.map(([id, b]) => [id, by(b)] as const),
    fields: n.fields.map((f) => ({ ...f, box: by(f.box) })),
  }
}

const packed = (nests: readonly Nest[], gap: number, aspect: number): Nest =>
  closestTo(
    aspect,
    columnCounts(nests.length).map((columns) => inRows(nests, columns, gap)),
    (n) => n,
  )

/** Each row as high as its highest nest and centred. */
function inRows(nests: readonly Nest[], columns: number, gap: number): Nest {
  const rows = Array.from({ length: Math.ceil(nests.length / columns) }, (_, r) =>
    nests.slice(r * columns, (r + 1) * columns),
  )
  const widthOf = (row: readonly Nest[]) => row.reduce((s, n) => s + n.width + gap, -gap)
  const width = Math.max(0, ...rows.map(widthOf))
  let top = 0
  const set = rows.flatMap((row) => {
    let left = (width - widthOf(row)) / 2
    const height = Math.max(...row.map((n) => n.height))
    const out = row.map((n) => {
      const at = moved(n, left, top)
      left += n.width + gap
      return at
    })
    top += height + gap
    return out
  })
  return { width, height: top - gap, boxes: set.flatMap((n) => n.boxes), fields: set.flatMap((n) => n.fields) }
}
