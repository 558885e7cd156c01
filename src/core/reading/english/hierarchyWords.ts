/** Words for kinds and counts, and where a list of them begins and ends. */
import { countOf } from './counts'
import { CATEGORY } from './hierarchyCues'
import { bare } from './phrases'
import type { Tagged } from './tag'

export const announcedCount = (words: readonly Tagged[]): { announced?: number } => {
  const num = words.find((w) => w.tag === 'num')
  const n = countOf(num?.lower ?? '') ?? 0
  return n >= 2 ? { announced: n } : {}
}
export const phraseText = (words: readonly Tagged[]): string => words.map((w) => w.lower).join(' ')
export const ANNOUNCES = new RegExp(
  `^(?:with |between |one of )?(?:the )?((?:two|three|four|five|six|seven|eight|\\d+|several|different|various|many|a few|following|main|basic|broad|important|big|major|distinct) )+(?:\\p{L}+ ){0,2}?${CATEGORY}\\b( of ([^:–—,;.]+))?`,
  'iu',
)
export const CATEGORY_PHRASE = new RegExp(`^(?:the |an? )?(?:\\p{L}+ ){0,3}${CATEGORY}$`, 'iu')
export const COUNTED_CATEGORY = new RegExp(
  `^(?:two|three|four|five|six|several|\\d+) (?:\\p{L}+ ){0,2}${CATEGORY}$`,
  'iu',
)
export const ONLY_CATEGORY = new RegExp(
  `^(?:one of )?(?:the |these |an? )?(?:two|three|four|five|six|seven|eight|several|many|\\d+) (?:\\p{L}+ ){0,2}${CATEGORY}$`,
  'iu',
)

/** "one for the fair and one for the concerts": what each of them is for. */
export const withoutOne = (words: readonly Tagged[]): readonly Tagged[] =>
  words.filter(
    (w, i) =>
      !(w.lower === 'one' && /^(?:for|in|on|at)$/.test(words[i + 1]?.lower ?? '')) &&
      !(/^(?:for|in|on|at)$/.test(w.lower) && words[i - 1]?.lower === 'one'),
  )

/** "two mates, one for each watch": says more about them. */
export const beforeOne = (words: readonly Tagged[]): readonly Tagged[] => {
  const at = words.findIndex(
    (w, i) => i > 1 && w.lower === 'one' && /^(?:for|in|on|at)$/.test(words[i + 1]?.lower ?? ''),
  )
  return at > 0 ? words.slice(0, at) : words
}

/** What stands behind "two sections:" or "three groups". */
export function afterCategory(words: readonly Tagged[]): readonly Tagged[] {
  const colon = words.findIndex((w) => /^[:–—]$/.test(w.text))
  const head = words.slice(0, colon < 0 ? words.length : colon)
  const isCategory = CATEGORY_PHRASE.test(head.map((w) => w.text).join(' '))
  if (colon >= 0 && (isCategory || head.length <= (head[0]?.tag === 'num' ? 7 : 4))) return words.slice(colon + 1)
  // "has lessons on ropes and knots"
  const topics = head.findIndex((w) => /^(?:on|about|for)$/.test(w.lower))
  if (
    topics > 0 &&
    /^(?:lessons|sections|chapters|articles|units|pages|topics|parts|courses|modules)$/.test(
      head[topics - 1]?.lower ?? '',
    )
  )
    return head.slice(topics + 1)
  const comma = words.findIndex((w) => w.text === ',')
  const first = words
    .slice(0, comma < 0 ? words.length : comma)
    .map((w) => w.text)
    .join(' ')
  if (comma > 0 && COUNTED_CATEGORY.test(first)) return words.slice(comma + 1)
  return words
}

/** A list up to the next thing that is no part of it. */
export function cutList(words: readonly Tagged[]): readonly Tagged[] {
  const list = bare(words)
  const end = list.findIndex(
    (w, i) => i > 0 && (w.finite || w.tag === 'sub' || w.tag === 'to' || /^(?:such|including|namely)$/.test(w.lower)),
  )
  const cut = end > 0 ? list.slice(0, end) : list
  return bare(cut.filter((w, i) => !(w.lower === 'but' && cut[i + 1]?.lower === 'also')))
}

/** The items that an inserted list has before the sentence goes on. */
export function untilVerb(words: readonly Tagged[]): readonly Tagged[] {
  const verb = words.findIndex((w) => w.finite || w.tag === 'sub' || w.tag === 'rel' || /^[;:–—]$/.test(w.text))
  if (verb < 0) return words
  const cut = words.slice(0, verb)
  const comma = cut.findLastIndex((w) => w.text === ',')
  return comma > 0 && (words[verb] as Tagged).finite ? cut.slice(0, comma) : cut
}

/** Who helps the one above and has no line of their own: "assistant to the manager", "safety adviser". An assistant mate or
 *  engineer is a rank in the line. */
const ASSISTANT =
  /^(?:the |an? |(?:one|his|her) )*(?:assistant|secretary|aide)s?(?: (?:to|of) .+)?$|\b(?:secretary|advis[eo]r|aide)s?$/i
export const isAssistant = (label: string): boolean => ASSISTANT.test(label.trim())
