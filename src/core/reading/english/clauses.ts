/** An English sentence as what it says: connective, condition, actions. Position rules over the lexicon; no parser. */
import type { Span } from '../../text'
import { cueOf, type CueName } from './cues'
import { actorName, capitalised, joined, labelOf } from './label'
import { finiteVerb, isImperativeAt, isThirdPersonAt, skipAdverbs, verbReading } from './verbs'
import {
  AUXILIARIES,
  CONJUNCTIONS,
  DETERMINERS,
  MODALS,
  NEGATIONS,
  PREPOSITIONS,
  PRONOUNS,
  isFunctionWord,
  isWord,
  wordsOf,
  type Lexicon,
  type Word,
} from './words'

export type Action = {
  readonly label: string
  readonly actor: string | null
  /** True when somebody does something, false for a state or a bare phrase. */
  readonly doing: boolean
  readonly source: Span
  /** Content words in their base forms. */
  readonly content: readonly string[]
  /** What it is done to, when short enough to stand for "it" later. */
  readonly object: string | null
}
export type Condition = {
  readonly question: string
  /** The answer under which the actions are done. */
  readonly answer: 'yes' | 'no'
  readonly source: Span
  readonly content: readonly string[]
  /** A "when" may be a time rather than a question. */
  readonly sure: boolean
}
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
  const topic = f > 0 ? objectOf(inside.slice(0, f).filter((w, i) => i > 0 || DETERMINERS.has(w.lower))) : null
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
const isNegatedImperative = (w: readonly Word[]): boolean =>
  (w[0]?.lower === 'do' && w[1]?.lower === 'not') || w[0]?.lower === "don't" || w[0]?.lower === 'never'

function gerundAsBase(words: readonly Word[], lexicon: Lexicon): readonly Word[] {
  const first = words[0]
  const reading = first && verbReading(first.lower, lexicon)
  return first && reading?.form === 'ing'
    ? [{ ...first, text: reading.base, lower: reading.base }, ...words.slice(1)]
    : words
}

const ASKING = new Set([
  'check',
  'decide',
  'determine',
  'see',
  'ask',
  'find',
  'establish',
  'consider',
  'assess',
  'confirm',
  'verify',
])

/** A main clause: its coordinated verb phrases, with an "if", "unless" or "until" that trails behind them. */
function mainClause(words: readonly Word[], lexicon: Lexicon): Pick<Said, 'actions' | 'condition' | 'asks'> {
  const fronted = frontedPhraseEnd(words, lexicon)
  if (fronted > 0) return mainClause(words.slice(fronted + 1), lexicon)
  const trailing = words.findIndex(
    (w, i) => i > 1 && (w.lower === 'if' || w.lower === 'unless' || w.lower === 'until' || w.lower === 'whether'),
  )
  const tail = words[trailing]
  if (tail && tail.lower !== 'until') {
    const before = words.slice(0, trailing)
    const lastVerb = before.findLastIndex((w) => ASKING.has(verbReading(w.lower, lexicon)?.base ?? ''))
    const asked =
      lastVerb >= 0 && before.length - lastVerb <= 4 && (tail.lower === 'whether' || before.length - lastVerb <= 2)
    const inside = conditionOf(words.slice(trailing + 1), tail.lower === 'unless', true, lexicon)
    if (asked) {
      const earlier = verbPhrases(before.slice(0, lastVerb), lexicon).filter((a) => a.doing)
      const source = { start: (before[lastVerb] as Word).start, end: inside.source.end }
      return { actions: earlier, condition: null, asks: { ...inside, answer: 'yes', source } }
    }
    if (tail.lower !== 'whether') return { actions: verbPhrases(before, lexicon), condition: inside, asks: null }
  }
  return { actions: verbPhrases(words, lexicon), condition: null, asks: null }
}

