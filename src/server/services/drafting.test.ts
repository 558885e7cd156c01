import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { WORTH_SHOWING, propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { draftingFrom, standIn } from './drafting'
import { patterns, type DraftPattern } from './patterns'

const lexicon = shippedLexicon()
const names = Object.keys(patterns) as DraftPattern[]

test.each(names)('the pattern “%s” gives a text with visible gaps that reads as what it promises', async (pattern) => {
  for (const topic of ['Boarding the ferry', 'Lost property', 'Night watch on the Teal']) {
    const drafted = await standIn.draft({ topic, pattern })
    const text = 'text' in drafted ? drafted.text : ''
    expect(text).toContain(`# ${topic}`)
    expect(text.match(/\[[^\]]+\]/g)?.length).toBeGreaterThanOrEqual(5)
    const best = propose(readText(text, lexicon))[0]
    expect([pattern, best?.kind]).toEqual([pattern, patterns[pattern].readsAs])
    expect(best?.score).toBeGreaterThan(WORTH_SHOWING)
    expect(await standIn.draft({ topic, pattern })).toEqual(drafted)
  }
})

/** A small service on loopback that answers as told. */
async function withService<T>(
  answer: (request: IncomingMessage, body: string, response: ServerResponse) => void,
  run: (url: string) => Promise<T>,
): Promise<T> {
  const server = createServer((request, response) => {
    let body = ''
    request.on('data', (c: Buffer) => (body += c.toString()))
    request.on('end', () => answer(request, body, response))
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  try {
    return await run(`http://127.0.0.1:${(server.address() as AddressInfo).port}/draft`)
  } finally {
    server.closeAllConnections()
    await new Promise((done) => server.close(done))
  }
}

const brief = { topic: 'Boarding', pattern: 'procedure' } as const

test('a configured service gets the brief and its answer is taken', () =>
  withService(
    (request, body, response) => {
      const sent = JSON.parse(body) as { topic: string; pattern: string; outline: string }
      const good =
        request.method === 'POST' &&
        request.headers.authorization === 'Bearer deck' &&
        sent.outline.includes('# Boarding')
      response.end(JSON.stringify({ result: [{ words: good ? `1. Open the ${sent.pattern}.` : '' }] }))
    },
    async (url) => {
      const drafting = draftingFrom({
        DRAFTING_URL: url,
        DRAFTING_HEADERS: '{"authorization":"Bearer deck"}',
        DRAFTING_ANSWER_FIELD: 'result.0.words',
      })
      expect(await drafting.draft(brief)).toEqual({ text: '1. Open the procedure.' })
    },
  ))

test.each([
  ['status 500', (r: ServerResponse) => r.writeHead(500).end(), 'status 500'],
  ['no JSON', (r: ServerResponse) => r.end('<html>'), 'no text in “text”'],
  ['another field', (r: ServerResponse) => r.end('{"draft":"x"}'), 'no text in “text”'],
  ['an empty text', (r: ServerResponse) => r.end('{"text":"  "}'), 'no text in “text”'],
  ['half a megabyte', (r: ServerResponse) => r.end(`{"text":"${'x'.repeat(500_000)}"}`), 'too long'],
  ['a redirect', (r: ServerResponse) => r.writeHead(302, { location: '/elsewhere' }).end(), 'cannot be reached'],
  ['silence', () => undefined, 'did not answer within 0.3 seconds'],
] as const)('a service that answers with %s gives a problem that says so', (name, answer, why) =>
  withService(
    (_request, _body, response) => void answer(response),
    async (url) => {
      const problem = await draftingFrom({
        DRAFTING_URL: url,
        DRAFTING_TIMEOUT_MS: name === 'silence' ? '300' : '20000',
      }).draft(brief)
      expect(problem).toMatchObject({ code: 'draft-failed', why: expect.stringContaining(why) as string })
    },
  ),
)

test('without a service the stand-in drafts', async () =>
  expect(await draftingFrom({}).draft(brief)).toEqual(await standIn.draft(brief)))
