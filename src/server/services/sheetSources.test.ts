import { withService } from '../testing/localService'
import { sheetSources } from './sheetSources'

const at = (url: string, more: Record<string, string> = {}) =>
  sheetSources({ SHEETS: JSON.stringify({ 'Berth times': url }), ...more })

test('only what is configured is fetched, with the headers of the deployment; nobody gives an address', () =>
  withService(
    (request, _body, response) => response.end(request.headers.authorization === 'Bearer deck' ? 'step,min' : 'no'),
    async (url) => {
      const sources = at(url, { SHEETS_HEADERS: '{"authorization":"Bearer deck"}' })
      expect(sources.names).toEqual(['Berth times'])
      expect(String(await sources.fetched('Berth times'))).toBe('step,min')
      for (const name of [url, 'toString', ''])
        expect(await sources.fetched(name)).toEqual({ code: 'not-found', what: 'sheet' })
    },
  ))

test.each<[string, (url: string) => readonly [number, Record<string, string>, string]]>([
  ['it answered with status 503', () => [503, {}, '']],
  ['it cannot be reached', (url) => [302, { location: `${url}/elsewhere` }, '']],
  ['its answer is too long', () => [200, {}, 'x'.repeat(20_000_001)]],
])('what does not come says why: %s', (why, answer) =>
  withService(
    (_request, _body, response) => {
      const [status, headers, body] = answer('http://127.0.0.1:1')
      response.writeHead(status, headers).end(body)
    },
    async (url) =>
      expect(await at(url).fetched('Berth times')).toEqual({ code: 'source-failed', name: 'Berth times', why }),
  ),
)

test('without a setting, and with a wrong one, there are none', () => {
  expect(sheetSources({}).names).toEqual([])
  expect(sheetSources({ SHEETS: '{"Berth times": "file:///etc/passwd"}' }).names).toEqual([])
  expect(sheetSources({ SHEETS: '{' }).names).toEqual([])
})
