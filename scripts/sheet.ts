/** `npm run sheet [kind|styles]`: every kind in every arrangement and treatment, and six figures in all house styles, light
 *  and dark, of the demo and of some more passages: `sheet/index.html` and one PNG for each page to look at as a whole. */
import { Resvg } from '@resvg/resvg-js'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { figureKinds, frameTable, kinds, SMALLEST_TEXT, type Figure } from '../src/core/figure'
import { svgFile } from '../src/core/formats'
import { arrangementsFor } from '../src/core/layout'
import { sceneOf } from '../src/core/pipeline'
import { STANDARD_STYLE, houseStyles, treatmentsFor, type Theme } from '../src/core/style'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import { chapters, figureOf } from '../src/server/demoChapters'
import { sheetPassages } from './sheetPassages'

const OUT = 'sheet'
const CELL = { width: 480, height: 300, gap: 14, words: 22 }
const COLUMNS = 4
/** To a page that can be looked at as a whole. */
const ROWS = 6
const only = process.argv[2]

const typesetter = shippedTypesetter()
const figures: Figure[] = [
  ...chapters.flatMap((c) => c.figures.map((f) => figureOf(c.text, f, f.title).figure)),
  ...sheetPassages.map(
    (p) =>
      figureOf(p.text, { ...p, from: p.text.split('\n')[0] ?? '', to: p.text.split('\n').at(-1) ?? '' }, p.title)
        .figure,
  ),
]
/** Six that stand for their kinds. */
const SIX = [
  'The first five days',
  'Boarding the vehicle deck',
  'Who reports to whom',
  'What bears on the berth',
  'Deck crew and shore crew',
  'Sail or wait',
].flatMap((title) => figures.find((f) => f.title === title) ?? [])

type Drawn = { readonly name: string; readonly svg: string; readonly ground: string }

function drawn(figure: Figure, style: string, theme: Theme, name: string): Drawn {
  const scene = sceneOf(figure, { theme, style, own: {}, language: null, most: null, order: [] }, typesetter)
  const points = scene.smallestText ?? 0
  const small = points < SMALLEST_TEXT[frameTable[figure.frame].medium] - 0.05
  return {
    name: `${name}${small ? ` (${points.toFixed(1)} pt)` : ''}`,
    ground: scene.background,
    svg: svgFile(scene, {
      words: { as: 'outlines', typesetter, pictureAt: () => null, iconAt: () => null },
      background: true,
      title: name,
      description: '',
      fontFaces: '',
    }),
  }
}

const slide = (f: Figure): Figure => ({ ...f, frame: 'slide-16x9' })

/** For each arrangement of a kind one figure it suits, in every treatment. */
function treated(kind: Figure['kind']): Drawn[] {
  const own = figures.filter((f) => f.kind === kind)
  const all = [...new Set(own.flatMap((f) => arrangementsFor(f).map((a) => a.id)))]
  return all.flatMap((arrangement) => {
    const suited = own.filter((f) => arrangementsFor(f).some((a) => a.id === arrangement))
    const arranged = suited
      .toSorted((a, b) => Number(b.arrangement === arrangement) - Number(a.arrangement === arrangement))
      .map((f) => ({ ...slide(f), arrangement }))
    const ids = [...new Set(arranged.flatMap((f) => treatmentsFor(f).map((t) => t.id)))]
    return ids.flatMap((id) => {
      const figure = arranged.find((f) => treatmentsFor(f).some((t) => t.id === id))
      return figure
        ? [drawn({ ...figure, dress: { treatment: id } }, STANDARD_STYLE, 'light', `${arrangement} · ${id}`)]
        : []
    })
  })
}

