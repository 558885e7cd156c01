/** What a passage tells to do, as a tree: steps, questions with arms, returns. Read from blocks in any language, from
 *  English sentences by their clauses. The tree is built first and lowered to a graph in `propose`: wiring edges while
 *  reading makes every wrong scope a wrong edge. */
import { slice, trimmed, type Block, type Span } from '../text'
import type { Action, Condition, Said } from './english/clauses'

export type Step = {
  readonly do: 'step'
  readonly label: string
  readonly actor: string | null
  readonly doing: boolean
  readonly detail: string | null
  readonly source: readonly Span[]
  readonly content: readonly string[]
  /** The number its list item carries, for "go back to step 3". */
  readonly item: number | null
}
export type Arm = { readonly answer: string; readonly body: Statement[]; readonly source: readonly Span[] }
export type Ask = {
  readonly do: 'ask'
  readonly question: string
  readonly source: readonly Span[]
  readonly content: readonly string[]
  readonly arms: Arm[]
  readonly item: number | null
}
export type GoTo = {
  readonly do: 'goTo'
  readonly item: number | null
  readonly content: readonly string[]
  readonly note: string
  readonly source: readonly Span[]
  readonly otherwise: Step | null
}
export type Stop = { readonly do: 'stop'; readonly source: readonly Span[] }
export type Statement = Step | Ask | GoTo | Stop

/** One thing the passage says, for coverage: an item, or a clause of a sentence. */
export type Unit = { readonly span: Span; readonly doing: boolean; readonly ordered: boolean; readonly remark: boolean }
export type Told = {
  readonly body: readonly Statement[]
  readonly units: readonly Unit[]
  readonly cueCount: number
  readonly orderedItems: number
}

/** Sentences to sayings; null where the language of the text is not interpreted. */
export type Interpreter = (span: Span) => readonly (readonly Said[])[]

type Scope = { readonly ask: Ask; arm: Arm | null; readonly outer: Statement[]; readonly known: ReadonlySet<string> }
type State = {
  body: Statement[]
  scope: Scope | null
  loopStart: Statement | null
  item: number | null
  known: Set<string>
  /** What "it" and "them" last stood for. */
  object: string | null
}

export function told(text: string, blocks: readonly Block[], interpret: Interpreter | null): Told {
  const out: Statement[] = []
  const units: Unit[] = []
  const state: State = { body: out, scope: null, loopStart: null, item: null, known: new Set(), object: null }
  let cueCount = 0
  const note = (u: Unit, cues: number) => {
    units.push(u)
    cueCount += cues
  }
  const own = blocks.filter((b) => b.type === 'item' || b.type === 'paragraph')
  for (let i = 0; i < own.length;) {
    const block = own[i] as Block
    const end = block.type === 'item' ? familyEnd(own, i) : i + 1
    if (isLeadIn(text, own, i)) {
      i = end
      continue
    }
    if (block.type === 'item') readItem(text, own.slice(i, end), state, interpret, note)
    else readParagraph(block, state, interpret, note)
    i = end
  }
  return { body: out, units, cueCount, orderedItems: own.filter((b) => b.ordered && b.depth === 0).length }
}

/** "Closing the kitchen:" names the list below it. */
const isLeadIn = (text: string, blocks: readonly Block[], i: number): boolean =>
  blocks[i]?.type === 'paragraph' &&
  blocks[i + 1]?.type === 'item' &&
  /[:：]$/.test(slice(text, (blocks[i] as Block).span))

type Note = (u: Unit, cues: number) => void

const familyEnd = (blocks: readonly Block[], i: number): number => {
  const depth = (blocks[i] as Block).depth
  let end = i + 1
  while (end < blocks.length && (blocks[end] as Block).type === 'item' && (blocks[end] as Block).depth > depth) end++
  return end
}

