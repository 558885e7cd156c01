import { readFileSync } from 'node:fs'
import { createTypesetter, type FontFile, type Typesetter } from '@/core/measure'
import { fontKeys, fontTable, type FontKey } from '@/core/style'
import { shippedFile } from './home'

export const fontFile = (key: FontKey): string => shippedFile(`node_modules/@expo-google-fonts/${fontTable[key].file}`)

const held = globalThis as typeof globalThis & { compassTypesetter?: Typesetter }

/** The typesetter with all shipped fonts, made once per process (0.3 s). */
export const serverTypesetter = (): Typesetter =>
  (held.compassTypesetter ??= createTypesetter(
    fontKeys.map((key): FontFile => ({ key, data: readFileSync(fontFile(key)) })),
  ))
