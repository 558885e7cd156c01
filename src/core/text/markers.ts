/** What marks a line as an item: bullets, numbers, letters, times, particulars of a definition; numbers without a mark where
 *  lines count up or are coded. Knows single lines, and what all lines of a text have in common. */

export type Marker = {
  readonly length: number
  readonly ordered: boolean
  readonly number: number | null
  readonly style: string
  /** Columns that it stands for being indented. */
  readonly deeper?: number
}

const BULLET =
  /^(?:([*+-])\1{1,4}|\[[ xX]?\]|->|=>|[-*+•◦→▪▫‣⁃·●○■□◆◇►▶➤➢✓✔☐☑–—]|\p{Extended_Pictographic}\ufe0f?|o(?=[\t ]))[\t \u00a0]+(?:\[[ xX]?\][\t ]+)?/u
const NUMBER =
  /^(?:\(|§[\t \u00a0]?)?(\p{Nd}{1,4})(?:[.)．。、:](?!\p{Nd})|\))[\t \u00a0]*|^§[\t \u00a0]?(\p{Nd}{1,3})[\t \u00a0]+/u
const OUTLINE_NUMBER = /^(\d{1,3}(?:\.\d{1,3})+)[.)]?[\t \u00a0]+/
const LETTER = /^\(?([a-z]|[ivx]{1,4}|[A-H])[.)][\t \u00a0]+/
const STEP = /^(?:step|schritt|paso|étape)[\t ]+(\d{1,3})[.):]?[\t ]+/i
/** "07:30: Switch off the alarm": a time of day that numbers a line. */
const CLOCK = /^\d{1,2}[:.]\d{2}(?: ?(?:am|pm|h))?[\t ]*[:–—-]?[\t ]+(?=\p{L})/iu
/** The particulars of a definition list. */
const DEFINES = /^:[\t ]+/

export function markerOf(line: string): Marker | null {
  const step = STEP.exec(line)
  if (step) return { length: step[0].length, ordered: true, number: Number(step[1]), style: 'step' }
  const clock = CLOCK.exec(line)
  if (clock) return { length: clock[0].length, ordered: true, number: null, style: 'clock' }
  const defines = DEFINES.exec(line)
  if (defines) return { length: defines[0].length, ordered: false, number: null, style: 'defines' }
  const outline = OUTLINE_NUMBER.exec(line)
  if (outline) {
    const parts = (outline[1] as string).split('.')
    return { length: outline[0].length, ordered: true, number: Number(parts.at(-1)), style: `outline${parts.length}` }
  }
  const number = NUMBER.exec(line)
  if (number)
    return {
      length: number[0].length,
      ordered: true,
      number: digits((number[1] ?? number[2]) as string),
      style: 'number',
    }
  const bullet = BULLET.exec(line)
  if (bullet)
    return { length: bullet[0].length, ordered: false, number: null, style: `bullet${[...bullet[0].trim()][0] ?? ''}` }
  const letter = LETTER.exec(line)
  if (letter) return { length: letter[0].length, ordered: true, number: null, style: 'letter' }
  return null
}

const CHAPTER = /^(\d{1,2})[\t \u00a0]+(?=\p{L})/u

const CODE = /^(\d{2,4})[\t \u00a0]+(?=\p{L})/u
/** "100 Ships", "110 Teal", "111 Papers": a plan whose numbers say by their noughts what belongs to what. */
function hasCodes(lines: readonly string[]): boolean {
  const codes = lines.flatMap((l) => CODE.exec(l)?.[1] ?? [])
  const [first] = codes
  return (
    first !== undefined &&
    codes.length >= 5 &&
    codes.length >= lines.filter((l) => l !== '').length * 0.6 &&
    codes.every((c, i) => c.length === first.length && (i === 0 || Number(c) > Number(codes[i - 1]))) &&
    codes.filter((c) => c.endsWith('0')).length >= 2
  )
}
function codeOf(line: string): Marker | null {
  const m = CODE.exec(line)
  if (!m) return null
  const [code = ''] = [m[1]]
  const noughts = (/0*$/.exec(code) as RegExpExecArray)[0].length
  return { length: m[0].length, ordered: true, number: null, style: 'code', deeper: 4 * (code.length - noughts) }
}

/** "1 sound the horn", "2 stop", "3 call the bridge": lines that are numbered though no mark follows the number. */
function countsUp(lines: readonly string[]): boolean {
  const numbers = lines.flatMap((l) => {
    const m = CHAPTER.exec(l)
    return m ? [Number(m[1])] : []
  })
  return numbers.length >= 3 && numbers.every((n, i) => n === i + 1)
}

function chapterOf(line: string): Marker | null {
  const m = CHAPTER.exec(line)
  return m ? { length: m[0].length, ordered: true, number: Number(m[1]), style: 'outline1' } : null
}

/** The value of decimal digits of any script: every script's digits stand in one row of ten, its zero first. */
function digits(s: string): number {
  return [...s].reduce((n, c) => {
    let zero = c.codePointAt(0) as number
    const code = zero
    while (/\p{Nd}/u.test(String.fromCodePoint(zero - 1)) && code - zero < 9) zero--
    return n * 10 + (code - zero)
  }, 0)
}

/** What marks each line. A picture that stands before one line alone is an ornament, and no bullet. */
export function markersOf(lines: readonly string[]): (Marker | null)[] {
  const marks = lines.map(markerOf)
  const count = new Map<string, number>()
  for (const m of marks) if (m) count.set(m.style, (count.get(m.style) ?? 0) + 1)
  const coded = hasCodes(lines)
  // "1 Safety" over "1.1 Fire": numbers without a dot.
  const outlined = lines.filter((l) => OUTLINE_NUMBER.test(l)).length > 1 || countsUp(lines)
  return marks.map((m, i) => {
    const line = lines[i] as string
    if (m) return PICTURE.test(m.style) && count.get(m.style) === 1 ? null : m
    return coded ? codeOf(line) : outlined ? chapterOf(line) : null
  })
}
const PICTURE = /^bullet\p{Extended_Pictographic}/u