function readParagraph(block: Block, state: State, interpret: Interpreter | null, note: Note): void {
  if (!interpret) return
  state.scope = null
  state.item = null
  const sentences = interpret(block.span)
  const flat = sentences.flat()
  let at = 0
  for (const sentence of sentences) {
    if (sentence.every((s) => !s.cues.some((c) => c.name === 'repeat-until'))) state.loopStart = null
    for (const said of sentence) {
      at++
      tell(said, flat[at] ?? null, state, true)
      note(
        { span: said.span, doing: said.actions.some((a) => a.doing), ordered: false, remark: isRemark(said) },
        said.cues.length,
      )
    }
  }
}
const isRemark = (s: Said): boolean => s.cues.some((c) => c.name === 'note')

const ANSWER = /^(?:if )?(\p{L}[\p{L}\p{N} <>≤≥%.-]{0,24}?)\s*(?::|[–—→]|->|=>)\s+(?=\S)/iu

function readItem(
  text: string,
  family: readonly Block[],
  state: State,
  interpret: Interpreter | null,
  note: Note,
): void {
  const [item, ...inner] = family as [Block, ...Block[]]
  state.item = item.number
  const before = state.body.length
  const scopeBefore = state.scope
  state.loopStart = null
  if (interpret) {
    const sentences = interpret(item.span).flat()
    sentences.forEach((said, k) => tell(said, sentences[k + 1] ?? null, state, k > 0))
    for (const said of sentences)
      note(
        { span: said.span, doing: said.actions.some((a) => a.doing), ordered: item.ordered, remark: isRemark(said) },
        said.cues.length,
      )
  } else {
    state.body.push(plainStep(text, item))
    note({ span: item.span, doing: false, ordered: item.ordered, remark: false }, 0)
  }
  if (inner.length > 0) readInner(text, inner, state, scopeBefore, before, interpret, note)
}

/** Items below an item: the arms of a question, the steps of an open condition, particulars, or steps of their own. */
function readInner(
  text: string,
  inner: readonly Block[],
  state: State,
  scopeBefore: Scope | null,
  before: number,
  interpret: Interpreter | null,
  note: Note,
): void {
  const last = state.body.at(-1)
  const scope = state.scope
  const asked = scope && scope !== scopeBefore && scope.ask.arms.every((a) => a.body.length === 0) ? scope.ask : null
  const plain = !interpret && last?.do === 'step' && /[?？؟]$/.test(last.label) ? last : null
  const families: Block[][] = []
  for (let i = 0; i < inner.length; i = familyEnd(inner, i)) families.push(inner.slice(i, familyEnd(inner, i)))
  const answered = families.map((f) => ANSWER.exec(slice(text, (f[0] as Block).span)))
  if ((asked || plain) && families.length > 1 && answered.every(Boolean)) {
    const ask: Ask = asked ?? {
      do: 'ask',
      question: (plain as Step).label,
      source: (plain as Step).source,
      content: [],
      arms: [],
      item: state.item,
    }
    if (plain) state.body[state.body.length - 1] = ask
    ask.arms.length = 0
    families.forEach((f, k) => {
      const m = answered[k] as RegExpExecArray
      const first = f[0] as Block
      const lead = { start: first.span.start, end: first.span.start + m[0].length }
      const arm: Arm = { answer: (m[1] as string).toLowerCase(), body: [], source: [trimmed(text, lead)] }
      ask.arms.push(arm)
      inBody(state, arm.body, () =>
        readItem(
          text,
          [{ ...first, span: { start: lead.end, end: first.span.end } }, ...f.slice(1)],
          state,
          interpret,
          note,
        ),
      )
    })
    state.scope = null
    return
  }
  const target = asked && asked.arms.length > 0 ? (asked.arms.at(-1) as Arm).body : state.body
  const from = target.length
  const doings: Unit[] = []
  inBody(state, target, () =>
    families.forEach((f) =>
      readItem(text, f, state, interpret, (u, c) => {
        doings.push(u)
        note(u, c)
      }),
    ),
  )
  const parent = state.body[from - 1] ?? last
  const particulars =
    target === state.body &&
    from > before &&
    parent?.do === 'step' &&
    interpret &&
    doings.every((u) => !u.doing) &&
    target.slice(from).every((s) => s.do === 'step')
  if (particulars) {
    const steps = target.splice(from) as Step[]
    const at = state.body.indexOf(parent)
    state.body[at] = {
      ...parent,
      label: parent.label.replace(/:$/, ''),
      detail: steps.map((s) => s.label).join(', '),
      source: [...parent.source, ...steps.flatMap((s) => s.source)],
    }
  }
}

