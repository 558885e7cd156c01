import { drawnFaults } from '../check'
import { apply } from '../document'
import type { Mark } from '../dress'
import { markedBy, scaleOf, uncovered, withData, type Figure, type Show } from '../figure'
import { sceneOf } from '../pipeline'
import { houseStyles, plainWardrobe } from '../style'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { random } from '../testing/seededFigure'
import { sketch } from '../testing/sketch'
import { bestKey, cellsOf, csvOfSheet, filled, sheetChange, sheetOf, tiesBy, type DataSheet } from '.'

const sheet = (text: string): DataSheet => sheetOf(cellsOf(text)) as DataSheet
const flow = sketch(
  'process title=Boarding; a step Check the ticket; b step Lead the car aboard; d step Lash the car; e step Report; a>b; b>d; d>e',
)
const WAITING =
  'Step\tWaiting (min)\tShift\nCheck the ticket\t12\tday\nLead cars aboard\t3.5\tnight\nLash the car\t7\tday\nWash the deck\t40\tday'

const shown = (f: Figure, ...shows: readonly Show[]): Figure => ({ ...f, shows })
const tied = (f: Figure, s: DataSheet): Figure => {
  const { sure, doubtful } = tiesBy(f, s, bestKey(f, s))
  return apply(f, filled(f, s, new Map([...sure, ...doubtful]), ['Waiting (min)', 'Shift'])).figure
}

test('a sheet is read with its types, whatever parts its cells, and written the same', () => {
  const s = sheet(WAITING)
  expect(s.columns).toEqual([
    { name: 'Step', type: 'words' },
    { name: 'Waiting (min)', type: 'number' },
    { name: 'Shift', type: 'words' },
  ])
  expect(sheetOf(cellsOf(csvOfSheet(s)))).toEqual(s)
  expect(sheet('day;n\n2026-11-30;1\n2026-12-01;2').columns.map((c) => c.type)).toEqual(['date', 'number'])
  expect(sheet('a,a\n"1, 2",x').rows).toEqual([['1, 2', 'x']])
  expect(sheetOf([['only a head']])).toBeNull()
  // As long as people paste them, and still told apart.
  const long = sheetOf([Array.from({ length: 3 }, () => 'Waiting '.repeat(60)), ['1', '2', '3']])
  expect(new Set(long?.columns.map((c) => c.name)).size).toBe(3)
  expect(Math.max(...(long?.columns ?? []).map((c) => c.name.length))).toBeLessThanOrEqual(80)
})

test('rows are tied by the same words for sure, by like ones to be asked, and none twice', () => {
  const s = sheet(WAITING)
  expect(bestKey(flow, s)).toBe(0)
  const ties = tiesBy(flow, s, 0)
  expect([...ties.sure]).toEqual([
    ['a', 0],
    ['d', 2],
  ])
  expect([...ties.doubtful]).toEqual([['b', 1]])
  expect(ties.alone).toEqual(['e'])
})

test('fifty thousand rows are tied to two hundred nodes, each to its own', () => {
  const next = random(5)
  const rows = Array.from({ length: 50_000 }, (_, i) => [`Berth ${i}`, String(Math.floor(next() * 100))])
  const s = sheetOf([['Berth', 'Wait'], ...rows]) as DataSheet
  const nodes = Array.from({ length: 200 }, (_, i) => `n${i} concept Berth ${i * 249}`).join('; ')
  const { sure } = tiesBy(sketch(`concept; ${nodes}`), s, 0)
  expect([...sure].map(([id, row]) => [id, row])).toEqual(Array.from({ length: 200 }, (_, i) => [`n${i}`, i * 249]))
})

test('a newer sheet: what is added, gone and changed; nodes follow, and lose what their row lost', () => {
  const before = tied(flow, sheet(WAITING))
  const newer = sheet(
    'Step\tWaiting (min)\tShift\nCheck the ticket\t20\tday\nLead cars aboard\t3.5\tnight\nFuel\t9\tday',
  )
  expect(sheetChange(sheet(WAITING), newer, 'Step')).toEqual({
    added: ['Fuel'],
    gone: ['Lash the car', 'Wash the deck'],
    changed: ['Check the ticket'],
  })
  const after = tied(before, newer)
  expect(Object.values(after.nodes).map((n) => n.fields?.['Waiting (min)'])).toEqual([
    '20',
    '3.5',
    undefined,
    undefined,
  ])
})

