import { readFileSync } from 'node:fs'
import path from 'node:path'
import { createTypesetter, type FontFile, type Typesetter } from '@/core/measure'
import { fontKeys, fontTable, type FontKey } from '@/core/style'

export const fontFile = (key: FontKey): string =>
  path.join(process.env.IDLE_COMPASS_HOME ?? process.cwd(), 'node_modules/@expo-google-fonts', fontTable[key].file)

const held = globalThis as typeof globalThis & { compassTypesetter?: Typesetter }

/** The typesetter with all shipped fonts, made once per process (0.3 s). */
export const serverTypesetter = (): Typesetter =>
  (held.compassTypesetter ??= createTypesetter(
    fontKeys.map((key): FontFile => ({ key, data: readFileSync(fontFile(key)) })),
  ))
