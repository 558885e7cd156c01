/** How fast the bench follows the hand, in the browser: from a key to the painted picture, a frame of a drag, pasted rows. */
import { Key, sleep, type Browser } from './support'
import { stage } from './stage'

type Line = (what: string, ...cells: string[]) => void
const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1] ?? 0
const ms = (v: number) => `${v.toFixed(0)} ms`

/** A chain with a question at every fifth row, as cells. */
const rows = (n: number): string =>
  [
    'id\ttext\tnext',
    ...Array.from(
      { length: n },
      (_, i) =>
        `s${i}\tCheck locker ${i} and sign\t${i + 1 < n ? (i % 5 === 2 && i + 3 < n ? `yes: s${i + 1}; no: s${i + 3}` : `s${i + 1}`) : ''}`,
    ),
  ].join('\n')

/** Times from an event to the next change of the picture, and the longest tasks of the main thread. */
const WATCH = `window.watched = { times: [], tasks: [] }; let since = null;
  addEventListener(arguments[0], () => { since ??= performance.now() }, true);
  new MutationObserver(() => { if (since === null) return; const from = since; since = null; requestAnimationFrame(() => window.watched.times.push(performance.now() - from)) })
    .observe(document.querySelector('[data-stage]'), { subtree: true, childList: true, attributes: true, characterData: true });
  new PerformanceObserver((l) => window.watched.tasks.push(...l.getEntries().map((e) => e.duration))).observe({ type: 'longtask' })`

export async function shapingBench(line: Line, b: Browser, base: string): Promise<void> {
  const s = stage(b, base)
  const watched = () => b.driver.executeScript<{ times: number[]; tasks: number[] }>('return window.watched')
  const told = (w: { times: number[]; tasks: number[] }) =>
    `of ${w.times.length}, slowest ${ms(Math.max(0, ...w.times))}, longest task ${ms(Math.max(0, ...w.tasks))}`
  const made = async (n: number) => {
    await s.blank()
    const since = Date.now()
    await s.pasteRows(rows(n))
    while ((await b.count('[data-scale] g[data-part] text')) < n * 0.9) await sleep(20)
    return Date.now() - since
  }
  for (const n of [30, 200]) {
    await made(n)
    await s.tab('Outline')
    await b.pick('[data-row=node]')
    await b.press(Key.F2)
    await b.find('[aria-label="Words of the node"]')
    await b.press(Key.END)
    await sleep(2500)
    await b.driver.executeScript(WATCH, 'input')
    for (const key of ' with the mate') {
      await b.press(key)
      await sleep(350)
    }
    const w = await watched()
    line(`key to painted picture at ${n} nodes (aim 50 ms at 200)`, ms(median(w.times)), told(w))
    await b.press(Key.ESCAPE)
  }
  for (const n of [100, 300]) {
    await made(n)
    await sleep(3000)
    const words = (await s.shown())[Math.floor(n / 2)] ?? ''
    const from = await s.middleOf(words)
    await b.driver.executeScript(WATCH, 'pointermove')
    const hand = b.driver.actions({ async: true }).move(from).press()
    for (let i = 1; i <= 40; i++) hand.move({ x: from.x + i * 4, y: from.y + (i % 7), duration: 40 })
    await hand.release().perform()
    await sleep(600)
    const w = await watched()
    line(`drag frame in the page at ${n} nodes (aim 16 ms at 100)`, ms(median(w.times)), told(w))
  }
  await s.blank()
  await b.driver.executeScript(WATCH, 'paste')
  const since = Date.now()
  await s.pasteRows(rows(500))
  while ((await b.count('[data-scale] g[data-part] text')) < 480) await sleep(20)
  line('500 rows pasted, to their picture', ms(Date.now() - since), told(await watched()))
}
