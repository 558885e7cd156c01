/** An English sentence as what it says: connective, condition, actions. Position rules over the lexicon; no parser. */
import type { Span } from '../../text'
import { cueOf, type CueName } from './cues'
import { actionOf, isNegatedImperative, objectOf, plainAction, type Action } from './action'
import { conditionOf, questionOf, type Condition } from './condition'
import { joined } from './label'
import { mainClause } from './mainClause'
import { finiteVerb, isImperativeAt, skipAdverbs, verbReading } from './verbs'
import { DETERMINERS, wordsOf, type Lexicon, type Word } from './words'

export type Said = {
  readonly span: Span
  readonly cues: readonly { readonly name: CueName; readonly span: Span }[]
  readonly condition: Condition | null
  readonly actions: readonly Action[]
  /** A question put as such: "Is the ramp clear?", "check whether the ramp is clear". */
  readonly asks: Condition | null
  readonly goTo: { readonly step: number | null; readonly span: Span; readonly note: string } | null
  /** The subject of a fronted clause, which "it" takes up: "once the dough has doubled, shape it". */
  readonly topic: string | null
}

const MOST_WORDS = 400
const SEGMENT =
  /(?:[;,]|\s[–—])?(?<!\b(?:every|any|some|no)(?:thing|one|body))\s+(?:(?:and|but|or)\s+)?(?=(?:otherwise|or else|if not|else)\b)|,?\s+(?:and|then|and then)\s+(?=(?:repeat|go (?:back )?to|return to|continue (?:with|at|from)) (?:from )?steps? \d)|[;,]\s+(?:(?:and|but|or)\s+)?(?=(?:if|unless)\s)|;\s+|:\s+(?=(?:if|unless)\s)/gi

/** The parts of a sentence that can each carry a condition of their own, in order. */
export function saidIn(text: string, sentence: Span, lexicon: Lexicon): Said[] {
  const run = text.slice(sentence.start, sentence.end)
  const cuts = [...run.matchAll(SEGMENT)].map((m) => ({ end: m.index, next: m.index + m[0].length }))
  const spans: Span[] = []
  let from = 0
  for (const c of cuts) {
    if (c.end > from) spans.push({ start: sentence.start + from, end: sentence.start + c.end })
    from = c.next
  }
  spans.push({ start: sentence.start + from, end: sentence.end })
  return spans.map((s) => saidOf(text, s, lexicon))
}

function saidOf(text: string, span: Span, lexicon: Lexicon): Said {
  const all = wordsOf(text, span)
  const cues: { name: CueName; span: Span }[] = []
  let words: readonly Word[] = all
  const base = { span, cues, condition: null, actions: [], asks: null, goTo: null, topic: null } as const
  if (all.length > MOST_WORDS) return { ...base, actions: [plainAction(all)] }
  for (let found = next(text, words, span.end); found; found = next(text, words, span.end)) {
    const { cue, length, match } = found
    const at = { start: words[0]?.start ?? span.start, end: (words[0]?.start ?? span.start) + length }
    cues.push({ name: cue.name, span: at })
    const rest = words.filter((w) => w.start >= at.end)
    if (cue.name === 'note') return { ...base, actions: [] }
    if (cue.name === 'go-to-step' || cue.name === 'go-to-start')
      return {
        ...base,
        goTo: { step: cue.name === 'go-to-start' ? 1 : Number(match[1]), span, note: joined(rest).toLowerCase() },
      }
    if (cue.name === 'stop') return base
    if (cue.name === 'repeat-until') return { ...base, condition: conditionOf(rest, false, true, lexicon) }
    if (['if', 'unless', 'when', 'before', 'after'].includes(cue.name))
      return withSubordinate(base, cue.name, rest, lexicon)
    words = rest
  }
  if (/\?\s*$/.test(text.slice(span.start, span.end)) || all.at(-1)?.text === '?')
    return { ...base, asks: questionOf(words, lexicon) }
  return { ...base, ...mainClause(words, lexicon) }
}

const next = (text: string, words: readonly Word[], end: number) =>
  words[0] ? cueOf(text.slice(words[0].start, end)) : null

function withSubordinate(base: Said, name: CueName, words: readonly Word[], lexicon: Lexicon): Said {
  const comma = mainClauseStart(words, name, lexicon)
  if (comma < 0) {
    const whole = [...wordsAt(base, words)]
    if (name === 'if' || name === 'unless')
      return { ...base, condition: conditionOf(words, name === 'unless', true, lexicon) }
    return { ...base, ...mainClause(whole, lexicon) }
  }
  const [inside, outside] = [
    words.slice(0, comma),
    words.slice(comma).filter((w, i) => !(i === 0 && (w.text === ',' || w.lower === 'then'))),
  ]
  const main = mainClause(outside[0]?.lower === 'then' ? outside.slice(1) : outside, lexicon)
  if (name === 'before') {
    const earlier = actionOf(gerundAsBase(inside, lexicon), lexicon)
    return { ...base, ...main, actions: earlier.doing ? [...main.actions, earlier] : main.actions }
  }
  const f = finiteVerb(inside, 0, lexicon)
  const topic =
    f > 0
      ? objectOf(
          inside.slice(0, f).filter((w, i) => i > 0 || DETERMINERS.has(w.lower)),
          lexicon,
        )
      : null
  if (name === 'after') return { ...base, ...main, topic }
  return { ...base, ...main, topic, condition: conditionOf(inside, name === 'unless', name !== 'when', lexicon) }
}
const wordsAt = (base: Said, words: readonly Word[]): readonly Word[] => (base.span.end > base.span.start ? words : [])

/** Index of the comma (or "then") that ends a fronted clause: the clause has its verb and what follows is one too. */
function mainClauseStart(words: readonly Word[], name: CueName, lexicon: Lexicon): number {
  for (let i = 1; i < words.length - 1; i++) {
    const w = words[i] as Word
    if (w.text !== ',' && w.lower !== 'then') continue
    const start = skipAdverbs(words, words[i + 1]?.lower === 'then' ? i + 2 : i + 1)
    const fronted =
      name === 'after' ||
      name === 'before' ||
      finiteVerb(words.slice(0, i), 0, lexicon) >= 0 ||
      words.slice(0, i).some((x) => verbReading(x.lower, lexicon)?.form === 'ed')
    const clause = words.slice(start)
    const opens =
      isImperativeAt(words, start, lexicon) || finiteVerb(clause, 0, lexicon) > 0 || isNegatedImperative(clause)
    if (fronted && opens) return i
  }
  return -1
}

function gerundAsBase(words: readonly Word[], lexicon: Lexicon): readonly Word[] {
  const first = words[0]
  const reading = first && verbReading(first.lower, lexicon)
  return first && reading?.form === 'ing'
    ? [{ ...first, text: reading.base, lower: reading.base }, ...words.slice(1)]
    : words
}
