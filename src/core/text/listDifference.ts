import diff from 'fast-diff'

/** So many in a row that are in both lists, in the first alone, or in the second alone. */
export type Stretch = { readonly is: 'same' | 'gone' | 'come'; readonly length: number }

/** As many letters as there are below the surrogates. */
const MOST_KINDS = 0xd7ff

/** What makes one list of texts another (Myers 1986, O(ND)): texts that are alike are one letter, so that it is a difference of
 *  letters. Lists with more kinds of texts than there are letters are taken as all gone and all come. */
export function listDifference(was: readonly string[], now: readonly string[]): readonly Stretch[] {
  const kinds = new Map<string, number>()
  const letters = (texts: readonly string[]): string =>
    texts
      .map((text) => {
        const kind = kinds.get(text) ?? kinds.size + 1
        kinds.set(text, kind)
        return String.fromCharCode(kind)
      })
      .join('')
  const [a, b] = [letters(was), letters(now)]
  if (kinds.size > MOST_KINDS)
    return [
      { is: 'gone', length: was.length },
      { is: 'come', length: now.length },
    ]
  return diff(a, b).map(([what, { length }]) => ({
    is: what === diff.EQUAL ? 'same' : what === diff.DELETE ? 'gone' : 'come',
    length,
  }))
}