/** Index of the comma after "To join the club," or "At closing time,"; -1 when the clause starts at once. */
function frontedPhraseEnd(words: readonly Word[], lexicon: Lexicon): number {
  const first = words[0]
  if (!first || !(PREPOSITIONS.has(first.lower) || first.lower === 'every' || first.lower === 'each')) return -1
  const comma = words.findIndex((w) => w.text === ',')
  if (comma < 1 || finiteVerb(words.slice(0, comma), 0, lexicon) >= 0) return -1
  const rest = words.slice(comma + 1)
  return isImperativeAt(rest, skipAdverbs(rest, 0), lexicon) || finiteVerb(rest, 0, lexicon) > 0 ? comma : -1
}

function verbPhrases(words: readonly Word[], lexicon: Lexicon): Action[] {
  if (!words.some(isWord)) return []
  const pieces: Word[][] = []
  let piece: Word[] = []
  const start = skipAdverbs(words, 0)
  const imperative = isImperativeAt(words, start, lexicon) || isNegatedImperative(words.slice(start))
  for (let i = 0; i < words.length; i++) {
    const w = words[i] as Word
    const isBoundary =
      i > start &&
      (w.text === ',' ||
        ((w.lower === 'and' || w.lower === 'then' || w.lower === 'but' || w.lower === 'or') && w.text !== ','))
    const insideVerb =
      w.lower === 'then' && (AUXILIARIES.has(words[i - 1]?.lower ?? '') || MODALS.has(words[i - 1]?.lower ?? ''))
    if (isBoundary && !insideVerb && piece.some(isWord)) {
      let j = i + 1
      while (j < words.length && CONJUNCTIONS.has((words[j] as Word).lower)) j++
      j = skipAdverbs(words, j)
      if (opensPhrase(words, j, imperative, lexicon, w.text === ',')) {
        pieces.push(piece)
        piece = []
        i = j - 1
        continue
      }
    }
    piece.push(w)
  }
  pieces.push(piece)
  let subject: readonly Word[] = []
  return pieces.map((p) => {
    const inherits = !imperative && subject.length > 0 && finiteVerbStartsAt(p, lexicon)
    const full = inherits ? [...subject, ...p] : p
    const action = actionOf(full, lexicon, inherits ? p : full)
    if (!imperative) {
      const f = finiteVerb(full, 0, lexicon)
      if (f > 0)
        subject =
          MODALS.has((full[f] as Word).lower) || AUXILIARIES.has((full[f] as Word).lower)
            ? full.slice(0, verbGroupEnd(full, f, lexicon))
            : full.slice(0, f)
    }
    return action
  })
}

/** First word after auxiliaries and adverbs that begin at `f`: with them the subject is inherited ("is emptied and cleaned"). */
function verbGroupEnd(words: readonly Word[], f: number, lexicon: Lexicon): number {
  let i = f
  while (
    i < words.length &&
    (MODALS.has((words[i] as Word).lower) ||
      AUXILIARIES.has((words[i] as Word).lower) ||
      NEGATIONS.has((words[i] as Word).lower))
  )
    i++
  return verbReading(words[i]?.lower ?? '', lexicon) ? i : f
}
const finiteVerbStartsAt = (p: readonly Word[], lexicon: Lexicon): boolean => {
  const first = p[skipAdverbs(p, 0)]
  return (
    first !== undefined &&
    !DETERMINERS.has(first.lower) &&
    !PRONOUNS.has(first.lower) &&
    verbReading(first.lower, lexicon) !== null
  )
}

