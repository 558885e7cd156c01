import { readFileSync } from 'node:fs'
import { shippedFile } from '@/server/home'
import { createCompute } from './computeApi'

const LIST = '# Before sailing\n\n1. Check the ramp.\n2. Load the cars.\n3. Close the gate.'
const PROSE = 'First check the ramp. If the ramp is wet, spread sand. Then load the cars and close the gate.'

/** A worker whose parser comes in when it is told to. */
function slowly() {
  let come: (file: Uint8Array) => void = () => {}
  let fail: (error: Error) => void = () => {}
  let asked = 0
  const api = createCompute(
    () => Promise.reject(new Error('nothing is drawn here')),
    (arrived) => {
      asked++
      arrived(0.25)
      return new Promise((resolve, reject) => ([come, fail] = [resolve, reject]))
    },
    () => Promise.reject(new Error('no icons are asked for here')),
  )
  const file = readFileSync(shippedFile('public/syntax/english.bin'))
  return { api, come: () => come(file), fail: (why: string) => fail(new Error(why)), asked: () => asked }
}

test('a list is read before the parser is there, and says so; running text waits for it', async () => {
  const { api, come } = slowly()
  const early = await api.read(LIST)
  expect([early.early, early.interpreted, early.readings[0]?.kind]).toEqual([true, false, 'process'])
  expect(Object.values(early.readings[0]?.figure.nodes ?? {}).map((n) => n.text)).toEqual([
    'Check the ramp',
    'Load the cars',
    'Close the gate',
  ])
  expect(await api.arrived()).toBe(0.25)
  let read = false
  const prose = api.read(PROSE).finally(() => (read = true))
  await new Promise((done) => setTimeout(done, 400))
  expect(read).toBe(false)
  come()
  await api.loaded()
  expect([(await prose).early, (await prose).readings[0]?.kind, (await api.read(LIST)).early]).toEqual([
    false,
    'process',
    false,
  ])
  expect(await api.arrived()).toBeNull()
})

test('a parser that cannot be loaded is a reason, and is asked for again', async () => {
  const { api, come, fail, asked } = slowly()
  const failed = expect(api.read(PROSE)).rejects.toThrow('the line broke')
  await new Promise((done) => setTimeout(done, 20))
  fail('the line broke')
  await failed
  const again = api.read(PROSE)
  await new Promise((done) => setTimeout(done, 20))
  come()
  expect([(await again).readings[0]?.kind, asked()]).toEqual(['process', 2])
})

test('a language with words of its own in a pack needs no parser', async () => {
  const { api } = slowly()
  const { readings, early } = await api.read('Zuerst die Rampe prüfen. Dann die Autos laden. Danach das Tor schließen.')
  expect([early, readings[0]?.figure.language]).toEqual([false, 'de'])
})
