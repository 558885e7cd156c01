/** Plain text to blocks: headings, list items, paragraphs, table rows, by Markdown marks and by indentation as people
 *  really paste it (tabs, uneven spaces, any bullet). Knows no language. Spans leave the marker out; text is not changed. */
import { cutAtSpaces, trimmed, type Span } from './span'

export type Block = {
  readonly type: 'heading' | 'item' | 'paragraph' | 'row'
  /** Heading level from 1; depth of an item from 0; 0 otherwise. */
  readonly depth: number
  readonly ordered: boolean
  /** The number an ordered item carries in the text. */
  readonly number: number | null
  readonly span: Span
  readonly cells: readonly Span[]
}

type Line = { readonly start: number; readonly end: number; readonly indent: number; readonly text: string }
type Marker = {
  readonly length: number
  readonly ordered: boolean
  readonly number: number | null
  readonly style: string
}

const TAB = 4
const BULLET =
  /^(?:([*+-])\1{1,4}|[-*+•◦▪▫‣⁃·●○■□◆◇►▶➤➢✓✔☐☑–—]|\p{Extended_Pictographic}\ufe0f?|o(?=[\t ]))[\t \u00a0]+/u
const NUMBER = /^\(?(\p{Nd}{1,4})(?:[.)．。、:](?!\p{Nd})|\))[\t \u00a0]*/u
const OUTLINE_NUMBER = /^(\d{1,3}(?:\.\d{1,3})+)[.)]?[\t \u00a0]+/
const LETTER = /^\(?([a-z]|[ivx]{1,4}|[A-H])[.)][\t \u00a0]+/
const STEP = /^(?:step|schritt|paso|étape)[\t ]+(\d{1,3})[.):]?[\t ]+/i
const HEADING = /^(#{1,6})[\t ]+/
/** "07:30: Switch off the alarm": a time of day that numbers a line. */
const CLOCK = /^\d{1,2}[:.]\d{2}(?: ?(?:am|pm|h))?[\t ]*[:–—-]?[\t ]+(?=\p{L})/iu
/** The particulars of a definition list. */
const DEFINES = /^:[\t ]+/
/** The head of a pasted e-mail. */
const MAIL_HEADER = /^(?:from|to|cc|bcc|subject|date|sent|reply-to):\s/i
const SEPARATOR = /^\|?[\s:|-]+\|?$/

/** Blocks for reading: one that is longer than any paragraph is cut at spaces, so that what is matched against blocks takes
 *  time by the length of the text and not by its square. */
export const readableBlocks = (text: string): Block[] =>
  blocksOf(text).flatMap((b) =>
    b.span.end - b.span.start > MAX_BLOCK
      ? cutAtSpaces(text, b.span, MAX_BLOCK).map((span) => ({ ...b, span, cells: [] }))
      : [b],
  )

const MAX_BLOCK = 4000

export function blocksOf(text: string): Block[] {
  const lines = linesOf(text)
  const out: Block[] = []
  const stack: { indent: number; style: string }[] = []
  // "1 Safety" over "1.1 Fire": numbers without a dot.
  const outlined = lines.filter((l) => OUTLINE_NUMBER.test(l.text)).length > 1
  let at = 0
  while (at < lines.length) {
    const line = lines[at] as Line
    const marker = markerOf(line.text) ?? (outlined ? chapterOf(line.text) : null)
    if (line.text === '') {
      if (lines[at + 1]?.text !== '' && !markerOf(lines[at + 1]?.text ?? '')) stack.length = 0
      at++
    } else if (HEADING.test(line.text)) {
      const marks = (HEADING.exec(line.text) as RegExpExecArray)[0].length
      out.push(block('heading', text, { start: line.start + marks, end: line.end }, { depth: line.text.indexOf(' ') }))
      stack.length = 0
      at++
    } else if (line.text.startsWith('|')) {
      if (!SEPARATOR.test(line.text)) out.push({ ...block('row', text, line), cells: cellsOf(text, line) })
      at++
    } else if (marker) {
      const depth = depthOf(stack, line.indent, marker)
      const end = continuation(lines, at, stack, outlined)
      const last = lines[end - 1] as Line
      out.push(
        block(
          'item',
          text,
          { start: line.start + marker.length, end: last.end },
          { depth, ordered: marker.ordered, number: marker.number },
        ),
      )
      at = end
    } else if (markerOf(lines[at + 1]?.text ?? '')?.style === 'defines') {
      out.push(block('item', text, line))
      stack.splice(0, stack.length, { indent: 0, style: 'term' })
      at++
    } else {
      at = paragraph(text, lines, at, out)
      stack.length = 0
    }
  }
  return out.filter((b) => b.span.end > b.span.start)
}

function block(type: Block['type'], text: string, span: Span, more: Partial<Block> = {}): Block {
  return {
    type,
    depth: 0,
    ordered: false,
    number: null,
    cells: [],
    ...more,
    span: withoutEmphasis(text, trimmed(text, span)),
  }
}

/** `**All bold**` is its words. */
function withoutEmphasis(text: string, s: Span): Span {
  const m = /^(\*\*|__)(?=\S)([^*_]+)\1:?$/.exec(text.slice(s.start, s.end))
  return m ? trimmed(text, { start: s.start + 2, end: s.start + 2 + (m[2] as string).length }) : s
}

function linesOf(text: string): Line[] {
  const out: Line[] = []
  for (let start = 0; start <= text.length;) {
    const found = text.indexOf('\n', start)
    const end = found < 0 ? text.length : found
    const raw = text.slice(start, end)
    const lead = (/^[\t \u00a0]*/.exec(raw) as RegExpExecArray)[0]
    // "** hemp" below "* ropes": as many levels as stars.
    const stars = /^([*+-])\1{1,4}(?=[\t ]\S)/.exec(raw.trim())?.[0].length ?? 1
    const indent = [...lead].reduce((n, c) => n + (c === '\t' ? TAB : 1), 0) + 2 * (stars - 1)
    out.push({ start: start + lead.length, end: start + raw.trimEnd().length, indent, text: raw.trim() })
    start = end + 1
  }
  return out
}

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
  if (number) return { length: number[0].length, ordered: true, number: digits(number[1] as string), style: 'number' }
  const bullet = BULLET.exec(line)
  if (bullet)
    return { length: bullet[0].length, ordered: false, number: null, style: `bullet${bullet[0].trim().charAt(0)}` }
  const letter = LETTER.exec(line)
  if (letter) return { length: letter[0].length, ordered: true, number: null, style: 'letter' }
  return null
}

