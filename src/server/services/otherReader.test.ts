import { readFileSync } from 'node:fs'
import { grounded } from '@/core/propose'
import { readText } from '@/core/reading'
import { shippedLexicon } from '@/server/lexicon'
import { withService } from '../testing/localService'
import { readerFrom, type OtherReader } from './otherReader'
import { english } from '@/core/words'

const lexicon = shippedLexicon()
const recorded = (name: string) => readFileSync(`src/server/services/recorded/${name}.json`, 'utf8')
const PASSAGE = recorded('passage')
const passage = (JSON.parse(PASSAGE) as { passage: string }).passage

const readerAt = (url: string, more: Record<string, string> = {}): OtherReader =>
  readerFrom({ READER_URL: url, READER_NAME: 'Harbour reader', ...more }) as OtherReader

/** What a reader that answers with these words makes of the passage, held against it. */
const read = (answer: string, more: Record<string, string> = {}) =>
  withService(
    (_request, _body, response) => response.end(answer),
    async (url) => {
      const given = await readerAt(url, more).read(passage)
      if ('code' in given) return given
      return grounded(readText(passage, lexicon), given, 'Harbour reader')
    },
  )

test('without a setting there is no other reader, and a wrong setting is not half taken', () => {
  expect(readerFrom({})).toBeNull()
  expect(readerFrom({ READER_URL: 'harbour' })).toBeNull()
  expect(readerFrom({ READER_URL: 'http://harbour.example/read', READER_BODY: '{' })).toBeNull()
  expect(readerFrom({ READER_URL: 'http://harbour.example/read' })?.name).toBe('harbour.example')
})

test('it is sent the passage, what is asked for and the shape of an answer, in the body the deployment wants', () =>
  withService(
    (request, body, response) => {
      const sent = JSON.parse(body) as { parts: [{ say: string }]; shape: { $schema: string } }
      const good =
        request.headers.authorization === 'Bearer deck' &&
        sent.parts[0].say.startsWith('Read the passage') &&
        sent.parts[0].say.endsWith(`: ${passage}`) &&
        sent.shape.$schema.includes('json-schema.org')
      response.end(JSON.stringify({ parts: [{ text: good ? '```json\n{"figures": []}\n```' : 'no' }] }))
    },
    async (url) => {
      const reader = readerAt(url, {
        READER_HEADERS: '{"authorization":"Bearer deck"}',
        READER_BODY: '{"parts":[{"say":"{instructions}: {passage}"}],"shape":"{schema}"}',
        READER_ANSWER_FIELD: 'parts.0.text',
      })
      expect(await reader.read(passage)).toEqual({ figures: [] })
    },
  ))

test('a recorded answer stands: its words are the passage’s, what it added says so', async () => {
  const g = await read(recorded('good'))
  if ('code' in g) throw new Error(g.code)
  expect(g.refused).toEqual([])
  expect(g.readings.map((r) => [r.kind, r.other?.added.length, r.other?.refused.length])).toEqual([
    ['process', 0, 0],
    ['hierarchy', 1, 0],
  ])
  const [process] = g.readings
  expect(Object.values(process?.figure.links ?? {}).map((l) => l.text ?? '')).toContain('otherwise')
})

test('a recorded answer that tells something else is refused, figure by figure', async () => {
  const g = await read(recorded('wrong'))
  if ('code' in g) throw new Error(g.code)
  expect(g.readings.map((r) => [r.kind, r.other?.refused.map((why) => english(why))])).toEqual([
    ['points', ['“Passengers enjoy the view”: the passage does not say this in these words.']],
  ])
  expect(g.refused.map((r) => english(r.why))).toEqual([
    '“Call the coast guard”: the passage does not say this in these words. Without it the figure falls into pieces.',
    '“the channel is clear”: it leaves out a word that turns it round.',
  ])
})

test('a hostile answer is text and nothing else', async () => {
  const g = await read(recorded('hostile'))
  if ('code' in g) throw new Error(g.code)
  expect(g.readings.map((r) => Object.values(r.figure.nodes).map((n) => [n.id, n.text, n.role]))).toEqual([
    [
      ['n1', '<img src=x onerror=alert(1)>', 'item'],
      ['n2', 'The radar', 'item'],
      ['n3', 'The horn', 'item'],
    ],
  ])
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined()
})

test.each([
  ['a list', '[]', 'is not figures'],
  ['a kind that is none', '{"figures":[{"kind":"poem","nodes":[]}]}', 'at figures.0.kind'],
  ['an answer that is cut', recorded('good').slice(0, 300), 'is not JSON'],
  ['words around the figures', '"Here you are: {}"', 'is not figures'],
  [
    'more nodes than fit',
    `{"figures":[{"kind":"points","nodes":${JSON.stringify(Array(201).fill({ id: 'a', label: 'radar' }))}}]}`,
    'at figures.0.nodes',
  ],
])('%s is a problem that says so', async (_, answer, why) =>
  expect(await read(answer)).toMatchObject({
    code: 'reader-failed',
    name: 'Harbour reader',
    why: expect.stringContaining(why) as string,
  }),
)
