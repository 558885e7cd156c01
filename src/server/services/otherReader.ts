/** Another reader of passages, where a deployment has configured one: a passage goes to its JSON endpoint, figures come back. They
 *  are believed only as far as the core finds their words in the passage (`propose/grounded`). There is none by default. */
import { z } from 'zod'
import { figureKinds, kinds } from '@/core/figure'
import type { Problem } from '@/core/problem'
import { givenFiguresSchema, type GivenFigures } from '@/core/propose'
import { log } from '../log'
import { askService, headersSetting, jsonSetting, type JsonService } from './jsonService'

export type OtherReader = {
  /** As it is shown beside what it read. */
  readonly name: string
  readonly read: (passage: string) => Promise<GivenFigures | Problem>
}

/** As long as what is read here at once. */
export const askedSchema = z.object({ passage: z.string().trim().min(1).max(60_000) })

/** What an answer looks like, as JSON Schema (2020-12). */
const answerSchema = z.toJSONSchema(givenFiguresSchema, { io: 'input' })

const rolesOf = (kind: (typeof figureKinds)[number]): string =>
  `${kind} (roles of nodes: ${kinds[kind].nodeRoles.join(', ')})`

/** What a reader that understands instructions is told. */
const INSTRUCTIONS = [
  'Read the passage and give the figures it describes, best first, as JSON after the schema.',
  `Kinds: ${figureKinds.map(rolesOf).join('; ')}.`,
  'Labels, details and actors are words of the passage, in its order, from one sentence or item; words may be left out, but never one such as "not", "only" or "without".',
  'A label that is not in the passage has "added": true. Links join nodes by their ids; "yes", "no" and "otherwise" may label the branches of a question.',
].join('\n')

type Values = { readonly passage: string; readonly instructions: string; readonly schema: unknown }
const usual = { passage: '{passage}', instructions: '{instructions}', schema: '{schema}' }

/** The body of a request: a JSON value whose strings may hold `{passage}`, `{instructions}` and `{schema}`. */
function filled(template: unknown, values: Values): unknown {
  if (typeof template === 'string') {
    if (template === '{schema}') return values.schema
    return template.replace(/\{(passage|instructions|schema)\}/g, (_, name: keyof Values) => {
      const value = values[name]
      return typeof value === 'string' ? value : JSON.stringify(value)
    })
  }
  if (Array.isArray(template)) return template.map((x) => filled(x, values))
  if (template === null || typeof template !== 'object') return template
  return Object.fromEntries(Object.entries(template).map(([key, x]) => [key, filled(x, values)]))
}

/** Posts the passage; the figures may come as JSON or as a text that is JSON, with or without a fence around it. */
export function httpReader(name: string, service: JsonService, template: unknown): OtherReader {
  const failed = (why: string): Problem => ({ code: 'reader-failed', name, why })
  return {
    name,
    read: async (passage) => {
      const values = { passage, instructions: INSTRUCTIONS, schema: answerSchema }
      const answer = await askService(service, filled(template, values))
      if ('why' in answer) return failed(answer.why)
      const parsed = givenFiguresSchema.safeParse(unwrapped(answer.value))
      if (parsed.success) return parsed.data
      const [issue] = parsed.error.issues
      const where = issue && issue.path.length > 0 ? ` at ${issue.path.join('.')}` : ''
      return failed(`its answer is not figures as they were asked for${where}`)
    },
  }
}

function unwrapped(value: unknown): unknown {
  if (typeof value !== 'string') return value
  const inside = /^\s*```\w*\n([\s\S]*?)\n?```\s*$/.exec(value)?.[1] ?? value
  try {
    return JSON.parse(inside)
  } catch {
    // A text that is no JSON is no figures either, and is refused as such.
    return null
  }
}

const settings = z.object({
  READER_URL: z.url().optional(),
  READER_NAME: z.string().trim().min(1).max(60).optional(),
  READER_HEADERS: headersSetting,
  READER_BODY: jsonSetting.default(usual),
  READER_ANSWER_FIELD: z.string().default(''),
  READER_TIMEOUT_MS: z.coerce.number().int().min(100).max(300_000).default(60_000),
})

/** The configured reader; null where `READER_URL` is not set, or where settings are wrong, which the log says. */
export function readerFrom(env: Readonly<Record<string, string | undefined>>): OtherReader | null {
  const parsed = settings.safeParse(env)
  if (!parsed.success) {
    log.error({ why: z.prettifyError(parsed.error) }, 'the settings of the other reader are wrong; it is left out')
    return null
  }
  const given = parsed.data
  if (!given.READER_URL) return null
  const service = {
    url: given.READER_URL,
    headers: given.READER_HEADERS,
    answerField: given.READER_ANSWER_FIELD,
    timeoutMs: given.READER_TIMEOUT_MS,
  }
  return httpReader(given.READER_NAME ?? new URL(given.READER_URL).hostname, service, given.READER_BODY)
}