const CHAPTER = /^(\d{1,2})[\t \u00a0]+(?=\p{Lu})/u
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

/** Depth of an item by its indent, one column of slack; at equal indents a change from numbers to bullets goes deeper. */
function depthOf(stack: { indent: number; style: string }[], indent: number, marker: Marker): number {
  // Plus and minus mark two sides of one list.
  const side = (style: string) => (/^bullet[+\-−–]$/.test(style) ? 'bullet-' : style)
  const same = (s: { indent: number; style: string }) => side(s.style) === side(marker.style)
  while (stack.length && indent < (stack.at(-1) as { indent: number }).indent - 1) stack.pop()
  const top = stack.at(-1)
  if (top && indent <= top.indent + 1 && !same(top)) {
    const known = stack.findLastIndex((s) => same(s) && Math.abs(s.indent - indent) <= 1)
    if (known >= 0) stack.length = known
    else if (marker.style === 'number' || marker.style === 'step')
      stack.length = Math.max(
        0,
        stack.findIndex((s) => Math.abs(s.indent - indent) <= 1),
      )
  } else if (top && indent <= top.indent + 1) stack.pop()
  stack.push({ indent, style: marker.style })
  return stack.length - 1
}

/** First line after an item's own lines: lines without marker that follow at once belong to it. */
function continuation(
  lines: readonly Line[],
  at: number,
  stack: readonly { indent: number }[],
  outlined: boolean,
): number {
  let end = at + 1
  const indent = stack.at(-1)?.indent ?? 0
  for (; end < lines.length; end++) {
    const next = lines[end] as Line
    const ended =
      next.text === '' ||
      markerOf(next.text) ||
      (chapterOf(next.text) && outlined) ||
      HEADING.test(next.text) ||
      next.text.startsWith('|')
    // "Galley" between two lists: the name of the next.
    const group =
      /^[\p{Lu}\p{N}][^.!?;:]{0,40}$/u.test(next.text) &&
      !/[,;]$/.test((lines[end - 1] as Line).text) &&
      markerOf(lines[end + 1]?.text ?? '') !== null
    const opens = next.indent <= indent && (group || /^\p{Lu}.{0,40}:$/u.test(next.text))
    if (
      ended ||
      opens ||
      // Back out of an indented list: a line of its own.
      next.indent < indent ||
      (next.indent <= indent && /^\p{Lu}/u.test(next.text) && /[.!?:]$/.test((lines[end - 1] as Line).text))
    )
      break
  }
  return end
}

