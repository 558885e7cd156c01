/** Options with what speaks for and against them, their chances and outcomes; criteria tables; question chains; conditions
 *  that lead to outcomes. Numbers are taken as they stand; a chance that only words suggest is marked and asked about. */
import { fromClaims } from './decisionClaims'
import { casesInEntries, casesInSentences, optionsInEntries, optionsInParagraphs, weighedOptions } from './choices'
import { Growing } from './growing'
import type { NodeId } from '../figure'
import type { Ask, ReadText, Statement } from '../reading'
import { slice, spansMeet, type Block, type Span } from '../text'
import { type Built } from './built'
import { labelled, titleBlock } from './shapes'
import { because } from './because'

export function decisionFigure(read: ReadText): Built {
  const found = [
    fromTable(read),
    weighedOptions(read),
    casesInEntries(read),
    optionsInEntries(read),
    fromChain(read),
    fromConditions(read),
    casesInSentences(read),
    optionsInParagraphs(read),
    fromClaims(read),
  ].filter((x): x is Built => x !== null)
  return found.toSorted((a, b) => b.score - a.score)[0] ?? { nodes: [], links: [], score: 0, reasons: [] }
}

const WEIGHT = /^(?:weight|importance|gewicht|peso)$/iu
const CRITERIA = /^(?:criterion|criteria|kriterium|criterio)$/iu

