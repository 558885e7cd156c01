/** Shelves in the real interface: many folios, found by their words, moved, binned and taken back. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { after, before, test } from 'node:test'
import { pool } from '../src/server/database'
import { makeFolio } from '../src/server/folios'
import { DEMO_PERSON } from '../src/server/people/signedIn'
import { found } from '../src/server/search'
import { axeViolations, eventually, openBrowser, startServer, By, Key, type Browser } from './support'

const base = 'http://localhost:4147'
let server: ChildProcess
let b: Browser

before(async () => {
  ;[server, b] = await Promise.all([startServer(4147), openBrowser(base)])
})
after(async () => {
  await b?.close()
  server.kill('SIGKILL')
  await pool().end()
})

const card = (title: string) => b.find(`//main//li[.//h2[normalize-space(.)="${title}"]]`)
const more = async (title: string, what: string) => {
  await (await b.button(`More for “${title}”`)).click()
  await (
    await b.find(
      `//*[@role="menuitem" and normalize-space(.)="${what}"] | //*[@role="menu"]//button[normalize-space(.)="${what}"]`,
    )
  ).click()
}

test('a passage among many folios is found by the beginnings of its words, fast, and a figure with its picture', async () => {
  const ports = ['Skerry', 'Brannoch', 'Holm', 'Vaila', 'Teal Sound']
  for (let i = 0; i < (process.env.SWEEP ? 1000 : 120); i++)
    await makeFolio(
      DEMO_PERSON.id,
      `Notice ${i}`,
      `# Notice ${i}\n\nThe ${ports[i % 5]} berth is closed on day ${i}.\n\n- ramp ${i}\n- lamp ${i % 7}`,
    )
  await makeFolio(DEMO_PERSON.id, 'Lost property', 'An umbrella with a heron’s head was found under bench nine.')
  const hits = await found(DEMO_PERSON.id, 'umbr heron')
  assert.deepEqual(
    hits.map((h) => h.title),
    ['Lost property'],
  )
  assert.deepEqual(await found('nobody', 'umbrella'), [])
  await b.driver.get(base)
  await (await b.find('#search')).sendKeys('umbr heron', Key.ENTER)
  const marks = await eventually('the words are marked', 8000, async () => {
    const list = await b.driver.findElements(By.css('mark'))
    return list.length > 1 && Promise.all(list.map((m) => m.getText()))
  })
  assert.deepEqual(marks, ['umbrella', 'heron'])
  await b.shot('search')
  await b.driver.get(`${base}/?q=moorings`)
  await b.find('[aria-label=Found] img')
  assert.deepEqual(await axeViolations(b.driver), [])
})

test('a shelf is made, a folio is copied, moved there, marked, binned and taken back, by its menu', async () => {
  await b.driver.get(base)
  await b.click('New shelf')
  await (await b.find('[aria-label="Name of the shelf"]')).sendKeys('Winter timetable', Key.ENTER)
  await b.find('//h1[normalize-space(.)="Winter timetable"]')
  await b.driver.get(base)
  await more('Notice 119', 'Make a copy')
  await card('Notice 119, copy')
  await more('Notice 119, copy', 'Move to “Winter timetable”')
  await eventually(
    'it is gone from here',
    5000,
    async () => (await b.driver.findElements(By.xpath('//h2[normalize-space(.)="Notice 119, copy"]'))).length === 0,
  )
  await b.pick('//nav[@aria-label="Shelves"]//a[contains(., "Winter timetable")]')
  await card('Notice 119, copy')
  await more('Notice 119, copy', 'Mark as a favourite')
  await b.find('[aria-label=Favourite]')
  await b.shot('shelf')
  assert.deepEqual(await axeViolations(b.driver), [])
  await more('Notice 119, copy', 'Delete')
  await b.pick('//nav[@aria-label="Shelves"]//a[contains(., "Bin")]')
  await b.find('//h1[normalize-space(.)="Bin"]')
  await card('Notice 119, copy')
  await b.click('Take it back')
  await b.pick('//nav[@aria-label="Shelves"]//a[contains(., "Favourites")]')
  await b.find('//h1[normalize-space(.)="Favourites"]')
  await card('Notice 119, copy')
  assert.deepEqual(await b.complaints(), [])
})

test('a folio begins with a worked pattern, its figure beside it; one of one’s own is kept and looked for', async () => {
  await b.driver.get(`${base}/patterns`)
  await b.find('[aria-label=Patterns] svg')
  assert.equal((await b.driver.findElements(By.css('[aria-label=Patterns] > li'))).length, 24)
  await b.shot('patterns')
  assert.deepEqual(await axeViolations(b.driver), [])
  await (await b.find('[aria-label="Search the patterns"]')).sendKeys('watch log')
  await (await b.find('[aria-label="What it is about"]')).sendKeys('Night watch on the Teal')
  await b.click('Begin with “Handover of a watch”')
  await b.saved()
  await b.find('[data-figure] svg')
  assert.match(await b.text('.manuscript'), /Night watch on the Teal/)
  await b.driver.get(base)
  await more('Night watch on the Teal', 'Keep as a pattern')
  await eventually('it is kept', 5000, async () => (await b.text('body')).includes('stands among the worked patterns'))
  await b.driver.get(`${base}/patterns`)
  await b.button('Remove “Night watch on the Teal”')
  assert.deepEqual(await b.complaints(), [])
})

test('a folio is held against how it stood, and restored with the reason', async () => {
  const id = await makeFolio(
    DEMO_PERSON.id,
    'Issue of March',
    '# Issue of March\n\nThe mate checks the ramp.\n\nThe bosun counts.',
  )
  await b.driver.get(`${base}/folio/${id}`)
  await b.saved()
  await b.click('Versions')
  await b.find('//*[@role="dialog"]//p[normalize-space(.)="The same words as now."]')
  await (await b.find('[role=dialog] [name=name]')).sendKeys('As it was read', Key.ENTER)
  await b.find('//*[@role="dialog"]//li//button[contains(., "As it was read")]')
  await b.driver.actions().sendKeys(Key.ESCAPE).perform()
  await b.pick('.manuscript')
  await (await b.find('.manuscript')).sendKeys(Key.chord(Key.CONTROL, 'a'), 'All gone.')
  await b.saved()
  await b.click('Versions')
  await b.pick('//*[@role="dialog"]//li//button[contains(., "As it was read")]')
  await b.find('//*[@role="dialog"]//p[contains(., "The bosun counts.")]')
  await b.shot('versions')
  assert.deepEqual(await axeViolations(b.driver), [])
  await (await b.find('[role=dialog] [name=why]')).sendKeys('It was cleared by mistake', Key.ENTER)
  await eventually('the words are back', 8000, async () => (await b.text('.manuscript')).includes('The bosun counts.'))
  await b.saved()
  await b.click('Versions')
  await b.find('//*[@role="dialog"]//li//*[contains(., "Restored: It was cleared by mistake")]')
  await b.driver.actions().sendKeys(Key.ESCAPE).perform()
})