/** A paragraph, or the items that it really is: several short lines each of which could stand alone. */
function paragraph(text: string, lines: readonly Line[], at: number, out: Block[]): number {
  let end = at
  while (end < lines.length) {
    const l = lines[end] as Line
    // "Options for the float:" names what stands below it.
    const named = end === at + 1 && (/^.{1,60}[:：]$/u.test((lines[at] as Line).text) || isTitle(lines, at))
    if (l.text === '' || named || (end > at && (markerOf(l.text) || HEADING.test(l.text) || l.text.startsWith('|'))))
      break
    end++
  }
  // "Equipment list", "Deck", then a list: the last line names it.
  const [before, last] = [lines[end - 2], lines[end - 1]]
  const listed = end - at > 1 && markerOf(lines[end]?.text ?? '') !== null
  if (
    listed &&
    before &&
    last &&
    NAMES_LIST.test(last.text) &&
    (/[?!.:]$/.test(before.text) || before.text.length <= 60)
  ) {
    if (end - at === 2) {
      const title = !/[.:]$/.test(before.text)
      out.push(block(title ? 'heading' : 'paragraph', text, before, title ? { depth: 1 } : {}))
      out.push(block('paragraph', text, last))
      return end
    }
    paragraph(text, lines.slice(0, end - 1), at, out)
    return end - 1
  }
  const own = lines.slice(at, end)
  if (own.length > 1 && own.every((l) => MAIL_HEADER.test(l.text))) {
    for (const l of own) out.push(block('paragraph', text, l))
    return end
  }
  if (looksLikeLines(own)) {
    const stack: { indent: number; style: string }[] = []
    // "Packing list" over lines without capitals.
    const [first, ...others] = own
    const titled =
      /^\p{Lu}/u.test(first?.text ?? '') && others.every((l) => /^\p{Ll}/u.test(l.text) && l.indent === first?.indent)
    if (titled && first) out.push(block('heading', text, first, { depth: 1 }))
    for (const l of titled ? others : own) {
      const depth = depthOf(stack, l.indent, { length: 0, ordered: false, number: null, style: 'line' })
      out.push(block('item', text, l, { depth }))
    }
    return end
  }
  // "Repair: cheap, but ..." line below line: each says something of its own.
  const labelled = own.filter((l) => LABELLED.test(l.text)).length
  if (
    own.length > (labelled === own.length ? 1 : 2) &&
    labelled >= own.length - 1 &&
    (labelled === own.length || !LABELLED.test((own[0] as Line).text))
  ) {
    own.forEach((l, i) => {
      const title = i === 0 && labelled < own.length
      out.push(block(title ? 'heading' : 'paragraph', text, l, title ? { depth: 2 } : {}))
    })
    return end
  }
  const span = { start: (own[0] as Line).start, end: (own.at(-1) as Line).end }
  const heading = own.length === 1 && (isTitle(lines, at) || isBoldOrShort(own[0] as Line, lines[end + 1]))
  out.push(block(heading ? 'heading' : 'paragraph', text, span, heading ? { depth: 2 } : {}))
  return end
}

/** A few words with a capital and no stop. */
const NAMES_LIST = /^\p{Lu}[^.!?:;,]{0,36}$/u

/** Lines that each say something of their own: short ones without full stops, or with capitals; not wrapped prose. */
const looksLikeLines = (own: readonly Line[]): boolean =>
  own.length >= 3 &&
  ((own.every((l) => l.text.length <= 62 && !/[,;]$/.test(l.text)) &&
    own.filter((l) => /[.!]$/.test(l.text)).length <= own.length * 0.3) ||
    haveCapitals(own))

const haveCapitals = (own: readonly Line[]): boolean =>
  own.every(
    (l, i) =>
      l.text.length <= 90 &&
      !/[,;]$/.test(l.text) &&
      (i === 0 || !/^\p{Ll}/u.test(l.text) || /^[a-z]\S* /.test(l.text)),
  ) &&
  own.filter((l) => !/[.!?]$/.test(l.text) || l.text.length < 45).length >= own.length - 1 &&
  own.filter((l) => /^[^\p{Ll}]/u.test(l.text)).length >= own.length * 0.7

/** A name of a few words, a colon, and more. */
const LABELLED = /^(?!(?:Yes|No|If|When|Ja|Nein|Sí)\b)\p{Lu}[^:.!?]{0,40}:\s+\S/u

/** A short line without a full stop, right above sentences. */
function isTitle(lines: readonly Line[], at: number): boolean {
  const [line, next] = [lines[at] as Line, lines[at + 1]]
  return (
    next !== undefined &&
    line.text.length <= 50 &&
    /^[\p{Lu}\p{N}]/u.test(line.text) &&
    /[\p{L}\p{N})]$/u.test(line.text) &&
    !/[:,]/.test(line.text) &&
    !/\s(?:the|an?|of|and|or|to|in|on|for|with|der|die|das|und|el|la|y|de)$/i.test(line.text) &&
    /^\p{Lu}/u.test(next.text) &&
    line.text.length < next.text.length * 0.6 &&
    /[.!?]$|[.!?:] /.test(next.text)
  )
}

const isBoldOrShort = (l: Line, next: Line | undefined): boolean =>
  /^(\*\*|__)[^*_]+\1$/.test(l.text) ||
  (l.text.length <= 60 &&
    !/[.!?:;,]$/.test(l.text) &&
    next !== undefined &&
    next.text !== '' &&
    /^\p{Lu}/u.test(l.text))

function cellsOf(text: string, line: Line): Span[] {
  const out: Span[] = []
  let start = line.start + 1
  for (let i = start; i <= line.end; i++)
    if (i === line.end || text[i] === '|') {
      if (i > start || text[i] === '|') out.push(trimmed(text, { start, end: i }))
      start = i + 1
    }
  return out
}
