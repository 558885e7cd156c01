/** Measurements: the core in Node, then the folio page and the worker in the browser. Medians of warm runs in one go. */
import { plainWardrobe } from '../src/core/style'
import { readdirSync, readFileSync } from 'node:fs'
import { gzipSync } from 'node:zlib'
import tagger from 'compromise'
import { build } from 'esbuild'
import { routedFaults, crossingsOf, bendsOf } from '../src/core/check'
import type { Figure } from '../src/core/figure'
import { withNodeAt } from '../src/core/layout'
import { routedFigure, sceneOf } from '../src/core/pipeline'
import type * as Propose from '../src/core/propose'
import type * as Reading from '../src/core/reading'
import { reroute } from '../src/core/route'
import { scene } from '../src/core/scene'
import { corpus } from '../src/core/testing/corpus'
import { seededFigure } from '../src/core/testing/seededFigure'
import { shippedTypesetter } from '../src/core/testing/shippedTypesetter'
import { chapters, figureOf } from '../src/server/demoChapters'
import { denseFigure } from '../src/core/testing/denseFigure'
import { connectorBench } from './connectorBench'
import { fileBench } from './fileBench'
import { layoutBench } from './layoutBench'
import { shelfBench, streamsBench } from './loadBench'
import { reckonBench } from './reckonBench'
import { shapingBench } from './shapingBench'
import { textBench } from './textBench'
import { newFolio, openBrowser, startServer, sleep } from './support'

const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1] ?? 0
function timed(runs: number, work: () => unknown): number {
  for (let i = 0; i < Math.ceil(runs / 3); i++) work()
  return median(
    Array.from({ length: runs }, () => {
      const since = performance.now()
      work()
      return performance.now() - since
    }),
  )
}
/** The medians of two works done in turn, so that a machine that slows down slows both; as many runs warm up first. */
function inTurn(runs: number, ...works: readonly (() => unknown)[]): number[] {
  const times = works.map((): number[] => [])
  for (let i = 0; i < 2 * runs; i++)
    works.forEach((work, k) => {
      const since = performance.now()
      work()
      if (i >= runs) times[k]?.push(performance.now() - since)
    })
  return times.map(median)
}
const line = (what: string, ...cells: string[]) => console.log(`${what.padEnd(58)} ${cells.join('  ')}`)
const ms = (v: number) => `${v.toFixed(1)} ms`

/** Reading and proposing as the worker ships them: bundled and minified, not as a development loader rewrites them. */
const bundled = await build({
  stdin: {
    contents: `export { readText, englishLexicon } from './src/core/reading'; export { propose } from './src/core/propose'`,
    resolveDir: '.',
    loader: 'ts',
  },
  bundle: true,
  minify: true,
  format: 'esm',
  write: false,
})
const code = bundled.outputFiles[0]?.contents ?? new Uint8Array()
const shipped = `data:text/javascript;base64,${Buffer.from(code).toString('base64')}`
const { readText, englishLexicon, propose } = (await import(shipped)) as typeof Reading & typeof Propose

const typesetter = shippedTypesetter()
const lexicon = englishLexicon(readFileSync('public/syntax/english.bin'))
const TWELVE = `1. Check the moorings.\n2. Lower the ramp and lock it.\n3. If the deck is wet, spread sand on the ramp.\n4. Load lorries first.\n5. Load the cars.\n6. If a car leaks, call the mate.\n7. Chock the last row.\n8. Lash the motorcycles.\n9. Close the bow door.\n10. Report the count to the bridge.`
const prose = `${corpus()
  .filter((g) => g.language === 'en')
  .map((g) => g.text)
  .join('\n\n')}\n\n`
const words = (n: number) =>
  prose
    .split(/(?<=\s)/)
    .slice(0, n)
    .join('')

