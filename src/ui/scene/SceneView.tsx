'use client'

import { createElement, memo, type CSSProperties, type PointerEvent, type ReactNode } from 'react'
import { groupOf, partsOf, type ScenePart, type SvgElement, type Words } from '@/core/formats'
import { ownIcon } from '@/core/icons'
import type { Scene } from '@/core/scene'

type Props = {
  readonly scene: Scene
  /** What the picture is, for those who do not see it; empty where words beside it say so already. */
  readonly label: string
  readonly lit?: ReadonlySet<string>
  readonly onPoint?: (part: string | null) => void
  readonly className?: string
  readonly style?: CSSProperties
}

/** A scene on the screen, from the same elements as the files. Pointing at a part tells which. */
export const SceneView = memo(function SceneView({ scene, label, lit, onPoint, className = '', style }: Props) {
  const point = onPoint && ((e: PointerEvent) => onPoint(partAt(e.target)))
  return (
    <svg
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      viewBox={`0 0 ${scene.width} ${scene.height}`}
      className={`picture ${lit && lit.size > 0 ? 'has-lit' : ''} ${className}`}
      style={{ ...style, background: scene.background }}
      onPointerMove={point}
      onPointerLeave={onPoint && (() => onPoint(null))}
    >
      {sceneParts(scene, lit)}
    </svg>
  )
})

/** Where the browser finds an icon in a colour. */
export function iconAddress(name: string, colour: string): string {
  const own = ownIcon(name)
  if (!own) return `/api/icons/${name}?colour=${colour.slice(1)}`
  return `/api/pictures/${own.hash}${own.kind === 'stencil' ? `?tint=${colour.slice(1)}` : ''}`
}

const onScreen: Words = {
  as: 'text',
  pictureAt: (hash) => `/api/pictures/${hash}`,
  iconAt: (name, colour) => ({ href: iconAddress(name, colour) }),
}

/** The parts alone, for a canvas that brings its own `<svg>`. */
export const sceneParts = (scene: Scene, lit?: ReadonlySet<string>): ReactNode[] =>
  partsOf(scene).map((p) => <Part key={p.owner} part={p} lit={p.owner !== '' && (lit?.has(p.owner) ?? false)} />)

/** Drawn anew only where its marks are others: while one node is dragged, all else stays. */
const Part = memo(
  function Part({ part, lit }: { part: ScenePart; lit: boolean }) {
    return element(groupOf(part, onScreen), 0, lit)
  },
  (a, b) =>
    a.lit === b.lit &&
    a.part.marks.length === b.part.marks.length &&
    a.part.marks.every((m, i) => m === b.part.marks[i]),
)

export const partAt = (target: EventTarget | null): string | null =>
  target instanceof Element ? (target.closest('[data-part]')?.getAttribute('data-part') ?? null) : null

function element(e: SvgElement, key: number, lit: boolean): ReactNode {
  const attributes: Record<string, unknown> = { key, ...(lit ? { className: 'lit' } : {}) }
  for (const [name, value] of Object.entries(e.attributes)) {
    // Inside a picture with a name of its own, parts are not announced one by one.
    if (name === 'role' || name === 'aria-label') continue
    attributes[
      name === 'xml:space'
        ? 'xmlSpace'
        : name.startsWith('data-')
          ? name
          : name.replace(/-([a-z])/g, (_, c: string) => c.toUpperCase())
    ] = value
  }
  return createElement(
    e.tag,
    attributes,
    ...e.children.map((c, i) => (typeof c === 'string' ? c : element(c, i, false))),
  )
}
