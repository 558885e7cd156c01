import { german } from './german'
import type { LanguagePack } from './pack'
import { spanish } from './spanish'

/** The languages beside English whose sentences are interpreted, each a file of data. */
export const packs: readonly LanguagePack[] = [german, spanish]
export const packOf = (language: string): LanguagePack | null => packs.find((p) => p.language === language) ?? null
export { packClaims, packSaid } from './interpret'
export type { LanguagePack } from './pack'
