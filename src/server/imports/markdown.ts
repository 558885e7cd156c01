/** Blocks of any document as the Markdown that the manuscript is made of. */
export type Piece = { readonly text: string; readonly strong?: boolean; readonly em?: boolean }
export type DocBlock =
  | { readonly block: 'heading'; readonly level: number; readonly pieces: readonly Piece[] }
  | { readonly block: 'paragraph'; readonly pieces: readonly Piece[] }
  | {
      readonly block: 'item'
      readonly depth: number
      readonly number: number | null
      readonly pieces: readonly Piece[]
    }
  | { readonly block: 'table'; readonly rows: readonly (readonly (readonly Piece[])[])[] }

export function markdownOfBlocks(blocks: readonly DocBlock[]): string {
  const out: string[] = []
  let inList = false
  for (const b of blocks) {
    const isItem = b.block === 'item'
    if (inList && !isItem) out.push('')
    inList = isItem
    if (b.block === 'table') {
      const rows = b.rows.map((r) => `| ${r.map((c) => inline(c).replace(/\|/g, '/')).join(' | ')} |`)
      if (rows.length > 0) out.push(...rows, '')
      continue
    }
    const words = isItem ? inline(b.pieces).replace(OWN_MARK, '') : inline(b.pieces)
    if (words === '') continue
    if (b.block === 'heading') out.push(`${'#'.repeat(Math.min(6, Math.max(1, b.level)))} ${bare(words)}`, '')
    else if (isItem)
      out.push(`${'   '.repeat(Math.min(12, b.depth))}${b.number === null ? '-' : `${b.number}.`} ${words}`)
    else out.push(words, '')
  }
  return `${out
    .join('\n')
    .replace(/\n{3,}/g, '\n\n')
    .trim()}\n`
}

/** Some programs write the mark of an item into its words as well. */
const OWN_MARK = /^(?:[•·▪◦‣]|\d{1,3}\.{1,2})\s*(?=\p{L})/u

/** A heading is strong by itself. */
const bare = (words: string): string => words.replace(/\*\*/g, '')

/** Part of a word: one asterisk there is a sign, not a mark. */
const touchesLetters = (pieces: readonly { readonly text: string }[], i: number): boolean => {
  const own = pieces[i]?.text ?? ''
  const letter = /[\p{L}\p{N}*_]/u
  const [before, after] = [pieces[i - 1]?.text.at(-1) ?? '', pieces[i + 1]?.text[0] ?? '']
  return (letter.test(before) && letter.test(own[0] ?? '')) || (letter.test(after) && letter.test(own.at(-1) ?? ''))
}

function inline(pieces: readonly Piece[]): string {
  const joined: { text: string; strong: boolean; em: boolean }[] = []
  for (const p of pieces) {
    const last = joined.at(-1)
    // Of words in both, the stronger is kept: Markdown here knows one mark at a time.
    const strong = p.strong ?? false
    const em = !strong && (p.em ?? false)
    if (last && ((last.strong === strong && last.em === em) || p.text.trim() === '')) last.text += p.text
    else joined.push({ text: p.text, strong, em })
  }
  const words = joined.map(({ text, strong, em }, i) => {
    const [, before = '', middle = '', after = ''] = /^(\s*)([\s\S]*?)(\s*)$/.exec(text) ?? []
    if (!middle || !(strong || (em && !touchesLetters(joined, i)))) return text
    const mark = strong ? '**' : '*'
    return `${before}${mark}${middle}${mark}${after}`
  })
  return words
    .join('')
    .replace(/[\s\u00a0]+/g, ' ')
    .trim()
}
