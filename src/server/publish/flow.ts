/** Running text in lines: words that change their look on the way, in paragraphs as wide as a column. */
import LineBreaker from 'linebreak'
import type { Line, Typesetter } from '@/core/measure'
import type { SceneLine } from '@/core/scene'
import type { FontKey } from '@/core/style'
import type { Words } from '@/manuscript'

export type Face = { readonly plain: readonly FontKey[]; readonly strong: readonly FontKey[]; readonly size: number }

/** Lines from x 0, baselines at 0. Bidirectional text is set in one look, whose order the typesetter knows. */
export function linesOf(words: Words, face: Face, room: number, typesetter: Typesetter, rtl: boolean): SceneLine[] {
  const looks = new Set(words.map((w) => 'strong' in w && w.strong))
  if (rtl || looks.size < 2) {
    const text = words.map((w) => w.text).join('')
    const fonts = words.every((w) => 'strong' in w && w.strong) && words.length > 0 ? face.strong : face.plain
    return typesetter.flow(text, fonts, face.size, room).map((l) => placed(l, face.size, rtl ? room - l.width : 0))
  }
  return mixed(words, face, room, typesetter)
}

const placed = (line: Line, size: number, x: number): SceneLine => ({
  ...{ text: line.text, after: line.after, baseline: 0, size, turn: 0 },
  runs: line.runs.map((r) => ({ ...r, x: r.x + x, glyphs: r.glyphs.map((g) => ({ ...g, x: g.x + r.x + x })) })),
})

type Piece = { readonly text: string; readonly strong: boolean }

/** A place where a line may end lies between words whatever they look like: breaks are found in the whole text. */
function mixed(words: Words, face: Face, room: number, typesetter: Typesetter): SceneLine[] {
  const out: SceneLine[] = []
  let line: Piece[] = []
  let width = 0
  const set = (p: Piece) => typesetter.line(p.text, p.strong ? face.strong : face.plain, face.size)
  const wholeOf = (chunk: readonly Piece[]) => chunk.reduce((sum, p) => sum + set(p).width, 0)
  const end = () => {
    let x = 0
    const runs = joined(line).flatMap((p, i, all) => {
      const l = set(i === all.length - 1 ? { ...p, text: p.text.trimEnd() } : p)
      const own = placed(l, face.size, x).runs
      x += l.width
      return own
    })
    out.push({ text: line.map((p) => p.text).join(''), after: ' ', baseline: 0, size: face.size, turn: 0, runs })
    line = []
    width = 0
  }
  for (const chunk of chunks(words).flatMap((c) => (c === '\n' || wholeOf(c) <= room ? [c] : lettersOf(c)))) {
    if (chunk === '\n') {
      end()
      continue
    }
    const wide = chunk.reduce(
      (sum, p, i) => sum + set(i === chunk.length - 1 ? { ...p, text: p.text.trimEnd() } : p).width,
      0,
    )
    const whole = chunk.reduce((sum, p) => sum + set(p).width, 0)
    if (line.length > 0 && width + wide > room) end()
    line.push(...chunk)
    width += whole
  }
  if (line.length > 0) end()
  return out
}

/** What is wider than the column may be broken anywhere. */
const lettersOf = (chunk: readonly Piece[]): Piece[][] =>
  chunk.flatMap((p) => [...p.text].map((text): Piece[] => [{ ...p, text }]))

/** Neighbours of one look as one, so that letters are shaped together. */
function joined(pieces: readonly Piece[]): Piece[] {
  const out: Piece[] = []
  for (const p of pieces) {
    const last = out.at(-1)
    if (last && last.strong === p.strong) out[out.length - 1] = { ...last, text: last.text + p.text }
    else out.push(p)
  }
  return out
}

/** What no line may be broken in. */
function chunks(words: Words): (Piece[] | '\n')[] {
  const out: (Piece[] | '\n')[] = []
  const text = words.map((w) => w.text).join('')
  const strong: boolean[] = words.flatMap((w) => Array.from({ length: w.text.length }, () => 'strong' in w && w.strong))
  const breaker = new LineBreaker(text)
  let from = 0
  for (let at = breaker.nextBreak(); at; at = breaker.nextBreak()) {
    const chunk: Piece[] = []
    for (let i = from; i < at.position; i++) {
      const letter = text[i] as string
      if (letter === '\n') continue
      const last = chunk.at(-1)
      if (last && last.strong === strong[i]) chunk[chunk.length - 1] = { ...last, text: last.text + letter }
      else chunk.push({ text: letter, strong: strong[i] ?? false })
    }
    if (chunk.length > 0) out.push(chunk)
    if (text[at.position - 1] === '\n') out.push('\n')
    from = at.position
  }
  return out
}
