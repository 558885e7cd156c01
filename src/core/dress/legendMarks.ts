/** What colours and icons mean, in a row below the figure: a patch of each, or the icon, beside its words; in several rows where
 *  one is too wide. */
import type { Box, Point } from '../geometry'
import type { Routed } from '../route'
import type { Mark } from './mark'
import { plate } from './stroke'
import { textMark } from './textMark'
import { hueTone } from './tones'

/** In parts of the size of the words. */
const PATCH = 0.9
const BESIDE = 0.45
const APART = 1.6
const ROW = 1.7

type Legend = { readonly box: Box; readonly marks: readonly Mark[] }

/** With the middle of its top at a place, no wider than `room`; null where colours need no telling. */
export function legendAt(top: Point, room: number, routed: Routed): Legend | null {
  const { legend, style } = routed
  const unit = style.body.size
  if (legend.length === 0) return null
  const widthOf = (l: (typeof legend)[number]) => (PATCH + BESIDE) * unit + l.block.width
  const rows: (typeof legend)[number][][] = [[]]
  let used = 0
  for (const l of legend) {
    if (used > 0 && used + widthOf(l) > room) {
      rows.push([])
      used = 0
    }
    rows.at(-1)?.push(l)
    used += widthOf(l) + APART * unit
  }
  const whole = rows.map((r) => r.reduce((s, l) => s + widthOf(l) + APART * unit, -APART * unit))
  const width = Math.max(...whole)
  const fill = style.house.fill === 'solid' || style.treatment.node.fill === 'solid' ? 'solid' : 'tint'
  const marks = rows.flatMap((r, i) => {
    let x = top.x - (whole[i] as number) / 2
    const y = top.y + (i + 0.5) * ROW * unit
    return r.flatMap((l): Mark[] => {
      const tone = hueTone(l.hue, style) ?? style.palette.tones.main
      const patch = { x, y: y - (PATCH * unit) / 2, width: PATCH * unit, height: PATCH * unit }
      const centre = { x: x + (PATCH + BESIDE) * unit + l.block.width / 2, y }
      x += widthOf(l) + APART * unit
      return [
        l.icon === null
          ? plate('', patch, l.full ? tone.solid : tone[fill], { line: tone.line, width: unit / 14 })
          : { mark: 'icon', owner: '', name: l.icon, box: patch, fill: style.palette.ink },
        textMark('', l.block, centre, style.palette.ink),
      ]
    })
  })
  return { box: { x: top.x - width / 2, y: top.y, width, height: rows.length * ROW * unit }, marks }
}