function inBody(state: State, body: Statement[], run: () => void): void {
  const { body: outer, scope, item } = state
  state.body = body
  state.scope = null
  run()
  state.body = outer
  state.scope = scope
  state.item = item
}

const plainStep = (text: string, block: Block): Step => ({
  do: 'step',
  label: slice(text, block.span)
    .replace(/\s+/g, ' ')
    .replace(/[.。．;；،]$/u, ''),
  actor: null,
  doing: false,
  detail: null,
  source: [block.span],
  content: [],
  item: block.number,
})

/** Takes one saying into the tree. `follows` is true inside a paragraph, where a condition's scope may reach on. */
function tell(said: Said, upcoming: Said | null, state: State, follows: boolean): void {
  const has = (name: string) => said.cues.some((c) => c.name === name)
  if (has('note')) return
  if (said.topic) state.object = said.topic
  if (has('last')) state.scope = null
  const { scope } = state
  const other = has('otherwise') || has('answer-no')
  if (scope && (other || has('answer-yes'))) {
    openArm(scope, other ? 'other' : 'yes', [said.cues.find((c) => c.name !== 'next')?.span ?? said.span])
    sayIn((scope.arm as Arm).body, said, upcoming, state)
    return
  }
  const { condition } = said
  if (
    scope &&
    condition &&
    !has('repeat-until') &&
    (complements(scope.ask, condition) || scope.ask.arms.length === 0)
  ) {
    const known = scope.ask.arms.length === 0 ? condition.answer : null
    openArm(scope, known ?? 'other', [condition.source])
    addActions((scope.arm as Arm).body, said, state)
    return
  }
  if (scope && follows && scope.arm && (said.goTo || continues(said, scope))) {
    sayIn(scope.arm.body, said, upcoming, state)
    return
  }
  state.scope = null
  sayIn(state.body, said, upcoming, state)
}

/** A sentence goes on inside an arm when it speaks of something that only the arm has brought up. */
function continues(said: Said, scope: Scope): boolean {
  const arm = scope.arm as Arm
  if (arm.body.length === 0) return false
  const inArm = new Set(arm.body.flatMap((s) => ('content' in s ? s.content.slice(1) : [])))
  const spoken = said.condition ? said.condition.content.slice(0, 1) : (said.actions[0]?.content.slice(1, 2) ?? [])
  return spoken.some((w) => inArm.has(w) && !scope.known.has(w))
}

function sayIn(body: Statement[], said: Said, upcoming: Said | null, state: State): void {
  const { condition } = said
  const item = state.item
  if (said.cues.some((c) => c.name === 'stop')) body.push({ do: 'stop', source: [said.span] })
  else if (said.goTo)
    body.push({
      do: 'goTo',
      item: said.goTo.step,
      content: [],
      note: said.goTo.note,
      source: [said.goTo.span],
      otherwise: null,
    })
  else if (said.cues.some((c) => c.name === 'repeat-until') && condition) repeatUntil(body, condition, state)
  else if (said.asks) {
    addActions(body, said, state)
    body.push(openAsk(said.asks, body, state, item))
  } else if (condition && (condition.sure || answersFollow(condition, upcoming))) {
    const ask = openAsk(condition, body, state, item)
    body.push(ask)
    const arm: Arm = { answer: condition.answer, body: [], source: [condition.source] }
    ask.arms.push(arm)
    ;(state.scope as Scope).arm = arm
    addActions(arm.body, said, state)
  } else addActions(body, said, state)
}

function openAsk(c: Condition, outer: Statement[], state: State, item: number | null): Ask {
  const ask: Ask = { do: 'ask', question: c.question, source: [c.source], content: c.content, arms: [], item }
  state.scope = { ask, arm: null, outer, known: new Set(state.known) }
  return ask
}

