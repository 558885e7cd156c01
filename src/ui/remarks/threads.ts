/** Threads of remarks as the page shows them: checked, put in order, filtered, told in words. */
import { z } from 'zod/mini'
import type { Figure } from '@/core/figure'
import { own, said, type Said } from '@/core/words'

const quote = z.string()
const placeSchema = z.discriminatedUnion('at', [
  z.object({ at: z.literal('folio') }),
  z.object({ at: z.literal('words'), anchor: z.object({ start: z.unknown(), end: z.unknown() }), quote }),
  z.object({ at: z.literal('figure'), figure: z.string() }),
  z.object({ at: z.literal('part'), figure: z.string(), part: z.string(), quote }),
  z.object({ at: z.literal('region'), figure: z.string(), sets: z.array(z.string()), quote }),
])
export type Place = z.infer<typeof placeSchema>

const threadSchema = z.object({
  id: z.string(),
  place: placeSchema,
  proposal: z.nullable(z.object({ from: z.string(), to: z.string() })),
  state: z.enum(['open', 'resolved', 'taken', 'left']),
  settledBy: z.nullable(z.string()),
  remarks: z.array(
    z.object({
      ...{ id: z.string(), by: z.string(), mine: z.boolean(), words: z.string(), madeAt: z.string() },
      changed: z.boolean(),
    }),
  ),
})
export type Thread = z.infer<typeof threadSchema>

export const remarksSchema = z.object({
  threads: z.array(threadSchema),
  people: z.array(z.object({ id: z.string(), name: z.string() })),
})
export type Remarks = z.infer<typeof remarksSchema>

export const filters = {
  open: said('Open'),
  mine: said('With me in them'),
  proposals: said('Proposed changes'),
  all: said('All, settled too'),
} as const
export type Filter = keyof typeof filters

const shows: Readonly<Record<Filter, (t: Thread, me: string) => boolean>> = {
  open: (t) => t.state === 'open',
  mine: (t, me) => t.remarks.some((r) => r.mine || r.words.includes(`@${me}`)),
  proposals: (t) => t.proposal !== null,
  all: () => true,
}

/** Where a thread stands: an offset in the manuscript, or the place of its figure among them; the whole folio comes first. */
export type Where = { readonly offset: number | null; readonly figure: string | null }

/** Those that a filter shows, in the order of the text; what has lost its place comes last. */
export function shown(
  threads: readonly Thread[],
  filter: Filter,
  me: string,
  offsetOf: (t: Thread) => number | null,
): readonly Thread[] {
  const rank = (t: Thread) => (t.place.at === 'folio' ? -1 : (offsetOf(t) ?? Infinity))
  return threads.filter((t) => shows[filter](t, me)).toSorted((a, b) => rank(a) - rank(b) || 0)
}

export const figureOf = (place: Place): string | null => ('figure' in place ? place.figure : null)

/** What a thread is about, in words; `missing` where that is not there any more. */
export function aboutOf(place: Place, figures: readonly Figure[]): { readonly says: Said; readonly missing: boolean } {
  if (place.at === 'folio') return { says: said('the whole folio'), missing: false }
  if (place.at === 'words') return { says: own(`“${short(place.quote)}”`), missing: false }
  const figure = figures.find((f) => f.id === place.figure)
  if (!figure) return { says: said('A figure that was removed'), missing: true }
  const name = figure.title ? own(figure.title) : said('Figure')
  if (place.at === 'figure') return { says: name, missing: false }
  if (place.at === 'region') {
    const missing = place.sets.some((s) => !figure.nodes[s])
    return { says: said('{figure}: {words}', { figure: name, words: short(place.quote) }), missing }
  }
  const text = wordsAt(figure, place.part)
  return text === null
    ? {
        says: said('{figure}: “{words}”, which was removed', { figure: name, words: short(place.quote) }),
        missing: true,
      }
    : { says: said('{figure}: “{words}”', { figure: name, words: short(text) }), missing: false }
}

/** The words of a node or a link; null where there is none. */
export const wordsAt = (figure: Figure, part: string): string | null =>
  figure.nodes[part]?.text ?? (figure.links[part] ? (figure.links[part].text ?? '') : null)

const MOST = 70
const short = (words: string): string => (words.length > MOST ? `${words.slice(0, MOST - 1).trimEnd()}…` : words)

/** Those of the people whose names stand after an @ in the words. */
export const mentionedIn = (words: string, people: Remarks['people']): string[] =>
  people.filter((p) => words.includes(`@${p.name}`)).map((p) => p.id)

/** How many open threads stand at each part of a figure; the figure itself counts as ''. */
export function openAt(threads: readonly Thread[], figure: string): ReadonlyMap<string, number> {
  const counts = new Map<string, number>()
  for (const { state, place } of threads) {
    if (state !== 'open' || figureOf(place) !== figure) continue
    const part = place.at === 'part' ? place.part : ''
    counts.set(part, (counts.get(part) ?? 0) + 1)
  }
  return counts
}
