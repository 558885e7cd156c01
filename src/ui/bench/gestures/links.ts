/** Links taken hold of: an end led to another node, a stretch pulled aside. */
import { reattach } from '@/core/document'
import type { Point } from '@/core/geometry'
import { bendTo, pulled } from '../bending'
import { SNAP, isFar, type Of, type Row, type Stage } from './gesture'
import { nodeNear } from './places'
import { said } from '@/core/words'

const linkOf = (stage: Stage, id: string) => stage.scene.links.find((l) => l.id === id)

export function startEnd(stage: Stage, link: string, end: 'from' | 'to', at: Point): Of<'end'> | null {
  const points = linkOf(stage, link)?.points ?? []
  const anchor = end === 'from' ? points.at(-1) : points[0]
  return anchor ? { kind: 'end', link, end, anchor, at, target: null } : null
}

/** Between which nodes the link would run, were the end let go now. */
export function endsOf(g: Of<'end'>, stage: Stage): readonly [string, string] | null {
  const link = stage.figure.links[g.link]
  if (!link || g.target === null) return null
  return g.end === 'from' ? [g.target, link.to] : [link.from, g.target]
}

export const end: Row<'end'> = {
  move: (g, stage, at) => ({ ...g, at, target: nodeNear(stage.scene, at, SNAP / stage.zoom) }),
  preview: (g, stage) => {
    const link = stage.figure.links[g.link]
    const other = g.end === 'from' ? link?.to : link?.from
    const words = g.target === null ? '' : (stage.figure.nodes[g.target]?.text ?? '')
    return {
      line: [g.anchor, g.at],
      lights: { nodes: [other, g.target].filter((id): id is string => typeof id === 'string') },
      says:
        g.target === null
          ? said('It stays where it was')
          : g.end === 'from'
            ? said('From “{words}”', { words })
            : said('To “{words}”', { words }),
    }
  },
  drop: (g, stage) =>
    g.target !== null && stage.figure.links[g.link]?.[g.end] !== g.target
      ? { edit: reattach(g.link, g.end, g.target) }
      : {},
}

export const startBend = (link: string, stretch: number, at: Point): Of<'bend'> => ({
  kind: 'bend',
  link,
  stretch,
  from: at,
  at,
})

export const bend: Row<'bend'> = {
  move: (g, _stage, at) => ({ ...g, at }),
  preview: (g, stage) => {
    const link = linkOf(stage, g.link)
    return link ? { line: pulled(link, g.stretch, g.at, stage.scene.fit.scale) } : {}
  },
  drop: (g, stage) => {
    const link = linkOf(stage, g.link)
    return link && isFar(g.from, g.at, stage.zoom) ? { edit: bendTo(stage.scene, link, g.stretch, g.at) } : {}
  },
}
