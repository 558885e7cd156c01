import type { ServerResponse } from 'node:http'
import { withService } from '../testing/localService'
import { askService } from './jsonService'

const service = { headers: {}, answerField: 'text', timeoutMs: 20_000 }

test.each<[string, (r: ServerResponse) => unknown, string]>([
  ['status 500', (r) => r.writeHead(500).end(), 'status 500'],
  ['no JSON', (r) => r.end('<html>'), 'not JSON'],
  ['half of its JSON', (r) => r.end('{"text":"x'), 'not JSON'],
  ['a connection that breaks', (r) => (r.write('{"text":'), setTimeout(() => r.destroy(), 20)), 'cannot be reached'],
  ['another field', (r) => r.end('{"draft":"x"}'), 'no field “text”'],
  ['half a megabyte', (r) => r.end(`{"text":"${'x'.repeat(500_000)}"}`), 'too long'],
  ['words without end', (r) => void setInterval(() => r.write('x'.repeat(100_000)), 1).unref(), 'too long'],
  ['a redirect', (r) => r.writeHead(302, { location: '/elsewhere' }).end(), 'cannot be reached'],
  ['silence', () => undefined, 'did not answer within 0.3 seconds'],
  ['words that come too slowly', (r) => r.write('{'), 'did not answer within 0.3 seconds'],
])('a service that answers with %s gives no value, but the reason', (name, answer, why) =>
  withService(
    (_request, _body, response) => void answer(response),
    async (url) => {
      const timeoutMs = why.includes('0.3') ? 300 : service.timeoutMs
      expect([name, await askService({ ...service, url, timeoutMs }, {})]).toEqual([
        name,
        { why: expect.stringContaining(why) as string },
      ])
    },
  ),
)
