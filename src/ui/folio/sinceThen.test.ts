import { uglyText } from '@/core/testing/uglyText'
import { sinceThen } from './sinceThen'

test('lines that went and lines that came stand where they do, and long runs of the same are counted', () => {
  const same = ['1', '2', '3', '4', '5', '6'].map((n) => `Line ${n}`)
  const lines = sinceThen([...same, 'Gone', 'End'].join('\n'), [...same, 'Come', 'New', 'End'].join('\n\n'))
  expect(lines).toEqual([
    { is: 'left out', lines: 5 },
    { is: 'same', text: 'Line 6' },
    { is: 'then', text: 'Gone' },
    { is: 'since', text: 'Come' },
    { is: 'since', text: 'New' },
    { is: 'same', text: 'End' },
  ])
  expect(sinceThen('A\nB', 'A\nB').map((l) => l.is)).toEqual(['same', 'same'])
})

test('whatever the texts: what is the same and what was then makes the text of then, with what came since that of now', () => {
  const whole = (text: string) => text.split('\n').filter((l) => l.trim() !== '')
  for (let seed = 1; seed < 60; seed++) {
    const [then, now] = [uglyText(seed, 600), uglyText(seed + (seed % 3), 600).replaceAll('deck', 'ramp')]
    const lines = sinceThen(then, now)
    const count = (...is: string[]) =>
      lines.reduce((n, l) => n + (is.includes(l.is) ? 1 : 0) + (l.is === 'left out' ? l.lines : 0), 0)
    expect([count('same', 'then'), count('same', 'since')]).toEqual([whole(then).length, whole(now).length])
  }
})
