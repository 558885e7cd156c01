/** What a passage tells to do, as a tree: steps, questions with arms, returns. Read from blocks in any language, from
 *  English sentences by their clauses. The tree is built first and lowered to a graph in `propose`: wiring edges while
 *  reading makes every wrong scope a wrong edge. */
import { alike } from './opposites'
import { capital, slice, trimmed, type Block, type Outline, type Span } from '../text'
import type { Arm, Ask, Statement, Step } from './statementTree'
import type { Said } from './english/saying'
import { frameOf, phaseStep, phasesOf, within } from './frame'
import { entriesByStart, foldInner, foldsInner, plainStep, tellItem, type Interpreter } from './itemSteps'
import { stepsInTable } from './stepTable'
import { tell } from './tell'
import type { Scope, State } from './telling'

/** One thing the passage says, for coverage: an item, or a clause of a sentence. */
export type Unit = {
  readonly span: Span
  readonly doing: boolean
  /** Told as something to do, not merely done by somebody. */
  readonly asked: boolean
  readonly ordered: boolean
  readonly remark: boolean
}
export type Told = {
  readonly body: readonly Statement[]
  readonly units: readonly Unit[]
  readonly cueCount: number
  readonly orderedItems: number
  /** How many units tell something to do. */
  readonly doing: number
}

const freshState = (body: Statement[], outline: Outline): State => ({
  body,
  scope: null,
  loopStart: null,
  item: null,
  prose: false,
  known: new Map(),
  object: null,
  state: null,
  inItem: false,
  entries: entriesByStart(outline.entries),
})

export function told(text: string, blocks: readonly Block[], outline: Outline, interpret: Interpreter | null): Told {
  const out: Statement[] = []
  const units: Unit[] = []
  const state = freshState(out, outline)
  let cueCount = 0
  const note = (u: Unit, cues: number) => {
    units.push(u)
    cueCount += cues
  }
  const frame = frameOf(text, blocks, outline)
  const phases = phasesOf(outline)
  const own = blocks.filter(
    (b) =>
      (b.type === 'item' || b.type === 'paragraph') &&
      !frame.has(b) &&
      b.span.start !== outline.title?.start &&
      !within(phases, b.span.start),
  )
  const tellPlainly = (step: Step, span: Span): void => {
    state.body.push(step)
    note({ span, doing: true, asked: true, ordered: true, remark: false }, 0)
  }
  for (const e of phases) tellPlainly(phaseStep(text, e), e.span)
  const rows = blocks.filter((b) => b.type === 'row')
  for (const step of stepsInTable(text, rows)) tellPlainly(step, step.source[0] as Span)
  for (let i = 0; i < own.length;) {
    const block = own[i] as Block
    const end = block.type === 'item' ? familyEnd(own, i) : i + 1
    const answered = answersBelow(text, own, i)
    if (answered > i + 1) {
      // A question over a list of its answers: as if the list stood inside it.
      const inner = own.slice(i + 1, answered).map((b) => ({ ...b, depth: b.depth + 1 }))
      readItem(text, [{ ...block, type: 'item', depth: 0 }, ...inner], state, interpret, note)
      i = answered
      continue
    }
    if (isLeadIn(text, own, i)) {
      i = end
      continue
    }
    if (block.type === 'item') readItem(text, own.slice(i, end), state, interpret, note)
    else readParagraph(block, state, interpret, note)
    i = end
  }
  return {
    body: settled(out),
    units,
    cueCount,
    doing: units.filter((u) => u.doing).length,
    orderedItems: own.filter((b) => b.ordered && b.depth === 0).length,
  }
}

/** "Read the visibility again" goes back where nothing follows it; where the text goes on it is a step of its own. */
function settled(body: readonly Statement[], last = true): Statement[] {
  return body.map((s, i) => {
    const end = last && i === body.length - 1
    if (s.do === 'goTo' && s.otherwise && !end) return s.otherwise
    if (s.do === 'fork') return { ...s, arms: s.arms.map((a) => settled(a, false)) }
    return s.do === 'ask'
      ? { ...s, arms: s.arms.map((a, k) => ({ ...a, body: settled(a.body, end && k === s.arms.length - 1) })) }
      : s
  })
}

