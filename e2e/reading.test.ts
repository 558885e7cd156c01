/** Texts read in a real browser: what is offered, why, what is doubted, and what no figure can be made of. */
import assert from 'node:assert/strict'
import { test } from 'node:test'
import { propose } from '../src/core/propose'
import { readText } from '../src/core/reading'
import { corpus, passagesOfOthers } from '../src/core/testing/corpus'
import { shippedLexicon } from '../src/server/lexicon'
import { Key, eventually, newFolio, type Browser } from './support'
import { tested } from './tested'

let b: Browser
const { base } = tested(4125, (browser) => (b = browser))

test('ugly input: 5 MB paste, a sentence without end, a long list, controls, right to left', async () => {
  const folio = await newFolio(base, 'Start')
  await b.complaints()
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  await b.saved()
  await b.driver.executeScript(
    `const e = document.querySelector('.manuscript'); e.focus(); const t = new DataTransfer(); t.setData('text/plain', 'word '.repeat(1000000)); e.dispatchEvent(new ClipboardEvent('paste', { clipboardData: t, bubbles: true, cancelable: true }))`,
  )
  await b.find(`//*[@role='status'][contains(., '5,000,000 characters')]`)
  const end = () =>
    b.driver.executeScript(
      `const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.selectAllChildren(e.lastElementChild); s.collapseToEnd()`,
    )
  for (const text of [
    `${'check the ramp and '.repeat(530)}`,
    Array.from({ length: 2000 }, (_, i) => `${i + 1}. Check locker ${i + 1}`).join('\n'),
    'Mind\u0000 the\u0007 gap\ud800 please',
    'تحقق من المنحدر قبل الإبحار',
  ]) {
    await end()
    await b.paste('.manuscript', { 'text/plain': text })
  }
  await b.paste('.manuscript', {
    'text/html':
      '<script>window.hit = 1</script><p onclick="x()" style="mso-list:l0 level1 lfo1">1. <b>First</b> locker</p><p style="mso-list:l0 level1 lfo1">2. Second <img src=x onerror="window.hit = 1"> locker</p>',
  })
  await eventually(
    'all is there',
    20_000,
    async () =>
      (await b.driver.executeScript<number>(`return document.querySelectorAll('.manuscript li').length`)) >= 2001,
  )
  await b.saved()
  await end()
  await b.press(' still usable')
  await eventually('typing works', 5000, () =>
    b.driver.executeScript<boolean>(
      `return document.querySelector('.manuscript').textContent.includes('still usable')`,
    ),
  )
  await b.saved()
  assert.equal(await b.driver.executeScript('return window.hit ?? null'), null)
  // The policy says of the pasted handlers that it would have stopped them; nothing else is complained of.
  assert.deepEqual(
    (await b.complaints()).filter((c) => !c.includes('Executing inline event handler violates')),
    [],
  )
  assert.equal(
    await b.driver.executeScript(`return /[\\u0000\\u0007]/.test(document.querySelector('.manuscript').textContent)`),
    false,
  )
})

test('text that is no figure is told so, with what would help; pointing lights words and nodes both ways', async () => {
  const folio = await newFolio(
    base,
    'The berth at Port Lorne is sheltered from the west. Visitors like the view.\n\nFirst check the lines. Then lower the ramp. Finally, wave the cars on.',
  )
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  const caretIn = (i: number) =>
    b.driver.executeScript(
      `const s = getSelection(), e = document.querySelector('.manuscript'); e.focus(); s.collapse(e.children[arguments[0]].firstChild, 3)`,
      i,
    )
  await caretIn(0)
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find(`//h2[contains(., 'Nothing here reads as a figure')]`)
  await b.press(Key.ESCAPE)
  await b.find('button[aria-label^="Read the passage that begins here"]')
  await caretIn(1)
  await b.chord([Key.CONTROL], Key.ENTER)
  await b.find('article[data-kind=process] [data-arrangement=across] svg')
  const node = await b.find('article[data-kind=process] [data-arrangement=down] g[data-part]:last-of-type path')
  await b.driver.actions().move({ origin: node }).perform()
  assert.match(await b.text('.words-lit'), /wave the cars on|lower the ramp|check the lines/)
  const words = await b.driver.executeScript<{ x: number; y: number }>(
    `const p = document.querySelectorAll('.manuscript p')[1].getBoundingClientRect(); return { x: p.x + 60, y: p.y + 12 }`,
  )
  await b.driver
    .actions()
    .move({ x: Math.round(words.x), y: Math.round(words.y) })
    .perform()
  await b.find('article[data-kind=process] g.lit')
})

