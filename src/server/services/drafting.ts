/** Drafting a first text from a brief: an interface, the stand-in that ships, and an adapter to a service that a deployment
 *  configures. The stand-in drafts form, not facts: it writes the skeleton of a text that reads as a figure, with a gap in
 *  square brackets wherever somebody has to know something. */
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { patterns, type DraftPattern } from './patterns'

export type Brief = { readonly topic: string; readonly pattern: DraftPattern }
export type Drafting = { readonly draft: (brief: Brief) => Promise<{ readonly text: string } | Problem> }

export const briefSchema = z.object({
  topic: z.string().trim().min(2).max(200),
  pattern: z.enum(Object.keys(patterns) as [DraftPattern, ...DraftPattern[]]),
})

/** Deterministic, needs nothing. */
export const standIn: Drafting = {
  draft: (brief) => Promise.resolve({ text: patterns[brief.pattern].text(brief.topic) }),
}

/** What is sent and what must come back; both can be renamed to fit a service. */
export type DraftingEndpoint = {
  readonly url: string
  readonly headers: Readonly<Record<string, string>>
  /** Field of the answer that holds the text; dots lead into objects and lists: `choices.0.text`. */
  readonly answerField: string
  readonly timeoutMs: number
}

const MOST_BYTES = 400_000

/** Posts `{ topic, pattern, outline }` as JSON. Whatever goes wrong, the brief is still with the person, who is told what to do. */
export function httpDrafting(endpoint: DraftingEndpoint, fetcher: typeof fetch = fetch): Drafting {
  const failed = (why: string): Problem => ({ code: 'draft-failed', why })
  return {
    draft: async (brief) => {
      let response: Response
      try {
        response = await fetcher(endpoint.url, {
          method: 'POST',
          headers: { 'content-type': 'application/json', accept: 'application/json', ...endpoint.headers },
          body: JSON.stringify({ ...brief, outline: patterns[brief.pattern].text(brief.topic) }),
          signal: AbortSignal.timeout(endpoint.timeoutMs),
          redirect: 'error',
        })
      } catch (error) {
        return failed(
          (error as { name?: unknown } | null)?.name === 'TimeoutError'
            ? `it did not answer within ${endpoint.timeoutMs / 1000} seconds`
            : 'it cannot be reached',
        )
      }
      if (!response.ok) return failed(`it answered with status ${response.status}`)
      const body = await response.text()
      if (body.length > MOST_BYTES) return failed('its answer is too long')
      const text = fieldOf(body, endpoint.answerField)
      return text === null ? failed(`its answer has no text in “${endpoint.answerField}”`) : { text }
    },
  }
}

function fieldOf(body: string, field: string): string | null {
  let value: unknown
  try {
    value = JSON.parse(body)
  } catch {
    // Not JSON: answered below like an answer without the field.
    return null
  }
  for (const name of field.split('.')) {
    if (value === null || typeof value !== 'object') return null
    value = (value as Record<string, unknown>)[name]
  }
  return typeof value === 'string' && value.trim() !== '' ? value : null
}

const settings = z.object({
  DRAFTING_URL: z.url().optional(),
  DRAFTING_HEADERS: z.string().optional(),
  DRAFTING_ANSWER_FIELD: z.string().default('text'),
  DRAFTING_TIMEOUT_MS: z.coerce.number().int().min(100).max(120_000).default(20_000),
})

/** The configured service, or the stand-in where `DRAFTING_URL` is not set. */
export function draftingFrom(env: Readonly<Record<string, string | undefined>>): Drafting {
  const given = settings.parse(env)
  if (!given.DRAFTING_URL) return standIn
  const headers = z.record(z.string(), z.string()).parse(JSON.parse(given.DRAFTING_HEADERS ?? '{}'))
  return httpDrafting({
    url: given.DRAFTING_URL,
    headers,
    answerField: given.DRAFTING_ANSWER_FIELD,
    timeoutMs: given.DRAFTING_TIMEOUT_MS,
  })
}
