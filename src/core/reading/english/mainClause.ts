/** An English main clause: its coordinated verb phrases as actions, and a condition that trails behind them. */
import { actionOf, isActorPhrase, isNegatedImperative, type Action } from './action'
import { conditionOf, type Condition } from './condition'
import { finiteVerb, isImperativeAt, isThirdPersonAt, skipAdverbs, verbReading } from './verbs'
import {
  AUXILIARIES,
  CONJUNCTIONS,
  DETERMINERS,
  MODALS,
  NEGATIONS,
  PREPOSITIONS,
  PRONOUNS,
  isWord,
  type Lexicon,
  type Word,
} from './words'

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

type Clause = {
  readonly actions: readonly Action[]
  readonly condition: Condition | null
  readonly asks: Condition | null
}

/** A main clause: its coordinated verb phrases, with an "if", "unless" or "until" that trails behind them. */
export function mainClause(words: readonly Word[], lexicon: Lexicon): Clause {
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
