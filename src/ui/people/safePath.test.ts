import { safePath } from './safePath'

test('only paths of ours are gone to after signing in', () => {
  expect(safePath('/folio/abc?show=drift#figure-1')).toBe('/folio/abc?show=drift#figure-1')
  const elsewhere = [
    ...['//other.example', '/\\other.example', 'https://other.example', 'javascript:alert(1)', '\\\\other.example'],
    ...['/\t/other.example', '/\n/other.example', ' /folio', 'folio', '', null, undefined, '/\u2028/other.example'],
  ]
  expect(elsewhere.map(safePath)).toEqual(elsewhere.map(() => '/'))
  expect(safePath('/..//other.example')).not.toMatch(/^\/\//)
})
