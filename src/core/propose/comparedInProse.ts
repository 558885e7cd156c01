/** Two things that running text sets against each other: words that come back again and again and stand beside each other
 *  ("A and B", "than B", "unlike A"). Each piece of a sentence is said of the one it names, of both, or of the one spoken
 *  of last. */
import { keyOf, type Named, type ReadText } from '../reading'
import { capital, slice, trimmed, type Span } from '../text'
import { many } from './built'
import type { Compared } from './compared'
import { clean } from './shapes'

type Token = { readonly key: string; readonly span: Span; readonly sentence: number }

const WORD = /[\p{L}\p{N}][\p{L}\p{N}’'/+-]*/gu
const JOINS =
  /^(?:and|or|vs\.?|versus|than|unlike|like|whereas|while|from|to|but|with|between|both|und|oder|als|y|o|que|entre)$/i
/** Words that name nothing that could be compared. */
const EMPTY =
  /^(?:a|an|the|this|that|these|those|is|are|was|were|be|been|it|its|they|their|them|you|your|we|our|he|she|his|her|i|my|not|no|in|on|at|of|for|by|as|with|from|to|into|if|when|which|who|what|there|here|can|may|must|will|would|should|could|has|have|had|do|does|did|more|most|less|much|many|one|two|three|all|any|each|every|some|other|others|same|so|too|very|only|just|also|than|then|because|about|over|under|between|both|and|or|but|while|how|why|where|such|use|used|like|first|second|people|way|time|thing|things|kind|der|die|das|und|ist|ein|eine|el|la|los|las|es|un|una)$/i
const FARTHEST = 5
const SHARED =
  /\b(?:both|either|neither|same|alike|share[sd]?|common|similar(?:ly)?|all three|each of (?:them|the)|beide|ambos)\b/i

function tokensOf(read: ReadText): Token[] {
  return read.sentences.flatMap((s, sentence) =>
    [...slice(read.text, s).matchAll(WORD)].map((m) => ({
      key: m[0].toLowerCase().replace(/(?<=[^s]{3})s$|['’]s$/, ''),
      span: { start: s.start + m.index, end: s.start + m.index + m[0].length },
      sentence,
    })),
  )
}

type Pair = { readonly a: string; readonly b: string; readonly score: number }

/** The two words that stand beside each other and that most sentences are about, one or the other. */
function pairIn(read: ReadText, tokens: readonly Token[]): Pair | null {
  const sentences = new Map<string, Set<number>>()
  for (const t of tokens) {
    if (EMPTY.test(t.key) || t.key.length < 2) continue
    sentences.set(t.key, (sentences.get(t.key) ?? new Set()).add(t.sentence))
  }
  const beside = new Map<string, number>()
  tokens.forEach((t, i) => {
    if ((sentences.get(t.key)?.size ?? 0) < 2) return
    for (let k = i + 1, joined = false; k < tokens.length && k - i <= FARTHEST; k++) {
      const other = tokens[k] as Token
      if (other.sentence !== t.sentence) break
      if (joined && other.key !== t.key && (sentences.get(other.key)?.size ?? 0) >= 2) {
        const [a, b] = [t.key, other.key].toSorted() as [string, string]
        beside.set(`${a} ${b}`, (beside.get(`${a} ${b}`) ?? 0) + 1)
      }
      joined ||= JOINS.test(other.key)
    }
  })
  const title = read.outline.title ? slice(read.text, read.outline.title).toLowerCase() : ''
  const scored = [...beside].map(([pair, times]): Pair => {
    const [a, b] = pair.split(' ') as [string, string]
    const [inA, inB] = [sentences.get(a) as Set<number>, sentences.get(b) as Set<number>]
    const onlyA = [...inA].filter((s) => !inB.has(s)).length
    const onlyB = [...inB].filter((s) => !inA.has(s)).length
    const named = title.includes(a) && title.includes(b) ? 4 : 0
    return { a, b, score: Math.min(onlyA, onlyB) * 2 + Math.min(onlyA + onlyB, 6) + Math.min(times, 3) + named }
  })
  const best = scored.toSorted((x, y) => y.score - x.score || (x.a + x.b < y.a + y.b ? -1 : 1))[0]
  return best && best.score >= 5 ? best : null
}

/** The name as it stands where it stands first. */
function nameFor(read: ReadText, tokens: readonly Token[], key: string): Named {
  const { span } = tokens.find((t) => t.key === key) as Token
  const words = slice(read.text, span)
  return { label: capital(words), key: keyOf(words), span, pronoun: null }
}

const PIECES =
  /;\s+|,?\s+(?=(?:but|while|whereas|though|although|aber|während|pero|mientras)\s)|,\s+(?=and (?:the|an?|it|they|you)\s)/giu

export function comparedInProse(read: ReadText): Compared | null {
  const { text, sentences } = read
  if (sentences.length < 2) return null
  const tokens = tokensOf(read)
  const pair = pairIn(read, tokens)
  if (!pair) return null
  const names = [pair.a, pair.b].map((k) => nameFor(read, tokens, k))
  const members: { label: string; key: string; sets: Set<number>; source: Span[] }[] = []
  let current: readonly number[] = []
  const fronts = names.map(atFront)
  const inSentence = new Map<number, Token[]>()
  for (const t of tokens) inSentence.set(t.sentence, [...(inSentence.get(t.sentence) ?? []), t])
  for (const [k, s] of sentences.entries()) {
    const own = inSentence.get(k) ?? []
    for (const piece of piecesOf(text, s)) {
      const words = new Set(own.filter((t) => t.span.start >= piece.start && t.span.end <= piece.end).map((t) => t.key))
      const said = [pair.a, pair.b].flatMap((k, i) => (words.has(k) ? [i] : []))
      const sets = SHARED.test(slice(text, piece)) ? [0, 1] : said.length > 0 ? said : current
      if (said.length === 1) current = said
      if (sets.length === 0) continue
      const label = predicate(text, piece, fronts)
      if (label.split(' ').length < 2) continue
      members.push({ label, key: keyOf(label), sets: new Set(sets), source: [piece] })
    }
  }
  const alone = [0, 1].filter((i) => members.some((m) => m.sets.size === 1 && m.sets.has(i))).length
  if (members.length < 2 || alone < 1) return null
  return {
    names,
    members,
    score: 0.5 + (alone === 2 ? 0.1 : 0) + 0.01 * Math.min(10, pair.score),
    reasons: [`${many(2, 'thing')} named again and again`, `${members.length} sentences or parts of them`],
  }
}

function piecesOf(text: string, s: Span): Span[] {
  const out: Span[] = []
  let { start } = s
  for (const m of slice(text, s).matchAll(PIECES)) {
    out.push({ start, end: s.start + m.index })
    start = s.start + m.index + m[0].length
  }
  return [...out, { start, end: s.end }].map((p) => trimmed(text, p)).filter((p) => p.end - p.start > 8)
}

/** What is said, without the name it is said of where that stands first. */
function predicate(text: string, piece: Span, named: readonly RegExp[]): string {
  const words = clean(slice(text, piece)).replace(JOINED, '')
  const at = named.map((n) => n.exec(words)).find((m) => m !== null)
  return capital(at ? words.slice(at[0].length) : words)
}
const JOINED = /^(?:but|while|whereas|though|although|and|however,?|aber|während|pero|mientras)\s+/iu
const atFront = (name: Named): RegExp =>
  new RegExp(`^(?:(?:the|an?|in|with|der|die|das|el|la)\\s+)?${escaped(name.label)}s?,?\\s+(?=\\S)`, 'iu')
const escaped = (s: string): string => s.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&')
