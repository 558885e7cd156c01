/** What a line, or lines that follow each other, look like: titles, names of what stands below, lines that each say
 *  something of their own. Knows shapes, no language but a few small words that end no title. */
import { labelOf } from './labels'
import type { Line } from './lines'

/** The head of a pasted e-mail. */
export const MAIL_HEADER = /^(?:from|to|cc|bcc|subject|date|sent|reply-to):\s/i

/** A few words without a stop, and such with a capital. */
export const NAMES_SMALL = /^(?:\S+\s+){0,3}\S*[\p{L}\p{N})]$/u
export const NAMES_LIST = /^\p{Lu}[^.!?:;,]{0,36}:?$/u

/** Lines that each say something of their own: short ones without full stops, or with capitals; not wrapped prose. */
export const looksLikeLines = (own: readonly Line[]): boolean =>
  own.length >= 3 &&
  ((own.every((l) => l.text.length <= 62 && !/[,;]$/.test(l.text)) &&
    own.filter((l) => /[.!]$/.test(l.text)).length <= own.length * 0.3) ||
    haveCapitals(own) ||
    haveOwnBreaks(own))

/** The author ended these lines, not the width of a page: most are shorter than they need be, and each begins or is built
 *  like the others. */
function haveOwnBreaks(own: readonly Line[]): boolean {
  const width = Math.max(...own.map((l) => l.text.length))
  const isFree = (l: Line, next: Line | undefined): boolean =>
    next !== undefined && l.text.length + 1 + (/^\S+/.exec(next.text)?.[0].length ?? 0) <= width
  const free = own.filter((l, i) => isFree(l, own[i + 1])).length
  if (free < (own.length - 1) * 0.6 || own.some((l) => l.text.length > 260)) return false
  const share = (is: (l: Line) => boolean) => own.filter(is).length / own.length
  if (
    own
      .slice(0, -1)
      .some((l) => /(?:,|\s(?:and|or|of|the|an?|to|with|in|for|und|oder|der|die|das|y|de|la))$/iu.test(l.text))
  )
    return false
  const led = share((l) => labelOf(l.text, { start: 0, end: l.text.length }).led)
  const small = share((l) => /^\p{Ll}/u.test(l.text))
  return led >= 0.5 || small > 0.9 || (small < 0.2 && share((l) => /[.!?]$/.test(l.text)) < 0.5)
}

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
export const LABELLED = /^(?!(?:Yes|No|If|When|Ja|Nein|Sí)\b)\p{Lu}[^:.!?]{0,40}:\s+\S/u

/** A short line without a full stop, right above sentences. */
export function isTitle(lines: readonly Line[], at: number): boolean {
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

export const isBoldOrShort = (l: Line, next: Line | undefined): boolean =>
  isBold(l.text) ||
  (l.text.length <= 60 &&
    !/[.!?:;,]$/.test(l.text) &&
    next !== undefined &&
    next.text !== '' &&
    /^\p{Lu}/u.test(l.text))

export const isBold = (line: string): boolean => /^(\*\*|__)[^*_]+\1:?$/.test(line)

/** A line with nothing above and below it, and text further down: a heading, though nothing marks it. The first line of all
 *  may be longer and begin small. */
export function standsAlone(lines: readonly Line[], at: number): boolean {
  const { text } = lines[at] as Line
  let below = at + 1
  while (lines[below]?.text === '') below++
  const first = lines.every((l, i) => i >= at || l.text === '')
  return (
    below > at + 1 &&
    below < lines.length &&
    text.length <= (first ? 90 : 60) &&
    text.split(/\s+/).length <= (first ? 16 : 9) &&
    (first || /^[\p{Lu}\p{N}"“«¿]/u.test(text)) &&
    !/[.!;,…]$/.test(text) &&
    !/[:：]$/.test(text) &&
    !/^[^:：]{1,40}?\s?[:：]\s+\S/u.test(text) &&
    !MAIL_HEADER.test(text)
  )
}
