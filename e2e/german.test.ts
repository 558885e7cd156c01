/** The interface in another language: chosen in the settings, told on every page, with nothing of the first one left. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { after, before, test } from 'node:test'
import { sql } from 'kysely'
import { database, pool } from '../src/server/database'
import { catalogueOf } from '../src/server/words'
import { axeViolations, eventually, openBrowser, sleep, startServer, By, Key, type Browser } from './support'

const base = 'http://localhost:4153'
let server: ChildProcess
let b: Browser
/** One of the demo's, which has figures. */
let folio = ''

before(async () => {
  ;[server, b] = await Promise.all([startServer(4153, { IDLE_COMPASS_HINTS: 'on' }), openBrowser(base)])
  const { id } = await database()
    .selectFrom('folio')
    .select('id')
    .where(sql<string>`summary ->> 'title'`, '=', 'Departing in fog')
    .executeTakeFirstOrThrow()
  folio = `${base}/folio/${id}`
})
after(async () => {
  await b?.close()
  server.kill('SIGKILL')
  await pool().end()
})

/** English sentences without holes that are other ones in German: where one of these stands, a catalogue was not asked. */
const english = Object.entries(catalogueOf('de'))
  .filter(([says, german]) => !says.includes('{') && says !== german && /[a-z]{3}/.test(says))
  .map(([says]) => says)

/** Those that stand on the page, as text or as a name of something; figures and manuscripts are the writer's. */
const left = (): Promise<string[]> =>
  b.driver.executeScript(
    `const known = new Set(arguments[0]), own = '.manuscript, svg, pre, [data-own], option[value^="own-"]'
     const found = []
     const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
     for (let n = walk.nextNode(); n; n = walk.nextNode())
       if (!n.parentElement.closest('script, style, ' + own) && known.has(n.data.trim())) found.push(n.data.trim())
     for (const e of document.querySelectorAll('[aria-label], [title], [placeholder]'))
       for (const a of ['aria-label', 'title', 'placeholder'])
         if (!e.closest(own) && known.has((e.getAttribute(a) ?? '').trim())) found.push(a + ': ' + e.getAttribute(a))
     if (known.has(document.title.split(' · ')[0])) found.push(document.title)
     return [...new Set(found)]`,
    english,
  )

const seen = async (name: string) => {
  await sleep(350)
  await b.shot(`german-${name}`)
  assert.deepEqual(await left(), [], name)
}

test('somebody who chooses German gets it on every page, and nothing of English is left', async () => {
  await b.driver.get(`${base}/account`)
  await (await b.find('//label[contains(., "Language of the interface")]//select')).sendKeys('Deutsch')
  await b.find('//h2[normalize-space(.)="Einstellungen"]')
  await seen('account')
  assert.equal(await (await b.find('html')).getAttribute('lang'), 'de')
  for (const page of [
    '',
    'patterns',
    'help/begin',
    'help/together',
    'sign-in',
    'sign-in/password',
    'outbox',
    '?in=bin',
  ]) {
    await b.driver.get(`${base}/${page}`)
    await b.find('main')
    await seen(page.replace(/\W/g, '-') || 'shelf')
  }
  assert.deepEqual(await axeViolations(b.driver), [])
})

test('a place says what can be done there at its first use, and never again', async () => {
  const hints = async () => (await b.driver.findElements(By.css('aside[aria-label=Hinweis]'))).length
  // The pages above were each used once; the folio was not.
  await b.driver.get(folio)
  await b.find('aside[aria-label=Hinweis]')
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.driver.get(base)
  await b.find('main li a[href^="/folio/"]')
  await sleep(600)
  assert.equal(await hints(), 0, 'the shelf was seen')
  await b.driver.executeScript('localStorage.clear()')
  await b.driver.get(folio)
  await b.find('[data-figure] svg')
  await sleep(600)
  assert.equal(await hints(), 0, 'the account knows')
})

test('a folio is read, dressed, shared and delivered in German', async () => {
  await b.driver.get(folio)
  await b.find('[data-figure] svg')
  await b.find('//*[@data-sync="saved" and normalize-space(.)="Gesichert"]')
  await seen('folio')
  await b.pick('.manuscript li, .manuscript p')
  await (await b.find('.manuscript')).sendKeys(Key.chord(Key.CONTROL, Key.ENTER))
  await b.find('article[data-kind]')
  await seen('readings')
  await b.driver.actions().sendKeys(Key.ESCAPE).perform()
  for (const [open, close] of [
    ['Folio einkleiden', 'Lassen, wie es ist'],
    ['Folio teilen', null],
    ['Folio ausgeben', null],
  ] as const) {
    await b.click(open)
    await b.find('[role=dialog]')
    await seen(open.replace(/\W/g, '-'))
    if (close) await b.click(close)
    else await b.driver.actions().sendKeys(Key.ESCAPE).perform()
    await eventually(
      'it is closed',
      5000,
      async () => (await b.driver.findElements(By.css('[role=dialog]'))).length === 0,
    )
  }
})

test('a figure is shaped in German, in every panel', async () => {
  await b.pick('[data-figure] a')
  await b.find('[data-stage] svg [data-node], [data-stage] svg')
  await seen('bench')
  await b.pick('//*[@role="tab" and normalize-space(.)="Tabelle"]')
  await b.find('[data-node-table]')
  await seen('table')
  await (await b.find('[data-stage]')).sendKeys(Key.ARROW_RIGHT)
  await seen('node')
  for (const [key, panel] of [
    ['v', 'Fassungen'],
    ['d', 'Ausgeben'],
    ['r', 'Anmerkungen'],
  ] as const) {
    await b.driver.actions().keyDown(Key.ALT).sendKeys(key).keyUp(Key.ALT).perform()
    await b.find(`//aside[@aria-label="${panel}"]`)
    await seen(panel)
  }
  assert.deepEqual(await b.complaints(), [])
})
