/** Options with what speaks for and against them, their chances and outcomes; criteria tables; question chains; conditions
 *  that lead to outcomes. Numbers are taken as they stand; a chance that only words suggest is marked and asked about. */
import { fromClaims } from './decisionClaims'
import { Growing } from './growing'
import type { NodeId } from '../figure'
import { keyOf, type Ask, type ReadText, type Statement } from '../reading'
import { capital, slice, spansMeet, termOf, type Block, type Span } from '../text'
import { many, type Built } from './built'
import { labelled, listIn, titleBlock } from './shapes'

export function decisionFigure(read: ReadText): Built {
  const found = [
    fromTable(read),
    fromLists(read),
    fromSides(read),
    fromNamedOptions(read),
    fromChain(read),
    fromCases(read),
    fromClaims(read),
  ].filter((x): x is Built => x !== null)
  return found.toSorted((a, b) => b.score - a.score)[0] ?? { nodes: [], links: [], score: 0, reasons: [] }
}

const PROS = /^(?:\+|pros?|for|advantages?|benefits?|plus|good|dafür|vorteile?|a favor|ventajas?)$/iu
const CONS =
  /^(?:-|−|–|cons?|against|disadvantages?|drawbacks?|minus|bad|risks?|dagegen|nachteile?|en contra|desventajas?)$/iu
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
    `a table of ${many(across ? columns.length : body.length, 'option')} by ${many(across ? body.length : columns.length, 'criterion', 'criteria')}`,
  ])
}

/** Options as headings or items, each with what is for and against it, or "criterion: value" lines. */
function fromLists(read: ReadText): Built | null {
  type Entry = { readonly span: Span; readonly label: string; readonly criterion: string }
  const options: { readonly block: Block; readonly entries: Entry[] }[] = []
  let side = ''
  const marked = (b: Block) =>
    /([+\-−–])[\t ]*$/.exec(read.text.slice(Math.max(0, b.span.start - 3), b.span.start))?.[1] ?? ''
  const signs = read.blocks.filter((b) => b.type === 'item').map(marked)
  const plusMinus = signs.includes('+') && signs.some((s) => /[-−–]/.test(s))
  for (const [i, b] of read.blocks.entries()) {
    const next = read.blocks[i + 1]
    const words = slice(read.text, b.span)
    const label = words.replace(/[:：]$/, '')
    if (next?.type === 'item' && (PROS.test(label) || CONS.test(label))) {
      side = PROS.test(label) ? 'Pro' : 'Con'
      continue
    }
    const opens =
      next?.type === 'item' &&
      b.type !== 'row' &&
      (b.type !== 'item' || next.depth > b.depth || (plusMinus && marked(next) !== '' && marked(b) === '')) &&
      words.split(/\s+/).length <= 9
    if (opens) {
      options.push({ block: b, entries: [] })
      side = ''
    } else if (b.type === 'item') {
      const term = termOf(read.text, b.span)
      const name = term ? slice(read.text, term.term) : ''
      const sign = plusMinus ? marked(b) : ''
      const criterion = side || (sign === '+' || PROS.test(name) ? 'Pro' : sign || CONS.test(name) ? 'Con' : name)
      const value = term && (PROS.test(name) || CONS.test(name) || criterion === name) ? term.rest : b.span
      options.at(-1)?.entries.push({ span: value, label: labelled(read.text, value), criterion })
    }
  }
  const used = options.filter((o) => o.entries.length > 0)
  const pairs = used.flatMap((o) => o.entries)
  const judged = pairs.filter((e) => e.criterion === 'Pro' || e.criterion === 'Con').length
  const judgedBy = new Map<string, number>()
  for (const o of used)
    for (const key of new Set(o.entries.map((e) => keyOf(e.criterion)))) judgedBy.set(key, (judgedBy.get(key) ?? 0) + 1)
  const named = pairs.filter((e) => e.criterion !== '' && (judgedBy.get(keyOf(e.criterion)) ?? 0) > 1).length
  // Deeper lists are a hierarchy, not options with what is said of each.
  if (!plusMinus && read.blocks.some((b) => b.type === 'item' && b.depth > 1)) return null
  const criteria = new Set(pairs.map((e) => keyOf(e.criterion))).size
  if (used.length < 2 || pairs.length < 3 || (judged === 0 && criteria < 2) || judged + named < pairs.length * 0.6)
    return null
  const tree = new Growing()
  const title = read.blocks.find(
    (b) => b !== used[0]?.block && b.type !== 'item' && b.span.start < (used[0]?.block.span.start ?? 0),
  )
  const root = tree.add(
    'choice',
    title ? labelled(read.text, title.span).replace(/\?$/, '') : 'Options',
    title ? [title.span] : [],
  )
  for (const o of used) {
    const label = labelled(read.text, o.block.span).replace(/^(?:option|variant) (?:\d+|[A-H])\s*[:.–-]?\s*/i, '')
    const option = tree.add('option', capital(label), [o.block.span], root)
    for (const e of o.entries)
      tree.add('criterion', e.label, [e.span], option, e.criterion ? { text: e.criterion } : {})
  }
  return tree.built(judged > 0 ? 0.85 : 0.78, [
    many(used.length, 'option'),
    judged > 0 ? 'what is for and against each' : 'the same criteria for each',
  ])
}

