import type { Point } from '../geometry'
import type { TextBlock } from '../measure'
import type { Mark, SceneLine } from './mark'

/** A block of words with its middle at a place. */
export function textMark(owner: string, block: TextBlock, centre: Point, fill: string): Mark {
  const lines = block.lines.map((l): SceneLine => {
    const left = centre.x + l.x
    const runs = l.line.runs.map((r) => ({
      ...r,
      x: left + r.x,
      glyphs: r.glyphs.map((g) => ({ id: g.id, x: left + r.x + g.x, y: g.y })),
    }))
    return { text: l.line.text, after: l.line.after, runs, baseline: centre.y + l.baseline, size: l.size, turn: 0 }
  })
  return { mark: 'text', owner, lines, fill }
}
