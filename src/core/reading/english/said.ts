/** A parsed English sentence as what it tells to do: connectives, conditions, actions. */
import { ASKING, COMPLEMENTS, CONDITIONS, LOOKS_AHEAD, ONES, OTHERS, SIZES, TIMES, leadingCues } from './saidWords'
import { lowerFirst, type Span } from '../../text'
import { actionOf, actorOf, isActorPhrase, type Action } from './action'
import { completed, imperativeOf, lastNounPhrase, without, wordsBetween } from './clauseParts'
import { frontCondition, narrowing, saysWhich, withoutFront } from './narrowing'
import { empty, type Draft, type Said } from './saying'
import { conditionOf, narrowed, questionOf } from './condition'
import { cueOf } from './cues'
import { joined, labelOf } from './label'
import { parse, type Clause } from './parse'
import type { Tagged } from './tag'
import { isWord, wordsOf, type Lexicon } from './words'

/** The parts of a sentence that can each carry a condition of their own, in order. */
export function saidOf(text: string, sentence: Span, clauses: readonly Clause[], lexicon: Lexicon): Said[] {
  if (clauses.length === 0) return []
  const words = wordsOf(text, sentence)
  const fragment = clauses.length === 1 && clauses[0]?.verb === null
  if (words.at(-1)?.text === '?' && clauses.every((c) => c.sub === null || fragment || c === clauses.at(-1)))
    return [
      { ...empty(sentence), cues: leadingCues(text, sentence), asks: questionOf(afterCues(text, sentence), lexicon) },
    ]
  const which = IN_WHICH_CASE.exec(text.slice(sentence.start, sentence.end))
  return which ? caseOf(text, sentence, which, lexicon) : new Teller(text, sentence, clauses, lexicon).said()
}

/** "He may ask for changes, in which case it goes back": what may happen, and what is done then. */
const IN_WHICH_CASE = /,? in which case,? /i
function caseOf(text: string, sentence: Span, which: RegExpExecArray, lexicon: Lexicon): Said[] {
  const when = { start: sentence.start, end: sentence.start + which.index }
  const then = { start: when.end + which[0].length, end: sentence.end }
  const told = parse(text, when, lexicon).filter((c) => c.verb !== null)
  const clause = told.at(-1)
  const after = parse(text, then, lexicon)
  if (!clause?.verb || after.length === 0) return []
  const verb = { ...clause.verb, modal: null, words: clause.verb.words.filter((w) => w.tag !== 'modal') }
  const condition = conditionOf({ ...clause, verb }, false, true, lexicon)
  // "The cheapest wins, unless it looks too good, in which case ...": what holds otherwise comes first.
  const main = clause.sub === null ? [] : told.filter((c) => c !== clause)
  const ahead = { start: sentence.start, end: clause.lead?.start ?? clause.start }
  const first = main.length > 0 ? new Teller(text, ahead, main, lexicon).said() : []
  const asked = new Teller(text, then, after, lexicon)
    .said()
    .map((s, i) => (i === 0 && !s.condition ? { ...s, condition, span: { ...s.span, start: sentence.start } } : s))
  return [...first, ...asked]
}

const afterCues = (text: string, span: Span) =>
  wordsOf(text, { start: leadingCues(text, span).at(-1)?.span.end ?? span.start, end: span.end })

/** Walks the clauses of one sentence; a condition, an "otherwise" or a return starts a new saying. */
class Teller {
  private readonly out: Draft[] = []
  private now: Draft
  constructor(
    private readonly text: string,
    private readonly sentence: Span,
    private readonly clauses: readonly Clause[],
    private readonly lexicon: Lexicon,
  ) {
    this.now = empty(sentence)
  }

  said(): Said[] {
    for (let i = 0; i < this.clauses.length; i++) i = this.clause(i)
    if (this.later) this.now.actions.push(this.later)
    this.close()
    return this.out.map((d, i) => ({
      ...d,
      within: i > 0,
      span: {
        start: i === 0 ? this.sentence.start : d.span.start,
        end: this.out[i + 1]?.span.start ?? this.sentence.end,
      },
    }))
  }

  private close(): void {
    const d = this.now
    if (d.cues.length || d.condition || d.actions.length || d.asks || d.goTo) this.out.push(d)
  }
  private open(at: number): void {
    this.close()
    this.now = empty({ start: at, end: this.sentence.end })
  }
  private get started(): boolean {
    return (
      this.now.actions.length > 0 || this.now.asks !== null || this.now.goTo !== null || this.now.condition !== null
    )
  }

