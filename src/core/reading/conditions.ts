/** Conditions and what follows from them, by the words that tell them, in the author's own words: "if A, B", "B if A",
 *  "otherwise B". Rows by language; no grammar. */
import { contentWords, slice, trimmed, type Span } from '../text'

export type Condition = {
  readonly when: Span
  readonly then: Span
  readonly how: 'front' | 'behind' | 'else' | 'ruled'
}

type Words = { readonly front: string; readonly behind: string; readonly otherwise: string; readonly joins: string }
const languages: readonly Words[] = [
  {
    front:
      'if|when|whenever|where|wherever|unless|in case(?: of)?|in the event of|as soon as|once|provided(?: that)?|as long as|should|for',
    behind: 'if|when|whenever|where|unless|in case|provided(?: that)?|as long as|as soon as',
    otherwise: 'otherwise|if not|if so|else|failing that|in (?:all|any) other cases?',
    joins: 'and|but|or|so|then',
  },
  {
    front: 'wenn|falls|sofern|sobald|bei|im Falle?',
    behind: 'wenn|falls|sofern|sobald',
    otherwise: 'sonst|andernfalls|wenn nicht|ansonsten',
    joins: 'und|aber|oder|dann',
  },
  {
    front: 'si|cuando|en caso de|siempre que|en cuanto',
    behind: 'si|cuando|siempre que|en cuanto',
    otherwise: 'si no|de lo contrario|en otro caso',
    joins: 'y|pero|o|entonces',
  },
]
const any = (key: keyof Words): string => languages.map((l) => l[key]).join('|')

const FRONT = new RegExp(
  `^(?:(?:${any('joins')})\\s+)?(?:only\\s+)?(?:${any('front')})\\s+(.{3,260}?),\\s+(?!(?:${any('joins')}|which|who|not)\\s)(?:(?:then|dann|entonces)\\s+)?(?=\\S)`,
  'isu',
)
const BEHIND = new RegExp(`,?\\s+(?:only\\s+)?(?:${any('behind')})\\s+(?=\\S)`, 'iu')
const ELSE = new RegExp(`^((?:${any('otherwise')}))\\b[,:]?\\s+(?:then\\s+)?(?=\\S)`, 'iu')
/** "Lorries over 20 tonnes must be lashed": who or what, and what is the rule for it. */
const RULED =
  /^(.{4,90}?)(?<!\b(?:that|who|which|what|where|there))\s+(?=(?:may|must|can(?:not)?|will|should|shall|is|are|gets?|requires?|needs?|goes|go|muss|müssen|darf|dürfen|wird|werden|debe|deben|puede|pueden)\s)/isu
/** Words that tell one case of something from others. */
export const QUALIFIED =
  /\b(?:up to|over|under|above|below|more than|less than|at least|between|without|with|later|earlier|who|which|that|from|to|for|under|von|bis|über|unter|ohne|mit|hasta|más de|menos de|sin|con)\b|\d/iu
const PARTS = new RegExp(`;\\s+|,\\s+(?=(?:(?:${any('joins')})\\s+)?(?:if|when|should|wenn|falls|si|cuando)\\s)`, 'giu')

/** What a sentence makes depend on what. */
export const conditionsIn = (text: string, sentence: Span): Condition[] =>
  partsOf(text, sentence)
    .flatMap((s) => conditionIn(text, s) ?? [])
    // "... or where somebody is ill": what follows was said before.
    .filter((c) => contentWords(text, c.then).length > 0)

/** A long sentence may hold several: "if the fog lifts, we sail; if it stays, we wait". */
function partsOf(text: string, s: Span): Span[] {
  const out: Span[] = []
  let { start } = s
  for (const m of slice(text, s).matchAll(PARTS)) {
    const end = s.start + m.index
    // "Take it if you have time, if ...": the second hangs on the same.
    if (m[0].startsWith(';') || conditionIn(text, { start, end })) {
      out.push({ start, end })
      start = end + m[0].length
    }
  }
  return [...out, { start, end: s.end }].map((p) => trimmed(text, p)).filter((p) => p.end > p.start)
}

function conditionIn(text: string, s: Span): Condition | null {
  const run = slice(text, s)
  const from = (start: number, end = run.length): Span => trimmed(text, { start: s.start + start, end: s.start + end })
  const otherwise = ELSE.exec(run)
  if (otherwise) return { when: from(0, (otherwise[1] as string).length), then: from(otherwise[0].length), how: 'else' }
  const front = FRONT.exec(run)
  if (front) {
    const at = run.indexOf(front[1] as string)
    return { when: from(at, at + (front[1] as string).length), then: from(front[0].length), how: 'front' }
  }
  const behind = BEHIND.exec(run)
  if (behind && behind.index > 3)
    return { when: from(behind.index + behind[0].length), then: from(0, behind.index), how: 'behind' }
  return null
}

/** A rule for one case of something, told without "if": whom it is for, and what holds for them. */
export function ruleIn(text: string, s: Span): Condition | null {
  const ruled = RULED.exec(slice(text, s))
  if (!ruled || !QUALIFIED.test(ruled[1] as string)) return null
  return {
    when: { start: s.start, end: s.start + (ruled[1] as string).length },
    then: trimmed(text, { start: s.start + ruled[0].length, end: s.end }),
    how: 'ruled',
  }
}
