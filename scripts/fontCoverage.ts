/** Writes which characters each shipped font has, as the table that alone decides which font serves which character. A test
 *  compares it with the font files. */
import { readFileSync, writeFileSync } from 'node:fs'
import { coverageOf } from '../src/core/measure'
import { fontKeys } from '../src/core/style'
import { fontFile } from '../src/server/fontFiles'

const table = Object.fromEntries(fontKeys.map((key) => [key, coverageOf(readFileSync(fontFile(key)))]))
writeFileSync('src/core/measure/fontCoverage.json', `${JSON.stringify(table, null, 2)}\n`)
