/** Where sentences end: the rules SB3 to SB11 of UAX #29 (Unicode Text Segmentation, 5.1), over character properties. Engines
 *  ship segmenters of their own, whose rules change with every release; these do not. */

type Class =
  'sep' | 'sp' | 'lower' | 'upper' | 'letter' | 'number' | 'aterm' | 'continue' | 'sterm' | 'close' | 'extend' | 'other'

/** The property Sentence_Break, first match: its classes as they are derived from others in the annex. */
const CLASSES: readonly (readonly [Class, RegExp])[] = [
  ['extend', /^[\p{M}\p{Cf}]$/u],
  ['sep', /^[\n\r\u0085\u2028\u2029]$/u],
  ['sp', /^\p{White_Space}$/u],
  ['lower', /^\p{Lowercase}$/u],
  ['upper', /^[\p{Lt}\p{Uppercase}]$/u],
  ['letter', /^[\p{Alphabetic}\u05f3]$/u],
  ['number', /^\p{Nd}$/u],
  ['aterm', /^[.\u2024\ufe52\uff0e]$/u],
  [
    'continue',
    /^[,:;\-\u055d\u060c\u060d\u07f8\u1802\u1808\u2013\u2014\u3001\ufe10\ufe11\ufe13\ufe31\ufe32\ufe50\ufe51\ufe54\ufe55\ufe58\ufe63\uff0c\uff0d\uff1a\uff1b\uff64]$/u,
  ],
  ['sterm', /^\p{Sentence_Terminal}$/u],
  ['close', /^[\p{Ps}\p{Pe}\p{Pi}\p{Pf}"'\u2e42\u301d-\u301f\u275b-\u2760\u{1f676}-\u{1f678}]$/u],
]

type Sign = { readonly at: number; readonly is: Class }

/** Offsets at which a sentence begins, the first of them 0. */
export function sentenceStarts(text: string): number[] {
  const signs = signsOf(text)
  const out = [0]
  for (let i = 0; i < signs.length; i++) {
    const is = classAt(signs, i)
    if (is === 'sep') out.push(afterSeparator(text, signs, i))
    if (is !== 'aterm' && is !== 'sterm') continue
    const end = endAfter(text, signs, i)
    if (end.breaks) out.push(end.breaks)
    i = end.next - 1
  }
  return [...new Set(out)].filter((at) => at === 0 || at < text.length)
}

/** Signs that count: marks and format characters belong to what stands before them (SB5). */
function signsOf(text: string): Sign[] {
  const known = new Map<string, Class>()
  const out: Sign[] = []
  let at = 0
  for (const c of text) {
    const is = known.get(c) ?? CLASSES.find(([, pattern]) => pattern.test(c))?.[0] ?? 'other'
    known.set(c, is)
    const before = out.at(-1)
    if (is !== 'extend' || !before || before.is === 'sep') out.push({ at, is: is === 'extend' ? 'other' : is })
    at += c.length
  }
  return out
}

const classAt = (signs: readonly Sign[], i: number): Class | undefined => signs[i]?.is
const offsetOf = (text: string, signs: readonly Sign[], i: number): number => signs[i]?.at ?? text.length

/** SB3, SB4: a carriage return and its line feed are one. */
const afterSeparator = (text: string, signs: readonly Sign[], i: number): number => {
  const at = offsetOf(text, signs, i)
  return text.startsWith('\r\n', at) ? at + 2 : offsetOf(text, signs, i + 1)
}

/** After a terminator at `i`: the offset of a break, or 0 for none, and the first sign that has not been looked at. */
function endAfter(text: string, signs: readonly Sign[], i: number): { readonly breaks: number; readonly next: number } {
  const isDot = classAt(signs, i) === 'aterm'
  const [before, behind] = [classAt(signs, i - 1), classAt(signs, i + 1)]
  // SB6 "3.4", SB7 "U.S"
  if (isDot && behind === 'number') return { breaks: 0, next: i + 1 }
  if (isDot && behind === 'upper' && (before === 'upper' || before === 'lower')) return { breaks: 0, next: i + 1 }
  // SB9 to SB11: quotes and brackets that close, spaces, one separator.
  let k = i + 1
  while (classAt(signs, k) === 'close') k++
  while (classAt(signs, k) === 'sp') k++
  const next = classAt(signs, k)
  if (next === undefined) return { breaks: 0, next: k }
  if (next === 'sep') return { breaks: afterSeparator(text, signs, k), next: k + 1 }
  // SB8a, SB8
  if (next === 'continue' || next === 'aterm' || next === 'sterm') return { breaks: 0, next: k }
  if (isDot && goesOnSmall(signs, k)) return { breaks: 0, next: k }
  return { breaks: offsetOf(text, signs, k), next: k }
}

/** SB8: the next letter, with nothing that ends a sentence before it, is a small one. */
function goesOnSmall(signs: readonly Sign[], from: number): boolean {
  for (let k = from; k < signs.length; k++) {
    const is = classAt(signs, k)
    if (is === 'lower') return true
    if (is === 'letter' || is === 'upper' || is === 'sep' || is === 'aterm' || is === 'sterm') return false
  }
  return false
}
