const ROMAN: readonly (readonly [number, string])[] = [
  [100, 'c'],
  [90, 'xc'],
  [50, 'l'],
  [40, 'xl'],
  [10, 'x'],
  [9, 'ix'],
  [5, 'v'],
  [4, 'iv'],
  [1, 'i'],
]

/** A place in an order as it is written: 4 or iv. */
export function ordinal(place: number, numerals: 'arabic' | 'roman'): string {
  if (numerals === 'arabic') return `${place}`
  let [rest, out] = [place, '']
  for (const [value, letters] of ROMAN)
    while (rest >= value) {
      out += letters
      rest -= value
    }
  return out
}