/** A flowchart of `n` nodes with a question at every fifth. */
function chart(n: number): Figure {
  const base = seededFigure(1)
  const nodes = Object.fromEntries(
    Array.from({ length: n }, (_, i) => [
      `n${i}`,
      {
        id: `n${i}`,
        role: i % 5 === 2 ? ('question' as const) : ('step' as const),
        text: i % 5 === 2 ? 'Is the deck clear?' : `Check locker ${i} and sign`,
        order: i,
        source: [],
      },
    ]),
  )
  const links = Array.from({ length: n - 1 }, (_, i) => [
    { from: i, to: i + 1, text: i % 5 === 2 ? 'yes' : '' },
    ...(i % 5 === 2 && i + 3 < n ? [{ from: i, to: i + 3, text: 'no' }] : []),
  ]).flat()
  return {
    ...base,
    kind: 'process',
    arrangement: 'down',
    frame: 'free',
    nodes,
    links: Object.fromEntries(
      links.map((l, i) => [
        `l${i}`,
        {
          id: `l${i}`,
          role: 'next' as const,
          from: `n${l.from}`,
          to: `n${l.to}`,
          order: i,
          source: [],
          ...(l.text ? { text: l.text } : {}),
        },
      ]),
    ),
  }
}

console.log('\nIn Node, warm, median')
const twelve = () => {
  const readings = propose(readText(TWELVE, lexicon))
  const figure = (readings[0] as (typeof readings)[number]).figure
  for (const arrangement of ['down', 'rows']) sceneOf({ ...figure, arrangement }, plainWardrobe('light'), typesetter)
}
line('12-step passage: reading and two scenes (aim 50 ms)', ms(timed(15, twelve)))
for (const [n, aim] of [
  [300, 2],
  [5000, 1],
] as const) {
  const text = words(n)
  const [ours = 0, tagging = 0] = inTurn(
    n > 1000 ? 11 : 41,
    () => propose(readText(text, lexicon)),
    () => tagger(text).json({ offset: true }),
  )
  line(
    `${n} words to readings; a general tagger, tagging only`,
    ms(ours),
    ms(tagging),
    `${(ours / tagging).toFixed(2)} times (aim ${aim})`,
  )
}
line('lexicon and code of reading and proposing, gzipped', `${Math.round(gzipSync(code).length / 1000)} kB (aim 200)`)
const longest = Object.entries({
  'one sentence without a stop': 'the ramp and the deck or the bridge ',
  commas: 'a, ',
  conditions: 'if it is wet, wait; ',
  items: '- check the ramp\n',
  'nested items': '- check\n  - the ramp\n',
  terms: 'Fender: a cushion that protects the hull.\n',
  prose: 'The fender protects the hull. ',
  chances: 'a 30% chance of rain ',
  table: '| a | yes |\n',
  arrows: '- a -> b\n',
  brackets: '(',
  spaces: ' ',
}).map(([name, unit]) => {
  const of = (n: number) => timed(3, () => propose(readText(unit.repeat(n / unit.length), lexicon)))
  return { name, small: of(25_000), large: of(100_000) }
})
for (const { name, small, large } of longest)
  line(`100,000 characters of ${name} (aim 2,000 ms)`, ms(large), `${(large / small).toFixed(1)} times that of 25,000`)
line(
  '300 words to readings with every scene',
  ms(
    timed(5, () =>
      propose(readText(words(300), lexicon)).forEach((r) => sceneOf(r.figure, plainWardrobe('light'), typesetter)),
    ),
  ),
)
for (const n of [12, 50, 200]) {
  const figure = chart(n)
  const routed = routedFigure(figure, plainWardrobe('light'), typesetter)
  line(
    `${n}-node figure to scene`,
    ms(timed(n > 100 ? 3 : 7, () => sceneOf(figure, plainWardrobe('light'), typesetter))),
    `${crossingsOf(routed)} crossings, ${(bendsOf(routed) / routed.routes.length).toFixed(2)} bends a link, ${routedFaults(routed).length} faults`,
  )
}
const hundred = routedFigure(chart(100), plainWardrobe('light'), typesetter)
const kept = scene(hundred)
let step = 0
const frame = () => {
  const n = hundred.nodes[50] as (typeof hundred.nodes)[number]
  step = (step + 7) % 200
  return scene(
    reroute(
      withNodeAt(hundred, n.id, { ...n.box, x: n.box.x + 300 + step, y: n.box.y + step }),
      hundred.routes,
      new Set([n.id]),
    ),
    kept,
  )
}
const dragging = timed(21, frame)
const whole = timed(3, () => routedFigure(chart(100), plainWardrobe('light'), typesetter))
line(
  'drag frame at 100 nodes (aim 16 ms)',
  ms(dragging),
  `${(whole / dragging).toFixed(0)} times faster than the whole figure (${ms(whole)})`,
)