  /** Takes clause `i` in; the index of the last clause that was used up. */
  private clause(i: number): number {
    const c = this.clauses[i] as Clause
    const found = this.cuesOf(c)
    if (found === 'done') return i
    if (found === 'skip-sentence') return this.clauses.length
    if (c.sub !== null) return this.subordinate(c, i)
    if (c.relative) return this.relative(c, i)
    return this.main(found, i)
  }

  /** Connectives at the head of a clause, and the clause without them. */
  private cuesOf(c: Clause): Clause | 'done' | 'skip-sentence' {
    let clause = c
    if (c.joint === 'then' && c === this.clauses[0])
      this.now.cues.push({ name: 'next', span: { start: this.sentence.start, end: c.lead?.start ?? c.start } })
    for (let k = 0; k < 4; k++) {
      const at = k === 0 ? (c.lead?.start ?? c.start) : clause.start
      const found = cueOf(this.text.slice(at, this.sentence.end))
      if (!found || found.length === 0) break
      const { name } = found.cue
      const span = { start: at, end: at + found.length }
      if (['if', 'unless', 'when', 'before', 'after'].includes(name)) break
      if (
        /^(?:otherwise|answer-no|answer-yes|go-to-step|go-to-start|stop|repeat-until|times)$/.test(name) &&
        this.started
      )
        this.open(at)
      if (name === 'note' && !this.started) {
        this.now.cues.push({ name, span })
        return 'skip-sentence'
      }
      if (name === 'note') break
      this.now.cues.push({ name, span })
      if (name === 'go-to-step' || name === 'go-to-start') {
        const rest = wordsOf(this.text, { start: span.end, end: c.end })
        this.now.goTo = {
          step: name === 'go-to-start' ? 1 : Number(found.match[1] ?? found.match[2]),
          span: { start: at, end: c.end },
          note: joined(rest).toLowerCase(),
        }
        return 'done'
      }
      if (name === 'times') {
        this.now.goTo = { step: null, span, note: (found.match[1] ?? '').toLowerCase() }
        return 'done'
      }
      if (name === 'stop') return 'done'
      if (c.sub !== null && /^answer/.test(name)) return 'done'
      const rest = without(clause, span.end)
      if (!rest) return 'done'
      clause = rest
    }
    return clause
  }

  private subordinate(c: Clause, i: number): number {
    const sub = c.sub as string
    const has = this.now.cues.some((x) => x.name === 'repeat-until')
    if (
      has ||
      (sub === 'until' &&
        this.now.actions.length === 1 &&
        /^(?:repeat|continue)/i.test(this.now.actions[0]?.label ?? ''))
    ) {
      if (!has) this.now.cues.push({ name: 'repeat-until', span: c })
      this.now.repeats = this.now.actions[0]?.content.slice(1) ?? []
      this.now.actions = []
      this.now.condition = conditionOf(c, false, true, this.lexicon)
      return i
    }
    if (sub === 'while' && this.now.actions.length > 0 && this.beside(c)) return i
    if (CONDITIONS.has(sub)) this.condition(c, sub === 'unless', true)
    else if (COMPLEMENTS.has(sub) && this.now.actions.length > 0 && !TIMES.has(sub)) return this.complement(c, i)
    else if (sub === 'whether' && !this.started) this.now.asks = conditionOf(c, false, true, this.lexicon)
    else if (sub === 'before' && !this.started) this.before(i)
    else if (sub === 'where' && c.joint === ',' && this.started) this.told(c)
    else if (TIMES.has(sub)) this.time(c, sub)
    return i
  }

  /** A condition in front holds for what follows, one behind for the action before it. */
  private condition(c: Clause, inverted: boolean, sure: boolean): void {
    const before = this.clauses[this.clauses.indexOf(c) - 1]
    const condition = conditionOf(completed(c, this.clauses), inverted, sure, this.lexicon)
    const asked =
      c.sub === 'if' &&
      before?.verb &&
      ASKING.has(before.verb.base) &&
      this.now.actions.length > 0 &&
      before.rest.length <= 1
    if (asked) {
      this.now.actions.pop()
      this.now.asks = { ...condition, answer: 'yes', source: { start: before.start, end: c.end } }
      return
    }
    const more = this.now.condition && before?.sub === c.sub && (c.joint === 'and' || c.joint === 'or')
    if (more && this.now.condition) {
      const first = this.now.condition
      this.now.condition = {
        ...first,
        question: `${first.question.slice(0, -1)} ${c.joint} ${lowerFirst(condition.question)}`,
        content: [...first.content, ...condition.content],
        source: { start: first.source.start, end: c.end },
      }
      return
    }
    const trailing = this.now.actions.length > 0 && (c.joint === '' || (c.joint !== ';' && !this.mainFollows(c)))
    if (!trailing) {
      if (this.started) this.open(c.start)
      this.now.condition = condition
      return
    }
    const last = this.now.actions.at(-1) as Action
    if (this.now.actions.length > 1 || this.now.condition) {
      this.now.actions.pop()
      this.open(last.source.start)
      this.now.actions.push(last)
    }
    this.now.condition = condition
    this.now.span = { ...this.now.span, end: c.end }
    this.open(c.end)
  }
  private mainFollows(c: Clause): boolean {
    const next = this.clauses.slice(this.clauses.indexOf(c) + 1).find((x) => !x.relative)
    return next !== undefined && next.sub === null && next.verb !== null
  }

