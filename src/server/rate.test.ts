import { turnedAway } from './door'
import { secondsToWait } from './rate'

test('a person may do so much a minute, each sort of request and each person by themselves', () => {
  const now = 1_000_000
  const waits = Array.from({ length: 40 }, (_, i) => secondsToWait('draft', 'mara', now + i * 100))
  expect(waits.slice(0, 30).every((w) => w === 0)).toBe(true)
  expect(waits.slice(30).every((w) => w > 0 && w <= 60)).toBe(true)
  expect(secondsToWait('draft', 'tove', now + 4000)).toBe(0)
  expect(secondsToWait('page', 'mara', now + 4000)).toBe(0)
  expect(secondsToWait('draft', 'mara', now + 61_000)).toBe(0)
})

test('a configured address is let in beside loopback, under its own name alone', () => {
  process.env.PUBLIC_ADDRESS = 'https://compass.ferries.example'
  const asked = (host: string, more: Record<string, string> = {}) =>
    turnedAway('POST', new Headers({ host, ...more }))?.code ?? null
  expect(asked('compass.ferries.example', { origin: 'https://compass.ferries.example' })).toBeNull()
  expect(asked('compass.ferries.example.evil.example')).toBe('foreign-host')
  expect(asked('localhost.evil.example')).toBe('foreign-host')
  expect(asked('LOCALHOST:4100', { origin: 'http://localhost:4100' })).toBe('foreign-origin')
  expect(asked('compass.ferries.example', { origin: 'null' })).toBe('foreign-origin')
  delete process.env.PUBLIC_ADDRESS
  expect(asked('compass.ferries.example')).toBe('foreign-host')
})
