'use client'

import type { Box } from '@/core/geometry'
import { useCallback, useEffect, useRef, useState } from 'react'

export type View = { readonly zoom: number; readonly x: number; readonly y: number }

const LEAST = 0.1
const MOST = 4
const ROOM = 56

/** Zoom and pan of the bench: frame px times `zoom` plus (x, y) are px of the canvas. Fits until the person moves it. */
export function useView(width: number, height: number) {
  const box = useRef<HTMLDivElement>(null)
  const [size, setSize] = useState({ width: 0, height: 0 })
  const [own, setOwn] = useState<View | null>(null)
  useEffect(() => {
    if (!box.current) return
    const observer = new ResizeObserver(
      ([entry]) => entry && setSize({ width: entry.contentRect.width, height: entry.contentRect.height }),
    )
    observer.observe(box.current)
    return () => observer.disconnect()
  }, [])
  const zoom = Math.max(
    0.02,
    Math.min((size.width - 2 * ROOM) / Math.max(1, width), (size.height - 2 * ROOM) / Math.max(1, height), 1.5),
  )
  const fitted: View = { zoom, x: (size.width - width * zoom) / 2, y: (size.height - height * zoom) / 2 }
  const view = own ?? fitted
  const latest = useRef(view)
  useEffect(() => {
    latest.current = view
  })
  /** Keeps the place under (atX, atY) of the canvas where it is. */
  const zoomBy = useCallback((factor: number, atX: number, atY: number) => {
    const v = latest.current
    const next = Math.min(MOST, Math.max(LEAST, v.zoom * factor))
    setOwn({ zoom: next, x: atX - ((atX - v.x) * next) / v.zoom, y: atY - ((atY - v.y) * next) / v.zoom })
  }, [])
  const panBy = useCallback((dx: number, dy: number) => {
    const v = latest.current
    setOwn({ ...v, x: v.x + dx, y: v.y + dy })
  }, [])
  /** Shows a box of the frame as large as it may be. */
  const fitTo = useCallback((b: Box, room: { readonly width: number; readonly height: number }) => {
    const zoom = Math.min(
      MOST,
      (room.width - 2 * ROOM) / Math.max(1, b.width),
      (room.height - 2 * ROOM) / Math.max(1, b.height),
      2,
    )
    setOwn({
      zoom,
      x: room.width / 2 - (b.x + b.width / 2) * zoom,
      y: room.height / 2 - (b.y + b.height / 2) * zoom,
    })
  }, [])
  // React attaches wheel listeners passively, and the page must not zoom or scroll along.
  useEffect(() => {
    const element = box.current
    if (!element) return
    const onWheel = (e: WheelEvent) => {
      e.preventDefault()
      const at = element.getBoundingClientRect()
      if (e.ctrlKey || e.metaKey) zoomBy(Math.exp(-e.deltaY / 300), e.clientX - at.left, e.clientY - at.top)
      else panBy(-e.deltaX, -e.deltaY)
    }
    element.addEventListener('wheel', onWheel, { passive: false })
    return () => element.removeEventListener('wheel', onWheel)
  }, [zoomBy, panBy])
  return { box, view, size, zoomBy, panBy, fitTo, fit: useCallback(() => setOwn(null), []), isFitted: own === null }
}