  private time(c: Clause, sub: string): void {
    const fronted = this.now.actions.length === 0
    const subject = c.subject.filter((w) => w.tag !== 'det')
    if (fronted && this.mainFollows(c)) {
      if (c.joint !== '' && this.started) this.open(c.start)
      this.now.topic =
        subject.length > 0 && subject.length <= 3 && !subject.some((w) => w.tag === 'pron') ? joined(subject) : null
      if (sub === 'when' || sub === 'whenever' || sub === 'where' || sub === 'as long')
        this.now.condition = conditionOf(completed(c, this.clauses), false, false, this.lexicon)
    } else if (!fronted && (sub === 'when' || sub === 'whenever') && c.joint === '')
      this.condition(c, false, this.clauses.filter((x) => x.sub === sub).length > 1)
  }

  /** "Before you leave, lock the door": the door first. The clause behind is told after the main one. */
  private before(i: number): void {
    const c = this.clauses[i] as Clause
    const verb = c.verb ?? null
    const first = c.rest[0]
    const gerund = verb === null && first?.form === 'ing' ? imperativeOf(c, first) : null
    const action = actionOf(
      gerund ??
        (verb && /^(?:you|we)$/.test(c.subject[0]?.lower ?? '') ? { ...c, verb: { ...verb, imperative: true } } : c),
      this.lexicon,
    )
    // "Before the ramp is lowered, ..." says when; what follows tells how.
    if (action.doing && this.mainFollows(c) && !verb?.passive) this.later = action
  }
  private later: Action | null = null

  private complement(c: Clause, i: number): number {
    const before = this.clauses.slice(0, i).findLast((x) => x.sub === null && !x.relative)
    if (!before?.verb) return i
    const asked = c.sub === 'whether' || (c.sub === 'if' && ASKING.has(before.verb.base))
    if (asked) {
      this.now.actions.pop()
      this.now.asks = {
        ...conditionOf(c, false, true, this.lexicon),
        answer: 'yes',
        source: { start: before.start, end: c.end },
      }
      return i
    }
    const all = wordsBetween(c)
    if (all.length <= 8) {
      this.now.actions.pop()
      this.now.actions.push(this.action(before, all))
    }
    return i
  }

  /** ", who approves the payment" tells a step; "that are damaged" narrows down what is meant. */
  private relative(c: Clause, i: number): number {
    const before = this.clauses.slice(0, i).findLast((x) => !x.relative)
    if (!before || !c.verb) return i
    const which = c.subject.length === 0 || /^(?:who|which)$/.test(c.subject[0]?.lower ?? '')
    // ", who signs it and keeps a copy": the second verb follows the first.
    const goesOn = c.subject.length === 0 && this.clauses[i - 1]?.relative === true
    const antecedent = lastNounPhrase([...before.rest])
    if (
      (c.joint === ',' || goesOn) &&
      which &&
      isActorPhrase(antecedent, this.lexicon) &&
      !c.verb.copula &&
      !c.verb.told
    ) {
      const acts = actionOf({ ...c, subject: antecedent }, this.lexicon)
      if (acts.doing) this.now.actions.push({ ...acts, actor: actorOf(antecedent) })
    }
    return i
  }

  /** "while the others check the vehicle deck": done at the same time. */
  private beside(c: Clause): boolean {
    const action = actionOf(c, this.lexicon)
    // "while you still remember" says when.
    if (!action.doing || (/^(?:you|we)$/.test(c.subject[0]?.lower ?? '') && c.rest.length === 0)) return false
    this.open(c.start)
    this.now.cues.push({ name: 'meanwhile', span: { start: c.lead?.start ?? c.start, end: c.start } })
    this.now.actions.push(action)
    this.open(c.end)
    return true
  }

