/** Takes sayings into the statement tree one after the other: which arm of which question a sentence belongs to. */
import { withObject } from './standsFor'
import type { Span } from '../text'
import type { Action } from './english/action'
import type { Said } from './english/saying'
import type { Condition } from './english/condition'
import { complements, sharedShare } from './opposites'
import type { Scope, State } from './telling'
import {
  besideEachOther,
  contentOfStart,
  type Arm,
  type Ask,
  type GoTo,
  type Statement,
  type Step,
} from './statementTree'

/** Takes one saying into the tree. `follows` is true inside a paragraph, where a condition's scope may reach on. */
export function tell(said: Said, upcoming: Said | null, state: State, follows: boolean): void {
  const has = (name: string) => said.cues.some((c) => c.name === name)
  if (has('note')) return
  if (said.topic) {
    state.object = said.topic
    knows(state, said.topic.toLowerCase().split(' '))
  }
  if (has('last')) state.scope = null
  // "What happens to your pot then?" asks for what the text goes on to tell.
  if (state.prose && said.asks?.put && WH.test(said.asks.question)) return
  askOfState(said, state)
  said =
    said.asks?.put && state.state && /^(?:It|They|He|She|There)\?$/.test(said.asks.question)
      ? askedOf(said, state.state)
      : said
  const other = has('otherwise') || has('answer-no')
  // Both answers are given: the next one is to the question around it.
  while (state.scope?.parent && (other || has('answer-yes')) && answered(state.scope, other))
    state.scope = state.scope.parent
  const { scope } = state
  // "Sand first, otherwise nothing sticks": what would come of it.
  if (!scope && said.within && has('otherwise') && !said.condition) return
  if (scope && (other || has('answer-yes'))) {
    openArm(scope, other ? 'other' : 'yes', [said.cues.find((c) => c.name !== 'next')?.span ?? said.span])
    sayIn((scope.arm as Arm).body, said, upcoming, state)
    return
  }
  const { condition } = said
  if (
    scope &&
    said.asks &&
    said.asks.answer === 'no' &&
    said.asks.content.every((w) => scope.ask.content.includes(w))
  ) {
    // "Do they match? ... Don't they? ...": the same question again, for its other answer.
    openArm(scope, 'other', [said.asks.source])
    return
  }
  if (scope?.arm && scope.arm.body.length === 0 && said.within && condition) {
    // "If it drops, stop if the depth allows": asked once the first holds.
    sayIn(scope.arm.body, said, upcoming, state)
    return
  }
  if (
    scope &&
    condition &&
    !has('repeat-until') &&
    (complements(scope.ask, condition) || scope.ask.arms.length === 0)
  ) {
    openArm(scope, scope.ask.arms.length === 0 ? condition.answer : 'other', [condition.source])
    addActions((scope.arm as Arm).body, said, state)
    return
  }
  if (scope && scope.ask.arms.length === 0 && answersAtOnce(said, scope)) {
    // "Still red? Call us.": what follows a short question is done when it is so.
    // "Lost your badge? Go to the gate.": what a text begins with is when all of it is done.
    if (state.prose && state.body.length === 1 && state.body[0] === scope.ask) {
      state.body.pop()
      state.scope = null
      sayIn(state.body, said, upcoming, state)
      return
    }
    openArm(scope, 'yes', [said.span])
    sayIn((scope.arm as Arm).body, said, upcoming, state)
    if (!state.prose) state.scope = null
    return
  }
  if (scope && condition && scope.arm && alsoAsks(scope, condition, said)) {
    // "If it is too runny, ...; if it is too thick, ...": the second is asked when the first does not hold.
    openArm(scope, 'other', [])
    sayIn((scope.arm as Arm).body, said, upcoming, state)
    return
  }
  if (scope && follows && scope.arm && (said.goTo || continues(said, scope, state))) {
    sayIn(scope.arm.body, said, upcoming, state)
    return
  }
  if (scope?.arm && scope.arm.body.length === 0 && said.cues.length === 0 && said.actions.length > 0) {
    sayIn(scope.arm.body, said, upcoming, state)
    return
  }
  const ended = scope !== null && follows && scope.arm !== null && said.cues.length === 0 && !condition
  state.scope = null
  const from = state.body.length
  sayIn(state.body, said, upcoming, state)
  const first = state.body[from]
  if (ended && first?.do === 'step' && state.body[from - 1]?.do === 'ask') state.body[from] = { ...first, loose: true }
}

const knows = (state: State, words: readonly string[]): void => {
  for (const w of words) if (!state.known.has(w)) state.known.set(w, state.known.size)
}

const WH = /^(?:what|who|where|when|which|why|how)\b/i

