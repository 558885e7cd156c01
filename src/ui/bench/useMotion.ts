'use client'

import { useLayoutEffect, useRef, type RefObject } from 'react'
import { centreOf, type Point } from '@/core/geometry'
import type { Scene } from '@/core/scene'
import type { View } from './useView'

const DURATION = 260

/** Leads nodes from where they stood to where a new layout puts them; connectors that changed fade in. Nothing moves for
 *  those who asked for less motion, nor while `still`. */
export function useMotion(
  picture: RefObject<SVGSVGElement | null>,
  scene: Scene | null,
  view: View,
  still: boolean,
): void {
  const last = useRef<{ readonly scene: Scene; readonly view: View } | null>(null)
  useLayoutEffect(() => {
    const before = last.current
    last.current = scene && { scene, view }
    if (!before || !scene || before.scene === scene || still || !picture.current) return
    const less = document.documentElement.dataset.motion === 'less'
    if (less || matchMedia('(prefers-reduced-motion: reduce)').matches) return
    const onScreen = (p: Point, v: View): Point => ({ x: p.x * v.zoom + v.x, y: p.y * v.zoom + v.y })
    const stood = new Map(before.scene.nodes.map((n) => [n.id, onScreen(centreOf(n.box), before.view)]))
    const ran = new Map(before.scene.links.map((l) => [l.id, JSON.stringify(l.points)]))
    const nodes = new Map(scene.nodes.map((n) => [n.id, onScreen(centreOf(n.box), view)]))
    const links = new Map(scene.links.map((l) => [l.id, JSON.stringify(l.points)]))
    const timing = { duration: DURATION, easing: 'ease-in-out' }
    for (const part of picture.current.querySelectorAll<SVGElement>('[data-part]')) {
      const id = part.dataset.part ?? ''
      const [from, to] = [stood.get(id), nodes.get(id)]
      if (from && to) {
        const [dx, dy] = [(from.x - to.x) / view.zoom, (from.y - to.y) / view.zoom]
        if (Math.hypot(dx, dy) > 0.5)
          part.animate([{ transform: `translate(${dx}px, ${dy}px)` }, { transform: 'translate(0, 0)' }], timing)
      } else if (ran.get(id) !== links.get(id) || (to && !from)) part.animate([{ opacity: 0 }, { opacity: 1 }], timing)
    }
  })
}
