/** Where words stand in a shape, said as insets and spacing: so that they stand where the picture has them, and stay inside when
 *  somebody changes them. */
import type { Box } from '@/core/geometry'
import type { Geometry, NativeWords } from '@/core/formats'
import type { FontKey } from '@/core/style'

/** Of the width of words: other programs set the same font up to so much wider. */
const SLACK = 1.03
/** In px: what rounding takes. */
const SURE = 2

type ReachOf = (font: FontKey) => { readonly above: number; readonly below: number }
export type TextRoom = {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
  /** The words stand in the middle of what is left. */
  readonly middle: boolean
  readonly wraps: boolean
  /** Of each paragraph: its lines over those of its font, and px before it. */
  readonly spacing: readonly number[]
  readonly before: readonly number[]
}

/** The box of words that stand by themselves, wide enough for other programs. */
export function roomOf(box: Box, words: NativeWords): Box {
  const more = words.width * (SLACK - 1) + SURE
  const start = { left: 0, centre: more / 2, right: more }[words.align]
  return { ...box, x: box.x - start, width: box.width + more }
}

/** The rectangle that a shape gives to its words (ISO/IEC 29500-1, presetShapeDefinitions: `rect`). */
function textRect({ preset, ...more }: Geometry, b: Box): Box {
  const inset = (dx: number, dy: number): Box => ({
    x: b.x + dx,
    y: b.y + dy,
    width: b.width - 2 * dx,
    height: b.height - 2 * dy,
  })
  if (preset === 'ellipse') return inset((b.width * (1 - Math.SQRT1_2)) / 2, (b.height * (1 - Math.SQRT1_2)) / 2)
  if (preset === 'diamond') return inset(b.width / 4, b.height / 4)
  const corner = 'radius' in more ? more.radius * (1 - Math.SQRT1_2) : 0
  return inset(corner, corner)
}

export function insetsOf(geometry: Geometry, box: Box, words: NativeWords, reach: ReachOf): TextRoom {
  const room = textRect(geometry, box)
  const across = acrossOf(room, words)
  const { spacing, before, first } = spacingOf(words, reach)
  const height = words.lastBaseline - words.firstBaseline + words.above + words.below
  const top = words.firstBaseline - first - room.y
  // The middle of what is drawn from the top of the first line to the foot of the last.
  const off = words.firstBaseline - words.above + height / 2 - (room.y + room.height / 2)
  const middle = Math.abs(off) < Math.max(2, room.height * 0.08)
  const lower = { top: Math.max(0, 2 * off), bottom: Math.max(0, -2 * off) }
  return { ...across, ...(middle ? lower : { top: Math.max(0, top), bottom: 0 }), middle, spacing, before }
}

function acrossOf(room: Box, words: NativeWords): Pick<TextRoom, 'left' | 'right' | 'wraps'> {
  const wide = words.width * SLACK + SURE
  const [left, right] = [words.left - room.x, room.x + room.width - words.left - words.width]
  const more = wide - words.width
  const wanted = {
    left: { left, right: right - more },
    centre: { left: left - more / 2, right: right - more / 2 },
    right: { left: left - more, right },
  }[words.align]
  const fits = wanted.left >= 0 && wanted.right >= 0
  // Room that is short by less than the slack is used to the last px; words that are wider than it stay on their lines.
  const kept = { left: Math.max(0, wanted.left), right: Math.max(0, wanted.right) }
  return { ...kept, wraps: fits || room.width - kept.left - kept.right >= words.width + 0.5 }
}

/** Lines in parts of their fonts' own height, after LibreOffice and ISO/IEC 29500-1 21.1.2.2.5: what is less than the whole is
 *  taken off above each line, what is more is put above all but the first. */
function spacingOf(words: NativeWords, reach: ReachOf) {
  const spacing: number[] = []
  const before: number[] = []
  let first = words.above
  let below = 0
  words.paragraphs.forEach((p, i) => {
    const all = p.runs.map((r) => reach(r.font))
    const [up, down] = [Math.max(...all.map((r) => r.above)) * p.size, Math.max(...all.map((r) => r.below)) * p.size]
    const natural = up + down
    const share = p.pitch === null ? 1 : p.pitch / natural
    const shortened = share < 1 ? (1 - share) * natural : 0
    spacing.push(share)
    if (i === 0) first = up - shortened
    before.push(i === 0 ? 0 : p.gap - below - (up - shortened))
    below = down
  })
  return { spacing, before, first }
}