const answered = (scope: Scope, other: boolean): boolean => {
  const first = scope.ask.arms[0]?.answer
  const arms = scope.ask.arms.filter((a) => (other ? a.answer !== first : a.answer === 'yes') && a.body.length > 0)
  return arms.length > 0 && scope.ask.arms.length > 1
}

/** A question of a few words, and something to do right behind it. */
const answersAtOnce = (said: Said, scope: Scope): boolean =>
  !said.condition &&
  !said.asks &&
  said.actions[0]?.doing === true &&
  // "Is the chain worn? Then it must be replaced."
  (said.cues.length === 0
    ? scope.ask.question.split(' ').length <= 5
    : scope.put === true && said.cues[0]?.name === 'next' && said.cues[0].span.end - said.cues[0].span.start <= 5) &&
  !WH.test(scope.ask.question)

/** A second condition on the same thing, put beside the first. */
function alsoAsks(scope: Scope, c: Condition, said: Said): boolean {
  const [first] = scope.ask.arms
  const alone = scope.ask.arms.length === 1 && first !== undefined && first.body.length > 0
  const same = c.subject === 'it' || (c.subject !== '' && c.subject === scope.subject)
  return (
    alone &&
    same &&
    c.sure &&
    !c.follows &&
    !c.aboutIt &&
    !said.cues.some((x) => x.name === 'next' || x.name === 'last')
  )
}

/** "It should have doubled. Has it?": asks for what was said last. */
const askedOf = (said: Said, last: Action): Said => ({
  ...said,
  asks: said.asks && { ...said.asks, question: `${last.label}?`, content: last.content },
})

/** "In that case call the office": a condition that was told as something that happens. */
function askOfState(said: Said, state: State): void {
  const asks = said.cues.some((c) => c.name === 'answer-yes') && !state.scope && state.state
  if (!asks || !state.state) return
  const { label, source, content } = state.state
  const last = state.body.at(-1)
  if (last?.do === 'step' && !last.doing && last.label === label) state.body.pop()
  else if (last?.do === 'step' && last.detail === label) state.body[state.body.length - 1] = { ...last, detail: null }
  state.body.push(openAsk({ question: `${label}?`, source, content, subject: '' }, state.body, state, state.item))
}

/** A sentence goes on inside an arm when it speaks of something that only the arm has brought up. */
function continues(said: Said, scope: Scope, state: State): boolean {
  const arm = scope.arm as Arm
  if (arm.body.length === 0) return false
  const [action] = said.actions
  const before = arm.body.at(-1)
  // "Otherwise it stays in the safe. After that it goes to the police."
  const goesOn =
    said.cues.some((c) => c.name === 'next') && action && !action.doing && /^(?:It|They)\b/.test(action.label)
  if (goesOn && before?.do === 'step' && !before.doing) return true
  const inArm = new Set(arm.body.flatMap((s) => ('content' in s ? s.content.slice(1) : [])))
  const last = arm.body.at(-1)
  if (said.condition?.follows) return true
  if (said.condition?.aboutIt && last?.do === 'step' && last.doing) return true
  const spoken = said.condition ? said.condition.content.slice(0, 1) : (said.actions[0]?.content.slice(1, 2) ?? [])
  return spoken.some((w) => inArm.has(w) && (state.known.get(w) ?? Infinity) >= scope.known)
}

function sayIn(body: Statement[], said: Said, upcoming: Said | null, state: State): void {
  const { condition } = said
  const item = state.item
  if (said.cues.some((c) => c.name === 'stop')) body.push({ do: 'stop', source: [said.span] })
  else if (said.goTo)
    body.push({
      do: 'goTo',
      item: said.goTo.step,
      content: said.cues.some((c) => c.name === 'times') ? contentOfStart(state.loopStart, body) : [],
      note: said.goTo.note,
      source: [said.goTo.span],
      otherwise: null,
      goesOn: said.cues.some((c) => c.name === 'times'),
    })
  else if (said.cues.some((c) => c.name === 'repeat-until') && condition)
    repeatUntil(body, condition, state, said.repeats)
  else if (said.asks) {
    addActions(body, said, state)
    body.push(openAsk(said.asks, body, state, item))
  } else if (condition && isTrigger(condition, body, upcoming, state)) {
    knows(state, condition.content)
    addActions(body, said, state)
  } else if (condition && (condition.sure || answersFollow(condition, upcoming))) {
    const ask = openAsk(condition, body, state, item)
    body.push(ask)
    const arm: Arm = { answer: condition.answer, body: [], source: [condition.source] }
    ask.arms.push(arm)
    ;(state.scope as Scope).arm = arm
    addActions(arm.body, said, state)
  } else addActions(body, said, state)
}

