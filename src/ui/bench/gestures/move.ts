/** Nodes dragged: into a target that lights up, else to a place where they are held. With Alt they are doubled. */
import { all, duplicate } from '@/core/document'
import { union, type Point, boxOut } from '@/core/geometry'
import { nodeParts, nodesIn, toggled, type Part, type Selection } from '../selection'
import { isFar, type Keys, type Of, type Row, type Stage } from './gesture'
import { guidesFor } from './guides'
import { targetAt } from './targets'
import { said } from '@/core/words'

/** A press on a part of the figure: a click selects it, a drag takes all selected nodes along. */
export function startMove(stage: Stage, part: Part, at: Point, keys: Keys, selection: Selection): Of<'move'> {
  const within = selection.some((p) => p.id === part.id)
  const clicked = keys.shift ? toggled(selection, part) : [part]
  const drags = part.kind === 'node' ? (within ? nodesIn(selection) : [part.id]) : []
  const ids = drags.filter((id) => stage.scene.nodes.some((n) => n.id === id))
  return {
    kind: 'move',
    ids,
    stood: Object.fromEntries(stage.scene.nodes.filter((n) => ids.includes(n.id)).map((n) => [n.id, n.box])),
    from: at,
    at,
    moved: false,
    copies: keys.alt,
    clicked,
    target: null,
    guides: [],
    by: { x: 0, y: 0 },
  }
}

/** Where the top left corners of the dragged nodes are. */
export const cornersOf = (g: Of<'move'>): Readonly<Record<string, Point>> =>
  Object.fromEntries(Object.entries(g.stood).map(([id, b]) => [id, { x: b.x + g.by.x, y: b.y + g.by.y }]))

export const move: Row<'move'> = {
  move: (g, stage, at, keys) => {
    const moved = g.moved || isFar(g.from, at, stage.zoom)
    if (!moved || g.ids.length === 0) return { ...g, at, moved }
    const by = { x: at.x - g.from.x, y: at.y - g.from.y }
    const target = keys.alt ? null : targetAt(stage, g.ids, at)
    const others = stage.scene.nodes.filter((n) => !g.ids.includes(n.id)).map((n) => n.box)
    const around = union(Object.values(g.stood))
    const fit =
      target || keys.shift ? null : guidesFor({ ...around, x: around.x + by.x, y: around.y + by.y }, others, stage.zoom)
    return {
      ...g,
      at,
      moved,
      copies: keys.alt,
      target,
      guides: fit?.guides ?? [],
      by: fit ? { x: by.x + fit.by.x, y: by.y + fit.by.y } : by,
    }
  },
  preview: (g) =>
    g.moved
      ? {
          ...(g.target ? { lights: g.target.lights, says: g.target.says } : {}),
          ...(g.copies
            ? { says: g.ids.length > 1 ? said('Copy {n} nodes', { n: g.ids.length }) : said('Copy it') }
            : {}),
          guides: g.guides,
        }
      : {},
  drop: (g, stage) => {
    if (!g.moved || g.ids.length === 0) return { select: g.clicked }
    if (g.copies) {
      const { edit, made } = duplicate(stage.figure, g.ids, stage.newId)
      const held = placed(g, stage, made)
      return { edit: all(edit, ...held), select: nodeParts(made) }
    }
    if (g.target) return { edit: g.target.edit, select: nodeParts(g.ids) }
    return { hold: g.ids, select: nodeParts(g.ids) }
  },
}

/** The doubles stand where they were let go. */
function placed(g: Of<'move'>, { scene }: Stage, made: readonly string[]) {
  return g.ids.flatMap((id, i) => {
    const [box, twin] = [g.stood[id], made[i]]
    if (!box || twin === undefined) return []
    const held = boxOut({ ...box, x: box.x + g.by.x, y: box.y + g.by.y }, scene.fit)
    return [{ do: 'setNode', id: twin, set: { held } } as const]
  })
}
