import { apply } from '@/core/document'
import { ranking } from '@/core/figure'
import { ranked } from '@/core/reckon'
import { sketch } from '@/core/testing/sketch'
import { criteriaIn, weightsOf, withTurned, withWeights, type Criteria } from './criteria'

const boats = sketch(
  'decision; a option Night boat; b option Day boat; p criterion 40; q criterion 9; r criterion 25; s criterion 6; a>p Price; a>q Comfort; b>r Price; b>s Comfort',
)

test('weights given in the panel rank the options as the figure is drawn; turned scales say which way is good', () => {
  const bare = criteriaIn(boats) as Criteria
  expect([weightsOf(bare), bare.marks]).toEqual([
    null,
    [
      [40, 9],
      [25, 6],
    ],
  ])
  const turnedBoth = apply(apply(boats, withTurned(bare, 0, true)).figure, withTurned(bare, 1, false)).figure
  const weighed = apply(turnedBoth, withWeights(criteriaIn(turnedBoth) as Criteria, [0.75, 0.25])).figure
  const now = criteriaIn(weighed) as Criteria
  expect([now.marks, weightsOf(now)]).toEqual([
    [
      [0, 1],
      [1, 0],
    ],
    [0.75, 0.25],
  ])
  const result = ranked(now.marks ?? [], weightsOf(now) ?? [])
  expect([result.best, result.holds[0]]).toEqual([1, [0.5, 1]])
  expect([...ranking(weighed)].map(([id, r]) => [id, r.rank])).toEqual([
    ['a', 2],
    ['b', 1],
  ])
  expect(criteriaIn(sketch('decision; a choice Go?; b outcome Yes; a>b'))).toBeNull()
})
