/** The stages from figure to picture, in order. `readings` (text to figures) is the other half; see `core/propose`. */
import type { Figure } from './figure'
import { fittedLayout } from './fit'
import type { Typesetter } from './measure'
import { route, type Routed } from './route'
import { scene, type Scene } from './scene'
import { styleOf, type Theme } from './style'

export function routedFigure(figure: Figure, theme: Theme, typesetter: Typesetter): Routed {
  const style = styleOf(figure, theme)
  const placed = inStage('measure and layout', () => fittedLayout(figure, style, typesetter))
  return inStage('route', () => route(placed))
}

export const sceneOf = (figure: Figure, theme: Theme, typesetter: Typesetter): Scene => {
  const routed = routedFigure(figure, theme, typesetter)
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
