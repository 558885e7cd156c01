import { WORTH_SHOWING, propose } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { withService } from '../testing/localService'
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
  ['an empty text', '{"text":"  "}', 'no text in “text”'],
  ['no text', '{"text":7}', 'no text in “text”'],
  ['another field', '{"draft":"x"}', 'no field “text”'],
])('a service that answers with %s gives a problem that says so', (_, answer, why) =>
  withService(
    (_request, _body, response) => response.end(answer),
    async (url) =>
      expect(await draftingFrom({ DRAFTING_URL: url }).draft(brief)).toMatchObject({
        code: 'draft-failed',
        why: expect.stringContaining(why) as string,
      }),
  ),
)

test('without a service the stand-in drafts', async () =>
  expect(await draftingFrom({}).draft(brief)).toEqual(await standIn.draft(brief)))
