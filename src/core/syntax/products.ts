/** Products of matrices in WebAssembly, where four numbers are multiplied at once. Matrices stay in its memory; what they are
 *  multiplied with is laid down behind them. */
import { KERNEL } from './kernel'

export type Matrix = { readonly at: number; readonly rows: number; readonly width: number }
export type Products = {
  /** Keeps a matrix, row by row; the width is a multiple of 4. */
  readonly keep: (values: Float32Array, width: number) => Matrix
  /** For each of `rows` rows of x, the first `m.width` numbers from it on, the products with all rows of `m`. Rows begin
   *  `step` numbers apart. */
  readonly multiply: (m: Matrix, x: Float32Array, rows: number, step: number) => Float32Array
}

type Multiply = (x: number, step: number, rows: number, w: number, width: number, out: number, y: number) => void
const PAGE = 65_536
const BLOCK = 4

export function createProducts(): Products {
  const bytes = Uint8Array.from(atob(KERNEL), (c) => c.charCodeAt(0))
  const { exports } = new WebAssembly.Instance(new WebAssembly.Module(bytes))
  const memory = exports.memory as WebAssembly.Memory
  const run = exports.multiply as Multiply
  let kept = 0
  const reserve = (end: number): void => {
    const lacking = end - memory.buffer.byteLength
    if (lacking > 0) memory.grow(Math.ceil(lacking / PAGE))
  }
  return {
    keep: (values, width) => {
      const at = kept
      kept += values.byteLength
      reserve(kept)
      new Float32Array(memory.buffer, at, values.length).set(values)
      return { at, rows: values.length / width, width }
    },
    multiply: (m, x, rows, step) => {
      const whole = Math.ceil(rows / BLOCK) * BLOCK
      const room = Math.max(x.length, (whole - 1) * step + m.width) * 4
      const out = kept + room
      reserve(out + whole * m.rows * 4)
      new Float32Array(memory.buffer, kept, x.length).set(x)
      run(kept, step * 4, whole, m.at, m.width * 4, m.rows, out)
      return new Float32Array(memory.buffer, out, rows * m.rows).slice()
    },
  }
}
