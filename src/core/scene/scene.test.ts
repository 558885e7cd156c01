import { plainWardrobe } from '../style'
import { frames } from '../figure'
import { sceneOf } from '../pipeline'
import { seededOfKind, failingSeeds } from '../testing/seededFigure'
import { shippedTypesetter } from '../testing/shippedTypesetter'
import type { Mark } from '../dress'

const typesetter = shippedTypesetter()
const TITLE = 'Boarding the vehicle deck'
const CAPTION = 'As it is done on the Teal, every morning.'
const wordsOf = (m: Mark): string =>
  m.mark === 'text' ? m.lines.map((l) => l.runs.map((r) => r.text).join('')).join(' ') : ''

test('a title stands above the picture and a caption below it, inside the frame', () => {
  const wrong = failingSeeds(0, 24, (seed) => {
    const f = seededOfKind((['process', 'hierarchy', 'venn', 'points'] as const)[seed % 4] ?? 'points', seed)
    const figure = {
      ...f,
      title: TITLE,
      caption: CAPTION,
      dress: { ...f.dress, titled: true },
      frame: frames[seed % frames.length] ?? 'free',
    }
    const { marks, nodes, height } = sceneOf(figure, plainWardrobe('light'), typesetter)
    const at = (words: string) => {
      const mark = marks.findLast((m) => wordsOf(m) === words)
      return mark?.mark === 'text' ? mark.lines.map((l) => l.baseline) : []
    }
    const [above, below] = [at(TITLE), at(CAPTION)]
    if (above.length === 0 || below.length === 0) return 'it is not drawn'
    if (Math.max(...above) > Math.min(...nodes.map((n) => n.box.y))) return 'the title is not above'
    if (Math.min(...below) < Math.max(...nodes.map((n) => n.box.y + n.box.height))) return 'the caption is not below'
    return Math.min(...above) > 0 && Math.max(...below) < height ? null : 'outside the frame'
  })
  expect(wrong).toEqual([])
})
