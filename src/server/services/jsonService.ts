/** A service that a deployment configures: JSON is posted to it, JSON comes back, or the reason why not. */
import { z } from 'zod'

export type JsonService = {
  readonly url: string
  readonly headers: Readonly<Record<string, string>>
  /** Field of the answer that is wanted; dots lead into objects and lists: `choices.0.text`. Empty for the whole answer. */
  readonly answerField: string
  readonly timeoutMs: number
}
export type Answer = { readonly value: unknown } | { readonly why: string }

const MOST_BYTES = 400_000

/** A setting that is JSON. */
export const jsonSetting = z.string().transform((s, context): unknown => {
  try {
    return JSON.parse(s)
  } catch {
    context.addIssue({ code: 'custom', message: 'not JSON' })
    return z.NEVER
  }
})
export const headersSetting = jsonSetting.pipe(z.record(z.string(), z.string())).default({})

/** Posts `body`. Out: what the wanted field of the answer holds, or why there is none. */
export async function askService(service: JsonService, body: unknown): Promise<Answer> {
  try {
    const response = await fetch(service.url, {
      method: 'POST',
      headers: { 'content-type': 'application/json', accept: 'application/json', ...service.headers },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(service.timeoutMs),
      redirect: 'error',
    })
    const bytes = await answered(response, MOST_BYTES)
    return 'why' in bytes ? bytes : fieldOf(bytes.toString(), service.answerField)
  } catch (error) {
    return { why: whyUnreached(error, service.timeoutMs) }
  }
}

/** The body, counted while it comes in, or why there is none. */
export async function answered(response: Response, most: number): Promise<Buffer | { readonly why: string }> {
  if (!response.ok) return { why: `it answered with status ${response.status}` }
  const chunks: Uint8Array[] = []
  let bytes = 0
  for await (const chunk of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    bytes += chunk.length
    // Leaving the loop cancels the body.
    if (bytes > most) return { why: 'its answer is too long' }
    chunks.push(chunk)
  }
  return Buffer.concat(chunks)
}

/** What a failed fetch is said to be. */
export const whyUnreached = (error: unknown, timeoutMs: number): string =>
  (error as { name?: unknown } | null)?.name === 'TimeoutError'
    ? `it did not answer within ${timeoutMs / 1000} seconds`
    : 'it cannot be reached'

function fieldOf(body: string, field: string): Answer {
  let value: unknown
  try {
    value = JSON.parse(body)
  } catch {
    return { why: 'its answer is not JSON' }
  }
  for (const name of field === '' ? [] : field.split('.')) {
    if (value === null || typeof value !== 'object' || !Object.hasOwn(value, name))
      return { why: `its answer has no field “${field}”` }
    value = (value as Record<string, unknown>)[name]
  }
  return { value }
}
