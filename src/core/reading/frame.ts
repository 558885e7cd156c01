/** What of a text is no step though it stands among steps: lines that open, close, warn or remark; and steps that are told
 *  as phases with their particulars. */
import { slice, type Block, type Entry, type Outline, type Span } from '../text'
import { labelWords } from './itemSteps'
import type { Step } from './statementTree'

const LEAST_IN_ITEMS = 0.5
/** Paragraphs before and after the list that is the body of the text: they open, sum up, warn or remark, and are no steps. A
 *  closing line that says what to do in a case is one more. */
export function frameOf(text: string, blocks: readonly Block[], outline: Outline): ReadonlySet<Block> {
  const size = (list: readonly Block[]): number => list.reduce((n, b) => n + b.span.end - b.span.start, 0)
  const items = blocks.filter((b) => b.type === 'item')
  const paragraphs = blocks.filter((b) => b.type === 'paragraph')
  if (items.length < 3 || size(items) < (size(items) + size(paragraphs)) * LEAST_IN_ITEMS) return new Set()
  const starts = (list: readonly Span[]) => new Set(list.map((s) => s.start))
  const [opening, closing] = [starts(outline.opening), starts(outline.closing)]
  return new Set(
    paragraphs.filter(
      (b) => opening.has(b.span.start) || (closing.has(b.span.start) && !CASE.test(slice(text, b.span))),
    ),
  )
}

const CASE = /^(?:if|unless|should|in case|where|note:? if|anything|wenn|falls|si|en caso)\b|\?/iu

/** "Phase 1: Prepare" over a few bullets: the phases are the steps, the bullets their particulars. */
export function phasesOf(outline: Outline): readonly Entry[] {
  const { entries } = outline
  const phased =
    entries.length > 1 &&
    entries.every(
      (e) => e.from === 'heading' && e.ordered && e.entries.length > 0 && e.entries.every((x) => !x.ordered),
    )
  return phased ? entries : []
}
const spansBelow = (e: Entry): Span[] => [e.span, ...e.details, ...e.entries.flatMap(spansBelow)]
export const within = (entries: readonly Entry[], at: number): boolean =>
  entries.some((e) => spansBelow(e).some((s) => s.start <= at && at < s.end))

export function phaseStep(text: string, e: Entry): Step {
  const below = [...e.details, ...e.entries.flatMap((x) => [x.label, ...x.details])]
  return {
    do: 'step',
    label: labelWords(slice(text, e.label)),
    actor: null,
    doing: true,
    detail: below.map((s) => slice(text, s).replace(/\s+/g, ' ').replace(/[.;]$/, '')).join('; ') || null,
    source: spansBelow(e),
    content: [],
    item: e.number,
  }
}
