import type { FigureKind } from '../figure'
import { propose } from '../propose'
import { readText } from '../reading'
import { shippedLexicon } from '@/server/lexicon'
import { apply } from './edit'
import { intoInset } from './inset'
import { leftOut } from './leftOut'

const figure = (text: string, kind: FigureKind = 'process') => {
  const reading = propose(readText(text, shippedLexicon())).find((r) => r.kind === kind)
  if (!reading) throw new Error(`no ${kind} in “${text}”`)
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

test('what regions say by where a member stands, and what a figure inside says, is not left out', () => {
  const venn = figure(
    'Deck crew only:\n- work the winch\n\nShore crew only:\n- open the gates\n\nBoth:\n- check tickets',
    'venn',
  )
  expect(leftOut(venn).runs).toEqual([])
  const f = figure('1. Check the moorings\n2. Lower the ramp\n3. Load the lorries')
  const ids = Object.keys(f.nodes).slice(1)
  const made = intoInset(f, ids, { figure: 'inset', node: 'holder' }, 'Go on')
  if (!made) throw new Error('no inset')
  const host = apply(f, made.edit).figure
  expect([leftOut(host).missing, leftOut(host, [made.inset]).missing]).toEqual([4, 0])
})
