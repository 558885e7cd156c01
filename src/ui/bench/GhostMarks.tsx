'use client'

import { compared } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'

const looks = {
  added: { stroke: 'var(--moss)', dash: '' },
  changed: { stroke: 'var(--brass)', dash: '' },
  moved: { stroke: 'var(--sea)', dash: '2 4' },
} as const

/** Two states of a figure compared on the picture of the later one: what came, what changed, what was moved; what went is
 *  listed below. */
export function ComparedMarks({
  before,
  after,
  scene,
  zoom,
}: {
  before: Figure
  after: Figure
  scene: Scene
  zoom: number
}) {
  const c = compared(before, after)
  const gone = c.gone.flatMap((id) => before.nodes[id]?.text ?? [])
  return (
    <g pointerEvents="none" fill="none" strokeWidth={3 / zoom}>
      {(['moved', 'changed', 'added'] as const).map((is) => (
        <g key={is} stroke={looks[is].stroke} strokeDasharray={looks[is].dash || undefined}>
          {scene.nodes
            .filter((n) => c[is].includes(n.id))
            .map((n) => (
              <rect
                key={n.id}
                x={n.box.x - 4 / zoom}
                y={n.box.y - 4 / zoom}
                width={n.box.width + 8 / zoom}
                height={n.box.height + 8 / zoom}
                rx={8 / zoom}
              />
            ))}
          {scene.links
            .filter((l) => c[is].includes(l.id))
            .map((l) => (
              <polyline key={l.id} points={l.points.map((p) => `${p.x},${p.y}`).join(' ')} />
            ))}
        </g>
      ))}
      <g stroke="none" fontSize={14 / zoom} fontFamily="inherit">
        {[
          ...(['added', 'changed', 'moved'] as const).map((is) => ({
            text: `${c[is].length} ${is}`,
            fill: looks[is].stroke,
            n: c[is].length,
          })),
          { text: `removed: ${gone.join(' · ')}`, fill: 'var(--needle)', n: gone.length },
        ]
          .filter((l) => l.n > 0)
          .map((l, i) => (
            <text key={l.text} x={8 / zoom} y={scene.height + (18 + i * 18) / zoom} fill={l.fill}>
              {l.text}
            </text>
          ))}
      </g>
    </g>
  )
}

/** What an edit would change, on the picture that would come of it: what is new or other is outlined. */
export function GhostMarks({
  before,
  after,
  scene,
  zoom,
}: {
  before: Figure
  after: Figure
  scene: Scene
  zoom: number
}) {
  const isOther = (part: 'nodes' | 'links', id: string) => {
    const [a, b] = [before[part][id], after[part][id]]
    return b !== undefined && JSON.stringify(a) !== JSON.stringify(b)
  }
  return (
    <g
      pointerEvents="none"
      fill="none"
      stroke="var(--needle)"
      strokeWidth={2 / zoom}
      strokeDasharray={`${5 / zoom} ${4 / zoom}`}
    >
      {scene.nodes
        .filter((n) => isOther('nodes', n.id))
        .map((n) => (
          <rect key={n.id} {...n.box} rx={8 / zoom} />
        ))}
      {scene.links
        .filter((l) => isOther('links', l.id))
        .map((l) => (
          <polyline key={l.id} points={l.points.map((p) => `${p.x},${p.y}`).join(' ')} />
        ))}
    </g>
  )
}
