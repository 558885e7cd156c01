/** The bench as a person uses it in the browser: what is drawn, rows, the table, the hand on the stage. */
import { Key, By, eventually, newFolio, sleep, type Browser } from './support'

type Box = { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
type Spot = { readonly x: number; readonly y: number }

export function stage(b: Browser, base: string) {
  const shown = () => b.nodesShown('[data-scale]')
  const boxOf = async (words: string): Promise<Box> =>
    eventually(`“${words}” is drawn`, 5000, () =>
      b.driver.executeScript<Box | null>(
        `const g = [...document.querySelectorAll('[data-scale] g[data-part]')].find((g) => [...g.querySelectorAll('text')].map((t) => t.textContent).join(' ') === arguments[0]); if (!g) return null; const r = g.getBoundingClientRect(); return { x: r.x, y: r.y, width: r.width, height: r.height }`,
        words,
      ),
    )
  const middleOf = async (words: string): Promise<Spot> => {
    // Where it stands once it has come to rest.
    let before = ''
    const r = await eventually(`“${words}” stands still`, 8000, async () => {
      const now = await boxOf(words)
      const same = JSON.stringify(now) === before
      before = JSON.stringify(now)
      if (!same) await sleep(60)
      return same && now
    })
    return { x: Math.round(r.x + r.width / 2), y: Math.round(r.y + r.height / 2) }
  }
  /** Presses, moves in several steps, lets go. */
  const drag = async (from: Spot, to: Spot, modifier?: string) => {
    const hand = b.driver.actions({ async: true })
    if (modifier) hand.keyDown(modifier)
    hand.move({ ...from }).press()
    for (let i = 1; i <= 6; i++)
      hand.move({
        x: Math.round(from.x + ((to.x - from.x) * i) / 6),
        y: Math.round(from.y + ((to.y - from.y) * i) / 6),
        duration: 25,
      })
    hand.release()
    if (modifier) hand.keyUp(modifier)
    await hand.perform()
  }
  const handle = async (name: string): Promise<Spot> => {
    const r = await eventually(`there is a handle ${name}`, 4000, () =>
      b.driver.executeScript<Box | null>(
        `const e = document.querySelector('[data-handle^="' + arguments[0] + '"]'); if (!e) return null; const r = e.getBoundingClientRect(); return { x: r.x, y: r.y, width: r.width, height: r.height }`,
        name,
      ),
    )
    return { x: Math.round(r.x + r.width / 2), y: Math.round(r.y + r.height / 2) }
  }
  return {
    shown,
    boxOf,
    middleOf,
    drag,
    handle,
    drawn: (words: string, ms = 5000) =>
      eventually(`“${words}” is drawn`, ms, async () => (await shown()).includes(words)),
    /** A folio with this text, its whole text taken as a figure of a kind, on the bench. */
    open: async (text: string, kind: string): Promise<string> => {
      const folio = await newFolio(base, text)
      await b.driver.get(`${base}/folio/${folio}`)
      await b.find('.manuscript p, .manuscript li')
      await b.saved()
      await b.driver.executeScript(
        `const e = document.querySelector('.manuscript'); e.focus(); getSelection().selectAllChildren(e)`,
      )
      await b.driver.executeScript(`document.querySelector('[title^="Read the marked"]').click()`)
      await b.find(`article[data-kind=${kind}] [data-arrangement] svg`)
      await b.driver.executeScript(`document.querySelector('article[data-kind=${kind}] [data-arrangement]').click()`)
      // Its picture moves what stands below it.
      await b.find('figure[data-figure] svg text')
      await b.driver.executeScript(`document.querySelector('figure[data-figure] figcaption a').click()`)
      await b.find('[data-scale] g[data-part] text')
      await b.saved()
      return folio
    },
    /** A figure made by hand in a new folio. */
    blank: async (): Promise<string> => {
      const folio = await newFolio(base, 'Rows to come')
      await b.driver.get(`${base}/folio/${folio}`)
      await b.find('.manuscript p')
      await b.saved()
      await b.click('Make a figure by hand')
      await b.find('[aria-label="Node table"]')
      return folio
    },
    click: async (words: string) => {
      await b.driver
        .actions()
        .move({ ...(await middleOf(words)) })
        .click()
        .perform()
    },
    /** The rows of the outline, as they read. */
    outline: () =>
      b.driver.executeScript<string[]>(
        `return [...document.querySelectorAll('[aria-label=Outline] [data-row]')].map((e) => ({ node: '', branch: '= ', goTo: '> ', region: '# ', statement: '- ', detail: '( ' })[e.dataset.row] + e.innerText.replace(/\\s+/g, ' ').trim())`,
      ),
    row: async (words: string) => {
      await (
        await b.find(`//ul[@aria-label='Outline']//button[@data-row][contains(., ${JSON.stringify(words)})]`)
      ).click()
    },
    tab: async (name: string) => {
      await b.pick(`//button[@role='tab'][.='${name}']`)
    },
    /** The cells of the table, row by row. */
    cells: () =>
      b.driver.executeScript<string[][]>(
        `return [...document.querySelectorAll('[aria-label="Node table"] [role=row]')].slice(1).map((r) => [...r.querySelectorAll('[role=gridcell]')].map((c) => c.innerText.trim()))`,
      ),
    pasteRows: async (rows: string) => {
      await b.paste('[aria-label="Node table"]', { 'text/plain': rows })
    },
    retype: async (words: string, ...then: string[]) => {
      await b.chord([Key.CONTROL], 'a')
      await b.press(words, ...then)
    },
    faults: async () => (await b.driver.findElements(By.css('[role=alert]'))).length,
  }
}
