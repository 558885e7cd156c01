/** How long files take, and how much memory at most: each in a process of its own, from the same figures. */
import { spawnSync } from 'node:child_process'

const ROWS: readonly (readonly [what: string, aim: string, work: string])[] = [
  ['100 figures as PPTX', 'aim 1 s', `out(figureDeck(drawings, { title: 'Hundred', glue: true, inside: null }))`],
  [
    '100 figures as PDF',
    'aim 2 s',
    `out(await figurePdf(drawings, { title: 'Hundred', background: true, inside: null }))`,
  ],
  ['100 figures as ODP', '', `out(figureOdp(drawings, { title: 'Hundred', glue: true, inside: null }))`],
  [
    '100 figures as DOCX (pictures drawn twice)',
    '',
    `out(await docxOf({ title: 'Hundred', language: 'en', blocks: [], wardrobe: plainWardrobe('light'), brought: NOTHING_BROUGHT, options: { ...plainPublication, text: false }, figures: drawings.map((d, i) => ({ figure: d.figure, number: i + 1, caption: 'Figure ' + (i + 1), drawings: [d] })) }))`,
  ],
  [
    '3x PNG of a figure of 60 nodes',
    'aim 400 ms',
    `out(await fileFormats.png.make(sixty, { ...plainOptions, scale: 3 }))`,
  ],
  ['a DOCX of 300 pages in', 'aim 3 s', `out(await imported('long.docx', long))`],
]

const setUp = `
import { plainWardrobe } from './src/core/style'
import { seededFigure } from './src/core/testing/seededFigure'
import { NOTHING_BROUGHT, drawingOf } from './src/server/figureFile'
import { figureOdp } from './src/server/files/odf/figureOdp'
import { figurePdf } from './src/server/files/pdf/figurePdf'
import { figureDeck } from './src/server/files/pptx/figureDeck'
import { fileFormats } from './src/server/files/formats'
import { plainOptions } from './src/server/files/fileTypes'
import { imported } from './src/server/imports/readers'
import { docxOf } from './src/server/publish/docx'
import { plainPublication } from './src/server/publish/publication'
import { sixtyFigures } from './e2e/sixtyFigures'
const drawings = []
for (const { figure, wardrobe } of sixtyFigures(100)) drawings.push(await drawingOf(figure, wardrobe, NOTHING_BROUGHT))
const sixty = await drawingOf({ ...seededFigure(4, 'process', 60), frame: 'slide-16x9' }, plainWardrobe('light'), NOTHING_BROUGHT)
const text = { block: 'paragraph', words: [{ text: 'The deck crew is aboard an hour before departure and checks the moorings before the ramp is lowered. '.repeat(2), strong: false, em: false }] }
const blocks = Array.from({ length: 300 }, (_, i) => [{ block: 'heading', level: 2, words: [{ text: 'Watch ' + i, strong: false, em: false }] }, text, text, text, text, text]).flat()
const long = await docxOf({ title: 'Long', language: 'en', blocks, wardrobe: plainWardrobe('light'), brought: NOTHING_BROUGHT, options: plainPublication, figures: [] })
const out = (made) => { if (made && typeof made === 'object' && 'code' in made) throw new Error(made.code); return made }
`

export function fileBench(line: (what: string, ...cells: string[]) => void): void {
  for (const [what, aim, work] of ROWS) {
    const code = `${setUp}
const before = process.memoryUsage().rss
const since = performance.now()
${work}
const first = performance.now() - since
const again = performance.now()
${work}
console.log(JSON.stringify({ first, warm: performance.now() - again, peak: process.resourceUsage().maxRSS / 1024, before: before / 1048576 }))`
    const done = spawnSync(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], {
      encoding: 'utf8',
      maxBuffer: 1 << 26,
    })
    if (done.status !== 0) {
      line(what, `failed: ${done.stderr.split('\n').find((l) => /Error/.test(l)) ?? done.status}`)
      continue
    }
    const r = JSON.parse(done.stdout.trim().split('\n').at(-1) ?? '{}') as Record<
      'first' | 'warm' | 'peak' | 'before',
      number
    >
    line(what, `${r.first.toFixed(0)} ms, warm ${r.warm.toFixed(0)} ms`, aim, `peak ${r.peak.toFixed(0)} MB`)
  }
}
