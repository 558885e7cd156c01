/** A table of steps: a column that says what is done, perhaps others that say who does it and when. */
import { slice, type Block, type Span } from '../text'
import { plainStep } from './itemSteps'
import type { Step } from './statementTree'

const ACTION_COLUMN =
  /^(?:what(?: to do| happens| is done)?|actions?|tasks?|jobs?|steps?|stages?|activity|activities|to do|was|tätigkeit|aufgabe|schritt|qué|acción|tarea|paso)$/i
const ACTOR_COLUMN =
  /^(?:who(?: does it)?|by(?: whom)?|owner|role|roles|responsib(?:le|ility)|in charge|team|actor|person|wer|rolle|zuständig|verantwortlich|quién|responsable)$/i
const TIME_COLUMN =
  /^(?:day|date|when|time|by when|due|week|month|hour|start|tag|datum|wann|zeit|uhrzeit|woche|día|fecha|cuándo|hora|semana)s?$/i

export function stepsInTable(text: string, rows: readonly Block[]): Step[] {
  const [head, ...body] = rows
  if (!head || body.length < 2) return []
  const name = (c: number): string => (head.cells[c] ? slice(text, head.cells[c] as Span).trim() : '')
  const columns = head.cells.map((_, c) => c)
  const numbered = body.every((r, i) => r.cells[0] && slice(text, r.cells[0]).replace(/\.$/, '') === String(i + 1))
  const named = columns.filter((c) => ACTION_COLUMN.test(name(c)) && !(numbered && c === 0))
  const what = named.at(-1) ?? -1
  const who = columns.find((c) => ACTOR_COLUMN.test(name(c)) && c !== what) ?? -1
  const timed = columns.some((c) => TIME_COLUMN.test(name(c)))
  if (what < 0 || (!numbered && who < 0 && !timed)) return []
  const out: Step[] = []
  for (const r of body) {
    const span = r.cells[what]
    if (!span || span.end <= span.start) continue
    const actor = who >= 0 && r.cells[who] ? slice(text, r.cells[who] as Span) : ''
    const others = columns.filter((c) => c !== what && c !== who && !(numbered && c === 0))
    const more = others.flatMap((c) => {
      const value = r.cells[c] ? slice(text, r.cells[c] as Span).trim() : ''
      return value === '' ? [] : [name(c) === '' ? value : `${name(c)} ${value}`]
    })
    out.push({
      ...plainStep(text, { ...r, span }),
      actor: actor || null,
      doing: true,
      detail: more.join('; ') || null,
      source: [r.span],
    })
  }
  return out
}
