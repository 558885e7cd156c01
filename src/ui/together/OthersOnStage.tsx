import type { Scene } from '@/core/scene'
import type { Other } from '@/sync/presence'
import { Halo } from '../bench/Halo'

type Props = {
  readonly others: readonly Other[]
  readonly figure: string
  readonly scene: Scene
  readonly zoom: number
}

/** What others have selected of the figure, in their colours. */
export const OthersOnStage = ({ others, figure, scene, zoom }: Props) => (
  <g pointerEvents="none" aria-hidden="true">
    {others
      .filter((o) => o.place.figure === figure)
      .flatMap((o) =>
        (o.place.parts ?? []).flatMap((part) => {
          const box = scene.nodes.find((n) => n.id === part)?.box
          if (!box) return []
          const gap = 8 / zoom
          return [
            <g key={`${o.window} ${part}`}>
              <Halo box={box} zoom={zoom} colour={o.colour} />
              <text
                x={box.x - gap}
                y={box.y - gap - 4 / zoom}
                fontSize={12 / zoom}
                fontWeight={600}
                fill={o.colour}
                stroke="var(--paper)"
                strokeWidth={3 / zoom}
                paintOrder="stroke"
              >
                {o.name}
              </text>
            </g>,
          ]
        }),
      )}
  </g>
)
