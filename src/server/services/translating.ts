/** Translating labels: an interface, the stand-in that ships, and an adapter to a service that a deployment configures. The
 *  stand-in knows a small glossary and what the folio says in other figures; it makes nothing up. */
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import glossary from './glossary.json' with { type: 'json' }
import { askService, headersSetting, type JsonService } from './jsonService'

export const askedSchema = z.object({
  from: z.string().min(2).max(35),
  to: z.string().min(2).max(35),
  labels: z.array(z.string().max(2000)).min(1).max(2000),
  /** What the folio says already: source and translation. */
  memory: z.array(z.tuple([z.string().max(2000), z.string().max(2000)])).max(5000),
})
export type Asked = z.infer<typeof askedSchema>
/** A translation of each label, null where there is none; `by` says who made them. */
export type TranslatedLabels = { readonly texts: readonly (string | null)[]; readonly by: string }
export type Translating = { readonly translate: (asked: Asked) => Promise<TranslatedLabels | Problem> }

const keyOf = (words: string): string => words.trim().toLowerCase()
const known: Readonly<Record<string, Readonly<Record<string, string>>>> = glossary

/** Deterministic, needs nothing. English is the language of its glossary. */
export const standIn: Translating = {
  translate: ({ from, to, labels, memory }) => {
    const said = new Map(memory.map(([source, text]) => [keyOf(source), text]))
    const words = from.startsWith('en') ? (known[to.split('-')[0] ?? ''] ?? {}) : {}
    return Promise.resolve({
      texts: labels.map((l) => said.get(keyOf(l)) ?? words[keyOf(l)] ?? null),
      by: 'the glossary that ships and this folio’s other figures',
    })
  },
}

const answer = z.array(z.string().nullable())

/** Posts `{ from, to, labels }` as JSON; the wanted field of the answer is a list as long as `labels`. */
export function httpTranslating(service: JsonService): Translating {
  const failed = (why: string): Problem => ({ code: 'translation-failed', why })
  return {
    translate: async ({ from, to, labels }) => {
      const got = await askService(service, { from, to, labels })
      if ('why' in got) return failed(got.why)
      const texts = answer.safeParse(got.value)
      if (!texts.success || texts.data.length !== labels.length)
        return failed(`its answer has no list of ${labels.length} texts in “${service.answerField}”`)
      return { texts: texts.data, by: new URL(service.url).hostname }
    },
  }
}

const settings = z.object({
  TRANSLATION_URL: z.url().optional(),
  TRANSLATION_HEADERS: headersSetting,
  TRANSLATION_ANSWER_FIELD: z.string().default('texts'),
  TRANSLATION_TIMEOUT_MS: z.coerce.number().int().min(100).max(120_000).default(20_000),
})

/** The configured service, or the stand-in where `TRANSLATION_URL` is not set. */
export function translatingFrom(env: Readonly<Record<string, string | undefined>>): Translating {
  const given = settings.parse(env)
  if (!given.TRANSLATION_URL) return standIn
  return httpTranslating({
    url: given.TRANSLATION_URL,
    headers: given.TRANSLATION_HEADERS,
    answerField: given.TRANSLATION_ANSWER_FIELD,
    timeoutMs: given.TRANSLATION_TIMEOUT_MS,
  })
}
