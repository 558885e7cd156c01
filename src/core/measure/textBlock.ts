/** Words set in lines, as one block. */
import type { Size } from '../geometry'
import type { TextLook } from '../style'
import type { Line, Typesetter } from './typesetter'

/** A line with its baseline, both relative to the middle of the block it stands in. */
export type SetLine = { readonly line: Line; readonly x: number; readonly baseline: number; readonly size: number }
export type TextBlock = Size & { readonly lines: readonly SetLine[]; readonly text: string }

/** Cap height over em of the shipped faces, within 2 %: centring by it looks right where centring the em box does not. */
const CAP_HEIGHT = 0.7

export type Part = { readonly text: string; readonly look: TextLook }

/** Paragraphs under each other, each line centred. */
export function textBlock(parts: readonly Part[], room: number, typesetter: Typesetter): TextBlock {
  const set = parts.map((p) => ({ ...p, lines: typesetter.paragraph(p.text, p.look.fonts, p.look.size, room) }))
  const heightOf = (s: (typeof set)[number]) => s.lines.length * s.look.size * s.look.leading
  const between = (parts[0]?.look.size ?? 0) * 0.3
  const height = set.reduce((sum, s) => sum + heightOf(s), 0) + between * (set.length - 1)
  const width = Math.max(0, ...set.flatMap((s) => s.lines.map((l) => l.width)))
  let top = -height / 2
  const lines: SetLine[] = []
  for (const s of set) {
    const step = s.look.size * s.look.leading
    s.lines.forEach((line, i) => {
      const baseline = top + step * (i + 0.5) + (s.look.size * CAP_HEIGHT) / 2
      lines.push({ line, x: -line.width / 2, baseline, size: s.look.size })
    })
    top += heightOf(s) + between
  }
  return { width, height, lines, text: parts.map((p) => p.text).join(' ') }
}

/** Its words run from right to left. */
export const runsLeft = (block: TextBlock): boolean => block.lines[0]?.line.runs.every((r) => r.rtl) ?? false

/** The same block with its lines beginning below each other, at the right where they run from there. */
export function fromStart(block: TextBlock): TextBlock {
  const right = runsLeft(block)
  return {
    ...block,
    lines: block.lines.map((l) => ({ ...l, x: right ? block.width / 2 - l.line.width : -block.width / 2 })),
  }
}
