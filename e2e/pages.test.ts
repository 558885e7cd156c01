/** Five pages as people write them, in a real browser: which rings stand in the gutter, what each section reads as, how its
 *  figure is called, and that it says the author's words. */
import assert from 'node:assert/strict'
import { test } from 'node:test'
import { manuscriptOf, pages, type Page, type Section } from './pages'
import { Key, eventually, newFolio, type Browser } from './support'
import { tested } from './tested'

let b: Browser
const { base } = tested(4127, (browser) => (b = browser))

const close = (s: string): string => s.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '')

/** Marks a section from its heading to the end of its last block, as with the mouse. */
const mark = (heading: string): Promise<boolean> =>
  b.driver.executeScript<boolean>(
    `const blocks = [...document.querySelector('.manuscript').children]
     const from = blocks.findIndex((x) => /^H[12]$/.test(x.tagName) && x.textContent.trim() === arguments[0])
     if (from < 0) return false
     const next = blocks.findIndex((x, i) => i > from && /^H[12]$/.test(x.tagName))
     const last = blocks[(next < 0 ? blocks.length : next) - 1]
     document.querySelector('.manuscript').focus()
     const range = document.createRange()
     range.setStart(blocks[from], 0)
     range.setEnd(last, last.childNodes.length)
     getSelection().removeAllRanges()
     getSelection().addRange(range)
     return true`,
    heading,
  )

type Shown = { readonly kind: string; readonly words: string }
/** The kinds offered, in order, each with the words of its first picture. */
const shown = (): Promise<Shown[]> =>
  b.driver.executeScript<Shown[]>(
    `return [...document.querySelectorAll('article[data-kind]')].map((a) => ({
       kind: a.dataset.kind, words: a.querySelector('svg.picture')?.textContent ?? '' }))`,
  )

async function wrongIn(s: Section): Promise<string[]> {
  if (!(await mark(s.heading))) return [`${s.heading}: no such heading in the manuscript`]
  await b.find('[aria-label=Readings][aria-busy=false]')
  let first: Shown | undefined
  await eventually(`“${s.heading}” is read and drawn`, 15_000, async () => {
    ;[first] = await shown()
    const text = await b.text('[aria-label=Readings]')
    return (first?.words ?? '') !== '' || /Nothing here reads/.test(text)
  })
  const drawn = await eventually(`“${s.heading}” shows what is marked`, 15_000, async () => (await shown())[0] ?? null)
  const words = close(drawn.words)
  const missing = s.labels.filter((l) => !words.includes(close(l)))
  await b.press(Key.ESCAPE)
  return [
    ...(s.kinds.includes(drawn.kind) ? [] : [`${s.heading}: reads as ${drawn.kind}, not ${s.kinds.join(' or ')}`]),
    ...missing.map((l) => `${s.heading}: “${l}” is not in the figure`),
  ]
}

/** Rings by the heading they stand at, with what they say. */
const rings = (): Promise<string[]> =>
  b.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('button[aria-label^="Read the passage that begins here"]')].map((x) =>
       x.getAttribute('aria-label').replace(/.*reads as (an? )?/, ''))`,
  )

for (const page of pages)
  test(`${page.name}: rings, kinds, titles and labels are what a reader expects`, () => tried(page))

async function tried(page: Page): Promise<void> {
  const folio = await newFolio(base, manuscriptOf(page))
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript h2')
  await eventually('rings stand in the gutter', 15_000, async () => (await rings()).length > 0)
  const expected = page.sections.flatMap((s) => s.kinds)
  for (const r of await rings()) assert.ok(expected.includes(r.toLowerCase().replace(/ .*/, '')), `a ring for ${r}`)
  const wrong: string[] = []
  for (const s of page.sections.filter((x) => x.kinds.length > 0)) wrong.push(...(await wrongIn(s)))
  assert.deepEqual(wrong, [])
  // The first ring leads to a figure that is called like its section.
  const ring = await b.find('button[aria-label^="Read the passage that begins here"]')
  await ring.click()
  await b.find('article[data-kind] button[data-arrangement] svg')
  await eventually('all pictures stand, so that none moves under the pointer', 10_000, async () =>
    b.driver.executeScript<boolean>(`return !document.querySelector('article[data-kind] .animate-pulse')`),
  )
  await (await b.still('article[data-kind] button[data-arrangement]')).click()
  const title = await eventually('the figure stands on the page', 10_000, () => b.text('[data-card]'))
  assert.ok(
    page.sections.some((s) => title.includes(s.heading.replace(/^\d+\. /, ''))),
    `called “${title}”`,
  )
}
