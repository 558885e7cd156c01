/** Drafting a first text from a brief: an interface, the stand-in that ships, and an adapter to a service that a deployment
 *  configures. The stand-in drafts form, not facts: it writes the skeleton of a text that reads as a figure, with a gap in
 *  square brackets wherever somebody has to know something. */
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { askService, headersSetting, type JsonService } from './jsonService'
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

/** Posts `{ topic, pattern, outline }` as JSON. Whatever goes wrong, the brief is still with the person, who is told what to do. */
export function httpDrafting(service: JsonService): Drafting {
  const failed = (why: string): Problem => ({ code: 'draft-failed', why })
  return {
    draft: async (brief) => {
      const answer = await askService(service, { ...brief, outline: patterns[brief.pattern].text(brief.topic) })
      if ('why' in answer) return failed(answer.why)
      const { value } = answer
      return typeof value === 'string' && value.trim() !== ''
        ? { text: value }
        : failed(`its answer has no text in “${service.answerField}”`)
    },
  }
}

const settings = z.object({
  DRAFTING_URL: z.url().optional(),
  DRAFTING_HEADERS: headersSetting,
  DRAFTING_ANSWER_FIELD: z.string().default('text'),
  DRAFTING_TIMEOUT_MS: z.coerce.number().int().min(100).max(120_000).default(20_000),
})

/** The configured service, or the stand-in where `DRAFTING_URL` is not set. */
export function draftingFrom(env: Readonly<Record<string, string | undefined>>): Drafting {
  const given = settings.parse(env)
  if (!given.DRAFTING_URL) return standIn
  return httpDrafting({
    url: given.DRAFTING_URL,
    headers: given.DRAFTING_HEADERS,
    answerField: given.DRAFTING_ANSWER_FIELD,
    timeoutMs: given.DRAFTING_TIMEOUT_MS,
  })
}
