import { after, before } from 'node:test'
import { openBrowser, startServer, type Browser } from './support'

/** A server on a port of its own and a browser that is open on it, for all tests of a file; both are gone afterwards.
 *  `first` is what must be there before the server starts. */
export function tested(
  port: number,
  opened: (browser: Browser) => void,
  first?: () => Promise<void>,
): { readonly base: string } {
  const base = `http://localhost:${port}`
  const ends: (() => unknown)[] = []
  before(async () => {
    await first?.()
    const server = await startServer(port)
    ends.push(() => server.kill('SIGKILL'))
    const browser = await openBrowser(base)
    ends.unshift(() => browser.close())
    opened(browser)
  })
  after(async () => {
    for (const end of ends) await end()
  })
  return { base }
}
