/** `npm run sheet`: the figures of the demo and some more passages in every arrangement, in the frame they were made for
 *  and on a slide: `sheet/index.html`, a PNG of each and one PNG a kind to look at as a whole. */
import { Resvg } from '@resvg/resvg-js'
import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { svgFile } from '../src/core/formats'
import { figureKinds, frameTable, kinds, SMALLEST_TEXT, type Figure, type FrameName } from '../src/core/figure'
import { arrangementsFor } from '../src/core/layout'
import { sceneOf } from '../src/core/pipeline'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import { chapters, figureOf } from '../src/server/demoChapters'
import { sheetPassages } from './sheetPassages'

const OUT = 'sheet'
const CELL = { width: 420, height: 300, gap: 16 }
const COLUMNS = 4
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

type Drawn = { readonly name: string; readonly svg: string; readonly note: string }

function drawn(figure: Figure): Drawn[] {
  const inFrames = [...new Set<FrameName>([figure.frame, 'slide-16x9'])]
  return arrangementsFor(figure).flatMap((a) =>
    inFrames.map((frame) => {
      const scene = sceneOf({ ...figure, arrangement: a.id, frame }, 'light', typesetter)
      const points = scene.smallestText ?? 0
      const small = points < SMALLEST_TEXT[frameTable[frame].medium] - 0.05
      const name = `${figure.title}, ${a.id}, ${frame}`
      return {
        name,
        note: `${points.toFixed(1)} pt${small ? ' TOO SMALL' : ''}`,
        svg: svgFile(scene, {
          words: { as: 'outlines', typesetter, pictureAt: () => null },
          background: true,
          title: name,
          description: '',
          fontFaces: '',
        }),
      }
    }),
  )
}

const png = (svg: string, width: number): Uint8Array =>
  new Resvg(svg, { fitTo: { mode: 'width', value: width }, font: { loadSystemFonts: false } }).render().asPng()
const fileName = (name: string): string => `${name.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.png`

/** Pictures side by side, each as large as its cell allows. */
function contact(list: readonly Drawn[]): string {
  const { width, height, gap } = CELL
  const rows = Math.ceil(list.length / COLUMNS)
  const cells = list.map((d, i) => {
    const [x, y] = [gap + (i % COLUMNS) * (width + gap), gap + Math.floor(i / COLUMNS) * (height + gap)]
    const inner = d.svg
      .replace(/^<\?xml.*\n/, '')
      .replace(/ width="[\d.]+" height="[\d.]+"/, ` x="${x}" y="${y}" width="${width}" height="${height}"`)
    return `<rect x="${x}" y="${y}" width="${width}" height="${height}" fill="#e9e7df"/>${inner}`
  })
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${gap + COLUMNS * (width + gap)}" height="${gap + rows * (height + gap)}"><rect width="100%" height="100%" fill="#cfccc2"/>${cells.join('')}</svg>`
}

rmSync(OUT, { recursive: true, force: true })
mkdirSync(OUT)
const sections = figureKinds
  .filter((kind) => only === undefined || kind === only)
  .map((kind) => {
    const list = figures.filter((f) => f.kind === kind).flatMap(drawn)
    writeFileSync(`${OUT}/${kind}.png`, png(contact(list), CELL.gap + COLUMNS * (CELL.width + CELL.gap)))
    for (const d of list) writeFileSync(`${OUT}/${fileName(d.name)}`, png(d.svg, 900))
    for (const d of list) console.log(`${d.name.padEnd(70)} ${d.note}`)
    const pictures = list.map(
      (d) =>
        `<figure><img src="${fileName(d.name)}" alt="${d.name}" loading="lazy"><figcaption>${d.name} · ${d.note}</figcaption></figure>`,
    )
    return `<h2>${kinds[kind].name}</h2><div>${pictures.join('\n')}</div>`
  })
writeFileSync(
  `${OUT}/index.html`,
  `<!doctype html><html lang="en"><meta charset="utf-8"><title>Contact sheet</title><style>body{font:15px/1.4 sans-serif;margin:2rem;background:#f7f6f1;color:#16242b}div{display:grid;grid-template-columns:repeat(auto-fill,minmax(420px,1fr));gap:1rem}figure{margin:0}img{width:100%;height:300px;object-fit:contain;background:#e9e7df}</style><h1>Contact sheet</h1>${sections.join('\n')}</html>\n`,
)
console.log(`\n${OUT}/index.html`)
