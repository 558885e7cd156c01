/** `npm run counterparts`: makes `src/core/icons/counterparts.json`, for icons in lines the filled ones of the same name: what
 *  shows something else would be worse than what is drawn otherwise. */
import { readFileSync, writeFileSync } from 'node:fs'
import type { IconFamily, IconIndex } from '../src/core/icons'

const index = JSON.parse(readFileSync('public/icons/index.json', 'utf8')) as IconIndex
const namesOf = (family: IconFamily) =>
  index.icons.filter((i) => i.startsWith(`${family}/`)).map((i) => i.slice(family.length + 1))
/** A name without the order of its words, and without endings of plurals. */
const plain = (name: string) =>
  (name.match(/[a-z]+/g) ?? [])
    .map((w) => w.replace(/s$/, ''))
    .toSorted()
    .join(' ')

const [lines, fills] = [namesOf('line'), namesOf('fill')]
const byPlain = new Map(fills.toReversed().map((f) => [plain(f), f]))
const counterparts = lines.flatMap((line): [string, string][] => {
  const same = fills.includes(line) ? line : byPlain.get(plain(line))
  return same ? [[line, same]] : []
})
writeFileSync('src/core/icons/counterparts.json', `${JSON.stringify(Object.fromEntries(counterparts))}\n`)
console.log(`${counterparts.length} of ${lines.length} icons in lines have a filled one of their name`)