/** Options as rows with a criterion a column, or the other way round. */
function fromTable(read: ReadText): Built | null {
  const [head, ...body] = read.blocks.filter((b) => b.type === 'row')
  if (!head || body.length < 2 || head.cells.length < 3) return null
  const cell = (r: Block, c: number): string => (r.cells[c] ? slice(read.text, r.cells[c] as Span).trim() : '')
  const first = body.map((r) => cell(r, 0))
  if (new Set(first).size < first.length || first.some((f) => f === '')) return null
  const words = body.flatMap((r) => r.cells.slice(1)).map((s) => slice(read.text, s))
  if (
    words.some((w) => w.split(/\s+/).length > 8) ||
    words.every((w) => /^(?:x|✓|yes|no|y|n|ja|nein|sí|)$/iu.test(w.trim()))
  )
    return null
  const steps =
    /^(?:step|no\.?|nr\.?|#|schritt|paso|who|what|action)$/iu.test(cell(head, 0)) ||
    first.every((f, i) => f === String(i + 1))
  if (steps) return null
  const tree = new Growing()
  const title = titleBlock(read)
  const root = tree.add(
    'choice',
    title ? labelled(read.text, title.span) : labelled(read.text, head.cells[0] as Span),
    [title?.span ?? (head.cells[0] as Span)],
  )
  const across = CRITERIA.test(cell(head, 0)) || WEIGHT.test(cell(head, 1))
  const weight = head.cells.findIndex((_, c) => WEIGHT.test(cell(head, c)))
  const columns = head.cells
    .map((_, c) => c)
    .slice(1)
    .filter((c) => c !== weight)
  if (across)
    for (const c of columns) {
      const option = tree.add('option', cell(head, c), [head.cells[c] as Span], root)
      for (const r of body)
        if (cell(r, c) !== '') tree.add('criterion', cell(r, c), [r.cells[c] as Span], option, { text: cell(r, 0) })
    }
  else
    for (const r of body) {
      const option = tree.add('option', cell(r, 0), [r.cells[0] as Span], root)
      for (const c of columns)
        if (cell(r, c) !== '') tree.add('criterion', cell(r, c), [r.cells[c] as Span], option, { text: cell(head, c) })
    }
  if (weight >= 0) {
    const weights = new Map(body.map((r) => [cell(r, 0), Number(cell(r, weight).replace(/[^\d.]/g, ''))]))
    tree.nodes.forEach((n, i) => {
      const link = tree.links.find((l) => l.to === n.id)
      const value = link && weights.get(link.text ?? '')
      if (n.role === 'criterion' && value) tree.nodes[i] = { ...n, fields: { weight: String(value) } }
    })
  }
  return tree.built(0.74, [
    across ? because.criteriaTable(columns.length, body.length) : because.criteriaTable(body.length, columns.length),
  ])
}

/** Questions that lead to questions or to an answer, with no step between. */
function fromChain(read: ReadText): Built | null {
  // A question without answers in front is the title: "Which ticket?"
  const [opening] = read.told.body
  const body = opening?.do === 'ask' && opening.arms.length === 0 ? read.told.body.slice(1) : read.told.body
  const asks = body.filter((s): s is Ask => s.do === 'ask')
  const count = (list: readonly Statement[]): number =>
    list.reduce((n, s) => n + (s.do === 'ask' ? 1 + s.arms.reduce((m, a) => m + count(a.body), 0) : 0), 0)
  if (asks.length === 0 || asks.length < body.length || count(asks) < 2) return null
  if (asks.some((a) => a.arms.length < 2) || asks.some((a) => deepSteps(a))) return null
  const tree = new Growing()
  const byItem = new Map<number, Ask>(asks.flatMap((a) => (a.item === null ? [] : [[a.item, a] as const])))
  const done = new Set<Ask>()
  const grow = (a: Ask, from: NodeId | null, answer: string): void => {
    done.add(a)
    const id = tree.add('choice', a.question, a.source, from, answer ? { text: answer } : {})
    for (const arm of a.arms) {
      const [s] = arm.body
      const target = s?.do === 'goTo' && s.item !== null ? byItem.get(s.item) : undefined
      const next =
        s?.do === 'ask' ? s : target && !done.has(target) ? target : s ? undefined : asks[asks.indexOf(a) + 1]
      if (next && !done.has(next)) grow(next, id, arm.answer)
      else if (s?.do === 'step') tree.add('outcome', s.label, s.source, id, { text: arm.answer })
    }
  }
  grow(asks[0] as Ask, null, '')
  return tree.nodes.length < 4
    ? null
    : tree.built(asks.length > done.size ? 0.4 : 0.9, [because.questions(count(asks)), because.leadsOn])
}
const deepSteps = (a: Ask): boolean =>
  a.arms.some((arm) => arm.body.length > 1 || arm.body.some((s) => s.do === 'ask' && deepSteps(s)))

/** Sentences that each name a case: "Above three metres the sailing is cancelled", after "depends on" or "whether". */
function fromConditions(read: ReadText): Built | null {
  const cases = read.claims.filter((c) => c.relation === 'case')
  if (cases.length < 2) return null
  const tree = new Growing()
  // "We ask whether he is happy" further down asks for something else.
  const opening = read.sentences.find((s, i) =>
    (i < 2 ? /\b(?:depends? on|whether|according to)\b/i : /\b(?:depends? on|according to)\b/i).test(
      slice(read.text, s),
    ),
  )
  const asked = opening ? (/^(?:whether\s+)?(.*?)\s+depends?\b/i.exec(slice(read.text, opening))?.[1] ?? null) : null
  const title = titleBlock(read)
  const root = tree.add(
    'choice',
    asked
      ? labelled(asked, { start: 0, end: asked.length })
      : title && title.span.end < (cases[0]?.span.start ?? 0)
        ? labelled(read.text, title.span)
        : 'Which case?',
    opening ? [opening] : [],
  )
  for (const c of cases) tree.add('outcome', c.then.label, [c.then.span], root, { text: c.when.label })
  const share =
    read.sentences.filter((s) => s === opening || cases.some((c) => spansMeet(s, c.span))).length /
    Math.max(1, read.sentences.length)
  return tree.built(0.2 + 0.35 * share + (opening ? 0.25 : 0) + 0.03 * cases.length, [
    because.cases(cases.length),
    because.whatFollows,
  ])
}
