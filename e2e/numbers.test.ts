/** Stories of figures that compute, and of the proof that looks at them before they go out. */
import assert from 'node:assert/strict'
import { test } from 'node:test'
import { newSharedFigure } from '../src/core/document'
import type { Figure } from '../src/core/figure'
import { sketch } from '../src/core/testing/sketch'
import { changeDocument } from '../src/server/appendUpdate'
import { Key, axeViolations, eventually, newFolio, type Browser } from './support'
import { stage } from './stage'
import { tested } from './tested'

let b: Browser
let s: ReturnType<typeof stage>
const { base } = tested(4133, (browser) => {
  b = browser
  s = stage(b, 'http://localhost:4133')
})
const quiet = async () => assert.deepEqual(await b.complaints(), [])

/** A folio with these figures beside its text. */
async function folioOf(text: string, figures: Readonly<Record<string, Figure>>): Promise<string> {
  const folio = await newFolio(base, text)
  await changeDocument(folio, (doc) => {
    for (const [id, f] of Object.entries(figures)) doc.getMap('figures').set(id, newSharedFigure({ ...f, id }))
  })
  return folio
}

test('the proof is opened, three faults are mended by a click, one is set aside and stays so', async () => {
  const folio = await folioOf('# Boarding\n\nFigure 1 shows it; figure 7 does not.', {
    boarding: sketch(
      'process title=Boarding; s start Ferry in sight; a step Lower the ramp; q question Is the ramp wet?; b step Load the cars; d step Wait for the tide; e step count them; g step Close the gate; h end Sail; x step Spread sand; s>a; a>q; q>b no; q>d yes; b>e; e>g; g>h; g>h; x>b',
    ),
  })
  await b.driver.get(`${base}/folio/${folio}/figure/boarding`)
  const counted = (n: number) =>
    b.find(`//nav[@aria-label='Stages']//button[normalize-space()='Proof${n ? ` (${n})` : ''}']`)
  await (await counted(4)).click()
  await b.find("//aside[@aria-label='Proof']//h3[contains(., 'Wrong')]")
  const texts = () => b.driver.executeScript<string>("return document.querySelector('[aria-label=Proof]').innerText")
  assert.match(await texts(), /Nothing leads to “Spread sand”/)
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Make it an end')
  await counted(3)
  await b.click('Keep one of them')
  await counted(2)
  await b.click('With a capital')
  await counted(1)
  await s.drawn('Count them')
  // What is mended is an edit like any other.
  await b.chord([Key.CONTROL], 'z')
  await counted(2)
  await b.chord([Key.CONTROL, Key.SHIFT], 'z')
  await counted(1)
  await b.click('Set aside …')
  await b.press('Sand comes from the shore', Key.ENTER)
  await counted(0)
  await b.saved()
  await b.driver.get(`${base}/folio/${folio}`)
  // What is wrong with the text is found beside it.
  await (await b.find("//button[normalize-space()='Proof (1)']")).click()
  await b.find("//*[@role='dialog'][contains(., 'The text speaks of figure 7; there are 1.')]")
  await (await b.find("//summary[contains(., 'Set aside (1)')]")).click()
  await b.find("//*[@role='dialog'][contains(., 'Because: Sand comes from the shore')]")
  assert.deepEqual(await axeViolations(b.driver), [])
  await b.click('Take it up again')
  await eventually('it counts again', 5000, async () =>
    (await b.driver.executeScript<string>('return document.body.innerText')).includes('Wrong (2)'),
  )
  await quiet()
})