/** "Closing the kitchen:" names the list below it. */
const isLeadIn = (text: string, blocks: readonly Block[], i: number): boolean =>
  blocks[i]?.type === 'paragraph' &&
  blocks[i + 1]?.type === 'item' &&
  /[:：]$/.test(slice(text, (blocks[i] as Block).span))

/** Index behind the list of answers that follows a question; 0 when none does. */
function answersBelow(text: string, own: readonly Block[], i: number): number {
  const block = own[i]
  if (block?.type !== 'paragraph' || !/[?？؟]$/.test(slice(text, block.span))) return 0
  let end = i + 1
  while (own[end]?.type === 'item') end++
  const top = own.slice(i + 1, end).filter((b) => b.depth === 0)
  return top.length > 1 && top.every((b) => ANSWER.test(slice(text, b.span))) ? end : 0
}

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
  state.prose = true
  const sentences = interpret(block)
  const flat = sentences.flat()
  let at = 0
  for (const sentence of sentences) {
    if (sentence.every((s) => !s.cues.some((c) => c.name === 'repeat-until'))) state.loopStart = null
    for (const said of sentence) {
      at++
      tell(said, flat[at] ?? null, state, true)
      note(
        {
          span: said.span,
          doing: said.actions.some((a) => a.doing),
          asked: said.actions.some((a) => a.asked),
          ordered: false,
          remark: isRemark(said),
        },
        said.cues.length,
      )
    }
  }
}
const isRemark = (s: Said): boolean => s.cues.some((c) => c.name === 'note')

/** “Yes: …”, “if wet → …”, “Yes, in 30 % of crossings: …”. */
const ANSWER =
  /^(?:if )?(\p{L}[\p{L}\p{N} <>≤≥%.-]{0,24}?(?:, [\p{L}\p{N} <>≤≥%.-]{1,36}?)?)\s*(?::|[–—→]|->|=>)\s+(?=\S)/iu

function readItem(
  text: string,
  family: readonly Block[],
  state: State,
  interpret: Interpreter | null,
  note: Note,
): void {
  const [item, ...inner] = family as [Block, ...Block[]]
  state.item = item.number
  state.prose = false
  const before = state.body.length
  const scopeBefore = state.scope
  state.loopStart = null
  const arrow = ARROW.exec(slice(text, item.span))
  if (arrow && interpret && inner.length === 0) readArrow(text, item, arrow, state, interpret, note)
  else if (interpret) {
    const sentences = tellItem(text, item, state, interpret)
    for (const said of sentences)
      note(
        {
          span: said.span,
          doing: said.actions.some((a) => a.doing),
          asked: said.actions.some((a) => a.asked),
          ordered: item.ordered,
          remark: isRemark(said),
        },
        said.cues.length,
      )
  } else {
    state.body.push(plainStep(text, item))
    note({ span: item.span, doing: false, asked: false, ordered: item.ordered, remark: false }, 0)
  }
  const led = inner.length > 0 && interpret && foldsInner(text, item, state, state.body.at(-1))
  if (led && inner.every((b) => !ANSWER.test(slice(text, b.span)))) {
    foldInner(text, inner, state)
    for (const b of inner) note({ span: b.span, doing: true, asked: true, ordered: false, remark: false }, 0)
  } else if (inner.length > 0) readInner(text, inner, state, scopeBefore, before, interpret, note)
}

const ARROW = /^(.{2,80}?)\s*(?:→|⇒|->|=>)\s*(?=\S)/u
const STARTS_ASKING = /^(?:if|when|in case of|case)\s+/i

