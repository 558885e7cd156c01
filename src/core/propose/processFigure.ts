/** Lowers the statement tree to a flowchart: every arm's loose ends meet at the statement after the question, returns
 *  become links to the step they name. A return that names nothing known stays a step, so that no words are lost. */
import type { FigureLink, FigureNode, NodeId, NodeRole } from '../figure'
import type { Ask, Fork, GoTo, ReadText, Statement, Step } from '../reading'
import type { Span } from '../text'

type LooseEnd = {
  readonly from: NodeId
  readonly answer: string
  readonly source: readonly Span[]
  /** Leads into, or out of, what is done at the same time. */
  readonly beside?: boolean
}
type Landmark = { readonly id: NodeId; readonly item: number | null; readonly content: readonly string[] }
type Pending = { readonly ends: readonly LooseEnd[]; readonly goTo: GoTo }
export type Lowered = {
  readonly nodes: readonly FigureNode[]
  readonly links: readonly FigureLink[]
  readonly questions: number
  /** Steps of which the words leave open whether they belong to the answer before them, by node. */
  readonly loose: readonly NodeId[]
  readonly returns: number
}

export function processFigure(body: readonly Statement[], answers: ReadText['answers']): Lowered {
  const nodes: FigureNode[] = []
  const links: FigureLink[] = []
  const landmarks: Landmark[] = []
  const pending: Pending[] = []
  const byId = new Map<NodeId, FigureNode>()
  const drawn = new Set<string>()
  const loose: NodeId[] = []

  const addNode = (role: NodeRole, text: string, source: readonly Span[], more: Partial<FigureNode> = {}): NodeId => {
    const id = `n${nodes.length + 1}`
    const node = { id, role, text, order: nodes.length + 1, source, ...more }
    nodes.push(node)
    byId.set(id, node)
    return id
  }
  const connect = (ends: readonly LooseEnd[], to: NodeId) => {
    for (const e of ends) {
      const name = `${e.from} ${to} ${e.answer}`
      if (drawn.has(name)) continue
      drawn.add(name)
      links.push({
        id: `l${links.length + 1}`,
        role: e.beside && !e.answer ? 'beside' : 'next',
        from: e.from,
        to,
        order: links.length + 1,
        // Where no words lead on, one is simply told after the other.
        source: e.source.length > 0 ? e.source : [e.from, to].flatMap((id) => byId.get(id)?.source.slice(0, 1) ?? []),
        ...(e.answer ? { text: inWords(e.answer, answers) } : {}),
      })
    }
  }
  const lowerStep = (s: Step, ends: readonly LooseEnd[]): LooseEnd[] => {
    const id = addNode('step', s.label, s.source, {
      ...(s.actor ? { actor: s.actor } : {}),
      ...(s.detail ? { detail: s.detail } : {}),
    })
    landmarks.push({ id, item: s.item, content: s.content })
    connect(ends, id)
    if (s.loose && ends.length > 1) loose.push(id)
    return [{ from: id, answer: '', source: [] }]
  }
  const lowerAsk = (a: Ask, ends: readonly LooseEnd[]): LooseEnd[] => {
    const id = addNode('question', a.question, a.source)
    landmarks.push({ id, item: a.item, content: a.content })
    connect(ends, id)
    const arms = a.arms.length > 0 ? a.arms : [{ answer: 'yes', body: [], source: [] }]
    const out = arms.flatMap((arm) => lowerAll(arm.body, [{ from: id, answer: arm.answer, source: arm.source }]))
    const only = arms.length === 1 && a.arms.length > 0 ? arms[0]?.answer : undefined
    const missing = only === 'yes' ? 'no' : only === 'no' ? 'yes' : only === undefined ? null : 'otherwise'
    return missing ? [...out, { from: id, answer: missing, source: a.source }] : out
  }
  const lowerFork = (f: Fork, ends: readonly LooseEnd[]): LooseEnd[] => {
    const beside = f.how === 'and' ? { beside: true } : {}
    return f.arms.flatMap((arm) =>
      lowerAll(
        arm,
        ends.map((e) => ({ ...e, ...beside, source: [...e.source, ...f.source] })),
      ).map((e) => ({ ...e, ...beside })),
    )
  }
  const lowerAll = (list: readonly Statement[], start: readonly LooseEnd[]): LooseEnd[] => {
    let ends = [...start]
    for (const s of list) {
      if (s.do === 'step') ends = lowerStep(s, ends)
      else if (s.do === 'ask') ends = lowerAsk(s, ends)
      else if (s.do === 'fork') ends = lowerFork(s, ends)
      else if (s.do === 'stop') ends = []
      else if (ends.length > 0 && (s.item !== null || findLandmark(landmarks, s))) {
        pending.push({ ends, goTo: s })
        if (!s.goesOn) ends = []
      } else if (s.otherwise) ends = lowerStep(s.otherwise, ends)
    }
    return ends
  }

  lowerAll(body, [])
  let returns = 0
  for (const p of pending) {
    const target = findLandmark(landmarks, p.goTo)
    if (!target) continue
    returns++
    const note = p.goTo.note || trailingTime(p.goTo)
    connect(
      p.ends.map((e) => ({
        ...e,
        answer: [e.answer, note].filter(Boolean).join(', '),
        source: [...e.source, ...p.goTo.source],
      })),
      target,
    )
  }
  return { nodes, links, loose, questions: nodes.filter((n) => n.role === 'question').length, returns }
}

/** The step a return names: by its number, or the earliest one that shares verb and object. */
function findLandmark(landmarks: readonly Landmark[], g: GoTo): NodeId | null {
  if (g.item !== null) return (landmarks.find((l) => l.item === g.item) ?? landmarks[g.item - 1])?.id ?? null
  const match = landmarks.find(
    (l) =>
      l.content.length > 0 &&
      l.content[0] === g.content[0] &&
      (l.content.length === 1 || l.content.slice(1).some((w) => g.content.includes(w))),
  )
  return match?.id ?? null
}

/** "read the visibility again after twenty minutes" says when: the words behind "again". */
const trailingTime = (g: GoTo): string =>
  /\b(?:after|in|every) (?:\S+ ){1,2}(?:seconds?|minutes?|hours?|days?|weeks?)\b/i
    .exec(g.otherwise?.label ?? '')?.[0]
    .toLowerCase() ?? ''

/** "yes", "no" and "otherwise" as the language of the text says them. */
const inWords = (answer: string, answers: ReadText['answers']): string =>
  answer.replace(/^(?:yes|no|otherwise)(?=,|$)/, (a) => answers[a as keyof ReadText['answers']])
