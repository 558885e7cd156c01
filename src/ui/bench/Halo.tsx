import type { Box } from '@/core/geometry'

type Props = {
  readonly box: Box
  readonly zoom: number
  readonly thin?: boolean
  /** Of somebody else. */
  readonly colour?: string
}

/** A line around a part, a little off it, as thick at every zoom. */
export const Halo = ({ box, zoom, thin = false, colour }: Props) => {
  const gap = (colour ? 8 : 5) / zoom
  return (
    <rect
      x={box.x - gap}
      y={box.y - gap}
      width={box.width + 2 * gap}
      height={box.height + 2 * gap}
      rx={10 / zoom}
      fill="none"
      stroke={colour ?? 'var(--needle)'}
      strokeWidth={(thin ? 1.25 : 2) / zoom}
      strokeDasharray={colour && `${6 / zoom} ${4 / zoom}`}
      pointerEvents="none"
    />
  )
}
