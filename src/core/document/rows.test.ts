import type { Figure } from '../figure'
import { outlineText, steps } from '../testing/steps'
import {
  apply,
  cellsOf,
  fieldsOf,
  figureOfRows,
  pasteCells,
  rowFaults,
  rowsInOrder,
  tableOf,
  type Cells,
  type Mend,
} from '.'
import { english } from '../words'

const empty: Figure = { ...steps(), kind: 'points', title: '' }
const ids = (name = 'n') => {
  let made = 0
  return () => `${name}${made++}`
}
const cells = (text: string): Cells =>
  text
    .trim()
    .split('\n')
    .map((line) => line.trim().split(/\s*\|\s*/))
const born = (text: string) => {
  const pasted = figureOfRows(empty, cells(text), ids())
  return { ...pasted, figure: apply(empty, pasted.edit).figure }
}

test('rows with a parent are a tree, whatever the order of the rows and the name of the columns', () => {
  const { figure } = born(`
    ID | Name | Reports to
    M2 | Second mate | C
    C | Chief mate | M
    M | Master |
    B | Bosun | C
    D | Deck hand | B`)
  expect(figure.kind).toBe('hierarchy')
  expect(outlineText(figure)).toEqual(['Master', ' Chief mate', '  Second mate', '  Bosun', '   Deck hand'])
  // The same without heads.
  expect(outlineText(born('M2 | Second mate | C\nC | Chief mate | M\nM | Master |\nB | Bosun | C').figure)).toEqual([
    'Master',
    ' Chief mate',
    '  Second mate',
    '  Bosun',
  ])
})

test('rows with chances are a decision: choices, chances and ends by where they stand', () => {
  const { figure, faults } = born(`
    id | text | parent | chance | value
    1 | Sail in fog? | | |
    2 | Sail | 1 | |
    3 | Fog lifts | 2 | 70% | 4000
    4 | Fog stays | 2 | 30% | -9,000
    5 | Wait | 1 | | -500`)
  expect(faults).toEqual([])
  expect(figure.kind).toBe('decision')
  expect(Object.values(figure.nodes).map((n) => n.role)).toEqual(['choice', 'chance', 'outcome', 'outcome', 'outcome'])
  expect(Object.values(figure.links).flatMap((l) => l.probability ?? [])).toEqual([0.7, 0.3])
  expect(Object.values(figure.nodes).flatMap((n) => n.measure?.value ?? [])).toEqual([4000, -9000, -500])
})

test.each([
  [
    'from | link | to\nWind | raises | Swell\nSwell | bears on | Berth',
    'concept',
    ['Wind', ' raises – Swell', 'Swell', ' bears on – Berth', 'Berth'],
  ],
  [
    'task | Deck | Shore\nTie up | x | x\nSell tickets | | x\nLash cars | x |',
    'venn',
    ['Deck', 'Shore', '[Deck]', ' Lash cars', '[Shore]', ' Sell tickets', '[Deck + Shore]', ' Tie up'],
  ],
  ['step | who\nLower the ramp | Bosun\nCount the cars | Purser', 'process', ['Lower the ramp', 'Count the cars']],
  [
    'Noise | Engines swallow words\nNerves | People hear half',
    'points',
    ['Noise', ' (Engines swallow words)', 'Nerves', ' (People hear half)'],
  ],
] as const)('%j makes a %s', (text, kind, outline) => {
  const { figure } = born(text)
  expect([figure.kind, outlineText(figure)]).toEqual([kind, outline])
})

const mended = (f: Figure, says: RegExp): Figure => {
  const mend = rowFaults(f, ids('m'))
    .flatMap((r) => r.mends)
    .find((m: Mend) => says.test(english(m.says)))
  if (!mend) throw new Error(`no mend ${String(says)}`)
  return apply(f, mend.edit).figure
}

test('a name that leads to no row, and a circle, stay in their rows and can be mended there', () => {
  const { figure, faults } = born(`
    id | text | parent
    A1 | Master |
    B1 | Mate | A2
    C1 | Bosun | Harbour office
    D1 | Cook | E1
    E1 | Steward | D1`)
  expect(faults.map((f) => [f.row, f.fault.fault])).toEqual([
    [1, 'no-row'],
    [2, 'no-row'],
    [4, 'circle'],
  ])
  expect(rowFaults(figure, ids('m')).map((r) => [r.name, r.mends.map((m) => english(m.says))])).toEqual([
    ['A2', ['“A1” was meant', 'Add a row “A2”', 'Leave it out']],
    ['Harbour office', ['Add a row “Harbour office”', 'Leave it out']],
    ['D1', ['Leave it out']],
  ])
  expect(outlineText(mended(figure, /A1/)).slice(0, 2)).toEqual(['Master', ' Mate'])
  expect(outlineText(mended(figure, /Add a row “Harbour/))).toContain(' Bosun')
  expect(rowFaults(mended(figure, /Leave/), ids())).toHaveLength(2)
})

test('what is copied out of the table and pasted into it again changes nothing; rows beyond the last are new', () => {
  const { figure } = born('id | text | parent\n1 | Master |\n2 | Mate | 1\n3 | Bosun | 2')
  const shown = rowsInOrder(figure)
  const columns = fieldsOf(figure)
  const copied = cellsOf(figure, shown, columns)
  expect(apply(figure, pasteCells(figure, shown, columns, { row: 0, column: 0 }, copied, ids()).edit).figure).toEqual(
    figure,
  )
  const more = pasteCells(figure, shown, columns, { row: 2, column: 0 }, [['Boatswain'], ['Cook']], ids('m'))
  expect(outlineText(apply(figure, more.edit).figure)).toEqual(['Master', ' Mate', '  Boatswain', '  Cook'])
})

test('500 rows are a table like five', () => {
  const rows = Array.from({ length: 500 }, (_, i) => [
    String(i + 1),
    `Locker ${i + 1}`,
    i === 0 ? '' : String((i >> 2) + 1),
  ])
  expect(tableOf([['id', 'text', 'parent'], ...rows]).kind).toBe('hierarchy')
  const { edit } = figureOfRows(empty, [['id', 'text', 'parent'], ...rows], ids())
  const { figure } = apply(empty, edit)
  expect(Object.keys(figure.links)).toHaveLength(499)
})
