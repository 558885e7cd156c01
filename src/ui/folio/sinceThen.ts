/** Two states of a text held against each other, line by line. */
import { listDifference } from '@/core/text'

/** A line as it was then, one that has come since, or how many in a row are the same and left out. */
export type Line =
  | { readonly is: 'same' | 'then' | 'since'; readonly text: string }
  | { readonly is: 'left out'; readonly lines: number }

/** So many lines that are the same stand around what differs. */
const AROUND = 1
export function sinceThen(then: string, now: string): readonly Line[] {
  const lines = (text: string): string[] => text.split('\n').filter((l) => l.trim() !== '')
  const [was, is] = [lines(then), lines(now)]
  const names = { same: 'same', gone: 'then', come: 'since' } as const
  let [i, j] = [0, 0]
  const all = listDifference(was, is).flatMap((s): Line[] => {
    const own = s.is === 'come' ? is.slice(j, j + s.length) : was.slice(i, i + s.length)
    if (s.is !== 'come') i += s.length
    if (s.is !== 'gone') j += s.length
    return own.map((text) => ({ is: names[s.is], text }))
  })
  return shortened(all)
}

/** Long runs of what is the same are told by their length; all of a text that is the same stays. */
function shortened(lines: readonly Line[]): readonly Line[] {
  const differs = lines.flatMap((l, i) => (l.is === 'same' ? [] : [i]))
  if (differs.length === 0) return lines
  const near = (i: number) => differs.some((d) => Math.abs(d - i) <= AROUND)
  const out: Line[] = []
  lines.forEach((l, i) => {
    if (near(i)) return void out.push(l)
    const last = out.at(-1)
    if (last?.is === 'left out') out[out.length - 1] = { is: 'left out', lines: last.lines + 1 }
    else out.push({ is: 'left out', lines: 1 })
  })
  return out
}
