import type { Mark, Scene } from '@/core/scene'

/** A picture with every colour as another. */
export function recoloured(scene: Scene, colour: (hex: string) => string): Scene {
  const known = new Map<string, string>()
  const of = (hex: string): string => {
    if (!hex.startsWith('#')) return hex
    const found = known.get(hex) ?? colour(hex)
    known.set(hex, found)
    return found
  }
  const mark = (m: Mark): Mark => ({
    ...m,
    ...('fill' in m ? { fill: of(m.fill) } : {}),
    ...('line' in m ? { line: of(m.line) } : {}),
  })
  return { ...scene, background: of(scene.background), marks: scene.marks.map(mark) }
}