/** "If the alarm goes off, leave the building.": what a text begins with is when all of it is done, not a question. */
const isTrigger = (c: Condition, body: readonly Statement[], upcoming: Said | null, state: State): boolean =>
  state.prose &&
  body === state.body &&
  body.length === 0 &&
  c.answer === 'yes' &&
  !answersFollow(c, upcoming) &&
  !upcoming?.condition

function openAsk(
  c: Pick<Condition, 'question' | 'source' | 'content' | 'subject' | 'put'>,
  outer: Statement[],
  state: State,
  item: number | null,
): Ask {
  const ask: Ask = { do: 'ask', question: c.question, source: [c.source], content: c.content, arms: [], item }
  // "If a record exists, renew it": what is asked about, not what was last done something to.
  if (c.subject !== '' && c.subject !== 'it') state.object = null
  state.scope = {
    ask,
    subject: c.subject,
    put: c.put === true,
    parent: state.scope?.arm?.body === outer ? state.scope : null,
    arm: null,
    outer,
    known: state.known.size,
  }
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

function repeatUntil(body: Statement[], c: Condition, state: State, what: readonly string[]): void {
  // "Repeat the round": the step that speaks of it, or else all that was told before.
  const named = what[0] !== undefined && what[0] !== 'step'
  const steps = body.filter((s): s is Step => s.do === 'step')
  const meant = named ? (steps.find((s) => s.content.some((w) => what.includes(w))) ?? steps[0]) : undefined
  const start = meant ?? state.loopStart ?? body.findLast((s) => s.do === 'step') ?? null
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
    goesOn: false,
  }
  ask.arms.push({ answer: c.answer === 'yes' ? 'no' : 'yes', body: [back], source: [c.source] })
  body.push(ask)
}

/** In running prose a sentence that tells nothing to do is no step; in a list, or as an answer, it is what it says. */
const tellsAStep = (a: Action, said: Said, state: State, isAnswer: boolean): boolean =>
  a.doing ||
  isAnswer ||
  !state.prose ||
  (a.happens &&
    (state.body.length > 0 || said.cues.some((c) => /^(?:first|next|last|meanwhile|together)$/.test(c.name))))

function addActions(body: Statement[], said: Said, state: State): void {
  const last = body.at(-1)
  const together = said.cues.some((c) => c.name === 'together')
  const meanwhile = together || said.cues.some((c) => c.name === 'meanwhile')
  const beside = meanwhile && last?.do === 'step' ? last : null
  if (!beside && !said.choice) return addSteps(body, said, state)
  const arms: Statement[] = []
  addSteps(arms, said, state)
  if (arms.length === 0) return
  const source = said.cues.map((c) => c.span)
  if (beside) body.splice(body.length - 1, 1, ...besideEachOther(beside, arms, together, source))
  else if (arms.length < 2) body.push(...arms)
  else {
    const told = said.actions.length === arms.length
    const at = told && said.choiceAt > 0 ? said.choiceAt : arms.length - 1
    const ways = [arms.slice(at - 1, at), arms.slice(at)]
    body.push(...arms.slice(0, at - 1), { do: 'fork', how: 'or', arms: ways, source })
  }
}

function addSteps(body: Statement[], said: Said, state: State): void {
  for (const a of said.actions) if (!a.doing) state.state = a
  // "If it smells, it is too wet, so add straw": what only explains is no step beside one.
  const acts = said.actions.some((a) => a.doing)
  const told = said.actions.filter((a) => !(acts && said.condition && !a.doing && !a.happens))
  for (const a of told.filter((x) => tellsAStep(x, said, state, body !== state.body && body.length === 0))) {
    const before = body.at(-1)
    // In an item with a step, what only says more is its detail.
    if (
      !a.doing &&
      !state.prose &&
      body === state.body &&
      before?.do === 'step' &&
      before.doing &&
      before.item === state.item &&
      (state.inItem || (said.actions.indexOf(a) > 0 && a.actor === null))
    ) {
      body[body.length - 1] = {
        ...before,
        detail: [before.detail, a.label].filter(Boolean).join('; '),
        source: [...before.source, a.source],
      }
      state.state = a
      continue
    }
    const step = stepOf(a, state.item, state.object)
    // "it" goes on standing for the same thing until another thing is named.
    if (a.object || !/\b(?:it|them)\b/.test(a.label)) state.object = a.object
    if (step.label === '') continue
    const again = a.content.includes('again') ? a.content.filter((w) => w !== 'again') : null
    if (again)
      body.push({
        do: 'goTo',
        item: null,
        content: again,
        note: '',
        source: [a.source],
        otherwise: step,
        goesOn: false,
      })
    else body.push(step)
    knows(state, a.content)
    state.loopStart = state.loopStart && body.includes(state.loopStart) ? state.loopStart : (body.at(-1) ?? null)
  }
}

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
