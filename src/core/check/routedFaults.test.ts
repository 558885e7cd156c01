import type { TextBlock } from '../measure'
import { plainWardrobe } from '../style'
import { routedFigure } from '../pipeline'
import type { Routed } from '../route'
import { steps } from '../testing/steps'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { crossingsOf, routedFaults } from '.'

const sound = routedFigure(
  steps('Check the ramp', 'Lower the ramp', 'Load the cars'),
  plainWardrobe('light'),
  shippedTypesetter(),
)
const codes = (r: Routed) => [...new Set(routedFaults(r).map((f) => f.code))]
const withNode = (i: number, change: object): Routed => ({
  ...sound,
  nodes: sound.nodes.map((n, k) => (k === i ? { ...n, ...change } : n)),
})
const withRoute = (points: { x: number; y: number }[]): Routed => ({
  ...sound,
  routes: sound.routes.map((r, k) => (k === 0 ? { ...r, points } : r)),
})
const [first, second, third] = sound.nodes.map((n) => n.box) as [Box, Box, Box]
type Box = (typeof sound.nodes)[number]['box']

test('a sound picture has no fault', () => expect(routedFaults(sound)).toEqual([]))

test('every way to spoil a picture is found', () => {
  expect(codes(withNode(1, { box: first }))).toContain('nodes-overlap')
  expect(codes(withNode(0, { box: { ...first, width: 10 } }))).toContain('text-outside')
  const middle = first.x + first.width / 2
  expect(
    codes(
      withRoute([
        { x: middle, y: first.y + first.height },
        { x: middle, y: second.y - 3 },
      ]),
    ),
  ).toContain('loose-connector')
  expect(
    codes(
      withRoute([
        { x: middle, y: first.y + first.height },
        { x: middle, y: third.y },
      ]),
    ),
  ).toContain('connector-through-node')
  expect(
    codes(
      withRoute([
        { x: middle, y: first.y + first.height },
        { x: middle + 20, y: second.y },
      ]),
    ),
  ).toContain('slanted-connector')
  const label = {
    box: { ...second, width: 5, height: 5 },
    block: sound.nodes[0]?.pieces.heading as TextBlock,
  }
  expect(codes({ ...sound, routes: sound.routes.map((r) => ({ ...r, label })) })).toContain('label-on-node')
  const onTheFirst = { ...label, box: { x: middle - 2, y: first.y + first.height + 2, width: 4, height: 4 } }
  expect(
    codes({ ...sound, routes: sound.routes.map((r, k) => ({ ...r, label: k === 1 ? onTheFirst : null })) }),
  ).toContain('connector-through-label')
})

test('crossings are counted where lines cross, not where they meet', () => {
  const lines = (points: { x: number; y: number }[][]): Routed => ({
    ...sound,
    routes: points.map((p, i) => ({ id: `${i}`, from: 'a', to: 'b', points: p, label: null })),
  })
  const across = [
    { x: 0, y: 5 },
    { x: 10, y: 5 },
  ]
  expect(
    crossingsOf(
      lines([
        across,
        [
          { x: 5, y: 0 },
          { x: 5, y: 10 },
        ],
      ]),
    ),
  ).toBe(1)
  expect(
    crossingsOf(
      lines([
        across,
        [
          { x: 5, y: 5 },
          { x: 5, y: 10 },
        ],
      ]),
    ),
  ).toBe(0)
})