  /** ", where stewards hand out jackets": what is done there. */
  private told(c: Clause): void {
    const action = actionOf(c, this.lexicon)
    if (action.doing) this.now.actions.push(action)
  }

  private main(c: Clause, i: number): number {
    // "or you will flatten the battery": what would come of it.
    if (
      c.joint === 'or' &&
      /^(?:you|it|they|we)$/.test(c.subject[0]?.lower ?? '') &&
      /^(?:will|may|might|could|would)$/.test(c.verb?.modal ?? '')
    )
      return i
    // "so the guide can prepare": what for.
    if (c.joint === 'so' && /^(?:can|could)$/.test(c.verb?.modal ?? '') && this.started) return i
    const relative = this.clauses[i + 1]
    const rest =
      /^(?:(?:everything|anything|everyone|anyone) else|(?:the )?(?:rest|others|remaining \p{L}+)|all (?:the )?(?:others?|rest)|all other \p{L}+|(?:the )?\p{L}+ ones)$/iu.test(
        joined(c.subject),
      )
    if (rest && c.verb) {
      if (this.started) this.open(c.start)
      this.now.cues.push({ name: 'otherwise', span: { start: c.start, end: c.subject.at(-1)?.end ?? c.start } })
    }
    if (c.joint === ';' && this.now.condition) this.open(c.start)
    const narrow = rest
      ? null
      : narrowing(
          c,
          saysWhich(c, relative),
          OTHERS.test(this.text.slice(c.end, this.sentence.end)),
          ONES.test(this.text.slice(c.end, this.sentence.end + LOOKS_AHEAD)),
          this.lexicon,
        )
    // "A yellow light means trouble: open the vent"
    const sign =
      c.verb?.base === 'mean' &&
      !c.verb.told &&
      c.subject[0]?.tag === 'det' &&
      this.clauses.slice(i + 1).some((x) => x.verb?.imperative)
    if (sign) {
      if (this.started) this.open(c.start)
      this.now.condition = narrowed(c.subject, this.lexicon)
      return this.clauses.findIndex((x, k) => k > i && x.verb?.imperative) - 1
    }
    const fronted = narrow ? null : frontCondition(c, this.lexicon)
    const condition = narrow ?? fronted
    if (condition) {
      if (this.started) this.open(c.start)
      this.now.condition = condition
    }
    if (!c.verb && this.clauses[i + 1]?.joint === ':' && this.heads(c, this.clauses[i + 1] as Clause)) return i
    const whole = this.action(fronted ? withoutFront(c) : c, [])
    // The question says who or what; the step says what becomes of it: "go by freight".
    const told = narrow && c.verb && !whole.doing ? { ...whole, label: labelOf([...c.verb.words, ...c.rest]) } : whole
    const acted = this.actor && told.doing && !told.actor ? { ...told, actor: this.actor } : told
    const action = this.lead ? { ...acted, source: { ...acted.source, start: this.lead.start } } : acted
    this.lead = null
    if (action.label !== '') {
      this.now.actions.push(action)
      const either =
        c.subject.some((w) => w.lower === 'either') ||
        c.front.some((w) => w.lower === 'either') ||
        c.verb?.words.some((w) => w.lower === 'either')
      if (c.joint === 'or' && this.now.actions.length > 1 && (action.doing || either))
        Object.assign(this.now, { choice: true, choiceAt: this.now.actions.length - 1 })
    }
    return i
  }

  private actor: string | null = null
  /** Words in front of a colon that only name the step. */
  private lead: Span | null = null
  /** "Bridge: press the button" names who acts, "Small spill: throw sand" when it is done. */
  private heads(c: Clause, next: Clause): boolean {
    const words = [...c.front, ...c.rest].filter(isWord)
    if (!next.verb?.imperative || words.length === 0 || words.length > 5) return false
    if (isActorPhrase(words, this.lexicon)) this.actor = actorOf(words)
    else if (words.some((w) => SIZES.test(w.lower))) {
      if (this.started) this.open(c.start)
      this.now.condition = narrowed(words, this.lexicon)
    } else this.lead = { start: words[0]?.start ?? c.start, end: words.at(-1)?.end ?? c.end }
    return true
  }

  private action(c: Clause, more: readonly Tagged[]): Action {
    const [first] = c.front
    const told = actionOf(c, this.lexicon, more)
    return first && c.subject.length === 0 && c.verb?.imperative
      ? { ...told, source: { ...told.source, start: first.start } }
      : told
  }
}
