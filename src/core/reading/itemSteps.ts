/** Items of a list as steps: one item, one step, with its lead-in or first sentence as its label and the rest as its detail. */
import { capital, sentencesOf, slice, spansMeet, type Block, type Entry } from '../text'
import type { Said } from './english/saying'
import type { Statement, Step } from './statementTree'
import { tell } from './tell'
import type { State } from './telling'

/** The sentences of a block as sayings; null where the language of the text is not interpreted. */
export type Interpreter = (block: Block) => readonly (readonly Said[])[]

/** One item, one step: its lead-in or first clause is the label, what it says further the detail. Only conditions in it become
 *  questions of their own, behind the step. */
export function tellItem(text: string, item: Block, state: State, interpret: Interpreter): readonly Said[] {
  const entry = state.entries.get(item.span.start)
  const led = entry?.led && entry.mark !== '→' && !ASKS.test(slice(text, entry.label)) ? entry : null
  const sentences = interpret(led?.details[0] ? { ...item, span: led.details[0] } : item).flat()
  const { body } = state
  const before = body.length
  let ofFirst = before
  sentences.forEach((said, k) => {
    state.inItem = k > 0
    tell(said, sentences[k + 1] ?? null, state, k > 0)
    if (entry && said.span.start < entry.label.end) ofFirst = body.length
  })
  state.inItem = false
  if (!entry || body !== state.body || body.length <= before) return sentences
  const added = body.splice(before)
  body.push(...oneStep(text, item, entry, led !== null, added, ofFirst - before))
  return sentences
}

/** Below a step with a lead-in of its own stand its particulars; below "The mate:" stand steps. */
export const foldsInner = (text: string, item: Block, state: State, last: Statement | undefined): boolean => {
  const entry = state.entries.get(item.span.start)
  return (
    entry !== undefined &&
    entry.led &&
    entry.details.length > 0 &&
    last?.do === 'step' &&
    /^(?:bold|–|:)$/.test(entry.mark)
  )
}
export function foldInner(text: string, inner: readonly Block[], state: State): void {
  const last = state.body.at(-1) as Step
  const words = inner.map((b) => slice(text, b.span).replace(/\s+/g, ' ').replace(/[.;]$/, ''))
  state.body[state.body.length - 1] = {
    ...last,
    detail: [last.detail ?? '', words.join('; ')].filter((s) => s !== '').join(' '),
    source: [...last.source, ...inner.map((b) => b.span)],
  }
}

/** What an item tells as one step, with the questions it asks behind it. */
function oneStep(
  text: string,
  item: Block,
  entry: Entry,
  led: boolean,
  added: readonly Statement[],
  ofFirst: number,
): Statement[] {
  const first = added.slice(0, led ? 0 : ofFirst)
  const rest = added.slice(led ? 0 : ofFirst)
  if (!led && !first.every((s) => s.do === 'step')) return [...added]
  const steps = first.filter((s) => s.do === 'step')
  const told = rest.filter((s) => s.do === 'step')
  const [only] = steps
  if (!led && !only) return [...added]
  // "At the gate. The purser counts. ...": a heading over steps of its own.
  if (!led && steps.every((s) => !s.doing) && told.filter((s) => s.doing).length > 1) return [...rest]
  const all = [...steps, ...told]
  // What has become a question is told by it.
  const asked = rest.flatMap((s) => (s.do === 'ask' ? s.source : []))
  const detail = entry.details
    .flatMap((d) => sentencesOf(text, d))
    .filter((s) => !asked.some((q) => spansMeet(q, s)))
    .map((s) => slice(text, s).replace(/\s+/g, ' '))
    .join(' ')
  const step: Step = {
    ...plainStep(text, item),
    label: only && steps.length === 1 && only.actor ? only.label : labelWords(slice(text, entry.label)),
    actor: only?.actor ?? null,
    doing: all.some((s) => s.doing),
    detail: detail === '' ? null : detail,
    content: all.flatMap((s) => s.content),
  }
  return [step, ...rest.filter((s) => s.do !== 'step')]
}
const ASKS = /\?$|^(?:if|when|where|unless|in case|otherwise|yes|no|wenn|falls|sonst|si|cuando)\b/iu
export const labelWords = (s: string): string =>
  capital(
    s
      .replace(/\*\*|__/g, '')
      .replace(/\s+/g, ' ')
      .replace(/^(?:(?:first|then|next|now|finally|afterwards|zuerst|dann|danach|primero|luego),?\s+)(?=\p{L})/iu, '')
      .replace(/[.;:,!。]+$/u, ''),
  )

export const entriesByStart = (entries: readonly Entry[]): Map<number, Entry> =>
  new Map(entries.flatMap((e) => [[e.span.start, e] as const, ...entriesByStart(e.entries)]))

export const plainStep = (text: string, block: Block): Step => ({
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
