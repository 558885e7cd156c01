/** Another reader, configured as a deployment would: asked only on a click, held against the words, told apart from our own. */
import assert from 'node:assert/strict'
import { readFileSync } from 'node:fs'
import { after, test } from 'node:test'
import { Key, axeViolations, eventually, newFolio, type Browser } from './support'
import { localService, type LocalService } from '../src/server/testing/localService'
import { tested } from './tested'

const recorded = (name: string) => readFileSync(`src/server/services/recorded/${name}.json`, 'utf8')
const { passage } = JSON.parse(recorded('passage')) as { passage: string }

let service: LocalService
let answer = recorded('good')
let asked = 0
const configured = async () => {
  service = await localService((_request, _body, response) => {
    asked++
    response.writeHead(answer === '' ? 503 : 200).end(answer)
  })
  process.env.READER_URL = service.url
  process.env.READER_NAME = 'Harbour reader'
}
after(() => service.close())
let b: Browser
const { base } = tested(4130, (browser) => (b = browser), configured)

test('what another reader gives stands beside our readings, named, checked, and can be chosen', async () => {
  const folio = await newFolio(base, passage)
  await b.driver.get(`${base}/folio/${folio}`)
  await b.find('.manuscript p')
  await b.saved()
  await b.driver.executeScript(`document.querySelector('.manuscript').focus()`)
  await b.chord([Key.CONTROL], 'a')
  await b.chord([Key.CONTROL], Key.ENTER)
  const own = () => b.count('article[data-kind]:not([data-by])')
  await eventually('our own readings', 20_000, async () => (await own()) > 0)
  const before = await own()
  assert.equal(asked, 0, 'nothing leaves the server before somebody asks')

  await b.click('Ask Harbour reader')
  await b.find('article[data-by="Harbour reader"][data-kind="process"] g[data-part]')
  assert.equal(await own(), before)
  assert.equal(asked, 1)
  assert.equal(await b.text('article[data-by][data-kind="process"] h3'), 'Process, read by Harbour reader')
  const shown = await b.nodesShown('article[data-by][data-kind="process"] [data-arrangement]')
  assert.ok(shown.includes('Hold the sailing') && shown.includes('Cast off'), shown.join(' | '))
  assert.deepEqual(await axeViolations(b.driver), [])

  await b.click('Take out “Who reports to whom”')
  await eventually('the added node is gone', 10_000, async () => {
    const nodes = await b.nodesShown('article[data-by][data-kind="hierarchy"]')
    return nodes.length > 0 && !nodes.some((n) => n.includes('Who reports'))
  })

  answer = recorded('wrong')
  await b.click('Ask Harbour reader again')
  await b.find(`//summary[.='Refused: 2 figures']`).then((s) => s.click())
  await b.find(`//li[contains(., 'Decision: “the channel is clear”: it leaves out a word that turns it round')]`)

  answer = ''
  await b.click('Ask Harbour reader again')
  await b.find(`//*[@role='alert'][contains(., 'Harbour reader read nothing: it answered with status 503')]`)
  assert.equal(await own(), before)

  answer = recorded('good')
  await b.click('Ask Harbour reader')
  await b.find('article[data-by][data-kind="process"] g[data-part]')
  // A new answer stands as it was given, whatever was taken out of the one before it.
  await b.button('Take out “Who reports to whom”')
  await eventually('the added node is there again', 10_000, async () =>
    (await b.nodesShown('article[data-by][data-kind="hierarchy"]')).some((n) => n.includes('Who reports')),
  )
  await (await b.still('article[data-by][data-kind="process"] [data-arrangement]')).click()
  await b.find(`//*[@role='status'][contains(., 'The figure stands beside its passage')]`)
  await b.saved()
})
