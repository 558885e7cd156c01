/** The cell one is at in a table, and the block of cells that is marked from there. */
export type Cell = { readonly row: number; readonly column: number }
/** `at` is where keys go, `to` the far corner of what is marked. */
export type Cursor = { readonly at: Cell; readonly to: Cell }
export type Size = { readonly rows: number; readonly columns: number }

export const at = (row: number, column: number): Cursor => ({ at: { row, column }, to: { row, column } })

const clamp = (v: number, most: number): number => Math.max(0, Math.min(most, v))
const within = (c: Cell, size: Size): Cell => ({
  row: clamp(c.row, size.rows - 1),
  column: clamp(c.column, size.columns - 1),
})

export function moveCursor(
  c: Cursor,
  by: readonly [rows: number, columns: number],
  extend: boolean,
  size: Size,
): Cursor {
  const from = extend ? c.to : c.at
  const to = within({ row: from.row + by[0], column: from.column + by[1] }, size)
  return extend ? { ...c, to } : { at: to, to }
}

export type Block = { readonly top: number; readonly left: number; readonly bottom: number; readonly right: number }
export const blockOf = ({ at: a, to }: Cursor): Block => ({
  top: Math.min(a.row, to.row),
  bottom: Math.max(a.row, to.row),
  left: Math.min(a.column, to.column),
  right: Math.max(a.column, to.column),
})
export const isIn = (b: Block, row: number, column: number): boolean =>
  row >= b.top && row <= b.bottom && column >= b.left && column <= b.right

/** Where a key leads, by rows and columns; null for keys that lead nowhere. */
export const stepOf = (key: string, shift: boolean): readonly [number, number] | null => {
  const steps: Readonly<Record<string, readonly [number, number]>> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
    Tab: [0, shift ? -1 : 1],
    PageUp: [-15, 0],
    PageDown: [15, 0],
    Home: [0, -999],
    End: [0, 999],
  }
  return steps[key] ?? null
}
