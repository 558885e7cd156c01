/** The stages from figure to picture, in order. `readings` (text to figures) is the other half; see `core/propose`. */
import { inLanguage, withData, type Figure } from './figure'
import { fittedLayouts } from './fit'
import type { Typesetter } from './measure'
import { crossingCount, route, type Routed } from './route'
import { scene, type Scene } from './scene'
import { styleOf, type Wardrobe } from './style'

/** Crossings that another order of the layers may save. */
const FEW = 6

export function routedFigure(given: Figure, wardrobe: Wardrobe, typesetter: Typesetter): Routed {
  const figure = withData(inLanguage(given, given.shownIn ?? wardrobe.language))
  const style = styleOf(figure, wardrobe)
  const layouts = fittedLayouts(figure, style, typesetter)
  let best: { readonly routed: Routed; readonly crossings: number } | null = null
  // Others only where few connectors cross: what is dense stays dense, and takes long.
  while (best === null || (best.crossings > 0 && best.crossings <= FEW)) {
    const next = inStage('measure and layout', () => layouts.next())
    if (next.done) break
    const routed = inStage('route', () => route(next.value))
    const crossings = crossingCount(routed.routes)
    if (!best || crossings < best.crossings) best = { routed, crossings }
  }
  if (!best) throw new Error(`figure ${figure.id} has no layout`)
  return best.routed
}

export const sceneOf = (figure: Figure, wardrobe: Wardrobe, typesetter: Typesetter): Scene => {
  const routed = routedFigure(figure, wardrobe, typesetter)
  return inStage('scene', () => scene(routed))
}

/** A fault inside a stage says which stage it was. */
function inStage<T>(stage: string, run: () => T): T {
  try {
    return run()
  } catch (error) {
    throw new Error(`stage ${stage} failed`, { cause: error })
  }
}
