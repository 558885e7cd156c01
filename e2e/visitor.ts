/** Somebody at the server without a browser: a cookie jar, and the ways to come in. */
import assert from 'node:assert/strict'

export class Visitor {
  private readonly jar = new Map<string, string>()

  constructor(
    readonly base: string,
    readonly name: string,
  ) {}

  get headers(): Record<string, string> {
    return { cookie: [...this.jar].map(([k, v]) => `${k}=${v}`).join('; ') }
  }

  async ask(method: string, path: string, body?: unknown, more: Record<string, string> = {}): Promise<Response> {
    const bytes = body instanceof Uint8Array
    const answer = await fetch(`${this.base}${path}`, {
      ...{
        method,
        redirect: 'manual',
        headers: { ...this.headers, 'content-type': 'application/json', origin: this.base, ...more },
      },
      ...(body === undefined ? {} : { body: bytes ? (body as BodyInit) : JSON.stringify(body) }),
    })
    for (const line of answer.headers.getSetCookie()) {
      const [, key = '', value = ''] = /^([^=]+)=([^;]*)/.exec(line) ?? []
      if (value === '' || /max-age=0/i.test(line)) this.jar.delete(key)
      else this.jar.set(key, value)
    }
    return answer
  }

  async json<T>(method: string, path: string, body?: unknown): Promise<T> {
    const answer = await this.ask(method, path, body)
    assert.ok(answer.ok, `${this.name}: ${method} ${path} ${answer.status} ${await answer.clone().text()}`)
    return (answer.headers.get('content-type')?.includes('json') ? await answer.json() : null) as T
  }

  async signUp(invitation: string | null = null): Promise<this> {
    const email = `${this.name.toLowerCase()}@gannet.example`
    const answer = await this.ask('POST', '/api/account', { name: this.name, email, password: PASSWORD, invitation })
    assert.equal(answer.status, 201, await answer.text())
    return this
  }

  signIn(password = PASSWORD): Promise<Response> {
    return this.ask('POST', '/api/auth/sign-in/email', { email: `${this.name.toLowerCase()}@gannet.example`, password })
  }

  /** Through a guest link. */
  async enter(token: string, password?: string): Promise<Response> {
    return this.ask('POST', '/api/auth/guest/enter', { token, name: this.name, ...(password ? { password } : {}) })
  }

  folio(text: string): Promise<string> {
    return this.json<{ id: string }>('POST', '/api/folios', { text }).then((f) => f.id)
  }

  /** A guest link to a folio of one's own: its token. */
  async link(folio: string, role: string, more: object = {}): Promise<{ readonly id: string; readonly token: string }> {
    const { id } = await this.json<{ id: string }>('POST', `/api/folios/${folio}/links`, { name: role, role, ...more })
    const { links } = await this.json<{ links: { id: string; token: string }[] }>('GET', `/api/folios/${folio}/shares`)
    return links.find((l) => l.id === id) ?? assert.fail('the link is not in the list')
  }

  async share(folio: string, email: string, role: string): Promise<void> {
    await this.json('POST', `/api/folios/${folio}/shares`, { email, role })
  }
}

export const PASSWORD = 'a ramp that holds 42'
