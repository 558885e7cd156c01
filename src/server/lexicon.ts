import { readFileSync } from 'node:fs'
import { englishLexicon, type Lexicon } from '@/core/reading'
import { shippedFile } from './home'

const held = globalThis as typeof globalThis & { compassLexicon?: Lexicon }

/** What is known of English, with the parser that ships, made once per process. */
export const shippedLexicon = (): Lexicon =>
  (held.compassLexicon ??= englishLexicon(readFileSync(shippedFile('public/syntax/english.bin'))))
