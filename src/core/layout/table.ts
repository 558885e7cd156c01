/** Arrangement `table` of decisions: a column for every option, a row for every criterion, or for what speaks for and
 *  against; several words of one cell stand below each other. The choice itself stands at the corner. */
import type { Box } from '../geometry'
import type { Sized, SizedNode } from '../measure'
import type { Arranged, Decor, SetWords } from './placed'

export function table(sized: Sized, set: SetWords): Arranged {
  const { style } = sized
  const gap = style.body.size
  const node = new Map(sized.nodes.map((n) => [n.id, n]))
  const options = sized.nodes.filter((n) => n.role === 'option')
  const cells = sized.links.flatMap((l) => {
    const cell = node.get(l.to)
    const column = options.findIndex((o) => o.id === l.from)
    return cell && column >= 0 && !options.includes(cell) ? [{ cell, column, row: l.label?.text ?? '' }] : []
  })
  const names = [...new Set(cells.map((c) => c.row))]
  const placed = new Set([...options, ...cells.map((c) => c.cell)].map((n) => n.id))
  const corner = sized.nodes.filter((n) => !placed.has(n.id))
  const heads = names.map((n) => set(n, 'heading', style.wrap.question))
  const first = Math.max(0, ...corner.map((n) => n.width), ...heads.map((h) => h.width))
  const widths = options.map((o, c) =>
    Math.max(o.width, ...cells.filter((x) => x.column === c).map((x) => x.cell.width)),
  )
  const lefts = widths.map((_, c) => first + 2 * gap + widths.slice(0, c).reduce((s, w) => s + w + 2 * gap, 0))
  const whole = (lefts.at(-1) ?? 0) + (widths.at(-1) ?? 0)
  const boxes = new Map<string, Box>()
  const decor: Decor[] = []
  const stack = (list: readonly SizedNode[], left: number, width: number, top: number): number => {
    let y = top
    for (const n of list) {
      boxes.set(n.id, { x: left + (width - n.width) / 2, y, width: n.width, height: n.height })
      y += n.height + gap * 0.3
    }
    return list.length === 0 ? 0 : y - gap * 0.3 - top
  }
  const headHeight = Math.max(stack(corner, 0, first, 0), ...options.map((o) => o.height))
  options.forEach((o, c) => stack([o], lefts[c] as number, widths[c] as number, (headHeight - o.height) / 2))
  let top = headHeight + gap * 0.6
  names.forEach((name, r) => {
    decor.push({ kind: 'rule', from: { x: 0, y: top }, to: { x: whole, y: top } })
    top += gap * 0.6
    const inRow = options.map((_, c) => cells.filter((x) => x.column === c && x.row === name).map((x) => x.cell))
    const heights = inRow.map((list, c) => stack(list, lefts[c] as number, widths[c] as number, top))
    const head = heads[r] as (typeof heads)[number]
    const height = Math.max(head.height, ...heights)
    decor.push({ kind: 'words', centre: { x: first / 2, y: top + height / 2 }, block: head })
    top += height + gap * 0.6
  })
  return { boxes, flow: 'unlinked', decor }
}