/** Does a verb phrase of the same mood start at `j`? After "and" a noun is as likely, so more is asked than at the start. */
function opensPhrase(
  words: readonly Word[],
  j: number,
  imperative: boolean,
  lexicon: Lexicon,
  comma: boolean,
): boolean {
  const w = words[j]
  if (!isWord(w)) return false
  const rest = words.slice(j)
  if (isNegatedImperative(rest)) return true
  const reading = verbReading(w.lower, lexicon)
  const following = words[j + 1]
  const objectFollows =
    following !== undefined &&
    (DETERMINERS.has(following.lower) || PRONOUNS.has(following.lower) || /^\p{N}/u.test(following.text))
  if (imperative) {
    if (!isImperativeAt(words, j, lexicon)) return false
    return (
      objectFollows ||
      reading?.strength === 'only' ||
      (reading?.strength === 'leaning' && !(following?.lower === ',')) ||
      (reading?.strength === 'mixed' && isWord(following) && !CONJUNCTIONS.has(following.lower) && !comma) ||
      (comma && reading?.strength === 'mixed' && isWord(following) && !CONJUNCTIONS.has(following.lower))
    )
  }
  if (isThirdPersonAt(words, j, lexicon)) return true
  if (reading?.form === 'ed' && !lexicon.adjectives.has(w.lower) && !DETERMINERS.has(words[j - 1]?.lower ?? ''))
    return true
  const f = finiteVerb(rest.slice(0, 8), 0, lexicon)
  const passive =
    f > 0 &&
    AUXILIARIES.has((rest[f] as Word).lower) &&
    verbReading(rest[f + 1]?.lower ?? '', lexicon)?.form === 'ed' &&
    DETERMINERS.has(w.lower)
  return f > 0 && rest.slice(0, f).every((x) => x.text !== ',') && (passive || isActorPhrase(rest.slice(0, f), lexicon))
}

/** One verb phrase as an action. `own` are the words it stands in, without an inherited subject. */
export function actionOf(words: readonly Word[], lexicon: Lexicon, own: readonly Word[] = words): Action {
  const source = { start: own[0]?.start ?? 0, end: own.at(-1)?.end ?? 0 }
  const trimmedWords = words.slice(skipAdverbs(words, 0) < words.length ? skipAdverbs(words, 0) : 0)
  const make = (label: string, actor: string | null, doing: boolean, of: readonly Word[]): Action => ({
    label,
    actor,
    doing,
    source,
    content: contentOf(of, lexicon),
    object: doing ? objectOf(of) : null,
  })
  if (isNegatedImperative(trimmedWords)) {
    const rest = trimmedWords.slice(trimmedWords[0]?.lower === 'do' ? 2 : 1)
    return make(`Do not ${lowerFirst(labelOf(withoutTail(rest)))}`, null, true, rest)
  }
  if (isImperativeAt(trimmedWords, 0, lexicon))
    return make(labelOf(withoutTail(trimmedWords)), null, true, trimmedWords)
  const f = finiteVerb(words, 0, lexicon)
  if (f < 0) return make(labelOf(withoutTail(words)), null, false, words)
  const subject = withoutModifiers(words.slice(0, f))
  const actor = isActorPhrase(subject, lexicon) ? actorOf(subject) : null
  let v = f
  let negative = false
  while (
    v < words.length &&
    (MODALS.has((words[v] as Word).lower) ||
      AUXILIARIES.has((words[v] as Word).lower) ||
      (words[v] as Word).lower === 'to' ||
      NEGATIONS.has((words[v] as Word).lower) ||
      skipAdverbs(words, v) > v)
  ) {
    if (NEGATIONS.has((words[v] as Word).lower)) negative = true
    v++
  }
  const verb = words[v]
  const reading = verb && verbReading(verb.lower, lexicon)
  const auxiliaries = words.slice(f, v).map((w) => w.lower)
  // What was done or has been done is told, not asked for.
  const told = auxiliaries.some((a) => ['was', 'were', 'has', 'have', 'had'].includes(a))
  const isBe = auxiliaries.some((a) => ['is', 'are', 'was', 'were', 'be', 'been', 'being'].includes(a))
  if (!verb || !reading || (isBe && reading.form !== 'ed')) return make(labelOf(withoutTail(words)), null, false, words)
  const rest = withoutTail(words.slice(v + 1))
  const head: Word = { ...verb, text: reading.base, lower: reading.base }
  const not = negative ? 'Do not ' : ''
  if (isBe) {
    const by = rest.findIndex((w) => w.lower === 'by')
    const agent = by >= 0 ? rest.slice(by + 1) : []
    const agentActs = isActorPhrase(agent, lexicon)
    const label = labelOf([head, ...subject, ...(agentActs ? rest.slice(0, by) : rest)])
    return make(not + (negative ? lowerFirst(label) : label), agentActs ? actorOf(agent) : null, !told, [
      head,
      ...subject,
      ...rest,
    ])
  }
  const doing = !told && (actor !== null || subject.every((w) => PRONOUNS.has(w.lower)))
  const label = doing ? labelOf([head, ...rest]) : labelOf(withoutTail(words))
  return make(
    doing ? not + (negative ? lowerFirst(label) : label) : label,
    actor,
    doing,
    doing ? [head, ...rest] : words,
  )
}

