/** Words along a circle, letter by letter, each a line of its own that is turned: every format can draw that. */
import { cosine, sine } from '../geometry'
import type { Decor } from '../layout'
import type { Mark, SceneLine } from './mark'

type ArcWords = Extract<Decor, { kind: 'arcWords' }>

export function arcText({ of, letters, centre, radius, angle, below }: ArcWords, fill: string): Mark {
  const whole = letters.reduce((sum, l) => sum + l.width, 0)
  // Above, letters go round with the clock; below, against it, so that they stand on their feet.
  const way = below ? -1 : 1
  let before = 0
  const lines = letters.flatMap((letter): SceneLine[] => {
    const along = before + letter.width / 2 - whole / 2
    before += letter.width
    const at = angle + way * (along / radius)
    const left = centre.x + cosine(at) * radius - letter.width / 2
    return letter.lines.map(({ line, size }) => ({
      text: line.text,
      after: line.after,
      runs: line.runs.map((r) => ({
        ...r,
        x: left + r.x,
        glyphs: r.glyphs.map((g) => ({ id: g.id, x: left + r.x + g.x, y: g.y })),
      })),
      baseline: centre.y + sine(at) * radius,
      size,
      turn: ((at + way * (Math.PI / 2)) * 180) / Math.PI,
    }))
  })
  return { mark: 'text', owner: of, lines, fill }
}
