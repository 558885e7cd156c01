/** What programs ask over HTTP: tokens, what they allow, and the description held against the routes. */
import assert from 'node:assert/strict'
import { after, before, test } from 'node:test'
import { z } from 'zod'
import { figureSchema } from '../src/core/figure'
import { startServer } from './support'

const base = 'http://localhost:4139'
let server: Awaited<ReturnType<typeof startServer>>
before(async () => {
  server = await startServer(4139)
})
after(() => void server.kill('SIGKILL'))

const post = (path: string, body: string | Uint8Array<ArrayBuffer>, token?: string, type = 'application/json') =>
  fetch(`${base}${path}`, {
    method: 'POST',
    body,
    headers: { 'content-type': type, ...(token ? { authorization: `Bearer ${token}` } : {}) },
  })
const token = async (scopes: readonly string[]): Promise<string> => {
  const made = await post('/api/tokens', JSON.stringify({ name: 'Handbook pages', scopes }))
  assert.equal(made.status, 201)
  return ((await made.json()) as { secret: string }).secret
}
const TEXT = JSON.stringify({ text: '1. Check the moorings\n2. Lower the ramp\n3. Load the cars' })

const descriptionSchema = z.object({
  openapi: z.literal('3.1.0'),
  paths: z.record(
    z.string(),
    z.object({
      post: z.object({
        operationId: z.string(),
        security: z.array(z.object({ token: z.array(z.string()) })),
        requestBody: z.object({ content: z.record(z.string(), z.unknown()) }),
      }),
    }),
  ),
})

test('the description names every route, what it needs, and nothing else; each route holds to it', async () => {
  const read = descriptionSchema.parse(await (await fetch(`${base}/api/v1/openapi.json`)).json())
  assert.deepEqual(Object.keys(read.paths).toSorted(), ['/api/v1/convert', '/api/v1/draw', '/api/v1/read'])
  for (const [path, { post: about }] of Object.entries(read.paths)) {
    const scope = about.security[0]?.token[0] ?? assert.fail('no scope')
    const type = Object.keys(about.requestBody.content)[0] ?? assert.fail('no type')
    const asked = path.endsWith('convert') ? `${path}?to=svg&name=steps.md` : path
    assert.equal((await post(asked, TEXT, undefined, type)).status, 401, path)
    assert.equal((await post(asked, TEXT, 'ic_not-a-token', type)).status, 401, path)
    const others = ['read', 'draw', 'convert'].filter((s) => s !== scope)
    const refused = await post(asked, TEXT, await token(others), type)
    assert.equal(refused.status, 403, path)
    assert.match(((await refused.json()) as { title: string }).title, new RegExp(`not allowed to ${scope}`))
    assert.equal((await post(asked, TEXT, await token([scope]), type)).status, 200, path)
    if (type === 'application/json') {
      const wrong = await post(asked, '{"text": 3}', await token([scope]))
      assert.ok(wrong.status >= 400 && wrong.status < 500, `${path}: ${wrong.status}`)
      assert.match(wrong.headers.get('content-type') ?? '', /problem\+json/)
    }
  }
})

test('a text is read, drawn and converted; a token that is taken back opens nothing', async () => {
  const all = await token(['read', 'draw', 'convert'])
  const read = (await (await post('/api/v1/read', TEXT, all)).json()) as {
    readings: { kind: string; figure: unknown }[]
  }
  const figure = figureSchema.parse(read.readings[0]?.figure)
  assert.equal(figure.kind, 'process')
  const drawn = await post('/api/v1/draw', JSON.stringify({ figure, format: 'pptx', style: 'signal-flags' }), all)
  assert.match(drawn.headers.get('content-type') ?? '', /presentationml/)
  const deck = new Uint8Array(await drawn.arrayBuffer())
  const converted = await post('/api/v1/convert?to=graphml&name=deck.pptx', deck, all, 'application/octet-stream')
  assert.match(await converted.text(), /<graphml[\s\S]*Lower the ramp/)
  const table = await post(
    '/api/v1/convert?to=json&name=crew.csv',
    'Post,Reports to\nMaster,\nMate,Master\nBosun,Mate\n',
    all,
    'text/csv',
  )
  assert.equal(figureSchema.parse(await table.json()).kind, 'hierarchy')
  const list = (await (await fetch(`${base}/api/tokens`)).json()) as { tokens: { id: string; usedAt: string | null }[] }
  assert.ok(list.tokens.some((t) => t.usedAt !== null))
  assert.ok(!JSON.stringify(list).includes(all), 'the secret is told once')
  for (const t of list.tokens)
    assert.equal((await fetch(`${base}/api/tokens/${t.id}`, { method: 'DELETE' })).status, 204)
  assert.equal((await post('/api/v1/read', TEXT, all)).status, 401)
})
