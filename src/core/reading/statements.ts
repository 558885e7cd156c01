/** What a passage tells to do, as a tree: steps, questions with arms, returns. Read from blocks in any language, from
 *  English sentences by their clauses. The tree is built first and lowered to a graph in `propose`: wiring edges while
 *  reading makes every wrong scope a wrong edge. */
import { slice, trimmed, type Block, type Span } from '../text'
import type { Said } from './english/said'
import { tell, type Arm, type Ask, type Scope, type State, type Statement, type Step } from './tell'

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

/** The sentences of a block as sayings; null where the language of the text is not interpreted. */
export type Interpreter = (block: Block) => readonly (readonly Said[])[]

export function told(text: string, blocks: readonly Block[], interpret: Interpreter | null): Told {
  const out: Statement[] = []
  const units: Unit[] = []
  const state: State = {
    body: out,
    scope: null,
    loopStart: null,
    item: null,
    prose: false,
    known: new Set(),
    object: null,
  }
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
  return {
    body: out,
    units,
    cueCount,
    doing: units.filter((u) => u.doing).length,
    orderedItems: own.filter((b) => b.ordered && b.depth === 0).length,
  }
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
  state.prose = false
  const before = state.body.length
  const scopeBefore = state.scope
  state.loopStart = null
  if (interpret) {
    const sentences = interpret(item).flat()
    sentences.forEach((said, k) => tell(said, sentences[k + 1] ?? null, state, k > 0))
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