for (const [nodes, links] of [
  [24, 70],
  [60, 180],
  [180, 900],
] as const) {
  const figure = denseFigure(nodes, links)
  line(
    `dense: ${nodes} nodes, ${links} links, to scene`,
    ms(timed(1, () => sceneOf(figure, plainWardrobe('light'), typesetter))),
  )
}

await layoutBench(line, typesetter)
await connectorBench(line, typesetter)

console.log('\nTexts that nobody writes')
textBench(line, lexicon)
reckonBench(line, timed)

console.log('\nA server under load')
const dressed = chapters.flatMap((c) => c.figures.map((f) => figureOf(c.text, f, f.title).figure))
const twenty = Array.from({ length: 20 }, (_, i) => dressed[i % dressed.length] as Figure)
const restyled = ['kelp', 'signal-flags', 'log-book', 'chalk-and-slate'].map((style) =>
  timed(1, () => twenty.forEach((f) => sceneOf(f, { ...plainWardrobe('light'), style }, typesetter))),
)
line(
  'a folio of 20 figures in another house style (aim 400 ms)',
  `${ms(median(restyled))}, first ${ms(Math.max(...restyled))}`,
)

fileBench(line)
const server = await startServer(4131)
await streamsBench(line, 4131)
await shelfBench(line, 4131)

console.log('\nIn the browser')
const browser = await openBrowser('http://localhost:4131')
const folio = await newFolio('http://localhost:4131', TWELVE)
// What the page asks for by itself, without what browsers of today skip; more is fetched while nobody waits.
const page = await (await fetch(`http://localhost:4131/folio/${folio}`)).text()
const scripts = [...page.matchAll(/<script src="([^"]+\.js)[^"]*"([^>]*)>/g)].flatMap(([, src = '', rest = '']) =>
  /nomodule/i.test(rest) ? [] : [src],
)
const gzipped = (paths: readonly string[]) =>
  paths.reduce((sum, p) => sum + gzipSync(readFileSync(p.replace('/_next/', '.next/'))).length, 0)
line(
  'folio page, first load: script of the page, gzipped (aim 300 kB)',
  `${(gzipped([...new Set(scripts)]) / 1000).toFixed(0)} kB in ${new Set(scripts).size} files`,
)
const wasm = readdirSync('.next/static/media').filter((f) => f.endsWith('.wasm'))
line(
  '  of the worker beside it: text shaping (WASM), gzipped',
  `${(wasm.reduce((s, f) => s + gzipSync(readFileSync(`.next/static/media/${f}`)).length, 0) / 1000).toFixed(0)} kB`,
)
const shown: number[] = []
for (let i = 0; i < 5; i++) {
  await browser.driver.get('about:blank')
  const since = Date.now()
  await browser.driver.get(`http://localhost:4131/folio/${folio}`)
  await browser.find('.manuscript li')
  shown.push(Date.now() - since)
}
line('folio page to an editable manuscript, warm cache', ms(median(shown)))
await sleep(2500)
/** From the click that marks the passage to so many pictures of its readings. */
const pictures = (least: string) =>
  browser.driver.executeAsyncScript<number>(
    `const done = arguments[arguments.length - 1]; const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.collapse(e.querySelector('p').firstChild, 2);
   let since = 0; const look = () => ${least} ? done(performance.now() - since) : requestAnimationFrame(look);
   setTimeout(() => { since = performance.now(); document.querySelector('[title^="Read the marked"]').click(); look() }, 100)`,
  )
line(
  'mark to first picture in the page, 12 steps, first time (aim 300 ms)',
  ms(await pictures(`document.querySelectorAll('article[data-kind=process] svg').length >= 1`)),
)
await browser.driver.navigate().refresh()
await browser.find('.manuscript li')
await sleep(2500)
line(
  'mark to every picture of the first reading, first time (aim 300 ms)',
  ms(
    await pictures(
      `document.querySelectorAll('article[data-kind=process] [data-arrangement]').length > 1 && [...document.querySelectorAll('article[data-kind=process] [data-arrangement]')].every((e) => e.querySelector('svg'))`,
    ),
  ),
)

console.log('\nThe bench in the browser')
await shapingBench(line, browser, 'http://localhost:4131')
await browser.close()
server.kill('SIGKILL')
process.exit(0)