test('rules show data: colours on a scale with a legend, words, sizes, thickness; what none covers is known', () => {
  const f = {
    ...tied(flow, sheet(WAITING)),
    data: {
      sheet: 's',
      name: 'Waiting times',
      hash: 'a'.repeat(64),
      at: '2026-11-30',
      key: 'Step',
      columns: ['Waiting (min)'],
    },
  }
  const colour: Show = { column: 'Waiting (min)', as: 'colour' }
  expect(scaleOf(f, colour)).toEqual({ by: 'range', least: 3.5, most: 12, unit: 'min' })
  expect(uncovered(f, colour).map((n) => n.id)).toEqual(['e'])
  const scene = sceneOf(
    shown(f, colour, { column: 'Shift', as: 'words', template: '{Waiting} min by {Shift}' }),
    plainWardrobe('light'),
    shippedTypesetter(),
  )
  const words = scene.marks.flatMap((m) =>
    m.mark === 'text' ? m.lines.map((l) => l.runs.map((r) => r.text).join('')) : [],
  )
  expect(words).toEqual(
    expect.arrayContaining([
      '12 min by day',
      '3.5 min by night',
      'Waiting: 3.5 min',
      '7.75 min',
      '12 min',
      'Waiting times. Numbers as of 2026-11-30',
    ]),
  )
  const fills = new Set(
    scene.marks.flatMap((m) => (m.mark === 'shape' && /^[abd]$/.test(m.owner) && m.fill !== 'none' ? [m.fill] : [])),
  )
  expect(fills.size).toBe(3)
  const sized = withData(shown(f, { column: 'Waiting (min)', as: 'size' }))
  expect(Object.values(sized.nodes).map((n) => n.size)).toEqual([
    { width: 250, height: 100 },
    { width: 90, height: 36 },
    { width: 193, height: 77 },
    undefined,
  ])
  const thick = withData(shown(f, { column: 'Waiting (min)', as: 'thickness' }))
  expect(Object.values(thick.links).map((l) => l.look?.thickness && Math.round(l.look.thickness * 100) / 100)).toEqual([
    0.8,
    2.12,
    undefined,
  ])
})

test('steps part a scale where somebody says so, and a person’s own look has the last word', () => {
  const f = tied(flow, sheet(WAITING))
  const show: Show = { column: 'Waiting (min)', as: 'colour', steps: [5, 10], names: ['short', '', 'long'] }
  const scene = sceneOf(shown(f, show), plainWardrobe('light'), shippedTypesetter())
  const words = scene.marks.flatMap((m) =>
    m.mark === 'text' ? m.lines.map((l) => l.runs.map((r) => r.text).join('')) : [],
  )
  expect(words).toEqual(expect.arrayContaining(['Waiting: short', '5–10 min', 'long']))
  const groups = sceneOf(shown(f, { column: 'Shift', as: 'colour' }), plainWardrobe('dark'), shippedTypesetter())
  expect(
    groups.marks.some((m) => m.mark === 'text' && m.lines.some((l) => l.runs.some((r) => r.text === 'night'))),
  ).toBe(true)
})

const BERTH =
  'Step\tWaiting (min)\tShift\tGain (£)\nCheck the ticket\t12\tday\t-4\nLead the car aboard\t3\tnight\t8\nLash the car\t6\tday\t2'
const boarding = (): Figure => {
  const s = sheet(BERTH)
  return apply(flow, filled(flow, s, tiesBy(flow, s, 0).sure, ['Waiting (min)', 'Shift', 'Gain (£)'])).figure
}
const wordsIn = (marks: readonly Mark[], owner?: string): string[] =>
  marks.flatMap((m) =>
    m.mark === 'text' && (owner === undefined || m.owner === owner)
      ? m.lines.map((l) => l.runs.map((r) => r.text).join(''))
      : [],
  )

test('badges, icons and small bars are drawn in their nodes, told below, and readable in every house by day and by night', () => {
  const f = shown(
    boarding(),
    { column: 'Shift', as: 'badge' },
    { column: 'Waiting (min)', as: 'icon', steps: [5], icons: ['', 'line/clock'] },
    { column: 'Waiting (min)', as: 'chart', beside: ['Gain (£)'] },
  )
  for (const houseStyle of Object.keys(houseStyles))
    for (const theme of ['light', 'dark'] as const) {
      const scene = sceneOf({ ...f, houseStyle }, plainWardrobe(theme), shippedTypesetter())
      expect([houseStyle, theme, drawnFaults(scene)]).toEqual([houseStyle, theme, []])
      expect(wordsIn(scene.marks, 'a')).toContain('day')
      expect(wordsIn(scene.marks)).toEqual(
        expect.arrayContaining(['day', 'night', 'Waiting: ≥ 5 min', 'Waiting: 0–12 min', 'Gain: 0–£8']),
      )
      const icons = scene.marks.flatMap((m) => (m.mark === 'icon' && m.name.includes('clock') ? [m.owner] : []))
      expect(icons).toEqual(['a', 'd', ''])
    }
})

test('bars of a small chart are as long as their values, from the same nothing in all nodes', () => {
  const marked = markedBy(shown(boarding(), { column: 'Waiting (min)', as: 'chart', beside: ['Gain (£)'] }))
  const ends = [...marked].map(([id, m]) => [id, ...m.bars.map((b) => [b.from * 12, b.to * 12])])
  expect(ends).toEqual([
    ['a', [0, 12], [0, 4]],
    ['b', [0, 3], [4, 12]],
    ['d', [0, 6], [4, 6]],
  ])
})
