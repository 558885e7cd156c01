import { houseStyles, plainWardrobe, type HouseStyle } from '../style'
import { frameTable, frames } from '../figure'
import { overlaps } from '../geometry'
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

test('in every frame and language a counted figure says its number before its caption, and a signed one has its logo in the margin', () => {
  const logo = { icon: `own/${'a'.repeat(64)}`, width: 640, height: 200 }
  const own = { 'own-x': { ...(houseStyles['chart-table'] as HouseStyle), logo } }
  const failing = failingSeeds(1, 40, (seed) => {
    const figure = {
      ...seededOfKind('process', seed),
      frame: frames[seed % frames.length] ?? 'free',
      language: (['en', 'de', 'ar', 'ja'] as const)[seed % 4] ?? 'en',
      caption: CAPTION,
      dress: { counted: true, margins: (['narrow', 'wide', undefined] as const)[seed % 3] },
    }
    const wardrobe = { ...plainWardrobe('light'), style: 'own-x', own, order: ['other', figure.id] }
    const drawn = sceneOf(figure, wardrobe, typesetter)
    const said = drawn.marks.map(wordsOf).find((w) => w.includes(CAPTION)) ?? ''
    const word = { en: 'Figure', de: 'Abbildung', ar: 'شكل', ja: '図' }[figure.language] ?? ''
    if (!said.includes(word) || !said.includes('2')) return `no number: ${said}`
    const signs = drawn.marks.filter((m) => m.mark === 'icon' && m.name === logo.icon)
    if (frameTable[figure.frame].height === null) return signs.length === 0 ? null : 'a logo in a column of text'
    const [sign] = signs
    if (signs.length !== 1 || sign?.mark !== 'icon') return 'no logo'
    const { x, y, width, height } = sign.box
    if (x < 0 || x + width > drawn.width || y + height > drawn.height) return 'the logo leaves the frame'
    const covered = drawn.nodes.find((n) => overlaps(n.box, sign.box))
    if (covered) return `the logo covers ${covered.id}`
    const unsigned = sceneOf({ ...figure, dress: { unsigned: true } }, { ...wardrobe, order: [] }, typesetter)
    return unsigned.marks.some((m) => m.mark === 'icon' || wordsOf(m).includes(word)) ? 'it cannot be left out' : null
  })
  expect(failing).toEqual([])
})
