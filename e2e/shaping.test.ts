/** The bench in a real browser: connectors, arrangement and frame, what stays where it is, what is continued. */
import assert from 'node:assert/strict'
import { test } from 'node:test'
import { Key, client, eventually, newFolio, sleep, type Browser } from './support'
import { tested } from './tested'

let b: Browser
const { base } = tested(4126, (browser) => (b = browser))

test('on the bench a connector’s end is dragged onto another node, and arrangement and frame are switched', async () => {
  const folio = await newFolio(base, '1. Check the lines\n2. Lower the ramp\n3. Load the cars\n4. Close the bow door')
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await b.saved()
  await b.pick('button[aria-label^="Read the passage that begins here"]')
  await (await b.still('article[data-kind=process] [data-arrangement=rows]')).click()
  await b.pick('figure[data-figure] figcaption a')
  await b.find('[data-scale] g[data-part] text')
  const middleOf = (index: number) =>
    b.driver.executeScript<{ x: number; y: number }>(
      `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].filter((g) => g.querySelector('text'))[arguments[0]].getBoundingClientRect(); return { x: Math.round(g.x + g.width / 2), y: Math.round(g.y + g.height / 2) }`,
      index,
    )
  const [first, second, last] = [await middleOf(0), await middleOf(1), await middleOf(3)]
  await b.driver
    .actions()
    .move({ x: Math.round((first.x + second.x) / 2), y: first.y })
    .click()
    .perform()
  const end = await b.still('[data-handle=to]')
  await b.driver
    .actions({ async: true })
    .move({ origin: end })
    .press()
    .move({ x: last.x - 60, y: last.y - 20, duration: 80 })
    .move({ x: last.x - 30, y: last.y - 32, duration: 80 })
    .release()
    .perform()
  const leadsTo = async () => await (await b.find('[aria-label="Leads to"] option:checked')).getText()
  await eventually('the link leads to the last step', 3000, async () => (await leadsTo()) === 'Close the bow door')
  // A bar on the link is pulled: it stays where it was put, until it is let go. Shift with an arrow key does the same.
  const bend = await b.still('[data-handle^=bend]')
  await b.driver
    .actions({ async: true })
    .move({ origin: bend })
    .press()
    .move({ origin: bend, x: 20, y: 24, duration: 80 })
    .release()
    .perform()
  await b.click('Let it find its way')
  const straightAgain = () =>
    b.driver.executeScript<boolean>(
      `return ![...document.querySelectorAll('button')].some((e) => e.textContent === 'Let it find its way')`,
    )
  await eventually('it finds its own way', 3000, straightAgain)
  await (await b.find('[data-stage]')).sendKeys(Key.chord(Key.SHIFT, Key.ARROW_DOWN))
  await b.button('Let it find its way')
  for (let i = 0; i < 3; i++) await b.chord([Key.CONTROL], 'z')
  await eventually('straight as before', 3000, straightAgain)
  await b.chord([Key.CONTROL], 'z')
  await eventually('undone', 3000, async () => (await leadsTo()) === 'Lower the ramp')
  await b.pick('//button[@role="radio"][contains(., "Down the page")]')
  await eventually('down the page', 5000, async () => (await middleOf(3)).x === (await middleOf(0)).x)
  // Whoever did not ask for less motion sees the nodes go to their new places.
  const motion = (value: string) =>
    b.driver.sendDevToolsCommand('Emulation.setEmulatedMedia', {
      features: [{ name: 'prefers-reduced-motion', value }],
    })
  const movesWhen = (name: string) =>
    b.driver.executeAsyncScript<boolean>(
      `const done = arguments[1], since = performance.now();
       const look = () => document.getAnimations().some((a) => a.effect?.target?.dataset?.part) ? done(true) : performance.now() - since > 1500 ? done(false) : requestAnimationFrame(look);
       [...document.querySelectorAll('[role=radio]')].find((e) => e.textContent.endsWith(arguments[0])).click(); look()`,
      name,
    )
  await motion('no-preference')
  assert.equal(await movesWhen('Across'), true)
  await motion('reduce')
  await eventually('at rest', 3000, () =>
    b.driver.executeScript<boolean>(`return document.getAnimations().every((a) => !a.effect?.target?.dataset?.part)`),
  )
  assert.equal(await movesWhen('Down the page'), false)
  await eventually('down again', 5000, async () => (await middleOf(3)).x === (await middleOf(0)).x)
  // An edit leaves the others where they stand, until asked to tidy.
  const tidyOffered = () =>
    b.driver.executeScript<boolean>(
      `return [...document.querySelectorAll('button')].some((e) => e.textContent === 'Tidy')`,
    )
  assert.equal(await tidyOffered(), false)
  await b.chord([Key.ALT], 's')
  await eventually('the words are asked for', 3000, () =>
    b.driver.executeScript<boolean>(`return document.activeElement?.tagName === 'TEXTAREA'`),
  )
  await b.press('Count the cars', Key.ENTER)
  await eventually('the step is drawn', 3000, async () => (await b.count('[data-scale] g[data-part] text')) > 4)
  assert.equal(await tidyOffered(), true)
  await b.chord([Key.ALT], 't')
  await eventually('laid out afresh', 3000, async () => !(await tidyOffered()))
  await b.chord([Key.CONTROL], 'z')
  await eventually('as it stood', 3000, tidyOffered)
  // Keys typed into a field are the field's, whatever is selected.
  const shown = () => b.nodesShown('[data-scale]')
  const before = await shown()
  await b.pick('[data-row=node]')
  const said = await b.find('input[aria-describedby="instruction-meant"]')
  await said.sendKeys('rename it', Key.HOME, Key.DELETE)
  await b.chord([Key.CONTROL], 'z')
  await b.chord([Key.ALT], Key.ARROW_DOWN)
  assert.equal(await said.getAttribute('value'), 'rename it')
  await sleep(300)
  assert.deepEqual(await shown(), before)
  await said.sendKeys(Key.ESCAPE)
  await b.pick('[aria-label="Frame"] option[value="square"]')
  await b.find('//p[contains(., "Square · 28.6 × 28.6 cm")]')
  assert.deepEqual(await b.complaints(), [])
})

test('what is too much for a slide says so, and is continued on several figures, which can be taken back', async (t) => {
  const steps = Array.from({ length: 44 }, (_, i) => `${i + 1}. Check locker ${i + 1} and sign the list of the mate`)
  const folio = await newFolio(base, steps.join('\n'))
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript li')
  await b.saved()
  await b.pick('button[aria-label^="Read the passage that begins here"]')
  await (await b.still('article[data-kind=process] [data-arrangement=down]')).click()
  await b.pick('figure[data-figure] figcaption a')
  await b.pick('[aria-label="Frame"] option[value="slide-16x9"]')
  await b.click('continue it on several figures')
  const told = await b.text('//*[@role="status"]//span[contains(., "continued figures stand beside it")]')
  const count = Number(told.split(' ')[0])
  assert.ok(count > 1, told)
  await b.saved()
  const { doc } = client(t, base, folio)
  const figures = doc.getMap('figures')
  await eventually('they are in the folio', 5000, () => figures.size === 1 + count)
  await b.click('Take them back')
  await eventually('they are gone', 5000, () => figures.size === 1)
  assert.deepEqual(await b.complaints(), [])
})
