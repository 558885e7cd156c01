/** Sentences of a language that has a pack but no tagger, as sayings and claims. */
import { capital, type Span } from '../../text'
import type { Claim, Named } from '../claims'
import type { Action } from '../english/action'
import type { Condition } from '../english/condition'
import { empty, type Said } from '../english/saying'
import type { LanguagePack } from './pack'

const END = /[\s.!?;:…]+$/u
const bare = (s: string): string => s.replace(END, '').trim()
const withoutAsides = (s: string): string => s.replace(/\s*\([^)]*\)/gu, '').replace(/\s+/g, ' ')

/** One sentence as what it tells to do. `steps` says that the passage tells steps, so that a plain sentence is one. */
export function packSaid(text: string, span: Span, pack: LanguagePack, steps: boolean): Said[] {
  const cues: Said['cues'][number][] = []
  let start = span.start
  for (let k = 0; k < 3; k++) {
    const rest = text.slice(start, span.end)
    const row = pack.cues.find((c) => c.pattern.test(rest))
    const m = row?.pattern.exec(rest)
    if (!row || !m || m[0].length === 0) break
    cues.push({ name: row.gives, span: { start, end: start + m[0].trimEnd().length } })
    start += m[0].length
  }
  const base: Said = { ...empty(span), cues }
  if (cues.some((c) => c.name === 'note')) return [{ ...base, actions: [] }]
  const rest = bare(text.slice(start, span.end))
  const asks = /\?\s*$/u.test(text.slice(span.start, span.end))
    ? conditionOf(rest, { start, end: span.end }, 'yes', pack)
    : null
  if (asks) return [{ ...base, actions: [], asks }]
  for (const row of pack.conditions) {
    const m = row.pattern.exec(rest)
    const { when, then } = m?.groups ?? {}
    if (!when || !then) continue
    const at = text.indexOf(then, start + rest.indexOf(when) + when.length)
    const condition = conditionOf(when, { start, end: at }, row.gives, pack)
    return [{ ...base, condition, actions: [actionOf(then, { start: at, end: at + then.length }, true, pack)] }]
  }
  return rest === ''
    ? []
    : [{ ...base, actions: [actionOf(rest, { start, end: start + rest.length }, steps || cues.length > 0, pack)] }]
}

function conditionOf(words: string, source: Span, answer: 'yes' | 'no', pack: LanguagePack): Condition {
  const question = `${capital(pack.question(words), pack.language)}?`
  return {
    question,
    answer,
    source,
    content: pack.key(words).split(' '),
    sure: true,
    aboutIt: false,
    subject: '',
    follows: false,
  }
}

const actionOf = (words: string, source: Span, doing: boolean, pack: LanguagePack): Action => ({
  label: capital(withoutAsides(words).replace(pack.articles, ''), pack.language),
  actor: null,
  doing,
  asked: doing,
  happens: true,
  source,
  content: pack.key(words).split(' '),
  object: null,
})

/** What one sentence says of kinds, comparisons and causes. */
export function packClaims(text: string, span: Span, pack: LanguagePack, last: { thing: Named | null }): Claim[] {
  const said = bare(text.slice(span.start, span.end))
  const name = (words: string | undefined, from = span.start): Named => {
    const clean = bare(withoutAsides(words ?? '')).replace(pack.articles, '')
    const at = Math.max(span.start, text.indexOf(clean, from))
    return {
      label: capital(clean, pack.language),
      key: pack.key(clean),
      span: { start: at, end: at + clean.length },
      pronoun: null,
    }
  }
  const list = (words: string): Named[] =>
    words
      .split(pack.and)
      .filter((w) => w.trim() !== '')
      .map((w) => name(w))
  const base = { span, rule: pack.language } as const
  const weighed = { ...base, weight: 0.85 } as const
  for (const row of pack.hierarchy) {
    const { parent, list: items } = row.pattern.exec(said)?.groups ?? {}
    if (parent && items)
      return [{ ...weighed, relation: 'child', how: row.gives, parent: name(parent), children: list(items) }]
  }
  for (const row of pack.compare) {
    const g = row.pattern.exec(said)?.groups
    if (!g?.set) continue
    const sets = [name(g.set), ...(g.other ? [name(g.other)] : [])]
    return [{ ...weighed, relation: 'compare', how: row.gives, sets, members: g.list ? list(g.list) : [name(g.rest)] }]
  }
  return linksIn(said, pack, name, last).map((l) => ({ ...base, relation: 'link', negative: false, ...l }))
}

type Linked = { from: Named[]; to: Named[]; words: string; verb: string }
function linksIn(
  said: string,
  pack: LanguagePack,
  name: (w: string) => Named,
  last: { thing: Named | null },
): Linked[] {
  return said.split(/\s*[,;]\s*(?:und|y)?\s*/u).flatMap((part) => {
    const m = pack.links.exec(` ${part} `)
    if (!m?.groups?.verb) return []
    const from = part.slice(0, Math.max(0, m.index - 1)).trim()
    const to = part.slice(m.index + m[0].length - 1).trim()
    const source = pack.pointing.test(from) ? last.thing : name(from)
    if (!source || to === '' || source.key === '') return []
    const targets = to.split(pack.and).filter(Boolean).map(name)
    last.thing = targets.at(-1) ?? null
    return [{ from: [source], to: targets, words: m.groups.verb.toLowerCase(), verb: m.groups.verb.toLowerCase() }]
  })
}
