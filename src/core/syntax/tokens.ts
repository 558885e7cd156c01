/** The pieces of English words that the parser knows as tokens: "don't" is do and n't, "Teal's" is Teal and 's, "well-known"
 *  is three. */

/** Where a piece of a word begins and ends, within the word. */
export type Piece = { readonly start: number; readonly end: number; readonly text: string }

const CLITIC = /(?<=\p{L})(?:n['’]t|['’](?:s|re|ve|ll|d|m))$/iu
const GLUED: ReadonlyMap<string, number> = new Map([
  ['cannot', 3],
  ['gonna', 3],
  ['gotta', 3],
])
/** Between letters a hyphen or a slash stands for itself; between digits it does not. */
const JOINT = /(?<=\p{L})[-–—/](?=\p{L})/gu
const UNIT = /^(\p{N}[\p{N}.,]*)(%|am|pm|kg|km|cm|mm|mg|m|g|l|h)$/iu

/** The pieces of one word, in order; the whole word where nothing is to be cut. */
export function piecesOf(word: string): Piece[] {
  const cuts = new Set<number>()
  const glued = GLUED.get(word.toLowerCase())
  const clitic = CLITIC.exec(word)
  const unit = UNIT.exec(word)
  if (glued !== undefined) cuts.add(glued)
  if (clitic && clitic.index > 0) cuts.add(clitic.index)
  if (unit) cuts.add((unit[1] as string).length)
  if (word.toLowerCase() !== 'and/or') for (const m of word.matchAll(JOINT)) cuts.add(m.index).add(m.index + 1)
  const at = [0, ...[...cuts].sort((a, b) => a - b), word.length]
  return at.slice(1).map((end, i) => ({ start: at[i] as number, end, text: word.slice(at[i], end) }))
}
