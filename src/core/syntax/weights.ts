/** The file of the parser: labels, norms and matrices, as `scripts/syntax/export.py` writes them. */
import { z } from 'zod'

const header = z.object({
  seeds: z.array(z.number()),
  tags: z.array(z.string()),
  moves: z.array(z.string()),
  /** Norms of words by the hash of the word, 16 hexadecimal digits. */
  norms: z.record(z.string(), z.string()),
  /** Norms of marks and currencies. */
  marks: z.record(z.string(), z.string()),
  /** Norms of the halves of contractions. */
  clitics: z.record(z.string(), z.string()),
  /** Strings whose number is not their hash. */
  symbols: z.record(z.string(), z.number()),
  matrices: z.record(z.string(), z.object({ shape: z.array(z.number()), rows: z.number().nullable(), at: z.number() })),
})

/** A matrix row by row; of bytes, each with the scale of its row, or of plain numbers. */
export type Bytes = { readonly values: Int8Array; readonly scales: Float32Array; readonly width: number }
export type Weights = Omit<z.infer<typeof header>, 'matrices'> & {
  readonly bytes: (name: string) => Bytes
  readonly numbers: (name: string) => Float32Array
}

/** Thrown for a file that is no such file; the page says that it has to be loaded again. */
export class UnreadableWeights extends Error {}

export function weightsOf(file: Uint8Array): Weights {
  const length = file.byteLength > 4 ? new DataView(file.buffer, file.byteOffset).getUint32(0, true) : 0
  if (length === 0 || length > file.byteLength) throw new UnreadableWeights('The file of the parser is cut or damaged.')
  const { matrices, ...head } = header.parse(JSON.parse(new TextDecoder().decode(file.subarray(4, 4 + length))))
  // A copy that begins at a multiple of four, wherever the bytes came from.
  const data = new Uint8Array(file.subarray(4 + length)).buffer
  const entry = (name: string) => {
    const m = matrices[name]
    if (!m) throw new UnreadableWeights(`The file of the parser has no ${name}.`)
    return { ...m, size: m.shape.reduce((a, b) => a * b, 1) }
  }
  const bytes = (name: string): Bytes => {
    const { rows, at, size } = entry(name)
    if (rows === null) throw new UnreadableWeights(`${name} is not of bytes.`)
    return {
      scales: new Float32Array(data, at, rows),
      values: new Int8Array(data, at + rows * 4, size),
      width: size / rows,
    }
  }
  const numbers = (name: string): Float32Array => {
    const { rows, at, size } = entry(name)
    if (rows === null) return new Float32Array(data, at, size)
    const { values, scales, width } = bytes(name)
    return Float32Array.from(values, (v, i) => v * (scales[Math.floor(i / width)] as number))
  }
  return { ...head, bytes, numbers }
}