const plainAction = (words: readonly Word[]): Action => ({
  label: capitalised(joined(words.slice(0, 60))),
  actor: null,
  doing: false,
  source: { start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 },
  content: [],
  object: null,
})

/** The noun phrase behind the verb, up to three words. */
function objectOf(words: readonly Word[]): string | null {
  const rest = words.slice(1)
  const stop = rest.findIndex((w) => PREPOSITIONS.has(w.lower) || !isWord(w) || CONJUNCTIONS.has(w.lower))
  const phrase = (stop < 0 ? rest : rest.slice(0, stop)).filter((w) => !DETERMINERS.has(w.lower) && w.lower !== 'one')
  const usable = phrase.length > 0 && phrase.length <= 3 && !phrase.some((w) => PRONOUNS.has(w.lower))
  return usable ? joined(phrase) : null
}

const TAIL = new Set(['until', 'because', 'when', 'once', 'while', 'whenever', 'before'])
/** Without a trailing clause of time or reason, which says when, not what. */
function withoutTail(words: readonly Word[]): readonly Word[] {
  const at = words.findIndex(
    (w, i) => i > 1 && (TAIL.has(w.lower) || (w.lower === 'so' && words[i + 1]?.lower === 'that')),
  )
  return at > 1 ? words.slice(0, at) : words
}
const lowerFirst = (s: string): string => s.replace(/^\p{Lu}/u, (c) => c.toLocaleLowerCase('en'))

/** The subject without what precedes its determiner ("half an hour before departure the mate"). */
function withoutModifiers(subject: readonly Word[]): readonly Word[] {
  const comma = subject.findLastIndex((w) => w.text === ',')
  const after = subject.slice(comma + 1)
  const the = after.findLastIndex(
    (w, i) =>
      i > 0 &&
      DETERMINERS.has(w.lower) &&
      !PREPOSITIONS.has(after[i - 1]?.lower ?? '') &&
      !CONJUNCTIONS.has(after[i - 1]?.lower ?? ''),
  )
  const from = the > 0 ? the : 0
  const relative = after.findIndex((w, i) => i > 0 && (w.lower === 'who' || w.lower === 'which'))
  return after.slice(from, relative > from ? relative : undefined)
}

const ROLE_ENDING = /(?:er|or|ist|man|men|woman|women|hand|lead|officer|keeper|lookout|ant|ee)s?$/

export function isActorPhrase(phrase: readonly Word[], lexicon: Lexicon): boolean {
  const words = withoutModifiers(phrase).filter(isWord)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower))
  const head = (stop > 0 ? words.slice(0, stop) : words).at(-1)
  if (!head || /^\p{N}/u.test(head.text)) return false
  const l = head.lower
  if (['he', 'she', 'they', 'you', 'we', 'i', 'who', 'everyone', 'everybody', 'somebody', 'someone'].includes(l))
    return true
  return (
    lexicon.actors.has(l) ||
    lexicon.actors.has(l.replace(/s$/, '')) ||
    (words.length <= 4 && ROLE_ENDING.test(l) && !lexicon.verbClass.has(l) && !/(?:ter|wer|per)$/.test(l))
  )
}

