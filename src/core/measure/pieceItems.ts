/** The pieces of a node as items that a form sets below each other, and where they have come to stand. Lengths in layout px. */
import type { Hue } from '../figure'
import { boxAround, type Box, type Point, type Size } from '../geometry'
import type { Pieces, Voice } from './pieces'
import { fromStart, type TextBlock } from './textBlock'

/** What all nodes of a figure share, so that their parts stand on common lines. */
export type Shared = {
  readonly heading: Size
  readonly numeral: number
  readonly actor: number
  readonly measure: number
}
export type FormRoom = {
  readonly unit: number
  readonly pad: { readonly x: number; readonly y: number }
  /** Words in the middle, as where connectors come from all sides; else from the start. */
  readonly centred: boolean
  readonly shared: Shared
}
/** What a form paints besides words: the band over a panel, the bar beside one, a rule, a disc. */
export type Plate =
  | { readonly plate: 'band' | 'bar' | 'rule' | 'disc'; readonly box: Box }
  /** Under a badge, and what shows a value in a small chart: each in the colour of what it tells. */
  | { readonly plate: 'badge' | 'value'; readonly box: Box; readonly hue: Hue }
  /** What a small chart stands on. */
  | { readonly plate: 'chart'; readonly box: Box }
export type Standing = {
  /** Words with a hue stand on the full colour of it. */
  readonly words: readonly {
    readonly voice: Voice
    readonly block: TextBlock
    readonly centre: Point
    readonly hue?: Hue
  }[]
  readonly icon: Box | null
  readonly picture: Box | null
  readonly plates: readonly Plate[]
}
export type Item = { readonly size: Size; readonly put: (at: Point, out: Draft) => void }
export type Draft = {
  words: Standing['words'][number][]
  plates: Plate[]
  icon: Box | null
  picture: Box | null
}
export const draft = (): Draft => ({ words: [], plates: [], icon: null, picture: null })

/** Between pieces below each other, in parts of the size of the words. */
const GAP = 0.3

export const word = (voice: Voice, block: TextBlock | null, start: boolean): Item[] =>
  block
    ? [
        {
          size: block,
          put: (centre, out) => out.words.push({ voice, block: start ? fromStart(block) : block, centre }),
        },
      ]
    : []
export const iconItem = (p: Pieces): Item[] =>
  p.icon ? [{ size: p.icon, put: (c, out) => (out.icon = boxAround(c, p.icon as Size)) }] : []
export const pictureItem = (p: Pieces): Item[] =>
  p.picture ? [{ size: p.picture, put: (c, out) => (out.picture = boxAround(c, p.picture as Size)) }] : []

/** Around the words of a badge, and between two, in parts of their height. */
const BADGE = { x: 0.4, y: 0.12, apart: 0.35 }

/** Badges beside each other, each on a plate of its own. */
function badgeItem({ badges }: Pieces): Item[] {
  const [first] = badges
  if (!first) return []
  const unit = first.block.height
  const widths = badges.map((b) => b.block.width + 2 * BADGE.x * unit)
  const width = widths.reduce((sum, w) => sum + w + BADGE.apart * unit, -BADGE.apart * unit)
  const height = Math.max(...badges.map((b) => b.block.height)) + 2 * BADGE.y * unit
  const put = (at: Point, out: Draft) => {
    let left = at.x - width / 2
    badges.forEach(({ block, hue }, i) => {
      const own = widths[i] as number
      const centre = { x: left + own / 2, y: at.y }
      out.plates.push({ plate: 'badge', box: boxAround(centre, { width: own, height }), hue })
      out.words.push({ voice: 'measure', block, centre, hue })
      left += own + BADGE.apart * unit
    })
  }
  return [{ size: { width, height }, put }]
}

/** Bars below each other on one ground, each as long as its value. */
function chartItem({ chart }: Pieces): Item[] {
  if (!chart) return []
  const put = (centre: Point, out: Draft) => {
    const ground = boxAround(centre, chart)
    const high = ground.height / chart.bars.length
    out.plates.push({ plate: 'chart', box: ground })
    chart.bars.forEach(({ from, to, hue }, i) => {
      if (to <= from) return
      const box = {
        x: ground.x + from * ground.width,
        y: ground.y + i * high + high * 0.1,
        width: (to - from) * ground.width,
        height: high * 0.8,
      }
      out.plates.push({ plate: 'value', box, hue })
    })
  }
  return [{ size: chart, put }]
}

/** The running pieces of a node, one below another. */
export const running = (p: Pieces, start: boolean): Item[] => [
  ...pictureItem(p),
  ...word('heading', p.heading, start),
  ...word('measure', p.measure, start),
  ...badgeItem(p),
  ...chartItem(p),
  ...word('detail', p.detail, start),
  ...word('value', p.value, start),
]

export const column = (items: readonly Item[], f: FormRoom): Size => ({
  width: Math.max(0, ...items.map((i) => i.size.width)),
  height: items.reduce((sum, i) => sum + i.size.height, 0) + Math.max(0, items.length - 1) * GAP * f.unit,
})

/** One below another from `top`, centred on `x` or beginning at `left`. */
export function stacked(
  items: readonly Item[],
  at: { top: number; left: number; width: number },
  start: boolean,
  f: FormRoom,
) {
  const out = draft()
  let y = at.top
  for (const i of items) {
    const x = start ? at.left + i.size.width / 2 : at.left + at.width / 2
    i.put({ x, y: y + i.size.height / 2 }, out)
    y += i.size.height + GAP * f.unit
  }
  return out
}

export const merged = (plates: readonly Plate[], ...drafts: readonly Draft[]): Standing => ({
  words: drafts.flatMap((d) => d.words),
  icon: drafts.find((d) => d.icon)?.icon ?? null,
  picture: drafts.find((d) => d.picture)?.picture ?? null,
  plates: [...plates, ...drafts.flatMap((d) => d.plates)],
})
