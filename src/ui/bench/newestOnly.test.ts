import { newestOnly } from './newestOnly'

const soon = () => new Promise((r) => setTimeout(r, 5))

test('of what comes in while one is at work only the newest is done, and its result is taken once', async () => {
  const done: number[] = []
  const line = newestOnly<number, number>(
    async (n) => {
      await soon()
      return done.push(n)
    },
    () => undefined,
  )
  for (let i = 1; i <= 5; i++) line.give(i)
  expect(await line.take()).toBe(2)
  expect(await line.take()).toBeNull()
  expect(done).toEqual([1, 5])
})

test('a piece that fails is reported, and the next one is done; waiting for the end ends', async () => {
  const faults: unknown[] = []
  const line = newestOnly<number, number>(
    async (n) => {
      await soon()
      if (n === 1) throw new Error('the worker is gone')
      return n
    },
    (error) => faults.push(error),
  )
  line.give(1)
  expect(await line.take()).toBeNull()
  expect(faults).toHaveLength(1)
  line.give(2)
  line.give(3)
  line.drop()
  expect(await line.take()).toBe(2)
})
