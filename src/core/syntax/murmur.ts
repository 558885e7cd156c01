/** The hashes that the parser's tables are addressed by, on 64-bit values held as two unsigned halves, low half first.
 *  After A. Appleby's MurmurHash2 (64A) and the finalizer of MurmurHash3; both are in the public domain. */

export type Half64 = readonly [low: number, high: number]

/** Product of two 64-bit numbers, modulo 2^64. */
function times([al, ah]: Half64, [bl, bh]: Half64): Half64 {
  const [a0, a1, b0, b1] = [al & 0xffff, al >>> 16, bl & 0xffff, bl >>> 16]
  const p00 = a0 * b0
  const p01 = a0 * b1
  const p10 = a1 * b0
  const middle = (p00 >>> 16) + (p01 & 0xffff) + (p10 & 0xffff)
  const low = ((middle << 16) | (p00 & 0xffff)) >>> 0
  const carry = a1 * b1 + (p01 >>> 16) + (p10 >>> 16) + (middle >>> 16)
  return [low, (carry + Math.imul(al, bh) + Math.imul(ah, bl)) >>> 0]
}
const plus = ([al, ah]: Half64, [bl, bh]: Half64): Half64 => {
  const low = al + bl
  return [low >>> 0, (ah + bh + (low > 0xffffffff ? 1 : 0)) >>> 0]
}
const xor = ([al, ah]: Half64, [bl, bh]: Half64): Half64 => [(al ^ bl) >>> 0, (ah ^ bh) >>> 0]
/** Logical shift to the right by 32 < n < 64. */
const shiftedFar = ([, high]: Half64, n: number): Half64 => [high >>> (n - 32), 0]
const rotated31 = ([low, high]: Half64): Half64 => [
  ((low << 31) | (high >>> 1)) >>> 0,
  ((high << 31) | (low >>> 1)) >>> 0,
]

const M: Half64 = [0x5bd1e995, 0xc6a4a793]
const utf8 = new TextEncoder()

/** MurmurHash64A of the UTF-8 bytes of a string. */
export function hash64(text: string, seed: number): Half64 {
  const bytes = utf8.encode(text)
  const word = (at: number): number =>
    ((bytes[at] ?? 0) | ((bytes[at + 1] ?? 0) << 8) | ((bytes[at + 2] ?? 0) << 16) | ((bytes[at + 3] ?? 0) << 24)) >>> 0
  let h = xor([seed, 0], times([bytes.length, 0], M))
  const whole = bytes.length - (bytes.length % 8)
  for (let at = 0; at < whole; at += 8) {
    let k = times([word(at), word(at + 4)], M)
    k = times(xor(k, shiftedFar(k, 47)), M)
    h = times(xor(h, k), M)
  }
  if (whole < bytes.length) h = times(xor(h, [word(whole), word(whole + 4)]), M)
  h = times(xor(h, shiftedFar(h, 47)), M)
  return xor(h, shiftedFar(h, 47))
}

const mixed = (h: Half64): Half64 => {
  let x = times(xor(h, shiftedFar(h, 33)), [0xed558ccd, 0xff51afd7])
  x = times(xor(x, shiftedFar(x, 33)), [0x1a85ec53, 0xc4ceb9fe])
  return xor(x, shiftedFar(x, 33))
}

/** Four 32-bit keys of a 64-bit value: 128 bits of MurmurHash3 over its eight bytes. */
export function keysOf(value: Half64, seed: number): readonly [number, number, number, number] {
  let h1 = times(rotated31(times(value, [0x114253d5, 0x87c37b91])), [0x2745937f, 0x4cf5ad43])
  let h2: Half64 = [(seed ^ 8) >>> 0, 0]
  h1 = plus(xor(xor(h1, [seed, 0]), [8, 0]), h2)
  h2 = plus(h2, h1)
  h1 = mixed(h1)
  h2 = mixed(h2)
  h1 = plus(h1, h2)
  h2 = plus(h2, h1)
  return [...h1, ...h2]
}
