'use client'

import type { PointerEvent } from 'react'
import type { Scene } from '@/core/scene'
import type { useView } from './useView'

const WIDTH = 132

/** The whole figure, small, with the part that is seen; shown when not all of it is. A press goes there. */
export function Minimap({ scene, viewing }: { scene: Scene | null; viewing: ReturnType<typeof useView> }) {
  const { view, size, panBy, isFitted } = viewing
  if (!scene || isFitted || size.width === 0) return null
  const seen = {
    x: -view.x / view.zoom,
    y: -view.y / view.zoom,
    width: size.width / view.zoom,
    height: size.height / view.zoom,
  }
  const all = seen.x <= 0 && seen.y <= 0 && seen.x + seen.width >= scene.width && seen.y + seen.height >= scene.height
  if (all) return null
  const scale = WIDTH / scene.width
  const go = (e: PointerEvent<SVGSVGElement>) => {
    if (e.buttons === 0) return
    const at = e.currentTarget.getBoundingClientRect()
    const [x, y] = [(e.clientX - at.left) / scale, (e.clientY - at.top) / scale]
    panBy((seen.x + seen.width / 2 - x) * view.zoom, (seen.y + seen.height / 2 - y) * view.zoom)
  }
  return (
    <svg
      aria-hidden="true"
      width={WIDTH}
      height={scene.height * scale}
      viewBox={`0 0 ${scene.width} ${scene.height}`}
      className="absolute right-3 bottom-14 max-h-[30%] cursor-pointer rounded-md border border-rule bg-page"
      onPointerDown={go}
      onPointerMove={go}
    >
      {scene.nodes.map((n) => (
        <rect key={n.id} {...n.box} fill="var(--quiet)" opacity={0.5} />
      ))}
      <rect {...seen} fill="var(--needle)" fillOpacity={0.08} stroke="var(--needle)" strokeWidth={1.5 / scale} />
    </svg>
  )
}
