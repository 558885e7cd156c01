/** Figures that are marked in a Markdown text: a fenced block whose first word is `figure`, or a comment below a heading, which
 *  takes the section. Both say the file, and may say kind and title:
 *
 *      ```figure boarding.svg kind=process title="Boarding"        <!-- figure: boarding.svg kind=process -->
 */
export type MarkedFigure = {
  readonly file: string
  readonly kind: string | undefined
  readonly title: string | undefined
  readonly text: string
  /** Of its mark, from 1. */
  readonly line: number
}

const FENCE = /^(\s*)(`{3,}|~{3,})\s*figure\s+(.*)$/
const COMMENT = /^\s*<!--\s*figure:\s*(.*?)\s*-->\s*$/
const HEADING = /^(#{1,6})\s/

export function markedFigures(text: string): MarkedFigure[] {
  const lines = text.split('\n')
  return lines.flatMap((l, i): MarkedFigure[] => {
    const fence = FENCE.exec(l)
    const comment = COMMENT.exec(l)
    const said = wordsOf(fence?.[3] ?? comment?.[1] ?? '')
    if (!said) return []
    const body = fence ? fenced(lines, i, fence[2] as string) : section(lines, i)
    return [{ ...said, text: body, line: i + 1 }]
  })
}

function wordsOf(words: string): Pick<MarkedFigure, 'file' | 'kind' | 'title'> | null {
  const file = /^(?:"([^"]+)"|(\S+))/.exec(words)
  if (!file) return null
  const option = (name: string) => {
    const found = new RegExp(`\\b${name}=(?:"([^"]*)"|(\\S+))`).exec(words)
    return found?.[1] ?? found?.[2]
  }
  return { file: file[1] ?? file[2] ?? '', kind: option('kind'), title: option('title') }
}

function fenced(lines: readonly string[], from: number, mark: string): string {
  const end = lines.findIndex((l, i) => i > from && l.trim() === mark)
  return lines.slice(from + 1, end < 0 ? lines.length : end).join('\n')
}

/** From the heading above to the next of its level or higher. */
function section(lines: readonly string[], at: number): string {
  const above = lines.findLastIndex((l, i) => i < at && HEADING.test(l))
  const level = HEADING.exec(lines[above] ?? '')?.[1]?.length ?? 0
  const end = lines.findIndex((l, i) => i > at && (HEADING.exec(l)?.[1]?.length ?? 9) <= level)
  const own = lines.slice(Math.max(0, above), end < 0 ? lines.length : end)
  return own.filter((l) => !COMMENT.test(l)).join('\n')
}

/** The text as a reader has it: marks gone, what stood in fences plain. */
export function withoutMarks(text: string): string {
  let open: string | null = null
  return text
    .split('\n')
    .filter((l) => {
      const fence = FENCE.exec(l)
      if (fence && open === null) {
        open = fence[2] as string
        return false
      }
      if (open !== null && l.trim() === open) {
        open = null
        return false
      }
      return !COMMENT.test(l)
    })
    .join('\n')
}
