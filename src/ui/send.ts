/** A change sent to the server: null when it was done, otherwise the sentence that says what to do. */
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
    return { problem: sentenceIn(json) ?? `The server answered with status ${response.status}. Try again.` }
  } catch {
    return { problem: 'The server cannot be reached. Check the connection and try again; nothing was changed.' }
  }
}

/** Ours say it as `title` (RFC 9457), the library of sign-ins as `message`. */
function sentenceIn(json: unknown): string | null {
  if (json === null || typeof json !== 'object') return null
  if ('title' in json) return String(json.title)
  return 'message' in json ? String(json.message) : null
}
