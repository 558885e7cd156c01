import { plainWardrobe } from '../style'
import { frames } from '../figure'
import { sceneOf } from '../pipeline'
import { seededOfKind, failingSeeds } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import type { Mark } from '../dress'

const typesetter = shippedTypesetter()
const TITLE = 'Boarding the vehicle deck'
const CAPTION = 'As it is done on the Teal, every morning.'
const SOURCE = 'Crew handbook, page 12'
const wordsOf = (m: Mark): string =>
  m.mark === 'text' ? m.lines.map((l) => l.runs.map((r) => r.text).join('')).join(' ') : ''

test('a title stands above the picture, a caption and a source line below it, inside the frame', () => {
  const wrong = failingSeeds(0, 24, (seed) => {
    const f = seededOfKind((['process', 'hierarchy', 'venn', 'points'] as const)[seed % 4] ?? 'points', seed)
    const figure = {
      ...f,
      title: TITLE,
      caption: CAPTION,
      sourceLine: SOURCE,
      dress: { ...f.dress, titled: true },
      frame: frames[seed % frames.length] ?? 'free',
    }
    const { marks, nodes, height } = sceneOf(figure, plainWardrobe('light'), typesetter)
    const at = (words: string) => {
      const mark = marks.findLast((m) => wordsOf(m) === words)
      return mark?.mark === 'text' ? mark.lines.map((l) => l.baseline) : []
    }
    const [above, below, foot] = [at(TITLE), at(CAPTION), at(SOURCE)]
    if (above.length === 0 || below.length === 0 || foot.length === 0) return 'it is not drawn'
    if (Math.min(...foot) < Math.max(...below)) return 'the source line is not below the caption'
    if (Math.max(...above) > Math.min(...nodes.map((n) => n.box.y))) return 'the title is not above'
    if (Math.min(...below) < Math.max(...nodes.map((n) => n.box.y + n.box.height))) return 'the caption is not below'
    return Math.min(...above) > 0 && Math.max(...foot) < height ? null : 'outside the frame'
  })
  expect(wrong).toEqual([])
})

test('figures of a folio that are held to one growth have words of one size', () => {
  const sizes = [2, 5, 9, 12].map((seed) => {
    const figure = { ...seededOfKind('points', seed), frame: 'slide-16x9' as const, arrangement: 'grid', links: {} }
    const few = Object.fromEntries(Object.entries(figure.nodes).slice(0, 3))
    return sceneOf({ ...figure, nodes: few }, { ...plainWardrobe('light'), most: 1 }, typesetter).fit.scale
  })
  expect(new Set(sizes)).toEqual(new Set([1]))
})
