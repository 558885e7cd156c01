/** Brings the catalogues up to date with the code: sentences that are said no more go, new ones come with no words yet, and are
 *  listed. A test holds that none is left so. */
import { readFileSync, writeFileSync } from 'node:fs'
import { spokenIn } from './wordsInCode'

const FILE = 'src/server/words/german.json'
const catalogue = JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, string>
const said = [...new Set(spokenIn('src').map((s) => s.says))].toSorted()
const next = Object.fromEntries(said.map((says) => [says, catalogue[says] ?? '']))
writeFileSync(FILE, `${JSON.stringify(next, null, 2)}\n`)
const missing = said.filter((says) => !catalogue[says])
const gone = Object.keys(catalogue).filter((says) => !(says in next))
console.log(`${said.length} sentences, ${missing.length} without German, ${gone.length} no longer said`)
for (const says of missing) console.log(`  ${JSON.stringify(says)}`)