const answersFollow = (c: Condition, upcoming: Said | null): boolean =>
  upcoming !== null &&
  (upcoming.cues.some((x) => x.name === 'otherwise' || x.name === 'answer-no') ||
    (upcoming.condition !== null && sharedShare(c.content, upcoming.condition.content) >= 0.6))

function openArm(scope: Scope, which: 'yes' | 'no' | 'other', source: readonly Span[]): void {
  const given = scope.ask.arms[0]?.answer
  const answer =
    which === 'other'
      ? given === 'no'
        ? 'yes'
        : given === undefined
          ? 'no'
          : given === 'yes'
            ? 'no'
            : 'otherwise'
      : which
  const known = scope.ask.arms.find((a) => a.answer === answer)
  if (known) scope.arm = known
  else {
    scope.arm = { answer, body: [], source }
    scope.ask.arms.push(scope.arm)
  }
}

/** Same matter, other answer: "if the crate is damaged ... if the crate is not damaged", or opposites of each other. */
function complements(ask: Ask, c: Condition): boolean {
  const first = ask.arms[0]
  if (!first || ask.arms.length > 1) return false
  if (sharedShare(ask.content, c.content) >= 0.75 && c.answer !== first.answer) return true
  const [only, others] = [
    ask.content.filter((w) => !c.content.includes(w)),
    c.content.filter((w) => !ask.content.includes(w)),
  ]
  return (
    others.length === 1 &&
    OPPOSITES.some(([a, b]) => (only.includes(a) && others[0] === b) || (only.includes(b) && others[0] === a))
  )
}
const OPPOSITES = [
  ['above', 'below'],
  ['complete', 'incomplete'],
  ['open', 'closed'],
  ['open', 'close'],
  ['pass', 'fail'],
  ['valid', 'invalid'],
  ['full', 'empty'],
  ['high', 'low'],
  ['present', 'absent'],
  ['yes', 'no'],
  ['safe', 'unsafe'],
  ['clear', 'blocked'],
  ['on', 'off'],
  ['wet', 'dry'],
  ['early', 'late'],
  ['accept', 'reject'],
  ['more', 'less'],
] as const

const sharedShare = (a: readonly string[], b: readonly string[]): number => {
  const shared = a.filter((w) => b.includes(w)).length
  return shared / Math.max(1, Math.min(a.length, b.length))
}

function repeatUntil(body: Statement[], c: Condition, state: State): void {
  const start = state.loopStart ?? body.findLast((s) => s.do === 'step') ?? null
  const ask: Ask = {
    do: 'ask',
    question: c.question,
    source: [c.source],
    content: c.content,
    arms: [],
    item: state.item,
  }
  const back: GoTo = {
    do: 'goTo',
    item: null,
    content: start && 'content' in start ? start.content : [],
    note: '',
    source: [c.source],
    otherwise: null,
  }
  ask.arms.push({ answer: c.answer === 'yes' ? 'no' : 'yes', body: [back], source: [c.source] })
  body.push(ask)
}

function addActions(body: Statement[], said: Said, state: State): void {
  for (const a of said.actions) {
    const step = stepOf(a, state.item, state.object)
    if (a.object) state.object = a.object
    if (step.label === '') continue
    const again = a.content.includes('again') ? a.content.filter((w) => w !== 'again') : null
    if (again) body.push({ do: 'goTo', item: null, content: again, note: '', source: [a.source], otherwise: step })
    else body.push(step)
    for (const w of a.content) state.known.add(w)
    state.loopStart = state.loopStart && body.includes(state.loopStart) ? state.loopStart : (body.at(-1) ?? null)
  }
}

/** "it" and "them" stand for the last thing something was done to, where the number agrees. */
const withObject = (label: string, object: string | null): string =>
  object === null ? label : label.replace(/s$/.test(object) ? /(?<=\s)them\b/ : /(?<=\s)it\b/, object)

const stepOf = (a: Action, item: number | null, object: string | null): Step => ({
  do: 'step',
  label: withObject(a.label, object),
  actor: a.actor,
  doing: a.doing,
  detail: null,
  source: [a.source],
  content: a.content,
  item,
})
