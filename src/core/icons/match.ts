/** Icons for words: each word of a label votes for the icons that are named, tagged or, by WordNet, meant by it; rare words
 *  count more than common ones. In: a label and the index that `scripts/buildIcons` makes. Out: names, best first. */

/** Two families of drawings: in lines, and filled. */
export const iconFamilies = ['line', 'fill'] as const
export type IconFamily = (typeof iconFamilies)[number]

export type IconIndex = {
  /** `family/name`. */
  readonly icons: readonly string[]
  /** By word: places in `icons` and how much the word speaks for each, in turn, the strongest first. */
  readonly words: Readonly<Record<string, readonly number[]>>
  /** Words for persons and groups of them that speak for no icon of their own, with the word that does. */
  readonly stands: Readonly<Record<string, string>>
}

/** Words that stand in many labels and say little of what one could draw. */
const PALE =
  /^(?:a|an|the|of|to|in|on|at|by|for|with|and|or|is|are|be|it|its|from|as|into|all|any|each|every|new|do|does|your|our|their|his|her|not|no|this|that|one|two|three|within|per|up|off|out)$/

/** Forms under which a word may be known, itself first: without the endings of plurals and of verbs. */
export function formsOf(word: string): string[] {
  const cut = (ending: string, by: string) => (word.endsWith(ending) ? [word.slice(0, -ending.length) + by] : [])
  const doubled = /(.)\1(?:ing|ed)$/.test(word) ? [word.replace(/(.)\1(?:ing|ed)$/, '$1')] : []
  return [
    word,
    ...cut('ies', 'y'),
    ...cut('es', ''),
    ...cut('s', ''),
    ...doubled,
    ...cut('ing', ''),
    ...cut('ing', 'e'),
    ...cut('ed', ''),
    ...cut('ed', 'e'),
  ].filter((f, i, all) => f.length > 1 && all.indexOf(f) === i)
}

/** The words of the index that a word of a label is known by: itself, what stands for it, or the two it is made of. */
function knownAs(word: string, index: IconIndex): readonly (readonly [known: string, counts: number])[] {
  const find = (w: string) => formsOf(w).find((f) => Object.hasOwn(index.words, f))
  const own = find(word)
  if (own !== undefined) return [[own, 1]]
  const person = formsOf(word).find((f) => Object.hasOwn(index.stands, f))
  if (person !== undefined) return [[index.stands[person] as string, 0.7]]
  for (let at = word.length - 3; at >= 3; at--) {
    const [first, last] = [find(word.slice(0, at)), find(word.slice(at))]
    // Of two words that make one, the last says what it is.
    if (first !== undefined && last !== undefined)
      return [
        [last, 0.8],
        [first, 0.5],
      ]
  }
  return []
}

/** How much less a word weighs that speaks for many icons. */
const rarity = (postings: readonly number[]): number => 1 / (1 + Math.sqrt(postings.length / 2) * 0.12)
/** The first word of a label says what is done, the others to what. */
const FIRST = 0.8

export function iconsFor(label: string, index: IconIndex, family: IconFamily, most = 9): string[] {
  const words = (label.toLowerCase().match(/[a-z]+/g) ?? []).filter((w) => !PALE.test(w))
  const votes = new Map<number, number>()
  words.forEach((word, at) => {
    for (const [known, share] of knownAs(word, index)) {
      const postings = index.words[known] ?? []
      const counts = share * rarity(postings) * (at === 0 && words.length > 1 ? FIRST : 1)
      for (let i = 0; i < postings.length; i += 2) {
        const icon = postings[i] as number
        votes.set(icon, (votes.get(icon) ?? 0) + (postings[i + 1] as number) * counts)
      }
    }
  })
  return [...votes]
    .filter(([icon]) => index.icons[icon]?.startsWith(`${family}/`))
    .toSorted((a, b) => b[1] - a[1] || a[0] - b[0])
    .slice(0, most)
    .map(([icon]) => index.icons[icon] as string)
}