/** "Option A: the night ferry", "Pros: ...", "Cons: ...": lines that name an option, and lines for and against it. */
function fromSides(read: ReadText): Built | null {
  const lines = read.blocks.map((b) => ({ b, term: termOf(read.text, b.span) }))
  const side = (term: Span | undefined): string => {
    const words = term ? slice(read.text, term) : ''
    return PROS.test(words) ? 'Pro' : CONS.test(words) ? 'Con' : ''
  }
  const options = lines.flatMap(({ b, term }, i) => {
    const next = lines[i + 1]
    return side(term?.term) === '' && side(next?.term?.term) !== '' ? [{ span: term?.rest ?? b.span, at: i }] : []
  })
  if (options.length < 2) return null
  const tree = new Growing()
  const title = lines[0] && options[0]?.at !== 0 ? lines[0].b : null
  const root = tree.add(
    'choice',
    title ? labelled(read.text, title.span).replace(/\?$/, '') : 'Options',
    title ? [title.span] : [],
  )
  for (const o of options) {
    const option = tree.add('option', capital(labelled(read.text, o.span)), [o.span], root)
    for (let i = o.at + 1; side(lines[i]?.term?.term) !== ''; i++) {
      const { term } = lines[i] as { term: { term: Span; rest: Span } }
      for (const s of listIn(read.text, term.rest))
        tree.add('criterion', capital(labelled(read.text, s)), [s], option, { text: side(term.term) })
    }
  }
  return tree.built(0.88, [many(options.length, 'option'), 'what is for and against each'])
}

/** "Radio: repair or replace?" over lines of "Repair: cheap, but old": options with what is said of each. */
function fromNamedOptions(read: ReadText): Built | null {
  const [title, ...others] = read.blocks
  if (!title || title.type === 'row' || !putsToChoice(slice(read.text, title.span))) return null
  const lines = others.map((b) => termOf(read.text, b.span))
  const terms = lines.filter((t) => t !== null)
  const asked = keyOf(slice(read.text, title.span))
  const named = terms.filter((t) => asked.includes(keyOf(slice(read.text, t.term)))).length
  if (terms.length < 2 || terms.length > 6 || terms.length < others.length || named < Math.min(2, terms.length - 1))
    return null
  const tree = new Growing()
  const root = tree.add('choice', labelled(read.text, title.span), [title.span])
  for (const t of terms) {
    const option = tree.add('option', labelled(read.text, t.term), [t.term], root)
    for (const s of listIn(read.text, t.rest)) {
      const words = labelled(read.text, s).replace(/^(?:but|however)\s+/iu, '')
      tree.add('criterion', capital(words), [s], option)
    }
  }
  return tree.built(0.8, [many(terms.length, 'option'), 'what is said of each'])
}
const PUTS_TO_CHOICE = /\b(?:which|whether|options|alternatives|choice)\b/iu
const ALTERNATIVE = /\b(?:or|oder)\b/iu
const putsToChoice = (words: string): boolean =>
  PUTS_TO_CHOICE.test(words) || (words.endsWith('?') && ALTERNATIVE.test(words))

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
    : tree.built(asks.length > done.size ? 0.4 : 0.9, [many(count(asks), 'question'), 'each answer leads on'])
}
const deepSteps = (a: Ask): boolean =>
  a.arms.some((arm) => arm.body.length > 1 || arm.body.some((s) => s.do === 'ask' && deepSteps(s)))

/** "Less than a day → wait", "Urgent and important: do it now": conditions side by side, each with what follows. */
function fromCases(read: ReadText): Built | null {
  const rows = read.blocks
    .filter((b) => b.type === 'item' || b.type === 'paragraph')
    .map((b) => ({ b, term: termOf(read.text, b.span), arrow: /(?:→|->|=>)/.test(slice(read.text, b.span)) }))
  const cases = rows.filter((r) => r.term && (r.arrow || CONDITIONAL.test(slice(read.text, r.term.term))))
  const title = titleBlock(read) ?? rows.find((r) => !r.term && /\?$/.test(slice(read.text, r.b.span)))?.b ?? null
  if (cases.length >= 2 && cases.length >= rows.filter((r) => r.b !== title).length * 0.75) {
    const tree = new Growing()
    const root = tree.add('choice', title ? labelled(read.text, title.span) : 'Which case?', title ? [title.span] : [])
    for (const c of cases)
      if (c.term)
        tree.add('outcome', labelled(read.text, c.term.rest), [c.term.rest], root, {
          text: labelled(read.text, c.term.term),
        })
    return tree.built(cases.every((c) => CONDITIONAL.test(slice(read.text, c.term?.term ?? c.b.span))) ? 0.78 : 0.6, [
      many(cases.length, 'case'),
      'each with what follows',
    ])
  }
  return fromConditions(read)
}
const CONDITIONAL =
  /\b(?:less|more|under|over|above|below|between|up to|at least|not|neither|both|and|only|urgent|if|when|\d+)\b/i

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
    many(cases.length, 'case'),
    'each with what follows',
  ])
}
