import { Presence, colourOf, type Other, type Place } from './presence'

/** Windows that hear each other, a moment later. */
function harbour() {
  let time = 0
  const windows = new Map<string, { presence: Presence; seen: readonly Other[]; sent: number }>()
  const open = (name: string, place: Place = { view: 'folio' }) => {
    const own = { seen: [] as readonly Other[], sent: 0, presence: null as unknown as Presence }
    own.presence = new Presence({
      ...{ window: name, now: () => time, onChange: (others) => (own.seen = others) },
      send: async ({ window, hello, place: at }) => {
        own.sent++
        await null
        const state = { person: name, name: name.toUpperCase(), hello, place: at }
        for (const w of windows.values()) w.presence.heard({ window, state })
      },
    })
    windows.set(name, own)
    own.presence.start(place)
    return own
  }
  return { open, later: (ms: number) => (time += ms), windows }
}
const settle = (ms = 5) => new Promise((r) => setTimeout(r, ms))

test('who comes is seen, and sees who is here; where they go is followed; who leaves is gone', async () => {
  const h = harbour()
  const ada = h.open('ada')
  const ben = h.open('ben', { view: 'figure', figure: 'f1' })
  await settle()
  expect([ada.seen.map((o) => o.name), ben.seen.map((o) => o.name)]).toEqual([['BEN'], ['ADA']])
  for (let i = 0; i < 20; i++) ben.presence.move({ parts: [`n${i}`] })
  const before = ben.sent
  await settle(130)
  expect(ada.seen[0]?.place).toEqual({ view: 'figure', figure: 'f1', parts: ['n19'] })
  expect(ben.sent - before).toBe(1)
  h.windows.delete('ben')
  ben.presence.stop()
  await settle()
  expect(ada.seen).toEqual([])
  ada.presence.stop()
})

test('what makes no sense is passed over; each window has a colour of its own that stays', () => {
  const seen: (readonly Other[])[] = []
  const p = new Presence({ window: 'me', send: async () => undefined, onChange: (o) => seen.push(o) })
  for (const odd of [
    null,
    3,
    {},
    { window: 4, state: null },
    { window: 'x', state: { name: 1 } },
    { window: 'me', state: null },
  ])
    p.heard(odd)
  expect(seen).toEqual([])
  expect(colourOf('abc')).toBe(colourOf('abc'))
})
