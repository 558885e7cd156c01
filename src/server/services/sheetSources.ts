/** Sheets at addresses that a deployment configures, fetched anew whenever somebody asks. People choose among their names;
 *  nobody gives an address, so the server is no way into the network it stands in. */
import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { log } from '../log'
import { answered, headersSetting, jsonSetting, whyUnreached } from './jsonService'

const MOST_BYTES = 20_000_000

const settings = z.object({
  /** Address by name: `{"Berth times": "https://reports.ferries.example/berths.csv"}`. */
  SHEETS: jsonSetting.pipe(z.record(z.string().trim().min(1).max(60), z.url({ protocol: /^https?$/ }))).default({}),
  SHEETS_HEADERS: headersSetting,
  SHEETS_TIMEOUT_MS: z.coerce.number().int().min(100).max(120_000).default(20_000),
})

export type SheetSources = {
  readonly names: readonly string[]
  /** The bytes that lie there now: CSV, XLSX or ODS. */
  readonly fetched: (name: string) => Promise<Buffer | Problem>
}

/** Those of the settings; none where they are wrong, which the log says. */
export function sheetSources(env: Readonly<Record<string, string | undefined>>): SheetSources {
  const parsed = settings.safeParse(env)
  if (!parsed.success)
    log.error({ why: z.prettifyError(parsed.error) }, 'the settings of the sheets are wrong; they are left out')
  const { SHEETS = {}, SHEETS_HEADERS = {}, SHEETS_TIMEOUT_MS = 0 } = parsed.data ?? {}
  const fetched = async (name: string): Promise<Buffer | Problem> => {
    const url = Object.hasOwn(SHEETS, name) ? SHEETS[name] : undefined
    if (url === undefined) return { code: 'not-found', what: 'sheet' }
    const failed = (why: string): Problem => ({ code: 'source-failed', name, why })
    try {
      const signal = AbortSignal.timeout(SHEETS_TIMEOUT_MS)
      const response = await fetch(url, { headers: SHEETS_HEADERS, redirect: 'error', signal, cache: 'no-store' })
      const bytes = await answered(response, MOST_BYTES)
      return 'why' in bytes ? failed(bytes.why) : bytes
    } catch (error) {
      return failed(whyUnreached(error, SHEETS_TIMEOUT_MS))
    }
  }
  return { names: Object.keys(SHEETS), fetched }
}