function actorOf(phrase: readonly Word[]): string | null {
  const words = withoutModifiers(phrase)
  const stop = words.findIndex((w, i) => i > 0 && PREPOSITIONS.has(w.lower) && w.lower !== 'of')
  const name = actorName(stop > 0 ? words.slice(0, stop) : words)
  return /^(?:He|She|They|You|We|I|Who|It)$/i.test(name) ? null : name || null
}

export const contentOf = (words: readonly Word[], lexicon: Lexicon): string[] => [
  ...new Set(
    words
      .filter((w) => isWord(w) && !isFunctionWord(w.lower))
      .map((w) => verbReading(w.lower, lexicon)?.base ?? w.lower.replace(/(?<=[^s])s$/, '')),
  ),
]

const OPPOSITE_SUBJECT: Readonly<Record<string, string>> = { nobody: 'Somebody', nothing: 'Anything', none: 'Any' }
const IT = new Set(['it', 'they', 'this', 'that', 'these', 'those', 'there'])

/** "the crate is not damaged" becomes "Crate damaged?" and the answer no. */
function conditionOf(words: readonly Word[], inverted: boolean, sure: boolean, lexicon: Lexicon): Condition {
  const source = { start: words[0]?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  const f = finiteVerb(words, 0, lexicon)
  let negative = inverted
  const out: Word[] = []
  words.forEach((w, i) => {
    if (
      NEGATIONS.has(w.lower) &&
      !['without', 'never', 'only'].includes(w.lower) &&
      !(w.lower === 'no' && i > 0 && (words[i + 1]?.lower === 'longer' || words[i + 1]?.lower === 'more'))
    ) {
      negative = !negative
      const opposite = OPPOSITE_SUBJECT[w.lower]
      if (opposite) out.push({ ...w, text: opposite, lower: opposite.toLowerCase() })
      return
    }
    const dropsSubject =
      i === 0 &&
      i < f &&
      (IT.has(w.lower) ? AUXILIARIES.has((words[f] as Word).lower) : w.lower === 'you' || w.lower === 'we')
    const helper =
      AUXILIARIES.has(w.lower) &&
      !MODALS.has(words[i - 1]?.lower ?? '') &&
      !(w.lower === 'have' || w.lower === 'has' || w.lower === 'had') &&
      i >= f
    const perfect =
      (w.lower === 'has' || w.lower === 'have') && verbReading(words[i + 1]?.lower ?? '', lexicon)?.form === 'ed'
    if (dropsSubject || helper || perfect) return
    out.push(w)
  })
  const verb = words.findIndex((w) => w.lower === 'does' || w.lower === "doesn't")
  const base = verb >= 0 ? words.slice(verb + 1).find((w) => !NEGATIONS.has(w.lower)) : undefined
  const agreed = base ? out.map((w) => (w.start === base.start ? { ...w, text: thirdPerson(w.text) } : w)) : out
  const label = labelOf(agreed.filter((w) => w.text !== '?')) || 'This holds'
  return { question: `${label}?`, answer: negative ? 'no' : 'yes', source, content: contentOf(agreed, lexicon), sure }
}
const thirdPerson = (v: string): string =>
  /(?:s|x|z|ch|sh|o)$/.test(v) ? `${v}es` : /[^aeiou]y$/.test(v) ? `${v.slice(0, -1)}ies` : `${v}s`

/** "Is the ramp clear?" becomes "Ramp clear?"; a question with another opening stays as it is. */
function questionOf(words: readonly Word[], lexicon: Lexicon): Condition {
  const first = words[0]
  if (first && AUXILIARIES.has(first.lower))
    return {
      ...conditionOf(words.slice(1), false, true, lexicon),
      source: { start: first.start, end: words.at(-1)?.end ?? first.end },
    }
  const source = { start: first?.start ?? 0, end: words.at(-1)?.end ?? 0 }
  return {
    question: `${capitalised(joined(words.filter((w) => w.text !== '?')))}?`,
    answer: 'yes',
    source,
    content: contentOf(words, lexicon),
    sure: true,
  }
}
