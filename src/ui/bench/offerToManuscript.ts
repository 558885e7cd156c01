/** Words changed in a figure are offered to the manuscript they came from. */
import { apply as applied, intoManuscript, reworded, type Edit } from '@/core/document'
import type { Figure } from '@/core/figure'
import { replaceWords } from '@/manuscript'
import type { OpenFolio } from '../folio/useFolio'
import type { Passage } from './usePassage'
import type { Work } from './work'
import { said } from '@/core/words'

type Changed = {
  readonly folio: OpenFolio
  readonly passage: Passage | null
  readonly figure: Figure
  readonly edit: Edit
  readonly change: (edit: Edit) => void
  readonly tell: Work['tell']
}

/** Offers it where one node was reworded that stands in the passage in its very words, and the passage has not drifted. */
export function offerToManuscript({ folio, passage, figure, edit, change, tell }: Changed): void {
  const [id, ...more] = reworded(edit)
  const { passage: read, wasRead } = figure
  if (id === undefined || more.length > 0 || !passage || !read) return
  if (passage.text !== wasRead.text.slice(read.start, read.end)) return
  const written = intoManuscript(applied(figure, edit).figure, id)
  if (!written) return
  tell(said('Changed in the figure only.'), {
    label: said('Put it into the manuscript, too'),
    run: () => {
      const [start, end] = [written.span.start, written.span.end].map((at) => at - read.start + passage.span.start) as [
        number,
        number,
      ]
      const isThere =
        passage.projection.text.slice(start, end) === wasRead.text.slice(written.span.start, written.span.end)
      const put =
        isThere && folio.doc.transact(() => replaceWords(passage.projection, { start, end }, written.words), 'person')
      if (put) change(written.edit)
      else tell(said('The manuscript has changed meanwhile. Change it there; the figure will tell what has drifted.'))
    },
  })
}