/** Marks the whole manuscript, as a person does with the mouse. */
const markAll = () =>
  b.driver.executeScript(
    `const m = document.querySelector('.manuscript'), w = document.createTreeWalker(m, NodeFilter.SHOW_TEXT); let first = null, last = null; while (w.nextNode()) { first ??= w.currentNode; last = w.currentNode } m.focus(); getSelection().setBaseAndExtent(first, 0, last, last.length)`,
  )
const openFolio = async (text: string) => {
  await b.driver.get(`${base}/folio/${await newFolio(base, text)}`)
  await b.find('.manuscript p')
  await b.saved()
}

test('five texts of five kinds: the right reading first, with reasons, pictures and the count of what is in it', async () => {
  const texts: Record<string, string> = {
    hierarchy:
      'The mate and the purser report to the master. The bosun answers to the mate. The purser supervises the stewards and the cook.',
    venn: 'Teal and Eider both carry cars and lorries. Only Teal has a lift for wheelchairs. Eider, by contrast, has a stern ramp.',
    concept:
      'Fog reduces visibility. Poor visibility delays sailings. Delays cause complaints, and announcements reduce complaints.',
    decision:
      'We can charter a spare boat or cancel the late sailing. Chartering costs 900 and there is a 20% chance that the boat is late. Cancelling costs 2,500 in fares.',
    process:
      'First the purser writes the notice. Then the master approves it. If the delay is long, the office offers a refund. Finally the purser reads it aloud.',
  }
  for (const [kind, text] of Object.entries(texts)) {
    await openFolio(text)
    await markAll()
    const first = await b.find('article[data-kind]')
    assert.equal(await first.getAttribute('data-kind'), kind, text)
    await b.find(`article[data-kind=${kind}] [data-arrangement] svg text`)
    assert.match(await first.getText(), /All \d+ words|\d+ of \d+ words/)
    assert.ok((await b.nodesShown(`article[data-kind=${kind}] [data-arrangement]`)).length > 2, kind)
  }
  assert.deepEqual(await b.complaints(), [])
})

