/** What a passage says, counted: clauses with a verb, list items, table rows. Coverage asks of each whether the figure
 *  holds it, so that nothing is lost in silence. */
import { slice, type Block, type Span } from '../text'
import { cueOf } from './english/cues'
import type { Clause } from './english/parse'

export type SaidUnit = {
  readonly span: Span
  /** Index of the clause it only says more about: when, why, which one; null for what stands by itself. */
  readonly of: number | null
  readonly role: 'clause' | 'item' | 'row' | 'remark' | 'told' | 'mail'
}
/** A sentence, with its clauses where the language has them. */
type Parsed = { readonly span: Span; readonly clauses: readonly Clause[] | null }

export function unitsOf(
  text: string,
  blocks: readonly Block[],
  parsed: ReadonlyMap<Block, readonly Parsed[]>,
): SaidUnit[] {
  const out: SaidUnit[] = []
  const head = blocks.find((b) => b.type === 'row')
  for (const b of blocks) {
    if (b.type === 'row' && b !== head) out.push({ span: b.span, of: null, role: 'row' })
    if (b.type !== 'item' && b.type !== 'paragraph') continue
    const before = out.length
    for (const p of parsed.get(b) ?? []) sentenceUnits(text, p, out)
    if (out.length === before && (b.type === 'item' || !parsed.has(b)))
      out.push({ span: b.span, of: null, role: 'item' })
  }
  return out
}

export const mailUnits = (frame: readonly Block[]): SaidUnit[] =>
  frame.map((b) => ({ span: b.span, of: null, role: 'mail' }))

function sentenceUnits(text: string, p: Parsed, out: SaidUnit[]): void {
  if (!p.clauses) {
    out.push({ span: p.span, of: null, role: 'clause' })
    return
  }
  const first = out.length
  const remark = cueOf(slice(text, p.span))?.cue.name === 'note'
  const said = p.clauses.filter((c) => c.verb && c.end > c.start)
  const isMain = (c: Clause) => c.sub === null && !c.relative
  said.forEach((c, i) => {
    const before = said.findLastIndex((x, k) => k < i && isMain(x))
    const main = before >= 0 ? before : said.findIndex(isMain)
    out.push({
      span: { start: c.lead && !c.relative ? c.lead.start : c.start, end: c.end },
      of: isMain(c) || main < 0 ? null : first + main,
      role: remark ? 'remark' : c.verb?.told ? 'told' : 'clause',
    })
  })
}
