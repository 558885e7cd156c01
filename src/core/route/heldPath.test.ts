import { plainWardrobe } from '../style'
import { routedFaults } from '../check'
import { apply, bend, bent, insertOn, leavingPlaces, rename, straighten, tidy, type Edit } from '../document'
import { linksInOrder, nodesInOrder, type Figure } from '../figure'
import { segments, type Point } from '../geometry'
import { routedFigure, sceneOf } from '../pipeline'
import { random, seededFigure } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import { heldPath } from './heldPath'

const typesetter = shippedTypesetter()
const drawn = (f: Figure) => routedFigure(f, plainWardrobe('light'), typesetter)
const edited = (f: Figure, edit: Edit): Figure =>
  apply(f, leavingPlaces(f, edit, sceneOf(f, plainWardrobe('light'), typesetter).places)).figure
const pathOf = (f: Figure, id: string) => drawn(f).routes.find((r) => r.id === id)?.points ?? []

const box = (x: number, y: number) => ({ box: { x, y, width: 40, height: 20 }, slides: true })

test('a bent connector keeps its bends while its nodes move a little, and is given up where its way is closed', () => {
  const held: Point[] = [
    { x: 40, y: 10 },
    { x: 80, y: 10 },
    { x: 80, y: 110 },
    { x: 120, y: 110 },
  ]
  expect(heldPath(held, box(0, 0), box(120, 100), [])).toEqual(held)
  expect(heldPath(held, box(0, 4), box(126, 100), [])?.slice(1, 3)).toEqual(held.slice(1, 3))
  expect(heldPath(held, box(0, 30), box(120, 100), [])?.[0]).toEqual({ x: 40, y: 40 })
  expect(heldPath(held, box(0, 0), box(120, 100), [box(60, 50).box])).toBeNull()
  expect(heldPath(held, box(90, 0), box(120, 100), [])).toBeNull()
})

test('a stretch is pulled to where the pointer is, and what ends at a node keeps a stub', () => {
  const straight: Point[] = [
    { x: 0, y: 0 },
    { x: 0, y: 90 },
  ]
  expect(bent(straight, 0, { x: 30, y: 45 }, 10)).toEqual([
    { x: 0, y: 0 },
    { x: 0, y: 10 },
    { x: 30, y: 10 },
    { x: 30, y: 80 },
    { x: 0, y: 80 },
    { x: 0, y: 90 },
  ])
  const step = [...straight, { x: 50, y: 90 }, { x: 50, y: 200 }]
  expect(bent(step, 1, { x: 20, y: 70 }, 10)[1]).toEqual({ x: 0, y: 70 })
})

test('over seeded processes every stretch that can be pulled is drawn where it was pulled, or not at all; all stays sound under edits, and tidying takes it back', () => {
  let kept = 0
  for (let seed = 1; seed <= (process.env.SWEEP ? 60 : 20); seed++) {
    const next = random(seed)
    const first: Figure = { ...seededFigure(seed, 'process', 14), arrangement: 'down', frame: 'free' }
    const links = linksInOrder(first)
    const link = links[Math.floor(next() * links.length)] as (typeof links)[number]
    const points = pathOf(first, link.id)
    const stretch = Math.floor(next() * (points.length - 1))
    const [a, b] = [points[stretch], points[stretch + 1]] as [Point, Point]
    const through = { x: (a.x + b.x) / 2 + (next() - 0.5) * 80, y: (a.y + b.y) / 2 + (next() - 0.5) * 80 }
    const figure = edited(first, bend(link.id, bent(points, stretch, through, 12)))
    expect([seed, routedFaults(drawn(figure))]).toEqual([seed, []])
    const goesThrough = segments(pathOf(figure, link.id)).some(
      ([p, q]) =>
        (p.x === q.x && Math.abs(p.x - through.x) < 1e-6) || (p.y === q.y && Math.abs(p.y - through.y) < 1e-6),
    )
    if (goesThrough) kept++
    const other = nodesInOrder(figure)[0] as Figure['nodes'][string]
    const later = edited(
      edited(figure, rename(other.id, `${other.text} twice and sign the log`)),
      insertOn(figure, (links[0] as typeof link).id, { node: 'new', link: 'on' }, 'Lower the ramp'),
    )
    expect([seed, routedFaults(drawn(later))]).toEqual([seed, []])
    expect(pathOf(apply(figure, tidy(figure)).figure, link.id)).toEqual(points)
    expect(apply(figure, straighten(link.id)).figure.links[link.id]?.heldRoute).toBeUndefined()
  }
  expect(kept).toBeGreaterThan(15)
})

test('what was bent in one way of drawing is not drawn so in another', () => {
  const first: Figure = { ...seededFigure(4, 'process', 10), arrangement: 'down', frame: 'free' }
  const [link] = linksInOrder(first) as [Figure['links'][string]]
  const points = pathOf(first, link.id)
  const figure = edited(first, bend(link.id, bent(points, 0, { x: (points[0] as Point).x + 300, y: 0 }, 12)))
  const across: Figure = { ...figure, arrangement: 'across' }
  expect(pathOf(across, link.id)).toEqual(pathOf({ ...first, arrangement: 'across' }, link.id))
  const renamed = edited(across, rename('n0', 'Check'))
  expect(renamed.links[link.id]?.heldRoute).toBeUndefined()
})
