/** Lines as they are drawn, back to paragraphs that a person can write on in. */
import type { Box } from '../../geometry'
import type { Typesetter } from '../../measure'
import type { Mark, SceneLine } from '../../scene'
import type { Align, NativeParagraph, NativeRun, NativeWords } from './objects'

type TextMark = Extract<Mark, { mark: 'text' }>
export type Reach = Pick<Typesetter, 'reach'>

/** Places that are one, in px: far below what is seen. */
const SAME = 0.75

const leftOf = (l: SceneLine): number => Math.min(...l.runs.map((r) => r.x))
const rightOf = (l: SceneLine): number => Math.max(...l.runs.map((r) => r.x + r.width))

/** Around the lines, as high as their fonts reach. */
export function boxOfWords(lines: readonly SceneLine[], { reach }: Reach): Box {
  const set = lines.filter((l) => l.runs.length > 0)
  const [first, last] = [set[0], set.at(-1)]
  if (!first || !last) return { x: 0, y: 0, width: 0, height: 0 }
  const left = Math.min(...set.map(leftOf))
  const top = first.baseline - reachOf(first, { reach }).above
  return {
    x: left,
    y: top,
    width: Math.max(...set.map(rightOf)) - left,
    height: last.baseline + reachOf(last, { reach }).below - top,
  }
}

function reachOf(l: SceneLine, { reach }: Reach): { readonly above: number; readonly below: number } {
  const all = l.runs.map((r) => reach(r.font))
  return {
    above: Math.max(...all.map((r) => r.above)) * l.size,
    below: Math.max(...all.map((r) => r.below)) * l.size,
  }
}

/** Blocks under each other in one column, as one text; null where they are not that. `within` decides for a single line, which
 *  could be set in any way. */
export function wordsOf(marks: readonly TextMark[], within: Box | null, reach: Reach): NativeWords | null {
  const blocks = marks
    .map((m) => ({ ...m, lines: m.lines.filter((l) => l.runs.length > 0) }))
    .filter((m) => m.lines.length > 0)
    .toSorted((a, b) => (a.lines[0] as SceneLine).baseline - (b.lines[0] as SceneLine).baseline)
  const lines = blocks.flatMap((b) => b.lines)
  const [first, last] = [lines[0], lines.at(-1)]
  if (
    !first ||
    !last ||
    lines.some((l, i) => i > 0 && l.baseline - l.size * 0.6 < (lines[i - 1] as SceneLine).baseline)
  )
    return null
  const align = alignOf(lines, within)
  if (!align) return null
  const left = Math.min(...lines.map(leftOf))
  return {
    paragraphs: spaced(blocks.flatMap((b) => paragraphsOf(b.lines, b.fill))),
    align,
    rtl: first.runs.every((r) => r.rtl),
    left,
    width: Math.max(...lines.map(rightOf)) - left,
    firstBaseline: first.baseline,
    lastBaseline: last.baseline,
    ...{ above: reachOf(first, reach).above, below: reachOf(last, reach).below },
  }
}

function alignOf(lines: readonly SceneLine[], within: Box | null): Align | null {
  const same = (of: (l: SceneLine) => number) => lines.every((l) => Math.abs(of(l) - of(lines[0] as SceneLine)) < SAME)
  const middle = (l: SceneLine) => (leftOf(l) + rightOf(l)) / 2
  const ways: Record<Align, boolean> = { centre: same(middle), left: same(leftOf), right: same(rightOf) }
  const first = lines[0] as SceneLine
  if (ways.centre && within && Math.abs(middle(first) - within.x - within.width / 2) < within.width * 0.02 + SAME)
    return 'centre'
  if (ways.left && ways.right) return first.runs.every((r) => r.rtl) ? 'right' : within ? 'left' : 'centre'
  return (['centre', 'left', 'right'] as const).find((a) => ways[a]) ?? null
}

type Placed = Omit<NativeParagraph, 'gap'> & { readonly first: number; readonly last: number }

function paragraphsOf(lines: readonly SceneLine[], colour: string): Placed[] {
  const out: Placed[] = []
  let now: SceneLine[] = []
  for (const l of lines) {
    now.push(l)
    if (l.after !== '\n' && l !== lines.at(-1)) continue
    const [first, second, last] = [now[0] as SceneLine, now[1], now.at(-1) as SceneLine]
    out.push({
      runs: runsOf(now, colour),
      size: first.size,
      lines: now.length,
      pitch: second ? second.baseline - first.baseline : null,
      first: first.baseline,
      last: last.baseline,
    })
    now = []
  }
  return out
}
const spaced = (placed: readonly Placed[]): NativeParagraph[] =>
  placed.map(({ first, last: _last, ...rest }, i) => ({
    ...rest,
    gap: i === 0 ? 0 : first - (placed[i - 1] as Placed).last,
  }))

/** In the order in which they are read, lines joined as they were parted. */
function runsOf(lines: readonly SceneLine[], colour: string): NativeRun[] {
  const out: NativeRun[] = []
  const add = (run: NativeRun) => {
    const last = out.at(-1)
    if (last && last.font === run.font && last.rtl === run.rtl)
      out[out.length - 1] = { ...last, text: last.text + run.text }
    else out.push(run)
  }
  lines.forEach((l, i) => {
    const isLast = i === lines.length - 1
    const logical = inReadingOrder(l)
    logical.forEach((r, k) => {
      const ends = k === logical.length - 1 && !isLast
      const text = !ends
        ? r.text
        : l.after === '-'
          ? r.text.replace(/-$/, '')
          : `${r.text}${l.after === ' ' ? ' ' : ''}`
      add({ text, font: r.font, size: l.size, colour, rtl: r.rtl })
    })
  })
  return out
}

/** Runs stand from left to right; the text of their line tells how they are read. */
function inReadingOrder({ text, runs }: SceneLine): SceneLine['runs'] {
  const left = [...runs]
  const out: SceneLine['runs'][number][] = []
  let at = 0
  while (left.length > 0) {
    const next = left.findIndex((r) => text.startsWith(r.text, at))
    const [run] = left.splice(Math.max(0, next), 1)
    if (!run) break
    at += run.text.length
    out.push(run)
  }
  return out
}
