'use client'

import { compared } from '@/core/document'
import type { Figure } from '@/core/figure'
import type { Scene } from '@/core/scene'
import { said } from '@/core/words'
import { useWords } from '../words/words'

const looks = {
  added: { stroke: 'var(--moss)', dash: '' },
  changed: { stroke: 'var(--brass)', dash: '' },
  moved: { stroke: 'var(--sea)', dash: '2 4' },
} as const

type MarksProps = { readonly before: Figure; readonly after: Figure; readonly scene: Scene; readonly zoom: number }

/** Nodes, notes and links with a line around or along them, `off` px of the frame away. */
function Outlined({
  scene,
  zoom,
  off,
  isMeant,
}: Pick<MarksProps, 'scene' | 'zoom'> & { off: number; isMeant: (id: string) => boolean }) {
  return (
    <>
      {[...scene.nodes, ...scene.notes]
        .filter((n) => isMeant(n.id))
        .map(({ id, box }) => (
          <rect
            key={id}
            x={box.x - off}
            y={box.y - off}
            width={box.width + 2 * off}
            height={box.height + 2 * off}
            rx={8 / zoom}
          />
        ))}
      {scene.links
        .filter((l) => isMeant(l.id))
        .map((l) => (
          <polyline key={l.id} points={l.points.map((p) => `${p.x},${p.y}`).join(' ')} />
        ))}
    </>
  )
}

const counts = {
  added: (count: number) => said('{count} added', { count }),
  changed: (count: number) => said('{count} changed', { count }),
  moved: (count: number) => said('{count} moved', { count }),
}

/** Two states of a figure compared on the picture of the later one: what came, what changed, what was moved; what went is
 *  listed below. */
export function ComparedMarks({ before, after, scene, zoom }: MarksProps) {
  const t = useWords()
  const c = compared(before, after)
  const gone = c.gone.flatMap((id) => (before.nodes[id] ?? before.notes?.[id])?.text ?? [])
  return (
    <g pointerEvents="none" fill="none" strokeWidth={3 / zoom}>
      {(['moved', 'changed', 'added'] as const).map((is) => (
        <g key={is} stroke={looks[is].stroke} strokeDasharray={looks[is].dash || undefined}>
          <Outlined scene={scene} zoom={zoom} off={4 / zoom} isMeant={(id) => c[is].includes(id)} />
        </g>
      ))}
      <g stroke="none" fontSize={14 / zoom} fontFamily="inherit">
        {[
          ...(['added', 'changed', 'moved'] as const).map((is) => ({
            text: t(counts[is](c[is].length)),
            fill: looks[is].stroke,
            n: c[is].length,
          })),
          { text: t('removed: {words}', { words: gone.join(' · ') }), fill: 'var(--needle)', n: gone.length },
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
export function GhostMarks({ before, after, scene, zoom }: MarksProps) {
  const partOf = (f: Figure, id: string) => f.nodes[id] ?? f.links[id] ?? f.notes?.[id]
  const isOther = (id: string) => JSON.stringify(partOf(before, id)) !== JSON.stringify(partOf(after, id))
  return (
    <g
      pointerEvents="none"
      fill="none"
      stroke="var(--needle)"
      strokeWidth={2 / zoom}
      strokeDasharray={`${5 / zoom} ${4 / zoom}`}
    >
      <Outlined scene={scene} zoom={zoom} off={0} isMeant={isOther} />
    </g>
  )
}
