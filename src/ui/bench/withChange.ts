import type { Scene, SceneChange } from '@/core/scene'

/** The picture with what has changed in it; marks that have not are the same objects, so that they need not be drawn anew. */
export function withChange(scene: Scene, change: SceneChange | null): Scene {
  if (!change) return scene
  const owners = new Set(change.owners)
  const placed = new Set<string>()
  const marks = scene.marks.flatMap((m) => {
    if (!owners.has(m.owner)) return [m]
    if (placed.has(m.owner)) return []
    placed.add(m.owner)
    return change.marks.filter((c) => c.owner === m.owner)
  })
  const instead = <T extends { readonly id: string }>(list: readonly T[], changed: readonly T[]): readonly T[] => {
    const by = new Map(changed.map((c) => [c.id, c]))
    return list.map((l) => by.get(l.id) ?? l)
  }
  return {
    ...scene,
    marks,
    nodes: instead(scene.nodes, change.nodes),
    links: instead(scene.links, change.links),
    notes: instead(scene.notes, change.notes),
  }
}
