/** Files that other programs made, read here and held against what was checked by hand once: `npm run real FOLDER [--pin]`.
 *  The files themselves stay out of the tree; where they come from, and under which licence, is written beside their pins. Nothing
 *  is fetched: unpack the packages named in `scripts/realFiles.json` into a folder, and name that. */
import { createHash } from 'node:crypto'
import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { imported, type Imported } from '../src/server/imports/readers'

const PINS = path.resolve('scripts/realFiles.json')
const SORTS = /\.(?:docx|odt|ott|odp|otp|pptx|xlsx|ods|opml|graphml|bpmn|epub|eml|rtf|gv|dot|pdf)$/i

/** What a file holds, in numbers, and its words as a hash. */
type Pin = { readonly file: string; readonly holds: string }
type Pins = { readonly sources: Readonly<Record<string, string>>; readonly files: Readonly<Record<string, Pin>> }

const sha = (bytes: Uint8Array | string): string => createHash('sha256').update(bytes).digest('hex').slice(0, 16)
const count = (text: string, what: RegExp): number => text.match(what)?.length ?? 0

function holds(read: Imported | { readonly code: string }): string {
  if ('code' in read) return read.code
  if (read.as === 'text') {
    const { markdown } = read
    const parts = [
      `${count(markdown, /\S+/g)} words`,
      `${count(markdown, /^#+ /gm)} headings`,
      `${count(markdown, /^\s*(?:-|\d+\.) /gm)} items`,
      `${count(markdown, /^\| /gm)} rows`,
    ]
    return `${parts.join(', ')}, ${sha(markdown)}`
  }
  if (read.as === 'sheets')
    return `${read.sheets.map((s) => `${s.rows.length} rows`).join(', ')}, ${sha(JSON.stringify(read.sheets))}`
  return read.figures
    .map((f) => `${f.kind}: ${Object.keys(f.nodes).length} nodes, ${Object.keys(f.links).length} links`)
    .join('; ')
}

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name)
    if (entry.isDirectory()) yield* filesIn(full)
    else if (SORTS.test(entry.name)) yield full
  }
}

const [folder = '.', flag] = process.argv.slice(2)
const known = JSON.parse(readFileSync(PINS, 'utf8')) as Pins
const files: Record<string, Pin> = {}
const differ: string[] = []
let [held, fresh] = [0, 0]
for (const file of [...filesIn(folder)].sort()) {
  const bytes = readFileSync(file)
  const id = sha(bytes)
  const now = holds(await imported(path.basename(file), bytes))
  const pin = known.files[id]
  files[id] = { file: path.relative(folder, file), holds: now }
  if (!pin) fresh++
  else if (pin.holds === now) held++
  else differ.push(`${pin.file}\n  was  ${pin.holds}\n  is   ${now}`)
}
if (flag === '--pin') {
  const pins = `${JSON.stringify({ ...known, files: { ...known.files, ...files } }, null, 2)}\n`
  writeFileSync(PINS, pins)
}
for (const line of differ) console.error(line)
console.log(`${held} as checked, ${differ.length} otherwise, ${fresh} not known yet`)
if (differ.length > 0 && flag !== '--pin') process.exitCode = 1
