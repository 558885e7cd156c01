import { propose } from '../propose'
import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { apply } from './edit'
import { leftOut } from './leftOut'

const figure = (text: string) => {
  const reading = propose(readText(text, shippedLexicon())).find((r) => r.kind === 'process')
  if (!reading) throw new Error(`no process in “${text}”`)
  return reading.figure
}

test('a figure that has every word says so; marks and numbers of lists are no words', () => {
  expect(leftOut(figure('1. Check the moorings\n2. Lower the ramp\n3. Load the lorries'))).toMatchObject({
    of: 6,
    missing: 0,
    runs: [],
  })
})

test('what is taken out of the figure is told in the words of the text; the line above the list is its title', () => {
  const f = figure('Do this every morning.\n\n1. Check the moorings\n2. Lower the ramp\n3. Load the lorries')
  const second = Object.values(f.nodes).find((n) => n.text === 'Lower the ramp')
  const less = apply(f, { do: 'dropNode', id: second?.id ?? '' }).figure
  expect(leftOut(less).runs).toEqual(['Lower the ramp'])
})
