/** Where nodes stand, how large they are, and which lies on which. */
import { all, lifted, release, releaseAll, resize, tidy, type Edit } from '@/core/document'
import type { Point } from '@/core/geometry'
import { nodesIn } from '../selection'
import type { Hands } from './hands'

/** A step by which a node is made larger, in px of the layout. */
const GROWS = 12

export function placing({ figure, scene, apply, selection }: Hands) {
  const nodes = nodesIn(selection)
  return {
    /** Larger or smaller by a step, sideways or upright. */
    grow: (by: Point) =>
      apply(
        all(
          ...nodes.map((id): Edit | null => {
            const box = figure.nodes[id]?.size ?? scene?.places.boxes[id]
            return box ? resize(id, { width: box.width + by.x * GROWS, height: box.height + by.y * GROWS }) : null
          }),
        ),
      ),
    toWords: () => apply(all(...nodes.map((id) => resize(id, null)))),
    lift: (to: 'front' | 'back') => apply(lifted(figure, nodes, to)),
    release: () => apply(all(...nodes.map(release))),
    releaseAll: () => apply(releaseAll(figure)),
    tidy: () => apply(tidy(figure)),
    tidySelected: () =>
      apply(
        figure.places
          ? all(...nodes.map(release), {
              do: 'setFigure',
              set: { places: { ...figure.places, boxes: withoutKeys(figure.places.boxes, nodes) } },
            })
          : all(...nodes.map(release)),
      ),
  }
}

const withoutKeys = <T>(record: Readonly<Record<string, T>>, keys: readonly string[]): Record<string, T> =>
  Object.fromEntries(Object.entries(record).filter(([k]) => !keys.includes(k)))
