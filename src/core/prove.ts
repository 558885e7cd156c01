/** The proof of a folio: each figure by itself, as it is drawn, and beside the others and the text. */
import type { Figure, FigureId, FigureKind } from './figure'
import { routedFigure } from './pipeline'
import { beginsWithVerb, englishWords, namesPerson } from './reading'
import {
  figureFindings,
  folioFindings,
  lookedAt,
  pictureFindings,
  worstFirst,
  type Finding,
  type Grammar,
} from './proof'
import type { Typesetter } from './measure'
import { scene } from './scene'
import type { Wardrobe } from './style'

export type Proved = {
  readonly text: string
  /** In the order of the text. */
  readonly figures: readonly Figure[]
  readonly passages: ReadonlyMap<FigureId, string | null>
  readonly terms: readonly string[]
  /** What a passage reads as, of a kind; where reading is at hand. */
  readonly reread?: (text: string, kind: FigureKind) => Figure | null
}

const english: Grammar = {
  beginsWithVerb: (label) => beginsWithVerb(label, englishWords()),
  namesPerson: (label) => namesPerson(label, englishWords()),
}
const grammarOf = (figure: Figure): Grammar | null => (figure.language.startsWith('en') ? english : null)

/** What is wrong with one figure, by itself and as it is drawn. `set` is a typesetter with the fonts the figure needs. */
export function proveFigure(figure: Figure, wardrobe: Wardrobe, set: Typesetter): Finding[] {
  const looked = lookedAt(figure, grammarOf(figure))
  const redrawn = (f: Figure) => routedFigure(f, wardrobe, set)
  const routed = redrawn(figure)
  const picture =
    Object.keys(figure.nodes).length === 0 ? [] : pictureFindings({ looked, routed, scene: scene(routed), redrawn })
  return worstFirst([...figureFindings(looked), ...picture])
}

/** What is wrong with figures and text together. */
export function proveTogether(folio: Proved): Finding[] {
  const readAs = (id: FigureId): Figure | null => {
    const [figure, text] = [folio.figures.find((f) => f.id === id), folio.passages.get(id)]
    return (figure && text && folio.reread?.(text, figure.kind)) || null
  }
  return worstFirst(folioFindings({ ...folio, readAs, figures: folio.figures.map((f) => lookedAt(f, grammarOf(f))) }))
}
