/** A change sent to the server: null when it was done, otherwise the sentence that says what to do. */
import { isProblemCode, problemSaid, type Problem } from '@/core/problem'
import { said } from '@/core/words'
import { sayNow } from './words/words'

export async function send(method: 'POST' | 'PATCH' | 'DELETE', path: string, body?: unknown): Promise<string | null> {
  const answer = await ask(method, path, body)
  return 'problem' in answer ? answer.problem : null
}

/** Like `send`, with the answer's JSON. A file goes as it is. */
export async function ask(
  method: 'GET' | 'POST' | 'PATCH' | 'DELETE',
  path: string,
  body?: unknown,
): Promise<{ json: unknown } | { problem: string }> {
  try {
    const response = await fetch(path, {
      method,
      ...(body === undefined
        ? {}
        : body instanceof Blob
          ? { body }
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
    })
    const words = await response.text()
    const json: unknown = words === '' ? null : JSON.parse(words)
    if (response.ok) return { json }
    return {
      problem:
        sentenceIn(json) ??
        sayNow(said('The server answered with status {status}. Try again.', { status: response.status })),
    }
  } catch {
    return {
      problem: sayNow(said('The server cannot be reached. Check the connection and try again; nothing was changed.')),
    }
  }
}

/** Ours come with what is wrong (RFC 9457), and are told in the language of the interface; the library of sign-ins says it as
 *  `message`. */
export function sentenceIn(json: unknown): string | null {
  if (json === null || typeof json !== 'object') return null
  if ('code' in json && isProblemCode(json.code)) {
    const { type: _type, title: _title, status: _status, ...problem } = json as Problem & Record<string, unknown>
    return sayNow(problemSaid(problem as Problem))
  }
  if ('title' in json) return String(json.title)
  // A sentence of the catalogue, or one of the library’s own.
  return 'message' in json ? sayNow({ says: String(json.message) }) : null
}
