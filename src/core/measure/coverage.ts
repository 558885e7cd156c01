/** Which font serves which character: from a table made of the fonts that ship (`npm run coverage`), never from which of them
 *  happen to be loaded. */
import { Blob, Face } from 'harfbuzzjs'
import { graphemeSegments } from 'unicode-segmenter/grapheme'
import { isShippedFont, type FontKey, type ShippedFont } from '../style'
import table from './fontCoverage.json' with { type: 'json' }

/** The characters of a font file as ranges of code points in hexadecimal: `20-7e,a0,…`. */
export function coverageOf(data: Uint8Array): string {
  const codes = [...new Face(new Blob(data)).collectUnicodes()].toSorted((a, b) => a - b)
  const ranges: [number, number][] = []
  for (const c of codes) {
    const last = ranges.at(-1)
    if (last && last[1] === c - 1) last[1] = c
    else ranges.push([c, c])
  }
  return ranges.map(([a, b]) => (a === b ? a.toString(16) : `${a.toString(16)}-${b.toString(16)}`)).join(',')
}

/** First and last code points of the ranges, in order. */
const rangesOf = (coverage: string): Uint32Array =>
  Uint32Array.from(
    coverage.split(',').flatMap((r) => {
      const [from, to] = r.split('-').map((h) => parseInt(h, 16))
      return [from as number, (to ?? from) as number]
    }),
  )

const covered: Readonly<Record<ShippedFont, Uint32Array>> = Object.fromEntries(
  Object.entries(table).map(([key, coverage]) => [key, rangesOf(coverage)]),
) as Record<ShippedFont, Uint32Array>

export function shippedHas(font: ShippedFont, code: number): boolean {
  const ranges = covered[font]
  let [low, high] = [0, ranges.length / 2 - 1]
  while (low <= high) {
    const middle = (low + high) >> 1
    if (code < (ranges[2 * middle] as number)) high = middle - 1
    else if (code > (ranges[2 * middle + 1] as number)) low = middle + 1
    else return true
  }
  return false
}

/** Joiners and variation selectors have no glyph of their own. */
export const isIgnorable = (c: number): boolean =>
  c === 0x200c || c === 0x200d || c === 0xad || (c >= 0xfe00 && c <= 0xfe0f)

/** The first font of the chain that has every character of a cluster; the first that ships where none has. */
export function fontFor(
  cluster: string,
  chain: readonly FontKey[],
  has: (font: FontKey, code: number) => boolean,
): FontKey {
  const needed = [...cluster].map((c) => c.codePointAt(0) as number).filter((c) => !isIgnorable(c))
  return chain.find((k) => needed.every((c) => has(k, c))) ?? (chain.find(isShippedFont) as FontKey)
}

/** The grapheme clusters of a text (UAX #29), by the tables of a package, which are the same in every engine. */
export const clustersOf = (text: string): readonly { readonly segment: string; readonly index: number }[] =>
  [...graphemeSegments(text)].map(({ segment, index }) => ({ segment, index }))
