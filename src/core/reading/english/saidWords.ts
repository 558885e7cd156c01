/** Words that say how a clause hangs on the one before, and that others are meant than those just told of. */
import type { Span } from '../../text'
import { cueOf, type CueName } from './cues'

export const CONDITIONS = new Set(['if', 'unless', 'in case', 'provided', 'provided that', 'even if'])
export const TIMES = new Set([
  'when',
  'whenever',
  'once',
  'as soon',
  'as long',
  'after',
  'while',
  'where',
  'wherever',
  'since',
])
export const COMPLEMENTS = new Set(['that', 'what', 'how', 'why', 'who', 'which', 'whose', 'whether', 'where'])
export const ASKING = new Set(
  'check decide determine see ask find establish consider assess confirm verify test know'.split(' '),
)

/** Somebody else is told something else: so who is meant is a question. */
export const OTHERS =
  /\b(?:those|the ones|anyone|people) (?:who|that) (?:do|are|is|does|can)(?:n't| not)\b|\b(?:(?:the )?others|the rest|(?:every|any)(?:one|body|thing) else)\b/i

/** "Cheap ideas are tried out. The expensive ones go to ...": the sentence behind says what becomes of the others. */
export const ONES = /^[^.;!?]*[.;!?]\s+(?:(?:the )?\p{L}+ ones|the (?:rest|others))\b/iu
export const LOOKS_AHEAD = 60

export const SIZES =
  /^(?:small|large|big|bigger|smaller|less|more|under|over|above|below|no|if|in|with|without|new|old|damaged|late|early|wet|dry|full|empty)$/

export const leadingCues = (text: string, span: Span): { name: CueName; span: Span }[] => {
  const found = cueOf(text.slice(span.start, span.end))
  const leads = found && /^(?:first|next|last|answer-yes|answer-no)$/.test(found.cue.name)
  return leads ? [{ name: found.cue.name, span: { start: span.start, end: span.start + found.length } }] : []
}
