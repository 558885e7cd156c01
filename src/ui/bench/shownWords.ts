/** The words of a part as they stand on the stage: in the language the figure is shown in, where it has them. */
import { setWordings, type Edit } from '@/core/document'
import { wordingOf, type Figure } from '@/core/figure'
import { partWords } from './partWords'
import type { Part } from './selection'

export type ShownWords = {
  /** The language typed in; null for the figure's own. */
  readonly language: string | null
  readonly value: string
  readonly write: (words: string) => Edit
}

/** The language a figure is shown in, where that is not its own. */
export function shownLanguage(figure: Figure, ofFolio: string | null): string | null {
  const shown = figure.shownIn ?? ofFolio
  return shown && shown !== figure.language && figure.wordings?.[shown] ? shown : null
}

export function shownWords(figure: Figure, { kind, id }: Part, ofFolio: string | null): ShownWords {
  const { read, write, key } = partWords[kind]
  const source = read(figure, id) ?? ''
  const language = shownLanguage(figure, ofFolio)
  // What has no words yet is given its own first: a translation is of something.
  if (language === null || source === '')
    return { language: null, value: source, write: (words) => write(figure, id, words) }
  return {
    language,
    value: wordingOf(figure, language, key(id))?.text ?? source,
    write: (words) => setWordings(figure, language, { [key(id)]: words }),
  }
}
