/** How a word could be a verb: its base form and how often it is one, from the lexicon. */
import type { VerbClass, WordLists } from './words'

export type Form = 'base' | 's' | 'ed' | 'ing'
export type VerbReading = { readonly base: string; readonly form: Form; readonly strength: VerbClass }

/** How a word could be a verb, or null. Tries the doubled and the undoubled stem. */
export function verbReading(lower: string, lexicon: WordLists): VerbReading | null {
  const known = lexicon.verbClass.get(lower)
  const irregular = lexicon.irregular.get(lower)
  if (irregular) return { base: irregular, form: 'ed', strength: lexicon.verbClass.get(irregular) ?? 'leaning' }
  if (known) return { base: lower, form: 'base', strength: known }
  for (const [form, stems] of stemsOf(lower))
    for (const base of stems) {
      const strength = lexicon.verbClass.get(base)
      if (strength) return { base, form, strength }
    }
  // "relabelled", "reopens": do again what the rest of the word says.
  const again = /^re-?(?=\p{L}{4})/u.exec(lower)
  const plain = again && verbReading(lower.slice(again[0].length), lexicon)
  return plain && plain.strength !== 'rare' ? { ...plain, base: again[0] + plain.base } : null
}

function stemsOf(w: string): [Form, string[]][] {
  const out: [Form, string[]][] = []
  if (/ies$/.test(w)) out.push(['s', [w.slice(0, -3) + 'y']])
  if (/(?:s|x|z|ch|sh|o)es$/.test(w)) out.push(['s', [w.slice(0, -2), w.slice(0, -1)]])
  else if (/[^s]s$/.test(w)) out.push(['s', [w.slice(0, -1)]])
  if (/ied$/.test(w)) out.push(['ed', [w.slice(0, -3) + 'y']])
  if (/ed$/.test(w)) out.push(['ed', withStem(w.slice(0, -2), w.slice(0, -1))])
  if (/ing$/.test(w)) out.push(['ing', withStem(w.slice(0, -3), w.slice(0, -3) + 'e')])
  return out
}
const withStem = (bare: string, withE: string): string[] =>
  /([bdfglmnprt])\1$/.test(bare) ? [bare.slice(0, -1), bare, withE] : [bare, withE]
