import { readFileSync } from 'node:fs'
import { createTypesetter, type FontFile, type Typesetter } from '@/core/measure'
import { fontKeys, fontTable, type ShippedFont } from '@/core/style'
import { shippedFile } from './home'

export const fontFile = (key: ShippedFont): string =>
  shippedFile(`node_modules/@expo-google-fonts/${fontTable[key].file}`)

/** Fonts that people brought stay at hand; beyond so many the typesetter is made anew without them. */
const MOST_BROUGHT = 40
const held = globalThis as typeof globalThis & { compassTypesetter?: { made: Typesetter; brought: Set<string> } }

/** The typesetter with all shipped fonts, made once per process (0.3 s), and with those a figure is set in besides: null for one
 *  that is not to be had. */
export function serverTypesetter(brought: Readonly<Record<string, Uint8Array | null>> = {}): Typesetter {
  const asked = Object.entries(brought)
  const { brought: known = new Set<string>() } = held.compassTypesetter ?? {}
  const full = known.size + asked.filter(([hash]) => !known.has(hash)).length > MOST_BROUGHT
  const now =
    held.compassTypesetter && !full ? held.compassTypesetter : { made: shippedTypesetter(), brought: new Set<string>() }
  held.compassTypesetter = now
  now.made.add(asked.map(([hash, data]): FontFile => ({ key: `own:${hash}`, data })))
  asked.forEach(([hash]) => now.brought.add(hash))
  return now.made
}

const shippedTypesetter = () =>
  createTypesetter(fontKeys.map((key): FontFile => ({ key, data: readFileSync(fontFile(key)) })))
