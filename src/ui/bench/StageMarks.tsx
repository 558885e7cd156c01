'use client'

/** What lies over the figure on the stage: what is selected and its handles, what a gesture lights up, pins of held nodes. */
import type { Figure } from '@/core/figure'
import type { Box, Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import { holds } from './bending'
import {
  RING_OFF,
  beyond,
  cornerOf,
  corners,
  freeSides,
  middleOf,
  sideOf,
  type Lights,
  type Preview,
  type Side,
  type Stage,
} from './gestures'
import { Halo } from './Halo'
import type { Selection } from './selection'
import { useWords } from '../words/words'

const line = (points: readonly Point[]) => points.map((p) => `${p.x},${p.y}`).join(' ')

const Handle = ({ name, at, zoom }: { name: string; at: Point; zoom: number }) => (
  <circle
    data-handle={name}
    cx={at.x}
    cy={at.y}
    r={6 / zoom}
    fill="var(--page)"
    stroke="var(--needle)"
    strokeWidth={2 / zoom}
    className="cursor-crosshair"
  />
)

/** What is selected; threads and handles where it is one thing. */
export function SelectionMarks({ stage, selection }: { stage: Stage; selection: Selection }) {
  const { scene, zoom } = stage
  const one = selection.length === 1
  return (
    <g>
      {selection.map(({ id }) => {
        const node = scene.nodes.find((n) => n.id === id)
        if (node)
          return (
            <g key={id}>
              <Halo box={node.box} zoom={zoom} thin={!one} />
              {one && stage.figure.nodes[id]?.role !== 'set' && <Corners box={node.box} zoom={zoom} />}
              {one && freeSides(stage, id).map((side) => <Thread key={side} side={side} box={node.box} zoom={zoom} />)}
            </g>
          )
        const note = scene.notes.find((n) => n.id === id)
        if (note) return <Halo key={id} box={note.box} zoom={zoom} thin />
        const link = scene.links.find((l) => l.id === id)
        return link ? <LinkMarks key={id} scene={scene} link={link} zoom={zoom} handles={one} /> : null
      })}
    </g>
  )
}

/** Small squares to make it larger or smaller by. */
const Corners = ({ box, zoom }: { box: Box; zoom: number }) => (
  <>
    {corners.map((corner) => {
      const around = {
        x: box.x - 5 / zoom,
        y: box.y - 5 / zoom,
        width: box.width + 10 / zoom,
        height: box.height + 10 / zoom,
      }
      const at = cornerOf(around, corner)
      return (
        <rect
          key={corner}
          data-handle={`size ${corner}`}
          x={at.x - 4 / zoom}
          y={at.y - 4 / zoom}
          width={8 / zoom}
          height={8 / zoom}
          fill="var(--page)"
          stroke="var(--needle)"
          strokeWidth={1.5 / zoom}
          className={corner === 'topLeft' || corner === 'bottomRight' ? 'cursor-nwse-resize' : 'cursor-nesw-resize'}
        />
      )
    })}
  </>
)

function Thread({ side, box, zoom }: { side: Side; box: Box; zoom: number }) {
  const [from, to] = [sideOf(box, side), beyond(box, side, RING_OFF / zoom)]
  return (
    <g>
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke="var(--needle)"
        strokeWidth={1.5 / zoom}
        pointerEvents="none"
      />
      <Handle name={`thread ${side}`} at={to} zoom={zoom} />
      {/* Larger than it looks, so that a finger finds it. */}
      <circle
        data-handle={`thread ${side}`}
        cx={to.x}
        cy={to.y}
        r={13 / zoom}
        fill="transparent"
        className="cursor-crosshair"
      />
    </g>
  )
}

function LinkMarks({
  scene,
  link,
  zoom,
  handles,
}: {
  scene: Scene
  link: Scene['links'][number]
  zoom: number
  handles: boolean
}) {
  const [first, last] = [link.points[0], link.points.at(-1)]
  if (!first || !last) return null
  const middle = middleOf(link.points)
  return (
    <g>
      <polyline
        points={line(link.points)}
        fill="none"
        stroke="var(--needle)"
        strokeWidth={2.5 / zoom}
        pointerEvents="none"
      />
      {handles &&
        scene.bends &&
        holds(link, 70 / zoom).map(({ stretch, at, upright }) => {
          // The middle ring keeps its place.
          const off = Math.hypot(at.x - middle.x, at.y - middle.y) < 16 / zoom ? 22 / zoom : 0
          const spot = upright ? { x: at.x, y: at.y + off } : { x: at.x + off, y: at.y }
          return (
            <rect
              key={stretch}
              data-handle={`bend ${stretch}`}
              x={spot.x - (upright ? 4 : 9) / zoom}
              y={spot.y - (upright ? 9 : 4) / zoom}
              width={(upright ? 8 : 18) / zoom}
              height={(upright ? 18 : 8) / zoom}
              rx={4 / zoom}
              fill="var(--page)"
              stroke="var(--needle)"
              strokeWidth={2 / zoom}
              className={upright ? 'cursor-ew-resize' : 'cursor-ns-resize'}
            />
          )
        })}
      {handles && <Handle name="insert" at={middle} zoom={zoom} />}
      {handles && <Handle name="from" at={first} zoom={zoom} />}
      {handles && <Handle name="to" at={last} zoom={zoom} />}
    </g>
  )
}

/** A pin at every node that is held where somebody put it. */
export function Pins({ scene, zoom }: { scene: Scene; zoom: number }) {
  return (
    <g fill="var(--needle)" pointerEvents="none">
      {scene.nodes
        .filter((n) => n.held)
        .map((n) => (
          <circle
            key={n.id}
            cx={n.box.x + n.box.width}
            cy={n.box.y}
            r={4 / zoom}
            stroke="var(--page)"
            strokeWidth={1.5 / zoom}
          />
        ))}
    </g>
  )
}

/** At every node that holds a figure, a ring to open it. */
export function InsetHandles({ figure, scene, zoom }: { figure: Figure; scene: Scene; zoom: number }) {
  const t = useWords()
  return (
    <g>
      {scene.nodes.flatMap((n) => {
        const inset = figure.nodes[n.id]?.inset
        if (inset === undefined) return []
        const r = 9 / zoom
        const at = { x: n.box.x + n.box.width + r * 1.6, y: n.box.y + n.box.height + r * 1.2 }
        return [
          <g key={n.id} data-handle={`open ${inset}`} className="cursor-pointer">
            <title>{t('Open the figure inside')}</title>
            <circle cx={at.x} cy={at.y} r={r} fill="var(--page)" stroke="var(--sea)" strokeWidth={1.5 / zoom} />
            <path
              d={`M${at.x - r * 0.4} ${at.y + r * 0.4}L${at.x + r * 0.4} ${at.y - r * 0.4}M${at.x - r * 0.2} ${at.y - r * 0.4}H${at.x + r * 0.4}V${at.y + r * 0.2}`}
              fill="none"
              stroke="var(--sea)"
              strokeWidth={1.5 / zoom}
            />
          </g>,
        ]
      })}
    </g>
  )
}

/** What a gesture would do, lit before it is done. */
export function PreviewMarks({ stage, preview }: { stage: Stage; preview: Preview }) {
  const { scene, zoom } = stage
  return (
    <g pointerEvents="none">
      {preview.lights && <Lit scene={scene} lights={preview.lights} zoom={zoom} />}
      {preview.guides?.map((g, i) => (
        <line
          key={i}
          x1={g.from.x}
          y1={g.from.y}
          x2={g.to.x}
          y2={g.to.y}
          stroke="var(--needle)"
          strokeWidth={1 / zoom}
        />
      ))}
      {preview.line && (
        <polyline
          points={line(preview.line)}
          fill="none"
          stroke="var(--needle)"
          strokeWidth={2 / zoom}
          strokeDasharray={`${6 / zoom}`}
        />
      )}
      {preview.box && (
        <rect {...preview.box} fill="var(--needle)" fillOpacity={0.06} stroke="var(--needle)" strokeWidth={1 / zoom} />
      )}
    </g>
  )
}

function Lit({ scene, lights, zoom }: { scene: Scene; lights: Lights; zoom: number }) {
  const link = scene.links.find((l) => l.id === lights.link)
  return (
    <>
      {scene.nodes
        .filter((n) => lights.nodes?.includes(n.id))
        .map((n) => (
          <Halo key={n.id} box={n.box} zoom={zoom} />
        ))}
      {link && <polyline points={line(link.points)} fill="none" stroke="var(--needle)" strokeWidth={4 / zoom} />}
      {lights.box && (
        <rect {...lights.box} fill="var(--needle)" fillOpacity={0.07} stroke="var(--needle)" strokeWidth={2 / zoom} />
      )}
      {lights.region && <RegionLit scene={scene} sets={lights.region} zoom={zoom} />}
    </>
  )
}

/** The region of just these sets: inside their circles, outside the others. */
export function RegionLit({ scene, sets, zoom }: { scene: Scene; sets: readonly string[]; zoom: number }) {
  const panel = scene.areas.find((a) => a.area === 'panel' && a.sets.toSorted().join() === sets.toSorted().join())
  if (panel?.area === 'panel')
    return (
      <rect
        {...panel.box}
        rx={8 / zoom}
        fill="none"
        stroke="var(--needle)"
        strokeWidth={2.5 / zoom}
        pointerEvents="none"
      />
    )
  const circles = scene.areas.flatMap((a) => (a.area === 'set' ? [a] : []))
  const inside = circles.filter((c) => sets.includes(c.set))
  if (inside.length === 0) return null
  const ellipse = (c: (typeof circles)[number], fill: string) => (
    <ellipse
      key={c.set}
      cx={c.centre.x}
      cy={c.centre.y}
      rx={c.radius.x}
      ry={c.radius.y}
      transform={`rotate(${c.tilt} ${c.centre.x} ${c.centre.y})`}
      fill={fill}
    />
  )
  const key = sets.join('-')
  // What lies in every one of the sets and in none of the others stays white in the mask.
  return (
    <g pointerEvents="none">
      {inside.map((c) => (
        <clipPath key={c.set} id={`in-${key}-${c.set}`}>
          {ellipse(c, 'white')}
        </clipPath>
      ))}
      <mask id={`only-${key}`}>
        <rect width={scene.width} height={scene.height} fill="white" />
        {circles.filter((c) => !sets.includes(c.set)).map((c) => ellipse(c, 'black'))}
      </mask>
      <g mask={`url(#only-${key})`}>
        {inside.reduce<React.ReactNode>(
          (within, c) => (
            <g clipPath={`url(#in-${key}-${c.set})`}>{within}</g>
          ),
          <rect width={scene.width} height={scene.height} fill="var(--needle)" fillOpacity={0.16} />,
        )}
      </g>
    </g>
  )
}