/** Six corners of the space of looks: what the README opens with. */
function cover(): Drawn[] {
  const corners = [
    ['The first five days', 'line', 'panel', 'signal-flags', 'light'],
    ['Opening the ticket office', 'rows', 'route', 'night-watch', 'dark'],
    ['The fleet and the shore', 'stacked', 'headed', 'kelp', 'light'],
    ['Deck crew and shore crew', 'circles', 'solid', 'regatta', 'light'],
    ['How we speak to passengers', 'ring', 'segments', 'tideline', 'light'],
    ['What bears on the berth', 'across', 'outline', 'chalk-and-slate', 'dark'],
  ] as const
  return corners.flatMap(([title, arrangement, treatment, style, theme]) => {
    const figure = figures.find((f) => f.title === title)
    const dress = { treatment, titled: true }
    return figure ? [drawn({ ...slide(figure), arrangement, dress }, style, theme, '')] : []
  })
}

const pages: {
  readonly name: string
  readonly title: string
  readonly list: () => Drawn[]
  readonly columns: number
}[] = [
  { name: 'cover', title: 'Six corners', list: cover, columns: 2 },
  ...figureKinds.map((kind) => ({ name: kind, title: kinds[kind].name, list: () => treated(kind), columns: COLUMNS })),
  ...(['light', 'dark'] as const).map((theme) => ({
    name: `styles-${theme}`,
    title: `House styles, ${theme}`,
    list: () =>
      Object.keys(houseStyles).flatMap((style) =>
        SIX.map((f) => drawn(slide(f), style, theme, `${style} · ${f.kind}`)),
      ),
    columns: SIX.length,
  })),
]

const png = (svg: string, width: number): Uint8Array =>
  new Resvg(svg, { fitTo: { mode: 'width', value: width }, font: { loadSystemFonts: false } }).render().asPng()

function captioned(words: string, x: number, y: number): string {
  const line = typesetter.line(words, ['grotesk-400'], 13)
  return line.runs
    .flatMap((r) =>
      r.glyphs.map((g) => {
        const { path, unitsPerEm } = typesetter.outline(r.font, g.id)
        const s = 13 / unitsPerEm
        return `<path d="${path}" transform="matrix(${s} 0 0 ${-s} ${x + r.x + g.x} ${y})" fill="#333"/>`
      }),
    )
    .join('')
}

/** Pictures side by side, each as large as its cell allows, its name below. */
function contact(list: readonly Drawn[], columns: number): string {
  const { width, height, gap, words } = CELL
  const rows = Math.ceil(list.length / columns)
  const high = height + words + gap
  const cells = list.map((d, i) => {
    const [x, y] = [gap + (i % columns) * (width + gap), gap + Math.floor(i / columns) * high]
    const inner = d.svg
      .replace(/^<\?xml.*\n/, '')
      .replace(/ width="[\d.]+" height="[\d.]+"/, ` x="${x}" y="${y}" width="${width}" height="${height}"`)
    return `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="${d.ground}"/>${inner}${captioned(d.name, x + 2, y + height + 15)}`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${gap + columns * (width + gap)}" height="${gap + rows * high}"><rect width="100%" height="100%" fill="#cfccc2"/>${cells.join('')}</svg>`
}

if (only === undefined) rmSync(OUT, { recursive: true, force: true })
mkdirSync(OUT, { recursive: true })
const wanted = pages.filter((p) => only === undefined || p.name.startsWith(only))
for (const { name, list, columns } of wanted) {
  const all = list()
  writeFileSync(`${OUT}/${name}.svg`, contact(all, columns))
  for (let first = 0; first < all.length; first += ROWS * columns) {
    const file = `${OUT}/${name}-${1 + first / (ROWS * columns)}.png`
    const part = contact(all.slice(first, first + ROWS * columns), columns)
    writeFileSync(file, png(part, CELL.gap + columns * (CELL.width + CELL.gap)))
    console.log(file)
  }
}
writeFileSync(
  `${OUT}/index.html`,
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Contact sheet</title><style>body{font:15px/1.4 sans-serif;margin:2rem;background:#f7f6f1;color:#16242b}img{max-width:100%}</style><h1>Contact sheet</h1>${pages.map((p) => `<h2>${p.title}</h2><img src="${p.name}.svg" alt="${p.title}" loading="lazy">`).join('\n')}</html>\n`,
)
