import { readFileSync } from 'node:fs'
import { createTypesetter } from '../measure'
import { fontKeys } from '../style'
import { fontFile } from '@/server/fontFiles'

/** The typesetter over the fonts that ship, read from disk. */
export const shippedTypesetter = () =>
  createTypesetter(fontKeys.map((key) => ({ key, data: readFileSync(fontFile(key)) })))