/** "Person picked up → warm blankets": a condition and what is done then. */
function readArrow(
  text: string,
  item: Block,
  arrow: RegExpExecArray,
  state: State,
  interpret: Interpreter,
  note: Note,
): void {
  const when = trimmed(text, { start: item.span.start, end: item.span.start + (arrow[1] as string).length })
  const then = { start: item.span.start + arrow[0].length, end: item.span.end }
  const ahead = slice(text, when)
  const clause = / /.test(ahead) && !STARTS_ASKING.test(ahead)
  const left = clause ? interpret({ ...item, span: when }).flat() : []
  if (left.some((s) => s.actions.some((a) => a.doing))) {
    // "Warehouse checks papers → wrong? send back": done, and what follows.
    const both = [...left, ...interpret({ ...item, span: then }).flat()]
    both.forEach((said, k) => tell(said, both[k + 1] ?? null, state, k > 0))
    note({ span: item.span, doing: true, asked: true, ordered: item.ordered, remark: false }, 1)
    return
  }
  const words = slice(text, when).replace(STARTS_ASKING, '').replace(/\?$/, '')
  const negative = /^(?:not|no|never)\s+/i.exec(words)
  const question = capital(words.slice(negative?.[0].length ?? 0))
  const answer = negative ? 'no' : 'yes'
  const open = state.scope?.ask
  const arm: Arm = { answer, body: [], source: [when] }
  const same = open && open.arms.length === 1 && open.arms[0]?.answer !== answer && alike(open.question, question)
  if (same) open.arms.push(arm)
  else {
    const ask: Ask = { do: 'ask', question: `${question}?`, source: [when], content: [], arms: [arm], item: state.item }
    state.body.push(ask)
    state.scope = { ask, subject: '', parent: null, arm, outer: state.body, known: state.known.size }
  }
  const scope = state.scope
  inBody(state, arm.body, () =>
    interpret({ ...item, span: then })
      .flat()
      .forEach((said, k, all) => tell(said, all[k + 1] ?? null, state, k > 0)),
  )
  state.scope = scope
  note({ span: item.span, doing: true, asked: true, ordered: item.ordered, remark: false }, 1)
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
    families.forEach((f, k) => answerIn(text, ask, f, answered[k] as RegExpExecArray, null, state, interpret, note))
    state.scope = null
    return
  }
  const parentStep = !asked && !plain && last?.do === 'step' ? last : null
  if (
    parentStep &&
    families.length > 1 &&
    answered.every((m) => m !== null && /^\p{Ll}+(?: \p{Ll}+)?$/u.test(m[1] as string))
  ) {
    // "Send a quote: accepted: ..., refused: ...": how it turns out is asked.
    const [first] = answered as [RegExpExecArray]
    const word = first[1] as string
    const ask: Ask = {
      do: 'ask',
      question: `${capital(word)}?`,
      source: [(families[0]?.[0] as Block).span],
      content: [],
      arms: [],
      item: state.item,
    }
    state.body.push(ask)
    families.forEach((f, k) =>
      answerIn(
        text,
        ask,
        f,
        answered[k] as RegExpExecArray,
        families.length > 2 ? null : k === 0 ? 'yes' : 'no',
        state,
        interpret,
        note,
      ),
    )
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

/** One answer of a list below a question, with what is done then. */
function answerIn(
  text: string,
  ask: Ask,
  family: readonly Block[],
  m: RegExpExecArray,
  called: string | null,
  state: State,
  interpret: Interpreter | null,
  note: Note,
): void {
  const first = family[0] as Block
  const lead = { start: first.span.start, end: first.span.start + m[0].length }
  const arm: Arm = { answer: called ?? (m[1] as string).toLowerCase(), body: [], source: [trimmed(text, lead)] }
  ask.arms.push(arm)
  const own = { ...first, span: { start: lead.end, end: first.span.end } }
  inBody(state, arm.body, () => readItem(text, [own, ...family.slice(1)], state, interpret, note))
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
