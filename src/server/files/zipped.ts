import { strToU8, zipSync, type Zippable } from 'fflate'

/** The same files give the same bytes. */
const WHEN = new Date('2000-01-01T00:00:00')

/** A zip archive, in the order given; `stored` names stand in it as they are (OASIS ODF 1.3, 2, asks that of `mimetype`). */
export function zipped(
  files: Readonly<Record<string, string | Uint8Array>>,
  stored: readonly string[] = [],
): Uint8Array {
  const entries = Object.entries(files).map(([name, data]): [string, Zippable[string]] => [
    name,
    [typeof data === 'string' ? strToU8(data) : data, { level: stored.includes(name) ? 0 : 6, mtime: WHEN }],
  ])
  return zipSync(Object.fromEntries(entries))
}
