import { failingSeeds, random } from '../testing/seededFigure'
import { steps } from '../testing/steps'
import { lengthIn, timeRows, timesOf } from './times'

test('every row of times reads its examples, and no earlier row takes them', () => {
  const wrong = timeRows.flatMap((row) =>
    row.examples.filter(
      (e) =>
        timeRows.find((r) => r.pattern.test(e)) !== row ||
        !Number.isFinite(row.gives(row.pattern.exec(e) as RegExpExecArray)),
    ),
  )
  expect(wrong).toEqual([])
  expect(timeRows.length).toBeGreaterThan(5)
})

test('times are those of the words where all say when in the same way and none goes back', () => {
  const at = (...words: string[]) => [...(timesOf(steps(...words))?.values() ?? [])]
  expect(at('08:15 gates open', '08:45 cars board', '09:30 sail')).toEqual([495, 525, 570])
  expect(at('Day one', 'Day three', 'Day 4')).toEqual([1, 3, 4])
  const [a = 0, b = 0, c = 0] = at('2019: the yard gets the order', 'May 2020: keel laid', '3 March 2023 launched')
  expect([Math.round((b - a) / 30.4375), Math.round((c - b) / 30.4375)]).toEqual([16, 34])
  expect(at('09:30 sail', '08:15 gates open')).toEqual([])
  expect(at('Day one', '08:15 gates open')).toEqual([])
  expect(at('Check the ramp', 'Load')).toEqual([])
})

test('where steps say how long they take, each begins when the one before it is done', () => {
  const failing = failingSeeds(1, 60, (seed) => {
    const next = random(seed)
    const minutes = Array.from({ length: 2 + Math.floor(next() * 8) }, () => 1 + Math.floor(next() * 90))
    const figure = steps(...minutes.map((_, i) => `Step ${String.fromCharCode(97 + i)}`))
    const nodes = Object.fromEntries(
      Object.values(figure.nodes).map((n, i) => [n.id, { ...n, duration: `${minutes[i]} min` }]),
    )
    const begin = [...(timesOf({ ...figure, nodes })?.values() ?? [])]
    const right = minutes.map((_, i) => minutes.slice(0, i).reduce((s, m) => s + m, 0))
    return JSON.stringify(begin) === JSON.stringify(right) ? null : `${begin} is not ${right}`
  })
  expect(failing).toEqual([])
  expect(['20 minutes', 'half an hour', 'an hour', '2 days', '1.5 h', 'a while'].map(lengthIn)).toEqual([
    20,
    30,
    60,
    2880,
    90,
    null,
  ])
})
