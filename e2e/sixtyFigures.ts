/** Figures of all kinds over arrangements, treatments, house styles, light and dark: the demo's, as slides. */
import type { Figure } from '../src/core/figure'
import { arrangementsFor } from '../src/core/layout'
import { houseStyles, plainWardrobe, treatmentsFor, type Wardrobe } from '../src/core/style'
import { chapters, figureOf } from '../src/server/demoChapters'
import { sheetPassages as passages } from '../scripts/sheetPassages'

export type Dressed = { readonly figure: Figure; readonly wardrobe: Wardrobe; readonly name: string }

export function sixtyFigures(count = 60): Dressed[] {
  const all = [
    ...chapters.flatMap((c) => c.figures.map((f) => figureOf(c.text, f, f.title).figure)),
    ...passages.map(
      (p) =>
        figureOf(p.text, { ...p, from: p.text.split('\n')[0] ?? '', to: p.text.split('\n').at(-1) ?? '' }, p.title)
          .figure,
    ),
  ]
  const styles = Object.keys(houseStyles)
  return Array.from({ length: count }, (_, i) => {
    const base = all[(i * 5 + 3) % all.length] as Figure
    const arrangements = arrangementsFor(base)
    const figure: Figure = {
      ...base,
      id: `f${i}`,
      frame: 'slide-16x9',
      arrangement: arrangements[i % arrangements.length]?.id ?? '',
    }
    const treatments = treatmentsFor(figure)
    const treatment = treatments[(i * 3) % treatments.length]?.id ?? ''
    const style = styles[(i * 5) % styles.length] as string
    const wardrobe = { ...plainWardrobe(i % 4 === 3 ? 'dark' : 'light'), style }
    return {
      figure: { ...figure, dress: { treatment, titled: i % 2 === 0 } },
      wardrobe,
      name: `${i} ${figure.kind} ${figure.arrangement} ${treatment} ${style} ${wardrobe.theme}`,
    }
  })
}
