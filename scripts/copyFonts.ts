/** Puts the font files of the font table where the browser can fetch them. */
import { copyFileSync, mkdirSync } from 'node:fs'
import { fontKeys } from '../src/core/style'
import { fontFile } from '../src/server/fontFiles'

mkdirSync('public/fonts', { recursive: true })
for (const key of fontKeys) copyFileSync(fontFile(key), `public/fonts/${key}.ttf`)