test('a doubt is answered and what was left out is taken in, each by a click that changes the figure', async () => {
  await openFolio(
    'Check the ramp. If the ramp is wet, spread sand. Tell the bridge. The ramp was built in 1998. Load the cars.',
  )
  await markAll()
  const article = 'article[data-kind=process]'
  await b.find(`${article} [data-arrangement=down] svg text`)
  const drawn = () =>
    b.driver.executeScript<string>(
      `return document.querySelector(arguments[0] + ' [data-arrangement=down] svg').outerHTML`,
      article,
    )
  const before = await drawn()
  assert.match(await b.text(`${article} [data-doubt]`), /Ramp is wet.*Tell the bridge.*in any case/)
  await b.click('Only if yes')
  await eventually('the picture changes', 5000, async () => (await drawn()) !== before)
  assert.equal(await b.count(`${article} [data-doubt]`), 0)

  // Read anew, the question is not put again; taken back, it is.
  await b.saved()
  await b.driver.navigate().refresh()
  await b.find('.manuscript p')
  await markAll()
  await b.find(`${article} [data-arrangement=down] svg text`)
  assert.match(await b.text(`${article} [data-answered]`), /in any case\? Only if yes, kept for this folio/)
  assert.equal(await b.count(`${article} [data-doubt]`), 0)
  await b.click('Ask again')
  await b.find(`${article} [data-doubt]`)
  assert.equal(await b.count(`${article} [data-answered]`), 0)
  await b.click('Only if yes')
  await eventually('the answer counts again', 5000, async () => (await drawn()) !== before)

  const answered = await drawn()
  assert.match(await b.text(`${article} summary`), /Left out: \d words in 1 place/)
  await b.pick(`${article} summary`)
  assert.match(await b.text(`${article} details`), /tells what was or has been/)
  await b.click('Take in “The ramp was built in 1998”')
  await eventually(
    'the step is there',
    5000,
    async () =>
      (await drawn()) !== answered &&
      (await b.nodesShown(`${article} [data-arrangement=down]`)).some((n) => n.includes('built in 1998')),
  )
  assert.equal(await b.count(`${article} details`), 0)
  await (await b.still(`${article} [data-arrangement=down]`)).click()
  await b.find('figure[data-figure] svg')
  assert.ok((await b.nodesShown('figure[data-figure]')).some((n) => n.includes('built in 1998')))

  // On the bench: said in words, understood, done, and taken back.
  await b.saved()
  await b.pick('figure[data-figure] figcaption a')
  const field = await b.find("//label[contains(., 'Say what to change')]//input")
  await field.sendKeys('after "Spread sand" add "Sound the horn"')
  await b.find("//button[contains(., 'Insert the step “Sound the horn” after “Spread sand”')]")
  await field.sendKeys(Key.ENTER)
  await b.find("//button[@data-row='node'][contains(., 'Sound the horn')]")
  await b.click('Undo')
  await eventually(
    'it is taken back',
    5000,
    async () =>
      (await b.driver.findElements({ xpath: "//button[@data-row='node'][contains(., 'Sound the horn')]" })).length ===
      0,
  )
  assert.deepEqual(await b.complaints(), [])
})

test('a brief becomes a first text with visible gaps, which reads as it was meant to', async () => {
  await b.driver.get(base)
  await b.click('New folio')
  await (await b.find("//label[contains(., 'Name the topic')]//input")).sendKeys('Mooring at night')
  await b.click('Draft a text with gaps')
  const area = await b.find('textarea')
  await eventually('the draft', 5000, async () => ((await area.getAttribute('value')) ?? '').includes('[whom?]'))
  await b.click('Make the folio')
  await b.find('.manuscript ol li')
  assert.match(await b.text('.manuscript h1'), /Mooring at night/)
  await markAll()
  assert.equal(await (await b.find('article[data-kind]')).getAttribute('data-kind'), 'process')
})

test('the worker reads as Node does, to the byte: passages of the corpus, and others’ where they are at hand', async () => {
  const own = corpus().map((g) => g.text)
  const some = (from: readonly string[], n: number) => from.filter((_, i) => i % Math.ceil(from.length / n) === 0)
  const passages = [...some(own, 60), ...some(passagesOfOthers(), 100)]
  await b.driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', {
    source: `const Plain = Worker; window.started = []; window.Worker = class extends Plain { constructor(...a) { super(...a); window.started.push(this) } }`,
  })
  await b.driver.get(`${base}/folio/${await newFolio(base, 'Start')}`)
  await eventually('the worker is there', 20_000, () => b.driver.executeScript<boolean>('return started.length > 0'))
  const lexicon = shippedLexicon()
  for (const [i, text] of passages.entries()) {
    // A message as the page's own client sends it.
    const inWorker = await b.driver.executeAsyncScript<string>(
      `const done = arguments[arguments.length - 1], [text, id] = arguments, worker = started[0]
       const hear = (e) => { if (e.data.id === id) { worker.removeEventListener('message', hear); done(JSON.stringify(e.data.value.readings ?? e.data.value)) } }
       worker.addEventListener('message', hear)
       worker.postMessage({ id, type: 'APPLY', path: ['read'], argumentList: [{ type: 'RAW', value: text }] })`,
      text,
      `same-${i}`,
    )
    const inNode = JSON.stringify(propose(readText(text, lexicon)))
    const at = [...inNode].findIndex((c, k) => c !== inWorker[k])
    assert.ok(inNode === inWorker, `${text.slice(0, 60)}: ${inNode.slice(at - 40, at + 40)}`)
  }
  assert.ok(passages.length >= 50)
})
