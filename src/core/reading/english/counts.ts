/** Numbers in words and figures. */
const WORDS: readonly string[] = 'one two three four five six seven eight nine ten'.split(' ')
const MORE: Readonly<Record<string, number>> = { twenty: 20, hundred: 100 }

/** "three" and "3" are 3; null for what is no number. */
export function countOf(word: string): number | null {
  const at = WORDS.indexOf(word.toLowerCase())
  if (at >= 0) return at + 1
  const n = MORE[word.toLowerCase()] ?? (/^\d+(?:\.\d+)?$/.test(word) ? Number(word) : null)
  return n
}
